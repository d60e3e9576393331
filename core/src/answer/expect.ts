/** Refuses a caller's mistake: every named figure must be finite and above zero. */
export function expectAbove0(figures: Readonly<Record<string, number>>): void {
  for (const name in figures) {
    const value = figures[name] ?? NaN
    if (!(value > 0) || !Number.isFinite(value))
      throw new RangeError(`${name} is ${value}; it must be above 0`)
  }
}

/** Refuses a caller's mistake: every named figure must be finite and 0 or more. */
export function expectNotNegative(figures: Readonly<Record<string, number>>): void {
  for (const name in figures) {
    const value = figures[name] ?? NaN
    if (!(value >= 0) || !Number.isFinite(value))
      throw new RangeError(`${name} is ${value}; it must be 0 or more`)
  }
}

/** At most, allowing the last digit of a unit conversion: 45 psi typed equals 45 psi computed. */
export const atMost = (value: number, limit: number): boolean =>
  value <= limit + Math.max(1e-6 * Math.abs(limit), 1e-12)

/** A straight line laid through readings by least squares. */
export interface Line {
  readonly slope_per_s: number
  /** Standard error of the slope. */
  readonly error_per_s: number
  /** How many readings it was laid through. */
  readonly count: number
  /** From the first to the last reading. */
  readonly span_s: number
}

/**
 * The line of least squares through readings. At least three, at different times, else RangeError.
 * Its error holds for independent errors of reading. Source: sources.leastSquares.
 */
export function leastSquares(
  readings: readonly { readonly at_s: number; readonly value: number }[],
): Line {
  const count = readings.length
  if (count < 3) throw new RangeError(`${count} readings; at least 3 are needed`)
  const mean = (of: (one: (typeof readings)[number]) => number) =>
    readings.reduce((sum, one) => sum + of(one), 0) / count
  const [at_s, value] = [mean((one) => one.at_s), mean((one) => one.value)]
  const sum = (of: (one: (typeof readings)[number]) => number) =>
    readings.reduce((total, one) => total + of(one), 0)
  const spread = sum((one) => (one.at_s - at_s) ** 2)
  if (!(spread > 0)) throw new RangeError('all readings are of one instant; times must differ')
  const slope_per_s = sum((one) => (one.at_s - at_s) * (one.value - value)) / spread
  const left = sum((one) => (one.value - value - slope_per_s * (one.at_s - at_s)) ** 2)
  const times = readings.map((one) => one.at_s)
  return {
    slope_per_s,
    error_per_s: Math.sqrt(left / (count - 2) / spread),
    count,
    span_s: Math.max(...times) - Math.min(...times),
  }
}

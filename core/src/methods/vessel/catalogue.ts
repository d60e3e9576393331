/** Nominal vessel sizes sold in each place, m³. Generic stock sizes: common practice, no source. */
export const metricSizes_m3 = [8, 12, 18, 25, 35, 50, 80, 100, 140, 200, 300, 500].map(
  (litres) => litres / 1000,
)
export const usSizes_m3 = [2, 4.4, 6.8, 10.3, 14, 20, 32, 44, 62, 90].map(
  (gallons) => gallons * 0.003785411784,
)

/**
 * Smallest nominal size at or above what is needed, or undefined past the largest. Rounds up, never
 * down.
 */
export const nextSize_m3 = (needed_m3: number, sizes: readonly number[]): number | undefined =>
  sizes.find((size) => size >= needed_m3 * (1 - 1e-6))

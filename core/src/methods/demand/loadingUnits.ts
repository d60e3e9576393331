/** Loading units of EN 806-3; one is 0.1 L/s drawn. Source: sources.en806Units, from memory. */
export const loadingUnits: Readonly<Record<string, number>> = {
  washbasin: 1,
  handbasin: 1,
  bidet: 1,
  'wc-cistern': 1,
  'kitchen-sink-domestic': 2,
  'washing-machine-domestic': 2,
  'dishwasher-domestic': 2,
  sink: 2,
  shower: 2,
  'urinal-flush-valve': 3,
  'bath-domestic': 4,
  'garden-tap': 5,
  'kitchen-sink-nondomestic-dn20': 8,
  'bath-nondomestic': 8,
  'flush-valve-dn20': 15,
}

/**
 * Greatest loading units of a copper pipe, by outside diameter, and the highest single unit where
 * one is stated. Source: sources.en806Units, least certain.
 */
const copperLimits: readonly {
  readonly outsideDiameter_m: number
  readonly units: number
  readonly single?: number
}[] = [
  { outsideDiameter_m: 0.012, units: 3, single: 2 },
  { outsideDiameter_m: 0.015, units: 6, single: 4 },
  { outsideDiameter_m: 0.018, units: 10, single: 5 },
  { outsideDiameter_m: 0.022, units: 20, single: 8 },
  { outsideDiameter_m: 0.028, units: 50 },
  { outsideDiameter_m: 0.035, units: 165 },
  { outsideDiameter_m: 0.042, units: 430 },
  { outsideDiameter_m: 0.054, units: 1050 },
  { outsideDiameter_m: 0.0761, units: 2100 },
]

/**
 * Smallest copper pipe of the table for a sum of loading units, outside diameter in m; undefined
 * past its last row. Source: sources.en806Units.
 */
export const copperForUnits_m = (units: number): number | undefined =>
  copperLimits.find((row) => row.units >= units - 1e-9)?.outsideDiameter_m

/** Constants of the peak-flow curve by use. Source: sources.din1988, from memory. */
export const peakConstants = {
  dwelling: { a: 1.48, b: 0.19, c: 0.94 },
  'hospital-ward': { a: 0.75, b: 0.44, c: 0.18 },
  hotel: { a: 0.7, b: 0.48, c: 0.13 },
  'school-office': { a: 0.91, b: 0.31, c: 0.38 },
  'nursing-home': { a: 1.4, b: 0.14, c: 0.92 },
} as const

/**
 * Flow of one outlet in full draw, m³/s: the sum where the peak-flow curve begins. Source:
 * sources.din1988, from memory.
 */
const oneOutlet_m3_s = 0.2e-3

/**
 * Peak flow, m³/s, from the sum of the outlets' flows, m³/s: a·S^b − c in L/s, never above the sum.
 * Valid 0.2 to 500 L/s; below it the sum itself is returned. Just above it the curve lies under the
 * one outlet it begins with, so the peak is held at 0.2 L/s there: more outlets never draw less.
 * Source: sources.din1988.
 */
export function peakFlow_m3_s(
  sum_m3_s: number,
  {
    a,
    b,
    c,
  }: { readonly a: number; readonly b: number; readonly c: number } = peakConstants.dwelling,
): number {
  const curve_m3_s = (a * (sum_m3_s * 1000) ** b - c) / 1000
  return Math.min(sum_m3_s, Math.max(oneOutlet_m3_s, curve_m3_s))
}

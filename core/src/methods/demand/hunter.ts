import { usGallon_m3 } from '../../units/units'

const pairs = (text: string): readonly (readonly [number, number])[] =>
  text.split(' | ').map((pair) => pair.trim().split(' ').map(Number) as [number, number])
const tail =
  '300 85 | 400 105 | 500 124 | 750 170 | 1000 208 | 1250 239 | 1500 269 | 1750 297 | 2000 325 | 2500 380 | 3000 433 | 4000 525 | 5000 593'

/** Fixture units against gpm. Source: sources.hunter, from memory. */
const curves = {
  'flush-tank': pairs(
    `1 3 | 2 5 | 3 6.5 | 4 8 | 5 9.4 | 6 10.7 | 7 11.8 | 8 12.8 | 9 13.7 | 10 14.6 | 11 15.4 | 12 16 | 13 16.5 | 14 17 | 15 17.5 | 16 18 | 17 18.4 | 18 18.8 | 19 19.2 | 20 19.6 | 25 21.5 | 30 23.3 | 35 24.9 | 40 26.3 | 45 27.7 | 50 29.1 | 60 32 | 70 35 | 80 38 | 90 41 | 100 43.5 | 120 48 | 140 52.5 | 160 57 | 180 61 | 200 65 | 225 70 | 250 75 | 275 80 | ${tail}`,
  ),
  flushometer: pairs(
    '5 15 | 6 17.4 | 7 19.8 | 8 22.2 | 9 24.6 | 10 27 | 11 27.8 | 12 28.6 | 13 29.4 | 14 30.2 | 15 31 | 16 31.8 | 17 32.6 | 18 33.4 | 19 34.2 | 20 35 | 25 38 | 30 42 | 35 44 | 40 46 | 45 48 | 50 50 | 60 54 | 70 58 | 80 61.2 | 90 64.3 | 100 67.5 | 120 73 | 140 77 | 160 81 | 180 85.5 | 200 90 | 225 95.5 | 250 101 | 275 104.5 | 300 108 | 400 127 | 500 143 | 750 177 | 1000 208 | 1250 239 | 1500 269 | 1750 297 | 2000 325 | 2500 380 | 3000 433 | 4000 525 | 5000 593',
  ),
} as const

export type HunterCurve = keyof typeof curves

/** Water supply fixture units, hot and cold together. Source: sources.hunter, from memory. */
export const fixtureUnits: Readonly<Record<string, number>> = {
  'bathroom-group-flush-tank-private': 3.6,
  'bathroom-group-flushometer-private': 8,
  'bathtub-private': 1.4,
  'bathtub-public': 4,
  'bidet-private': 2,
  'combination-fixture-private': 3,
  dishwasher: 1.4,
  'drinking-fountain': 0.25,
  'kitchen-sink-private': 1.4,
  'kitchen-sink-public': 4,
  'laundry-tray-private': 1.4,
  'lavatory-private': 0.7,
  'lavatory-public': 2,
  'service-sink': 3,
  'shower-private': 1.4,
  'shower-public': 4,
  'urinal-flushometer-1in': 10,
  'urinal-flushometer-3/4in': 5,
  'urinal-flush-tank': 3,
  'clothes-washer-private': 1.4,
  'clothes-washer-public': 3,
  'clothes-washer-public-15lb': 4,
  'wc-flush-tank-private': 2.2,
  'wc-flushometer-private': 6,
  'wc-flush-tank-public': 5,
  'wc-flushometer-public': 10,
  'wc-flushometer-tank': 2,
}

/** Sum of fixture units, unrounded. An unknown fixture is a RangeError. */
export const sumOfUnits = (
  table: Readonly<Record<string, number>>,
  fixtures: readonly { readonly kind: string; readonly count: number }[],
): number =>
  fixtures.reduce((sum, { kind, count }) => {
    const each = table[kind]
    if (each === undefined) throw new RangeError(`${kind} is not a fixture of the table`)
    return sum + each * count
  }, 0)

/**
 * Probable simultaneous flow, m³/s, from fixture units: the published points, linear between them.
 * Undefined below the first point (1 unit with flush tanks, 5 with flushometers) and above 5 000.
 * Source: sources.hunter.
 */
export function hunterFlow_m3_s(
  units: number,
  curve: HunterCurve = 'flush-tank',
): number | undefined {
  const points = curves[curve]
  const above = points.findIndex(([at]) => at >= units - 1e-9)
  const high = points[above]
  const low = points[Math.max(0, above - 1)]
  if (!high || !low || units < (points[0]?.[0] ?? 0) - 1e-9) return undefined
  const share = high[0] === low[0] ? 0 : (units - low[0]) / (high[0] - low[0])
  return ((low[1] + share * (high[1] - low[1])) * usGallon_m3) / 60
}

/**
 * What hot or cold alone of a fixture with both counts of its fixture units. Source:
 * sources.hotShare.
 */
export const oneSideRatio = 0.75

import { btuPerHour_W, cubicFoot_m3, foot_m, inchWater_Pa } from '../../units/units'

type Row = readonly [number, readonly (number | null)[]]
interface CapacityTable {
  readonly drop_Pa: number
  readonly sizes: readonly string[]
  readonly rows: readonly Row[]
}

const steelSizes = ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2', '2-1/2', '3', '4']
const copperSizes = ['1/4', '3/8', '1/2', '5/8', '3/4', '1', '1-1/4', '1-1/2', '2']

/**
 * Length, ft, and ft³/h by size: schedule 40, natural gas of relative density 0.60. Source:
 * sources.nfpa54Tables.
 */
const steel05: readonly Row[] = [
  [10, [172, 360, 678, 1390, 2090, 4020, 6400, 11300, 23100]],
  [20, [118, 247, 466, 957, 1430, 2760, 4400, 7780, 15900]],
  [30, [95, 199, 374, 768, 1150, 2220, 3530, 6250, 12700]],
  [40, [81, 170, 320, 657, 985, 1900, 3020, 5350, 10900]],
  [50, [72, 151, 284, 583, 873, 1680, 2680, 4740, 9660]],
  [60, [65, 137, 257, 528, 791, 1520, 2430, 4290, 8760]],
  [70, [60, 126, 237, 486, 728, 1400, 2230, 3950, 8050]],
  [80, [56, 117, 220, 452, 677, 1300, 2080, 3670, 7490]],
  [90, [52, 110, 207, 424, 635, 1220, 1950, 3450, 7030]],
  [100, [50, 104, 195, 400, 600, 1160, 1840, 3260, 6640]],
  [125, [44, 92, 173, 355, 532, 1020, 1630, 2890, 5890]],
  [150, [40, 83, 157, 322, 482, 928, 1480, 2610, 5330]],
  [175, [37, 77, 144, 296, 443, 854, 1360, 2410, 4910]],
  [200, [34, 71, 134, 275, 412, 794, 1270, 2240, 4560]],
]
const steel03: readonly Row[] = [
  [10, [131, 273, 514, 1060, 1580, 3050, 4860, 8580, 17500]],
  [20, [90, 188, 353, 726, 1090, 2090, 3340, 5900, 12000]],
  [30, [72, 151, 284, 583, 873, 1680, 2680, 4740, 9660]],
  [40, [62, 129, 243, 499, 747, 1440, 2290, 4050, 8270]],
  [50, [55, 114, 215, 442, 662, 1280, 2030, 3590, 7330]],
  [60, [50, 104, 195, 400, 600, 1160, 1840, 3260, 6640]],
]
/** The same for copper tube K and L. */
const copper05: readonly Row[] = [
  [10, [27, 55, 111, 195, 276, 590, 1060, 1680, 3490]],
  [20, [18, 38, 77, 134, 190, 406, 730, 1150, 2400]],
  [30, [15, 30, 61, 107, 152, 326, 586, 925, 1930]],
  [40, [13, 26, 53, 92, 131, 279, 502, 791, 1650]],
  [50, [11, 23, 47, 82, 116, 247, 445, 701, 1460]],
  [60, [10, 21, 42, 74, 105, 224, 403, 635, 1320]],
  [100, [null, 16, 32, 56, 79, 169, 305, 481, 1000]],
]
/** Thousand Btu/h: schedule 40, undiluted propane of relative density 1.50. */
const propane05: readonly Row[] = [
  [10, [291, 608, 1150, 2350, 3520, 6790]],
  [20, [200, 418, 787, 1620, 2420, 4660]],
  [30, [160, 336, 632, 1300, 1940, 3750]],
  [40, [137, 287, 541, 1110, 1660, 3210]],
  [50, [122, 255, 480, 985, 1480, 2840]],
  [60, [110, 231, 434, 892, 1340, 2570]],
  [80, [94, 197, 372, 763, 1140, 2200]],
  [100, [84, 175, 330, 677, 1010, 1950]],
]

const half_Pa = 0.5 * inchWater_Pa
const third_Pa = 0.3 * inchWater_Pa

/**
 * Capacity tables by what they are for. Source: sources.nfpa54Tables, from memory; mostly 0.3 to
 * 1.3 % below the equation.
 */
export const capacityTables = {
  'steel-natural-gas': [
    { drop_Pa: half_Pa, sizes: steelSizes, rows: steel05 },
    { drop_Pa: third_Pa, sizes: steelSizes, rows: steel03 },
  ],
  'copper-natural-gas': [{ drop_Pa: half_Pa, sizes: copperSizes, rows: copper05 }],
  'steel-propane': [{ drop_Pa: half_Pa, sizes: steelSizes.slice(0, 6), rows: propane05 }],
} as const satisfies Record<string, readonly CapacityTable[]>
export type CapacityTableName = keyof typeof capacityTables

/**
 * A table's figure for a size at a length: its row, or the next longer one; undefined where it
 * lists no such size, drop or length. Never interpolated.
 */
export function tabledFigure(
  name: CapacityTableName,
  {
    size,
    length_m,
    drop_Pa,
  }: { readonly size: string; readonly length_m: number; readonly drop_Pa: number },
): number | undefined {
  const table: CapacityTable | undefined = capacityTables[name].find(
    (one) => Math.abs(one.drop_Pa - drop_Pa) < 0.01 * one.drop_Pa,
  )
  const column = table?.sizes.indexOf(size) ?? -1
  const row = table?.rows.find(([feet]) => feet >= (length_m / foot_m) * (1 - 1e-6))
  return column < 0 ? undefined : (row?.[1][column] ?? undefined)
}

/** Flow of the natural gas tables, m³/s. Source: sources.nfpa54Tables. */
export function tabledFlow_m3_s(
  name: 'steel-natural-gas' | 'copper-natural-gas',
  run: Parameters<typeof tabledFigure>[1],
): number | undefined {
  const cfh = tabledFigure(name, run)
  return cfh === undefined ? undefined : (cfh * cubicFoot_m3) / 3600
}

/** Heat of the propane table, W gross. Source: sources.nfpa54Tables. */
export function tabledHeat_W(run: Parameters<typeof tabledFigure>[1]): number | undefined {
  const thousand = tabledFigure('steel-propane', run)
  return thousand === undefined ? undefined : thousand * 1000 * btuPerHour_W
}

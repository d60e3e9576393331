import type { ValveOutlet } from './catalogue'

interface Row {
  readonly outsideDiameter_m: number
  readonly straight_m: number
  readonly bend_m: number
}

/**
 * D1, and for each D2 its greatest straight length and what a bend takes off it, by the valve's
 * outlet. Source: sources.approvedG.
 */
const table: Readonly<
  Partial<Record<ValveOutlet, { readonly d1_m: number; readonly rows: readonly Row[] }>>
> = {
  'G1/2': {
    d1_m: 0.015,
    rows: [
      { outsideDiameter_m: 0.022, straight_m: 9, bend_m: 0.8 },
      { outsideDiameter_m: 0.028, straight_m: 18, bend_m: 1 },
      { outsideDiameter_m: 0.035, straight_m: 27, bend_m: 1.4 },
    ],
  },
  'G3/4': {
    d1_m: 0.022,
    rows: [
      { outsideDiameter_m: 0.028, straight_m: 9, bend_m: 1 },
      { outsideDiameter_m: 0.035, straight_m: 18, bend_m: 1.4 },
      { outsideDiameter_m: 0.042, straight_m: 27, bend_m: 1.7 },
    ],
  },
  G1: {
    d1_m: 0.028,
    rows: [
      { outsideDiameter_m: 0.035, straight_m: 9, bend_m: 1.4 },
      { outsideDiameter_m: 0.042, straight_m: 18, bend_m: 1.7 },
      { outsideDiameter_m: 0.054, straight_m: 27, bend_m: 2.3 },
    ],
  },
}

/**
 * Smallest D1, m outside diameter; undefined where the table has no such outlet. Source:
 * sources.approvedG.
 */
export const leastD1_m = (outlet: ValveOutlet): number | undefined => table[outlet]?.d1_m

/** The table's row for a D2, m outside diameter. Source: sources.approvedG. */
export const d2Row = (outlet: ValveOutlet, outsideDiameter_m: number): Row | undefined =>
  table[outlet]?.rows.find((row) => Math.abs(row.outsideDiameter_m - outsideDiameter_m) < 1e-6)

/** Straight length that a D2 may have with so many bends, m; 0 where the bends use it all. */
export const permittedStraight_m = (row: Row, bends: number): number =>
  Math.max(0, row.straight_m - bends * row.bend_m)

/**
 * Smallest D2 whose permitted length reaches the run; undefined where none does. The bend length
 * belongs to that D2. Source: sources.approvedG.
 */
export function d2For({
  outlet,
  straight_m,
  bends,
}: {
  readonly outlet: ValveOutlet
  readonly straight_m: number
  readonly bends: number
}): { readonly outsideDiameter_m: number; readonly permitted_m: number } | undefined {
  const row = table[outlet]?.rows.find(
    (one) =>
      permittedStraight_m(one, bends) >= straight_m * (1 - 1e-6) &&
      permittedStraight_m(one, bends) > 0,
  )
  return (
    row && {
      outsideDiameter_m: row.outsideDiameter_m,
      permitted_m: permittedStraight_m(row, bends),
    }
  )
}

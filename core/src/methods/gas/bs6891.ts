/** Greatest lengths of the columns, m. */
const lengths_m = [3, 6, 9, 12, 15, 20, 25, 30] as const

/** Discharge, m³/h, natural gas, 1 mbar, by outside diameter in mm. Source: sources.bs6891. */
const discharge: Readonly<Record<number, readonly number[]>> = {
  10: [0.86, 0.57, 0.5, 0.37, 0.3, 0.22, 0.18, 0.15],
  12: [1.5, 1.0, 0.85, 0.82, 0.69, 0.52, 0.41, 0.34],
  15: [2.9, 1.9, 1.5, 1.3, 1.1, 0.95, 0.92, 0.88],
  22: [8.7, 5.8, 4.6, 3.9, 3.4, 2.9, 2.5, 2.3],
  28: [18, 12, 9.4, 8.0, 7.0, 5.9, 5.2, 4.7],
  35: [32, 22, 17, 15, 13, 11, 9.5, 8.5],
}

/** Lengths added for fittings up to 28 mm, m. Source: sources.bs6891. */
export const fittingLengths_m = { elbow: 0.5, tee: 0.5, bend: 0.3 } as const

/** Pipe and its fittings as one length, m. Source: sources.bs6891. */
export const effectiveLength_m = (run: {
  readonly pipe_m: number
  readonly elbows?: number
  readonly tees?: number
  readonly bends?: number
}): number =>
  run.pipe_m +
  fittingLengths_m.elbow * (run.elbows ?? 0) +
  fittingLengths_m.tee * (run.tees ?? 0) +
  fittingLengths_m.bend * (run.bends ?? 0)

/**
 * What the table lets a tube pass, m³/s, at the next longer column; undefined past 30 m or for a
 * size it does not list. Source: sources.bs6891.
 */
export function tableFlow_m3_s({
  outsideDiameter_m,
  length_m,
}: {
  readonly outsideDiameter_m: number
  readonly length_m: number
}): number | undefined {
  const column = lengths_m.findIndex((most) => length_m <= most * (1 + 1e-6))
  const figure = column < 0 ? undefined : discharge[Math.round(outsideDiameter_m * 1000)]?.[column]
  return figure === undefined ? undefined : figure / 3600
}

import { expectAbove0, expectNotNegative } from '../../answer/expect'
import { cubicFoot_m3, foot_m, inch_m, inchWater_Pa } from '../../units/units'

const perHour = (flow_m3_s: number) => flow_m3_s * 3600

/**
 * Constants of Renouard's two forms as they are mostly printed; other national texts print 25 076
 * and 51.5. Source: sources.renouard.
 */
export const renouardConstants = { low: 23200, medium: 48.6 } as const

/**
 * Drop by Renouard's linear form, Pa, up to 0.1 bar; flow over bore below 150 m³/h per mm. Bore
 * above 0, the rest 0 or more, else RangeError. Source: sources.renouard.
 */
export function renouardLow_Pa({
  flow_m3_s,
  bore_m,
  length_m,
  relativeDensity,
  constant = renouardConstants.low,
}: {
  readonly flow_m3_s: number
  readonly bore_m: number
  readonly length_m: number
  readonly relativeDensity: number
  readonly constant?: number
}): number {
  expectAbove0({ bore_m })
  expectNotNegative({ flow_m3_s, length_m, relativeDensity })
  return (
    constant *
    relativeDensity *
    length_m *
    perHour(flow_m3_s) ** 1.82 *
    (bore_m * 1000) ** -4.82 *
    100
  )
}

/**
 * What a pipe loses by Renouard's quadratic form, as the difference of the squares of absolute
 * pressure, Pa². Bore above 0, else RangeError. Source: sources.renouard.
 */
export function renouardSquares_Pa2({
  flow_m3_s,
  bore_m,
  length_m,
  relativeDensity,
  constant = renouardConstants.medium,
}: {
  readonly flow_m3_s: number
  readonly bore_m: number
  readonly length_m: number
  readonly relativeDensity: number
  readonly constant?: number
}): number {
  expectAbove0({ bore_m })
  expectNotNegative({ flow_m3_s, length_m, relativeDensity })
  return (
    constant *
    relativeDensity *
    length_m *
    perHour(flow_m3_s) ** 1.82 *
    (bore_m * 1000) ** -4.82 *
    1e10
  )
}

/**
 * Outlet pressure by Renouard's quadratic form, absolute Pa; undefined where the pipe cannot pass
 * the flow. Bore and inlet above 0, else RangeError. Source: sources.renouard.
 */
export function renouardMediumAbs_Pa({
  flow_m3_s,
  bore_m,
  length_m,
  relativeDensity,
  inletAbs_Pa,
  constant = renouardConstants.medium,
}: {
  readonly flow_m3_s: number
  readonly bore_m: number
  readonly length_m: number
  readonly relativeDensity: number
  readonly inletAbs_Pa: number
  readonly constant?: number
}): number | undefined {
  expectAbove0({ inletAbs_Pa })
  const squared_Pa2 =
    inletAbs_Pa ** 2 -
    renouardSquares_Pa2({ flow_m3_s, bore_m, length_m, relativeDensity, constant })
  return squared_Pa2 < 0 ? undefined : Math.sqrt(squared_Pa2)
}

/**
 * Flow by Pole's formula, m³/s: one friction factor for all, optimistic in small copper. All above
 * 0, else RangeError. Source: sources.pole.
 */
export function poleFlow_m3_s(run: {
  readonly bore_m: number
  readonly drop_Pa: number
  readonly relativeDensity: number
  readonly length_m: number
}): number {
  expectAbove0({ ...run })
  return (
    (0.0071 *
      Math.sqrt(
        ((run.bore_m * 1000) ** 5 * (run.drop_Pa / 100)) / (run.relativeDensity * run.length_m),
      )) /
    3600
  )
}

/**
 * Flow by Spitzglass's low-pressure formula, m³/s. All above 0, else RangeError. Source:
 * sources.spitzglass.
 */
export function spitzglassFlow_m3_s(run: {
  readonly bore_m: number
  readonly drop_Pa: number
  readonly relativeDensity: number
  readonly length_m: number
}): number {
  expectAbove0({ ...run })
  const d = run.bore_m / inch_m
  const cfh =
    3550 *
    Math.sqrt(
      ((run.drop_Pa / inchWater_Pa) * d ** 5) /
        (run.relativeDensity * (run.length_m / foot_m) * (1 + 3.6 / d + 0.03 * d)),
    )
  return (cfh * cubicFoot_m3) / 3600
}

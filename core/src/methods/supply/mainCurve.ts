import { expectAbove0 } from '../../answer/expect'

/** One reading with water running: pressure where the gauge is, and the flow that was drawn. */
export interface RunningPoint {
  readonly gauge_Pa: number
  readonly flow_m3_s: number
}

/** What a cold main gives: static pressure less k·q^n. Gauge Pa, m³/s. */
export interface MainCurve {
  readonly staticGauge_Pa: number
  readonly k: number
  /** Greatest flow that was measured; past it the curve is an extrapolation. */
  readonly measured_m3_s: number
  /**
   * Greatest distance of a running point from the curve, as a part of its fall; 0 with one point.
   */
  readonly scatterRatio: number
}

/** Exponent of the fall against flow: 1 / 0.54. Source: sources.hydrantFlow. */
export const mainExponent = 1 / 0.54

/**
 * Flow of a timed container, m³/s. Volume and time above 0, else RangeError. Source:
 * sources.arithmetic.
 */
export function timedFlow_m3_s({
  volume_m3,
  time_s,
}: {
  readonly volume_m3: number
  readonly time_s: number
}): number {
  expectAbove0({ volume_m3, time_s })
  return volume_m3 / time_s
}

/**
 * The main's supply curve through the static pressure and one or more running points (least squares
 * in k, the exponent held). Undefined without a point whose pressure is below the static. Source:
 * sources.hydrantFlow.
 */
export function fitMain(
  staticGauge_Pa: number,
  points: readonly RunningPoint[],
): MainCurve | undefined {
  const usable = points.filter((point) => point.flow_m3_s > 0 && point.gauge_Pa < staticGauge_Pa)
  if (usable.length === 0) return undefined
  const sums = usable.reduce(
    ({ up, down }, { flow_m3_s, gauge_Pa }) => ({
      up: up + flow_m3_s ** mainExponent * (staticGauge_Pa - gauge_Pa),
      down: down + flow_m3_s ** (2 * mainExponent),
    }),
    { up: 0, down: 0 },
  )
  const k = sums.up / sums.down
  const scatterRatio = Math.max(
    ...usable.map(
      ({ flow_m3_s, gauge_Pa }) =>
        Math.abs(k * flow_m3_s ** mainExponent - (staticGauge_Pa - gauge_Pa)) /
        (staticGauge_Pa - gauge_Pa),
    ),
  )
  return {
    staticGauge_Pa,
    k,
    measured_m3_s: Math.max(...usable.map((point) => point.flow_m3_s)),
    scatterRatio: usable.length === 1 ? 0 : scatterRatio,
  }
}

/**
 * Pressure left in the main at a draw, gauge Pa; negative when it cannot give it. Flow 0 or more.
 */
export const mainGauge_Pa = (curve: MainCurve, flow_m3_s: number): number =>
  curve.staticGauge_Pa - curve.k * Math.max(0, flow_m3_s) ** mainExponent

/**
 * Flow the main gives while a pressure is still left, m³/s; 0 when that pressure is not below the
 * static.
 */
export const mainFlow_m3_s = (curve: MainCurve, leftGauge_Pa: number): number =>
  Math.max(0, (curve.staticGauge_Pa - leftGauge_Pa) / curve.k) ** (1 / mainExponent)

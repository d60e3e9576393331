import { leastSquares } from '../../methods/test/leastSquares'
import { studentT } from '../../methods/test/studentT'
import type { TightnessRun } from './run'
import { meanOf, settlingOf } from './run'

/**
 * Air that is compressed warms: its exponent for a pressure that rises faster than the warmth
 * leaves. Source: sources.idealGas.
 */
const airExponent = 0.4 / 1.4
/** The sensor may see a third of what the gas does. */
const unseen = 3

/**
 * What pumping may have warmed the air by, as the pressure that goes with its cooling, Pa: air
 * pumped at once from the surroundings, the most there can be. Source: sources.idealGas.
 */
export function fillingHeat_Pa(plan: {
  readonly testGauge_Pa: number
  readonly atmosphere_Pa: number
}): number {
  const abs_Pa = plan.testGauge_Pa + plan.atmosphere_Pa
  return abs_Pa * (1 - (plan.atmosphere_Pa / abs_Pa) ** airExponent)
}

/**
 * Whether the pipe held while it settled: *lost* more than the warmth of filling and the seen
 * change of temperature explain, still
 * *falling* at its end so fast that the test would fail, or *held*. Undefined with too few readings
 * to say.
 */
export function settledHow(run: TightnessRun): 'held' | 'lost' | 'falling' | undefined {
  const samples = settlingOf(run)
  const { plan } = run
  if (run.reading === 'typed' || samples.length < 12) return undefined
  const [start, end] = [samples.slice(0, 3), samples.slice(-3)]
  const gauge = (some: typeof samples) => meanOf(some.map(({ gauge_Pa }) => gauge_Pa))
  const temps = (some: typeof samples) => some.flatMap(({ temp_K }) => temp_K ?? [])
  const [warm, cool] = [temps(start), temps(end)]
  const abs_Pa = gauge(start) + plan.atmosphere_Pa
  const change_K = warm.length > 0 && cool.length > 0 ? Math.abs(meanOf(cool) - meanOf(warm)) : 0.5
  const explained_Pa = fillingHeat_Pa(plan) + (unseen * change_K * abs_Pa) / 288.15
  if (gauge(start) - gauge(end) > explained_Pa) return 'lost'

  const last = samples.slice(-Math.floor(samples.length / 3))
  const first_ms = last[0]?.at_ms ?? 0
  const line = leastSquares(
    last.map(({ at_ms, gauge_Pa }) => ({ at_s: (at_ms - first_ms) / 1000, value: gauge_Pa })),
  )
  const surely_Pa_s =
    -line.slope_per_s -
    studentT(0.998, line.count - 2) * line.error_per_s -
    (1.5 * plan.gauge.resolution_Pa) / line.span_s
  return surely_Pa_s * plan.test_s > plan.perceptible_Pa ? 'falling' : 'held'
}

/**
 * Whether it had its whole time to settle once before, and did not. Pumped up sooner it had no
 * chance to.
 */
export const wasUnsettledBefore = (run: TightnessRun): boolean =>
  run.settledBefore_ms.some((settleFrom_ms, i) => {
    const next_ms = run.settledBefore_ms[i + 1] ?? run.settleFrom_ms
    if (settleFrom_ms + run.plan.stabilise_s * 1000 > next_ms) return false
    const settled = settledHow({ ...run, settleFrom_ms })
    return settled === 'lost' || settled === 'falling'
  })

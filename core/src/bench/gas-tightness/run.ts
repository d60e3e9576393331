import type { Source } from '../../answer/sources'
import { leakRate_m3_s, thermalChange_Pa } from '../../methods/test/trappedGas'

/** How the pressure is read. A water gauge is read by eye; a digital one to its resolution. */
export type GaugeKind = 'water-gauge' | 'digital'

/** Everything the verdict is held against, fixed when the test begins. */
export interface TightnessPlan {
  readonly testGauge_Pa: number
  readonly stabilise_s: number
  readonly test_s: number
  readonly volume_m3: number
  readonly atmosphere_Pa: number
  /** Largest leak that may stay undetected. */
  readonly permittedLeak_m3_s: number
  readonly permittedLeakSource: Source
  /** Movement that the practice counts as none, whatever reads it. */
  readonly perceptible_Pa: number
  readonly gauge: { readonly kind: GaugeKind; readonly resolution_Pa: number }
  readonly methodSource: Source
}

export interface Sample {
  /** Clock of the gauge, milliseconds since 1970. */
  readonly at_ms: number
  readonly gauge_Pa: number
  /** Undefined when no temperature was read. */
  readonly temp_K?: number
  /** Of the air beside the pipe, absolute; undefined when nothing reads it. */
  readonly baro_Pa?: number
}

/**
 * How a run was read: a gauge that streams, or figures typed by hand, which have no sampling
 * interval.
 */
export type Reading = 'streamed' | 'typed'

export interface TightnessRun {
  readonly plan: TightnessPlan
  readonly reading: Reading
  /** When stabilising began: the beginning, or the last top-up. */
  readonly settleFrom_ms: number
  /** When it had begun to settle before that, oldest first: it was pumped up again after each. */
  readonly settledBefore_ms: readonly number[]
  /** Stopped before its time. */
  readonly endedEarly: boolean
  readonly samples: readonly Sample[]
}

/** What was read in the window, raw. */
export interface TightnessFigures {
  readonly start_Pa: number
  readonly end_Pa: number
  /** Raw, positive when the pressure fell. */
  readonly fall_Pa: number
  readonly allowance_Pa: number
  /** What temperature alone did, negative on cooling; undefined when not read. */
  readonly thermal_Pa?: number
  readonly tempChange_K?: number
  /** Leak that the raw fall would be. */
  readonly leak_m3_s: number
  readonly duration_s: number
  readonly longestGap_s: number
}

/** Readings of a typed test count this long before the window opens and after it closes. */
const typedSlack_ms = { before: 30_000, after: 600_000 } as const

const inOrder = (samples: readonly Sample[]): readonly Sample[] =>
  [...samples].sort((a, b) => a.at_ms - b.at_ms)

/** The samples that count, oldest first: from the start of the test window to its end. */
export function windowOf(run: TightnessRun): {
  readonly from_ms: number
  readonly to_ms: number
  readonly inside: readonly Sample[]
} {
  const from_ms = run.settleFrom_ms + run.plan.stabilise_s * 1000
  const to_ms = from_ms + run.plan.test_s * 1000
  const slack_ms = run.reading === 'typed' ? typedSlack_ms : { before: 0, after: 0 }
  return {
    from_ms,
    to_ms,
    inside: inOrder(run.samples).filter(
      ({ at_ms }) => at_ms >= from_ms - slack_ms.before && at_ms <= to_ms + slack_ms.after,
    ),
  }
}

/** The samples while it settled, oldest first. */
export function settlingOf(run: TightnessRun): readonly Sample[] {
  const { from_ms } = windowOf(run)
  return inOrder(run.samples).filter(({ at_ms }) => at_ms >= run.settleFrom_ms && at_ms <= from_ms)
}

/** The newest instant of a run. A day of readings is too many to hand to one call. */
export const latestOf_ms = ({ settleFrom_ms, samples }: TightnessRun): number =>
  samples.reduce((latest, { at_ms }) => Math.max(latest, at_ms), settleFrom_ms)

/** The usual time between two samples, s. */
export const intervalOf_s = (samples: readonly Sample[]): number => {
  const steps = samples
    .slice(1)
    .map((sample, i) => sample.at_ms - (samples[i]?.at_ms ?? 0))
    .filter((step) => step > 0)
    .sort((a, b) => a - b)
  return (steps[Math.floor(steps.length / 2)] ?? 0) / 1000
}

export const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length

/**
 * Mean of the samples around an instant: steadies one step of noise without hiding a fall. Two
 * either side.
 */
function readingAt(samples: readonly Sample[], index: number): Omit<Sample, 'at_ms'> {
  const near = samples.slice(Math.max(0, index - 2), index + 3)
  const warm = near.map((sample) => sample.temp_K).filter((value) => value !== undefined)
  return {
    gauge_Pa: meanOf(near.map((sample) => sample.gauge_Pa)),
    ...(warm.length > 0 ? { temp_K: meanOf(warm) } : {}),
  }
}

/**
 * The figures of a window, from its first reading to its last; undefined with fewer than two
 * readings.
 */
export function figuresOf(run: TightnessRun): TightnessFigures | undefined {
  const { plan } = run
  const { inside } = windowOf(run)
  const [first, last] = [inside[0], inside[inside.length - 1]]
  if (!first || !last || last.at_ms <= first.at_ms) return undefined
  const isStreamed = run.reading === 'streamed' && inside.length > 10
  const start = isStreamed ? readingAt(inside, 0) : first
  const end = isStreamed ? readingAt(inside, inside.length - 1) : last
  const duration_s = (last.at_ms - first.at_ms) / 1000
  const fall_Pa = start.gauge_Pa - end.gauge_Pa
  const gaps = inside.slice(1).map((sample, i) => (sample.at_ms - (inside[i]?.at_ms ?? 0)) / 1000)
  return {
    start_Pa: start.gauge_Pa,
    end_Pa: end.gauge_Pa,
    fall_Pa,
    allowance_Pa: plan.perceptible_Pa,
    ...warmthOf(start, end, plan.atmosphere_Pa),
    duration_s,
    leak_m3_s: leakRate_m3_s({
      volume_m3: plan.volume_m3,
      duration_s,
      atmosphere_Pa: plan.atmosphere_Pa,
      fall_Pa,
    }),
    longestGap_s: gaps.reduce((longest, gap) => Math.max(longest, gap), 0),
  }
}

function warmthOf(
  start: Omit<Sample, 'at_ms'>,
  end: Omit<Sample, 'at_ms'>,
  atmosphere_Pa: number,
): Pick<TightnessFigures, 'tempChange_K' | 'thermal_Pa'> {
  if (start.temp_K === undefined || end.temp_K === undefined) return {}
  return {
    tempChange_K: end.temp_K - start.temp_K,
    thermal_Pa: thermalChange_Pa({
      startGauge_Pa: start.gauge_Pa,
      startTemp_K: start.temp_K,
      endTemp_K: end.temp_K,
      atmosphere_Pa,
    }),
  }
}

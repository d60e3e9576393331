import type { Source } from '../../answer/sources'
import { leakRate_m3_s, thermalChange_Pa, timeToSee_s } from './leak'

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
  /** Movement a person can see on a water gauge. */
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
}

/** How a run was read: a gauge that streams, or figures typed by hand, which have no sampling interval. */
export type Reading = 'streamed' | 'typed'

export interface TightnessRun {
  readonly plan: TightnessPlan
  readonly reading: Reading
  /** When stabilising began: the beginning, or the last top-up. */
  readonly settleFrom_ms: number
  /** Stopped before its time. */
  readonly endedEarly: boolean
  readonly samples: readonly Sample[]
}

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
  /** Leak that would move the gauge by just the allowance. */
  readonly smallestLeak_m3_s: number
  readonly duration_s: number
  readonly longestGap_s: number
}

export type TightnessVerdict =
  | {
      readonly outcome: 'running'
      readonly phase: 'stabilising' | 'testing'
      readonly left_s: number
      readonly soFar?: TightnessFigures
    }
  | {
      readonly outcome: 'passed' | 'failed'
      readonly figures: TightnessFigures
      readonly because: 'within-allowance' | 'fell'
    }
  | {
      readonly outcome: 'cannot-tell'
      readonly figures?: TightnessFigures
      readonly because:
        'gauge' | 'duration' | 'temperature' | 'gap' | 'rose' | 'ended-early' | 'pressure-off'
      readonly wouldTell: string
    }

/** A gap longer than so many sampling intervals in the window can hide a top-up. */
export const gapIntervals = 10
/** The pressure at the start of the window must be near the test pressure. Assumed: a fifth either side. */
export const pressureTolerance = 0.2

/** Movement that still counts as none, Pa: what an eye can see on a water gauge, twice the resolution of a digital one (assumed). */
export const allowance_Pa = (plan: Pick<TightnessPlan, 'gauge' | 'perceptible_Pa'>): number =>
  plan.gauge.kind === 'water-gauge'
    ? Math.max(plan.perceptible_Pa, plan.gauge.resolution_Pa)
    : 2 * plan.gauge.resolution_Pa

const intervalOf_ms = (samples: readonly Sample[]): number => {
  const steps = samples
    .slice(1)
    .map((sample, i) => sample.at_ms - (samples[i]?.at_ms ?? 0))
    .filter((step) => step > 0)
    .sort((a, b) => a - b)
  return steps[Math.floor(steps.length / 2)] ?? 0
}

/** Mean of the samples around an instant: steadies one step of noise without hiding a fall. Two either side. */
function readingAt(
  samples: readonly Sample[],
  index: number,
): { readonly gauge_Pa: number; readonly temp_K?: number } {
  const near = samples.slice(Math.max(0, index - 2), index + 3)
  const warm = near.map((sample) => sample.temp_K).filter((value) => value !== undefined)
  const mean = (values: readonly number[]) =>
    values.reduce((sum, value) => sum + value, 0) / values.length
  return {
    gauge_Pa: mean(near.map((sample) => sample.gauge_Pa)),
    ...(warm.length > 0 ? { temp_K: mean(warm) } : {}),
  }
}

/** The samples that count, oldest first: from the start of the test window to its end. */
export function windowOf(run: TightnessRun): {
  readonly from_ms: number
  readonly to_ms: number
  readonly inside: readonly Sample[]
} {
  const from_ms = run.settleFrom_ms + run.plan.stabilise_s * 1000
  const to_ms = from_ms + run.plan.test_s * 1000
  const slack_ms = run.reading === 'typed' ? 30_000 : 0
  const sorted = [...run.samples].sort((a, b) => a.at_ms - b.at_ms)
  return {
    from_ms,
    to_ms,
    inside: sorted.filter(
      (sample) =>
        sample.at_ms >= from_ms - slack_ms &&
        sample.at_ms <= to_ms + (run.reading === 'typed' ? 600_000 : 0),
    ),
  }
}

/** The newest instant of a run. A day of readings is too many to hand to one call. */
const latestOf_ms = ({ settleFrom_ms, samples }: TightnessRun): number =>
  samples.reduce((latest, { at_ms }) => Math.max(latest, at_ms), settleFrom_ms)

/** The figures of a window, from its first reading to its last; undefined with fewer than two readings. */
export function figuresOf(run: TightnessRun): TightnessFigures | undefined {
  const { plan } = run
  const { inside } = windowOf(run)
  const first = inside[0]
  const last = inside[inside.length - 1]
  if (!first || !last || last.at_ms <= first.at_ms) return undefined
  const streamed = run.reading === 'streamed' && inside.length > 10
  const start = streamed ? readingAt(inside, 0) : first
  const end = streamed ? readingAt(inside, inside.length - 1) : last
  const duration_s = (last.at_ms - first.at_ms) / 1000
  const fall_Pa = start.gauge_Pa - end.gauge_Pa
  const trapped = { volume_m3: plan.volume_m3, duration_s, atmosphere_Pa: plan.atmosphere_Pa }
  const temps =
    start.temp_K !== undefined && end.temp_K !== undefined
      ? {
          tempChange_K: end.temp_K - start.temp_K,
          thermal_Pa: thermalChange_Pa({
            startGauge_Pa: start.gauge_Pa,
            startTemp_K: start.temp_K,
            endTemp_K: end.temp_K,
            atmosphere_Pa: plan.atmosphere_Pa,
          }),
        }
      : {}
  const gaps = inside.slice(1).map((sample, i) => (sample.at_ms - (inside[i]?.at_ms ?? 0)) / 1000)
  return {
    start_Pa: start.gauge_Pa,
    end_Pa: end.gauge_Pa,
    fall_Pa,
    allowance_Pa: allowance_Pa(plan),
    ...temps,
    duration_s,
    leak_m3_s: leakRate_m3_s({ ...trapped, fall_Pa }),
    smallestLeak_m3_s: leakRate_m3_s({ ...trapped, fall_Pa: allowance_Pa(plan) }),
    longestGap_s: gaps.reduce((longest, gap) => Math.max(longest, gap), 0),
  }
}

/**
 * The verdict where the rule is 'no movement'. *Failed*: the raw fall exceeds the allowance and cooling cannot account for it.
 * *Passed*: raw movement within the allowance, the smallest resolvable leak at or below the permitted one, and no warming that could
 * hide one. Everything else *cannot tell*, with what would. Temperature never turns a fall beyond the allowance into a pass, and
 * warming counts against it. Source: the plan's method; the allowance of a digital gauge is assumed.
 */
export function judgeTightness(run: TightnessRun): TightnessVerdict {
  const { plan } = run
  const { from_ms, to_ms, inside } = windowOf(run)
  const latest_ms = latestOf_ms(run)
  const figures = figuresOf(run)
  if (run.endedEarly && latest_ms < to_ms)
    return {
      outcome: 'cannot-tell',
      ...(figures ? { figures } : {}),
      because: 'ended-early',
      wouldTell: 'Run the test for its full time.',
    }
  if (latest_ms < from_ms)
    return { outcome: 'running', phase: 'stabilising', left_s: (from_ms - latest_ms) / 1000 }
  if (latest_ms < to_ms)
    return {
      outcome: 'running',
      phase: 'testing',
      left_s: (to_ms - latest_ms) / 1000,
      ...(figures ? { soFar: figures } : {}),
    }

  const interval_s = intervalOf_ms(run.samples) / 1000
  const edges_s = Math.max(
    ((inside[0]?.at_ms ?? to_ms) - from_ms) / 1000,
    run.reading === 'typed' ? 0 : (to_ms - (inside[inside.length - 1]?.at_ms ?? from_ms)) / 1000,
  )
  if (
    !figures ||
    (run.reading === 'streamed' &&
      Math.max(figures.longestGap_s, edges_s) > gapIntervals * Math.max(interval_s, 0.1))
  ) {
    return {
      outcome: 'cannot-tell',
      ...(figures ? { figures } : {}),
      because: 'gap',
      wouldTell: 'Run it again with the gauge connected throughout: a gap can hide a top-up.',
    }
  }
  if (run.reading === 'typed' && figures.duration_s < plan.test_s * 0.98 - 1) {
    return {
      outcome: 'cannot-tell',
      figures,
      because: 'duration',
      wouldTell: 'Read the gauge at the start and at the end of the test time.',
    }
  }
  const { fall_Pa, thermal_Pa, allowance_Pa: allowance } = figures
  if (fall_Pa > allowance) {
    const cooling_Pa = Math.max(0, -(thermal_Pa ?? 0))
    if (fall_Pa - cooling_Pa > allowance || thermal_Pa === undefined)
      return { outcome: 'failed', figures, because: 'fell' }
    return {
      outcome: 'cannot-tell',
      figures,
      because: 'temperature',
      wouldTell:
        'The pipe cooled as far as the pressure fell. Let the temperature settle and run it again.',
    }
  }
  if (Math.abs(figures.start_Pa - plan.testGauge_Pa) > pressureTolerance * plan.testGauge_Pa) {
    return {
      outcome: 'cannot-tell',
      figures,
      because: 'pressure-off',
      wouldTell: 'Bring the pipe to the test pressure before it settles, then run it again.',
    }
  }
  if (figures.smallestLeak_m3_s > plan.permittedLeak_m3_s * (1 + 1e-6))
    return cannotResolve(plan, figures)
  if (thermal_Pa === undefined)
    return {
      outcome: 'cannot-tell',
      figures,
      because: 'temperature',
      wouldTell: 'Log the temperature: warming could hide a leak and nobody would know.',
    }
  const warming_Pa = Math.max(0, thermal_Pa)
  if (warming_Pa > allowance || Math.max(0, fall_Pa + warming_Pa) > allowance) {
    return {
      outcome: 'cannot-tell',
      figures,
      because: 'temperature',
      wouldTell:
        'The pipe warmed, which lifts the reading and could hide a leak. Let the temperature settle and run it again.',
    }
  }
  if (-fall_Pa > allowance + warming_Pa) {
    return {
      outcome: 'cannot-tell',
      figures,
      because: 'rose',
      wouldTell:
        'The pressure rose and warming does not explain it: look for a valve letting by into the pipe, or a drifting gauge.',
    }
  }
  return { outcome: 'passed', figures, because: 'within-allowance' }
}

function cannotResolve(plan: TightnessPlan, figures: TightnessFigures): TightnessVerdict {
  const needed_s = timeToSee_s({
    volume_m3: plan.volume_m3,
    step_Pa: allowance_Pa(plan),
    leak_m3_s: plan.permittedLeak_m3_s,
    atmosphere_Pa: plan.atmosphere_Pa,
  })
  const minutes = Math.ceil(needed_s / 60)
  return {
    outcome: 'cannot-tell',
    figures,
    because: 'gauge',
    wouldTell: `This gauge cannot show the permitted leak in the time. A finer gauge would, or ${minutes} min with this one.`,
  }
}

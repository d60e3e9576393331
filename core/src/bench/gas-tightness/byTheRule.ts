import type { TightnessFigures, TightnessRun } from './run'
import { intervalOf_s, windowOf } from './run'

/** What the practice's text says of the raw readings in its own window. */
export type RuleVerdict =
  | { readonly outcome: 'passed'; readonly because: 'within-allowance' }
  | { readonly outcome: 'failed'; readonly because: 'fell' | 'would-not-hold' }
  | {
      readonly outcome: 'cannot-tell'
      readonly because: 'gauge' | 'duration' | 'gap' | 'rose' | 'ended-early' | 'pressure-off'
      readonly wouldTell: string
    }

/** A gap longer than so many sampling intervals in the window can hide a top-up. */
export const gapIntervals = 10
/**
 * The pressure at the start of the window must be near the test pressure. Assumed: a fifth either
 * side.
 */
export const pressureTolerance = 0.2
/** A typed test may be read this much short of its time. */
const typedShort_s = 4

/**
 * The verdict by the rule: raw readings, no temperature, an allowance that the practice fixes. A
 * fall past the allowance fails; within it the test passes; a gap, a test ended early or at another
 * pressure, a rise, or a gauge too coarse for the allowance cannot tell. Gauge pressures, Pa.
 * Source: the plan's method.
 */
export function judgeByTheRule(
  run: TightnessRun,
  figures: TightnessFigures | undefined,
): RuleVerdict {
  const { plan } = run
  const cannot = (
    because: Extract<RuleVerdict, { outcome: 'cannot-tell' }>['because'],
    wouldTell: string,
  ): RuleVerdict => ({ outcome: 'cannot-tell', because, wouldTell })
  if (!figures || hasGap(run, figures))
    return cannot(
      'gap',
      'Run it again with the gauge connected throughout: a gap can hide a top-up.',
    )
  if (run.reading === 'typed' && figures.duration_s < plan.test_s - typedShort_s)
    return cannot('duration', 'Read the gauge at the start and at the end of the test time.')
  const isCoarse = plan.gauge.resolution_Pa > plan.perceptible_Pa * (1 + 1e-9)
  // On a gauge that is too coarse a fall of one step may be no fall at all.
  const surely_Pa = plan.perceptible_Pa + (isCoarse ? plan.gauge.resolution_Pa : 0)
  if (figures.fall_Pa > surely_Pa) return { outcome: 'failed', because: 'fell' }
  if (Math.abs(figures.start_Pa - plan.testGauge_Pa) > pressureTolerance * plan.testGauge_Pa)
    return cannot(
      'pressure-off',
      'Bring the pipe to the test pressure before it settles, then run it again.',
    )
  if (isCoarse)
    return cannot(
      'gauge',
      'The rule asks to see a smaller movement than this gauge shows. Read it with one of a smaller step.',
    )
  if (-figures.fall_Pa > plan.perceptible_Pa)
    return cannot(
      'rose',
      'The pressure rose: look for a valve letting by into the pipe, a pipe that warms, or a drifting gauge.',
    )
  return { outcome: 'passed', because: 'within-allowance' }
}

function hasGap(run: TightnessRun, figures: TightnessFigures): boolean {
  if (run.reading === 'typed') return false
  const { from_ms, to_ms, inside } = windowOf(run)
  const edges_ms = Math.max(
    (inside[0]?.at_ms ?? to_ms) - from_ms,
    to_ms - (inside[inside.length - 1]?.at_ms ?? from_ms),
  )
  const longest_s = Math.max(figures.longestGap_s, edges_ms / 1000)
  return longest_s > gapIntervals * Math.max(intervalOf_s(run.samples), 0.1)
}

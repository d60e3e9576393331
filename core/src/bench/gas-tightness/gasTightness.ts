import type { FiguresVerdict } from './byTheFigures'
import { judgeByTheFigures } from './byTheFigures'
import type { RuleVerdict } from './byTheRule'
import { judgeByTheRule } from './byTheRule'
import type { TightnessFigures, TightnessRun } from './run'
import { figuresOf, latestOf_ms, windowOf } from './run'
import { settledHow, wasUnsettledBefore } from './settled'

/** Two statements, always both: by the rule and by the figures; and what follows from them. */
export type TightnessVerdict =
  | {
      readonly outcome: 'running'
      /**
       * *Unsettled*: it lost more than filling explains, or still falls; to be pumped up and left
       * to settle once more.
       */
      readonly phase: 'stabilising' | 'unsettled' | 'testing'
      readonly left_s: number
      readonly soFar?: TightnessFigures
    }
  | {
      /**
       * *Failed* by the rule or, where the rule passed it, by the figures. Only *passed* clears
       * anything.
       */
      readonly outcome: 'passed' | 'failed' | 'cannot-tell'
      readonly rule: RuleVerdict
      readonly byFigures: FiguresVerdict
      readonly figures?: TightnessFigures
    }

/**
 * The verdict on a tightness test where the rule is 'no movement'. It clears when the rule says
 * *passed* and the figures do not say
 * *failed*. A pipe that will not settle twice has failed. Source: the plan's method;
 * sources.leastSquares.
 */
export function judgeTightness(run: TightnessRun): TightnessVerdict {
  const { from_ms, to_ms } = windowOf(run)
  const latest_ms = latestOf_ms(run)
  const figures = figuresOf(run)
  const given = figures ? { figures } : {}
  if (latest_ms < from_ms && !run.endedEarly)
    return { outcome: 'running', phase: 'stabilising', left_s: (from_ms - latest_ms) / 1000 }
  const settled = latest_ms < from_ms ? undefined : settledHow(run)
  const isUnsettled = settled === 'lost' || settled === 'falling'
  if (isUnsettled && wasUnsettledBefore(run))
    return {
      outcome: 'failed',
      rule: { outcome: 'failed', because: 'would-not-hold' },
      byFigures: judgeByTheFigures(run),
      ...given,
    }
  if (latest_ms < to_ms && !run.endedEarly)
    return {
      outcome: 'running',
      phase: isUnsettled ? 'unsettled' : 'testing',
      left_s: (to_ms - latest_ms) / 1000,
      ...(figures ? { soFar: figures } : {}),
    }
  const rule: RuleVerdict =
    latest_ms < to_ms
      ? {
          outcome: 'cannot-tell',
          because: 'ended-early',
          wouldTell: 'Run the test for its full time.',
        }
      : judgeByTheRule(run, figures)
  const byFigures = judgeByTheFigures(run)
  return {
    outcome: rule.outcome === 'passed' && byFigures.outcome === 'failed' ? 'failed' : rule.outcome,
    rule,
    byFigures,
    ...given,
  }
}

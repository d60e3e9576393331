import type { Show } from '../../units/format'
import { durationWords } from '../../units/format'
import { leakRate_m3_s } from '../../methods/test/trappedGas'
import type { FiguresVerdict } from './byTheFigures'
import type { RuleVerdict } from './byTheRule'
import type { TightnessFigures, TightnessPlan } from './run'

/**
 * Smallest steady leak that moves the pressure by what the rule counts as none, m³/s. Source:
 * sources.idealGas.
 */
export const ruleSees_m3_s = (plan: TightnessPlan): number =>
  leakRate_m3_s({
    volume_m3: plan.volume_m3,
    fall_Pa: plan.perceptible_Pa,
    duration_s: plan.test_s,
    atmosphere_Pa: plan.atmosphere_Pa,
  })

/** The verdict by the rule in a sentence: raw readings against what counts as no movement. */
export function ruleSentence(
  rule: RuleVerdict,
  figures: TightnessFigures | undefined,
  plan: TightnessPlan,
  show: Show,
): string {
  if (rule.outcome === 'cannot-tell')
    return rule.because === 'gauge'
      ? `${rule.wouldTell} It shows steps of ${show(plan.gauge.resolution_Pa, 'gas-pressure')}; ${show(plan.perceptible_Pa, 'gas-pressure')} are to be seen.`
      : rule.wouldTell
  if (rule.outcome === 'failed' && rule.because === 'would-not-hold')
    return 'It would not hold: pumped up twice, it lost more while it settled than filling and temperature explain.'
  if (!figures) return ''
  if (Math.abs(figures.fall_Pa) < plan.gauge.resolution_Pa / 2)
    return `Stood still for ${durationWords(figures.duration_s)}; ${show(plan.perceptible_Pa, 'gas-pressure')} counts as none.`
  const way = figures.fall_Pa < 0 ? 'Rose' : 'Fell'
  return `${way} ${show(Math.abs(figures.fall_Pa), 'gas-pressure')} in ${durationWords(figures.duration_s)}; ${show(plan.perceptible_Pa, 'gas-pressure')} counts as none.`
}

/**
 * The verdict by the figures in sentences: the leak with its interval, what this test could see,
 * what was assumed.
 */
export function figuresSentence(
  { shown, assumedChange_K, tenthKelvin_Pa, outcome }: FiguresVerdict,
  plan: TightnessPlan,
  show: Show,
): string {
  const kelvin = `A change of ${show(0.1, 'temperature-difference', 1)} is worth ${show(tenthKelvin_Pa, 'gas-pressure')} here.`
  if (!shown)
    return `Three readings or more near the test pressure are needed for a leak with its uncertainty. ${kelvin}`
  const flow = (m3_s: number) => show(m3_s, 'leak-flow')
  const most = {
    passed: `At most ${flow(shown.high_m3_s)} of air leaks`,
    failed: `At least ${flow(shown.low_m3_s)} of air leaks`,
    'cannot-tell': `Between ${flow(Math.max(0, shown.low_m3_s))} and ${flow(Math.max(0, shown.high_m3_s))} of air leaks`,
  }[outcome]
  const assumed =
    assumedChange_K === undefined
      ? ''
      : ` No temperature was read: a change of ${show(assumedChange_K, 'temperature-difference', 1)} is assumed.`
  return `${most}; ${flow(plan.permittedLeak_m3_s)} is permitted, and ${flow(shown.smallest_m3_s)} is the smallest this test could see.${assumed} ${kelvin}`
}

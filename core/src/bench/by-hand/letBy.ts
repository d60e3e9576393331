import { hasGas } from '../../job/hasGas'
import { durationWords } from '../../units/format'
import { gasPipes } from './madeOn'
import type { Practice } from '../../practice/practice'
import type { HandTest } from './spec'
import { cannotTell, failed, passed } from './spec'

/** How far outside its band the low pressure may be, a share. Assumed. */
const slack = 0.05

const ruleOf = ({ tightness }: Practice) => tightness.letBy

/**
 * The meter's own valve, shut, against the gas behind it: what rises lets by, and no tightness test
 * behind it says anything. Source: the practice's.
 */
export const letBy: HandTest = {
  id: 'let-by',
  name: 'Let-by of the valve at the meter',
  why: 'Before a tightness test from that valve: the pipe stands at a low pressure, the valve is shut, and the gauge is watched. What rises comes through the valve, and would fill up a leak unseen.',
  at: 'once',
  applies: (practice, document) => ruleOf(practice) !== undefined && hasGas(document),
  asks: [
    { key: 'start_Pa', label: 'Gauge at the start', measure: 'gas-pressure', live: 'gauge_Pa' },
    { key: 'end_Pa', label: 'Gauge at the end', measure: 'gas-pressure', live: 'gauge_Pa' },
    {
      key: 'held_s',
      label: 'Watched for',
      measure: 'duration',
      clock: (practice) => ruleOf(practice)?.test_s,
    },
  ],
  confirms: [{ id: 'shut', says: 'The valve at the meter is shut, every burner and pilot is off' }],
  madeOn: gasPipes,
  source: (practice) => practice.tightness.source,
  judge: ({ start_Pa = 0, end_Pa = 0, held_s = 0 }, { practice }, show) => {
    const rule = ruleOf(practice)
    if (!rule) return cannotTell('This practice has no such test on file.')
    const p = (si: number) => show(si, 'gas-pressure')
    const [least_Pa, most_Pa] = rule.gauge_Pa
    const { perceptible_Pa } = practice.tightness
    const rose_Pa = end_Pa - start_Pa
    const figures = [{ label: 'Rose', told: p(rose_Pa) }]
    if (rose_Pa > perceptible_Pa * (1 + 1e-6))
      return failed(
        'fix',
        `It rose ${p(rose_Pa)} in ${durationWords(held_s)}: the valve lets by, and no test behind it says anything. It is the supplier’s to put right.`,
        figures,
      )
    if (start_Pa < least_Pa * (1 - slack) || start_Pa > most_Pa * (1 + slack))
      return cannotTell(
        `Begin between ${p(least_Pa)} and ${p(most_Pa)}: near the supply’s own pressure nothing can rise.`,
        figures,
      )
    if (rose_Pa < -perceptible_Pa * (1 + 1e-6))
      return cannotTell(
        `It fell ${p(-rose_Pa)}: a leak hides what lets by. Find it first.`,
        figures,
      )
    return held_s < rule.test_s * (1 - 1e-6)
      ? cannotTell(
          `Watched ${durationWords(held_s)}; ${durationWords(rule.test_s)} is asked.`,
          figures,
        )
      : passed(`It did not rise in ${durationWords(held_s)}.`, figures)
  },
}

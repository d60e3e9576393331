import type { Telling } from '../sheetSpec'
import type { AnswerSentence } from '../../answer/sentence'
import { gaps, sentence, strong, toFix, waitsFor } from '../../answer/sentence'
import { durationWords } from '../../units/format'
import type { WaterAnswer } from './answer'

const designWords: Readonly<Record<WaterAnswer['designBy'], string>> = {
  hunter: 'fixture units',
  'loading-units': 'loading units',
  scenario: 'the pattern of this household',
  'all-open': 'everything open',
}

/**
 * What is left at the outlet that is worst off; beside it what runs at once and how long hot water
 * is waited for.
 */
export function waterSentence(
  answer: WaterAnswer | undefined,
  { missing, show, fixes }: Telling,
): AnswerSentence {
  if (!answer) return { head: waitsFor('The pipe', missing), beside: [gaps(missing, 6)] }
  const { index } = answer
  const bar = (gauge_Pa: number) => strong(show(gauge_Pa, 'water-pressure'))
  const [longest] = [...answer.waits].sort((a, b) => b.wait_s - a.wait_s)
  const wait =
    longest && sentence` Hot water is waited for up to ${strong(durationWords(longest.wait_s))}.`
  return {
    head: sentence`${bar(index.farGauge_Pa)} left at ${index.end?.outlet.name ?? 'the last outlet'}, ${index.side}; ${bar(answer.wantedGauge_Pa)} wanted.`,
    beside: sentence`${strong(show(answer.total_m3_s, 'water-flow'))} at once by ${designWords[answer.designBy]}; the main then stands at ${bar(answer.sourceGauge_Pa)}${answer.reducedTo_Pa === undefined ? undefined : ' behind its reducing valve'}.${wait}${fixes > 0 ? ` ${toFix(fixes)}` : undefined}`,
  }
}

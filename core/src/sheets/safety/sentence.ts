import type { Telling } from '../sheetSpec'
import type { AnswerSentence, Piece } from '../../answer/sentence'
import { gaps, sentence, strong, waitsFor, worked } from '../../answer/sentence'
import type { Practice } from '../../practice/practice'
import type { Show } from '../../units/format'
import type { SafetyAnswer } from './answer'

function vessel(answer: SafetyAnswer, { words, units }: Practice, show: Show): readonly Piece[] {
  const bar = (gauge_Pa: number) => strong(show(gauge_Pa, 'water-pressure'), 'supplyGauge_Pa')
  if (!answer.vesselWanted) {
    const supply =
      answer.reducedGauge_Pa > 0
        ? sentence`${bar(answer.reducedGauge_Pa)} at the heater.`
        : undefined
    return sentence`${strong(`No ${words.vessel}`)} for the hot water; ${supply}`
  }
  if (answer.needed_m3 === undefined)
    return sentence`No ${words.vessel} of any size does: ${strong('see the stop.')}`
  const size = show(answer.fitted_m3, 'small-volume', units['small-volume'] === 'L' ? 0 : undefined)
  return sentence`${strong(size)} ${words.vessel} on the cold feed, charged to ${bar(answer.chargeGauge_Pa)}.`
}

function closing(answer: SafetyAnswer, show: Show): readonly Piece[] {
  const { system } = answer.closed
  const said = system === 'cannot-tell' ? 'taken as closed until somebody has looked' : system
  const grows =
    answer.vesselWanted && answer.needed_m3 !== undefined
      ? sentence`${worked(show(answer.expansion_m3, 'small-volume'), 'expansion_m3')} grows each time it heats; ${strong(show(answer.needed_m3, 'small-volume'), 'needed_m3')} needed. `
      : undefined
  const hot =
    answer.forecast?.outcome === 'settles'
      ? sentence`Hot, ${strong(show(answer.forecast.hotGauge_Pa, 'water-pressure'), 'hotGauge_Pa')} of ${worked(show(answer.maxGauge_Pa, 'water-pressure'), 'maxGauge_Pa')}.`
      : undefined
  return sentence`The system is ${strong(said)}. ${grows}${hot}`
}

/**
 * The vessel of the hot water and its charge; beside it whether the system is closed and how it
 * grows.
 */
export const safetySentence = (
  answer: SafetyAnswer | undefined,
  { missing, practice, show }: Telling,
): AnswerSentence => ({
  head: answer ? vessel(answer, practice, show) : waitsFor('The store', missing),
  beside: missing.length > 0 || !answer ? [gaps(missing)] : closing(answer, show),
})

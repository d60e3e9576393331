import type { Telling } from '../sheetSpec'
import type { AnswerSentence, Piece } from '../../answer/sentence'
import { gaps, sentence, strong, toFix, waitsFor } from '../../answer/sentence'
import type { Show } from '../../units/format'
import type { VesselAnswer } from './answer'

/** Litres of a stock size as a shelf has them: whole where they are whole. */
const stockSize = (fitted_m3: number, show: Show): string => {
  const isWhole = fitted_m3 * 1000 >= 100 || Number.isInteger(Math.round(fitted_m3 * 1e6) / 1000)
  return show(fitted_m3, 'small-volume', isWhole ? 0 : undefined)
}

function needed(answer: VesselAnswer, show: Show): readonly Piece[] {
  const { need, fitted_m3, builtIn, goodFor_m3 } = answer
  if (need.needed_m3 <= 0) return []
  const helped = need.builtInCounts_m3 > 0
  const what =
    fitted_m3 === 0
      ? sentence`${strong(show(need.needed_m3, 'small-volume'), 'needed_m3')} needed, ${strong(show(builtIn?.volume_m3 ?? 0, 'small-volume'))} built in`
      : sentence`${strong(show(need.neededNew_m3, 'small-volume'), helped ? 'neededNew_m3' : 'needed_m3')} needed${helped ? ' beside what is there' : undefined}`
  return sentence`${what}, good for up to ${strong(show(goodFor_m3, 'volume'), 'goodFor_m3')} of water. `
}

const notSized = (missing: Telling['missing']): AnswerSentence => ({
  head:
    missing.length > 0
      ? waitsFor('The vessel', missing)
      : sentence`No vessel can be sized: ${strong('see the stop.')}`,
  beside: [gaps(missing)],
})

/** The vessel, its charge and the fill; beside it what is needed and how high it goes hot. */
export function vesselSentence(
  answer: VesselAnswer | undefined,
  { missing, practice, show, fixes }: Telling,
): AnswerSentence {
  if (!answer) return notSized(missing)
  const { words } = practice
  const { need, fitted_m3, fillGauge_Pa, forecast, inputs } = answer
  const vessel =
    fitted_m3 === 0
      ? sentence`The ${strong(`built-in ${words.vessel}`)} is enough`
      : sentence`${strong(stockSize(fitted_m3, show))} ${words.vessel}`
  const charge = strong(show(need.chargeGauge_Pa, 'water-pressure'), 'chargeGauge_Pa')
  const fill = strong(
    show(fillGauge_Pa, 'water-pressure'),
    inputs.method === 'en12828' ? 'leastGauge_Pa' : 'chargeGauge_Pa',
  )
  const hot =
    forecast.outcome === 'settles'
      ? sentence`Hot, ${strong(show(forecast.hotGauge_Pa, 'water-pressure'), 'hotGauge_Pa')} of the ${show(inputs.reliefSetGauge_Pa, 'water-pressure')} the ${words.reliefValve} holds. `
      : undefined
  return {
    head: sentence`${vessel}, charged to ${charge} before filling, filled to ${fill} cold.`,
    beside: sentence`${needed(answer, show)}${hot}${fixes > 0 ? toFix(fixes) : undefined}`,
  }
}

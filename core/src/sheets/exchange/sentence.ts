import type { AnswerSentence } from '../../answer/sentence'
import { gaps, sentence, strong, waitsFor } from '../../answer/sentence'
import type { Telling } from '../sheetSpec'
import type { ExchangeAnswer } from './answer'

/** Whether the new part fits the plant; beside it how it stands to the old one. */
export function exchangeSentence(
  answer: ExchangeAnswer | undefined,
  { missing, wrong }: Telling,
): AnswerSentence {
  if (!answer || missing.length > 0)
    return { head: waitsFor('The match', missing), beside: [gaps(missing)] }
  const { old, points } = answer
  const likes = points.filter((point) => point.like).length
  return {
    head: fitsSentence(answer, wrong),
    beside: sentence`${strong(`${likes} of ${points.length}`)} points as on ${old.name}. The plate comes first: that a part equals the old one makes it no better.`,
  }
}

function fitsSentence(
  { plant, fresh, points }: ExchangeAnswer,
  wrong: number,
): AnswerSentence['head'] {
  if (points.some((point) => point.fits === false))
    return sentence`${fresh.name} ${strong('does not fit')} ${plant.name}.`
  return wrong > 0
    ? sentence`${fresh.name} fits ${plant.name}; ${strong('what stands round it does not.')}`
    : sentence`${fresh.name} ${strong('fits')} ${plant.name}.`
}

import type { Telling } from '../sheetSpec'
import type { AnswerSentence, Piece } from '../../answer/sentence'
import { gaps, sentence, strong, waitsFor } from '../../answer/sentence'
import type { CircuitAnswer } from './answer'

const pumpDoes = ({ pump }: CircuitAnswer): readonly Piece[] => {
  if (!pump) return sentence`${strong('no pump of the list does.')}`
  const name = strong(pump.id === 'own' ? 'this pump' : pump.label)
  return sentence`${name} does.`
}

/**
 * What is asked of the pump, and which does; beside it the index circuit and what the circuit
 * holds.
 */
export function circuitSentence(
  answer: CircuitAnswer | undefined,
  { missing, show }: Telling,
): AnswerSentence {
  if (!answer) return { head: waitsFor('The circuit', missing), beside: [gaps(missing, 4)] }
  const { index, content } = answer
  const flowOf = index.zone.alone ? `Flow of ${index.zone.name}` : 'together_m3_s'
  const [least, most] = content.between_m3
  const spread =
    most > least * 1.02
      ? `, between ${show.figure(least, 'volume')} and ${show(most, 'volume')}`
      : undefined
  return {
    head: sentence`${strong(show(answer.flow_m3_s, 'water-flow'), flowOf)} against ${strong(show(index.loss_Pa, 'water-pressure'), 'duty_Pa')}: ${pumpDoes(answer)}`,
    beside: sentence`The index circuit is ${strong(index.zone.name)}${index.zone.alone ? ', fed alone' : undefined}. The circuit holds ${strong(show(content.total_m3, 'volume'), 'system_m3')}${spread}.`,
  }
}

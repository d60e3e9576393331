import type { Telling } from '../sheetSpec'
import type { AnswerSentence, Piece } from '../../answer/sentence'
import { gaps, sentence, strong, waitsFor } from '../../answer/sentence'
import type { ReliefAnswer, ReliefsAnswer } from './answer'

const share = ({ together_W, protects_W }: ReliefAnswer): number =>
  (together_W ?? 0) / (protects_W ?? 1)

function carried({ valves }: ReliefsAnswer, wrong: number): readonly Piece[] {
  const one = valves.length === 1
  if (valves.length === 0)
    return sentence`What lets the pressure go? ${strong('No relief valve yet.')}`
  if (wrong > 0)
    return sentence`${strong(one ? 'One relief valve' : `${valves.length} relief valves`)}, ${strong(wrong === 1 ? 'one thing' : `${wrong} things`)} to put right.`
  return sentence`${strong(one ? 'The relief valve carries' : `${valves.length} relief valves carry`)} what is put in, and their water ${strong('goes where it is safe.')}`
}

/** Whether the relief valves carry what is put in; beside it the one with least to spare. */
export function reliefSentence(
  answer: ReliefsAnswer | undefined,
  { missing, show, wrong }: Telling,
): AnswerSentence {
  if (!answer) return { head: waitsFor('The relief valve', missing), beside: [gaps(missing)] }
  const [leanest] = answer.valves
    .filter((one) => one.protects_W !== undefined && one.together_W !== undefined)
    .sort((a, b) => share(a) - share(b))
  const beside =
    leanest &&
    sentence`${leanest.valve.name} carries ${strong(show(leanest.together_W ?? 0, 'power'))} of the ${strong(show(leanest.protects_W ?? 0, 'power'))} ${leanest.by} of ${leanest.protectsName}. A blocked or plugged relief can burst a store.`
  return {
    head: carried(answer, wrong),
    beside: missing.length > 0 ? [gaps(missing)] : (beside ?? []),
  }
}

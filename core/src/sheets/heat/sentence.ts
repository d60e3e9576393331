import type { Telling } from '../sheetSpec'
import type { AnswerSentence, Piece } from '../../answer/sentence'
import { gaps, sentence, strong, waitsFor } from '../../answer/sentence'
import { durationWords, type Show } from '../../units/format'
import type { HeatAnswer, OptionAnswer } from './answer'

type Showers = NonNullable<OptionAnswer['comparison']>['twoShowers']

const showers = (two: Showers): readonly Piece[] => {
  if (two === undefined) return ['.']
  return two === 'as-long-as-wanted'
    ? sentence`; two showers run ${strong('as long as they like.')}`
    : sentence`; two showers run ${strong(durationWords(Math.round(two.least_s / 60) * 60))}.`
}

function way({ chosen, options, load_W }: HeatAnswer, show: Show): readonly Piece[] {
  if (!chosen && options.length === 0)
    return sentence`What will make the heat? ${strong('Set two ways side by side.')}`
  if (!chosen)
    return sentence`${strong(`${options.length} ${options.length === 1 ? 'way' : 'ways'}`)} compared, ${strong('none chosen yet.')}`
  const name = strong(chosen.option.name)
  if (chosen.comparison)
    return sentence`${name} keeps up ${strong(show(chosen.comparison.mixed_m3_s, 'water-flow'))}${showers(chosen.comparison.twoShowers)}`
  return chosen.missing.length > 0
    ? sentence`${name} is chosen; its plate is ${strong('not whole yet.')}`
    : sentence`${name} for ${strong(show(load_W, 'power'))} of heat.`
}

/** What makes the heat, and how long it keeps up; beside it what is wanted. */
export function heatSentence(
  answer: HeatAnswer | undefined,
  { missing, show }: Telling,
): AnswerSentence {
  if (!answer) return { head: waitsFor('The heat', missing), beside: [gaps(missing, 3)] }
  const { wanted_m3_s, load_W, conditions, estimated_W } = answer
  const cold = conditions ? ` of ${show(conditions.coldTemp_K, 'temperature')}` : undefined
  const wanted =
    wanted_m3_s > 0
      ? sentence`${strong(show(wanted_m3_s, 'water-flow'))} wanted at once from the coldest water${cold}. `
      : undefined
  const load =
    load_W > 0
      ? sentence`${strong(show(load_W, 'power'))} of heat${estimated_W > 0 ? ', part of it an estimate' : undefined}.`
      : undefined
  return {
    head: way(answer, show),
    beside: missing.length > 0 ? [gaps(missing, 3)] : sentence`${wanted}${load}`,
  }
}

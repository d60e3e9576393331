import type { Lasting, Show, Solution } from '@hestian/core'
import { durationWords } from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import { section, rows, bold } from '../paper'

/** The way of making heat and hot water that was chosen, beside the others. */
export function printHeat(solution: Solution, show: Show): Content[] {
  const answer = solution.heat.applies ? solution.heat.answer : undefined
  if (!answer || answer.options.length === 0) return []
  const span = (band: Lasting | undefined) => {
    if (!band) return ''
    if (band === 'as-long-as-wanted') return 'as long as wanted'
    return `${durationWords(band.least_s)} to ${durationWords(band.most_s)}`
  }
  const { chosen } = solution.document.heat
  return [
    section('Heat and hot water'),
    {
      text: answer.chosen
        ? [bold(answer.chosen.option.name), `, because: ${chosen?.because ?? ''}`]
        : 'Not chosen.',
      fontSize: 12,
    },
    {
      text: [
        answer.load_W > 0
          ? `${show(answer.load_W, 'power')} of heat${answer.estimated_W > 0 ? `, ${show(answer.estimated_W, 'power')} of it an estimate` : ''}. `
          : '',
        answer.wanted_m3_s > 0
          ? `${show(answer.wanted_m3_s, 'water-flow')} of mixed hot water wanted at once. Stored at ${show(answer.storeTemp_K, 'temperature')}.`
          : '',
      ],
      margin: [0, 2, 0, 4],
    },
    rows(
      ['*', 80, 110, 110, 80],
      [
        ['Option', 'Keeps up', 'Two showers', 'Reheat', 'Gas, all on'].map((text) => ({
          text,
          bold: true,
        })),
        ...answer.options.map(({ option, comparison, gas_m3_s }) => [
          option.name,
          comparison ? show(comparison.mixed_m3_s, 'water-flow') : '',
          span(comparison?.twoShowers),
          comparison?.reheat_s === undefined ? 'no store' : durationWords(comparison.reheat_s),
          show(gas_m3_s, 'gas-flow'),
        ]),
      ],
      1,
    ),
  ]
}

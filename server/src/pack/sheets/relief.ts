import type { Show, Solution } from '@hestian/core'
import { answerOf, dischargeElevation } from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import { section, drawn, rows, head } from '../paper'

/** Relief valves, what each carries, and where its water goes. */
export function printRelief(solution: Solution, show: Show): Content[] {
  const answer = answerOf(solution.relief)
  if (!answer || answer.valves.length === 0) return []
  return [
    section('Relief and discharge'),
    rows(
      ['*', 60, 80, 80, 110],
      [
        head('Valve', 'Lifts at', 'Carries', 'Has to', 'Weakest part'),
        ...answer.valves.map((one) => [
          one.valve.name,
          show(one.setGauge_Pa, 'water-pressure'),
          one.together_W === undefined ? 'not read' : show(one.together_W, 'power'),
          one.protects_W === undefined
            ? 'not read'
            : `${show(one.protects_W, 'power')} (${one.by})`,
          one.weakest
            ? `${one.weakest.name}, ${show(one.weakest.limitGauge_Pa, 'water-pressure')}`
            : 'not read',
        ]),
      ],
      1,
    ),
    ...answer.valves
      .filter((one) => one.valve.discharge.pieces.length > 0)
      .map((one): Content => ({
        stack: [
          {
            text: `Discharge of ${one.valve.name}, from the side`,
            bold: true,
            margin: [0, 6, 0, 0],
          },
          drawn(
            dischargeElevation(one.valve.discharge, one.discharge?.faults ?? [], show, {
              width: 780,
              height: 260,
            }),
            460,
          ),
        ],
        unbreakable: true,
      })),
  ]
}

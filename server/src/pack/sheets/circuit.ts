import type { CircuitAnswer, Show, Solution } from '@hestian/core'
import { answerOf, pumpCurveDrawing } from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import { section, drawn, rows, bold, head } from '../paper'

/** The heating circuit: its flows, what is throttled, and what drives it. */
export function printCircuit(solution: Solution, show: Show): Content[] {
  const answer = answerOf(solution.circuit)
  if (!answer) return []
  return [
    section('Heating circuit'),
    {
      text: [
        bold(show(answer.flow_m3_s, 'water-flow')),
        ' against ',
        bold(show(answer.index.loss_Pa, 'water-pressure')),
        `; the index circuit is ${answer.index.zone.name}. ${answer.pump ? `${answer.pump.label}. ` : ''}Holds ${show(answer.content.total_m3, 'volume')}, between ${show.figure(answer.content.between_m3[0], 'volume')} and ${show(answer.content.between_m3[1], 'volume')}.`,
      ],
      fontSize: 12,
    },
    rows(
      ['*', 60, 60, 60, 100],
      [
        head('Zone', 'Heat', 'Flow', 'Loss', 'Throttle'),
        ...answer.zones.map((zone) => [
          zone.zone.name,
          show(zone.load_W, 'power'),
          show(zone.flow_m3_s, 'water-flow'),
          show(zone.loss_Pa, 'water-pressure'),
          throttle(zone, show),
        ]),
      ],
      1,
    ),
    rows(
      ['*', 60, 60, 60, 60],
      [
        head('Pipe', 'Size', 'Flow', 'Speed', 'Loss'),
        ...answer.pipes.map((pipe) => [
          pipe.pipe.name,
          pipe.size.name,
          show(pipe.flow_m3_s, 'water-flow'),
          show(pipe.velocity_m_s, 'velocity', 2),
          show(pipe.loss_Pa, 'water-pressure', 3),
        ]),
      ],
      1,
    ),
    drawn(
      pumpCurveDrawing(answer, show, solution.practice.units, { width: 520, height: 230 }),
      360,
    ),
  ]
}

function throttle(
  { isIndex, zone, setting_m3_s, surplus_Pa }: CircuitAnswer['zones'][number],
  show: Show,
): string {
  if (isIndex) return 'index'
  if (zone.alone) return 'fed alone'
  return setting_m3_s === undefined
    ? 'open'
    : `${show(surplus_Pa, 'water-pressure')}, Kv ${(setting_m3_s * 3600).toFixed(1)}`
}

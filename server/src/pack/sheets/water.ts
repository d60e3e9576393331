import type { Show, Solution } from '@hestian/core'
import { answerOf, durationWords, waterTree } from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import { section, drawn, rows, bold, head } from '../paper'

/** Cold and hot water from the main to every outlet, and the water that goes round. */
export function printWater(solution: Solution, show: Show): Content[] {
  const answer = answerOf(solution.water)
  if (!answer) return []
  const { index, loop, fill } = answer
  const bar = (gauge_Pa: number) => show(gauge_Pa, 'water-pressure')
  return [
    section('Water feed'),
    {
      text: [
        bold(`${bar(index.farGauge_Pa)} left`),
        ` at ${index.end?.outlet.name ?? 'the last outlet'}, ${index.side}, of the ${bar(answer.wantedGauge_Pa)} wanted, with ${show(answer.total_m3_s, 'water-flow')} at once and ${bar(answer.sourceGauge_Pa)} at the main.`,
      ],
    },
    drawn(waterTree(answer, show, 820), 503),
    rows(
      ['*', 50, 60, 60, 60, 60],
      [
        head('Pipe', 'Size', 'Length', 'Flow', 'Speed', 'Far end'),
        ...answer.pipes.map((pipe) => [
          `${pipe.segment.name} (${pipe.side})`,
          pipe.size.name,
          show(pipe.pipe.length_m, 'length'),
          show(pipe.flow_m3_s, 'water-flow'),
          show(pipe.velocity_m_s, 'velocity'),
          bar(pipe.farGauge_Pa),
        ]),
      ],
      1,
    ),
    ...(answer.waits.length > 0
      ? [
          {
            text: `Wait for hot water: ${answer.waits.map((wait) => `${wait.pipe.end?.outlet.name ?? wait.pipe.segment.name} ${durationWords(wait.wait_s)}`).join('; ')}.`,
            margin: [0, 4, 0, 0],
          } as Content,
        ]
      : []),
    ...(loop
      ? [
          {
            text: `Secondary return: ${show(loop.answer.flow_m3_s, 'water-flow')} against ${bar(loop.pumpHead_Pa)}, ${show(loop.answer.loss_W, 'small-power')} lost with ${loop.lagging_m > 0 ? `${show(loop.lagging_m, 'bore')} of lagging` : 'bare pipe'}. ${loop.returns.map((one) => `${one.back.name} ${show(one.flow_m3_s, 'water-flow')}${one.setting_m3_s === undefined ? ', the longest way' : `, its valve takes ${bar(one.surplus_Pa)}`}`).join('; ')}.`,
            margin: [0, 4, 0, 0],
          } as Content,
        ]
      : []),
    ...(fill
      ? [
          {
            text: `Filling the heating: ${durationWords(fill.feed_s)} through the ${solution.practice.words.fillDevice}, ${durationWords(fill.bypass_s)} by its lever or by-pass.`,
            margin: [0, 4, 0, 0],
          } as Content,
        ]
      : []),
  ]
}

import type { Show, Solution } from '@hestian/core'
import { answerOf, storeLadder } from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import { section, drawn, bold } from '../paper'

/** What keeps the store from bursting. */
export function printSafety(solution: Solution, show: Show): Content[] {
  const answer = answerOf(solution.safety)
  if (!answer) return []
  const { words } = solution.practice
  return [
    section('Hot water safety'),
    {
      text: [
        answer.vesselWanted
          ? bold(
              `${show(answer.fitted_m3, 'small-volume')} ${words.vessel}, charged to ${show(answer.chargeGauge_Pa, 'water-pressure')}`,
            )
          : bold(`No ${words.vessel}`),
        `. ${answer.heater.name}, ${show(answer.store_m3, 'small-volume')}; the system is ${answer.closed.system === 'cannot-tell' ? 'taken as closed' : answer.closed.system}. ${show(answer.reducedGauge_Pa, 'water-pressure')} at the store.`,
      ],
      fontSize: 12,
    },
    drawn(storeLadder(answer, solution.practice, show, { width: 366, height: 300 }), 290),
  ]
}

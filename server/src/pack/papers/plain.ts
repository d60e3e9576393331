import type { Show } from '@hestian/core'
import { deviationsOf, paperInks, servicePlan, settingsToRestore } from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import type { HandoverFacts } from '../paper'
import { bold, head, rows, section } from '../paper'

/** The papers that are lists. */

export const settings = ({ solution, judgement }: HandoverFacts, show: Show): Content[] => [
  {
    text: 'Set as below when it was handed over. Codes and menus are the maker’s: its manual says where each is set. Limits and {gas} settings are for those who hold the ticket.'.replace(
      '{gas}',
      solution.gas.applies ? 'gas' : 'electrical',
    ),
    margin: [0, 0, 0, 6],
  },
  rows(
    ['*', '*'],
    settingsToRestore(solution, judgement.leaving, show).map(({ what, value }) => [
      bold(what),
      value,
    ]),
  ),
]

export function deviations({ solution, judgement }: HandoverFacts, show: Show): Content[] {
  const all = deviationsOf(solution, judgement, show)
  if (all.length === 0)
    return [{ text: 'None: nothing was passed over, assumed or left outside its limits.' }]
  return [...new Set(all.map(({ group }) => group))].flatMap((group) => [
    section(group),
    rows(
      ['*', '*'],
      all.filter((one) => one.group === group).map(({ what, because }) => [what, because]),
    ),
  ])
}

const every = (months: number): string => {
  if (months === 1) return 'every month'
  return months === 12 ? 'every year' : `every ${months} months`
}

export const service = ({ solution }: HandoverFacts, show: Show): Content[] => [
  {
    text: solution.document.handover.nextVisit
      ? `Next visit: ${solution.document.handover.nextVisit}.`
      : 'The day of the next visit is not set.',
    bold: true,
    margin: [0, 0, 0, 6],
  },
  rows(
    ['*', 76, 130, 76],
    [
      head('What', 'How often', 'Held against', 'By whom'),
      ...servicePlan(solution, show).map(({ what, months, against, who, source }) => [
        { stack: [what, { text: source.says, fontSize: 8.5, color: paperInks['ink-3'] }] },
        every(months),
        against,
        who === 'householder' ? 'you' : solution.practice.words.gasFitter,
      ]),
    ],
    1,
  ),
]

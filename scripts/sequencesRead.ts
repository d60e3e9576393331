import type { Sequence, Show, Step } from '@hestian/core'
import { practiceLabels, practiceNames, practices, showIn, solve, ticketWords } from '@hestian/core'
import { sequenceJobs } from '../core/src/solve/sequenceJobs.testing'

/** What a guard asks, as it is said. */
const guardSays = ({ kind, text }: Step['guards'][number]): string =>
  kind === 'seen' ? text : `${text} (${how[kind]})`
const how = {
  stands: 'from what was recorded',
  'put-back': 'put back by name',
  'gas-tight': 'the bench says so',
  'hand-test': 'a test by hand that passed',
} as const

function readingSays({ reading }: Step, show: Show): string {
  if (!reading) return ''
  const told = (si: number) => show(si, reading.measure)
  const limits = [
    reading.target === undefined ? '' : `design ${told(reading.target)}`,
    reading.least === undefined ? '' : `at least ${told(reading.least)}`,
    reading.most === undefined ? '' : `at most ${told(reading.most)}`,
  ].filter(Boolean)
  return `   Read: ${[reading.label, ...limits].join(', ')} (${reading.limitSays}).`
}

const stepSays = (step: Step, number: number, show: Show): string =>
  [
    `${number}. **${step.title}**${step.ticket ? ` _${ticketWords[step.ticket]}._` : ''} ${step.why}`,
    step.hazard ? `   Caution: ${step.hazard}` : '',
    step.guards.length > 0 ? `   Before: ${step.guards.map(guardSays).join('; ')}.` : '',
    readingSays(step, show),
    step.leavesOff.length > 0
      ? `   Goes on the off strip: ${step.leavesOff.map(({ name }) => name).join('; ')}.`
      : '',
    step.school ? `   Schools: ${step.school}` : '',
  ]
    .filter(Boolean)
    .join('\n')

const sequenceSays = ({ name, offered, steps }: Sequence, show: Show): string =>
  [
    `### ${name}${offered ? ' (where it is done)' : ''}`,
    '',
    ...steps.map((step, i) => stepSays(step, i + 1, show)),
    '',
  ].join('\n')

/** Every sequence as it is read out, once in each practice, on jobs made up for it. */
export function sequencesRead(): string {
  const jobs = Object.entries(sequenceJobs())
  return practiceNames
    .flatMap((practice) => {
      const show = showIn(practices[practice].units)
      const seen = new Set<string>()
      const mine = jobs
        .filter(([, job]) => job.practice === practice)
        .flatMap(([name, job]) => {
          return solve(job).sequences.list.flatMap((sequence) => {
            const id = sequence.id.split('.')[0] ?? ''
            const key = id === 'exchange' ? `${id} ${name}` : id
            if (seen.has(key)) return []
            seen.add(key)
            return [sequenceSays(sequence, show)]
          })
        })
      return [`## ${practiceLabels[practice]}`, '', ...mine]
    })
    .join('\n')
}

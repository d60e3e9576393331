import type { FindingOf, Wordings } from '../practice/worded'

/** Every finding of this subject: its sentence and its why. */
export const stepWordings = {
  'step-passed-over': ({ n }) => ({
    head: `${n(0)} was passed over: ${n(1).replace(/\.$/, '')}.`,
    why: 'Whoever comes next has to know that it was not done.',
  }),
  'step-left-unknown': ({ n }) => ({
    head: `${n(0)} was passed over, and how the plant stands is not known: ${n(1).replace(/\.$/, '')}.`,
    why: 'What rests on it cannot be told. Take it back and do it, before this is handed over.',
  }),
} satisfies Wordings
export type StepFinding = FindingOf<typeof stepWordings>

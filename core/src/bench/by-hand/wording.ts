import type { FindingOf, Wordings } from '../../practice/worded'

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const handTestWordings = {
  'hand-test-failed': ({ n }) => ({
    head: `${n(0)}: ${n(1).replace(/\.$/, '')}.`,
    why: 'The last reading counts. Put it right and read it again.',
  }),
} satisfies Wordings
export type HandTestFinding = FindingOf<typeof handTestWordings>

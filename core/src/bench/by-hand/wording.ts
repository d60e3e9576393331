import type { FindingOf, Wordings } from '../../practice/worded'

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const handTestWordings = {
  'hand-test-failed': ({ n }) => ({
    head: `${n(0)}: ${n(1).replace(/\.$/, '')}.`,
    why: 'The last reading counts. Put it right and read it again.',
  }),
  'hand-test-outdated': ({ n }) => ({
    head: `${n(0)}: what was tested was changed since.`,
    why: 'What passed then says nothing of what is there now. Make it again.',
  }),
  'hand-test-due': ({ n }) => ({
    head: `${n(0)}: it stood in, and the test with water is due.`,
    why: 'Air finds a joint that was never made, not one that weeps under water at its full pressure. Test with water when it is there.',
  }),
  'hold-point-open': ({ n }) => ({
    head: `Before ${n(0)}, this has to pass: ${n(1)}.`,
    why: 'Somebody made this a hold point: behind it nothing can be looked at any more. Wait for the test, or take the hold point away and say why in the notes.',
  }),
  'hold-point-unknown': ({ n }) => ({
    head: `Before ${n(0)}: the test it waits for is no longer on this job.`,
    why: 'Nobody can say whether it passed. Choose another test for it, or take it away.',
  }),
} satisfies Wordings
export type HandTestFinding = FindingOf<typeof handTestWordings>

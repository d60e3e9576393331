import type { FindingOf, Wordings } from '../../practice/worded'

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const inspectionWordings = {
  'inspected-unsafe': ({ n }) => ({ head: `Inspected, unsafe: ${n(0)}.`, why: n(1) }),
  'inspected-look-again': ({ n }) => ({ head: `Inspected, look again: ${n(0)}.`, why: n(1) }),
  'inspected-against-figures': ({ n }) => ({
    head: `Inspected as sound, and what is on file says otherwise: ${n(0)}.`,
    why: `On file: ${n(1)}. Held against: ${n(2)}. One of the two is wrong: look again, or correct what is on file.`,
  }),
} satisfies Wordings
export type InspectionFinding = FindingOf<typeof inspectionWordings>

import type { FindingOf, Wordings } from '../../practice/worded'

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const inspectionWordings = {
  'inspected-unsafe': ({ n }) => ({ head: `Inspected, unsafe: ${n(0)}.`, why: n(1) }),
  'inspected-look-again': ({ n }) => ({ head: `Inspected, look again: ${n(0)}.`, why: n(1) }),
} satisfies Wordings
export type InspectionFinding = FindingOf<typeof inspectionWordings>

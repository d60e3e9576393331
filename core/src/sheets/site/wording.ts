import type { FindingOf, Wordings } from '../../practice/worded'

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const siteWordings = {
  'supply-not-live': ({ n }) => ({
    head: `${n(0)} is not connected yet${n(1) === '' ? '; nobody knows when' : `; expected ${n(1)}`}.`,
    why: n(2),
  }),
} satisfies Wordings
export type SiteFinding = FindingOf<typeof siteWordings>

import type { FindingOf, Wordings } from '../practice/worded'

/** What the choice of the work may say, in the words of the practice. */
export const workWordings = {
  'work-not-said': ({ n }) => ({
    head: `${n(0)} is new here, and the work does not say so.`,
    why: 'What the work does not name is not asked for. Choose the kind of work that brings it, or say on its plate that it stays.',
  }),
} satisfies Wordings
export type WorkFinding = FindingOf<typeof workWordings>

/** What the list may say. */
export const listWordings = {
  'made-safe-not-mended': ({ n }) => ({
    head: `Made safe and not mended: ${n(0)}.`,
    why: 'A leak that is stopped is not a repair. It stays open until it is repaired and tested again; the work of a leak has both on its list.',
  }),
} satisfies Wordings
export type ListFinding = FindingOf<typeof listWordings>

import type { FindingOf, Wordings } from '../../practice/worded'

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const gasTightnessWordings = {
  'test-limit-unknown': ({ n }) => ({
    head: `The maximum test pressure of the gas side of ${n(0)} is not known.`,
    why: 'It is disconnected and capped for the test until its manual says it stands it.',
  }),
} satisfies Wordings
export type GasTightnessFinding = FindingOf<typeof gasTightnessWordings>

import type { FindingOf, Wordings } from '../../practice/worded'

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const platesWordings = {
  'papers-missing': ({ n }) => ({
    head: `Not on file for ${n(0)}: ${n(1)}.`,
    why: "The maker's paper beats every figure here, and must be on site at handover.",
  }),
  'part-old': ({ f, n }) => ({
    head: `${n(0)} is ${f('age')} years old.`,
    why: `At about ${f('limit')} years it is renewed with its neighbours: relief, vessel and feed age together. Ask before lifting it.`,
  }),
  'part-age-unknown': ({ n }) => ({
    head: `Of what year ${n(0)} is, nobody knows.`,
    why: 'The year stands on its tag, or in the last record. Treat it as old until then.',
  }),
} satisfies Wordings
export type PlatesFinding = FindingOf<typeof platesWordings>

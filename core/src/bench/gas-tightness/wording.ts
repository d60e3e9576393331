import type { FindingOf, Wordings } from '../../practice/worded'

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const gasTightnessWordings = {
  'test-limit-unknown': ({ n }) => ({
    head: `The maximum test pressure of the gas side of ${n(0)} is not known.`,
    why: 'It is disconnected and capped for the test until its manual says it stands it.',
  }),
  'test-past-domestic': ({ f, show }) => ({
    head: `The procedure for houses ends at ${show(f('most_m3'), 'small-volume')} and a meter of ${show(f('mostMeter_m3_s'), 'gas-flow')}.`,
    why: `Under test are ${show(f('volume_m3'), 'small-volume')}${f('meter_m3_s') > 0 ? `, behind a meter of ${show(f('meter_m3_s'), 'gas-flow')}` : ''}. Past it the procedure for larger installations holds: longer, by somebody with the ticket for it.`,
  }),
} satisfies Wordings
export type GasTightnessFinding = FindingOf<typeof gasTightnessWordings>

import { sources } from '../../answer/sources'
import { draughtConditions } from '../../job/questions'
import { burnerHere } from './madeOn'
import type { HandTest } from './spec'
import { cannotTell, failed, passed } from './spec'

/** What smoke at the hood does; the last is for an appliance that has none. */
const smokes = [
  'is drawn in',
  'hovers',
  'comes out',
  'no hood: it is sealed from the room',
] as const
const [, hovers, out, sealed] = [0, 1, 2, 3]

/** So long after it was lit the flue counts as hot, s. Common practice, no source. */
const warm_s = 300

/** Flue gas goes up and not into the room, with everything against it. Source: sources.trade. */
export const spillage: HandTest = {
  id: 'spillage',
  name: 'Draught and spillage at the hood',
  why: 'With the worst the house can do: shut up, every fan on, everything burning. Flue gas that comes into the room kills. Where smoke comes out it is off at once, and the room is aired; nothing else counts then.',
  at: 'each-flue',
  applies: (_practice, { survey }) => survey.looked.openFlued?.answer !== 'no',
  asks: [
    { key: 'smoke', label: 'Smoke at the hood, all round its edge', choices: smokes },
    {
      key: 'burning_s',
      label: 'Burning for',
      measure: 'duration',
      clock: () => warm_s,
      optional: 'Until it is hot; not for one that is sealed.',
    },
    {
      key: 'draught_Pa',
      label: 'Draught in the {flue}',
      measure: 'gas-pressure',
      optional: 'Below the room’s, where a gauge reads it.',
    },
  ],
  confirms: draughtConditions
    .filter(({ id }) => id !== 'flue-hot')
    .map(({ id, text }) => ({ id, says: text })),
  madeOn: burnerHere,
  source: () => sources.trade,
  judge: ({ smoke, burning_s, draught_Pa }, { practice }, show) => {
    const figures =
      draught_Pa === undefined ? [] : [{ label: 'Draught', told: show(draught_Pa, 'gas-pressure') }]
    if (smoke === sealed) return passed('No hood here: nothing can spill into the room.', figures)
    if (smoke === out)
      return failed(
        'stop',
        'Flue gas comes into the room. Off at once, air the room, and nobody lights it until it is put right.',
        figures,
      )
    if (burning_s === undefined || burning_s < warm_s)
      return cannotTell(
        `Let it burn for ${show(warm_s, 'duration')} first: a cold ${practice.words.flue} says little either way.`,
        figures,
      )
    return smoke === hovers
      ? failed(
          'stop',
          'Hot, the smoke still hovers: the draught does not carry it. Off until it is put right.',
          figures,
        )
      : passed('Smoke is drawn in all round, with everything on.', figures)
  },
}

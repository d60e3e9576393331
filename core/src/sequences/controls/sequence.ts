import { boilersStarted, fillsHeating } from '../asked'
import { is } from '../plant'
import type { SequenceJob, SequenceSpec, StepPart } from '../step'
import { seen, stands } from '../step'

const zones = ({ document }: SequenceJob): readonly StepPart[] =>
  (document.heating?.zones ?? []).map(({ id, name }) => ({
    id: `zone-${id}`,
    title: `Call ${name} alone.`,
    short: `Called: ${name}`,
    why: 'A valve wired to the wrong thermostat heats the neighbour and is found in January.',
    guards: [
      seen('warms', `${name} warms, every other zone stays cold`),
      seen('stops', 'Call taken away: its valve shuts'),
    ],
  }))

const priority = ({ document }: SequenceJob): readonly StepPart[] =>
  document.heat.priority && document.appliances.some(({ kind }) => kind === 'indirect-cylinder')
    ? [
        {
          id: 'priority',
          title: 'Call hot water while the heating runs.',
          short: 'Hot water first',
          why: 'A diverter that stands half way gives neither.',
          guards: [
            seen('hot-water-first', 'Heating waits, the store is heated'),
            seen('back-to-heating', 'Store at its setting: heating goes on'),
          ],
        },
      ]
    : []

/**
 * Every zone called in turn, what goes first, what stops what; at the end everything on automatic.
 */
export const controls: SequenceSpec = {
  id: 'controls',
  name: () => 'Controls',
  at: ({ document }) => (fillsHeating(document) && boilersStarted(document).length > 0 ? [''] : []),
  plant: () => ({ wet: [], burning: [] }),
  steps: (job) => [
    ...zones(job),
    ...priority(job),
    {
      id: 'interlock',
      title: 'Take every call away.',
      short: 'Nothing calls: all stops',
      why: 'A burner that fires for nobody is the one that runs all night.',
      guards: [
        stands('It has power', is('supply', 'heating', 'on')),
        seen('stops', 'Burner out, pump stops after its run-on'),
      ],
    },
    {
      id: 'controls',
      was: true,
      title: 'Hand the controls back to automatic.',
      short: 'Controls handed back',
      why: 'What was overridden for the test is what is forgotten.',
      guards: [
        seen('auto', 'Programmer, thermostats and zones on automatic'),
        stands('Zone valves on automatic', is('latch', 'heating', 'automatic')),
      ],
    },
  ],
}

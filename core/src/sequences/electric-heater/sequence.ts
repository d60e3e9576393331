import { applianceOf, started } from '../asked'
import { hotAtTaps, isDosed, potableFill, reheat } from '../coldFill'
import { limitActs } from '../common'
import { is, set } from '../plant'
import type { SequenceSpec, StepPart } from '../step'
import { back, seen, stands } from '../step'

const off = (id: string, name: string): StepPart => ({
  id: 'power-off',
  title: 'Isolate it, and keep it off until it is full.',
  short: 'Power isolated',
  ticket: 'electrical',
  why: 'An element in air burns out in seconds.',
  hazard: 'Dead is what a tester says, not what a switch says.',
  guards: [
    seen('proved', 'Proved dead at its terminals', {
      ...set('supply', id, 'dead'),
      ...set('heat', id, 'cooled'),
    }),
  ],
  effects: set('supply', id, 'dead'),
  leavesOff: [
    {
      key: 'power',
      name: `Supply of ${name}`,
      state: 'power-off',
      where: 'isolator, fuse in the tool bag',
      backBefore: 'power-on',
      waits: true,
      thing: { id: `supply.${id}`, off: 'dead', back: 'on' },
    },
  ],
})

/** A storage heater with an element or a heat pump: full before power. */
export const electricHeater: SequenceSpec = {
  id: 'electric-heater',
  name: ({ document }, id) => `Fill and start ${applianceOf(document, id).name}`,
  at: ({ document }) =>
    started(document, ['electric-storage-heater', 'heat-pump-heater']).map(({ id }) => id),
  plant: (job, id) => ({
    wet: [{ of: id, ...(isDosed(job) ? { dosed: true } : {}) }],
    burning: [],
  }),
  steps: (job, id) => {
    const { name, kind, maxWorkingGauge_Pa } = applianceOf(job.document, id)
    return [
      off(id, name),
      ...potableFill(
        {
          of: id,
          rating: 'Tag is at or below the heater’s rating',
          mostGauge_Pa: maxWorkingGauge_Pa ? maxWorkingGauge_Pa.value * 0.8 : undefined,
          was: false,
        },
        job,
      ),
      {
        id: 'power-on',
        title: 'Full to the tap, then power on.',
        short: 'Power on',
        ticket: 'electrical',
        why: 'Water ran at the tap without spitting: the element is covered.',
        guards: [
          stands('Full, without air', is('water', id, 'vented')),
          ...(kind === 'heat-pump-heater'
            ? [
                seen('air-way', 'Air in and out free; condensate runs off'),
                seen('stood', 'Stood upright as long as its maker asks before its first start'),
              ]
            : []),
          back('power', 'Supply put back on'),
        ],
        effects: set('supply', id, 'on'),
        admits: 'power',
      },
      reheat(id, job.targets, [stands('The supply is on', is('supply', id, 'on'))]),
      {
        id: 'cut-outs',
        title: 'See the thermostat stop it, and make the cut-out act.',
        short: 'Thermostat and cut-out',
        ticket: 'electrical',
        why: 'The limit behind the thermostat must never be the one that does the daily work.',
        guards: [seen('cuts', 'Stops at its set point'), ...limitActs],
      },
      ...hotAtTaps(job, false),
    ]
  },
}

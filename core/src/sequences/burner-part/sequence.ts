import type { Appliance } from '../../job/document'
import { fitted } from '../../job/asked'
import { burnsGas } from '../../job/fields'
import { applianceOf, hasFlue, waterOf } from '../asked'
import { gasBack, gasGone, gasShut, tight } from '../gasWork'
import { set } from '../plant'
import type { SequenceJob, SequenceSpec, StepPart } from '../step'
import { back, seen, tested } from '../step'

const burnersHere = ({ document }: SequenceJob): readonly Appliance[] =>
  document.work.kinds.includes('burner-part-exchanged')
    ? fitted(document.appliances).filter(({ kind }) => burnsGas(kind))
    : []

const dead = (of: string, name: string): StepPart => ({
  id: 'dead',
  title: 'Burner off, electrically dead.',
  short: 'Dead',
  ticket: 'electrical',
  why: 'A cover is a guard: what is behind it is taken for live until a tester says no.',
  hazard: 'Dead is what a tester says, not what a switch says.',
  guards: [
    seen('dead', 'Isolated, locked off, proved dead, or no electricity on this type', {
      ...set('supply', of, 'dead'),
    }),
    seen('cool', 'Cooled until a hand can stay on it'),
  ],
  effects: set('supply', of, 'dead'),
  leavesOff: [
    {
      key: 'power',
      name: `Supply of ${name}`,
      state: 'power-off',
      where: 'isolator, locked',
      backBefore: 'power-on',
      waits: true,
      thing: { id: `supply.${of}`, off: 'dead', back: 'on' },
    },
  ],
})

const exchanged = (id: string): readonly StepPart[] => [
  {
    id: 'out',
    title: 'Take the old part out, hold the new one against it.',
    short: 'Old part out',
    ticket: 'gas',
    why: 'The maker’s list says that a part fits this model and this gas, not its looks.',
    evidence: 'Both parts with their numbers',
    guards: [seen('number', 'Number and gas of the new part are the maker’s for this model')],
    effects: { ...set('joint', id, 'apart'), ...set('proof', id, 'open') },
  },
  {
    id: 'in',
    title: 'Fit the new one.',
    short: 'New part in',
    ticket: 'gas',
    why: 'New seals, two wrenches, the larger holds the fixed part.',
    guards: [
      seen('seals', 'New seals, sealed surfaces clean'),
      seen('joints', 'Joints made as the maker says', set('joint', id, 'made')),
    ],
    effects: set('joint', id, 'made'),
  },
]

const readings = (job: SequenceJob, appliance: Appliance): readonly StepPart[] => [
  {
    id: 'light',
    title: 'Light it and watch the flame.',
    short: 'First flame',
    ticket: 'gas',
    why: 'The first minute shows a wrong gas, a starved flame or a blocked {flue}.',
    hazard: 'Burnt gas kills without a smell.',
    guards: [
      seen('flue', '{flue} whole, its end clear', set('flue', appliance.id, 'whole')),
      seen('flame', 'Flame steady, no lifting, no smell'),
      seen('stops', 'Flame supervision shuts the gas when it is tried'),
    ],
    effects: set('flame', appliance.id, 'lit'),
    admits: 'heat',
  },
  {
    id: 'burner-pressure',
    title: `Inlet, then ${job.practice.words.burnerPressure}, by the maker’s chart.`,
    short: 'Burner pressure',
    ticket: 'gas',
    why: 'Set only with the chart in hand for this model, gas and height; measured always.',
    guards: [
      tested('gas-pressure', appliance.id, 'Static and working pressure read at its inlet'),
      tested('burner-pressure', appliance.id, 'Read at the burner, by the chart'),
    ],
  },
  ...(hasFlue(appliance)
    ? [
        {
          id: 'combustion',
          title: 'Prove the combustion.',
          short: 'Combustion',
          ticket: 'gas' as const,
          why: 'The reading most often missing. CO is what kills.',
          guards: [tested('combustion-high', appliance.id, 'Flue gas at the highest rate')],
        },
      ]
    : []),
]

/** A part of a burner or gas valve exchanged: dead and gasless before, proved and read after. */
export const burnerPart: SequenceSpec = {
  id: 'burner-part',
  name: ({ document }, id) => `A gas part exchanged at ${applianceOf(document, id).name}`,
  offered: (job) => burnersHere(job).length > 1,
  at: (job) => burnersHere(job).map(({ id }) => id),
  plant: ({ document }, id) => ({
    wet: [{ of: waterOf(document, applianceOf(document, id)) }],
    burning: [{ of: id }],
  }),
  steps: (job, id) => {
    const appliance = applianceOf(job.document, id)
    const water = waterOf(job.document, appliance)
    return [
      dead(water, appliance.name),
      gasShut(id, {
        name: `${appliance.name} gas valve`,
        out: 'Burner and pilot out',
        before: 'gas-on',
      }),
      gasGone(id),
      ...exchanged(id),
      tight(job, id),
      gasBack(job, id),
      {
        id: 'power-on',
        title: 'Covers shut, power back.',
        short: 'Power on',
        ticket: 'electrical',
        why: 'Gas proved first, then what can light it.',
        guards: [
          seen('covers', 'Covers shut, seals in'),
          seen('full', 'Its water side is whole, full and vented, or it holds none', {
            ...set('part', water, 'in'),
            ...set('water', water, 'vented'),
          }),
          back('power', 'Supply put back on'),
        ],
        effects: set('supply', water, 'on'),
        admits: 'power',
      },
      ...readings(job, appliance),
    ]
  },
}

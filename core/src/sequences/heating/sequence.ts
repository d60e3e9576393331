import type { HeatingZone } from '../../job/pressureDocument'
import { showIn } from '../../units/format'
import { fillsHeating } from '../asked'
import { degrees, madeUp, reliefCheck } from '../common'
import { is, set } from '../plant'
import type { SequenceJob, SequenceSpec, StepPart } from '../step'
import { back, seen, stands } from '../step'

const of = 'heating'

/**
 * How far a mixture may be from the design, as a share of it by mass: common practice, no source.
 */
const mixtureTolerance = 0.03

const hasLever = ({ practice }: SequenceJob) => practice.fillBy === 'feed-valve-with-lever'

/** Without electricity nothing pumps and no burner of it lights. */
const noHeat = { ...set('supply', of, 'dead'), ...set('flame', of, 'out') }

const dead = ({ practice }: SequenceJob): StepPart => ({
  id: 'power-off',
  was: true,
  title: 'Isolate the power and keep it off.',
  short: 'Power isolated',
  ticket: 'electrical',
  why: 'A pump or boiler started dry is damaged in seconds. Nothing gets power until the circuit is full and vented.',
  hazard: 'Dead is what a tester says, not what a switch says.',
  guards: [
    seen('proved-dead', 'Proved dead at the boiler', noHeat),
    seen(
      'cooled',
      `Cold to the hand: new, or cooled below ${degrees(practice, 40)}`,
      set('heat', of, 'cooled'),
    ),
  ],
  effects: { ...noHeat, ...set('heat', of, 'cooled') },
  leavesOff: [
    {
      key: 'power',
      name: 'Boiler and pump supply',
      state: 'power-off',
      where: 'isolator, fuse in the tool bag',
      backBefore: 'power-on',
      waits: true,
      thing: { id: 'supply.heating', off: 'dead', back: 'on' },
    },
  ],
})

const charge = ({ practice, targets: t }: SequenceJob): StepPart => ({
  id: 'vessel-charge',
  was: true,
  title: `Set the ${practice.words.vessel} charge, water side empty.`,
  short: 'Vessel charge, empty',
  why: 'A charge read against water is the water’s pressure, not the charge. This is the only moment it can be trusted.',
  evidence: 'The label with charge and date',
  guards: [
    seen('empty', 'Water side open and empty', {
      ...set('water', of, 'empty'),
      ...set('pressure', of, 'none'),
    }),
  ],
  effects: set('water', of, 'empty'),
  reading: {
    label: 'Charge, gauge',
    measure: 'water-pressure',
    ...around(t.chargeGauge_Pa, practice.vessel.fillTolerance_Pa),
    limitSays: 'within the fill tolerance of the charge for the temperature of the day',
  },
})

const around = (target: number | undefined, tolerance: number) =>
  target === undefined ? {} : { target, least: target - tolerance, most: target + tolerance }

const latch: StepPart = {
  id: 'zones-open',
  was: true,
  title: 'Latch every zone valve open.',
  short: 'Zone valves latched',
  why: 'A shut zone fills with nothing but air.',
  guards: [seen('each', 'Each zone valve lever over and latched')],
  leavesOff: [
    {
      key: 'zones',
      name: 'Zone valves',
      state: 'held-open',
      where: 'latched by hand',
      backBefore: 'power-on',
      thing: { id: 'latch.heating', off: 'latched', back: 'automatic' },
    },
  ],
}

const fill = (job: SequenceJob): StepPart => ({
  id: 'fill',
  was: true,
  title: `Fill slowly through the ${job.practice.words.fillDevice}.`,
  short: 'Filled cold',
  why: 'Slowly, with a vent open at the top: surge loosens joints and traps air.',
  school: hasLever(job)
    ? 'Full mains pressure by the lever pushes air along; slowly spares the joints. Here: the lever only while an outlet runs.'
    : 'Separators and automatic vents are enough, some say; others bleed by hand, as they stick. Here: bled by hand.',
  guards: [
    stands('The relief and its discharge are in place', is('relief', of, 'in-place')),
    madeUp(of),
    seen('vent-open', 'A vent open at the top'),
    seen('joints', 'Someone watching the joints'),
  ],
  effects: { ...set('water', of, 'full'), ...set('pressure', of, 'under') },
  admits: 'pressure',
  ...(hasLever(job)
    ? {}
    : {
        leavesOff: [
          {
            key: 'link',
            name: 'Filling link',
            state: 'linked' as const,
            where: 'between the main and the circuit',
            backBefore: 'link-off',
            thing: { id: 'link.heating' as const, off: 'linked', back: 'off' },
          },
        ],
      }),
})

const purgedBy = (job: SequenceJob): readonly StepPart[] => {
  const zones: readonly Pick<HeatingZone, 'id' | 'name'>[] = job.document.heating?.zones ?? []
  const each = zones.length > 0 ? zones : [{ id: '', name: '' }]
  return each.map((zone, i) => purge(job, zone, i === 0))
}

function purge(
  job: SequenceJob,
  zone: Pick<HeatingZone, 'id' | 'name'>,
  isFirst: boolean,
): StepPart {
  const named = zone.name === '' ? 'each loop' : zone.name
  const lever = hasLever(job)
  return {
    id: zone.id === '' ? 'purge' : `purge-${zone.id}`,
    was: 'purge',
    title: lever ? `Purge ${named} at its outlet.` : `Bleed ${named} low to high, then flush it.`,
    short: zone.name === '' ? 'Loops purged' : `Purged: ${zone.name}`,
    why: lever
      ? 'Air left in a loop stops its flow and gurgles for weeks. The lever pushes it along only while the outlet runs.'
      : 'Air left in a loop stops its flow. Separators and automatic vents do not replace bleeding by hand.',
    guards: lever
      ? [
          seen('outlet-open', 'Purge outlet open, hose in a bucket', set('outlet', of, 'open')),
          seen('no-bubbles', 'Ran until no bubbles came'),
        ]
      : [
          seen('low-to-high', `Every ${job.practice.words.emitter} bled, lowest first`),
          seen('clear', 'Flushed until clear, outlet shut again'),
        ],
    effects: set('water', of, 'full'),
    ...(lever && isFirst
      ? {
          leavesOff: [
            {
              key: 'fast-fill',
              name: 'Fast-fill lever',
              state: 'lever-over' as const,
              where: `on the ${job.practice.words.fillDevice}`,
              backBefore: 'purge-shut',
              thing: { id: 'lever.heating' as const, off: 'over', back: 'automatic' },
            },
          ],
        }
      : {}),
  }
}

const leverBack: StepPart = {
  id: 'purge-shut',
  was: true,
  title: 'Lever back to automatic, then shut the purge outlet.',
  short: 'Lever back, outlet shut',
  why: 'In the other order full mains pressure lands on the boiler.',
  guards: [
    back('fast-fill', 'Fast-fill lever put back to automatic'),
    seen('outlet-shut', 'Outlet shut after the lever', set('outlet', of, 'shut')),
  ],
  effects: { ...set('lever', of, 'automatic'), ...set('outlet', of, 'shut') },
}

const treated = ({ practice, targets }: SequenceJob): StepPart => {
  const show = showIn(practice.units)
  const content =
    targets.content_m3 === undefined
      ? 'the content, which the design does not know yet'
      : show(targets.content_m3, 'small-volume')
  return {
    id: 'treated',
    title: 'Dose what the boiler’s maker asks for, and measure it.',
    short: 'Dosed and measured',
    why: 'Flux and swarf settle in the exchanger. Inhibitor is a dose by the content, not a habit.',
    guards: [
      seen('clear', 'Flushed until clear; filter and strainer cleaned'),
      seen('dosed', `Dosed for ${content}, as the maker of the boiler asks`),
      seen('measured', 'Its strength read with the kit that belongs to it, written on the label'),
    ],
  }
}

const glycol = ({ document }: SequenceJob): readonly StepPart[] => {
  const fluid = document.heating?.fluid
  if (!fluid || fluid.kind === 'water') return []
  const share = fluid.massFraction?.value
  return [
    {
      id: 'mixture',
      title: 'Mix the antifreeze, and read it.',
      short: 'Mixture read',
      why: 'Too thin it freezes, too thick it carries less heat and grows more than the vessel was sized for.',
      hazard: 'Some antifreeze is poisonous: it never gets near the drinking water.',
      guards: [seen('mixed', 'Circulated or drawn until two readings agree')],
      reading: {
        label: 'Antifreeze by mass, from the refractometer',
        measure: 'ratio',
        ...around(share, mixtureTolerance),
        limitSays: 'within 3 % of the design (common practice, no source)',
      },
    },
  ]
}

const coldFill = ({ practice, targets: t }: SequenceJob): StepPart => ({
  id: 'cold-fill',
  was: true,
  title: 'Read the cold fill.',
  short: 'Cold fill',
  why: 'Every hot pressure follows from this one. The design’s window keeps the reserve in and the relief dry.',
  guards: [seen('still', 'Circuit full, vented and cold', set('water', of, 'vented'))],
  effects: { ...set('water', of, 'vented'), ...set('pressure', of, 'under') },
  reading: {
    label: 'At the fill point, gauge',
    measure: 'water-pressure',
    ...around(t.fillGauge_Pa, practice.vessel.fillTolerance_Pa),
    limitSays: 'within the fill tolerance of the cold fill of the design',
    symptom: 'pressure-creeps',
  },
})

const linkOff: StepPart = {
  id: 'link-off',
  was: true,
  title: 'Shut, disconnect and cap the filling link.',
  short: 'Link off and capped',
  why: 'A link left on lets the main into the heating, and heating water into the main.',
  guards: [back('link', 'Link shut, disconnected and capped')],
  effects: set('link', of, 'off'),
}

const joints: StepPart = {
  id: 'joints',
  was: true,
  title: 'Look at every joint under pressure.',
  short: 'Joints dry',
  why: 'A weep is found now or by the householder.',
  guards: [seen('dry', 'Every joint wiped and dry')],
}

const powerOn = (job: SequenceJob): StepPart => ({
  id: 'power-on',
  was: true,
  title: 'Zone valves to automatic, then power on: pumps before burners.',
  short: 'Power on, pump runs',
  ticket: 'electrical',
  why: 'The circuit is full and vented: now, and not before, the pump may run. Pumps run before burners.',
  guards: [
    back('zones', 'Zone valves unlatched to automatic'),
    seen('pump-vented', 'Pump vented both sides'),
    stands('Full and vented', is('water', of, 'vented')),
    ...(hasLever(job)
      ? [stands('Fast-fill lever on automatic', is('lever', of, 'automatic'))]
      : []),
    back('power', 'Supply put back on'),
  ],
  effects: set('supply', of, 'on'),
  admits: 'power',
})

/** A sealed circuit, or one with a feed valve, from empty to a pump that runs. */
export const heatingFill: SequenceSpec = {
  id: 'heating',
  name: () => 'Fill, vent and start the heating',
  at: ({ document }) => (fillsHeating(document) ? [''] : []),
  plant: (job) => ({
    wet: [{ of, filledBy: hasLever(job) ? 'lever' : 'link' }],
    burning: [],
  }),
  steps: (job) => [
    dead(job),
    charge(job),
    reliefCheck(of, job.practice, {
      id: 'relief-check',
      was: true,
      title: `Check the ${job.practice.words.reliefValve} and where it ends.`,
      rating: 'Setting on the tag is the design’s',
    }),
    latch,
    fill(job),
    ...purgedBy(job),
    ...(hasLever(job) ? [leverBack] : []),
    treated(job),
    ...glycol(job),
    coldFill(job),
    ...(hasLever(job) ? [] : [linkOff]),
    joints,
    powerOn(job),
  ],
}

import { madeUp, reliefCheck, scald } from './common'
import { is, set } from './plant'
import type { Guard, SequenceJob, StepPart } from './step'
import { back, seen, stands, tested } from './step'

/**
 * The water side of whatever holds drinking water: charge, filling, flushing, pressure. One form
 * for store and heater.
 */

interface Potable {
  readonly of: string
  /** What must be so before water comes, beside the relief. */
  readonly first?: readonly Guard[]
  readonly rating: string
  readonly mostGauge_Pa?: number | undefined
  /** What the step is called in records of before. */
  readonly was: boolean
}

const wasIf = (was: boolean) => (was ? { was: true as const } : {})

const vesselCharge = ({ practice, targets: t }: SequenceJob): readonly StepPart[] =>
  t.potableChargeGauge_Pa === undefined
    ? []
    : [
        {
          id: 'charge',
          title: `Set the charge of the hot water ${practice.words.vessel}, water side empty.`,
          short: 'Charge, empty',
          why: 'Set to the pressure after the reducing valve, read at a usual hour.',
          evidence: 'The label with charge and date',
          guards: [seen('empty', 'Water side open and empty')],
          reading: {
            label: 'Charge, gauge',
            measure: 'water-pressure',
            target: t.potableChargeGauge_Pa,
            least: t.potableChargeGauge_Pa - practice.vessel.fillTolerance_Pa,
            most: t.potableChargeGauge_Pa + practice.vessel.fillTolerance_Pa,
            limitSays: 'within the fill tolerance of the charge of the design',
          },
        },
      ]

const tapOpen = (words: SequenceJob['practice']['words'], was: boolean): StepPart => ({
  id: 'tap-open',
  ...wasIf(was),
  title: `Aerators off, the furthest hot ${words.tap} open.`,
  short: 'Hot tap open',
  why: 'Air has to leave somewhere while water comes in, and grit stays in an aerator.',
  guards: [seen('open', `Furthest hot ${words.tap} open, every aerator off`)],
  leavesOff: [
    {
      key: 'hot-tap',
      name: `Furthest hot ${words.tap}`,
      state: 'opened',
      where: 'aerator off',
      backBefore: 'flushed',
    },
    {
      key: 'aerators',
      name: 'Aerators',
      state: 'disconnected',
      where: 'in the tool box',
      backBefore: 'flushed',
    },
  ],
})

const filled = ({ of, first = [], was }: Potable, job: SequenceJob): StepPart => ({
  id: 'fill',
  ...wasIf(was),
  title: 'Open the cold slowly until it runs clear.',
  short: 'Filled',
  why: 'Slowly: surge loosens joints and stirs up grit.',
  guards: [
    ...first,
    stands('The relief and its discharge are in place', is('relief', of, 'in-place')),
    madeUp(of),
    seen('slowly', 'Cold opened slowly', set('cold', of, 'open')),
    seen('steady', `Runs at the ${job.practice.words.tap} without spitting`),
    seen('dry', 'Every joint wiped and dry'),
  ],
  effects: {
    ...set('cold', of, 'open'),
    ...set('water', of, 'vented'),
    ...set('pressure', of, 'under'),
    // Water of the main: nothing is dosed until somebody doses it.
    ...(isDosed(job) ? set('dosed', of, 'rinsed') : {}),
  },
  admits: 'pressure',
})

const asksDisinfection = ({ document }: SequenceJob): boolean =>
  document.work.kinds.length === 0 ||
  document.work.kinds.some((kind) =>
    ['stored-hot-water', 'storage-heater-exchanged', 'instantaneous-heater'].includes(kind),
  )

/** Whether its water stands dosed for a time: where the work asks for disinfection. */
export const isDosed = asksDisinfection

const clean = (of: string, job: SequenceJob): readonly StepPart[] => [
  {
    id: 'flushed',
    title: 'Flush every outlet, then aerators cleaned and back.',
    short: 'Flushed, aerators back',
    why: 'Flux, grit and what stood in new pipe reach the glass first; a blocked aerator is a callback for no hot water.',
    guards: [
      seen('run', 'Every outlet run at its full bore, the farthest last'),
      back('hot-tap', `Hot ${job.practice.words.tap} shut`),
      back('aerators', 'Aerators cleaned and back'),
      tested('flushing', '', 'Flushed clear, and recorded'),
    ],
  },
  ...(asksDisinfection(job)
    ? [
        {
          id: 'dosed',
          title: 'Dose it as the practice here asks; signs at every outlet.',
          short: 'Dosed, signs up',
          why: 'Dirt and dwell from the work reach the glass. The store’s maker says what its coating stands.',
          hazard:
            'Nobody draws water while it stands dosed. Never mixed with acid: chlorine gas kills.',
          guards: [
            seen('signs', 'Signs at every outlet, those who live here told'),
            seen('drawn', 'Drawn at every outlet until the dose is there'),
          ],
          effects: set('dosed', of, 'high'),
        } satisfies StepPart,
        {
          id: 'disinfected',
          title: 'When its time is over, rinse it until it may be drunk.',
          short: 'Disinfected and rinsed',
          why: 'Dose, time and what is left at the end say whether it worked; what is left after rinsing, whether it may be drunk.',
          guards: [
            tested('disinfection', '', 'Dose, time, what is left, and rinsed to what may be drunk'),
          ],
          effects: set('dosed', of, 'rinsed'),
        } satisfies StepPart,
      ]
    : []),
]

const coldPressure = ({ mostGauge_Pa, was }: Potable): StepPart => ({
  id: 'cold-pressure',
  ...wasIf(was),
  title: 'Read the cold pressure with every tap shut.',
  short: 'Cold pressure',
  why: 'The relief has to stand well above it, or it drips every night.',
  guards: [seen('shut-taps', 'All taps shut')],
  reading: {
    label: 'Cold supply, gauge',
    measure: 'water-pressure',
    ...(mostGauge_Pa === undefined ? {} : { most: mostGauge_Pa }),
    limitSays: 'four fifths of the lowest rating behind it (common practice, no source)',
    symptom: 'pressure-creeps',
  },
})

/** From an empty water side to one that is full, clean and holds its cold pressure. */
export const potableFill = (how: Potable, job: SequenceJob): readonly StepPart[] => [
  reliefCheck(how.of, job.practice, {
    id: 'relief-check',
    ...(how.was ? { was: true } : {}),
    title: 'Check the relief valves and where they end.',
    rating: how.rating,
  }),
  ...vesselCharge(job),
  tapOpen(job.practice.words, how.was),
  filled(how, job),
  ...clean(how.of, job),
  coldPressure(how),
]

/** What is read when it is hot, and said. */
export const hotAtTaps = ({ practice }: SequenceJob, was: boolean): readonly StepPart[] => [
  {
    id: 'tap-temp',
    ...wasIf(was),
    title: 'Read the hot water at the taps, nearest to farthest.',
    short: 'Tap temperature',
    why: 'It must be safe before anyone uses it, and hot in time at the farthest.',
    hazard: scald(practice),
    guards: [tested('tap-temperature', '', 'Taps read, from near to far')],
  },
  {
    id: 'explain',
    ...wasIf(was),
    title: 'Set the dial and explain it.',
    short: 'Explained',
    why: 'What is unsaid is found out at two in the morning.',
    guards: [
      seen('dial', 'Set and marked'),
      seen('told', 'Occupier knows where gas and water shut, and what a gas smell means'),
    ],
  },
]

/** The store from cold to its setting, against the clock. */
export const reheat = (
  of: string,
  targets: SequenceJob['targets'],
  before: readonly Guard[],
): StepPart => ({
  id: 'reheat',
  title: 'Time it from cold to its setting.',
  short: 'Reheat timed',
  why: 'Far slower than the design, the coil, the pump or the flow temperature is not what was thought.',
  guards: [...before, seen('from-cold', 'Begun cold, nothing drawn meanwhile')],
  effects: set('heat', of, 'hot'),
  admits: 'heat',
  ...(targets.reheat_s === undefined ? {} : { hold_s: targets.reheat_s }),
  reading: {
    label: 'From cold to its setting',
    measure: 'duration',
    ...(targets.reheat_s === undefined
      ? {}
      : { target: targets.reheat_s, most: targets.reheat_s * slowest }),
    limitSays: 'a quarter more than the design (assumed)',
    symptom: 'slow-reheat',
  },
})

/** A reheat this much slower than the design asks for its cause: assumed. */
const slowest = 1.25

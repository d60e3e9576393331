import { applianceOf, isOnlyOne, started } from '../asked'
import { hotAtTaps, isDosed, potableFill, reheat } from '../coldFill'
import { limitActs, smell } from '../common'
import { is, set } from '../plant'
import type { SequenceJob, SequenceSpec, StepPart } from '../step'
import { back, gasTight, seen, stands, tested } from '../step'

const wasIf = (was: boolean) => (was ? { was: true as const } : {})

/** Shut off before it is filled. */
export const shutOff = (job: SequenceJob, id: string, was: boolean): StepPart => ({
  id: 'isolate',
  ...wasIf(was),
  title: 'Gas shut at the heater, power off.',
  short: 'Gas and power off',
  ticket: 'gas',
  why: 'A heater fired dry is scrap. Nothing burns until it is full and the air is out.',
  guards: [
    seen('gas-shut', 'Appliance gas valve shut, nothing lit', {
      ...set('gas', id, 'shut'),
      ...set('flame', id, 'out'),
      ...set('heat', id, 'cooled'),
    }),
  ],
  effects: { ...set('gas', id, 'shut'), ...set('flame', id, 'out') },
  leavesOff: [
    {
      key: 'heater-gas',
      name: `${applianceOf(job.document, id).name} gas valve`,
      state: 'shut',
      where: 'at the heater',
      backBefore: 'gas-on',
      waits: true,
      thing: { id: `gas.${id}`, off: 'shut', back: 'on' },
    },
  ],
})

/** Gas let in, once the pipe is proved and the heater is full. */
export const gasIn = (id: string, was: boolean): StepPart => ({
  id: 'gas-on',
  ...wasIf(was),
  title: 'Open the gas: purge, spray.',
  short: 'Gas on and sprayed',
  ticket: 'gas',
  why: 'No flame before the pipe is proved and purged of air.',
  hazard: smell,
  guards: [
    gasTight(id),
    stands('Full, without air', is('water', id, 'vented')),
    seen('connected', 'Connected as its maker says, every joint dry', set('joint', id, 'made')),
    back('heater-gas', 'Gas valve at the heater opened'),
    tested('purge', '', 'Purged, watched at its outlet'),
    seen('sprayed', 'Joints sprayed; the test-point screw last'),
  ],
  effects: { ...set('gas', id, 'on'), ...set('purged', id, 'gas') },
  admits: 'gas',
})

export const firstFlame = (id: string, was: boolean): StepPart => ({
  id: 'light',
  ...wasIf(was),
  title: 'Light it and watch the flame.',
  short: 'First flame',
  ticket: 'gas',
  why: 'The first minute shows a wrong gas, a starved flame or a blocked {flue}.',
  hazard: 'Burnt gas kills without a smell: a flame is lit only on a {flue} that was seen whole.',
  evidence: 'The {flue}, from the heater to its end',
  guards: [
    seen(
      'flue-whole',
      '{flue} complete, supported and sealed, its end clear',
      set('flue', id, 'whole'),
    ),
    seen('flame', 'Flame steady, no lifting, no smell'),
  ],
  effects: { ...set('flame', id, 'lit'), ...set('heat', id, 'hot') },
  admits: 'heat',
})

/** What is read at its burner. */
export const atBurner = (id: string, was: boolean): readonly StepPart[] => [
  {
    id: 'gas-working',
    ...wasIf(was),
    title: 'Read the gas at the heater, everything burning.',
    short: 'Gas, everything on',
    ticket: 'gas',
    why: 'Only now do all burners pull together. Too little pressure starves the flame.',
    guards: [tested('gas-pressure', id, 'Static and working pressure read at its inlet')],
  },
  {
    id: 'gas-rate',
    title: 'Time the meter at full rate.',
    short: 'Gas rate',
    ticket: 'gas',
    why: 'The plate says what it should burn; the meter says what it burns.',
    guards: [tested('gas-rate', id, 'Gas rate timed at the meter')],
  },
]

/** Whether smoke is tried at its hood: nobody has said that there is no open flue here. */
export const mayDraw = ({ document }: SequenceJob): boolean =>
  document.survey.looked.openFlued?.answer !== 'no'

const draughtBefore: StepPart = {
  id: 'draught-before',
  title: 'Try the draught of what is here before anything changes.',
  short: 'Draught before',
  ticket: 'gas',
  why: 'A draught that was bad before is no fault of the new heater, and is reported all the same.',
  guards: [
    seen('everything-on', 'Windows shut, every fan and gas appliance on'),
    seen('drawn', 'Smoke drawn in at each hood that is here, or nothing open-flued here'),
  ],
}

/** A storage heater that burns gas. */
export const gasHeater: SequenceSpec = {
  id: 'gas-heater',
  name: ({ document }, id) => `Fill and light ${applianceOf(document, id).name}`,
  at: ({ document }) => started(document, ['storage-heater']).map(({ id }) => id),
  plant: (job, id) => ({
    wet: [{ of: id, ...(isDosed(job) ? { dosed: true } : {}) }],
    burning: [{ of: id }],
  }),
  steps: (job, id) => {
    const was = isOnlyOne(job.document, id)
    const rated = applianceOf(job.document, id).maxWorkingGauge_Pa?.value
    return [
      ...(mayDraw(job) ? [draughtBefore] : []),
      shutOff(job, id, was),
      ...potableFill(
        {
          of: id,
          rating: 'Tag is at or below the heater’s rating',
          mostGauge_Pa: rated === undefined ? undefined : rated * 0.8,
          was,
        },
        job,
      ),
      gasIn(id, was),
      firstFlame(id, was),
      ...atBurner(id, was),
      {
        id: 'flue',
        ...(was ? { was: true } : {}),
        title: 'Prove the {flue} and the combustion.',
        short: '{flue} and combustion',
        ticket: 'gas',
        why: "A combustion reading is the one most often missing from the record. Hold it against the maker's figures for this model and gas.",
        hazard: 'CO. Over the limit it is turned off and stays off.',
        guards: [
          tested('combustion-high', id, 'Flue gas at the highest rate'),
          ...(mayDraw(job)
            ? [tested('spillage', id, 'Smoke drawn in at the hood, everything on')]
            : []),
        ],
      },
      reheat(id, job.targets, [stands('The burner is lit', is('flame', id, 'lit'))]),
      {
        id: 'thermostat',
        ...(was ? { was: true } : {}),
        title: 'See the thermostat stop it, and make each limit act.',
        short: 'Thermostat and limits',
        why: 'The limit behind it must never be the one that does the daily work.',
        guards: [
          seen('cuts', 'Burner stops at the set point'),
          seen('relief-dry', 'Relief dry, or drips back within a minute'),
          seen('flame-proof', 'Flame supervision shuts the gas when it is tried'),
          ...limitActs,
        ],
      },
      ...hotAtTaps(job, was),
    ]
  },
}

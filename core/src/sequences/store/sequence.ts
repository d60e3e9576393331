import { applianceOf, isWork, started } from '../asked'
import { hotAtTaps, isDosed, potableFill, reheat } from '../coldFill'
import { limitActs } from '../common'
import { is, set } from '../plant'
import type { SequenceJob, SequenceSpec, StepPart } from '../step'
import { seen, stands } from '../step'

const off = (id: string): StepPart => ({
  id: 'off',
  title: 'Keep heat and immersion off the empty store.',
  short: 'Heat off the store',
  ticket: 'electrical',
  why: 'An element in air burns out in seconds, and a hot store cracks when cold water meets it.',
  guards: [
    seen('dead', 'Immersion and coil pump off, proved dead', {
      ...set('supply', id, 'dead'),
      ...set('heat', id, 'cooled'),
    }),
  ],
  effects: set('supply', id, 'dead'),
  leavesOff: [
    {
      key: 'power',
      name: 'Supply of the store',
      state: 'power-off',
      where: 'isolator',
      backBefore: 'power-on',
      waits: true,
      thing: { id: `supply.${id}`, off: 'dead', back: 'on' },
    },
  ],
})

const draw = (job: SequenceJob): StepPart => ({
  id: 'draw',
  title: 'Draw it off at the bath, timed.',
  short: 'Draw-off timed',
  why: 'The design gives a band, from fully mixed to perfect layers: outside it, the store or its setting is another.',
  guards: [seen('wide', `One ${job.practice.words.tap} wide open until it runs lukewarm`)],
  reading: {
    label: 'Until it runs lukewarm',
    measure: 'duration',
    ...(job.targets.drawLeast_s === undefined ? {} : { least: job.targets.drawLeast_s }),
    limitSays: 'the shortest of the design, fully mixed',
    symptom: 'slow-reheat',
  },
})

/**
 * A store that something else heats: filled, clean, its cut-outs proved, heated against the clock,
 * safe at the taps.
 */
export const storeFill: SequenceSpec = {
  id: 'store',
  name: ({ document }, id) => `Fill and heat ${applianceOf(document, id).name}`,
  at: ({ document }) =>
    isWork(document, 'stored-hot-water', 'heating-new', 'commissioning-only')
      ? started(document, ['indirect-cylinder']).map(({ id }) => id)
      : [],
  plant: (job, id) => ({
    wet: [{ of: id, ...(isDosed(job) ? { dosed: true } : {}) }],
    burning: [],
  }),
  steps: (job, id) => {
    const { targets, document } = job
    const rated = applianceOf(document, id).maxWorkingGauge_Pa?.value
    return [
      off(id),
      ...potableFill(
        {
          of: id,
          rating: `Settings climb: reducing valve, ${job.practice.words.vessel}, expansion relief, temperature relief`,
          mostGauge_Pa:
            targets.reducedMostGauge_Pa ?? (rated === undefined ? undefined : rated * 0.8),
          was: false,
        },
        job,
      ),
      {
        id: 'power-on',
        title: 'Give the store its heat back.',
        short: 'Heat to the store',
        ticket: 'electrical',
        why: 'Full, without air, clean: now it may be heated.',
        guards: [
          stands('Full, without air', is('water', id, 'vented')),
          { kind: 'put-back', offKey: 'power', text: 'Supply of the store put back on' },
        ],
        effects: set('supply', id, 'on'),
        admits: 'power',
      },
      reheat(id, targets, [stands('The supply is on', is('supply', id, 'on'))]),
      {
        id: 'cut-outs',
        title: 'Make every cut-out of the store act.',
        short: 'Cut-outs act',
        ticket: job.practice.unventedTicket ? 'unvented' : 'electrical',
        why: 'Behind the thermostat stands the cut-out, behind it the relief. Each is there for the day the one before fails.',
        guards: limitActs,
      },
      draw(job),
      ...hotAtTaps(job, false),
    ]
  },
}

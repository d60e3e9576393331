import { applianceOf, isOnlyOne, started } from '../asked'
import { hotAtTaps, isDosed, potableFill } from '../coldFill'
import { atBurner, firstFlame, gasIn, mayDraw, shutOff } from '../gas-heater/sequence'
import type { SequenceJob, SequenceSpec, StepPart } from '../step'
import { seen, tested } from '../step'

const wasIf = (was: boolean) => (was ? { was: true as const } : {})

const airAndFlue: StepPart = {
  id: 'air',
  title: 'Fill the condensate trap, look at air and {flue}.',
  short: 'Trap, air, {flue}',
  ticket: 'gas',
  why: 'A dry trap lets burnt gas into the room; sealed combustion takes its air from outside.',
  guards: [
    seen('trap', 'Condensate trap filled, its pipe falling, or none on this type'),
    seen('air', 'Air comes from outside as its maker asks; nothing stands before the terminal'),
  ],
}

const rise = (job: SequenceJob, id: string): StepPart => {
  const output_W = applianceOf(job.document, id).output_W?.value
  return {
    id: 'rise',
    title: 'Draw its rated flow: read the rise.',
    short: 'Rise at its flow',
    why: 'Power is flow times rise: less than its plate means gas, scale or a setting.',
    guards: [
      seen('least', 'Lit at the least flow its maker gives, and stayed lit'),
      seen('steady', 'Flow steady, rise read between cold in and hot out'),
    ],
    reading: {
      label: 'Heat given: flow times rise',
      measure: 'power',
      ...(output_W === undefined ? {} : { target: output_W, least: output_W * least }),
      limitSays: 'nine tenths of the output on its plate (common practice, no source)',
      symptom: 'gas-sags',
    },
  }
}

/** Less than this of its plate asks for the cause: common practice, no source. */
const least = 0.9

/** A heater that heats what is drawn. */
export const instantaneous: SequenceSpec = {
  id: 'instantaneous',
  name: ({ document }, id) => `Fill and light ${applianceOf(document, id).name}`,
  at: ({ document }) => started(document, ['instantaneous-heater']).map(({ id }) => id),
  plant: (job, id) => ({
    wet: [{ of: id, ...(isDosed(job) ? { dosed: true } : {}) }],
    burning: [{ of: id }],
  }),
  steps: (job, id) => {
    const was = isOnlyOne(job.document, id)
    const rated = applianceOf(job.document, id).maxWorkingGauge_Pa?.value
    return [
      shutOff(job, id, was),
      ...potableFill(
        {
          of: id,
          rating: 'Tag is at or below the heater’s rating, or its maker asks for none',
          mostGauge_Pa: rated === undefined ? undefined : rated * 0.8,
          was,
        },
        job,
      ),
      airAndFlue,
      gasIn(id, was),
      firstFlame(id, was),
      ...atBurner(id, was),
      {
        id: 'flue',
        ...wasIf(was),
        title: 'Prove the combustion at both rates.',
        short: 'Combustion',
        ticket: 'gas',
        why: "A combustion reading is the one most often missing from the record. Hold it against the maker's figures for this model and gas.",
        hazard: 'CO. Over the limit it is turned off and stays off.',
        guards: [
          tested('combustion-high', id, 'Flue gas at the highest rate'),
          tested('combustion-low', id, 'Flue gas at the lowest rate'),
          ...(mayDraw(job)
            ? [tested('spillage', id, 'Smoke drawn in at the hood, or no hood on this type')]
            : []),
        ],
      },
      rise(job, id),
      ...hotAtTaps(job, was),
    ]
  },
}

import { boilersStarted, fillsHeating } from '../asked'
import { scald } from '../common'
import { is } from '../plant'
import type { SequenceJob, SequenceSpec, StepPart } from '../step'
import { seen, stands } from '../step'

const hottest = ({ practice, targets: t }: SequenceJob): StepPart => ({
  id: 'hot',
  was: true,
  title: 'Watch the first heat cycle to its top.',
  short: 'Hot maximum',
  why: `This is the pressure the ${practice.words.vessel} was designed for. Over it, the charge, the fill or the content is not what was thought.`,
  hazard: scald(practice),
  guards: [
    stands('The circuit is heated', is('heat', 'heating', 'hot')),
    seen('at-top', 'Flow at its highest setting'),
    seen('relief-dry', `${capital(practice.words.reliefValve)} dry throughout`),
  ],
  reading: {
    label: 'Hot, at the fill point, gauge',
    measure: 'water-pressure',
    ...(t.hotGauge_Pa === undefined ? {} : { target: t.hotGauge_Pa }),
    ...(t.finalGauge_Pa === undefined ? {} : { most: t.finalGauge_Pa }),
    limitSays: 'the final pressure of the design',
    symptom: 'pressure-races-up',
  },
})

const difference: StepPart = {
  id: 'difference',
  title: 'Read flow and return.',
  short: 'Flow less return',
  why: 'Nearly alike, the pump is too strong or a bypass is open; far apart, something holds the flow back.',
  guards: [seen('steady', 'Steady for five minutes')],
  hold_s: 300,
  reading: {
    label: 'Flow less return',
    measure: 'temperature-difference',
    limitSays: 'no limit: it is held against the design by eye',
  },
}

/** From cold to the top once, held against the forecast. */
export const firstHeat: SequenceSpec = {
  id: 'first-heat',
  name: () => 'First heat cycle',
  at: ({ document }) => (fillsHeating(document) && boilersStarted(document).length > 0 ? [''] : []),
  plant: () => ({ wet: [], burning: [] }),
  steps: (job) => [hottest(job), difference],
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

import { answerOf } from '../../answer/sheet'
import type { Source } from '../../answer/sources'
import { fitted } from '../../job/asked'
import { burnsGas } from '../../job/fields'
import { stored } from '../../job/hotWaterHeater'
import { inWords } from '../../job/questions'
import type { Show } from '../../units/format'
import type { Solution } from '../solve'

/** Something that is looked at again: how often, what it is held against, and by whom. */
export interface ServiceItem {
  readonly what: string
  readonly months: number
  /** What it should be, from the design; empty where a look is enough. */
  readonly against: string
  readonly who: 'householder' | 'engineer'
  readonly source: Source
}

const usual: Source = {
  basis: 'common-practice',
  says: 'Common practice: the maker’s manual may ask for it sooner',
}

/** What is due at which interval, from what is fitted here. */
export function servicePlan(solution: Solution, show: Show): readonly ServiceItem[] {
  const { document, practice } = solution
  const here = fitted(document.appliances)
  const burns = here.filter(({ kind }) => burnsGas(kind) || kind === 'solid-fuel-boiler')
  const kept = here.filter(
    ({ kind }) => (stored as readonly string[]).includes(kind) && kind !== 'instantaneous-heater',
  )
  return [
    ...(burns.length > 0 ? ofBurning(burns.map(({ name }) => name)) : []),
    ...ofHeating(solution, show),
    ...(kept.length > 0
      ? ofStore(
          solution,
          kept.map(({ name }) => name),
          show,
        )
      : []),
  ].map((item) => ({
    ...item,
    what: inWords(item.what, practice.words),
    against: inWords(item.against, practice.words),
  }))
}

const ofBurning = (names: readonly string[]): readonly ServiceItem[] => [
  {
    what: 'Press the test button of the carbon monoxide alarm',
    months: 1,
    against: 'it sounds',
    who: 'householder',
    source: usual,
  },
  {
    what: `Combustion, gas pressure with everything on, flue and air of ${names.join(', ')}`,
    months: 12,
    against: 'the readings of the commissioning record',
    who: 'engineer',
    source: usual,
  },
]

const preventerTested: ServiceItem = {
  what: 'Backflow preventer of the make-up tested by whoever the water company accepts for it',
  months: 12,
  against: 'the report of its first test',
  who: 'engineer',
  source: {
    basis: 'common-practice',
    says: 'Common practice: once a year, as remembered; the water company’s rules say how often',
  },
}

function ofHeating({ document, vessel }: Solution, show: Show): readonly ServiceItem[] {
  const v = answerOf(vessel)
  if (!document.heating) return []
  return [
    {
      what: 'Read the gauge with the heating cold',
      months: 1,
      against: v ? `about ${show(v.fillGauge_Pa, 'water-pressure')}` : 'not worked out yet',
      who: 'householder',
      source: usual,
    },
    {
      what: 'Charge of the {vessel}, with its water side empty',
      months: 12,
      against: v ? show(v.need.chargeGauge_Pa, 'water-pressure') : 'not worked out yet',
      who: 'engineer',
      source: usual,
    },
    {
      what: '{reliefValve}: discharge free, no trace of water; lifted or left alone as the school of this job says',
      months: 12,
      against: v ? `set ${show(v.inputs.reliefSetGauge_Pa, 'water-pressure')}` : '',
      who: 'engineer',
      source: usual,
    },
    {
      what: 'Filter and strainer; inhibitor or glycol measured',
      months: 12,
      against: 'the dose of the commissioning record',
      who: 'engineer',
      source: usual,
    },
    ...(document.water.makeUp.device === 'backflow-preventer' ? [preventerTested] : []),
  ]
}

function ofStore(
  { safety, practice }: Solution,
  names: readonly string[],
  show: Show,
): readonly ServiceItem[] {
  const a = answerOf(safety)
  const { reliefEased_months, reliefEasedSource } = practice.handover
  return [
    {
      what: `{temperatureRelief} of ${names.join(', ')}: eased as its maker says, discharge free`,
      months: reliefEased_months,
      against: a
        ? `${show(a.temperatureReliefGauge_Pa, 'water-pressure')}, ${show(a.temperatureReliefTemp_K, 'temperature')}`
        : '',
      who: 'engineer',
      source: reliefEasedSource,
    },
    {
      what: `Anode and scale of ${names.join(', ')}`,
      months: 12,
      against: 'the maker’s manual',
      who: 'engineer',
      source: usual,
    },
    ...(a?.vesselWanted
      ? [
          {
            what: 'Charge of the {vessel} on the hot water, with its water side empty',
            months: 12,
            against: show(a.chargeGauge_Pa, 'water-pressure'),
            who: 'engineer' as const,
            source: usual,
          },
        ]
      : []),
  ]
}

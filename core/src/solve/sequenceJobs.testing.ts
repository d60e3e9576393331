import type { Appliance, ApplianceKind, JobDocument } from '../job/document'
import { blankAppliance, blankPart } from '../job/document'
import { blankHotWater } from '../job/hotWaterDocument'
import type { ExchangedPart, WorkKindId } from '../job/workDocument'
import { blankExchange, exchangedParts } from '../job/workDocument'
import type { PartKind } from '../job/surveyDocument'
import { practiceNames } from '../practice/practiceNames'
import type { PracticeName } from '../practice/practiceNames'
import { house, read } from './house.testing'

/** Jobs of every kind of work, made up, one for each thing that its sequences hang on. */

const heater = (id: string, kind: ApplianceKind, name: string): Appliance => ({
  ...blankAppliance({ id, kind, name }),
  input_W: read(24000),
  output_W: read(21000),
  maxWorkingGauge_Pa: read(10e5),
  water_m3: read(0.15),
  minInletGauge_Pa: read(1700),
  maxInletGauge_Pa: read(5000),
  maxTestGauge_Pa: read(5000),
})

const withWork = (job: JobDocument, ...kinds: readonly WorkKindId[]): JobDocument => ({
  ...job,
  work: { ...job.work, kinds: [...kinds] },
})

/** The house with something that makes hot water beside its boiler. */
const withStore = (
  practice: PracticeName,
  kind: ApplianceKind,
  ...kinds: readonly WorkKindId[]
): JobDocument => {
  const job = house(practice)
  return withWork(
    {
      ...job,
      hotWater: blankHotWater,
      appliances: [...job.appliances, heater('store', kind, 'Store')],
    },
    ...kinds,
  )
}

/**
 * A house that has hot water from one heater and no heating. The gas tree of the house hangs on it.
 */
const heaterAlone = (
  practice: PracticeName,
  kind: ApplianceKind,
  ...kinds: readonly WorkKindId[]
): JobDocument => {
  const job = house(practice)
  const one = heater('boiler', kind, 'Heater')
  return withWork({ ...job, heating: null, hotWater: blankHotWater, appliances: [one] }, ...kinds)
}

const partKindOf: Readonly<Record<ExchangedPart, PartKind>> = {
  'relief-valve': 'relief-valve',
  'temperature-pressure-valve': 'temperature-pressure-valve',
  'expansion-vessel': 'expansion-vessel',
  'reducing-valve': 'reducing-valve',
  'inlet-group': 'relief-valve',
}

const staying = (job: JobDocument): JobDocument => ({
  ...job,
  appliances: job.appliances.map((one) => ({ ...one, stay: 'stays' })),
})

/** One part exchanged at the boiler, or at a store. */
export function exchangeJob(
  practice: PracticeName,
  part: ExchangedPart,
  at: 'boiler' | 'store',
): JobDocument {
  const job = staying(
    at === 'store' ? withStore(practice, 'electric-storage-heater') : house(practice),
  )
  const row = (id: string, name: string) => ({
    ...blankPart({ id, name, kind: partKindOf[part], circuit: 'heating' as const }),
    setGauge_Pa: read(at === 'store' ? 7e5 : 3e5),
  })
  return withWork(
    {
      ...job,
      parts: [row('old', 'Old part'), { ...row('new', 'New part'), stay: 'new' }],
      work: {
        kinds: [],
        exchange: blankExchange({ part, plantId: at, oldId: 'old', newId: 'new' }),
      },
    },
    'safety-part-exchanged',
  )
}

const twoBoilers = (practice: PracticeName): JobDocument => {
  const job = house(practice)
  const [first] = job.appliances
  if (!first) throw new RangeError('no boiler')
  return { ...job, appliances: [first, { ...first, id: 'second', name: 'Second boiler' }] }
}

const withGlycol = (practice: PracticeName): JobDocument => {
  const job = house(practice)
  if (!job.heating) throw new RangeError('no heating')
  const fluid = { ...job.heating.fluid, kind: 'propylene-glycol' as const, massFraction: read(0.3) }
  return { ...job, heating: { ...job.heating, fluid } }
}

/** Jobs of every kind of work in every practice, by name. */
export const sequenceJobs = (): Readonly<Record<string, JobDocument>> =>
  Object.fromEntries(
    practiceNames.flatMap((practice) =>
      Object.entries({
        'new heating': withWork(house(practice), 'heating-new'),
        'two boilers': twoBoilers(practice),
        glycol: withGlycol(practice),
        'heating and a cylinder': withStore(
          practice,
          'indirect-cylinder',
          'heating-new',
          'stored-hot-water',
        ),
        'boiler exchanged': withWork(house(practice), 'boiler-exchanged'),
        'gas storage heater': heaterAlone(practice, 'storage-heater', 'storage-heater-exchanged'),
        'electric storage heater': heaterAlone(
          practice,
          'electric-storage-heater',
          'storage-heater-exchanged',
        ),
        'heat pump heater': heaterAlone(practice, 'heat-pump-heater', 'storage-heater-exchanged'),
        'instantaneous heater': heaterAlone(
          practice,
          'instantaneous-heater',
          'instantaneous-heater',
        ),
        'burner part': withWork(staying(house(practice)), 'burner-part-exchanged'),
        'pipework restored': withWork(staying(house(practice)), 'pipework-restored'),
        'leak made safe': withWork(staying(house(practice)), 'leak-made-safe'),
        commissioning: withWork(withStore(practice, 'indirect-cylinder'), 'commissioning-only'),
        ...Object.fromEntries(
          exchangedParts.flatMap((part) =>
            (['boiler', 'store'] as const).map((at) => [
              `${part} at the ${at}`,
              exchangeJob(practice, part, at),
            ]),
          ),
        ),
      }).map(([name, job]) => [`${practice}, ${name}`, job]),
    ),
  )

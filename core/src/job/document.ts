import { z } from 'zod'
import { materialNames } from '../gas/pipes'
import { practiceNames } from '../practice/practices'
import { quantityIn } from '../units/format'
import type { Measure } from '../units/measure'
import { ranges } from '../units/measure'
import type { UnitName } from '../units/units'

/** The version that this code writes. Older files are brought forward by `upgradeDocument`. */
export const documentVersion = 1

const siUnits: Partial<Record<(typeof ranges)[Measure]['kind'], UnitName>> = { pressure: 'bar', length: 'm', temperature: 'C', power: 'kW', volume: 'L' }

/** A quantity in SI that the measure allows; its message says what is accepted. */
const quantity = (measure: Measure) => {
  const { kind, hard } = ranges[measure]
  const unit = siUnits[kind]
  const says = unit ? `must be ${quantityIn(hard[0], unit)} to ${quantityIn(hard[1], unit)}` : `must be ${hard[0]} to ${hard[1]}`
  return z.number(`must be a number in SI`).min(hard[0], says).max(hard[1], says)
}

export const siteBases = ['measured', 'read', 'assumed'] as const
export type SiteBasis = (typeof siteBases)[number]

/** A value of the site with how it is known; null while nobody has looked. */
export const known = (measure: Measure) =>
  z.object({
    value: quantity(measure),
    basis: z.enum(siteBases),
    /** Where it came from: `Plate`, `Tape, 12 May`. */
    from: z.string().max(200),
    /** The survey record it was adopted from. */
    recordId: z.string().max(60).optional(),
  }).nullable()

export type Known = z.infer<ReturnType<typeof known>>

const id = z.string().min(1).max(60).regex(/^[\w-]+$/, 'letters, digits, - and _')
const name = z.string().trim().min(1, 'needs a name').max(120, 'at most 120 characters')
const count = z.number().int('must be a whole number').min(0, 'must be 0 or more').max(200, 'at most 200')

export const applianceKinds = ['boiler', 'instantaneous-heater', 'storage-heater', 'indirect-cylinder', 'cooktop', 'other-gas'] as const
export type ApplianceKind = (typeof applianceKinds)[number]

export const Appliance = z.object({
  id, name,
  kind: z.enum(applianceKinds),
  input_W: known('power'),
  /** Whether the plate's input counts the heat of condensation. */
  inputSaid: z.enum(['gross', 'net']),
  output_W: known('power'),
  maxWorkingGauge_Pa: known('water-pressure'),
  water_m3: known('small-volume'),
  builtInVessel_m3: known('small-volume'),
  builtInChargeGauge_Pa: known('water-pressure'),
  minInletGauge_Pa: known('gas-pressure'),
  /** Greatest pressure its gas side may be tested at; above it, it is disconnected and capped. */
  maxTestGauge_Pa: known('gas-pressure'),
})
export type Appliance = z.infer<typeof Appliance>

export const Emitter = z.object({ id, name, zone: z.string().max(80), count, waterEach_m3: known('small-volume') })
export type Emitter = z.infer<typeof Emitter>

export const HeatingPipe = z.object({ id, name, material: z.enum(materialNames), size: z.string().max(20), length_m: known('length') })
export type HeatingPipe = z.infer<typeof HeatingPipe>

export const WeakPart = z.object({ id, name, maxWorkingGauge_Pa: known('water-pressure') })

export const Heating = z.object({
  boilerId: z.string().max(60).nullable(),
  emitters: z.array(Emitter).max(200),
  pipes: z.array(HeatingPipe).max(200),
  reliefSetGauge_Pa: known('water-pressure'),
  /** Parts other than the boiler with a pressure limit. */
  weakParts: z.array(WeakPart).max(50),
  /** Chosen nominal size; null lets Hestian choose. */
  vesselSize_m3: quantity('small-volume').nullable(),
  deliveredChargeGauge_Pa: known('water-pressure'),
  /** Cold fill set by hand; null takes the computed one. */
  fillGauge_Pa: known('water-pressure'),
})
export type Heating = z.infer<typeof Heating>

export const GasSegment = z.object({
  id, name,
  /** `meter` or the id of the segment it leaves from. */
  from: z.string().max(60),
  length_m: known('length'),
  elbows: count,
  branchTees: count,
  material: z.enum(materialNames),
  /** A size of the material's catalogue; null lets Hestian choose. */
  size: z.string().max(20).nullable(),
  applianceId: z.string().max(60).nullable(),
})
export type GasSegment = z.infer<typeof GasSegment>

export const JobDocument = z.object({
  version: z.literal(documentVersion),
  practice: z.enum(practiceNames),
  site: z.object({ name, address: z.string().max(300), notes: z.string().max(2000), seismic: z.boolean() }),
  survey: z.object({
    elevation_m: known('elevation'),
    coldMainStaticGauge_Pa: known('water-pressure'),
    incomingTemp_K: known('temperature'),
    fillTemp_K: known('temperature'),
    maxFlowTemp_K: known('temperature'),
    highLimitTemp_K: known('temperature'),
    topEmitterHeight_m: known('length'),
    gasStaticGauge_Pa: known('gas-pressure'),
    gasWorkingGauge_Pa: known('gas-pressure'),
    /** What was burning while the working pressure was read. */
    gasLoad: z.enum(['full', 'part', 'not-stated']),
    fuel: z.enum(['natural-gas', 'propane']),
    /** The vessel is sized on the higher of flow and limit unless the installer says why not. */
    sizeOn: z.discriminatedUnion('on', [z.object({ on: z.literal('higher') }), z.object({ on: z.literal('flow'), because: z.string().trim().min(3, 'say why').max(300) })]),
  }),
  appliances: z.array(Appliance).max(50),
  /** Null when the job has no heating circuit. */
  heating: Heating.nullable(),
  gas: z.object({ segments: z.array(GasSegment).max(600), meterMaxTestGauge_Pa: known('gas-pressure') }),
})
export type JobDocument = z.infer<typeof JobDocument>

/** A document with a name and a practice and nothing looked at yet. */
export const blankDocument = (site: { readonly name: string; readonly address: string; readonly practice: JobDocument['practice'] }): JobDocument => ({
  version: documentVersion,
  practice: site.practice,
  site: { name: site.name, address: site.address, notes: '', seismic: false },
  survey: {
    elevation_m: null, coldMainStaticGauge_Pa: null, incomingTemp_K: null, fillTemp_K: null, maxFlowTemp_K: null, highLimitTemp_K: null, topEmitterHeight_m: null,
    gasStaticGauge_Pa: null, gasWorkingGauge_Pa: null, gasLoad: 'not-stated', fuel: 'natural-gas', sizeOn: { on: 'higher' },
  },
  appliances: [],
  heating: null,
  gas: { segments: [], meterMaxTestGauge_Pa: null },
})

/** An appliance with nothing read from its plate yet. */
export const blankAppliance = (plate: Pick<Appliance, 'id' | 'name' | 'kind'>): Appliance => ({
  ...plate, input_W: null, inputSaid: 'gross', output_W: null, maxWorkingGauge_Pa: null, water_m3: null, builtInVessel_m3: null, builtInChargeGauge_Pa: null, minInletGauge_Pa: null, maxTestGauge_Pa: null,
})

/** A heating circuit with nothing in it yet. */
export const blankHeating = (boilerId: string | null): Heating => ({
  boilerId, emitters: [], pipes: [], reliefSetGauge_Pa: null, weakParts: [], vesselSize_m3: null, deliveredChargeGauge_Pa: null, fillGauge_Pa: null,
})

import type { Ticket } from '../practice/tickets'
import type { Measure } from '../units/measure'
import type { Appliance, ApplianceKind, JobDocument, Part } from './document'
import type { Known } from './known'
import type { PartKind } from './surveyDocument'

/** A question of the survey: where its answer stands, what it measures, and what it decides. */
export interface Field {
  readonly key: string
  readonly label: string
  readonly measure: Measure
  /** What the answer decides later, shown with the question. */
  readonly why: string
  /** How it is usually found. */
  readonly how: string
}

export type SurveyKey = {
  [K in keyof JobDocument['survey']]: JobDocument['survey'][K] extends Known ? K : never
}[keyof JobDocument['survey']]

const field = (key: SurveyKey, label: string, measure: Measure, how: string, why: string) => ({
  key,
  label,
  measure,
  how,
  why,
})

export const siteFields = [
  field(
    'elevation_m',
    'Site elevation',
    'elevation',
    'Map',
    'Sets the local atmosphere, which every vessel and every gas volume is worked against.',
  ),
  field(
    'topEmitterHeight_m',
    'Highest emitter above fill',
    'length',
    'Tape',
    'Its weight of water is the minimum for the fill and the charge.',
  ),
  field(
    'topOutletHeight_m',
    'Highest outlet above the main',
    'length',
    'Tape',
    'Its weight of water comes off what the main gives.',
  ),
] as const

export const waterFields = [
  field(
    'coldMainStaticGauge_Pa',
    'Cold main, static',
    'water-pressure',
    'Gauge at a tap, all taps shut',
    'The most that can reach the filling connection, and what the heater is protected from.',
  ),
  field(
    'incomingTemp_K',
    'Incoming water',
    'temperature',
    'Thermometer in a running tap',
    'The colder it comes, the more heat the same water needs.',
  ),
  field(
    'incomingColdestTemp_K',
    'Incoming, coldest of the year',
    'temperature',
    'Water company, or last winter',
    'Hot water is designed on it: in late winter the same water needs most heat.',
  ),
  field(
    'incomingWarmestTemp_K',
    'Incoming, warmest of the year',
    'temperature',
    'Water company, or last summer',
    'Shows how much easier a summer day is. Nothing is designed on it.',
  ),
  field(
    'hardness_kg_m3',
    'Hardness',
    'hardness',
    'Drop test, or the water company',
    'Hard water furs plates and coils: softening, and the lower flow temperature.',
  ),
  field(
    'fillTemp_K',
    'Water when filled',
    'temperature',
    'Thermometer, or the incoming water',
    'Expansion is counted from here.',
  ),
  field(
    'maxFlowTemp_K',
    'Maximum flow temperature',
    'temperature',
    'Boiler setting',
    'Expansion is counted up to here, or to the limit if that is higher.',
  ),
  field(
    'highLimitTemp_K',
    'High limit acts at',
    'temperature',
    'Plate or manual',
    'The hottest the water can become before the burner is stopped.',
  ),
] as const

export const gasFields = [
  field(
    'gasStaticGauge_Pa',
    'At the meter, nothing burning',
    'gas-pressure',
    'Gauge at the meter test point',
    'Shows the regulator locks up. The design never starts from it.',
  ),
  field(
    'gasWorkingGauge_Pa',
    'At the meter, working',
    'gas-pressure',
    'Gauge at the meter test point, appliances on',
    'The design starts here: it is what the pipe has to spend.',
  ),
  field(
    'gasMeter_m3_s',
    'Meter is badged for',
    'gas-flow',
    'Badge on the meter',
    'With everything burning it must not be passed.',
  ),
  field(
    'gasDistance_m',
    'Meter to the new appliance',
    'length',
    'Tape, along the pipe',
    'Decides the size of the pipe before it is drawn.',
  ),
] as const

export const placeFields = [
  field(
    'ignitionHeight_m',
    'Flame above the floor',
    'length',
    'Tape, or the drawing in the manual',
    'Vapour of fuel lies low: in a garage an unsealed flame stands up.',
  ),
] as const

export const surveyFields: readonly (Field & { readonly key: SurveyKey })[] = [
  ...siteFields,
  ...waterFields,
  ...gasFields,
  ...placeFields,
]

type PlateKey = { [K in keyof Appliance]: Appliance[K] extends Known ? K : never }[keyof Appliance]

export interface PlateField extends Field {
  readonly key: PlateKey
  readonly kinds: readonly ApplianceKind[]
  /** The design cannot be finished without it. */
  readonly needed: boolean
}

const burns: readonly ApplianceKind[] = [
  'boiler',
  'instantaneous-heater',
  'storage-heater',
  'cooktop',
  'other-gas',
]
const wet: readonly ApplianceKind[] = [
  'boiler',
  'instantaneous-heater',
  'storage-heater',
  'electric-storage-heater',
  'heat-pump-heater',
  'indirect-cylinder',
]

export const plateFields: readonly PlateField[] = [
  {
    key: 'input_W',
    label: 'Heat input',
    measure: 'power',
    how: 'Plate',
    why: 'Every appliance at full input decides the gas pipe.',
    kinds: [...burns, 'electric-storage-heater', 'heat-pump-heater', 'solid-fuel-boiler'],
    needed: true,
  },
  {
    key: 'output_W',
    label: 'Heat output',
    measure: 'power',
    how: 'Plate',
    why: 'What reaches the water; relief capacity is held against it or the input.',
    kinds: ['boiler', 'instantaneous-heater', 'storage-heater'],
    needed: false,
  },
  {
    key: 'maxWorkingGauge_Pa',
    label: 'Maximum working pressure',
    measure: 'water-pressure',
    how: 'Plate',
    why: 'The relief valve may not be set above the weakest part.',
    kinds: wet,
    needed: false,
  },
  {
    key: 'water_m3',
    label: 'Water content',
    measure: 'small-volume',
    how: 'Manual',
    why: 'Counts in the water that expands, or that has to be filled.',
    kinds: wet,
    needed: false,
  },
  {
    key: 'builtInVessel_m3',
    label: 'Built-in vessel',
    measure: 'small-volume',
    how: 'Manual',
    why: 'It counts towards the vessel needed; without it a second one is asked for too early.',
    kinds: ['boiler'],
    needed: false,
  },
  {
    key: 'builtInChargeGauge_Pa',
    label: 'Charge of the built-in vessel',
    measure: 'water-pressure',
    how: 'Gauge, water side empty',
    why: 'A vessel holds water only above its own charge.',
    kinds: ['boiler'],
    needed: false,
  },
  {
    key: 'minInletGauge_Pa',
    label: 'Minimum inlet pressure',
    measure: 'gas-pressure',
    how: 'Plate or manual',
    why: 'The pipe must leave it this much with everything burning.',
    kinds: burns,
    needed: false,
  },
  {
    key: 'maxInletGauge_Pa',
    label: 'Maximum inlet pressure',
    measure: 'gas-pressure',
    how: 'Plate or manual',
    why: 'A gas valve that gets more than it stands may not shut. With everything off the pressure rises to what the regulator locks up at.',
    kinds: burns,
    needed: false,
  },
  {
    key: 'aboveFill_m',
    label: 'Above the fill point',
    measure: 'height',
    how: 'Tape',
    why: 'The water between it and the relief valve comes on top of what the valve is set to.',
    kinds: ['boiler'],
    needed: false,
  },
  {
    key: 'maxTestGauge_Pa',
    label: 'Maximum test pressure, gas side',
    measure: 'gas-pressure',
    how: 'Manual',
    why: 'Above it, it is disconnected and capped before a test, not only shut off.',
    kinds: burns,
    needed: false,
  },
]

/** Names of appliance kinds as a page writes them. */
export const applianceWords: Readonly<Record<ApplianceKind, string>> = {
  boiler: 'Boiler',
  'instantaneous-heater': 'Instantaneous heater',
  'storage-heater': 'Storage heater',
  'electric-storage-heater': 'Electric storage heater',
  'heat-pump-heater': 'Heat pump water heater',
  'indirect-cylinder': 'Indirect cylinder',
  'solid-fuel-boiler': 'Solid fuel boiler',
  'solar-collector': 'Solar collector',
  cooktop: 'Cooktop',
  'other-gas': 'Other gas appliance',
}

export const burnsGas = (kind: ApplianceKind): boolean => burns.includes(kind)

/**
 * The class of gas ticket that work at an appliance needs; what is none of the two goes by that for
 * pipework. Common practice, no source.
 */
export function gasTicketFor(kind: ApplianceKind): Ticket {
  if (kind === 'boiler') return 'gas-boiler'
  return kind === 'instantaneous-heater' || kind === 'storage-heater' ? 'gas-heater' : 'gas'
}

type PartKey = { [K in keyof Part]: Part[K] extends Known ? K : never }[keyof Part]

/** What is read from the tag of a vessel or valve. */
export const partFields: readonly (Field & {
  readonly key: PartKey
  readonly kinds: readonly PartKind[]
})[] = [
  {
    key: 'setGauge_Pa',
    label: 'Set pressure',
    measure: 'water-pressure',
    how: 'Tag',
    why: 'No part behind it may be weaker.',
    kinds: ['relief-valve', 'temperature-pressure-valve', 'reducing-valve'],
  },
  {
    key: 'openTemp_K',
    label: 'Opening temperature',
    measure: 'temperature',
    how: 'Tag',
    why: 'It must open before the water can boil.',
    kinds: ['temperature-pressure-valve'],
  },
  {
    key: 'capacity_W',
    label: 'Capacity',
    measure: 'power',
    how: 'Tag',
    why: 'It must carry away more than the burner puts in.',
    kinds: ['relief-valve', 'temperature-pressure-valve'],
  },
  {
    key: 'volume_m3',
    label: 'Volume',
    measure: 'small-volume',
    how: 'Label',
    why: 'What it can take in.',
    kinds: ['expansion-vessel'],
  },
  {
    key: 'chargeGauge_Pa',
    label: 'Charge found',
    measure: 'water-pressure',
    how: 'Gauge, water side empty',
    why: 'Lost charge is the commonest reason for a weeping relief.',
    kinds: ['expansion-vessel'],
  },
]

export const partWords: Readonly<Record<PartKind, string>> = {
  'expansion-vessel': '{vessel}',
  'relief-valve': '{reliefValve}',
  'temperature-pressure-valve': '{temperatureRelief}',
  'reducing-valve': '{reducingValve}',
}

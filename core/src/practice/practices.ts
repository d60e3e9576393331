import type { Source } from '../answer/sources'
import { sources } from '../answer/sources'
import type { GasMethod } from '../gas/network'
import type { MaterialName } from '../gas/pipes'
import type { UnitSet } from '../units/measure'
import { inchWater_Pa, psi_Pa } from '../units/units'
import { metricSizes_m3, usSizes_m3 } from '../vessel/catalogue'

export const practiceNames = ['uk-ireland', 'north-america', 'australia-new-zealand'] as const
export type PracticeName = (typeof practiceNames)[number]

/** The trade's words, which differ by place. */
export interface Vocabulary {
  readonly vessel: string
  readonly pump: string
  readonly fillDevice: string
  readonly gasFitter: string
  readonly tap: string
  readonly shutOff: string
  readonly storageHeater: string
  readonly instantaneousHeater: string
  readonly emitter: string
  readonly reliefValve: string
  readonly gasEmergency: string
}

/** Data and rules of one place. A figure whose source is 'assumed' is a setting to confirm locally. */
export interface Practice {
  readonly name: PracticeName
  readonly label: string
  readonly units: UnitSet
  readonly words: Vocabulary
  readonly vessel: {
    readonly method: 'en12828' | 'handbook'
    readonly sizes_m3: readonly number[]
    /** Head over the highest point kept cold. */
    readonly margin_Pa: number
    readonly reliefUsualGauge_Pa: number
    /** Steps that relief valves are sold in, lowest first. */
    readonly reliefSteps_Pa: readonly number[]
    /** Under the relief setting, for the hot pressure; undefined where EN 12828 gives it. */
    readonly reliefMargin_Pa?: number
    /** Fill that feed valves and vessels arrive set to. */
    readonly factoryFillGauge_Pa?: number
    /** How near a cold fill must be to its target. */
    readonly fillTolerance_Pa: number
  }
  readonly gas: {
    readonly method: GasMethod
    readonly allowance_Pa: number
    readonly allowanceSource: Source
    readonly material: MaterialName
    readonly tableCheck: boolean
    readonly altitudeDerates: boolean
    /** What a meter gives at full load when nobody has read it. */
    readonly assumedWorking_Pa: Readonly<Record<'natural-gas' | 'propane', number>>
    readonly assumedWorkingSource: Source
    readonly staticToWorkingLimit_Pa: number
  }
  readonly tightness: {
    readonly pressure: { readonly kind: 'fixed'; readonly gauge_Pa: number } | { readonly kind: 'north-american' } | { readonly kind: 'operating' }
    readonly stabilise_s: number
    readonly stabiliseSource: Source
    readonly test_s: number
    readonly perceptible_Pa: number
    readonly permittedLeak_m3_s: number
    readonly permittedLeakSource: Source
    readonly source: Source
  }
  readonly fillBy: 'filling-link' | 'feed-valve-with-lever'
  readonly unventedTicket: boolean
  readonly vesselRuleNote: string
}

const litresPerHour = (figure: number) => figure / 3.6e6
const metric: UnitSet = {
  'water-pressure': 'bar', 'gas-pressure': 'mbar', length: 'm', elevation: 'm', temperature: 'C', 'temperature-difference': 'K', power: 'kW', volume: 'L', 'small-volume': 'L',
  'water-flow': 'Lmin', 'gas-flow': 'm3h', 'leak-flow': 'Lh', velocity: 'ms', duration: 'min', bore: 'mm', ratio: 'percent', 'heating-value': 'MJm3',
}

export const practices: Readonly<Record<PracticeName, Practice>> = {
  'uk-ireland': {
    name: 'uk-ireland', label: 'UK and Ireland', units: metric,
    words: {
      vessel: 'vessel', pump: 'pump', fillDevice: 'filling link', gasFitter: 'registered gas engineer', tap: 'tap', shutOff: 'stopcock', storageHeater: 'hot water cylinder',
      instantaneousHeater: 'multipoint heater', emitter: 'radiator', reliefValve: 'safety valve', gasEmergency: 'the local gas emergency number',
    },
    vessel: {
      method: 'en12828', sizes_m3: metricSizes_m3, margin_Pa: 30000, reliefUsualGauge_Pa: 3e5, reliefSteps_Pa: [2.5e5, 3e5, 3.5e5, 4e5, 6e5], fillTolerance_Pa: 1e4,
    },
    gas: {
      method: 'darcy', allowance_Pa: 100, allowanceSource: sources.bs6891, material: 'copper-en1057', tableCheck: true, altitudeDerates: false,
      assumedWorking_Pa: { 'natural-gas': 1900, propane: 3700 }, assumedWorkingSource: { basis: 'common-practice', says: 'Common practice: 19 mbar is the least at a natural gas meter under load' },
      staticToWorkingLimit_Pa: 500,
    },
    tightness: {
      pressure: { kind: 'fixed', gauge_Pa: 2000 }, stabilise_s: 60, stabiliseSource: sources.up1, test_s: 120, perceptible_Pa: 25,
      permittedLeak_m3_s: litresPerHour(1.4), permittedLeakSource: sources.up1, source: sources.up1,
    },
    fillBy: 'filling-link', unventedTicket: true,
    vesselRuleNote: 'EN 12828 charges the vessel to the static head plus 0.3 bar and fills a little above it.',
  },
  'north-america': {
    name: 'north-america', label: 'North America',
    units: {
      'water-pressure': 'psi', 'gas-pressure': 'inwc', length: 'ft', elevation: 'ft', temperature: 'F', 'temperature-difference': 'Fdiff', power: 'kBtuH', volume: 'usGal', 'small-volume': 'usGal',
      'water-flow': 'gpm', 'gas-flow': 'cfh', 'leak-flow': 'cfh', velocity: 'fts', duration: 'min', bore: 'in', ratio: 'percent', 'heating-value': 'BtuFt3',
    },
    words: {
      vessel: 'expansion tank', pump: 'circulator', fillDevice: 'feed valve', gasFitter: 'licensed gas fitter', tap: 'faucet', shutOff: 'shutoff', storageHeater: 'water heater',
      instantaneousHeater: 'tankless heater', emitter: 'baseboard', reliefValve: 'relief valve', gasEmergency: 'the local gas emergency number',
    },
    vessel: {
      method: 'handbook', sizes_m3: usSizes_m3, margin_Pa: 4 * psi_Pa, reliefUsualGauge_Pa: 30 * psi_Pa, reliefSteps_Pa: [30, 45, 50, 60, 75].map((psi) => psi * psi_Pa),
      reliefMargin_Pa: 5 * psi_Pa, factoryFillGauge_Pa: 12 * psi_Pa, fillTolerance_Pa: psi_Pa,
    },
    gas: {
      method: 'nfpa54-low', allowance_Pa: 0.5 * inchWater_Pa, allowanceSource: { basis: 'common-practice', says: 'Common practice: 0.5 in wc for low pressure' }, material: 'steel-schedule-40', tableCheck: false, altitudeDerates: true,
      assumedWorking_Pa: { 'natural-gas': 6 * inchWater_Pa, propane: 11 * inchWater_Pa }, assumedWorkingSource: sources.assumedSetting, staticToWorkingLimit_Pa: 2 * inchWater_Pa,
    },
    tightness: {
      pressure: { kind: 'north-american' }, stabilise_s: 300, stabiliseSource: sources.assumedSetting, test_s: 600, perceptible_Pa: 25,
      permittedLeak_m3_s: litresPerHour(1.4), permittedLeakSource: sources.assumedSetting, source: sources.nfpa54Test,
    },
    fillBy: 'feed-valve-with-lever', unventedTicket: false,
    vesselRuleNote: 'The handbook method sets the charge equal to the cold fill: height over 2.31 plus 4 psi.',
  },
  'australia-new-zealand': {
    name: 'australia-new-zealand', label: 'Australia and New Zealand',
    units: { ...metric, 'water-pressure': 'kPa', 'gas-pressure': 'kPa', power: 'MJh' },
    words: {
      vessel: 'expansion vessel', pump: 'pump', fillDevice: 'filling valve', gasFitter: 'licensed gasfitter', tap: 'tap', shutOff: 'isolating valve', storageHeater: 'storage water heater',
      instantaneousHeater: 'continuous flow heater', emitter: 'panel', reliefValve: 'relief valve', gasEmergency: 'the local gas emergency number',
    },
    vessel: {
      method: 'en12828', sizes_m3: metricSizes_m3, margin_Pa: 30000, reliefUsualGauge_Pa: 3e5, reliefSteps_Pa: [2.5e5, 3e5, 3.5e5, 4e5, 5e5], fillTolerance_Pa: 1e4,
    },
    gas: {
      method: 'darcy', allowance_Pa: 75, allowanceSource: sources.auSetting, material: 'copper-en1057', tableCheck: false, altitudeDerates: false,
      assumedWorking_Pa: { 'natural-gas': 1130, propane: 2750 }, assumedWorkingSource: sources.auSetting, staticToWorkingLimit_Pa: 500,
    },
    tightness: {
      pressure: { kind: 'operating' }, stabilise_s: 300, stabiliseSource: sources.assumedSetting, test_s: 300, perceptible_Pa: 50,
      permittedLeak_m3_s: litresPerHour(1.4), permittedLeakSource: sources.assumedSetting, source: sources.trade,
    },
    fillBy: 'filling-link', unventedTicket: false,
    vesselRuleNote: 'The EN 12828 method is used here as a setting: check the local code.',
  },
}

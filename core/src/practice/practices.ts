import type { Source } from '../answer/sources'
import { sources } from '../answer/sources'
import type { LowGasMethod } from '../methods/gas/network'
import type { MaterialName } from '../methods/materials/pipes'
import type { InletKind } from '../methods/inlet-group/inletGroup'
import type { UnitSet } from '../units/measure'
import { foot_m, inch_m, inchWater_Pa, psi_Pa, toSi } from '../units/units'
import type { Building } from './buildings'
import type { HandoverRules } from './handoverRules'
import { auHandover, naHandover, ukHandover } from './handoverRules'
import type { PracticeName } from './practiceNames'
import { practiceLabels } from './practiceNames'
import { metricSizes_m3, usSizes_m3 } from '../methods/vessel/catalogue'

/** The trade's words, which differ by place. */
export type Vocabulary = Readonly<Record<string, string>> & {
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
  /** How one leaves a smell of gas, as it is said here. */
  readonly leaveGas: string
  /** What carries burnt gas away. */
  readonly flue: string
  /** What stands under a heater. */
  readonly pan: string
  readonly airGap: string
  readonly lagging: string
  readonly temperatureRelief: string
  readonly reducingValve: string
  /** Gas pressure after the appliance's own valve. */
  readonly burnerPressure: string
}

/** How one stage of a gas supply is tested here. */
export interface StageTest {
  readonly pressure: Practice['tightness']['pressure']
  readonly stabilise_s: number
  readonly test_s: number
  /** A fall that counts as none. */
  readonly perceptible_Pa: number
  readonly permittedLeak_m3_s: number
  readonly source: Source
}

/** Half a division of a spring gauge in tenths of a psi: common practice, no source. */
const halfTenthPsi_Pa = 0.05 * 6894.757293168361

/**
 * Data and rules of one place. A figure whose source is 'assumed' is a setting to confirm locally.
 */
export interface Practice {
  readonly name: PracticeName
  readonly label: string
  readonly units: UnitSet
  readonly words: Vocabulary
  /** Pipe that is sold here; how valves and outlets are named. */
  readonly sold: readonly MaterialName[]
  readonly sizesIn: 'millimetres' | 'inches'
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
    readonly method: LowGasMethod
    readonly allowance_Pa: number
    readonly allowanceSource: Source
    readonly material: MaterialName
    readonly tableCheck: boolean
    readonly altitudeDerates: boolean
    /** Greatest speed of the gas in a pipe. */
    readonly velocityMost_m_s: number
    readonly velocitySource: Source
    /** Whether a sediment trap stands before each appliance. */
    readonly trapWanted: boolean
    readonly trapSource: Source
    /** Bond of the installation pipe to earth. */
    readonly bondSource: Source
    /** What a meter gives at full load when nobody has read it. */
    readonly assumedWorking_Pa: Readonly<Record<'natural-gas' | 'propane', number>>
    readonly assumedWorkingSource: Source
    readonly staticToWorkingLimit_Pa: number
    /**
     * What a meter or container regulator gives with everything on, least and most, by fuel; gauge.
     */
    readonly supplyBand_Pa: Readonly<Record<'natural-gas' | 'propane', readonly [number, number]>>
    readonly supplyBandSource: Source
    /** What an appliance for propane in a cellar, a pit or under a floor is. */
    readonly propaneLow: 'stop' | 'note'
    /** What a net input is multiplied by, in words. */
    readonly netToGross: string
  }
  readonly tightness: {
    readonly pressure:
      | { readonly kind: 'fixed'; readonly gauge_Pa: number }
      | { readonly kind: 'north-american' }
      | { readonly kind: 'operating' }
    readonly stabilise_s: number
    readonly stabiliseSource: Source
    readonly test_s: number
    readonly perceptible_Pa: number
    readonly permittedLeak_m3_s: number
    readonly permittedLeakSource: Source
    readonly source: Source
    /** What meter and regulator of a house usually hold, m³: it counts in the volume under test. */
    readonly meter_m3: number
    readonly meterSource: Source
    /** Where the procedure for houses ends; past it another one is wanted. */
    readonly domestic?: {
      readonly volume_m3: number
      readonly meter_m3_s: number
      readonly source: Source
    }
    /** What is another thing with propane. */
    readonly propane: StageTest
    /**
     * Tests of the stages before the last, which the bench makes stage by stage: pressure from the
     * working pressure of the stage.
     */
    readonly elevated: StageTest
    /**
     * New pipe with air before its tightness test, where that is a test of its own: the permitted
     * fall is a share of the pressure.
     */
    readonly strength?: {
      readonly least_Pa: number
      readonly factor: number
      readonly stabilise_s: number
      readonly test_s: number
      readonly fallRatio: number
      readonly perceptible_Pa: number
      readonly source: Source
    }
    /** Pipe that was here, natural gas, with meter and appliances: where it may show a fall. */
    readonly existing?: {
      readonly gauge_Pa: number
      readonly stabilise_s: number
      readonly test_s: number
      readonly source: Source
    }
    /** Let-by of the valve at the meter: from such a low pressure, watched for so long. */
    readonly letBy?: { readonly gauge_Pa: readonly [number, number]; readonly test_s: number }
    /** Smallest step that a digital gauge usually shows here, as one types it. */
    readonly usualStep: string
    /** What is done by hand before, and is no part of the sheet. */
    readonly beforehand?: string
  }
  readonly survey: {
    /** Static pressure past which a reducing valve is wanted. */
    readonly staticLimitGauge_Pa: number
    readonly staticLimitSource: Source
    /** Height of an unsealed flame above a garage floor. */
    readonly garageFlame_m: number
  }
  readonly hotWater: {
    readonly storeTemp_K: number
    /** Hotter than this at an outlet is mixed down. */
    readonly safeOutletTemp_K: number
    readonly safeOutletSource: Source
    /** Where the rule for a use of building is another. */
    readonly safeOutletIn?: Readonly<
      Partial<Record<Building, { readonly temp_K: number; readonly source: Source }>>
    >
    /** What holds where the building was consented before the rule of today, as it is asked. */
    readonly olderConsent?: {
      readonly asks: string
      readonly temp_K: number
      readonly source: Source
    }
    /** Uses of building where mixing may be left out by a signature; nowhere else. */
    readonly mixingRefusedIn: readonly Building[]
    readonly mixedTemp_K: number
    readonly demand: 'hunter' | 'loading-units'
    readonly demandSource: Source
    readonly wantedGauge_Pa: number
    readonly flowTemp_K: number
    /** What a store set cool enough for bacteria counts as. */
    readonly coolStore: 'fix' | 'note'
    /** Hottest reading at a tap that the commissioning of a heater accepts. */
    readonly tapMost_K: number
    /** Pipe that a store's cold feed is sketched in. */
    readonly feedMaterial: MaterialName
  }
  readonly water: {
    readonly material: MaterialName
    readonly coldMost_m_s: number
    readonly hotMost_m_s: number
    /** Smallest bore that a free size may be. */
    readonly leastBore_m: number
    readonly velocitySource: Source
    /** Hot within this at an outlet. */
    readonly waitMost_s: number
    readonly waitSource: Source
    /** Hot water that may stand in the branch of an outlet. */
    readonly standingMost_m3: number
    /** Coolest that a secondary return may come back; undefined where the practice has none. */
    readonly returnLeast_K?: number
    readonly standingSource: Source
  }
  readonly circuit: {
    /** Flow less return where a zone says nothing. */
    readonly difference_K: number
    readonly velocityMost_m_s: number
    readonly gradientMost_Pa_m: number
  }
  readonly safety: {
    /** What a reducing valve for a store is set to. */
    readonly reducingGauge_Pa: number
    /**
     * Where the pressure after it should not pass, gauge: the vessel is sized to it; undefined
     * takes it from the expansion relief.
     */
    readonly maxGauge_Pa?: number
    readonly expansionReliefGauge_Pa?: number
    readonly temperatureReliefGauge_Pa: number
    readonly temperatureReliefTemp_K: number
    /** Hottest that the cut-out may act at. */
    readonly cutOutMost_K: number
    /**
     * An expansion valve on the cold feed lets out what the water grows by, and no vessel is
     * needed.
     */
    readonly expansionValveStandsIn: boolean
    /** Parts that the cold feed of a store is to have. */
    readonly inlet: readonly InletKind[]
    readonly source: Source
  }
  readonly relief: {
    /** What the capacity is held against. */
    readonly protects: 'input' | 'output'
    readonly protectsSource: Source
    readonly discharge: {
      readonly tundish: 'wanted' | 'may'
      readonly table: 'approved-g' | 'full-size'
      /** Valve to tundish, and the straight drop after it. */
      readonly d1Most_m: number
      readonly dropLeast_m: number
      /**
       * Height of an end outdoors above the ground, behind a guard, where the practice has it low;
       * else by the school.
       */
      readonly endOutside_m?: readonly [number, number]
      readonly source: Source
    }
  }
  /**
   * What keeps heating water out of the drinking water: in a dwelling with treated water, and where
   * it is fouler or not a dwelling.
   */
  readonly makeUp: {
    readonly home: 'double-check' | 'disconnected-link' | 'backflow-preventer'
    readonly foul: 'backflow-preventer'
    readonly source: Source
  }
  /** How flue gas is judged. */
  readonly flueGas: {
    /** Oxygen in air, as it is counted here. */
    readonly airOxygen: number
    readonly limits: {
      /** CO over CO2 from which it is not handed over, and from which it is turned off. */
      readonly commission?: number
      readonly action?: number
      /** Most CO without excess air. */
      readonly airFree?: number
    }
    readonly source: Source
  }
  /** How new pipes are tested with water before they are hidden. */
  readonly waterTest: {
    /** Over the working pressure, and at least so much; gauge. */
    readonly factor: number
    readonly least_Pa: number
    readonly metal_s: number
    readonly source: Source
  }
  /**
   * How new drinking-water pipe is disinfected: what is reached at the farthest outlet, for how
   * long, what is left then, what may be drunk.
   */
  readonly disinfection: {
    readonly dose_kg_m3: number
    readonly hold_s: number
    readonly left_kg_m3: number
    readonly drink_kg_m3: number
    readonly source: Source
  }
  /**
   * How a gas pipe is purged: of its volume, to so much gas at the outlet; at a burner only to such
   * a volume.
   */
  readonly purge: {
    readonly factor: number
    readonly burnerMost_m3: number
    readonly leastGas: number
    readonly source: Source
  }
  /** What is handed over at the end, and what it is called. */
  readonly handover: HandoverRules
  readonly fillBy: 'filling-link' | 'feed-valve-with-lever'
  readonly unventedTicket: boolean
  readonly vesselRuleNote: string
}

const litresPerHour = (figure: number) => figure / 3.6e6
const metric: UnitSet = {
  'water-pressure': 'bar',
  'gas-pressure': 'mbar',
  length: 'm',
  elevation: 'm',
  height: 'm',
  temperature: 'C',
  'temperature-difference': 'K',
  power: 'kW',
  'small-power': 'W',
  volume: 'L',
  'small-volume': 'L',
  'water-flow': 'Lmin',
  'gas-flow': 'm3h',
  'leak-flow': 'Lh',
  'mass-flow': 'kgh',
  velocity: 'ms',
  duration: 'min',
  seconds: 's',
  bore: 'mm',
  ratio: 'percent',
  'co-share': 'ppmV',
  'heating-value': 'MJm3',
  area: 'm2',
  hardness: 'mgL',
  concentration: 'mgL',
}

const auWarm: Source = {
  basis: 'from-memory',
  says: 'AS/NZS 3500.4: 45 °C in early childhood, schools, aged and health care, as remembered; in New Zealand by date of consent: check the current edition',
}

export const practices: Readonly<Record<PracticeName, Practice>> = {
  'uk-ireland': {
    name: 'uk-ireland',
    label: practiceLabels['uk-ireland'],
    units: metric,
    sold: [
      'copper-en1057',
      'steel-schedule-40',
      'stainless-corrugated',
      'polyethylene-sdr11',
      'multilayer',
      'pex-s5',
    ],
    sizesIn: 'millimetres',
    words: {
      vessel: 'vessel',
      pump: 'pump',
      fillDevice: 'filling link',
      gasFitter: 'registered gas engineer',
      tap: 'tap',
      shutOff: 'stopcock',
      storageHeater: 'hot water cylinder',
      instantaneousHeater: 'multipoint heater',
      emitter: 'radiator',
      reliefValve: 'safety valve',
      gasEmergency: 'the local gas emergency number',
      leaveGas: 'open doors and windows on the way and leave',
      flue: 'flue',
      pan: 'drip tray',
      airGap: 'tundish',
      lagging: 'lagging',
      temperatureRelief: 'temperature and pressure relief valve',
      reducingValve: 'pressure reducing valve',
      burnerPressure: 'burner pressure',
    },
    vessel: {
      method: 'en12828',
      sizes_m3: metricSizes_m3,
      margin_Pa: 30000,
      reliefUsualGauge_Pa: 3e5,
      reliefSteps_Pa: [2.5e5, 3e5, 3.5e5, 4e5, 6e5],
      fillTolerance_Pa: 1e4,
    },
    gas: {
      method: 'darcy',
      allowance_Pa: 100,
      allowanceSource: sources.bs6891,
      material: 'copper-en1057',
      tableCheck: true,
      altitudeDerates: false,
      velocityMost_m_s: 20,
      velocitySource: sources.gasVelocity,
      trapWanted: false,
      trapSource: sources.trade,
      bondSource: {
        basis: 'from-memory',
        says: 'BS 7671, main protective bonding within 600 mm of the meter, as remembered: check the current edition',
      },
      assumedWorking_Pa: { 'natural-gas': 1900, propane: 3700 },
      assumedWorkingSource: {
        basis: 'common-practice',
        says: 'Common practice: 19 mbar is the minimum at a natural gas meter under load',
      },
      staticToWorkingLimit_Pa: 500,
      supplyBand_Pa: { 'natural-gas': [1900, 2300], propane: [3200, 4500] },
      supplyBandSource: sources.meterRange,
      propaneLow: 'stop',
      netToGross: '1.11 for natural gas',
    },
    tightness: {
      pressure: { kind: 'fixed', gauge_Pa: 2000 },
      stabilise_s: 60,
      stabiliseSource: sources.up1,
      test_s: 120,
      perceptible_Pa: 25,
      permittedLeak_m3_s: litresPerHour(1.4),
      permittedLeakSource: sources.up1,
      usualStep: '0.1 mbar',
      letBy: { gauge_Pa: [700, 1000], test_s: 60 },
      strength: {
        least_Pa: 8250,
        factor: 1.5,
        stabilise_s: 300,
        test_s: 300,
        fallRatio: 0.2,
        perceptible_Pa: 25,
        source: {
          basis: 'from-memory',
          says: 'IGE/UP/1A: 82.5 mbar of air, five minutes to settle and five of test, a fall of a fifth, as remembered: check the current edition',
        },
      },
      existing: { gauge_Pa: 2000, stabilise_s: 60, test_s: 120, source: sources.up1 },
      beforehand:
        'Let-by of the meter valve is proved first, at low pressure: it stands under Tests by hand.',
      source: sources.up1,
      meter_m3: 0.008,
      meterSource: {
        basis: 'from-memory',
        says: 'A G4 or U6 meter holds about 8 L, as remembered: check the current edition',
      },
      domestic: {
        volume_m3: 0.035,
        meter_m3_s: 16 / 3600,
        source: {
          basis: 'from-memory',
          says: 'IGE/UP/1B: houses to 0.035 m³ and a meter of 16 m³/h, as remembered: check the current edition',
        },
      },
      propane: {
        pressure: { kind: 'fixed', gauge_Pa: 3000 },
        stabilise_s: 300,
        test_s: 120,
        perceptible_Pa: 25,
        permittedLeak_m3_s: litresPerHour(0.6),
        source: {
          basis: 'from-memory',
          says: 'UK propane in houses: 30 mbar, no fall in two minutes; the leak in proportion to the lower limit of flammability, as remembered: check the current edition',
        },
      },
      elevated: {
        pressure: { kind: 'operating' },
        stabilise_s: 900,
        test_s: 900,
        perceptible_Pa: 50,
        permittedLeak_m3_s: litresPerHour(1.4),
        source: {
          basis: 'from-memory',
          says: 'IGE/UP/1: each stage at its operating pressure, as remembered: check the current edition',
        },
      },
    },
    survey: {
      staticLimitGauge_Pa: 5.5e5,
      staticLimitSource: sources.streetPressure,
      garageFlame_m: 0.457,
    },
    hotWater: {
      storeTemp_K: 333.15,
      safeOutletTemp_K: 321.15,
      safeOutletSource: {
        basis: 'from-memory',
        says: 'UK practice: 48 °C at a bath, as remembered: check the current edition',
      },
      safeOutletIn: {
        care: {
          temp_K: 317.15,
          source: {
            basis: 'from-memory',
            says: 'UK care premises: 44 °C at a bath, less at basin and shower, as remembered: check the current guidance',
          },
        },
      },
      mixingRefusedIn: ['dwelling', 'other'],
      mixedTemp_K: 313.15,
      demand: 'loading-units',
      demandSource: sources.en806Units,
      wantedGauge_Pa: 1e5,
      flowTemp_K: 348.15,
      coolStore: 'fix',
      tapMost_K: 321.15,
      feedMaterial: 'copper-en1057',
    },
    water: {
      material: 'copper-en1057',
      coldMost_m_s: 2,
      hotMost_m_s: 2,
      leastBore_m: 0.012,
      velocitySource: sources.waterVelocity,
      waitMost_s: 30,
      waitSource: sources.en806Wait,
      standingMost_m3: 0.003,
      returnLeast_K: 323.15,
      standingSource: {
        basis: 'from-memory',
        says: 'DVGW W 551: 3 L in a branch; UK guidance: 50 °C at the return, as remembered: check the current edition',
      },
    },
    circuit: { difference_K: 20, velocityMost_m_s: 1, gradientMost_Pa_m: 300 },
    safety: {
      reducingGauge_Pa: 3e5,
      expansionReliefGauge_Pa: 6e5,
      temperatureReliefGauge_Pa: 7e5,
      temperatureReliefTemp_K: 368.15,
      cutOutMost_K: 363.15,
      expansionValveStandsIn: false,
      inlet: [
        'stop-valve',
        'strainer',
        'reducing-valve',
        'check-valve',
        'vessel',
        'expansion-relief',
      ],
      source: sources.unventedLimits,
    },
    relief: {
      protects: 'output',
      protectsSource: sources.membraneTable,
      discharge: {
        tundish: 'wanted',
        table: 'approved-g',
        d1Most_m: 0.6,
        dropLeast_m: 0.3,
        endOutside_m: [0, 0.1],
        source: sources.approvedGRules,
      },
    },
    makeUp: {
      home: 'disconnected-link',
      foul: 'backflow-preventer',
      source: {
        basis: 'from-memory',
        says: 'UK water regulations, fluid category 3 in a house and 4 elsewhere, as remembered: check the current edition',
      },
    },
    flueGas: {
      airOxygen: 0.2095,
      limits: { commission: 0.004, action: 0.008 },
      source: {
        basis: 'from-memory',
        says: 'BS 7967: CO over CO2 under 0.004 at commissioning, 0.008 for action, as remembered: check the current edition',
      },
    },
    disinfection: {
      dose_kg_m3: 0.05,
      hold_s: 3600,
      left_kg_m3: 0.03,
      drink_kg_m3: 0.0005,
      source: {
        basis: 'from-memory',
        says: 'BS 8558 and EN 806-4: 50 mg/L free chlorine for an hour, 30 mg/L left, flushed to what the main has (0.5 mg/L), as remembered: check the current edition and the maker’s',
      },
    },
    waterTest: {
      factor: 1.5,
      least_Pa: 0,
      metal_s: 3600,
      source: {
        basis: 'from-memory',
        says: 'BS 8558 and Water Regulations guidance: 1.5 times the maximum working pressure, an hour for metal; EN 806-4 procedure B for plastics, as remembered: check the current edition and the pipe maker’s',
      },
    },
    purge: {
      factor: 1.5,
      burnerMost_m3: 0.035,
      leastGas: 0.9,
      source: {
        basis: 'from-memory',
        says: 'IGEM/UP/1B: one and a half times what the installation holds, at a burner in houses to 0.035 m³; outdoors to nine tenths of gas, as remembered: check the current edition',
      },
    },
    handover: ukHandover,
    fillBy: 'filling-link',
    unventedTicket: true,
    vesselRuleNote:
      'EN 12828 charges the vessel to the static head plus 0.3 bar and fills a little above it.',
  },
  'north-america': {
    name: 'north-america',
    label: practiceLabels['north-america'],
    units: {
      'water-pressure': 'psi',
      'gas-pressure': 'inwc',
      length: 'ft',
      elevation: 'ft',
      height: 'ft',
      temperature: 'F',
      'temperature-difference': 'Fdiff',
      power: 'kBtuH',
      'small-power': 'BtuH',
      volume: 'usGal',
      'small-volume': 'usGal',
      'water-flow': 'gpm',
      'gas-flow': 'cfh',
      'leak-flow': 'cfh',
      'mass-flow': 'lbh',
      velocity: 'fts',
      duration: 'min',
      seconds: 's',
      bore: 'in',
      ratio: 'percent',
      'co-share': 'ppmV',
      'heating-value': 'BtuFt3',
      area: 'ft2',
      hardness: 'gpg',
      concentration: 'mgL',
    },
    sold: [
      'steel-schedule-40',
      'copper-type-k',
      'copper-type-l',
      'stainless-corrugated',
      'polyethylene-sdr11',
      'pex-sdr9',
    ],
    sizesIn: 'inches',
    words: {
      vessel: 'expansion tank',
      pump: 'circulator',
      fillDevice: 'feed valve',
      gasFitter: 'licensed gas fitter',
      tap: 'faucet',
      shutOff: 'shutoff',
      storageHeater: 'water heater',
      instantaneousHeater: 'tankless heater',
      emitter: 'baseboard',
      reliefValve: 'relief valve',
      gasEmergency: 'the local gas emergency number',
      leaveGas: 'leave at once',
      flue: 'vent',
      pan: 'drain pan',
      airGap: 'air-gap funnel',
      lagging: 'insulation',
      temperatureRelief: 'T&P valve',
      reducingValve: 'pressure reducing valve',
      burnerPressure: 'manifold pressure',
    },
    vessel: {
      method: 'handbook',
      sizes_m3: usSizes_m3,
      margin_Pa: 4 * psi_Pa,
      reliefUsualGauge_Pa: 30 * psi_Pa,
      reliefSteps_Pa: [30, 45, 50, 60, 75].map((psi) => psi * psi_Pa),
      reliefMargin_Pa: 5 * psi_Pa,
      factoryFillGauge_Pa: 12 * psi_Pa,
      fillTolerance_Pa: psi_Pa,
    },
    gas: {
      method: 'nfpa54-low',
      allowance_Pa: 0.5 * inchWater_Pa,
      allowanceSource: {
        basis: 'common-practice',
        says: 'Common practice: 0.5 in wc for low pressure',
      },
      material: 'steel-schedule-40',
      tableCheck: false,
      altitudeDerates: true,
      velocityMost_m_s: 20,
      velocitySource: sources.gasVelocity,
      trapWanted: true,
      trapSource: {
        basis: 'from-memory',
        says: 'NFPA 54 / IFGC 408.4, sediment trap as close to the appliance inlet as can be, as remembered: check the current edition',
      },
      bondSource: {
        basis: 'from-memory',
        says: 'NFPA 54 7.12, electrical bonding, as remembered: check the current edition',
      },
      assumedWorking_Pa: { 'natural-gas': 6 * inchWater_Pa, propane: 11 * inchWater_Pa },
      assumedWorkingSource: sources.assumedSetting,
      staticToWorkingLimit_Pa: 2 * inchWater_Pa,
      supplyBand_Pa: {
        'natural-gas': [5 * inchWater_Pa, 14 * inchWater_Pa],
        propane: [10 * inchWater_Pa, 14 * inchWater_Pa],
      },
      supplyBandSource: {
        basis: 'from-memory',
        says: 'Low pressure supply: 5 to 14 in wc for natural gas, 10 to 14 in wc for propane, as remembered: check the gas company’s figure',
      },
      propaneLow: 'note',
      netToGross: 'the ratio',
    },
    tightness: {
      pressure: { kind: 'north-american' },
      stabilise_s: 300,
      stabiliseSource: sources.assumedSetting,
      test_s: 600,
      perceptible_Pa: halfTenthPsi_Pa,
      permittedLeak_m3_s: litresPerHour(1.4),
      permittedLeakSource: sources.assumedSetting,
      usualStep: '0.1 in wc',
      source: sources.nfpa54Test,
      meter_m3: 0.007,
      meterSource: {
        basis: 'from-memory',
        says: 'A diaphragm meter of class 250 holds about a quarter of a cubic foot, as remembered: check the current edition',
      },
      propane: {
        pressure: { kind: 'north-american' },
        stabilise_s: 300,
        test_s: 600,
        perceptible_Pa: 0.4 * halfTenthPsi_Pa,
        permittedLeak_m3_s: litresPerHour(0.6),
        source: {
          basis: 'from-memory',
          says: 'NFPA 58 and 54: each propane stage at 1.5 times its pressure, at least 3 psi; then a leak check at 9 in wc for three minutes, as remembered: check the current edition',
        },
      },
      elevated: {
        pressure: { kind: 'north-american' },
        stabilise_s: 300,
        test_s: 600,
        perceptible_Pa: halfTenthPsi_Pa,
        permittedLeak_m3_s: litresPerHour(1.4),
        source: {
          basis: 'from-memory',
          says: 'NFPA 54: 1.5 times the working pressure of the stage, at least 3 psi, ten minutes, half an hour for each 500 cubic feet begun, as remembered: check the current edition',
        },
      },
    },
    survey: {
      staticLimitGauge_Pa: 80 * psi_Pa,
      staticLimitSource: sources.streetPressure,
      garageFlame_m: 18 * inch_m,
    },
    hotWater: {
      storeTemp_K: toSi(120, 'F'),
      safeOutletTemp_K: toSi(120, 'F'),
      safeOutletSource: {
        basis: 'common-practice',
        says: 'Common practice: 120 °F is the scald caution',
      },
      mixingRefusedIn: ['new-dwelling', 'dwelling', 'other'],
      mixedTemp_K: toSi(105, 'F'),
      demand: 'hunter',
      demandSource: sources.hunter,
      wantedGauge_Pa: 20 * psi_Pa,
      flowTemp_K: toSi(180, 'F'),
      coolStore: 'note',
      tapMost_K: toSi(120, 'F'),
      feedMaterial: 'copper-type-k',
    },
    water: {
      material: 'copper-type-l',
      coldMost_m_s: 8 * foot_m,
      hotMost_m_s: 5 * foot_m,
      leastBore_m: 0.012,
      velocitySource: sources.waterVelocity,
      waitMost_s: 30,
      waitSource: sources.trade,
      standingMost_m3: 0.003,
      standingSource: {
        basis: 'from-memory',
        says: 'DVGW W 551: 3 L in a branch, as remembered; no figure of North America is held here',
      },
    },
    circuit: { difference_K: 20 / 1.8, velocityMost_m_s: 1.22, gradientMost_Pa_m: 392 },
    safety: {
      reducingGauge_Pa: 60 * psi_Pa,
      maxGauge_Pa: 80 * psi_Pa,
      temperatureReliefGauge_Pa: 150 * psi_Pa,
      temperatureReliefTemp_K: toSi(210, 'F'),
      cutOutMost_K: toSi(210, 'F'),
      expansionValveStandsIn: false,
      inlet: ['stop-valve'],
      source: sources.asmeHlw,
    },
    relief: {
      protects: 'input',
      protectsSource: {
        basis: 'common-practice',
        says: 'Common practice: the gross input is the safe side; ASME IV HG-400 holds it against the output',
      },
      discharge: {
        tundish: 'may',
        table: 'full-size',
        d1Most_m: 0.6,
        dropLeast_m: 0.3,
        source: sources.naDischarge,
      },
    },
    makeUp: {
      home: 'double-check',
      foul: 'backflow-preventer',
      source: {
        basis: 'from-memory',
        says: 'Plumbing codes: a vented dual check for plain boiler water, a reduced-pressure preventer for treated water, as remembered: check the current edition',
      },
    },
    flueGas: {
      airOxygen: 0.209,
      limits: { airFree: 400e-6 },
      source: {
        basis: 'from-memory',
        says: 'ANSI Z21: 400 ppm of CO without excess air, as remembered: check the current edition; the maker’s band comes first',
      },
    },
    disinfection: {
      dose_kg_m3: 0.05,
      hold_s: 86_400,
      left_kg_m3: 0.01,
      drink_kg_m3: 0.004,
      source: {
        basis: 'from-memory',
        says: 'Plumbing codes and AWWA C651: 50 ppm for 24 hours, 10 ppm left, flushed to at most 4 ppm, as remembered: check the local code',
      },
    },
    waterTest: {
      factor: 1.5,
      least_Pa: 0,
      metal_s: 900,
      source: {
        basis: 'from-memory',
        says: 'ASME B31.9 1.5 times, plumbing codes at least 15 minutes at the working pressure, as remembered: check the local code; plastics by their maker',
      },
    },
    purge: {
      factor: 1.5,
      burnerMost_m3: 0.03,
      leastGas: 0.9,
      source: {
        basis: 'assumed',
        says: 'NFPA 54: past the sizes of its table outdoors or by a listed detector; one and a half times the volume and the limit for a burner are assumed: check the current edition',
      },
    },
    handover: naHandover,
    fillBy: 'feed-valve-with-lever',
    unventedTicket: false,
    vesselRuleNote:
      'The handbook method sets the charge equal to the cold fill: height over 2.31 plus 4 psi.',
  },
  'australia-new-zealand': {
    name: 'australia-new-zealand',
    label: practiceLabels['australia-new-zealand'],
    units: { ...metric, 'water-pressure': 'kPa', 'gas-pressure': 'kPa', power: 'MJh' },
    sold: ['copper-as1432', 'steel-schedule-40', 'polyethylene-sdr11', 'multilayer', 'pex-s5'],
    sizesIn: 'millimetres',
    words: {
      vessel: 'expansion vessel',
      pump: 'pump',
      fillDevice: 'filling valve',
      gasFitter: 'licensed gasfitter',
      tap: 'tap',
      shutOff: 'isolating valve',
      storageHeater: 'storage water heater',
      instantaneousHeater: 'continuous flow heater',
      emitter: 'panel',
      reliefValve: 'relief valve',
      gasEmergency: 'the local gas emergency number',
      leaveGas: 'open doors and windows on the way and leave',
      flue: 'flue',
      pan: 'safe tray',
      airGap: 'tundish',
      lagging: 'lagging',
      temperatureRelief: 'PTR valve',
      reducingValve: 'pressure limiting valve',
      burnerPressure: 'burner pressure',
    },
    vessel: {
      method: 'en12828',
      sizes_m3: metricSizes_m3,
      margin_Pa: 30000,
      reliefUsualGauge_Pa: 3e5,
      reliefSteps_Pa: [2.5e5, 3e5, 3.5e5, 4e5, 5e5],
      fillTolerance_Pa: 1e4,
    },
    gas: {
      method: 'darcy',
      allowance_Pa: 75,
      allowanceSource: sources.auSetting,
      material: 'copper-as1432',
      tableCheck: false,
      altitudeDerates: false,
      velocityMost_m_s: 20,
      velocitySource: sources.gasVelocity,
      trapWanted: false,
      trapSource: sources.auSetting,
      bondSource: sources.auSetting,
      assumedWorking_Pa: { 'natural-gas': 1130, propane: 2750 },
      assumedWorkingSource: sources.auSetting,
      staticToWorkingLimit_Pa: 500,
      supplyBand_Pa: { 'natural-gas': [1100, 3000], propane: [2600, 3500] },
      supplyBandSource: sources.auSetting,
      propaneLow: 'stop',
      netToGross: '1.11 for natural gas',
    },
    tightness: {
      pressure: { kind: 'operating' },
      stabilise_s: 300,
      stabiliseSource: sources.assumedSetting,
      test_s: 300,
      perceptible_Pa: 50,
      permittedLeak_m3_s: litresPerHour(1.4),
      permittedLeakSource: sources.assumedSetting,
      usualStep: '0.1 mbar',
      source: sources.trade,
      meter_m3: 0.006,
      meterSource: {
        basis: 'from-memory',
        says: 'A house meter holds about 6 L, as remembered: check the current edition',
      },
      strength: {
        least_Pa: 7000,
        factor: 1.5,
        stabilise_s: 300,
        test_s: 300,
        fallRatio: 0,
        perceptible_Pa: 50,
        source: {
          basis: 'from-memory',
          says: 'AS/NZS 5601.1: new pipe at 7 kPa or 1.5 times its pressure for five minutes, no loss, as remembered: check the current edition',
        },
      },
      propane: {
        pressure: { kind: 'fixed', gauge_Pa: 7000 },
        stabilise_s: 300,
        test_s: 300,
        perceptible_Pa: 50,
        permittedLeak_m3_s: litresPerHour(0.6),
        source: {
          basis: 'from-memory',
          says: 'AS/NZS 5601.1: propane pipes at 7 kPa before anything is connected, as remembered: check the current edition',
        },
      },
      elevated: {
        pressure: { kind: 'operating' },
        stabilise_s: 300,
        test_s: 600,
        perceptible_Pa: 50,
        permittedLeak_m3_s: litresPerHour(1.4),
        source: {
          basis: 'from-memory',
          says: 'AS/NZS 5601.1: each stage at its own pressure, as remembered: check the current edition',
        },
      },
    },
    survey: {
      staticLimitGauge_Pa: 5e5,
      staticLimitSource: sources.auSetting,
      garageFlame_m: 0.457,
    },
    hotWater: {
      storeTemp_K: 333.15,
      safeOutletTemp_K: 323.15,
      safeOutletSource: sources.auSetting,
      safeOutletIn: {
        care: { temp_K: 318.15, source: auWarm },
        school: { temp_K: 318.15, source: auWarm },
      },
      olderConsent: {
        asks: 'New Zealand: consented before 2 November 2023',
        temp_K: 328.15,
        source: {
          basis: 'from-memory',
          says: 'New Zealand Building Code G12: 55 °C before its amendment, 50 °C after, as remembered: check the consent and the current edition',
        },
      },
      mixingRefusedIn: [],
      mixedTemp_K: 313.15,
      demand: 'loading-units',
      demandSource: sources.auSetting,
      wantedGauge_Pa: 1e5,
      flowTemp_K: 348.15,
      coolStore: 'fix',
      tapMost_K: 323.15,
      feedMaterial: 'copper-as1432',
    },
    water: {
      material: 'copper-as1432',
      coldMost_m_s: 2,
      hotMost_m_s: 2,
      leastBore_m: 0.012,
      velocitySource: sources.waterVelocity,
      waitMost_s: 30,
      waitSource: sources.auSetting,
      standingMost_m3: 0.003,
      returnLeast_K: 328.15,
      standingSource: {
        basis: 'from-memory',
        says: 'AS/NZS 3500.4: 55 °C at the return; DVGW W 551: 3 L in a branch, as remembered: check the current edition',
      },
    },
    circuit: { difference_K: 20, velocityMost_m_s: 1, gradientMost_Pa_m: 300 },
    safety: {
      reducingGauge_Pa: 5e5,
      expansionReliefGauge_Pa: 8.5e5,
      temperatureReliefGauge_Pa: 1e6,
      temperatureReliefTemp_K: 372.15,
      cutOutMost_K: 363.15,
      expansionValveStandsIn: true,
      inlet: ['stop-valve', 'reducing-valve', 'check-valve', 'expansion-relief'],
      source: sources.auSetting,
    },
    relief: {
      protects: 'input',
      protectsSource: sources.auSetting,
      discharge: {
        tundish: 'may',
        table: 'full-size',
        d1Most_m: 0.6,
        dropLeast_m: 0.3,
        source: sources.auSetting,
      },
    },
    makeUp: { home: 'double-check', foul: 'backflow-preventer', source: sources.auSetting },
    flueGas: {
      airOxygen: 0.2095,
      limits: { action: 0.02 },
      source: {
        basis: 'from-memory',
        says: 'AS/NZS appliance standards: CO over CO2 under 0.02, as remembered: check the current edition; the maker’s band comes first',
      },
    },
    disinfection: {
      dose_kg_m3: 0.05,
      hold_s: 21_600,
      left_kg_m3: 0.01,
      drink_kg_m3: 0.005,
      source: {
        basis: 'from-memory',
        says: 'AS/NZS 3500.1: chlorine held for six hours with 10 mg/L left, flushed to at most 5 mg/L, as remembered: check the current edition',
      },
    },
    waterTest: {
      factor: 1,
      least_Pa: 1.5e6,
      metal_s: 1800,
      source: {
        basis: 'from-memory',
        says: 'AS/NZS 3500: water services at 1500 kPa for 30 minutes, no loss, as remembered: check the current edition; what stands less is isolated',
      },
    },
    purge: {
      factor: 1.5,
      burnerMost_m3: 0.03,
      leastGas: 0.9,
      source: {
        basis: 'from-memory',
        says: 'AS/NZS 5601.1: small volumes, to 0.03 m³, may end at a burner; the rest is assumed: check the current edition',
      },
    },
    handover: auHandover,
    fillBy: 'filling-link',
    unventedTicket: false,
    vesselRuleNote: 'The EN 12828 method is used here as a setting: check the local code.',
  },
}

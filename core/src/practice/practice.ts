import type { Source } from '../answer/sources'
import type { LowGasMethod } from '../methods/gas/methodNames'
import type { InletKind } from '../methods/inlet-group/inletGroup'
import type { MaterialName } from '../methods/materials/pipes'
import type { UnitSet } from '../units/measure'
import type { Building } from './buildings'
import type { HandoverRules } from './handoverRules'
import type { PracticeName } from './practiceNames'

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

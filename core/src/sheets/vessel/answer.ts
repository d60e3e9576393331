import type { ChargedVessel, Forecast } from '../../methods/vessel/forecast'
import type {
  FillTarget,
  SensitivityBar,
  VesselInputs,
  VesselNeed,
} from '../../methods/vessel/sizing'
import type { PartUnderRelief } from '../underRelief'
import type { HeatingContent } from '../../job/heatingContent'

export interface VesselAnswer {
  readonly inputs: VesselInputs
  readonly content: HeatingContent
  readonly need: VesselNeed
  /**
   * Separate vessel: chosen by hand or the smallest stock size; 0 when the built-in one is enough.
   */
  readonly fitted_m3: number
  readonly chosenByHand: boolean
  readonly builtIn?: ChargedVessel
  readonly fill: FillTarget
  /** The fill the job works with: by hand, or the computed target. */
  readonly fillGauge_Pa: number
  readonly fillByHand: boolean
  /**
   * What the fill point's gauge shows more than the vessel, gauge Pa less gauge Pa: the vessel
   * stands above it.
   */
  readonly vesselHead_Pa: number
  /** The same fill where the vessel stands. */
  readonly fillAtVesselGauge_Pa: number
  /** At the vessel, as is everything of the method. */
  readonly forecast: Forecast
  /**
   * Charge to pump up to at the temperature of the day, vessel isolated and its water side empty.
   */
  readonly pumpUp: { readonly dayTemp_K: number; readonly gauge_Pa: number }
  /**
   * At the highest point, hot, over the pressure at which the water would boil; undefined where the
   * hot pressure is.
   */
  readonly vapourMargin_Pa: number | undefined
  /** Share of the vessels that is water when hot. */
  readonly acceptedRatio: number | undefined
  /** The part that would go first while the relief lifts. */
  readonly weakest: PartUnderRelief | undefined
  readonly reliefAssumed: boolean
  /** The method this practice does not use, for comparison. */
  readonly other: {
    readonly method: VesselInputs['method']
    readonly needed_m3: number | undefined
    readonly table_m3?: number
  }
  readonly goodFor_m3: number
  readonly sensitivity: readonly SensitivityBar[]
}

import type { Simultaneous } from '../../methods/demand/simultaneous'
import type {
  Comparison,
  ComparisonConditions,
  OptionFigures,
} from '../../methods/hot-water/compare'
import type { HeatOption } from '../../job/hotWaterDocument'
import type { MainCurve } from '../../methods/supply/mainCurve'

export interface OptionAnswer {
  readonly option: HeatOption
  readonly figures: OptionFigures | undefined
  /** What is still to be read before it can be compared. */
  readonly missing: readonly string[]
  readonly comparison: Comparison | undefined
  /** Gas of everything fitted with this option in place of a new boiler or heater. */
  readonly gas_m3_s: number
  /**
   * Smallest pipe of the practice's material that keeps the allowance over the surveyed distance.
   */
  readonly gasPipe?: string
  /** Smallest copper that keeps the cold feed under 2 m/s. */
  readonly coldPipe?: string
}

export interface HeatAnswer {
  readonly load_W: number
  readonly estimated_W: number
  readonly conditions: ComparisonConditions | undefined
  readonly simultaneous: Simultaneous | undefined
  readonly wanted_m3_s: number
  readonly curve: MainCurve | undefined
  /** Pressure wanted at the highest outlet, gauge. */
  readonly wantedGauge_Pa: number
  /**
   * Pressure that must be left at the main: wanted at the outlet, and the water's height to it.
   * Gauge.
   */
  readonly left_Pa: number
  /** What the main still gives with the wanted pressure left at the highest outlet. */
  readonly main_m3_s: number | undefined
  readonly storeTemp_K: number
  readonly options: readonly OptionAnswer[]
  readonly chosen: OptionAnswer | undefined
  readonly suggestedHeating_W: number
  /** Heat of a mild day, for telling whether an option starts and stops. */
  readonly mild_W: number
}

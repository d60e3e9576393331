import type { ClosedConclusion } from '../../methods/supply/closedSystem'
import type { Appliance } from '../../job/document'
import type { InletFault } from '../../methods/inlet-group/inletGroup'
import type { Forecast } from '../../methods/vessel/forecast'

export interface SafetyAnswer {
  readonly heater: Appliance
  readonly store_m3: number
  readonly stores: boolean
  readonly closed: ClosedConclusion
  readonly staticGauge_Pa: number
  readonly hasReducing: boolean
  readonly reducingGauge_Pa: number
  /** What stands at the store with everything shut, and with the wanted flow running. */
  readonly reducedGauge_Pa: number
  readonly runningGauge_Pa: number | undefined
  readonly wanted_m3_s: number
  readonly coldTemp_K: number
  readonly storeTemp_K: number
  readonly chargeGauge_Pa: number
  readonly maxGauge_Pa: number
  readonly expansionReliefGauge_Pa: number | undefined
  readonly temperatureReliefGauge_Pa: number
  readonly temperatureReliefTemp_K: number
  readonly reliefsAssumed: boolean
  readonly ratedGauge_Pa: number | undefined
  readonly expansion_m3: number
  /** Undefined where the supply leaves no room under the greatest pressure. */
  readonly needed_m3: number | undefined
  readonly vesselWanted: boolean
  readonly fitted_m3: number
  readonly forecast: Forecast | undefined
  readonly atmosphere_Pa: number
  readonly inletFaults: readonly InletFault[]
}

import type { FuelGas } from '../../methods/gas/fuel'
import type { GasConditions, SizedPipe } from '../../methods/gas/network'
import type { Regulated, StagedState, StagedSupply } from '../../methods/gas/stages'
import type { Appliance } from '../../job/document'
import type { GasSegment } from '../../job/gasDocument'

export interface GasPipeAnswer extends StagedState {
  readonly segment: GasSegment
  /** Its place in the document. */
  readonly place: string
  readonly pipe: SizedPipe & Regulated
  readonly chosen: boolean
  readonly appliance?: Appliance
  /** Greatest drop from where its stage begins, where it ends at an appliance or a regulator. */
  readonly allowed_Pa?: number
  /** At the appliance itself, after its connector. */
  readonly inletGauge_Pa?: number
  /**
   * What a table lets it pass, where the practice asks for a second verdict and the table covers
   * it.
   */
  readonly table_m3_s?: number
}

export interface GasAnswer {
  readonly gas: FuelGas
  readonly supply: StagedSupply
  /** Of the stage that the index appliance is on. */
  readonly conditions: GasConditions
  readonly meterAssumed: boolean
  readonly pipes: readonly GasPipeAnswer[]
  readonly total_m3_s: number
  readonly total_W: number
  readonly allowance_Pa: number
  /** The appliance with least pressure to spare, and the way to it through its stage. */
  readonly index: GasPipeAnswer
  readonly indexRun: readonly string[]
  readonly indexAllowed_Pa: number
  readonly volume_m3: number
  /** What the pipe costs by the price list. */
  readonly cost: number
  /** Length at which the second verdict reads its table, where there is one. */
  readonly tableLength_m?: number
}

import type { Pump } from '../../methods/circuit/pumps'
import type { HeatingFluid } from '../../methods/fluid/glycol'
import type { CircuitPart, HeatingZone } from '../../job/pressureDocument'
import type { HeatingContent } from '../../job/heatingContent'
import type { HeatingPipeAnswer } from '../circuitFacts'

export interface ZoneAnswer {
  readonly zone: HeatingZone
  readonly load_W: number
  readonly difference_K: number
  readonly flow_m3_s: number
  /** From the boiler through this zone and back. */
  readonly loss_Pa: number
  readonly own_Pa: number
  /** What a balancing valve has to take so that the zone draws no more than its flow. */
  readonly surplus_Pa: number
  /** Flow of that valve at 1 bar; undefined where it stands open. */
  readonly setting_m3_s: number | undefined
  readonly isIndex: boolean
}

export interface PartAnswer {
  readonly part: CircuitPart
  readonly flow_m3_s: number
  readonly loss_Pa: number
  /** Its maker's loss is not known. */
  readonly assumed: boolean
}

export interface CircuitAnswer {
  readonly fluid: HeatingFluid
  readonly meanTemp_K: number
  readonly density_kg_m3: number
  readonly specificHeat_J_kgK: number
  readonly freezingTemp_K: number | undefined
  readonly zones: readonly ZoneAnswer[]
  readonly pipes: readonly HeatingPipeAnswer[]
  readonly parts: readonly PartAnswer[]
  readonly load_W: number
  readonly flow_m3_s: number
  readonly index: ZoneAnswer
  readonly common_Pa: number
  readonly pump: Pump | undefined
  readonly pumpChosen: boolean
  readonly running: { readonly flow_m3_s: number; readonly head_Pa: number } | undefined
  readonly content: HeatingContent
}

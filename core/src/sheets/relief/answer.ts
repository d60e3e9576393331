import type { ReliefValve } from '../../job/pressureDocument'
import type { GenericValve } from '../../methods/relief/catalogue'
import type { DischargeAnswer } from './judgeDischarge'
import type { PanNeed } from './panNeed'

/** A part behind a relief valve and the most it stands, gauge. */
export interface GuardedPart {
  readonly name: string
  readonly limitGauge_Pa: number | undefined
  /** What it sees while the valve lifts, gauge. */
  readonly seenGauge_Pa: number
}

/** A part whose limit is known. */
export type LimitedPart = GuardedPart & { readonly limitGauge_Pa: number }

export interface ReliefAnswer {
  readonly valve: ReliefValve
  readonly setGauge_Pa: number
  readonly openTemp_K: number | undefined
  readonly parts: readonly GuardedPart[]
  /** The one of the parts that would go first. */
  readonly weakest: LimitedPart | undefined
  readonly protects_W: number | undefined
  readonly protectsName: string
  readonly by: 'input' | 'output'
  readonly capacity_W: number | undefined
  /** Of all valves that guard the same circuit together. */
  readonly together_W: number | undefined
  readonly capacityFrom: 'tag' | 'generic' | 'none'
  readonly steam_kg_s: number | undefined
  /** Inlet the selection table asks, m; undefined where it does not cover the case. */
  readonly tableInlet_m: number | undefined
  readonly would: GenericValve | undefined
  readonly discharge: DischargeAnswer | undefined
}

export interface ReliefsAnswer {
  readonly valves: readonly ReliefAnswer[]
  readonly pan: PanNeed
  readonly end_m: readonly [number, number]
}

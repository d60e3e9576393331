import type { JobDocument } from '../job/document'
import type { OffState } from '../job/records'
import type { Practice } from '../practice/practice'
import type { Ticket } from '../practice/tickets'
import type { Measure } from '../units/measure'
import type { Changes, Condition, PlantKeys, ThingId } from './plant'

/** What must hold before a step is signed. */
export type Guard =
  /** Done or seen by whoever confirms it; what they then know of the plant is in `sets`. */
  | {
      readonly kind: 'seen'
      readonly id: string
      readonly text: string
      readonly sets?: Changes
    }
  /** How a thing stands, whichever step or hand brought it there. */
  | { readonly kind: 'stands'; readonly text: string; readonly condition: Condition }
  | { readonly kind: 'put-back'; readonly offKey: string; readonly text: string }
  /** The gas tests that are asked for passed, and this was not opened since. */
  | { readonly kind: 'gas-tight'; readonly of: string; readonly text: string }
  /** A test by hand that passed on this as it is: the bench has its form. */
  | {
      readonly kind: 'hand-test'
      readonly test: string
      /** The appliance it is made at; empty where it is made once. */
      readonly target: string
      readonly text: string
    }

/**
 * Something a step leaves out of its normal place; it stays on the off strip until it is put back.
 */
export interface LeavesOff {
  readonly key: string
  readonly name: string
  readonly state: OffState
  readonly where: string
  /** The step it must be back before. */
  readonly backBefore: string
  /**
   * Put back only when that step is reached and its earlier guards hold: power, and gas at a
   * heater.
   */
  readonly waits?: true
  /** The thing of the plant, as it stands while it is off and when it is back. */
  readonly thing?: { readonly id: ThingId; readonly off: string; readonly back: string }
}

export interface StepReading {
  readonly label: string
  readonly measure: Measure
  readonly least?: number
  readonly most?: number
  /** What the design says it should be. */
  readonly target?: number
  readonly limitSays: string
  /** The row of the fault finder that a reading outside its limits belongs to. */
  readonly symptom?: SymptomId
}
export type SymptomId =
  'pressure-races-up' | 'pressure-creeps' | 'pressure-falls' | 'gas-sags' | 'slow-reheat' | 'tap'

/** One thing that is done, by whom it may be signed, and what it makes of the plant. */
export interface Step {
  readonly id: string
  /** The sequence it belongs to. */
  readonly sequence: string
  readonly title: string
  /** A few words, for the order of work. */
  readonly short: string
  readonly why: string
  /** What can hurt somebody here. */
  readonly hazard?: string
  /** Where schools disagree: both, with their reasons. */
  readonly school?: string
  /** A photograph or paper that is asked for with it. */
  readonly evidence?: string
  readonly guards: readonly Guard[]
  readonly leavesOff: readonly LeavesOff[]
  readonly reading?: StepReading
  readonly ticket?: Ticket
  /** How the plant stands when it is done. */
  readonly effects: Changes
  /**
   * It lets in what can hurt: out of reach of the server every state it rests on is looked at
   * again.
   */
  readonly admits?: 'gas' | 'power' | 'heat' | 'pressure'
  /** How long it is held; the screen stays awake. */
  readonly hold_s?: number
  /** Its id in records of before there were several sequences. */
  readonly was?: string
}

/** A step as its sequence writes it: ids without the sequence, empty lists left out. */
export type StepPart = Omit<Step, 'id' | 'sequence' | 'guards' | 'leavesOff' | 'effects' | 'was'> &
  Partial<Pick<Step, 'guards' | 'leavesOff' | 'effects'>> & {
    readonly id: string
    readonly was?: string | true
  }

/** What the design tells the sequences to aim at. */
export interface SequenceTargets {
  readonly chargeGauge_Pa?: number
  readonly fillGauge_Pa?: number
  readonly hotGauge_Pa?: number
  readonly reliefSetGauge_Pa?: number
  readonly finalGauge_Pa?: number
  /** Gas at the index appliance with everything burning. */
  readonly gasGauge_Pa?: number
  readonly gasLeastGauge_Pa?: number
  readonly gasLeastSays?: string
  readonly fitted_m3?: number
  readonly maxFlowTemp_K?: number
  /** Hottest that may run where people wash. */
  readonly tapMost_K?: number
  /** Store from cold to its setting. */
  readonly reheat_s?: number
  /** A full draw from the store, fully mixed: the shortest of the design. */
  readonly drawLeast_s?: number
  /** Most that may stand before the store with everything shut, gauge. */
  readonly reducedMostGauge_Pa?: number
  /** Charge of the potable vessel. */
  readonly potableChargeGauge_Pa?: number
  /** Flow of each zone by its id, and of its balancing valve at 1 bar where it throttles. */
  readonly zones?: readonly {
    readonly id: string
    readonly name: string
    readonly flow_m3_s: number
    readonly setting_m3_s: number | undefined
  }[]
  /** Water in the circuit. */
  readonly content_m3?: number
}

/** What a sequence is made from. */
export interface SequenceJob {
  readonly document: JobDocument
  readonly practice: Practice
  readonly targets: SequenceTargets
}

/** One of the trade's sequences, as data: a folder and a line in the list of them (`kinds.ts`). */
export interface SequenceSpec {
  readonly id: string
  /**
   * What of this job it is done on: appliances by id, or '' where it is done once. None where it is
   * not called for.
   */
  readonly at: (job: SequenceJob) => readonly string[]
  readonly name: (job: SequenceJob, at: string) => string
  /** What it makes wet or burning that has dangers of its own. */
  readonly plant: (job: SequenceJob, at: string) => PlantKeys
  readonly steps: (job: SequenceJob, at: string) => readonly StepPart[]
  /** Done where it is wanted: nothing waits for it until its first step is signed. */
  readonly offered?: (job: SequenceJob) => boolean
}

/** A sequence of this job. */
export interface Sequence {
  readonly id: string
  readonly name: string
  readonly offered: boolean
  readonly steps: readonly Step[]
}

export const seen = (id: string, text: string, sets?: Changes): Guard => ({
  kind: 'seen',
  id,
  text,
  ...(sets ? { sets } : {}),
})
export const stands = (text: string, condition: Condition): Guard => ({
  kind: 'stands',
  text,
  condition,
})
export const back = (offKey: string, text: string): Guard => ({ kind: 'put-back', offKey, text })
export const tested = (test: string, target: string, text: string): Guard => ({
  kind: 'hand-test',
  test,
  target,
  text,
})
export const gasTight = (of: string): Guard => ({
  kind: 'gas-tight',
  of,
  text: 'Gas tightness test passed',
})

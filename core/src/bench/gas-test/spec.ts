import type { Appliance, JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import type { GasPipeAnswer } from '../../sheets/gas/answer'
import type { TightnessPlan } from '../gas-tightness/run'

/** Something that has to be out of the way before the pipe is pumped up. */
export interface Preparation {
  readonly id: string
  readonly name: string
  readonly action: 'disconnect-and-cap' | 'shut'
  readonly because: 'limit-below-test' | 'limit-unknown' | 'boundary' | 'strength'
  readonly limitGauge_Pa?: number
}

/** Pipe between the meter or a regulator and the next ones, as it stands to be tested. */
export interface StageUnderTest {
  /** `meter`, or the pipe whose regulator it hangs on. */
  readonly root: string
  /** Empty where the whole supply is one stage. */
  readonly name: string
  readonly isFirst: boolean
  readonly isElevated: boolean
  readonly workingGauge_Pa: number
  readonly pipes: readonly GasPipeAnswer[]
  readonly burners: readonly Appliance[]
}

/**
 * One test of one stretch of pipe: what is pumped to what, for how long, and what has to be out of
 * the way.
 */
export interface GasTest {
  /** Its kind, and the stage where that is not the first. */
  readonly id: string
  readonly kind: string
  readonly name: string
  /** What it is for. */
  readonly why: string
  /** Whether the gas may be turned on without it. */
  readonly asked: boolean
  /** Tests that have to have passed before. */
  readonly after: readonly string[]
  /** The plan less the gauge, which is known when the test begins. */
  readonly plan: Omit<TightnessPlan, 'gauge'>
  readonly preparations: readonly Preparation[]
  /** What is looked at before, each ticked. */
  readonly confirms: readonly { readonly id: string; readonly says: string }[]
  /** The pipes under test; all of them where the supply is one stage of new pipe. */
  readonly pipes: 'all' | readonly string[]
}

export interface AtGas {
  readonly document: JobDocument
  readonly practice: Practice
  readonly stages: readonly StageUnderTest[]
  readonly atmosphere_Pa: number
}

/** A kind of pressure test of gas pipe: a folder, and a line in the list of them (`kinds.ts`). */
export interface GasTestKind {
  readonly id: string
  readonly testsOf: (at: AtGas) => readonly GasTest[]
}

/** The id of a test: that of the first stage is the kind's own. */
export const gasTestId = (kind: string, { root, isFirst }: StageUnderTest): string =>
  isFirst ? kind : `${kind}/${root}`

/** The name of a test, with its stage where there are several. */
export const gasTestName = (name: string, { name: stage }: StageUnderTest): string =>
  stage ? `${name}, ${stage}` : name

export const isNew = ({ segment }: GasPipeAnswer): boolean => segment.laid !== 'was-here'

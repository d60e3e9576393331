import type { Channel } from '../channels'
import type { Source } from '../../answer/sources'
import { burnsGas } from '../../job/fields'
import { fitted } from '../../job/asked'
import type { Appliance, JobDocument } from '../../job/document'
import type { BodyOf } from '../../job/records'
import type { Practice } from '../../practice/practice'
import type { FuelGas } from '../../methods/gas/fuel'
import { fuelGases } from '../../methods/gas/fuel'
import type { Show } from '../../units/format'
import type { Measure } from '../../units/measure'

/**
 * One thing that is read or looked up. Labels in the words of the practice, their names in braces.
 */
interface Asked {
  readonly key: string
  readonly label: string
  /** A sentence for one that may be left out. */
  readonly optional?: string
}
export interface AskFigure extends Asked {
  readonly measure: Measure
  /** What a live instrument may send for it. */
  readonly live?: Channel
  /** A time that Hestian's clock may keep: how long is asked, if anything is, s. */
  readonly clock?: (practice: Practice) => number | undefined
}
/** One of several that is seen; its value is its place in the list. */
export interface AskChoice extends Asked {
  readonly choices: readonly string[]
}
export type Ask = AskFigure | AskChoice

/** What was read, SI, by the key of its ask. */
export type Given = Readonly<Record<string, number | undefined>>

/** Where it is read: the job, its practice, and the appliance. */
export interface At {
  readonly document: JobDocument
  readonly practice: Practice
  readonly appliance?: Appliance
  readonly gas: FuelGas
}

export interface Figure {
  readonly label: string
  readonly told: string
}

/** What readings come to. `Says` is a sentence in the practice's units; figures stand beside it. */
export interface Found {
  readonly outcome: 'passed' | 'failed' | 'cannot-tell'
  /** Of a failure: *stop* where it can hurt somebody. */
  readonly severity?: 'stop' | 'fix'
  readonly says: string
  readonly figures: readonly Figure[]
}

/**
 * A kind of test with a gauge and a clock in hand: a file, and a line in the list of them
 * (`kinds.ts`).
 */
export interface HandTest {
  readonly id: string
  readonly name: string
  /** What it is for and how it is read, caution included. */
  readonly why: string
  /**
   * Read at each appliance that burns gas, at each of them but those one cooks on, at each that
   * holds water and whose maker's instruction is on file, or once.
   */
  readonly at: 'each-burner' | 'each-flue' | 'each-instructed' | 'once'
  /** Where only some practices make it, or only some jobs. */
  readonly applies?: (practice: Practice, document: JobDocument) => boolean
  /** Made only where it is called for: nothing waits for it. */
  readonly offered?: true
  readonly asks: readonly Ask[]
  /** What is done beside the reading, each ticked. */
  readonly confirms: readonly { readonly id: string; readonly says: string }[]
  readonly judge: (given: Given, at: At, show: Show) => Found
  /**
   * What of the job it is made on. Once that is another, what passed says nothing of it any more.
   */
  readonly madeOn?: (at: At) => unknown
  /** What is off for it, and goes on the off strip with it. */
  readonly leavesOff?: (at: At) => readonly BodyOf<'off'>[]
  /** Kinds that it stands in for, and that stay due when it passed. */
  readonly standsInFor?: readonly string[]
  readonly source: (practice: Practice) => Source
}

const holdWater: readonly Appliance['kind'][] = [
  'boiler',
  'storage-heater',
  'electric-storage-heater',
  'heat-pump-heater',
  'indirect-cylinder',
]
const reads = {
  'each-burner': ({ kind }) => burnsGas(kind),
  'each-flue': ({ kind }) => burnsGas(kind) && kind !== 'cooktop',
  'each-instructed': ({ kind, papers }) => holdWater.includes(kind) && papers.installation !== null,
} as const satisfies Readonly<Record<string, (appliance: Appliance) => boolean>>

/** Where a kind is read on this job. */
export const targetsOf = (
  { at }: HandTest,
  document: JobDocument,
): readonly (Appliance | undefined)[] =>
  at === 'once' ? [undefined] : fitted(document.appliances).filter(reads[at])

export const atOf = (
  document: JobDocument,
  practice: Practice,
  appliance: Appliance | undefined,
): At => ({
  document,
  practice,
  gas: fuelGases[document.practice][document.survey.fuel],
  ...(appliance ? { appliance } : {}),
})

export const passed = (says: string, figures: readonly Figure[]): Found => ({
  outcome: 'passed',
  says,
  figures,
})
export const failed = (
  severity: 'stop' | 'fix',
  says: string,
  figures: readonly Figure[],
): Found => ({ outcome: 'failed', severity, says, figures })
export const cannotTell = (says: string, figures: readonly Figure[] = []): Found => ({
  outcome: 'cannot-tell',
  says,
  figures,
})

import type { AnswerSentence } from '../answer/sentence'
import type { Missing, Sheet } from '../answer/sheet'
import type { JobDocument } from '../job/document'
import type { JobRecord } from '../job/records'
import type { Practice } from '../practice/practice'
import type { Wordings } from '../practice/worded'
import type { Show } from '../units/format'

export type StageId =
  'survey' | 'design' | 'plan' | 'test' | 'commission' | 'handover' | 'aftercare'

interface Named<Id extends string, W extends Wordings> {
  readonly id: Id
  /** Its findings in words. */
  readonly wordings: W
}

/** What was recorded on a job, as far as sheets judge by it. */
export interface Recorded {
  readonly entries: readonly JobRecord[]
  /**
   * The pressure tests of the gas pipes; `gasTight` when all that are asked passed and the pipes
   * lie there unchanged.
   */
  readonly gasTests: readonly RecordedGasTest[]
  readonly lastTestId?: string
  readonly gasTight: boolean
  readonly sequences: readonly RecordedSequence[]
}
/**
 * How a test stands. It passed, but: the pipes are others now (*changed*), a joint bubbled under
 * soap (*bubbles*), something was repaired since (*repaired*), the point it was read at is not
 * closed yet (*test-point*).
 */
export type GasTestState =
  | 'not-made'
  | 'running'
  | 'not-passed'
  | 'changed'
  | 'bubbles'
  | 'repaired'
  | 'test-point'
  | 'passed'
export interface RecordedGasTest {
  readonly id: string
  readonly name: string
  readonly asked: boolean
  readonly state: GasTestState
  /** The last one that was made. */
  readonly testId?: string
  /** Pipes whose joints were made to come off again, and are still on. */
  readonly temporary: readonly string[]
}
/** One sequence of steps on site, as far as it is. */
export interface RecordedSequence {
  readonly id: string
  readonly name: string
  readonly done: number
  readonly of: number
  /** Nothing waits for it: it is offered, and not begun. */
  readonly waits: boolean
  readonly next?: { readonly number: number; readonly short: string }
  /** Steps whose reading is outside its limit. */
  readonly outside: readonly { readonly number: number; readonly short: string }[]
  /** Steps an apprentice signed that nobody has countersigned. */
  readonly awaiting: readonly { readonly number: number; readonly short: string }[]
  /** Steps that were passed over, and whether something of the plant is unknown by it. */
  readonly skipped: readonly {
    readonly id: string
    readonly short: string
    readonly because: string
    readonly leavesUnknown: boolean
  }[]
}

/** What the records still owe a sheet, and by what of them its proof is open again. */
export interface Owed {
  readonly missing: readonly Missing[]
  readonly restsOn: string
}

/** What a sentence is made with, beside the answer. */
export interface Telling {
  readonly missing: readonly Missing[]
  readonly practice: Practice
  readonly show: Show
  /** What is to fix, where nothing stops. */
  readonly fixes: number
  /** What stops or is to fix. */
  readonly wrong: number
}

/**
 * One sheet of the design: everything that goes through all sheets folds over the list of these
 * (`solve/sheets.ts`). `Of` is what it takes from the sheets before it in the list: answers by
 * sheet id.
 */
export interface SheetSpec<
  Id extends string,
  A,
  Of = object,
  W extends Wordings = Wordings,
> extends Named<Id, W> {
  /** Where a figure outside its method is shown. */
  readonly place: string
  /**
   * What it rests on: parts of the document, and figures it takes from the answers before it. A
   * proof of it is open again when one is another.
   */
  readonly inputs: (document: JobDocument, of: Partial<Of>) => readonly unknown[]
  /**
   * What it reads beside, that no proof hangs on: where in a list a row stands, what is asked at
   * all. It is solved again for these too.
   */
  readonly beside?: (document: JobDocument) => readonly unknown[]
  /** Another sheet whose inputs are its own too: a proof of it is held against those. */
  readonly restsWith?: keyof Of & string
  readonly solve: (document: JobDocument, practice: Practice, of: Partial<Of>) => Sheet<A>
  /**
   * What of the answer is bought or built, short enough to compare: how far an assumed value may
   * move is searched by it.
   */
  readonly key?: (sheet: Extract<Sheet<A>, { applies: true }>) => string
  readonly owes?: (recorded: Recorded) => Owed
  /** The head of its page. */
  readonly says?: (answer: A | undefined, telling: Telling) => AnswerSentence
  /** What is to fix is said in its head and leaves the verdict as it is. */
  readonly isMild?: boolean
}

/** A sheet that is made of records: it has a state, and no answer to solve. */
export interface RecordedSpec<Id extends string, W extends Wordings = Wordings> extends Named<
  Id,
  W
> {
  readonly judge: (
    document: JobDocument,
    practice: Practice,
    recorded: Recorded,
  ) => {
    readonly sheet: Sheet<unknown>
    /** By what of the records a proof of it is open again. */
    readonly restsOn: string
    /** The sheet of the design whose inputs it rests on too. */
    readonly after?: string
  }
}

/** Gives a sheet its types: the id as it is written, what it answers, what it takes from others. */
export const sheetSpec =
  <Of = object>() =>
  <const Id extends string, A, W extends Wordings>(
    spec: SheetSpec<Id, A, Of, W>,
  ): SheetSpec<Id, A, Of, W> =>
    spec

/**
 * Inputs that a later version brought, by name: none while nobody has filled them, so that a proof
 * given before still rests on the same.
 */
export const added = (values: Readonly<Record<string, unknown>>): readonly unknown[] =>
  Object.entries(values).flatMap(([name, value]) =>
    value === null || value === undefined ? [] : [name, value],
  )

/** The values of some keys of a part, in that order; undefined each where there is no such part. */
export const valuesOf = <T extends object>(
  part: T | null | undefined,
  keys: readonly (keyof T)[],
): readonly unknown[] => keys.map((key) => part?.[key])

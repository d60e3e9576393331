import type {
  Finding,
  JobDocument,
  JobInWords,
  Judgement,
  Practice,
  Records,
  Sequences,
  Sheet,
  SolvedSheetId,
  Solution,
  UnitSet,
  Working,
} from '@hestian/core'
import { practices } from '@hestian/core'
import { replaceEqualDeep } from '@tanstack/react-query'

/** What a job is solved and judged from, and the units it is read in. */
export interface Question {
  readonly document: JobDocument
  readonly records: Records
  readonly units: UnitSet
}

/** The same on its way to the worker: what has not changed since the last question stays away. */
export interface ToSolve extends Partial<Question> {
  readonly n: number
}

/** A sheet as data: its arithmetic written out. */
export type HandedSheet =
  Sheet<unknown> extends infer S
    ? S extends { readonly workings: unknown }
      ? Omit<S, 'workings'> & { readonly workings: readonly Working[] }
      : S
    : never

export interface Found {
  /** Sheets that came to something else than at the question before. */
  readonly sheets: Readonly<Partial<Record<SolvedSheetId, HandedSheet>>>
  readonly findings: readonly Finding[]
  readonly sequences: Sequences
  readonly judgement: Judgement
  readonly inWords: JobInWords
  /** The day it was at the site then, as `2026-06-03`. */
  readonly today: string
}

export type Solved =
  | { readonly n: number; readonly found: Found }
  /** Something in Hestian went wrong, in its own words. */
  | { readonly n: number; readonly failed: string }

/** What a question came to, as pages read it. */
export interface JobAnswer {
  readonly of: Question
  readonly solution: Solution
  readonly judgement: Judgement
  readonly inWords: JobInWords
  readonly today: string
}

type PageSheets = Readonly<Partial<Record<SolvedSheetId, Sheet<unknown>>>>

/** A sheet as pages read it, which ask for its arithmetic. */
const asSheet = (sheet: HandedSheet): Sheet<unknown> =>
  sheet.applies ? { ...sheet, workings: () => sheet.workings } : sheet

/**
 * Puts answers together as they come: what has not changed is the very same as before, so that it
 * is not drawn again.
 */
export function hearing(): (found: Found, of: Question) => JobAnswer {
  let sheets: PageSheets = {}
  let before: JobAnswer | undefined
  return ({ sheets: changed, judgement, inWords, today, ...rest }, of) => {
    sheets = {
      ...sheets,
      ...Object.fromEntries(Object.entries(changed).map(([id, sheet]) => [id, asSheet(sheet)])),
    }
    const { document } = of
    const practice = practiceOf(of, before)
    const isSolved =
      before?.of.document === document &&
      before.solution.practice === practice &&
      Object.keys(changed).length === 0
    before = {
      of,
      solution:
        before && isSolved
          ? before.solution
          : ({ ...sheets, document, practice, ...rest } as Solution),
      judgement: {
        ...judgement,
        sheets: replaceEqualDeep(before?.judgement.sheets, judgement.sheets),
      },
      inWords: replaceEqualDeep(before?.inWords, inWords),
      today,
    }
    return before
  }
}

/** The practice in the units that are asked for. */
function practiceOf({ document, units }: Question, before: JobAnswer | undefined): Practice {
  const last = before?.solution.practice
  return last?.name === document.practice && last.units === units
    ? last
    : { ...practices[document.practice], units }
}

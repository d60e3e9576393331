import type { JobDocument, Sheet, SolvedSheetId } from '@hestian/core'
import { jobInWords, judge, showIn, siteTime, solvedSpecs, solver } from '@hestian/core'
import { replaceEqualDeep } from '@tanstack/react-query'
import type { Found, HandedSheet, Question, Solved, ToSolve } from './handed'

const asHanded = (sheet: Sheet<unknown>): HandedSheet =>
  sheet.applies ? { ...sheet, workings: sheet.workings() } : sheet

/** What solves a job for a page, question after question, and hands over what has changed. */
export function answering(): (asked: ToSolve) => Solved {
  const remembers = solver()
  let known: Partial<Question> = {}
  let handed: Readonly<Partial<Record<SolvedSheetId, Sheet<unknown>>>> = {}
  const found = ({ document, records, units }: Question): Found => {
    const solution = remembers(document)
    const judgement = judge(solution, records)
    const changed = solvedSpecs.filter(({ id }) => handed[id] !== solution[id])
    handed = solution
    return {
      sheets: Object.fromEntries(changed.map(({ id }) => [id, asHanded(solution[id])])),
      findings: solution.findings,
      sequences: solution.sequences,
      judgement,
      inWords: jobInWords(solution, judgement, showIn(units)),
      today: siteTime(new Date().toISOString(), document).slice(0, 10),
    }
  }
  return ({ n, document, ...rest }) => {
    known = { ...known, ...rest, ...(document ? { document: sameParts(known, document) } : {}) }
    try {
      return { n, found: found(known as Question) }
    } catch (error) {
      return { n, failed: error instanceof Error ? error.message : String(error) }
    }
  }
}

/** What came over is a copy: its parts that are as they were are made the very same again. */
const sameParts = ({ document }: Partial<Question>, copy: JobDocument): JobDocument =>
  document ? (replaceEqualDeep(document, copy) as JobDocument) : copy

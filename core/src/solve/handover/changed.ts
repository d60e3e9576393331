import type { JobDocument } from '../../job/document'
import { answersOf } from '../judgeSheets'
import { restsOn } from '../restsOn'
import type { SolvedSheetId } from '../sheets'
import { solvedSpecs } from '../sheets'
import { solve } from '../solve'

/**
 * Sheets of the design that rest on something else than they did in an earlier document, in their
 * order.
 */
export function changedSheets(before: JobDocument, now: JobDocument): readonly SolvedSheetId[] {
  const [then, today] = [before, now].map((document) => ({
    document,
    of: answersOf(solve(document)),
  })) as [At, At]
  return solvedSpecs
    .map(({ id }) => id)
    .filter((id) => restsOn(id, then.document, then.of) !== restsOn(id, today.document, today.of))
}

interface At {
  readonly document: JobDocument
  readonly of: ReturnType<typeof answersOf>
}

import type { JobDocument } from '../job/document'
import { kindsOf, workKindList } from '../work/kinds'
import type { SheetId } from './sheetIds'
import { sheetIds } from './sheetIds'

const always: readonly SheetId[] = ['work', 'list', 'handover']

/**
 * Whether the work asks for a sheet. A job that nobody has said the work of is asked for all; what
 * is not asked for is an invitation.
 */
export function isSheetAsked(id: SheetId, document: JobDocument): boolean {
  const kinds = kindsOf(document)
  return (
    kinds.length === 0 || always.includes(id) || kinds.some(({ sheets }) => sheets.includes(id))
  )
}

/** Names in the list of kinds that are no sheet: none, a test sees to it. */
export const strangeSheets = (): readonly string[] =>
  workKindList
    .flatMap(({ sheets }): readonly string[] => sheets)
    .filter((id) => !(sheetIds as readonly string[]).includes(id))

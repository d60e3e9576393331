import type { Edit, Known } from '@hestian/core'
import { knownOf } from './quantity'
import type { Entry } from './quantity'

/** What a row of the ledger needs to edit a value at a path of the document. */
export const known = (
  value: Known,
  path: readonly (string | number)[],
  edit: (edits: readonly Edit[]) => void,
) => ({
  value,
  place: path.join('.'),
  onUse: (entry: Entry) => edit([{ path, value: knownOf(entry) }]),
  onClear: () => edit([{ path, value: null }]),
})

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

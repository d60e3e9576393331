import type { Edit } from '../answer/finding'
import { JobDocument } from './document'

/** A document with values written at paths; nothing else changes and the first is left alone. An unknown path is a RangeError. */
export function applyEdits(document: JobDocument, edits: readonly Edit[]): JobDocument {
  const copy: JobDocument = structuredClone(document)
  for (const { path, value } of edits) {
    let place: unknown = copy
    for (const key of path.slice(0, -1)) place = isBranch(place) ? place[key] : undefined
    const last = path[path.length - 1]
    if (last === undefined || !isBranch(place)) throw new RangeError(`no place ${path.join('.')} in the document`)
    place[last] = value
  }
  return copy
}

const isBranch = (value: unknown): value is Record<string | number, unknown> => typeof value === 'object' && value !== null

/** A document checked against its schema: the document, or where it is wrong and what is accepted. */
export function readDocument(raw: unknown): { readonly ok: true; readonly document: JobDocument } | { readonly ok: false; readonly says: string } {
  const upgraded = upgradeDocument(raw)
  const result = JobDocument.safeParse(upgraded)
  if (result.success) return { ok: true, document: result.data }
  const says = result.error.issues.slice(0, 3).map((issue) => `${issue.path.join('.') || 'document'}: ${issue.message}`).join('; ')
  return { ok: false, says }
}

/** Steps that bring an older document forward, by the version they start from. Version 1 is the first. */
const upgrades: Readonly<Record<number, (raw: Record<string, unknown>) => Record<string, unknown>>> = {}

/** Brings a document of any earlier version to the current one; anything else comes back as it is, for the schema to refuse. */
export function upgradeDocument(raw: unknown): unknown {
  let current = raw
  while (isBranch(current) && typeof current.version === 'number' && upgrades[current.version]) current = upgrades[current.version]?.(current)
  return current
}

import type { Edit } from '../answer/finding'
import { JobDocument } from './document'
import { upgradeDocument } from './upgrades/upgradeDocument'
import { bringBodyForward } from './records'
import { withoutImpossible, withUniqueIds } from './bringForward'

/**
 * A document with values written at paths; everything else is the very same, and the first is left
 * alone. An unknown path is a RangeError.
 */
export const applyEdits = (document: JobDocument, edits: readonly Edit[]): JobDocument =>
  edits.reduce<unknown>(
    (copy, { path, value }) => written(copy, path, value, path),
    document,
  ) as JobDocument

function written(place: unknown, way: Edit['path'], value: unknown, path: Edit['path']): unknown {
  const [key, ...further] = way
  if (key === undefined || !isBranch(place))
    throw new RangeError(`no place ${path.join('.')} in the document`)
  const copy: Record<string | number, unknown> = Array.isArray(place)
    ? ([...(place as unknown[])] as unknown as Record<number, unknown>)
    : { ...place }
  copy[key] = further.length === 0 ? value : written(place[key], further, value, path)
  return copy
}

const isBranch = (value: unknown): value is Record<string | number, unknown> =>
  typeof value === 'object' && value !== null

export type ReadDocument =
  | { readonly ok: true; readonly document: JobDocument }
  | { readonly ok: false; readonly says: string }

/**
 * A document checked against its schema: the document, or where it is wrong and what is accepted.
 */
export function readDocument(raw: unknown): ReadDocument {
  const result = JobDocument.safeParse(upgradeDocument(raw))
  if (result.success) return { ok: true, document: result.data }
  const says = result.error.issues
    .slice(0, 3)
    .map((issue) => `${issue.path.join('.') || 'document'}: ${issue.message}`)
    .join('; ')
  return { ok: false, says }
}

/**
 * A document that was accepted once, read again: what can no longer be in it comes forward as not
 * looked at, with a note of what it was.
 */
export const readStoredDocument = (raw: unknown): ReadDocument => readDocument(forward(raw))

/**
 * A document of any earlier version as this one accepts it, as far as that can be done without
 * guessing.
 */
function forward(raw: unknown): unknown {
  const upgraded = upgradeDocument(raw)
  if (JobDocument.safeParse(upgraded).success) return upgraded
  const unique = withUniqueIds(upgraded)
  const read = JobDocument.safeParse(unique)
  return read.success ? unique : (withoutImpossible(unique, read.error.issues) ?? unique)
}

/**
 * An exported job of any earlier version with every document in it brought forward; anything else
 * comes back as it is, for the schema to refuse.
 */
export function upgradeFile(raw: unknown): unknown {
  if (!isBranch(raw) || Array.isArray(raw)) return raw
  const revisions = Array.isArray(raw.revisions)
    ? raw.revisions.map((one: unknown) =>
        isBranch(one) ? { ...one, document: forward(one.document) } : one,
      )
    : raw.revisions
  const records = Array.isArray(raw.records)
    ? raw.records.map((one: unknown) =>
        isBranch(one) ? { ...one, body: bringBodyForward(one.body) } : one,
      )
    : raw.records
  return {
    ...raw,
    ...(raw.records === undefined ? {} : { records }),
    document: forward(raw.document),
    ...(raw.revisions === undefined ? {} : { revisions }),
  }
}

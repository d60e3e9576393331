import { fingerprint } from '../job/merge'
import type { JobDocument } from '../job/document'
import type { SolvedSheetId } from './sheets'
import { solvedSpecs } from './sheets'

/** Everything a sheet reads of a document, with what the sheets read whose answers it takes. */
export function inputsOf(id: SolvedSheetId, document: JobDocument): readonly unknown[] {
  const spec = solvedSpecs.find((one) => one.id === id)
  if (!spec) return []
  return [
    document.practice,
    ...spec.inputs(document),
    ...(spec.after ?? []).flatMap((other) => inputsOf(other, document)),
  ]
}

/** Photographs and papers prove an input and are none. */
const proofOnly = new Set(['photos', 'papers'])

const withoutProofs = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(withoutProofs)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, one]) =>
      proofOnly.has(key) ? [] : [[key, withoutProofs(one)] as const],
    ),
  )
}

const known = new WeakMap<JobDocument, Map<SolvedSheetId, string>>()

/** Fingerprint of all that a sheet of the design rests on: a proof given for another one is open again. */
export function restsOn(id: SolvedSheetId, document: JobDocument): string {
  const mine = known.get(document) ?? new Map<SolvedSheetId, string>()
  known.set(document, mine)
  const print = mine.get(id) ?? `2:${fingerprint(withoutProofs(inputsOf(id, document)))}`
  mine.set(id, print)
  return print
}

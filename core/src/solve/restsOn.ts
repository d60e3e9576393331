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

const prints = new WeakMap<object, string>()

/** Fingerprint of one part of a document; a part that is the very same is not read again. */
function printOf(part: unknown): unknown {
  if (typeof part !== 'object' || part === null) return part ?? null
  const print = prints.get(part) ?? fingerprint(withoutProofs(part))
  prints.set(part, print)
  return print
}

/** Fingerprint of all that a sheet of the design rests on: a proof given for another one is open again. */
export const restsOn = (id: SolvedSheetId, document: JobDocument): string =>
  `2:${fingerprint(inputsOf(id, document).map(printOf))}`

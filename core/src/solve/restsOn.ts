import { fingerprint } from '../job/merge'
import { isUnfilled } from '../job/unfilled'
import type { JobDocument } from '../job/document'
import type { AnySpec, Answers, SolvedSheetId } from './sheets'
import { solvedSpec } from './sheets'

type Of = Partial<Answers>

/**
 * All that a sheet's answer is made from, by which it is solved again: what it rests on and what it
 * reads beside.
 */
export const inputsOf = (spec: AnySpec, document: JobDocument, of: Of): readonly unknown[] => [
  document.practice,
  ...spec.inputs(document, of),
  ...(spec.beside?.(document) ?? []),
]

/** Photographs and papers prove an input, makers and serial numbers name it; they are none. */
const proofOnly = new Set(['photos', 'papers', 'maker', 'vesselMaker'])

const isLeftOut = (key: string, value: unknown): boolean =>
  proofOnly.has(key) || isUnfilled(key, value)

const withoutProofs = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(withoutProofs)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, one]) =>
      isLeftOut(key, one) ? [] : [[key, withoutProofs(one)] as const],
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

/**
 * Fingerprint of what a sheet of the design rests on: a proof given for another one is open again.
 */
export function restsOn(id: SolvedSheetId, document: JobDocument, of: Of): string {
  const spec = solvedSpec(id)
  const other = spec.restsWith as SolvedSheetId | undefined
  if (other) return restsOn(other, document, of)
  return `2:${fingerprint([document.practice, ...spec.inputs(document, of)].map(printOf))}`
}

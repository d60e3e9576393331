import { createHash } from 'node:crypto'

const byKey = ([a]: readonly [string, unknown], [b]: readonly [string, unknown]): number => {
  if (a === b) return 0
  return a < b ? -1 : 1
}

/** JSON with every object's keys in one order, so that equal documents are equal texts. */
export const canonicalJson = (value: unknown): string =>
  JSON.stringify(value, (_, part: unknown) =>
    part !== null && typeof part === 'object' && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(byKey))
      : part,
  )

/** SHA-256 of the canonical form, in hex: what a signature says was signed. */
export const sha256Of = (value: unknown): string =>
  createHash('sha256').update(canonicalJson(value)).digest('hex')

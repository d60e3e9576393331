/** A document as it was stored, of whatever version. */
export type Raw = Record<string | number, unknown>

export const isBranch = (value: unknown): value is Raw =>
  typeof value === 'object' && value !== null

export const rowsIn = (value: unknown): Raw[] =>
  Array.isArray(value) ? value.filter(isBranch) : []

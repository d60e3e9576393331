import Papa from 'papaparse'

/** A table as it goes out: its name, the heads of its columns, its rows. */
export interface Table {
  readonly name: string
  readonly heads: readonly string[]
  readonly rows: readonly (readonly Cell[])[]
}
export type Cell = string | number | boolean | null | undefined

/** What a spreadsheet would run as a formula. */
const formula = /^[=+\-@\t\r]/

/**
 * A table as CSV (RFC 4180). A text that a spreadsheet would run stands behind an apostrophe; a
 * number is one and stays as it is.
 */
export const csvOf = ({ heads, rows }: Table): string =>
  Papa.unparse([heads, ...rows.map((row) => heads.map((_, i) => row[i] ?? ''))], {
    escapeFormulae: formula,
  })

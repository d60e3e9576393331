import type { TableRow } from '@hestian/core'
import Papa from 'papaparse'

/** What a spreadsheet would run as a formula. A negative number is none. */
const formula = /^[=+@\t\r]|^-(?![\d.,])/

/** Rows as CSV (RFC 4180); a text that a spreadsheet would run stands behind an apostrophe. */
export const toCsv = (columns: readonly string[], rows: readonly TableRow[]): string =>
  Papa.unparse(
    {
      fields: [...columns],
      data: rows.map((row) => columns.map((column) => row[column] ?? '')),
    },
    { escapeFormulae: formula },
  )

/**
 * Rows of a table of text with its heads as the columns are called; apostrophes that {@link toCsv}
 * put are taken off.
 */
export const fromCsv = (columns: readonly string[], text: string): readonly TableRow[] =>
  Papa.parse<TableRow>(text.trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) =>
      columns.find((column) => column.toLowerCase() === head.trim().toLowerCase()) ?? head.trim(),
    transform: (value) =>
      value.startsWith("'") && formula.test(value.slice(1)) ? value.slice(1) : value,
  }).data

import type { MaterialName } from '../methods/materials/pipes'
import { materials, sizeNamed } from '../methods/materials/pipes'
import type { Known } from '../job/known'
import { parseQuantity } from '../units/parse'
import type { UnitName } from '../units/units'
import { inOrder, meterNode } from '../methods/network/tree'

/**
 * Columns that every tree of pipes has as a table, in the order they are written. Read by name in
 * any order; unknown ones are passed over.
 */
export const sharedColumns = [
  'Pipe',
  'From',
  'Length',
  'Elbows',
  'Branch tees',
  'Material',
  'Size',
  'Ends at',
] as const
export type TableRow = Readonly<Record<string, string | undefined>>

/** What every row gives, whatever flows. */
export interface SharedSegment {
  readonly id: string
  readonly name: string
  readonly from: string
  readonly length_m: Known
  readonly elbows: number
  readonly branchTees: number
  readonly material: MaterialName
  readonly size: string | null
}

export interface ReadRows {
  /** Words for where the tree begins. */
  readonly source: string
  readonly allowed: readonly MaterialName[]
  readonly material: MaterialName
  /** Unit of a bare length. */
  readonly unit: UnitName
  readonly newId: () => string
  /** Where the lengths come from, as the ledger shows it. */
  readonly from: string
}

/** Says what is wrong with a row, and what is accepted. */
export type Wrong = (what: string) => void
export type RowsRead<S> =
  | { readonly ok: true; readonly segments: readonly S[] }
  | { readonly ok: false; readonly says: readonly string[] }

export const sameText = (a: string, b: string): boolean =>
  a.trim().toLowerCase() === b.trim().toLowerCase()
const mostRows = 600

/**
 * A tree from rows of text, or every sentence of what is wrong with them, by row: names missing or
 * twice, a pipe that leaves from none of them, a ring, a length that cannot be, a size its
 * catalogue does not have. `finish` reads what the network has of its own and gives the segment,
 * and whether anything may branch off it.
 */
export function treeFromRows<
  S extends { readonly id: string; readonly name: string; readonly from: string },
>(
  rows: readonly TableRow[],
  { source, allowed, material, unit, newId, from }: ReadRows,
  columns: readonly string[],
  finish: (
    shared: SharedSegment,
    row: TableRow,
    wrong: Wrong,
  ) => { readonly segment: S; readonly ends: string | undefined },
): RowsRead<S> {
  if (rows.length === 0)
    return {
      ok: false,
      says: [`No rows were found. The first line names the columns: ${columns.join(', ')}.`],
    }
  if (rows.length > mostRows)
    return { ok: false, says: [`${rows.length} rows; at most ${mostRows} pipes are kept.`] }
  const names = rows.map((row) => row.Pipe?.trim() ?? '')
  const first = new Map<string, number>()
  names.forEach((name, i) => {
    const key = name.toLowerCase()
    if (!first.has(key)) first.set(key, i)
  })
  const ids = names.map(() => newId())
  const says: string[] = []
  const read = rows.map((row, i) => {
    const name = names[i] ?? ''
    const wrong = (what: string) => {
      says.push(`Row ${i + 1}${name ? `, ${name}` : ''}: ${what}`)
    }
    if (name === '') wrong('it has no name under Pipe.')
    else if (first.get(name.toLowerCase()) !== i) wrong('another pipe has this name already.')
    const start = row.From?.trim() ?? ''
    const atSource = sameText(start, source) || sameText(start, meterNode)
    const feeder = first.get(start.toLowerCase())
    if (!atSource && feeder === undefined)
      wrong(
        `it leaves from “${start}”, which is no pipe here. Accepted: ${source}, or the name of a pipe.`,
      )
    const length = parseQuantity(row.Length ?? '', 'length', unit)
    if (length.outcome === 'refused') wrong(`length “${row.Length ?? ''}”. ${length.says}`)
    else if (length.outcome === 'ambiguous') wrong(`length: ${length.says}`)
    else if (!(length.si > 0)) wrong('its length is nothing; a pipe has some.')
    const made = row.Material?.trim()
      ? allowed.find(
          (one) =>
            sameText(materials[one].label, row.Material ?? '') || sameText(one, row.Material ?? ''),
        )
      : material
    if (!made)
      wrong(
        `“${row.Material}” is no material here. Accepted: ${allowed.map((one) => materials[one].label).join('; ')}.`,
      )
    const size = row.Size?.trim() || null
    if (size !== null && made && !sizeNamed(made, size))
      wrong(
        `${size} is not a size of ${materials[made].label}. Accepted: ${materials[made].sizes.map((one) => one.name).join(', ')}, or nothing to let Hestian choose.`,
      )
    const feederId = feeder === undefined ? '' : (ids[feeder] ?? '')
    return finish(
      {
        id: ids[i] ?? newId(),
        name: name.slice(0, 120),
        from: atSource ? meterNode : feederId,
        length_m:
          length.outcome === 'understood' ? { value: length.si, basis: 'read', from } : null,
        elbows: countOf(row.Elbows, 'Elbows', wrong),
        branchTees: countOf(row['Branch tees'], 'Branch tees', wrong),
        material: made ?? material,
        size,
      },
      row,
      wrong,
    )
  })
  const segments = read.map((one) => one.segment)
  if (says.length === 0) {
    const feeds = new Set(segments.map((segment) => segment.from))
    for (const segment of inOrder(segments).unreached)
      says.push(`${segment.name}: it does not lead back to the ${source}; it is part of a ring.`)
    for (const { segment, ends } of read)
      if (ends !== undefined && feeds.has(segment.id))
        says.push(
          `${segment.name}: ${ends} hangs on it and pipes branch off it. Let that have a pipe of its own.`,
        )
  }
  return says.length > 0 ? { ok: false, says } : { ok: true, segments }
}

/** A whole number of fittings out of a cell; none where it is empty. */
export function countOf(text: string | undefined, column: string, wrong: Wrong): number {
  const tidy = text?.trim() ?? ''
  if (tidy === '') return 0
  if (/^\d{1,3}$/.test(tidy) && Number(tidy) <= 200) return Number(tidy)
  wrong(`${column} “${tidy}”: a whole number, 0 to 200.`)
  return 0
}

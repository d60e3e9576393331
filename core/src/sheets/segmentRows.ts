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
  reads: ReadRows,
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
  const says: string[] = []
  const named = namesOf(rows, reads.newId)
  const read = rows.map((row, i) => {
    const name = named[i]?.name
    const wrong = (what: string) => {
      says.push(`Row ${i + 1}${name ? `, ${name}` : ''}: ${what}`)
    }
    return finish(sharedOf(row, i, named, reads, wrong), row, wrong)
  })
  if (says.length === 0) says.push(...shapeRefused(read, reads.source))
  return says.length > 0
    ? { ok: false, says }
    : { ok: true, segments: read.map((one) => one.segment) }
}

/** A row's name, the id its pipe gets, and whether it is the first of that name. */
interface NamedRow {
  readonly name: string
  /** The name as others are compared with it. */
  readonly key: string
  readonly id: string
  readonly first: boolean
}

function namesOf(rows: readonly TableRow[], newId: () => string): readonly NamedRow[] {
  const seen = new Set<string>()
  return rows.map((row) => {
    const name = row.Pipe?.trim() ?? ''
    const key = name.toLowerCase()
    const first = !seen.has(key)
    seen.add(key)
    return { name, key, id: newId(), first }
  })
}

function sharedOf(
  row: TableRow,
  i: number,
  named: readonly NamedRow[],
  reads: ReadRows,
  wrong: Wrong,
): SharedSegment {
  const { name = '', id = reads.newId(), first = true } = named[i] ?? {}
  if (name === '') wrong('it has no name under Pipe.')
  else if (!first) wrong('another pipe has this name already.')
  const from = leavesFrom(row, named, reads.source, wrong)
  const length_m = lengthOf(row, reads, wrong)
  const { material, size } = madeOf(row, reads, wrong)
  return {
    id,
    name: name.slice(0, 120),
    from,
    length_m,
    elbows: countOf(row.Elbows, 'Elbows', wrong),
    branchTees: countOf(row['Branch tees'], 'Branch tees', wrong),
    material,
    size,
  }
}

function leavesFrom(
  row: TableRow,
  named: readonly NamedRow[],
  source: string,
  wrong: Wrong,
): string {
  const start = row.From?.trim() ?? ''
  if (sameText(start, source) || sameText(start, meterNode)) return meterNode
  const key = start.toLowerCase()
  const feeder = named.find((one) => one.key === key)
  if (!feeder)
    wrong(
      `it leaves from “${start}”, which is no pipe here. Accepted: ${source}, or the name of a pipe.`,
    )
  return feeder?.id ?? ''
}

function lengthOf(
  row: TableRow,
  { unit, from }: ReadRows,
  wrong: Wrong,
): SharedSegment['length_m'] {
  const length = parseQuantity(row.Length ?? '', 'length', unit)
  if (length.outcome === 'refused') wrong(`length “${row.Length ?? ''}”. ${length.says}`)
  else if (length.outcome === 'ambiguous') wrong(`length: ${length.says}`)
  else if (!(length.si > 0)) wrong('its length is nothing; a pipe has some.')
  return length.outcome === 'understood' ? { value: length.si, basis: 'read', from } : null
}

function madeOf(
  row: TableRow,
  { allowed, material }: ReadRows,
  wrong: Wrong,
): Pick<SharedSegment, 'material' | 'size'> {
  const written = row.Material?.trim() ?? ''
  const made =
    written === ''
      ? material
      : allowed.find((one) => sameText(materials[one].label, written) || sameText(one, written))
  if (!made)
    wrong(
      `“${row.Material}” is no material here. Accepted: ${allowed.map((one) => materials[one].label).join('; ')}.`,
    )
  const size = row.Size?.trim() || null
  if (size !== null && made && !sizeNamed(made, size))
    wrong(
      `${size} is not a size of ${materials[made].label}. Accepted: ${materials[made].sizes.map((one) => one.name).join(', ')}, or nothing to let Hestian choose.`,
    )
  return { material: made ?? material, size }
}

/** What is wrong with the whole: a ring, or something that hangs on a pipe that branches. */
function shapeRefused(
  read: readonly {
    readonly segment: { readonly id: string; readonly name: string; readonly from: string }
    readonly ends: string | undefined
  }[],
  source: string,
): readonly string[] {
  const segments = read.map((one) => one.segment)
  const feeds = new Set(segments.map((segment) => segment.from))
  return [
    ...inOrder(segments).unreached.map(
      ({ name }) => `${name}: it does not lead back to the ${source}; it is part of a ring.`,
    ),
    ...read.flatMap(({ segment, ends }) =>
      ends !== undefined && feeds.has(segment.id)
        ? [
            `${segment.name}: ${ends} hangs on it and pipes branch off it. Let that have a pipe of its own.`,
          ]
        : [],
    ),
  ]
}

/** A whole number of fittings out of a cell; none where it is empty. */
export function countOf(text: string | undefined, column: string, wrong: Wrong): number {
  const tidy = text?.trim() ?? ''
  if (tidy === '') return 0
  if (/^\d{1,3}$/.test(tidy) && Number(tidy) <= 200) return Number(tidy)
  wrong(`${column} “${tidy}”: a whole number, 0 to 200.`)
  return 0
}

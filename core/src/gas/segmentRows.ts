import type { Appliance, JobDocument } from '../job/document'
import { blankGasSegment } from '../job/gasDocument'
import type { GasSegment } from '../job/gasDocument'
import type { Show } from '../units/format'
import { parseQuantity } from '../units/parse'
import type { UnitName } from '../units/units'
import type { MaterialName } from './pipes'
import { materialNames, materials, sizeNamed } from './pipes'
import { inOrder, meterNode } from '../network/tree'

/** Columns of a gas tree as a table, in the order they are written. Read by name in any order; unknown ones are passed over. */
export const segmentColumns = ['Pipe', 'From', 'Length', 'Elbows', 'Branch tees', 'Material', 'Size', 'Ends at'] as const
export type SegmentColumn = (typeof segmentColumns)[number]
export type SegmentRow = Readonly<Partial<Record<SegmentColumn, string>>>

/** A gas tree as rows of text, lengths with their unit. */
export function segmentRows({ gas, appliances }: Pick<JobDocument, 'gas' | 'appliances'>, show: Show): readonly Readonly<Record<SegmentColumn, string>>[] {
  return gas.segments.map((segment) => ({
    Pipe: segment.name, From: segment.from === meterNode ? meterNode : (gas.segments.find((one) => one.id === segment.from)?.name ?? ''), Length: segment.length_m ? show(segment.length_m.value, 'length', 2).replace(/\s/g, ' ') : '', Elbows: String(segment.elbows), 'Branch tees': String(segment.branchTees),
    Material: materials[segment.material].label, Size: segment.size ?? '', 'Ends at': appliances.find((one) => one.id === segment.applianceId)?.name ?? '',
  }))
}

export type RowsRead = { readonly ok: true; readonly segments: readonly GasSegment[] } | { readonly ok: false; readonly says: readonly string[] }

interface ReadFrom {
  readonly appliances: readonly Appliance[]
  readonly material: MaterialName
  /** Unit of a bare length. */
  readonly unit: UnitName
  readonly newId: () => string
  /** Where the lengths come from, as the ledger shows it. */
  readonly from: string
}

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()

/**
 * A gas tree from rows of text, or every sentence of what is wrong with them, by row: names missing or twice, a pipe that leaves from none of
 * them, a ring, a length that cannot be, a size its catalogue does not have, an appliance that is not there, a load on a pipe that branches.
 */
export function segmentsFromRows(rows: readonly SegmentRow[], { appliances, material, unit, newId, from }: ReadFrom): RowsRead {
  if (rows.length === 0) return { ok: false, says: [`No rows were found. The first line names the columns: ${segmentColumns.join(', ')}.`] }
  if (rows.length > 600) return { ok: false, says: [`${rows.length} rows; at most 600 pipes are kept.`] }
  const names = rows.map((row) => row.Pipe?.trim() ?? '')
  const ids = names.map(() => newId())
  const says: string[] = []
  const wrong = (i: number, what: string) => { says.push(`Row ${i + 1}${names[i] ? `, ${names[i]}` : ''}: ${what}`) }
  const segments = rows.map((row, i): GasSegment => {
    const name = names[i] ?? ''
    if (name === '') wrong(i, 'it has no name under Pipe.')
    else if (names.findIndex((one) => same(one, name)) !== i) wrong(i, 'another pipe has this name already.')
    const start = row.From?.trim() ?? ''
    const feeder = names.findIndex((one) => same(one, start))
    if (!same(start, meterNode) && feeder < 0) wrong(i, `it leaves from “${start}”, which is no pipe here. Accepted: ${meterNode}, or the name of a pipe.`)
    const length = parseQuantity(row.Length ?? '', 'length', unit)
    if (length.outcome === 'refused') wrong(i, `length “${row.Length ?? ''}”. ${length.says}`)
    else if (length.outcome === 'ambiguous') wrong(i, `length: ${length.says}`)
    else if (!(length.si > 0)) wrong(i, 'its length is nothing; a pipe has some.')
    const made = row.Material?.trim() ? materialNames.find((one) => same(materials[one].label, row.Material ?? '') || same(one, row.Material ?? '')) : material
    if (!made) wrong(i, `“${row.Material}” is no material here. Accepted: ${materialNames.map((one) => materials[one].label).join('; ')}.`)
    const size = row.Size?.trim() || null
    if (size !== null && made && !sizeNamed(made, size)) wrong(i, `${size} is not a size of ${materials[made].label}. Accepted: ${materials[made].sizes.map((one) => one.name).join(', ')}, or nothing to let Hestian choose.`)
    const ends = row['Ends at']?.trim() ?? ''
    const appliance = ends === '' ? undefined : appliances.find((one) => same(one.name, ends))
    if (ends !== '' && !appliance) wrong(i, `it ends at “${ends}”, which is not on Rating plates.`)
    return {
      ...blankGasSegment({ id: ids[i] ?? newId(), name: name.slice(0, 120), from: same(start, meterNode) ? meterNode : (ids[feeder] ?? ''), material: made ?? material }), length_m: length.outcome === 'understood' ? { value: length.si, basis: 'read', from } : null,
      elbows: countOf(row.Elbows, 'Elbows', i, wrong), branchTees: countOf(row['Branch tees'], 'Branch tees', i, wrong), size, applianceId: appliance?.id ?? null,
    }
  })
  if (says.length === 0) {
    for (const segment of inOrder(segments).unreached) says.push(`${segment.name}: it does not lead back to the meter; it is part of a ring.`)
    for (const segment of segments) if (segment.applianceId !== null && segments.some((one) => one.from === segment.id)) says.push(`${segment.name}: an appliance hangs on it and pipes branch off it. Let the appliance have a pipe of its own.`)
  }
  return says.length > 0 ? { ok: false, says } : { ok: true, segments }
}

function countOf(text: string | undefined, column: string, i: number, wrong: (i: number, what: string) => void): number {
  const tidy = text?.trim() ?? ''
  if (tidy === '') return 0
  if (/^\d{1,3}$/.test(tidy) && Number(tidy) <= 200) return Number(tidy)
  wrong(i, `${column} “${tidy}”: a whole number, 0 to 200.`)
  return 0
}

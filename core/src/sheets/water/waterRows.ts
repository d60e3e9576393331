import { materials, materialsFor } from '../../methods/materials/pipes'
import type { JobDocument } from '../../job/document'
import type { Outlet } from '../../job/hotWaterDocument'
import type { WaterEnd, WaterSegment } from '../../job/waterDocument'
import { blankWaterSegment } from '../../job/waterDocument'
import type { ReadRows, RowsRead, TableRow, Wrong } from '../segmentRows'
import { sameText, sharedColumns, treeFromRows } from '../segmentRows'
import { meterNode } from '../../methods/network/tree'
import type { Show } from '../../units/format'
import { parseQuantity } from '../../units/parse'

/**
 * Columns of a water tree as a table: the shared ones, how much higher the far end lies, and how
 * many outlets stand there.
 */
export const waterColumns = [
  ...sharedColumns.slice(0, 3),
  'Rise',
  ...sharedColumns.slice(3),
  'How many',
] as const
const mainWord = 'main'
const [heaterWord, makeUpWord] = ['heater', 'make-up']

/** A water tree as rows of text, lengths with their unit. */
export function waterRows(
  { water, hotWater }: Pick<JobDocument, 'water' | 'hotWater'>,
  show: Show,
): readonly TableRow[] {
  const byId = new Map(water.segments.map((segment) => [segment.id, segment.name]))
  const long = (si: number, measure: 'length' | 'elevation') =>
    show(si, measure, 2).replace(/\s/g, ' ')
  const endOf = (end: WaterEnd | null) => {
    if (end === null) return ''
    if (end.kind === 'outlet')
      return hotWater?.outlets.find((outlet) => outlet.id === end.outletId)?.name ?? ''
    return end.kind === 'heater' ? heaterWord : makeUpWord
  }
  return water.segments.map((segment) => ({
    Pipe: segment.name,
    From: segment.from === meterNode ? mainWord : (byId.get(segment.from) ?? ''),
    Length: segment.length_m ? long(segment.length_m.value, 'length') : '',
    Rise: segment.rise_m ? long(segment.rise_m.value, 'elevation') : '',
    Elbows: String(segment.elbows),
    'Branch tees': String(segment.branchTees),
    Material: materials[segment.material].label,
    Size: segment.size ?? '',
    'Ends at': endOf(segment.end),
    'How many': segment.end?.kind === 'outlet' ? String(segment.end.count) : '',
  }))
}

/**
 * A water tree from rows of text, or every sentence of what is wrong with them: as {@link
 * treeFromRows}, and an outlet that is not there, or a rise that cannot be.
 */
export function waterFromRows(
  rows: readonly TableRow[],
  {
    outlets,
    before = [],
    ...reads
  }: Omit<ReadRows, 'source' | 'allowed'> & {
    readonly outlets: readonly Outlet[]
    /** Pipes that stand there: what a table does not hold is kept by name. */ readonly before?: readonly WaterSegment[]
  },
): RowsRead<WaterSegment> {
  return treeFromRows<WaterSegment>(
    rows,
    { ...reads, source: mainWord, allowed: materialsFor('water') },
    waterColumns,
    (shared, row, wrong) => {
      const rise_m = riseOf(row, reads, wrong)
      const end = endOfRow(row, outlets, wrong)
      const kept = before.find((one) => sameText(one.name, shared.name))
      return {
        segment: {
          ...blankWaterSegment(shared),
          ...(kept ? { partDrop_Pa: kept.partDrop_Pa, partFlow_m3_s: kept.partFlow_m3_s } : {}),
          ...shared,
          rise_m,
          end,
        },
        ends: end === null || end.kind === 'heater' ? undefined : cell(row, 'Ends at'),
      }
    },
  )
}

const cell = (row: TableRow, column: string): string => row[column]?.trim() ?? ''

function riseOf(
  row: TableRow,
  { unit, from }: Pick<ReadRows, 'unit' | 'from'>,
  wrong: Wrong,
): WaterSegment['rise_m'] {
  const text = cell(row, 'Rise')
  if (text === '') return null
  const rise = parseQuantity(text, 'elevation', unit)
  if (rise.outcome === 'understood') return { value: rise.si, basis: 'read', from }
  wrong(`rise “${text}”. ${rise.says}`)
  return null
}

function endOfRow(row: TableRow, outlets: readonly Outlet[], wrong: Wrong): WaterEnd | null {
  const ends = cell(row, 'Ends at')
  const many = cell(row, 'How many')
  const outlet = outlets.find((one) => sameText(one.name, ends))
  const count = many === '' ? 1 : Number(many)
  if (outlet && !(Number.isInteger(count) && count >= 1 && count <= 200))
    wrong(`How many “${many}”: a whole number, 1 to 200.`)
  const end = endNamed(ends, outlet, count)
  if (ends !== '' && end === null)
    wrong(
      `it ends at “${ends}”. Accepted: ${[...outlets.map((one) => one.name), heaterWord, makeUpWord].join('; ')}, or nothing.`,
    )
  return end
}

/** What a pipe ends at by what its row says; null where that is nothing, or nothing known. */
function endNamed(ends: string, outlet: Outlet | undefined, count: number): WaterEnd | null {
  if (ends === '') return null
  if (sameText(ends, heaterWord)) return { kind: 'heater' }
  if (sameText(ends, makeUpWord)) return { kind: 'make-up' }
  if (!outlet) return null
  const many = Math.max(1, Math.min(200, Math.round(count) || 1))
  return { kind: 'outlet', outletId: outlet.id, count: many }
}

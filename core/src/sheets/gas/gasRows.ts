import type { Appliance, JobDocument } from '../../job/document'
import { blankGasSegment } from '../../job/gasDocument'
import type { GasSegment } from '../../job/gasDocument'
import type { ReadRows, RowsRead, TableRow } from '../segmentRows'
import { sameText, sharedColumns, treeFromRows } from '../segmentRows'
import { meterNode } from '../../methods/network/tree'
import type { Show } from '../../units/format'
import { materials, materialsFor } from '../../methods/materials/pipes'

/** Columns of a gas tree as a table. */
export const segmentColumns = sharedColumns
export type SegmentColumn = (typeof segmentColumns)[number]

/** A gas tree as rows of text, lengths with their unit. */
export function segmentRows(
  { gas, appliances }: Pick<JobDocument, 'gas' | 'appliances'>,
  show: Show,
): readonly Readonly<Record<SegmentColumn, string>>[] {
  const byId = new Map(gas.segments.map((segment) => [segment.id, segment.name]))
  return gas.segments.map((segment) => ({
    Pipe: segment.name,
    From: segment.from === meterNode ? meterNode : (byId.get(segment.from) ?? ''),
    Length: segment.length_m ? show(segment.length_m.value, 'length', 2).replace(/\s/g, ' ') : '',
    Elbows: String(segment.elbows),
    'Branch tees': String(segment.branchTees),
    Material: materials[segment.material].label,
    Size: segment.size ?? '',
    'Ends at': appliances.find((one) => one.id === segment.applianceId)?.name ?? '',
  }))
}

/**
 * A gas tree from rows of text, or every sentence of what is wrong with them: as {@link
 * treeFromRows}, and an appliance that is not there, or a load on a pipe that branches.
 */
export function segmentsFromRows(
  rows: readonly TableRow[],
  {
    appliances,
    before = [],
    ...reads
  }: Omit<ReadRows, 'source' | 'allowed'> & {
    readonly appliances: readonly Appliance[]
    /** Pipes that stand there: what a table does not hold is kept by name. */ readonly before?: readonly GasSegment[]
  },
): RowsRead<GasSegment> {
  return treeFromRows<GasSegment>(
    rows,
    { ...reads, source: meterNode, allowed: materialsFor('gas') },
    segmentColumns,
    (shared, row, wrong) => {
      const ends = row['Ends at']?.trim() ?? ''
      const appliance = ends === '' ? undefined : appliances.find((one) => sameText(one.name, ends))
      if (ends !== '' && !appliance) wrong(`it ends at “${ends}”, which is not on Rating plates.`)
      const kept = before.find((one) => sameText(one.name, shared.name))
      return {
        segment: {
          ...blankGasSegment(shared),
          ...(kept
            ? {
                end: kept.end,
                regulator: kept.regulator,
                reserve_W: kept.reserve_W,
                laid: kept.laid,
              }
            : {}),
          ...shared,
          applianceId: appliance?.id ?? null,
        },
        ends: appliance?.name,
      }
    },
  )
}

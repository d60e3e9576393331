import { inspectionWordings } from './wording'
import type { RecordedSpec } from '../sheetSpec'
import type { InspectionFinding } from './wording'
import type { BodyOf, JobRecord } from '../../job/records'
import { ofKind } from '../../job/records'
import { fingerprint } from '../../job/merge'
import { inspectionItems } from './inspection'
import { sources } from '../../answer/sources'
import { showIn } from '../../units/format'
import type { Sheet } from '../../answer/sheet'
import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'

/** The last inspection of an item. */
export interface Inspected {
  readonly body: BodyOf<'inspected'>
  readonly at: string
  readonly by: string
}

export type AllInspected = Readonly<Record<string, Inspected>>

/** What is there already, walked item by item. An unsafe item stops until it is inspected again. */
export function inspectionSheet(
  document: JobDocument,
  practice: Practice,
  inspected: AllInspected,
): Sheet<unknown> {
  if (!document.survey.inspecting)
    return { applies: false, because: 'Nothing that is there already is being inspected.' }
  const items = inspectionItems(document, practice, showIn(practice.units))
  const bad = (
    verdict: 'unsafe' | 'look-again',
    id: InspectionFinding['id'],
    severity: InspectionFinding['severity'],
  ) =>
    items.flatMap((item): InspectionFinding[] => {
      const seen = inspected[item.id]?.body
      return seen?.verdict === verdict
        ? [
            {
              id,
              severity,
              place: `inspection.${item.id}`,
              names: [item.name, `${seen.note || 'No note.'} Held against: ${item.limit}.`],
              source: sources.trade,
            },
          ]
        : []
    })
  const against = items.flatMap((item): InspectionFinding[] =>
    inspected[item.id]?.body.verdict === 'sound' && item.suggests && item.suggests !== 'sound'
      ? [
          {
            id: 'inspected-against-figures',
            severity: item.suggests === 'unsafe' ? 'stop' : 'fix',
            place: `inspection.${item.id}`,
            names: [item.name, item.found ?? '', item.limit],
            source: item.source,
          },
        ]
      : [],
  )
  return {
    applies: true,
    answer: items.length,
    missing: items
      .filter((item) => !inspected[item.id])
      .map((item) => ({ place: `inspection.${item.id}`, what: item.name })),
    findings: [
      ...bad('unsafe', 'inspected-unsafe', 'stop'),
      ...against,
      ...bad('look-again', 'inspected-look-again', 'note'),
    ],
    workings: () => [],
  }
}

export const lastInspected = (entries: readonly JobRecord[]): AllInspected =>
  Object.fromEntries(
    ofKind(entries, 'inspected').map(({ body, at, by }) => [body.item, { body, at, by }]),
  )

export const inspectionSpec: RecordedSpec<'inspection', typeof inspectionWordings> = {
  id: 'inspection',
  wordings: inspectionWordings,
  judge: (document, practice, { entries }) => {
    const inspected = lastInspected(entries)
    const items = inspectionItems(document, practice, showIn(practice.units))
    return {
      sheet: inspectionSheet(document, practice, inspected),
      restsOn: fingerprint(items.map((item) => [item.id, inspected[item.id]?.at])),
    }
  },
}

import type { JobDocument } from '../job/document'
import type { BodyOf, JobRecord } from '../job/records'
import { ofKind } from '../job/records'
import { kindsOf } from './kinds'
import type { TickItem, TickItemId } from './tickItems'
import { tickGroups, tickItems } from './tickItems'

/** An item of the work list with what was recorded of it. */
export interface JudgedItem {
  readonly item: TickItem
  readonly ticked?: {
    readonly recordId: string
    readonly at: string
    readonly by: string
    readonly body: BodyOf<'ticked'>
  }
}

/** Asked before anything is taken out; of work whose isolation is done in steps only the first. */
const hazards = ['asbestos', 'dead', 'cool'] as const

/** Items asked only where the installation has what they are about. */
const isHere: Readonly<Partial<Record<TickItemId, (document: JobDocument) => boolean>>> = {
  'backflow-tested': ({ water }) => water.makeUp.device === 'backflow-preventer',
}

/**
 * What the work asks to be done and written down, in the order of work, each once; with what was
 * ticked under an earlier list.
 */
export function workItems(
  document: JobDocument,
  ticked: readonly string[] = [],
): readonly TickItem[] {
  const kinds = kindsOf(document)
  const wanted = new Set<string>([
    ...kinds.flatMap(({ takesOut, stepped }) =>
      takesOut ? hazards.slice(0, stepped ? 1 : hazards.length) : [],
    ),
    ...kinds.flatMap(({ list }) => list),
    ...(kinds.length > 0 ? ticked : []),
  ])
  const part = document.work.exchange?.part
  const all: readonly TickItem[] = tickItems
  return tickGroups.flatMap((group) =>
    all.filter(
      (item) =>
        item.group === group &&
        wanted.has(item.id) &&
        (isHere[item.id as TickItemId]?.(document) !== false || ticked.includes(item.id)) &&
        (item.parts === undefined || (part !== undefined && item.parts.includes(part))),
    ),
  )
}

export function judgeItems(
  document: JobDocument,
  entries: readonly JobRecord[],
): readonly JudgedItem[] {
  const records = ofKind(entries, 'ticked')
  const ticked = records.map(({ body }) => body.item)
  return workItems(document, ticked).map((item): JudgedItem => {
    const last = records.filter(({ body }) => body.item === item.id).at(-1)
    return last
      ? { item, ticked: { recordId: last.id, at: last.at, by: last.by, body: last.body } }
      : { item }
  })
}

import type { BodyOf, JobRecord } from '../job/records'
import { ofKind } from '../job/records'

export interface Snag {
  readonly id: string
  readonly body: BodyOf<'snag'>
  readonly at: string
  readonly by: string
}

export function openSnags(entries: readonly JobRecord[]): readonly Snag[] {
  const done = new Set(ofKind(entries, 'snag-done').map((record) => record.body.snag))
  return ofKind(entries, 'snag')
    .filter((record) => !done.has(record.id))
    .map(({ id, body, at, by }) => ({ id, body, at, by }))
}

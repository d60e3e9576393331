import type { BodyOf, JobRecord } from '../job/records'
import { ofKind } from '../job/records'

export interface OffItem {
  readonly id: string
  readonly body: BodyOf<'off'>
  readonly at: string
  readonly by: string
}

/** Everything shut, opened, linked or overridden that nobody has put back. */
export function stillOff(entries: readonly JobRecord[]): readonly OffItem[] {
  const restored = new Set(ofKind(entries, 'put-back').map((record) => record.body.off))
  return ofKind(entries, 'off')
    .filter((record) => !restored.has(record.id))
    .map(({ id, body, at, by }) => ({ id, body, at, by }))
}
export const offWords = {
  shut: 'shut',
  'held-open': 'held open',
  opened: 'open',
  disconnected: 'disconnected and capped',
  'power-off': 'off',
  drained: 'drained',
  linked: 'linked',
  'lever-over': 'over',
  unlit: 'to be lit again',
} as const

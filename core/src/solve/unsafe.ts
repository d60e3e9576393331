import type { BodyOf, JobRecord } from '../job/records'
import { ofKind } from '../job/records'

/** An unsafe situation that was seen, and how it was put right, where it was. */
export interface UnsafeSituation {
  readonly id: string
  readonly body: BodyOf<'unsafe'>
  readonly at: string
  readonly by: string
  readonly ended?: { readonly how: string; readonly at: string; readonly by: string }
}

export function unsafeSituations(entries: readonly JobRecord[]): readonly UnsafeSituation[] {
  const ends = ofKind(entries, 'unsafe-ended')
  return ofKind(entries, 'unsafe').map(({ id, body, at, by }): UnsafeSituation => {
    const end = ends.find((one) => one.body.unsafe === id)
    return {
      id,
      body,
      at,
      by,
      ...(end ? { ended: { how: end.body.how, at: end.at, by: end.by } } : {}),
    }
  })
}

/** Those that nobody has put right. */
export const openUnsafe = (all: readonly UnsafeSituation[]): readonly UnsafeSituation[] =>
  all.filter((one) => !one.ended)

import type { BodyOf, JobRecord } from '../job/records'
import { ofKind } from '../job/records'
import type { Judgement } from './judge'
import { offWords } from './offStrip'
import type { Signing } from './signing'

/** One visit to the site: begun, and ended or still going on. */
export interface Visit {
  readonly id: string
  readonly from: string
  readonly by: string
  readonly body: BodyOf<'visit-begun'>
  readonly ended?: {
    readonly at: string
    readonly by: string
    readonly body: BodyOf<'visit-ended'>
  }
}

/** Every visit that was recorded, in its order. */
export function visitsOf(entries: readonly JobRecord[]): readonly Visit[] {
  const ends = ofKind(entries, 'visit-ended')
  return ofKind(entries, 'visit-begun').map(({ id, at, by, body }): Visit => {
    const end = ends.find((one) => one.body.visit === id)
    return {
      id,
      from: at,
      by,
      body,
      ...(end ? { ended: { at: end.at, by: end.by, body: end.body } } : {}),
    }
  })
}

/** The visit that goes on now. */
export const openVisit = (visits: readonly Visit[]): Visit | undefined =>
  visits.findLast(({ ended }) => ended === undefined)

/** What is said at the end of a visit. */
export interface VisitEnd {
  readonly done: string
  readonly left: string
  readonly staysOff: Readonly<Record<string, string>>
}

/** Begins a visit; one at a time. */
export function beginVisit({ visits }: Pick<Judgement, 'visits'>, with_: string): Signing {
  return openVisit(visits)
    ? { ok: false, code: 'not-yet', says: 'A visit goes on already: end it first.' }
    : { ok: true, bodies: [{ kind: 'visit-begun', with: with_.trim() }] }
}

/** Ends the visit that goes on: with what was done, and why each thing that is off stays off. */
export function endVisit(
  { visits, off }: Pick<Judgement, 'visits' | 'off'>,
  { done, left, staysOff }: VisitEnd,
): Signing {
  const visit = openVisit(visits)
  if (!visit) return { ok: false, code: 'no-such-step', says: 'No visit goes on.' }
  if (done.trim().length < 3)
    return { ok: false, code: 'reading-missing', says: 'Say what was done.' }
  const unexplained = off.find(({ id }) => (staysOff[id] ?? '').trim().length < 3)
  if (unexplained)
    return {
      ok: false,
      code: 'guard-open',
      says: `${unexplained.body.name} is still ${offWords[unexplained.body.state]}: put it back, or say why it stays so.`,
    }
  return {
    ok: true,
    bodies: [
      {
        kind: 'visit-ended',
        visit: visit.id,
        done: done.trim(),
        left: left.trim(),
        staysOff: Object.fromEntries(off.map(({ id }) => [id, (staysOff[id] ?? '').trim()])),
      },
    ],
  }
}

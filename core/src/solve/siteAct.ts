import type { JobRecord, RecordBody } from '../job/records'
import type { Person } from '../practice/tickets'
import type { Judgement } from './judge'
import { confirmGuard, countersignStep, putBack, signStep, skipStep, undoStep } from './signing'
import type { SignedWith, Signing, Undoing } from './signing'
import type { VisitEnd } from './visits'
import { beginVisit, endVisit } from './visits'

/**
 * What somebody does on site: judged by the page at once, and again by the server as it arrives.
 */
export type SiteAct =
  | { readonly do: 'guard'; readonly stepId: string; readonly guardId: string }
  | { readonly do: 'sign'; readonly stepId: string; readonly given: SignedWith }
  | { readonly do: 'skip' | 'undo'; readonly stepId: string; readonly because: string }
  | { readonly do: 'countersign'; readonly stepId: string }
  | { readonly do: 'put-back'; readonly offId: string }
  | { readonly do: 'visit-begin'; readonly with: string }
  | { readonly do: 'visit-end'; readonly end: VisitEnd }

export type Decision = Signing & { readonly undoing?: Undoing | undefined }

/** Whether an act is allowed as the job stands, and what it records. */
export function decide(judgement: Judgement, person: Person, act: SiteAct): Decision {
  switch (act.do) {
    case 'guard':
      return confirmGuard(judgement, act.stepId, act.guardId)
    case 'sign':
      return signStep(judgement, act.stepId, person, act.given)
    case 'skip':
      return skipStep(judgement, act.stepId, person, act.because)
    case 'undo':
      return undoStep(judgement, act.stepId, person, act.because)
    case 'countersign':
      return countersignStep(judgement, act.stepId, person)
    case 'put-back':
      return putBack(judgement, act.offId)
    case 'visit-begin':
      return beginVisit(judgement, act.with)
    case 'visit-end':
      return endVisit(judgement, act.end)
  }
}

/** Where an act is sent, beneath its job, and what goes with it. */
export function requestOf(act: SiteAct): { readonly path: string; readonly body: object } {
  switch (act.do) {
    case 'guard':
      return { path: `/steps/${act.stepId}/guards`, body: { guardId: act.guardId } }
    case 'sign':
      return { path: `/steps/${act.stepId}/sign`, body: act.given }
    case 'skip':
    case 'undo':
      return { path: `/steps/${act.stepId}/${act.do}`, body: { because: act.because } }
    case 'countersign':
      return { path: `/steps/${act.stepId}/countersign`, body: {} }
    case 'put-back':
      return { path: `/off/${act.offId}/put-back`, body: {} }
    case 'visit-begin':
      return { path: '/visits', body: { with: act.with } }
    case 'visit-end':
      return { path: '/visits/end', body: act.end }
  }
}

/**
 * The records of an act, the first under the act's own id: page and server number them alike, so
 * that sent twice they are stored once.
 */
export const numbered = (
  bodies: readonly RecordBody[],
  act: { readonly id: string; readonly by: string },
  at: string,
): JobRecord[] =>
  bodies.map((body, i) => ({
    id: i === 0 ? act.id : `${act.id.slice(0, 54)}-${i}`,
    at,
    by: act.by,
    body,
  }))

/** What an act records, with what it takes back. */
export const recordsOfAct = (
  decision: Extract<Decision, { ok: true }>,
  act: { readonly id: string; readonly by: string },
  at: string,
): JobRecord[] =>
  numbered(decision.bodies, act, at).map((record) => ({ ...record, ...decision.undoing }))

import { Refused } from '@hestian/core'
import { reach } from '../api/reach'
import { signedOut } from '../api/signedOut'
import type { Outgoing } from './outbox'

/** A request that has no answer by then counts as not delivered. */
const patience_ms = 15_000

/**
 * What became of sending one thing. `away`: no answer, it goes again by itself. `signed-out`: it
 * goes when somebody has signed in. `other-person`: it goes when whoever made it has. `refused`:
 * the server said why not. `foreign`: something answered that is not this server, or the server
 * failed; worth a few tries, then somebody has to know.
 */
export type Delivery =
  | { readonly outcome: 'delivered' | 'away' | 'signed-out' }
  | { readonly outcome: 'refused' | 'foreign' | 'other-person'; readonly says: string }

export async function deliver(entry: Outgoing): Promise<Delivery> {
  const delivery = await tried(entry)
  if (delivery.outcome === 'away') reach.lost()
  else reach.back()
  return delivery
}

async function tried(entry: Outgoing): Promise<Delivery> {
  try {
    const response = await send(entry)
    if (response.ok) return { outcome: 'delivered' }
    const ours = Refused.safeParse(await response.json().catch(() => undefined))
    return ours.success ? ofOurs(response.status, ours.data) : ofSomethingElse(response.status)
  } catch {
    return { outcome: 'away' }
  }
}

/** What a sentence of our own server means for what was sent. */
function ofOurs(status: number, { code, says }: Refused): Delivery {
  if (code === 'not-signed-in') {
    signedOut.tell()
    return { outcome: 'signed-out' }
  }
  if (code === 'other-person') return { outcome: 'other-person', says }
  if (isForLater(code)) return { outcome: 'foreign', says }
  return status < 500
    ? { outcome: 'refused', says }
    : { outcome: 'foreign', says: foreignWords(status, true) }
}

/** A gateway says so when the server behind it is not there. */
const ofSomethingElse = (status: number): Delivery =>
  [502, 503, 504].includes(status)
    ? { outcome: 'away' }
    : { outcome: 'foreign', says: foreignWords(status, false) }

/** Refusals that are about the moment, not about what was sent. */
const isForLater = (code: string): boolean =>
  ['disk-full', 'storage-failed', 'too-many', 'took-too-long'].includes(code)

function foreignWords(status: number, ours: boolean): string {
  if (ours) return `The server failed (${status}); its log says why.`
  if (status === 401 || status === 407)
    return `Something between here and the server asks for a sign-in (${status}). Sign in there, then try again.`
  if (status === 413) return `Something between here and the server takes nothing so large (413).`
  return `Something that is not the server answered (${status}).`
}

const post = (path: string, body: object): Promise<Response> =>
  fetch(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(patience_ms),
  })

function send(entry: Outgoing): Promise<Response> {
  switch (entry.kind) {
    case 'record':
      return post(`/api/jobs/${entry.jobId}/records`, entry.record)
    case 'act':
      return post(`/api/jobs/${entry.jobId}${entry.path}`, entry.body)
    case 'sample': {
      const { id, jobId, testId, by, sample } = entry
      return post(`/api/jobs/${jobId}/tests/${testId}/samples`, { id, by, sample })
    }
    case 'evidence':
      return fetch(`/api/evidence/${entry.id}`, {
        method: 'PUT',
        headers: { 'content-type': entry.type },
        body: entry.blob,
        signal: AbortSignal.timeout(4 * patience_ms),
      })
  }
}

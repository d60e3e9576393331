import { Refused } from '@hestian/core'
import { reach } from '../api/reach'
import type { Outgoing } from './outbox'

/** A request that has no answer by then counts as not delivered. */
const patience_ms = 15_000

/**
 * What became of sending one thing. `away`: no answer, it goes again by itself. `refused`: the server said why not. `foreign`: something
 * answered that is not this server, or the server failed; worth a few tries, then somebody has to know.
 */
export type Delivery =
  | { readonly outcome: 'delivered' | 'away' }
  | { readonly outcome: 'refused' | 'foreign'; readonly says: string }

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
    const { status } = response
    const ours = Refused.safeParse(await response.json().catch(() => undefined))
    if (
      ours.success &&
      (status < 500 || ours.data.code === 'disk-full' || ours.data.code === 'storage-failed')
    )
      return { outcome: isForLater(ours.data.code) ? 'foreign' : 'refused', says: ours.data.says }
    // A gateway says so when the server behind it is not there.
    if (!ours.success && (status === 502 || status === 503 || status === 504))
      return { outcome: 'away' }
    return { outcome: 'foreign', says: foreignWords(status, ours.success) }
  } catch {
    return { outcome: 'away' }
  }
}

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

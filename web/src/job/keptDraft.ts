import type { JobDocument } from '@hestian/core'
import { mergeDocuments, readStoredDocument } from '@hestian/core'

/**
 * What this browser had typed on a job and the server has not acknowledged: one for all its tabs.
 */
export interface Kept {
  readonly base: JobDocument
  readonly saveNumber: number
  readonly document: JobDocument
}

const keyOf = (jobId: string) => `draft:${jobId}`

/** What is kept of a job, if a reload or a crash came in between, or another tab is typing. */
export function keptDraft(jobId: string): Kept | undefined {
  try {
    return readKept(localStorage.getItem(keyOf(jobId)))
  } catch {
    return undefined
  }
}

function readKept(text: string | null): Kept | undefined {
  if (text === null) return undefined
  const raw = JSON.parse(text) as Kept
  const [base, document] = [readStoredDocument(raw.base), readStoredDocument(raw.document)]
  return base.ok && document.ok
    ? { base: base.document, document: document.document, saveNumber: raw.saveNumber }
    : undefined
}

/** What this tab last kept of each job, as text: what is the same needs no reading. */
const mine = new Map<string, string>()

/**
 * What another tab kept since this one last did; undefined where there is nothing new. Cheap,
 * because it is asked at every keystroke.
 */
export function keptSince(jobId: string): Kept | undefined {
  try {
    const text = localStorage.getItem(keyOf(jobId))
    return text === null || text === mine.get(jobId) ? undefined : readKept(text)
  } catch {
    return undefined
  }
}

/** Keeps what was typed; false where the browser has no room, so that somebody is told. */
export function keepDraft(jobId: string, kept: Kept): boolean {
  try {
    const text = JSON.stringify(kept)
    localStorage.setItem(keyOf(jobId), text)
    mine.set(jobId, text)
    return true
  } catch {
    return false
  }
}

export const forgetDraft = (jobId: string): void => localStorage.removeItem(keyOf(jobId))

/**
 * Forgets what this tab kept, where nothing of it is a change any more; what another tab kept since
 * stays.
 */
export function forgetMine(jobId: string): void {
  const text = mine.get(jobId)
  if (text !== undefined && localStorage.getItem(keyOf(jobId)) === text) forgetDraft(jobId)
}

/** Hears of what another tab of this browser keeps. */
export function onKeptElsewhere(jobId: string, hear: (kept: Kept) => void): () => void {
  const onStorage = ({ key, newValue }: StorageEvent) => {
    if (key !== keyOf(jobId)) return
    try {
      const kept = readKept(newValue)
      if (kept) hear(kept)
    } catch {
      /* what another tab wrote cannot be understood; this one keeps its own */
    }
  }
  addEventListener('storage', onStorage)
  return () => removeEventListener('storage', onStorage)
}

/**
 * What two tabs typed since they last agreed, in one document; where both typed the same place,
 * what was typed here.
 */
export const joinedTabs = (
  agreed: JobDocument,
  here: JobDocument,
  elsewhere: JobDocument,
): JobDocument => mergeDocuments(agreed, here, elsewhere).merged

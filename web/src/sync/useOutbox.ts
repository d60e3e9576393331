import type { JobRecord } from '@hestian/core'
import { useMemo, useSyncExternalStore } from 'react'
import type { Outgoing } from './outbox'
import { outbox } from './outbox'

export interface JobQueue {
  /** What goes by itself. */
  readonly waiting: number
  /** What needs somebody: turned down, not arrived after several tries, or put aside. */
  readonly troubled: readonly Outgoing[]
  /** Records that count already: everything but what was turned down. */
  readonly records: readonly JobRecord[]
  /** Readings of running tests, typed and not sent yet. */
  readonly samples: readonly Extract<Outgoing, { kind: 'sample' }>[]
}

const recordsIn = (entry: Outgoing): readonly JobRecord[] => {
  if (entry.refused !== undefined) return []
  if (entry.kind === 'act') return entry.records
  return entry.kind === 'record' ? [entry.record] : []
}

/** What still waits to be sent for a job, and the records among it. */
export function useOutbox(jobId: string): JobQueue {
  const entries = useSyncExternalStore(outbox.subscribe, outbox.snapshot)
  return useMemo(() => {
    const mine = entries.filter((entry) => entry.jobId === jobId)
    const isTroubled = (entry: Outgoing) =>
      entry.refused !== undefined || entry.notSent !== undefined || entry.aside === true
    return {
      waiting: mine.filter((entry) => !isTroubled(entry)).length,
      troubled: mine.filter(isTroubled),
      records: mine.flatMap(recordsIn),
      samples: mine.flatMap((entry) =>
        entry.kind === 'sample' && entry.refused === undefined ? [entry] : [],
      ),
    }
  }, [entries, jobId])
}

/** Whether the browser has no room, or hardly any, to keep more of what is recorded. */
export const useStoreFull = (): boolean => useSyncExternalStore(outbox.subscribe, outbox.isFull)

/** A photograph that has not been sent yet, to show it meanwhile. */
export const waitingBlob = (hash: string): Blob | undefined => {
  const entry = outbox.snapshot().find((one) => one.kind === 'evidence' && one.id === hash)
  return entry?.kind === 'evidence' ? entry.blob : undefined
}

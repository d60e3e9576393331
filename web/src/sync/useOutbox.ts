import type { JobRecord } from '@hestian/core'
import { useMemo, useSyncExternalStore } from 'react'
import type { Outgoing } from './outbox'
import { outbox } from './outbox'

/** What still waits to be sent for a job, and the records among it. */
export function useOutbox(jobId: string): {
  readonly waiting: number
  readonly refused: readonly Outgoing[]
  readonly records: readonly JobRecord[]
} {
  const entries = useSyncExternalStore(outbox.subscribe, outbox.snapshot)
  return useMemo(() => {
    const mine = entries.filter((entry) => entry.jobId === jobId)
    return {
      waiting: mine.filter((entry) => entry.refused === undefined).length,
      refused: mine.filter((entry) => entry.refused !== undefined),
      records: mine.flatMap((entry) =>
        entry.kind === 'record' && entry.refused === undefined ? [entry.record] : [],
      ),
    }
  }, [entries, jobId])
}

/** A photograph that has not been sent yet, to show it meanwhile. */
export const waitingBlob = (hash: string): Blob | undefined => {
  const entry = outbox.snapshot().find((one) => one.kind === 'evidence' && one.id === hash)
  return entry?.kind === 'evidence' ? entry.blob : undefined
}

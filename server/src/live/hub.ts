import type { LiveEvent } from '@hestian/core'

type Listener = (event: LiveEvent) => void

/** Tells every open page of a job what has just been stored. */
export class LiveHub {
  private readonly listeners = new Map<string, Set<Listener>>()

  listen(jobId: string, listener: Listener): () => void {
    const set = this.listeners.get(jobId) ?? new Set()
    set.add(listener)
    this.listeners.set(jobId, set)
    return () => {
      set.delete(listener)
    }
  }

  tell(jobId: string, event: LiveEvent): void {
    for (const listener of this.listeners.get(jobId) ?? []) listener(event)
  }
}

import { randomUUID } from 'node:crypto'
import type { LiveEvent } from '@hestian/core'

/** An event with the name by which a page that was cut off asks for what came after it. */
export interface Told {
  readonly id: string
  readonly event: LiveEvent
}
type Listener = (told: Told) => void

/** So many of a job's last events can be told again after a break. */
const mostKept = 300

/** Tells every open page of a job what has just been stored. */
export class LiveHub {
  private readonly listeners = new Map<string, Set<Listener>>()
  private readonly kept = new Map<string, Told[]>()
  /** Numbers begin anew with every start of the server: those of another start are none of ours. */
  private readonly start = randomUUID().slice(0, 8)
  private told = 0

  listen(jobId: string, listener: Listener): () => void {
    const set = this.listeners.get(jobId) ?? new Set()
    set.add(listener)
    this.listeners.set(jobId, set)
    return () => {
      set.delete(listener)
    }
  }

  tell(jobId: string, event: LiveEvent): void {
    const told = { id: `${this.start}-${++this.told}`, event }
    const kept = this.kept.get(jobId) ?? []
    kept.push(told)
    if (kept.length > mostKept) kept.shift()
    this.kept.set(jobId, kept)
    for (const listener of this.listeners.get(jobId) ?? []) listener(told)
  }

  /**
   * What came after an event; undefined where that is no longer known and everything has to be read
   * again.
   */
  since(jobId: string, id: string): readonly Told[] | undefined {
    const kept = this.kept.get(jobId) ?? []
    const at = kept.findIndex((one) => one.id === id)
    return at < 0 ? undefined : kept.slice(at + 1)
  }
}

import { Refused } from '@hestian/core'
import type { JobRecord } from '@hestian/core'
import type { IDBPDatabase } from 'idb'
import { openDB } from 'idb'

/** One thing to send, in the order it was made. Its id makes sending it twice the same as once. */
export type Outgoing =
  | {
      readonly seq?: number
      readonly kind: 'record'
      readonly id: string
      readonly jobId: string
      readonly record: JobRecord
      readonly refused?: string
    }
  | {
      readonly seq?: number
      readonly kind: 'evidence'
      readonly id: string
      readonly jobId: string
      readonly type: string
      readonly blob: Blob
      readonly refused?: string
    }

const store = 'outgoing'
const pause_ms = 2000
/** A request that has no answer by then counts as not delivered. */
const patience_ms = 15_000

/**
 * The ordered queue of what was recorded and the server does not have yet: kept in IndexedDB, sent one after the other, the oldest first. What
 * cannot be delivered waits; what is turned down stays, with the sentence, until somebody drops it. Nothing is lost by a reload.
 */
export class Outbox {
  private entries: readonly Outgoing[] = []
  private readonly listeners = new Set<() => void>()
  private database: Promise<IDBPDatabase | undefined> | undefined
  private sending: Promise<void> | undefined
  private timer: ReturnType<typeof setTimeout> | undefined
  private made = 0
  private closed = false
  /** Hears of everything delivered before it leaves the queue, so that a page can go on showing it. */
  onDelivered: ((entry: Outgoing) => void) | undefined

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
  snapshot = (): readonly Outgoing[] => this.entries

  /** Reads what an earlier page left, and begins to send it. */
  async open(): Promise<void> {
    const db = await this.db()
    const kept = db ? ((await db.getAll(store)) as Outgoing[]) : []
    const here = new Set(this.entries.map((entry) => entry.id))
    this.set([...kept.filter((entry) => !here.has(entry.id)), ...this.entries])
    addEventListener('online', () => void this.flush())
    void this.flush()
  }

  async add(entry: Outgoing): Promise<void> {
    if (this.entries.some((one) => one.id === entry.id)) return
    const seq = Date.now() * 1000 + (this.made++ % 1000)
    this.set([...this.entries, { ...entry, seq }])
    const db = await this.db()
    await db?.put(store, { ...entry, seq })
    void this.flush()
  }

  /** Stops trying by itself; what waits is kept. */
  close(): void {
    clearTimeout(this.timer)
    this.closed = true
  }

  async drop(id: string): Promise<void> {
    const entry = this.entries.find((one) => one.id === id)
    this.set(this.entries.filter((one) => one.id !== id))
    const db = await this.db()
    if (entry?.seq !== undefined) await db?.delete(store, entry.seq)
  }

  /** Sends what waits; gives whether nothing is left to send. */
  async flush(): Promise<boolean> {
    this.sending ??= this.sendAll().finally(() => {
      this.sending = undefined
    })
    await this.sending
    return this.entries.every((entry) => entry.refused !== undefined)
  }

  private async sendAll(): Promise<void> {
    clearTimeout(this.timer)
    for (let next = this.next(); next; next = this.next()) {
      const outcome = await deliver(next)
      if (outcome === 'delivered') {
        this.onDelivered?.(next)
        await this.drop(next.id)
      } else if (outcome === 'away') {
        if (!this.closed) this.timer = setTimeout(() => void this.flush(), pause_ms)
        return
      } else await this.refuse(next, outcome.says)
    }
  }

  private next = (): Outgoing | undefined =>
    this.entries.find((entry) => entry.refused === undefined)

  private async refuse(entry: Outgoing, refused: string): Promise<void> {
    this.set(this.entries.map((one) => (one.id === entry.id ? { ...one, refused } : one)))
    const db = await this.db()
    await db?.put(store, { ...entry, refused })
  }

  private set(entries: readonly Outgoing[]): void {
    this.entries = entries
    for (const listener of this.listeners) listener()
  }

  /** Without IndexedDB (a private window) the queue lives as long as the page. */
  private db(): Promise<IDBPDatabase | undefined> {
    this.database ??= openStore().catch(() => undefined)
    return this.database
  }
}

// Async, so that a browser that throws at once is caught like one that refuses later.
const openStore = async (): Promise<IDBPDatabase> =>
  openDB('hestian', 1, {
    upgrade: (db) => {
      db.createObjectStore(store, { keyPath: 'seq' })
    },
  })

async function deliver(entry: Outgoing): Promise<'delivered' | 'away' | { readonly says: string }> {
  try {
    const response =
      entry.kind === 'record'
        ? await fetch(`/api/jobs/${entry.jobId}/records`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify(entry.record),
            signal: AbortSignal.timeout(patience_ms),
          })
        : await fetch(`/api/evidence/${entry.id}`, {
            method: 'PUT',
            headers: { 'content-type': entry.type },
            body: entry.blob,
            signal: AbortSignal.timeout(4 * patience_ms),
          })
    if (response.ok) return 'delivered'
    const refused = Refused.safeParse(await response.json().catch(() => undefined))
    return refused.success && response.status < 500 ? { says: refused.data.says } : 'away'
  } catch {
    return 'away'
  }
}

export const outbox = new Outbox()

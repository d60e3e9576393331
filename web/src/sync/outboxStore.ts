import type { IDBPDatabase } from 'idb'
import { openDB } from 'idb'
import type { Outgoing } from './outbox'

const first = 'outgoing'
const store = 'queue'

/**
 * Room below which nothing more should be recorded before some is made, bytes: a photograph or two.
 */
const tight_bytes = 3 * 1024 * 1024

/**
 * The queue as the browser keeps it: in the order it was made, by a count that the browser keeps,
 * whatever its clock says.
 */
export class OutboxStore {
  private database: Promise<IDBPDatabase | undefined> | undefined

  async all(): Promise<readonly Outgoing[]> {
    const db = await this.db()
    return db ? ((await db.getAll(store)) as Outgoing[]) : []
  }

  /**
   * Keeps an entry and gives its number; undefined where the browser has no room, or keeps nothing
   * at all.
   */
  async add(entry: Outgoing): Promise<number | undefined> {
    const db = await this.db()
    return (await db?.add(store, entry)) as number | undefined
  }

  async put(entry: Outgoing): Promise<void> {
    const db = await this.db()
    if (entry.seq !== undefined) await db?.put(store, entry)
  }

  async delete(seq: number | undefined): Promise<void> {
    const db = await this.db()
    if (seq !== undefined) await db?.delete(store, seq)
  }

  /** Whether the browser says that hardly any room is left. */
  async isTight(): Promise<boolean> {
    try {
      const { quota, usage } = await navigator.storage.estimate()
      return quota !== undefined && usage !== undefined && quota - usage < tight_bytes
    } catch {
      return false
    }
  }

  /**
   * Without IndexedDB (a private window) nothing is kept, and the queue lives as long as the page.
   */
  private db(): Promise<IDBPDatabase | undefined> {
    this.database ??= open().catch(() => undefined)
    return this.database
  }
}

// Async, so that a browser that throws at once is caught like one that refuses later.
const open = async (): Promise<IDBPDatabase> =>
  openDB('hestian', 2, {
    // eslint-disable-next-line @typescript-eslint/no-misused-promises -- idb waits for the transaction, not for what is given back
    upgrade: async (db, from, _to, transaction) => {
      db.createObjectStore(store, { keyPath: 'seq', autoIncrement: true })
      if (from < 1) return
      // The first version counted by the clock; its order is kept.
      for (const { seq: _, ...entry } of (await transaction
        .objectStore(first)
        .getAll()) as Outgoing[])
        await transaction.objectStore(store).add(entry)
      db.deleteObjectStore(first)
    },
  })

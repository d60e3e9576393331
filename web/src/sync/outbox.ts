import type { JobRecord, Sample } from '@hestian/core'
import { deliver } from './deliver'
import { OutboxStore } from './outboxStore'

interface Waiting {
  /** Its place in the queue, given by the browser's store. */
  readonly seq?: number
  readonly id: string
  readonly jobId: string
  /** Why the server will not have it: final until somebody drops it. */
  readonly refused?: string
  /** Why it did not arrive, after several tries: it waits until somebody tries again. */
  readonly notSent?: string
  /** It was made by somebody else than is signed in: it goes when they are. */
  readonly otherPerson?: boolean
  /** Put aside by a person: kept, and not in the way of what comes after it. */
  readonly aside?: boolean
}

/** One thing to send, in the order it was made. Its id makes sending it twice the same as once. */
export type Outgoing =
  | (Waiting & { readonly kind: 'record'; readonly record: JobRecord })
  | (Waiting & { readonly kind: 'evidence'; readonly type: string; readonly blob: Blob })
  /**
   * Something done on site: judged here already, and by the server as it arrives. Its records count
   * meanwhile.
   */
  | (Waiting & {
      readonly kind: 'act'
      readonly path: string
      readonly body: object
      readonly records: readonly JobRecord[]
      /** By a name that whoever did it knows. */
      readonly says: string
    })
  /** A reading typed into a test that runs. */
  | (Waiting & {
      readonly kind: 'sample'
      readonly testId: string
      readonly by: string
      readonly sample: Sample
    })

const pause_ms = 2000
/**
 * So often something other than our server may answer, or the server fail, before somebody is told.
 */
export const mostTries = 5

/** How long what was delivered stays in the queue beside its copy on the page. */
const handOver_ms = 20

const isInTheWay = (entry: Outgoing): boolean => !entry.aside && entry.refused === undefined

/**
 * The ordered queue of what was recorded and the server does not have yet: kept by the browser,
 * sent one after the other, the oldest of a job first; one job never waits for another. What cannot
 * be delivered waits; what is turned down, or answered by something else again and again, stays
 * with the sentence until somebody decides. Nothing is lost by a reload, nothing is dropped but by
 * a person who was told what.
 */
export class Outbox {
  private entries: readonly Outgoing[] = []
  private readonly listeners = new Set<() => void>()
  private readonly store = new OutboxStore()
  private readonly tries = new Map<string, number>()
  private readonly drafts = new Map<string, () => Promise<unknown>>()
  private sending: Promise<void> | undefined
  private timer: ReturnType<typeof setTimeout> | undefined
  private closed = false
  private full = false
  /**
   * Hears of everything delivered before it leaves the queue, so that a page can go on showing it.
   */
  onDelivered: ((entry: Outgoing) => void) | undefined

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
  snapshot = (): readonly Outgoing[] => this.entries
  /** Whether the browser has no room, or hardly any, to keep more. */
  isFull = (): boolean => this.full

  /** Reads what an earlier page left, and begins to send it. */
  async open(): Promise<void> {
    const kept = await this.store.all()
    const here = new Set(this.entries.map((entry) => entry.id))
    this.set([...kept.filter((entry) => !here.has(entry.id)), ...this.entries])
    addEventListener('online', () => void this.flush())
    await this.lookAtRoom()
    void this.flush()
  }

  /**
   * What is done on a job rests on what was typed there: this sends it, and is waited for before
   * anything of the job goes. Gives how to leave it off.
   */
  restsOn(jobId: string, sendDraft: () => Promise<unknown>): () => void {
    this.drafts.set(jobId, sendDraft)
    return () => {
      if (this.drafts.get(jobId) === sendDraft) this.drafts.delete(jobId)
    }
  }

  /**
   * Queues one thing. Where the browser cannot keep it, it lives as long as the page, and that is
   * said.
   */
  async add(entry: Outgoing): Promise<void> {
    if (this.entries.some((one) => one.id === entry.id)) return
    this.set([...this.entries, entry])
    try {
      const seq = await this.store.add(entry)
      // Sent meanwhile, it has nothing to wait for.
      if (this.find(entry.id) === undefined) await this.store.delete(seq)
      else if (seq !== undefined) this.change(entry.id, { seq })
      await this.lookAtRoom()
    } catch {
      this.setFull(true)
    }
    void this.flush(entry.jobId)
  }

  /** Stops trying by itself; what waits is kept. */
  close(): void {
    clearTimeout(this.timer)
    this.closed = true
  }

  /** Takes one thing out for good. */
  async drop(id: string): Promise<void> {
    const entry = this.find(id)
    this.set(this.entries.filter((one) => one.id !== id))
    await this.store.delete(entry?.seq)
    await this.lookAtRoom()
    void this.flush(entry?.jobId)
  }

  /** Sends one thing again that did not arrive or was turned down. */
  async tryAgain(id: string): Promise<void> {
    this.tries.delete(id)
    await this.keep(id, {
      ...{ refused: undefined, notSent: undefined, aside: undefined },
      otherPerson: undefined,
    })
    await this.flush(this.find(id)?.jobId)
  }

  /** Somebody signed in: what waited for that is tried again. */
  async cameIn(): Promise<void> {
    for (const { id, otherPerson } of this.entries)
      if (otherPerson) await this.keep(id, { notSent: undefined, otherPerson: undefined })
    await this.flush()
  }

  /** Keeps one thing out of the way of what comes after it. */
  async putAside(id: string): Promise<void> {
    await this.keep(id, { aside: true })
    await this.flush(this.find(id)?.jobId)
  }

  /** Sends what waits; gives whether nothing of the job, or of any, is left to send. */
  async flush(jobId?: string): Promise<boolean> {
    this.sending ??= this.sendAll().finally(() => {
      this.sending = undefined
    })
    await this.sending
    return this.entries.every(
      (entry) => !isInTheWay(entry) || (jobId !== undefined && entry.jobId !== jobId),
    )
  }

  private async sendAll(): Promise<void> {
    clearTimeout(this.timer)
    const blocked = new Set<string>()
    let again = false
    for (let next = this.next(blocked); next; next = this.next(blocked)) {
      await this.drafts.get(next.jobId)?.()
      const delivery = await deliver(next)
      if (delivery.outcome === 'delivered') await this.delivered(next)
      else if (delivery.outcome === 'refused') await this.keep(next.id, { refused: delivery.says })
      else if (delivery.outcome === 'foreign') {
        blocked.add(next.jobId)
        again = (await this.didNotArrive(next, delivery.says)) || again
      } else if (delivery.outcome === 'other-person')
        await this.keep(next.id, { notSent: delivery.says, otherPerson: true })
      else if (delivery.outcome === 'signed-out') break
      else {
        // No answer at all: nothing else would arrive either.
        again = true
        break
      }
    }
    if (again && !this.closed) this.timer = setTimeout(() => void this.flush(), pause_ms)
  }

  /** The oldest thing of a job that nothing older of the same job holds up. */
  private next(blocked: ReadonlySet<string>): Outgoing | undefined {
    const held = new Set(blocked)
    for (const entry of this.entries) {
      if (!isInTheWay(entry) || held.has(entry.jobId)) continue
      if (entry.notSent === undefined) return entry
      held.add(entry.jobId)
    }
    return undefined
  }

  private async delivered(entry: Outgoing): Promise<void> {
    this.tries.delete(entry.id)
    this.onDelivered?.(entry)
    // A page hears of its answers a turn later than of this queue: left at once, what was recorded
    // would be off the page for a moment.
    await new Promise((resolve) => setTimeout(resolve, handOver_ms))
    const { seq } = this.find(entry.id) ?? entry
    this.set(this.entries.filter((one) => one.id !== entry.id))
    await this.store.delete(seq)
    if (this.full) await this.lookAtRoom()
  }

  /** Counts a try that something else answered; gives whether it is tried again by itself. */
  private async didNotArrive(entry: Outgoing, says: string): Promise<boolean> {
    const tries = (this.tries.get(entry.id) ?? 0) + 1
    this.tries.set(entry.id, tries)
    if (tries < mostTries) return true
    await this.keep(entry.id, { notSent: says })
    return false
  }

  private find = (id: string): Outgoing | undefined => this.entries.find((one) => one.id === id)

  private change(id: string, part: Partial<Waiting>): void {
    this.set(this.entries.map((one) => (one.id === id ? { ...one, ...part } : one)))
  }

  private async keep(id: string, part: Partial<Waiting>): Promise<void> {
    this.change(id, part)
    const entry = this.find(id)
    if (entry) await this.store.put(entry).catch(() => this.setFull(true))
  }

  private async lookAtRoom(): Promise<void> {
    this.setFull(await this.store.isTight())
  }

  private setFull(full: boolean): void {
    if (this.full === full) return
    this.full = full
    this.set(this.entries)
  }

  private set(entries: readonly Outgoing[]): void {
    this.entries = [...entries]
    for (const listener of this.listeners) listener()
  }
}

export const outbox = new Outbox()

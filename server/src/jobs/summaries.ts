import { summaryVersion } from '@hestian/core'
import type { Summary } from '@hestian/core'
import { Refusal } from '../app/refusal'
import type { Database } from '../db/database'
import { JobTable } from '../db/tables'
import { rowOf } from './jobReader'

/** The board waits so long for what is still being summed up, then shows what it has. */
const patience_ms = 2000

/**
 * Keeps what the board shows of each job. A job that changed is marked in the transaction that
 * changed it and summed up afterwards, one at a time and beside the requests, so that recording
 * costs the same however much a job holds; a mark that a crash left is found at the next start.
 */
export class Summaries {
  private readonly waiting = new Set<string>()
  private working: Promise<void> | undefined
  private closed = false

  constructor(
    private readonly db: Database,
    private readonly sumUp: (jobId: string) => Promise<Summary>,
    private readonly complain: (error: unknown) => void,
  ) {}

  /** Sums a job up soon. */
  poke = (jobId: string): void => {
    if (this.closed) return
    this.waiting.add(jobId)
    this.working ??= this.work()
  }

  /** Finds every summary that an older version made, or that a crash left out of date. */
  async freshen(): Promise<void> {
    const rows = await this.db.read((manager) =>
      manager.query<{ id: string }[]>('SELECT id FROM job WHERE summaryVersion <> ?', [
        summaryVersion,
      ]),
    )
    for (const { id } of rows) this.poke(id)
  }

  /** When all that waits is summed up, or patience ends. */
  async settled(): Promise<void> {
    if (!this.working) return
    let timer: NodeJS.Timeout | undefined
    const late = new Promise<void>((done) => {
      timer = setTimeout(done, patience_ms)
    })
    await Promise.race([this.working, late])
    clearTimeout(timer)
  }

  async close(): Promise<void> {
    this.closed = true
    this.waiting.clear()
    await this.working
  }

  private async work(): Promise<void> {
    for (const jobId of this.waiting) {
      this.waiting.delete(jobId)
      await this.summarise(jobId).catch(this.complain)
    }
    this.working = undefined
  }

  private async summarise(jobId: string): Promise<void> {
    const asRead = await this.shapeOf(jobId)
    const columns = await this.columnsOf(jobId)
    await this.db.write(async (manager) => {
      const { saveNumber, recordCount, frozen } = await rowOf(manager, jobId)
      // Changed meanwhile: it keeps its mark and is summed up again.
      if (JSON.stringify([saveNumber, recordCount, frozen]) !== asRead) this.waiting.add(jobId)
      else
        await manager.getRepository(JobTable).update({ id: jobId }, { ...columns, summaryVersion })
    })
  }

  /** What changes whenever a summary may. */
  private shapeOf = (jobId: string): Promise<string> =>
    this.db.read(async (manager) => {
      const { saveNumber, recordCount, frozen } = await rowOf(manager, jobId)
      return JSON.stringify([saveNumber, recordCount, frozen])
    })

  private async columnsOf(jobId: string): Promise<object> {
    try {
      const { id: _id, number, frozen: _frozen, shares, ...summary } = await this.sumUp(jobId)
      const texts = [
        summary.name,
        summary.address,
        number,
        summary.stage,
        summary.waits,
        summary.work,
      ]
      // Lower case is made here: SQLite knows only that of ASCII.
      const searchable = texts.join(' ').toLowerCase()
      return { ...summary, unreadable: 0, searchable, shares: JSON.stringify(shares) }
    } catch (error) {
      if (error instanceof Refusal && error.code === 'no-such-job') throw error
      this.complain(error)
      const waits = error instanceof Refusal ? error.message : 'It cannot be computed.'
      return { unreadable: 1, waits, waitsOn: '' }
    }
  }
}

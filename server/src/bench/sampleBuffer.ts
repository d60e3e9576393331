import type { Arriving } from '../jobs/jobStore'

type Outcome = 'stored' | 'taken'

interface Waiting {
  readonly arriving: Arriving
  readonly done: (outcome: Outcome) => void
  readonly failed: (error: unknown) => void
}

/**
 * Readings of all gauges are committed together this often, ms: a commit waits for the disk, a
 * reading should not.
 */
export const groupCommit_ms = 50
/** More than this in one transaction would hold others up. */
const largestGroup = 2000

/**
 * Collects readings and stores them in groups. What it acknowledges was committed; a group that
 * fails fails for each of its readings.
 */
export class SampleBuffer {
  private waiting: Waiting[] = []
  private timer: NodeJS.Timeout | undefined

  constructor(
    private readonly store: (arriving: readonly Arriving[]) => Promise<readonly Outcome[]>,
  ) {}

  add(arriving: Arriving): Promise<Outcome> {
    return new Promise((done, failed) => {
      this.waiting.push({ arriving, done, failed })
      this.timer ??= setTimeout(() => void this.flush(), groupCommit_ms)
    })
  }

  async flush(): Promise<void> {
    clearTimeout(this.timer)
    this.timer = undefined
    while (this.waiting.length > 0) {
      const group = this.waiting.splice(0, largestGroup)
      try {
        const outcomes = await this.store(group.map((one) => one.arriving))
        group.forEach((one, i) => one.done(outcomes[i] ?? 'stored'))
      } catch (error) {
        for (const one of group) one.failed(error)
      }
    }
  }
}

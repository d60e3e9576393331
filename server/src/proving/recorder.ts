import { randomUUID } from 'node:crypto'
import type { JudgedTest, Sample } from '@hestian/core'
import { judgeTests } from '@hestian/core'
import type { Clock } from '../app/parts'
import type { GaugeLink } from '../gauges/gaugeLink'
import type { JobStore } from '../jobs/jobStore'
import { catchingUp } from './catchingUp'

interface Running {
  readonly jobId: string
  readonly testId: string
  readonly by: string
  readonly stop: () => void
}

/**
 * Stores every sample of a running test as it arrives and ends the test when its time is over. Takes up running tests again when the
 * server starts, asking the gauge for what was missed.
 */
export class TestRecorder {
  private readonly running = new Map<string, Running>()
  private closing = false

  constructor(
    private readonly jobs: JobStore,
    private readonly gauges: readonly GaugeLink[],
    private readonly clock: Clock,
    private readonly complain: (error: unknown) => void,
  ) {}

  /** Finds tests that were running when the server last stopped and goes on with them. */
  async resume(): Promise<void> {
    for (const jobId of await this.jobs.idsWithTestsUnderWay()) {
      const state = await this.jobs.state(jobId)
      for (const test of judgeTests({ entries: state.records, samples: state.samples }))
        if (!test.ended && test.begun.reading === 'streamed') this.follow(jobId, test)
    }
  }

  follow(jobId: string, test: Pick<JudgedTest, 'testId' | 'begun' | 'by' | 'run'>): void {
    const gauge = this.gauges.find((one) => one.address.id === test.begun.gaugeId)
    if (!gauge || this.running.has(test.testId)) return
    const last_ms = test.run.samples[test.run.samples.length - 1]?.at_ms ?? test.begun.settleFrom_ms
    const isCaughtUp = catchingUp(last_ms, Date.now)
    const onSample = (sample: Sample) => {
      if (sample.at_ms >= test.begun.settleFrom_ms)
        void this.take(jobId, test.testId, sample, isCaughtUp(sample)).catch(this.complain)
    }
    gauge.on('sample', onSample)
    this.running.set(test.testId, {
      jobId,
      testId: test.testId,
      by: test.by,
      stop: () => gauge.off('sample', onSample),
    })
    gauge.replayFrom(last_ms)
  }

  /** Stops listening for a test that has ended. */
  leave(testId: string): void {
    this.running.get(testId)?.stop()
    this.running.delete(testId)
  }

  close(): void {
    this.closing = true
    for (const testId of [...this.running.keys()]) this.leave(testId)
  }

  private async take(
    jobId: string,
    testId: string,
    sample: Sample,
    judging: boolean,
  ): Promise<void> {
    const running = this.running.get(testId)
    if (!running || this.closing) return
    await this.jobs.addSample(jobId, testId, sample)
    if (!judging) return
    const state = await this.jobs.state(jobId)
    const test = judgeTests({ entries: state.records, samples: state.samples }).find(
      (one) => one.testId === testId,
    )
    if (!test || test.ended) return this.leave(testId)
    if (test.verdict.outcome === 'running') return
    this.leave(testId)
    await this.jobs.append(jobId, [
      {
        id: randomUUID(),
        at: this.clock.now(),
        by: running.by,
        body: { kind: 'test-ended', testId, early: false },
      },
    ])
  }
}

import type { JudgedTest, Sample } from '@hestian/core'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import type { GaugeLink } from '../gauges/gaugeLink'
import type { JobStore } from '../jobs/jobStore'
import { endIdOf } from '../jobs/jobStore'
import { catchingUp } from './catchingUp'
import type { SampleBuffer } from './sampleBuffer'

interface Running {
  readonly jobId: string
  readonly testId: string
  readonly by: string
  readonly gauge: GaugeLink
  /** How long it settles and runs. */
  readonly lasts_ms: number
  settleFrom_ms: number
  /** The newest reading that is on disk. */
  stored_ms: number
  /** What the gauge sent that was no reading, not told yet. */
  nonsense: number
  notes: number
  retry?: NodeJS.Timeout
  readonly stop: () => void
}

/** After a reading could not be stored the gauge is asked for it again. */
const storeAgain_ms = 2000
/** More notes of nonsense than this say nothing new. */
const mostNotes = 20

type Followed = Pick<JudgedTest, 'testId' | 'begun' | 'by' | 'run'>

/**
 * Stores every sample of a running test as it arrives and ends the test when its time is over: a
 * sample inside its time costs one row, only one past it has the test judged. Takes up running
 * tests again when the server starts, asking the gauge for what was missed.
 */
export class TestRecorder {
  private readonly running = new Map<string, Running>()
  private closing = false

  constructor(
    private readonly jobs: JobStore,
    private readonly gauges: readonly GaugeLink[],
    private readonly buffer: SampleBuffer,
    private readonly clock: Clock,
    private readonly complain: (error: unknown) => void,
  ) {}

  /**
   * Finds tests that were running when the server last stopped and goes on with them. One that
   * cannot be read leaves the others running.
   */
  async resume(): Promise<void> {
    for (const { jobId, testId } of await this.jobs.testsUnderWay())
      try {
        const test = await this.jobs.test(jobId, testId)
        if (test && !test.ended && test.begun.reading === 'streamed') this.follow(jobId, test)
      } catch (error) {
        this.complain(error)
      }
  }

  follow(jobId: string, test: Followed): void {
    const { testId, by, begun, run } = test
    const gauge = this.gauges.find((one) => one.address.id === begun.gaugeId)
    if (!gauge || this.running.has(testId)) return
    const last_ms = run.samples[run.samples.length - 1]?.at_ms ?? run.settleFrom_ms
    const isCaughtUp = catchingUp(last_ms, Date.now)
    const onSample = (sample: Sample) => {
      if (sample.at_ms >= begun.settleFrom_ms)
        void this.take(running, sample, isCaughtUp(sample)).catch(this.complain)
    }
    const onNonsense = () => {
      running.nonsense++
    }
    const running: Running = {
      jobId,
      testId,
      by,
      gauge,
      lasts_ms: (run.plan.stabilise_s + run.plan.test_s) * 1000,
      settleFrom_ms: run.settleFrom_ms,
      stored_ms: last_ms,
      nonsense: 0,
      notes: 0,
      stop: () => {
        clearTimeout(running.retry)
        gauge.off('sample', onSample)
        gauge.off('nonsense', onNonsense)
      },
    }
    this.running.set(testId, running)
    gauge.on('sample', onSample)
    gauge.on('nonsense', onNonsense)
    gauge.replayFrom(last_ms)
  }

  /** Whether a gauge stands on a pipe whose test is under way: it reads no other meanwhile. */
  isReading(gaugeId: string): boolean {
    return [...this.running.values()].some(({ gauge }) => gauge.address.id === gaugeId)
  }

  /** The test settles anew from an instant of the gauge's clock. */
  toppedUp(testId: string, settleFrom_ms: number): void {
    const running = this.running.get(testId)
    if (running) running.settleFrom_ms = Math.max(running.settleFrom_ms, settleFrom_ms)
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

  private isUnderWay = (running: Running): boolean =>
    !this.closing && this.running.get(running.testId) === running

  private async take(running: Running, sample: Sample, caughtUp: boolean): Promise<void> {
    const { jobId, testId } = running
    if (!this.isUnderWay(running)) return
    try {
      await this.buffer.add({ jobId, testId, sample })
    } catch (error) {
      this.askAgain(running)
      throw error
    }
    running.stored_ms = Math.max(running.stored_ms, sample.at_ms)
    if (running.nonsense > 0) await this.markGap(running, sample.at_ms)
    if (caughtUp && sample.at_ms >= running.settleFrom_ms + running.lasts_ms)
      await this.jobs.alone(jobId, () => this.endIfOver(running))
  }

  /**
   * What could not be stored is still in the gauge: it is asked for once the disk may have room
   * again.
   */
  private askAgain(running: Running): void {
    running.retry ??= setTimeout(() => {
      delete running.retry
      if (this.isUnderWay(running)) running.gauge.replayFrom(running.stored_ms)
    }, storeAgain_ms)
  }

  private async markGap(running: Running, at_ms: number): Promise<void> {
    const { jobId, testId, by, nonsense } = running
    running.nonsense = 0
    if (running.notes >= mostNotes) return
    const text = `The gauge sent ${nonsense === 1 ? 'a line' : `${nonsense} lines`} that ${nonsense === 1 ? 'is' : 'are'} no reading; what it measured then is missing before this instant.`
    const id = `gap-${endIdOf(testId).slice(6, 38)}-${running.notes++}`
    const body = { kind: 'test-note', testId, at_ms, text } as const
    await this.jobs.append(jobId, [{ id, at: this.clock.now(), by, body }]).catch((error) => {
      // A note of the same number from before a restart: this one counts on from there.
      if (!(error instanceof Refusal) || error.code !== 'different-record') throw error
    })
  }

  private async endIfOver(running: Running): Promise<void> {
    const { jobId, testId, by } = running
    if (!this.isUnderWay(running)) return
    const test = await this.jobs.test(jobId, testId)
    if (!test || test.ended) return this.leave(testId)
    if (test.verdict.outcome === 'running') {
      running.settleFrom_ms = test.run.settleFrom_ms
      return
    }
    this.leave(testId)
    const body = { kind: 'test-ended', testId, early: false } as const
    await this.jobs.append(jobId, [{ id: endIdOf(testId), at: this.clock.now(), by, body }])
  }
}

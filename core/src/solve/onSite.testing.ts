import { passingTest } from '../bench/by-hand/passing.testing'
import type { Sample, TightnessPlan } from '../bench/gas-tightness/run'
import { testedFingerprint } from '../bench/gas-tightness/tested'
import { sources } from '../answer/sources'
import type { JobDocument } from '../job/document'
import type { JobRecord, RecordBody } from '../job/records'
import type { Person } from '../practice/tickets'
import { tickets } from '../practice/tickets'
import type { Guard, Step } from '../sequences/step'
import type { Judgement } from './judge'
import { judge } from './judge'
import type { JudgedStep } from './judgeSteps'
import { offItemOf } from './judgeSteps'
import type { Signing } from './signing'
import { confirmGuard, putBack, signStep } from './signing'
import type { Solution } from './solve'
import { solve } from './solve'

export const lead: Person = {
  id: 'lead',
  name: 'Lead',
  role: '',
  tickets: [...tickets],
}
export const apprentice: Person = { id: 'app', name: 'Apprentice', role: '', tickets: [] }

/** A job under the hand of somebody who records things. */
export class Site {
  readonly records: JobRecord[] = []
  samples: Record<string, Sample[]> = {}
  private solved: Solution | undefined
  private judged:
    { readonly of: object; readonly count: number; readonly judgement: Judgement } | undefined
  constructor(readonly document: JobDocument) {}

  add(body: RecordBody, more: Partial<JobRecord> = {}): string {
    const id = `record-${String(this.records.length).padStart(4, '0')}`
    const at = new Date(Date.UTC(2026, 10, 20, 10, 0, this.records.length)).toISOString()
    this.records.push({ id, at, by: 'lead', ...more, body })
    return id
  }
  solution(): Solution {
    this.solved ??= solve(this.document)
    return this.solved
  }
  /** As it stands: judged again only when something was recorded since. */
  judge(): Judgement {
    const { records, samples } = this
    if (this.judged?.of !== samples || this.judged.count !== records.length)
      this.judged = {
        of: samples,
        count: records.length,
        judgement: judge(this.solution(), { entries: [...records], samples }),
      }
    return this.judged.judgement
  }
  take(signing: Signing): void {
    if (!signing.ok) throw new Error(signing.says)
    signing.bodies.forEach((body) => this.add(body))
  }
  /** The step that is next, in a sequence or in the first that has one. */
  now(sequence?: string): JudgedStep | undefined {
    return this.judge()
      .work.sequences.filter((one) => sequence === undefined || one.sequence.id === sequence)
      .flatMap(({ steps }) => steps)
      .find((one) => one.progress.state === 'now')
  }
  step(id: string): JudgedStep {
    const found = this.judge()
      .work.sequences.flatMap(({ steps }) => steps)
      .find((one) => one.step.id === id)
    if (!found) throw new Error(`no step ${id}`)
    return found
  }

  /** A whole run; without a name it is a record of before tests had one. */
  tightness(fall_Pa: number, test?: string): string {
    const testId = `test-${Object.keys(this.samples).length}-0000`
    const design = this.judge().gasTests.find(({ id }) => id === (test ?? 'tightness'))?.test
    if (!design) throw new Error('no test design')
    const plan: TightnessPlan = {
      ...design.plan,
      gauge: { kind: 'digital', resolution_Pa: 10 },
      methodSource: sources.up1,
    }
    this.add({
      kind: 'test-begun',
      testId,
      plan,
      reading: 'streamed',
      instrument: '',
      settleFrom_ms: 0,
      prepared: [],
      ...(test ? { test, restsOn: testedFingerprint(this.document, design.pipes) } : {}),
    })
    const end = plan.stabilise_s + plan.test_s
    this.samples = {
      ...this.samples,
      [testId]: Array.from({ length: end + 1 }, (_, t) => ({
        at_ms: t * 1000,
        gauge_Pa: plan.testGauge_Pa - (fall_Pa * t) / end,
        temp_K: 288,
      })),
    }
    this.add({ kind: 'test-ended', testId, early: false })
    return testId
  }

  /** Does what a guard asks for. */
  hold(step: Step, guard: Guard): void {
    if (guard.kind === 'seen') this.take(confirmGuard(this.judge(), step.id, guard.id))
    if (guard.kind === 'hand-test') this.pass(guard)
    if (guard.kind === 'gas-tight') this.tightness(0)
    if (guard.kind !== 'put-back') return
    const judgement = this.judge()
    const item = offItemOf(step, guard.offKey, judgement.work.plant)
    if (item) this.take(putBack(judgement, item.id))
  }

  /** Does a step as it should be done. */
  do({ step }: JudgedStep): void {
    for (const { guard, holds } of guardsOf(this.step(step.id))) if (!holds) this.hold(step, guard)
    const { reading } = step
    const most = reading?.most ?? Infinity
    const si = reading && Math.min(most, reading.target ?? reading.least ?? Math.min(most, 320))
    this.take(
      signStep(this.judge(), step.id, lead, si === undefined ? {} : { reading: { si, typed: '' } }),
    )
  }

  /** Does steps as they come, of one sequence or all, until one of that id is next. */
  until(stepId: string | undefined, sequence?: string): void {
    for (let next = this.now(sequence); next && next.step.id !== stepId; next = this.now(sequence))
      this.do(next)
  }

  private pass({ test, target }: Extract<Guard, { kind: 'hand-test' }>): void {
    const [first = ''] = test.split('|')
    this.add(passingTest(first, target, this.document, this.solution().practice))
  }
}

const guardsOf = ({ progress }: JudgedStep) =>
  progress.state === 'now' || progress.state === 'after' ? progress.guards : []

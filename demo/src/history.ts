import type {
  JobDocument,
  JobFile,
  JobRecord,
  Judgement,
  Measure,
  Person,
  RecordBody,
  Sample,
  SheetId,
  Solution,
  Step,
  Ticking,
  TightnessPlan,
} from '@hestian/core'
import {
  atOf,
  confirmGuard,
  inspectionItems,
  judge,
  lookQuestions,
  madeOnNow,
  offItemOf,
  parseAsk,
  putBack,
  handTests,
  showIn,
  signStep,
  solve,
  surveyFields,
  tickItem,
} from '@hestian/core'
import { people } from './people'

const lead = people[0] as Person

/** What a reading is that the design says nothing of, SI. */
const usual: Partial<Record<Measure, number>> = {
  temperature: 303.15,
  'water-pressure': 4.5e5,
  power: 21000,
}
/** What a test by hand is read with. */
const instruments: Readonly<Record<string, string>> = {
  'gas-pressure': 'Bench manometer',
  'combustion-high': 'Flue gas analyser',
  'combustion-low': 'Flue gas analyser',
  disinfection: 'Chlorine test strips',
  'tap-temperature': 'Probe thermometer',
  spillage: 'Smoke pen',
}

/**
 * How steps are done: tests by hand as they are typed, by their id; readings by the id of their
 * step, SI.
 */
interface Doing {
  readonly tests?: Readonly<Record<string, Readonly<Record<string, string>>>>
  readonly readings?: Readonly<Record<string, number>>
}

/**
 * Writes a job's history by the same rules that the app holds people to, on a clock that only it
 * moves.
 */
export class History {
  private readonly records: JobRecord[] = []
  private readonly samples: Record<string, Sample[]> = {}
  private at_ms: number
  private count = 0
  private solved: Solution | undefined

  constructor(
    private readonly id: string,
    private readonly document: JobDocument,
    start: string,
  ) {
    this.at_ms = Date.parse(start)
  }

  later(minutes: number): this {
    this.at_ms += minutes * 60_000
    return this
  }

  add(body: RecordBody, by: Person = lead): JobRecord {
    const record: JobRecord = {
      id: `${this.id}-${String(++this.count).padStart(4, '0')}`,
      at: new Date(this.at_ms).toISOString(),
      by: by.id,
      body,
    }
    this.records.push(record)
    this.at_ms += 20_000
    return record
  }

  /**
   * The survey's measured and read values as readings, and each value's record named in the
   * document.
   */
  readings(by: Person): this {
    const show = showIn(this.solution().practice.units)
    for (const field of surveyFields) {
      const value = this.document.survey[field.key]
      if (!value || value.basis === 'assumed') continue
      const record = this.add(
        {
          kind: 'reading',
          field: `survey.${field.key}`,
          si: value.value,
          typed: show(value.value, field.measure),
          basis: value.basis,
          instrument: value.from,
        },
        by,
      )
      this.document.survey[field.key] = { ...value, recordId: record.id }
      this.later(3)
    }
    for (const { key } of lookQuestions) {
      const seen = this.document.survey.looked[key]
      if (!seen) continue
      const record = this.add(
        {
          kind: 'looked',
          field: `survey.looked.${key}`,
          answer: seen.answer,
          basis: seen.basis,
          from: seen.from,
        },
        by,
      )
      Object.assign(seen, { recordId: record.id })
    }
    this.solved = undefined
    return this
  }

  /** What was looked at once more before leaving, with what was written down. */
  left(items: Readonly<Record<string, string>>): this {
    for (const [item, says] of Object.entries(items))
      this.add({ kind: 'leaving', item, answer: 'done', says })
    return this
  }

  /**
   * Walks the inspection: what the survey found, or sound; `special` says otherwise, with a snag
   * where one is owed.
   */
  inspect(
    by: Person,
    special: Readonly<
      Record<
        string,
        {
          readonly verdict: 'look-again' | 'not-inspected'
          readonly note: string
          readonly because?: string
          readonly snag?: string
        }
      >
    >,
  ): this {
    const { practice } = this.solution()
    for (const item of inspectionItems(this.document, practice, showIn(practice.units))) {
      const other = special[item.id]
      this.add(
        {
          kind: 'inspected',
          item: item.id,
          verdict: other?.verdict ?? item.suggests ?? 'sound',
          limit: item.limit,
          note: other?.note ?? item.found ?? '',
          because: other?.because ?? '',
        },
        by,
      )
      if (other?.snag)
        this.add({
          kind: 'snag',
          what: other.snag,
          owner: 'Tobias Lindqvarn',
          due: '2026-12-04',
          item: item.id,
        })
      this.later(2)
    }
    return this
  }

  prove(...sheets: readonly SheetId[]): this {
    for (const id of sheets) {
      const sheet = this.judgement().sheets[id]
      if (sheet.state === 'does-not-apply') continue
      if (sheet.state !== 'ready')
        throw new Error(
          `${this.id}: ${id} is ${sheet.state}: ${JSON.stringify(sheet.missing)} ${sheet.findings.map((finding) => finding.id).join()}`,
        )
      this.add({ kind: 'sheet-checked', sheet: id, restsOn: sheet.restsOn })
    }
    return this
  }

  /**
   * A whole tightness run; `fall_Pa` over the test, on a pipe that settles and keeps its
   * temperature.
   */
  tightness(run: { readonly fall_Pa: number; readonly repaired?: string }): this {
    const design = this.judgement().gasTests.find(({ id }) => id === 'tightness')?.test
    if (!design) throw new Error(`${this.id}: no test design`)
    const testId = `${this.id}-test-${Object.keys(this.samples).length + 1}`
    const plan: TightnessPlan = { ...design.plan, gauge: { kind: 'digital', resolution_Pa: 10 } }
    const settleFrom_ms = this.at_ms
    const offs = design.preparations.map((one) => ({ one, name: one.name }))
    this.add({
      kind: 'test-begun',
      testId,
      plan,
      reading: 'streamed',
      gaugeId: 'manometer',
      instrument: 'Bench manometer, simulated',
      settleFrom_ms,
      prepared: design.preparations.map((one) => one.id),
      test: design.id,
      name: design.name,
      // As demo/instruments.json has it.
      calibration: { serial: 'BM-0214', until: '2027-04-30' },
    })
    const off = offs.map(({ one, name }) =>
      this.add({
        kind: 'off',
        name,
        state: one.action === 'shut' ? 'shut' : 'disconnected',
        where: 'for the gas test',
        because: 'gas tightness test',
        testId,
        backBefore: 'gas-on',
      }),
    )
    const total_s = plan.stabilise_s + plan.test_s
    this.samples[testId] = Array.from({ length: total_s + 1 }, (_, i) => {
      const settling_Pa = 30 * Math.exp(-i / 14)
      const raw =
        plan.testGauge_Pa +
        settling_Pa -
        (run.fall_Pa * Math.max(0, i - 0)) / plan.test_s +
        2.4 * Math.sin(i * 1.7)
      return {
        at_ms: settleFrom_ms + i * 1000,
        gauge_Pa: Math.round(raw / 10) * 10,
        temp_K: Math.round((288.4 + 0.004 * Math.sin(i / 9)) * 100) / 100,
      }
    })
    this.at_ms = settleFrom_ms + (total_s + 5) * 1000
    this.add({
      kind: 'test-note',
      testId,
      at_ms: settleFrom_ms + Math.round(total_s * 400),
      text: run.repaired ? 'Joint at the range cock bubbles' : 'Every joint soaped: dry',
    })
    this.add({ kind: 'test-ended', testId, early: false })
    if (run.repaired) this.add({ kind: 'repaired', testId, what: run.repaired })
    else this.add({ kind: 'test-point', testId, soaped: 'dry' })
    this.later(6)
    for (const record of off) this.add({ kind: 'put-back', off: record.id })
    return this
  }

  /** Ticks the work list in its order until an item of that id is next. */
  tickUntil(itemId: string | undefined, said: Readonly<Record<string, Partial<Ticking>>>): this {
    for (const { item, ticked } of this.judgement().items) {
      if (item.id === itemId) return this
      if (ticked) continue
      const plain: Ticking = { answer: 'done', because: '', text: '' }
      this.later(5)
      this.take(tickItem(this.judgement(), item.id, lead, { ...plain, ...said[item.id] }))
    }
    return this
  }

  /** A test by hand: every figure as it was typed, in the job's units. */
  measured(
    reading: string,
    target: string,
    typed: Readonly<Record<string, string>>,
    instrument: string,
  ): this {
    const kind = handTests.find(({ id }) => id === reading)
    if (!kind) throw new Error(`no test by hand ${reading}`)
    const { units } = this.solution().practice
    const values = Object.fromEntries(
      kind.asks.flatMap((ask) => {
        const text = typed[ask.key]
        if (text === undefined) return []
        const parsed = parseAsk(ask, text, units)
        if (parsed.outcome !== 'understood') throw new Error(`${text}: ${parsed.says}`)
        return [[ask.key, parsed.si]]
      }),
    )
    const { document, practice } = this.solution()
    const appliance = document.appliances.find(({ id }) => id === target)
    const on = madeOnNow(kind, atOf(document, practice, appliance))
    this.add({
      kind: 'measured',
      reading,
      target,
      values,
      typed: { ...typed },
      confirmed: kind.confirms.map(({ id }) => id),
      instrument,
      ...(on === undefined ? {} : { on }),
    })
    return this.later(12)
  }

  /**
   * Signs steps in their order until one of that id is next, putting back what each guard asks for;
   * tests by hand as they are typed.
   */
  stepsUntil(stepId: string | undefined, how: Doing = {}): this {
    for (let judgement = this.judgement(); ; judgement = this.judgement()) {
      const next = judgement.steps.find((one) => one.progress.state === 'now')
      if (!next || next.step.id === stepId) return this
      this.doStep(next.step, how)
    }
  }

  file(number: string): JobFile {
    return {
      format: 'hestian-job',
      formatVersion: 1,
      id: this.id,
      number,
      saveNumber: 1,
      frozen: null,
      document: this.document,
      revisions: [],
      records: this.records,
      samples: this.samples,
      people: people.map((person) => ({ ...person, tickets: [...person.tickets] })),
    }
  }

  private doStep(step: Step, { tests = {}, readings = {} }: Doing): void {
    this.later(4)
    for (const guard of step.guards) {
      if (guard.kind === 'seen') this.take(confirmGuard(this.judgement(), step.id, guard.id))
      if (guard.kind === 'hand-test') {
        const [test = ''] = guard.test.split('|')
        const typed = tests[test]
        if (!typed) throw new Error(`${this.id}: ${step.id} waits for ${test}`)
        this.measured(test, guard.target, typed, instruments[test] ?? 'By eye and clock')
      }
      if (guard.kind !== 'put-back') continue
      const judgement = this.judgement()
      const item = offItemOf(step, guard.offKey, judgement.work.plant)
      if (item) this.take(putBack(judgement, item.id))
    }
    this.take(signStep(this.judgement(), step.id, lead, this.readingAt(step, readings[step.id])))
  }

  /**
   * As it was read; else what the design says, a little under it; where it says nothing, what is
   * usual.
   */
  private readingAt(
    { reading }: Step,
    read: number | undefined,
  ): { readonly reading?: { si: number; typed: string } } {
    if (!reading) return {}
    const show = showIn(this.solution().practice.units)
    const aim = reading.target ?? usual[reading.measure] ?? 0
    const near = reading.measure === 'temperature' ? aim : Math.max(reading.least ?? 0, aim * 0.995)
    const si = read ?? near
    return { reading: { si, typed: show(si, reading.measure) } }
  }

  private take(signing: ReturnType<typeof signStep>): void {
    if (!signing.ok) throw new Error(`${this.id}: ${signing.says}`)
    for (const body of signing.bodies) this.add(body)
  }

  /** Solved once: only the readings change the document, and they forget it. */
  private solution(): Solution {
    this.solved ??= solve(this.document)
    return this.solved
  }

  private judgement(): Judgement {
    return judge(this.solution(), { entries: this.records, samples: this.samples })
  }
}

import type { Guard, Step, StepReading } from '../sequences/sequence'
import type { Finding } from '../answer/finding'
import type { BodyOf, JobRecord } from '../job/records'
import { ofKind } from '../job/records'
import { fingerprint } from '../job/merge'
import type { Sample, TightnessRun, TightnessVerdict } from '../bench/gas-tightness/gasTightness'
import { judgeTightness } from '../bench/gas-tightness/gasTightness'
import { testedFingerprint } from '../bench/gas-tightness/tested'
import type { Missing, Sheet } from '../answer/sheet'
import type { SheetId } from './sheetIds'
import { oldSheetIds } from './sheetIds'
import { worst } from '../answer/sheet'
import type { Solution } from './solve'
import type { Inspected } from '../sheets/inspection/sheet'
import { inspectionSheet, lastInspected } from '../sheets/inspection/sheet'

export interface Records {
  readonly entries: readonly JobRecord[]
  /** Samples by test, oldest first. */
  readonly samples: Readonly<Record<string, readonly Sample[]>>
  /** Letter of the revision under which the design is signed and frozen. */
  readonly frozen?: string | null
}

export interface Snag {
  readonly id: string
  readonly body: BodyOf<'snag'>
  readonly at: string
  readonly by: string
}

export interface OffItem {
  readonly id: string
  readonly body: BodyOf<'off'>
  readonly at: string
  readonly by: string
}

export interface GuardState {
  readonly guard: Guard
  readonly holds: boolean
  readonly at?: string
}

export type StepState =
  | {
      readonly state: 'done'
      readonly at: string
      readonly by: string
      readonly recordId: string
      readonly si?: number
      readonly within: boolean | undefined
    }
  | {
      readonly state: 'now' | 'after'
      readonly guards: readonly GuardState[]
      readonly openGuards: readonly GuardState[]
    }

export interface JudgedStep {
  readonly step: Step
  readonly number: number
  readonly progress: StepState
}

export interface JudgedTest {
  readonly testId: string
  readonly begun: BodyOf<'test-begun'>
  readonly at: string
  readonly by: string
  readonly run: TightnessRun
  readonly verdict: TightnessVerdict
  readonly notes: readonly { readonly at_ms: number; readonly text: string }[]
  readonly ended: boolean
  /** What was repaired after it failed. */
  readonly repaired?: { readonly what: string; readonly at: string; readonly by: string }
}

export type SheetState = 'proven' | 'ready' | 'stop' | 'incomplete' | 'does-not-apply'

export interface JudgedSheet {
  readonly id: SheetId
  readonly name: string
  readonly state: SheetState
  readonly missing: readonly Missing[]
  readonly findings: readonly Finding[]
  readonly proof?: { readonly at: string; readonly by: string }
  readonly restsOn: string
  readonly because?: string
}

export type StageId =
  'survey' | 'design' | 'plan' | 'prove' | 'commission' | 'handover' | 'aftercare'

export interface JudgedStage {
  readonly id: StageId
  readonly sheets: readonly SheetId[]
  readonly proven: number
  readonly of: number
  /** How far it is, 0 to 1: proven sheets, or steps done where a sheet is made of steps. */
  readonly share: number
  readonly steps?: { readonly done: number; readonly of: number }
}

/** Something between the job and its signature; a finding is worded by whoever shows it. */
export interface HandoverGap {
  readonly sheet: SheetId
  readonly what: string
  readonly finding?: Finding
}

export interface Judgement {
  readonly off: readonly OffItem[]
  readonly steps: readonly JudgedStep[]
  readonly tests: readonly JudgedTest[]
  readonly gasTight: boolean
  /** Snags that nobody has done yet. */
  readonly snags: readonly Snag[]
  readonly inspected: Readonly<Record<string, Inspected>>
  readonly sheets: Readonly<Record<SheetId, JudgedSheet>>
  readonly stages: readonly JudgedStage[]
  /** What stands between the job and its signature. */
  readonly missing: readonly HandoverGap[]
  readonly canSign: boolean
}

export const sheetNames: Readonly<Record<SheetId, string>> = {
  site: 'Site',
  readings: 'Readings',
  plates: 'Rating plates',
  place: 'Place',
  inspection: 'Inspection',
  heat: 'Heat and hot water',
  circuit: 'Heating circuit',
  vessel: 'Heating vessel',
  safety: 'Hot water safety',
  relief: 'Relief and discharge',
  gas: 'Gas supply',
  water: 'Water feed',
  tightness: 'Gas tightness',
  steps: 'Fill, vent, start',
  handover: 'Handover',
}

export const stageSheets: Readonly<Record<StageId, readonly SheetId[]>> = {
  survey: ['site', 'readings', 'plates', 'place', 'inspection'],
  design: ['heat', 'circuit', 'vessel', 'safety', 'relief', 'gas', 'water'],
  plan: [],
  prove: ['tightness'],
  commission: ['steps'],
  handover: ['handover'],
  aftercare: [],
}

export const stageOfSheet = (sheet: SheetId): StageId =>
  (Object.keys(stageSheets) as StageId[]).find((stage) => stageSheets[stage].includes(sheet)) ??
  'survey'

/** A sheet's code: its stage's letter and its place in it. */
export const sheetCode = (sheet: SheetId): string => {
  const stage = stageOfSheet(sheet)
  return `${stage.charAt(0).toUpperCase()}${stageSheets[stage].indexOf(sheet) + 1}`
}

/** Verdicts, guards, the off strip and what is missing, from the design's answers and everything recorded. Pure: no clock. */
export function judge(solution: Solution, records: Records): Judgement {
  const off = stillOff(records.entries)
  const tests = judgeTests(records)
  const lastTest = tests[tests.length - 1]
  const gasTight =
    lastTest?.verdict.outcome === 'passed' && isStillTested(lastTest, solution.document)
  const steps = judgeSteps(solution.steps, records.entries, off, gasTight)
  const snags = openSnags(records.entries)
  const inspected = lastInspected(records.entries)
  const sheets = judgeSheets(solution, records, { off, tests, gasTight, steps, inspected })
  const stages = (Object.keys(stageSheets) as StageId[]).map((id) => {
    const done = stageSheets[id].filter(
      (sheet) => sheets[sheet].state === 'proven' || sheets[sheet].state === 'does-not-apply',
    ).length
    const of = stageSheets[id].length
    const stepsDone = steps.filter((one) => one.progress.state === 'done').length
    const bySteps = id === 'commission' && steps.length > 0 && done < of
    return {
      id,
      sheets: stageSheets[id],
      proven: done,
      of,
      share: bySteps ? (0.98 * stepsDone) / steps.length : of === 0 ? 0 : done / of,
      ...(bySteps ? { steps: { done: stepsDone, of: steps.length } } : {}),
    }
  })
  const missing = handoverMissing(sheets, off)
  return {
    off,
    steps,
    tests,
    gasTight,
    snags,
    inspected,
    sheets,
    stages,
    missing,
    canSign: missing.length === 0,
  }
}

/** Whether what was tested lies there unchanged. Tests recorded before they kept a fingerprint count as they did. */
export const isStillTested = (
  test: Pick<JudgedTest, 'begun'>,
  document: Solution['document'],
): boolean => test.begun.restsOn === undefined || test.begun.restsOn === testedFingerprint(document)

function missingTest(last: JudgedTest | undefined): string {
  if (!last) return 'A gas tightness test'
  return last.verdict.outcome === 'passed'
    ? 'The gas pipes were changed since the test that passed: a gas tightness test of them as they are now'
    : 'A gas tightness test that passed'
}

/** Everything shut, opened, linked or overridden that nobody has put back. */
export function stillOff(entries: readonly JobRecord[]): readonly OffItem[] {
  const restored = new Set(ofKind(entries, 'put-back').map((record) => record.body.off))
  return ofKind(entries, 'off')
    .filter((record) => !restored.has(record.id))
    .map(({ id, body, at, by }) => ({ id, body, at, by }))
}

export function judgeTests({ entries, samples }: Records): readonly JudgedTest[] {
  const toppedUp = ofKind(entries, 'test-topped-up')
  const ended = ofKind(entries, 'test-ended')
  return ofKind(entries, 'test-begun').map(({ body: begun, at, by }): JudgedTest => {
    const mine = <T extends { readonly body: { readonly testId: string } }>(some: readonly T[]) =>
      some.filter((record) => record.body.testId === begun.testId)
    const end = mine(ended)[0]
    const run: TightnessRun = {
      plan: begun.plan,
      reading: begun.reading,
      settleFrom_ms: Math.max(
        begun.settleFrom_ms,
        ...mine(toppedUp).map((record) => record.body.settleFrom_ms),
      ),
      endedEarly: end?.body.early ?? false,
      samples: samples[begun.testId] ?? [],
    }
    const repair = mine(ofKind(entries, 'repaired'))[0]
    return {
      testId: begun.testId,
      begun,
      at,
      by,
      run,
      verdict: judgeTightness(run),
      ended: end !== undefined,
      notes: mine(ofKind(entries, 'test-note')).map(({ body }) => ({
        at_ms: body.at_ms,
        text: body.text,
      })),
      ...(repair ? { repaired: { what: repair.body.what, at: repair.at, by: repair.by } } : {}),
    }
  })
}

/** Whether a reading is inside its limits; undefined when the design gives none. */
export function withinLimits(reading: StepReading, si: number): boolean | undefined {
  if (reading.least === undefined && reading.most === undefined) return undefined
  const slack = Math.max(1e-6 * Math.abs(si), 0.001)
  return (
    (reading.least === undefined || si >= reading.least - slack) &&
    (reading.most === undefined || si <= reading.most + slack)
  )
}

const confirmation = 'guard:'

function judgeSteps(
  steps: readonly Step[],
  entries: readonly JobRecord[],
  off: readonly OffItem[],
  gasTight: boolean,
): readonly JudgedStep[] {
  const records = ofKind(entries, 'step')
  const confirmed = (id: string) =>
    records.filter((record) => record.body.stepId === `${confirmation}${id}`)
  let reached = true
  return steps.map((step, index): JudgedStep => {
    const signed = records.filter((record) => record.body.stepId === step.id).at(-1)
    if (signed) {
      const { at, by, id, body } = signed
      return {
        step,
        number: index + 1,
        progress: {
          state: 'done',
          at,
          by,
          recordId: id,
          ...(body.si === undefined ? {} : { si: body.si }),
          within:
            step.reading && body.si !== undefined ? withinLimits(step.reading, body.si) : undefined,
        },
      }
    }
    const guards = step.guards.map((guard): GuardState => {
      if (guard.kind === 'gas-tight') return { guard, holds: gasTight }
      if (guard.kind === 'put-back')
        return {
          guard,
          holds: !off.some((item) => item.body.stepId && offKeyOf(item) === guard.offKey),
        }
      const seen = confirmed(`${step.id}/${guard.id}`).at(-1)
      return { guard, holds: seen !== undefined, ...(seen ? { at: seen.at } : {}) }
    })
    const progress: StepState = {
      state: reached ? 'now' : 'after',
      guards,
      openGuards: guards.filter((guard) => !guard.holds),
    }
    reached = false
    return { step, number: index + 1, progress }
  })
}

/** The record id of a confirmation by eye, as a step record names it. */
export const confirmationId = (stepId: string, guardId: string): string =>
  `${confirmation}${stepId}/${guardId}`
/** Off items that a step leaves carry `step#key` in their step id. */
export const offKeyOf = (item: Pick<OffItem, 'body'>): string | undefined =>
  item.body.stepId?.split('#')[1]

interface Judged {
  readonly off: readonly OffItem[]
  readonly tests: readonly JudgedTest[]
  readonly gasTight: boolean
  readonly steps: readonly JudgedStep[]
  readonly inspected: Judgement['inspected']
}

function judgeSheets(
  solution: Solution,
  { entries, frozen }: Records,
  judged: Judged,
): Judgement['sheets'] {
  const proofs = ofKind(entries, 'prove-sheet')
  const design = (
    id: SheetId,
    sheet: Sheet<unknown>,
    more: readonly Missing[] = [],
    rests = '',
  ): JudgedSheet => {
    const name = sheetNames[id]
    if (!sheet.applies)
      return {
        id,
        name,
        state: 'does-not-apply',
        missing: [],
        findings: [],
        restsOn: '',
        because: sheet.because,
      }
    const missing = [...sheet.missing, ...more]
    const restsOn = `${sheet.restsOn}${rests}`
    const proof = proofs
      .filter(
        (record) =>
          (oldSheetIds[record.body.sheet] ?? record.body.sheet) === id &&
          (frozen || record.body.restsOn === restsOn),
      )
      .pop()
    const state =
      worst(sheet.findings) === 'stop'
        ? 'stop'
        : missing.length > 0
          ? 'incomplete'
          : proof
            ? 'proven'
            : 'ready'
    return {
      id,
      name,
      state,
      missing,
      findings: sheet.findings,
      restsOn,
      ...(proof ? { proof: { at: proof.at, by: proof.by } } : {}),
    }
  }
  const lastTest = judged.tests[judged.tests.length - 1]
  const testMissing = judged.gasTight
    ? []
    : [
        {
          place: 'tests',
          what: missingTest(lastTest),
        },
      ]
  const stepsDone = judged.steps.filter((one) => one.progress.state === 'done').length
  const stepsMissing = [
    ...judged.steps
      .filter((one) => one.progress.state !== 'done')
      .map((one) => ({ place: one.step.id, what: `Step ${one.number}: ${one.step.short}` })),
    ...judged.steps.flatMap((one) =>
      one.progress.state === 'done' && one.progress.within === false
        ? [{ place: one.step.id, what: `Step ${one.number}: the reading is outside its limit` }]
        : [],
    ),
  ]
  const stepSheet: Sheet<unknown> =
    judged.steps.length === 0
      ? { applies: false, because: 'No appliance on this job is filled and started.' }
      : {
          applies: true,
          answer: stepsDone,
          missing: [],
          findings: [],
          workings: () => [],
          restsOn: solution.vessel.applies ? solution.vessel.restsOn : 'steps',
        }
  // A frozen design is the signed one, whatever the version of the document it was signed in.
  const signature = ofKind(entries, 'signature').findLast((record) =>
    frozen
      ? record.body.revision === frozen
      : record.body.restsOn === fingerprint(solution.document),
  )
  return {
    site: design('site', solution.site),
    readings: design('readings', solution.readings),
    plates: design('plates', solution.plates),
    place: design('place', solution.place),
    inspection: design(
      'inspection',
      inspectionSheet(solution.document, solution.practice, judged.inspected),
    ),
    heat: design('heat', solution.heat),
    circuit: design('circuit', solution.circuit),
    vessel: design('vessel', solution.vessel),
    safety: design('safety', solution.safety),
    relief: design('relief', solution.relief),
    gas: design('gas', solution.gas),
    water: design('water', solution.water),
    tightness: design('tightness', solution.tightness, testMissing, `/${lastTest?.testId ?? ''}`),
    steps: design('steps', stepSheet, stepsMissing, `/${stepsDone}`),
    handover: {
      id: 'handover',
      name: sheetNames.handover,
      state: signature ? 'proven' : 'incomplete',
      missing: [],
      findings: [],
      restsOn: '',
      ...(signature ? { proof: { at: signature.at, by: signature.by } } : {}),
    },
  }
}

function openSnags(entries: readonly JobRecord[]): readonly Snag[] {
  const done = new Set(ofKind(entries, 'snag-done').map((record) => record.body.snag))
  return ofKind(entries, 'snag')
    .filter((record) => !done.has(record.id))
    .map(({ id, body, at, by }) => ({ id, body, at, by }))
}

function handoverMissing(
  sheets: Judgement['sheets'],
  off: readonly OffItem[],
): readonly HandoverGap[] {
  const all = Object.values(sheets).filter(
    (sheet) => sheet.id !== 'handover' && sheet.state !== 'does-not-apply',
  )
  return [
    ...all.flatMap((sheet): HandoverGap[] => [
      ...sheet.missing.map(({ what }) => ({ sheet: sheet.id, what })),
      ...sheet.findings
        .filter((finding) => finding.severity !== 'note')
        .map((finding) => ({ sheet: sheet.id, what: finding.id, finding })),
      ...(sheet.state === 'ready'
        ? [{ sheet: sheet.id, what: `${sheet.name} is ready and not yet proven` }]
        : []),
    ]),
    ...off.map((item) => ({
      sheet: 'steps' as const,
      what: `${item.body.name} is still ${offWords[item.body.state]}`,
    })),
  ]
}

export const offWords = {
  shut: 'shut',
  'held-open': 'held open',
  opened: 'open',
  disconnected: 'disconnected and capped',
  'power-off': 'off',
  drained: 'drained',
  linked: 'linked',
  'lever-over': 'over',
} as const

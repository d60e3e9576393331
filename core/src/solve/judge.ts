import type { SheetId } from './sheetIds'
import { stageSheets } from './sheetIds'
import { isSheetAsked } from './askedSheets'
import type { UnsafeSituation } from './unsafe'
import { unsafeSituations } from './unsafe'
import type { JudgedItem } from '../work/list'
import { judgeItems } from '../work/list'
import type { StageId } from '../sheets/sheetSpec'
import { judgeSheets, recordedOf } from './judgeSheets'
import type { Solution } from './solve'
import type { Inspected } from '../sheets/inspection/sheet'
import { lastInspected } from '../sheets/inspection/sheet'
import type { Records } from './records'
import type { JudgedGasTest, JudgedTest } from './judgeTests'
import { isGasTight, judgeGasTests, judgeTests } from './judgeTests'
import type { Visit } from './visits'
import { visitsOf } from './visits'
import type { Snag } from './snags'
import { openSnags } from './snags'
import type { OffItem } from './offStrip'
import { stillOff } from './offStrip'
import type { JudgedStep, JudgedWork } from './judgeSteps'
import { isFinished, judgeWork } from './judgeSteps'
import { judgeHandTests } from '../bench/by-hand/judged'
import type { JudgedSheet } from './judgeSheets'
import type { HandoverGap } from './handoverMissing'
import type { JudgedLeaving } from './handover/leaving'
import { householderLacks, judgeLeaving } from './handover/leaving'
import { handoverMissing } from './handoverMissing'

export interface JudgedStage {
  readonly id: StageId
  readonly sheets: readonly SheetId[]
  readonly checked: number
  readonly of: number
  /** How far it is, 0 to 1: proven sheets, or steps done where a sheet is made of steps. */
  readonly share: number
  readonly steps?: { readonly done: number; readonly of: number }
}

export interface Judgement {
  readonly off: readonly OffItem[]
  /** The work step by step, on the plant as it is known to stand. */
  readonly work: JudgedWork
  /** Steps that are asked for, through all sequences that anything waits for. */
  readonly steps: readonly JudgedStep[]
  readonly tests: readonly JudgedTest[]
  /** The pressure tests of the gas pipes that are asked for or offered, each as it stands. */
  readonly gasTests: readonly JudgedGasTest[]
  readonly gasTight: boolean
  readonly visits: readonly Visit[]
  /** Snags that nobody has done yet. */
  readonly snags: readonly Snag[]
  /** Every unsafe situation that was seen, put right or not. */
  readonly unsafe: readonly UnsafeSituation[]
  /** The work list. */
  readonly items: readonly JudgedItem[]
  /** What is looked at once more before one leaves. */
  readonly leaving: readonly JudgedLeaving[]
  readonly inspected: Readonly<Record<string, Inspected>>
  readonly sheets: Readonly<Record<SheetId, JudgedSheet>>
  readonly stages: readonly JudgedStage[]
  /** What stands between the job and its signature. */
  readonly missing: readonly HandoverGap[]
  readonly canSign: boolean
}

/**
 * Verdicts, guards, the off strip and what is missing, from the design's answers and everything
 * recorded. Pure: no clock.
 */
export function judge(solution: Solution, records: Records): Judgement {
  const off = stillOff(records.entries)
  const tests = judgeTests(records)
  const gasTests = judgeGasTests(solution, tests, records.entries)
  const gasTight = isGasTight(gasTests, tests, solution.document)
  const { document, practice, sequences } = solution
  const work = judgeWork(sequences, {
    document,
    entries: records.entries,
    off,
    gasTight,
    handTests: judgeHandTests(document, practice, records.entries),
  })
  const steps = work.sequences.filter(({ waits }) => !waits).flatMap((one) => one.steps)
  const snags = openSnags(records.entries)
  const inspected = lastInspected(records.entries)
  const recorded = recordedOf(records.entries, { tests, gasTests, gasTight, work })
  const sheets = judgeSheets(solution, records, recorded)
  const items = judgeItems(solution.document, records.entries)
  const done = {
    steps: steps.map(isFinished),
    list: items.map((one) => one.ticked !== undefined),
  }
  const stages = (Object.keys(stageSheets) as StageId[]).map((id) => judgeStage(id, sheets, done))
  const unsafe = unsafeSituations(records.entries)
  const leaving = judgeLeaving(document, practice, records.entries)
  const missing = handoverMissing(
    sheets,
    { off, unsafe, leaving, householder: householderLacks(document) },
    (id) => isSheetAsked(id, document),
  )
  return {
    off,
    work,
    steps,
    tests,
    gasTests,
    gasTight,
    visits: visitsOf(records.entries),
    snags,
    unsafe,
    items,
    leaving,
    inspected,
    sheets,
    stages,
    missing,
    canSign: missing.length === 0,
  }
}

/** A stage made of steps is this far when all are done and nobody has signed for it yet. */
const allButSigned = 0.98

function judgeStage(
  id: StageId,
  sheets: Judgement['sheets'],
  done: { readonly steps: readonly boolean[]; readonly list: readonly boolean[] },
): JudgedStage {
  const mine = stageSheets[id]
  const asked = mine.filter((sheet) => sheets[sheet].state !== 'invited')
  const checked = asked.filter((sheet) =>
    ['checked', 'does-not-apply'].includes(sheets[sheet].state),
  ).length
  const plain = { id, sheets: mine, checked, of: asked.length }
  if (asked.length === 0) return { ...plain, share: 0 }
  const stepped = (['steps', 'list'] as const).flatMap((sheet) =>
    asked.includes(sheet) ? done[sheet] : [],
  )
  if (stepped.length === 0 || checked === asked.length)
    return { ...plain, share: checked / asked.length }
  const steps = { done: stepped.filter(Boolean).length, of: stepped.length }
  return { ...plain, share: (allButSigned * steps.done) / steps.of, steps }
}

import type { BodyOf, JobRecord } from '../job/records'
import { ofKind } from '../job/records'
import type { TightnessVerdict } from '../bench/gas-tightness/gasTightness'
import type { TightnessRun } from '../bench/gas-tightness/run'
import { judgeTightness } from '../bench/gas-tightness/gasTightness'
import { gasTightness } from '../bench/gas-tightness/kind'
import type { GasTestsAnswer } from '../bench/gas-tightness/sheet'
import type { GasTest } from '../bench/gas-test/spec'
import type { GasTestState, RecordedGasTest } from '../sheets/sheetSpec'
import { answerOf } from '../answer/sheet'
import type { JobDocument } from '../job/document'
import type { PipeJoints } from '../bench/joints/joints'
import { bubbled, jointRegister, temporaryJoints } from '../bench/joints/joints'
import { testedFingerprint } from '../bench/gas-tightness/tested'
import type { Solution } from './solve'
import type { Records } from './records'

export interface JudgedTest {
  readonly testId: string
  readonly begun: BodyOf<'test-begun'>
  readonly at: string
  readonly by: string
  readonly run: TightnessRun
  readonly verdict: TightnessVerdict
  readonly notes: readonly { readonly at_ms: number; readonly text: string }[]
  readonly ended: boolean
  /** The point it was read at, with the gauge off and the screw back, as it was last soaped. */
  readonly testPoint?: {
    readonly soaped: 'dry' | 'bubbles'
    readonly at: string
    readonly by: string
  }
  /** What was repaired after it failed. */
  readonly repaired?: { readonly what: string; readonly at: string; readonly by: string }
}

/** Which test of the job it was; records of before knew one. */
const testIdOf = ({ begun }: Pick<JudgedTest, 'begun'>): string => begun.test ?? gasTightness.id

/**
 * Whether what was tested lies there unchanged. Tests recorded before they kept a fingerprint count
 * as they did.
 */
const isStillTested = (
  { begun }: Pick<JudgedTest, 'begun'>,
  document: JobDocument,
  pipes: GasTest['pipes'],
): boolean =>
  begun.restsOn === undefined
    ? pipes === 'all'
    : begun.restsOn === testedFingerprint(document, pipes)

/**
 * A test of the gas pipes that is asked for or offered, and how it stands. The last of its kind
 * counts.
 */
export interface JudgedGasTest extends RecordedGasTest {
  readonly test: GasTest
  readonly last?: JudgedTest
  /** Its joints, with what was soaped since it began. */
  readonly register: readonly PipeJoints[]
}

function stateOf(
  last: JudgedTest | undefined,
  { pipes }: GasTest,
  document: JobDocument,
  entries: readonly JobRecord[],
): GasTestState {
  if (!last) return 'not-made'
  if (!last.ended) return 'running'
  if (last.verdict.outcome !== 'passed') return 'not-passed'
  if (!isStillTested(last, document, pipes)) return 'changed'
  if (last.repaired) return 'repaired'
  if (bubbled(entries, { pipes, testId: last.testId }).length > 0) return 'bubbles'
  // Records of before closed the test point by hand, with the rest of the work.
  return last.begun.test === undefined || last.testPoint?.soaped === 'dry' ? 'passed' : 'test-point'
}

/** Every test of this gas supply as it stands. */
export const judgeGasTests = (
  { document, tightness }: Pick<Solution, 'document' | 'tightness'>,
  tests: readonly JudgedTest[],
  entries: readonly JobRecord[],
): readonly JudgedGasTest[] =>
  (answerOf<GasTestsAnswer>(tightness)?.tests ?? []).map((test): JudgedGasTest => {
    const last = tests.findLast((one) => testIdOf(one) === test.id)
    const { id, name, asked, pipes } = test
    const register = jointRegister(document, entries, { pipes, testId: last?.testId })
    return {
      ...{ id, name, asked, test, register },
      state: stateOf(last, test, document, entries),
      temporary: temporaryJoints(register),
      ...(last ? { last, testId: last.testId } : {}),
    }
  })

/**
 * Whether the gas may be turned on behind them: every test that is asked has passed, on the pipes
 * as they are now.
 */
export const isGasTight = (
  gasTests: readonly JudgedGasTest[],
  tests: readonly JudgedTest[],
  document: JobDocument,
): boolean => {
  const asked = gasTests.filter((one) => one.asked)
  if (asked.length > 0) return asked.every(({ state }) => state === 'passed')
  // The supply cannot be computed, and lies there as it was tested.
  const last = tests.at(-1)
  return last?.verdict.outcome === 'passed' && isStillTested(last, document, 'all')
}

export function judgeTests({ entries, samples }: Records): readonly JudgedTest[] {
  const toppedUp = ofKind(entries, 'test-topped-up')
  const ended = ofKind(entries, 'test-ended')
  return ofKind(entries, 'test-begun').map(({ body: begun, at, by }): JudgedTest => {
    const mine = <T extends { readonly body: { readonly testId: string } }>(some: readonly T[]) =>
      some.filter((record) => record.body.testId === begun.testId)
    const end = mine(ended)[0]
    const starts_ms = [
      begun.settleFrom_ms,
      ...mine(toppedUp).map((record) => record.body.settleFrom_ms),
    ].sort((a, b) => a - b)
    const run: TightnessRun = {
      plan: begun.plan,
      reading: begun.reading,
      settleFrom_ms: starts_ms[starts_ms.length - 1] ?? begun.settleFrom_ms,
      settledBefore_ms: starts_ms.slice(0, -1),
      endedEarly: end?.body.early ?? false,
      samples: samples[begun.testId] ?? [],
    }
    const point = mine(ofKind(entries, 'test-point')).at(-1)
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
      ...(point ? { testPoint: { soaped: point.body.soaped, at: point.at, by: point.by } } : {}),
      ...(repair ? { repaired: { what: repair.body.what, at: repair.at, by: repair.by } } : {}),
    }
  })
}

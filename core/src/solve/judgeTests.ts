import type { BodyOf } from '../job/records'
import { ofKind } from '../job/records'
import type { TightnessVerdict } from '../bench/gas-tightness/gasTightness'
import type { TightnessRun } from '../bench/gas-tightness/run'
import { judgeTightness } from '../bench/gas-tightness/gasTightness'
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
  /** What was repaired after it failed. */
  readonly repaired?: { readonly what: string; readonly at: string; readonly by: string }
}

/** Whether what was tested lies there unchanged. Tests recorded before they kept a fingerprint count as they did. */
export const isStillTested = (
  test: Pick<JudgedTest, 'begun'>,
  document: Solution['document'],
): boolean => test.begun.restsOn === undefined || test.begun.restsOn === testedFingerprint(document)

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

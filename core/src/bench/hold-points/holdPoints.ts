import type { HoldPoint, JobDocument } from '../../job/document'
import type { GasTestState } from '../../sheets/sheetSpec'
import type { JudgedHandTest } from '../by-hand/judged'

/** A test that work can wait for, as it stands. */
export interface Holdable {
  readonly id: string
  readonly name: string
  readonly isPassed: boolean
}

/**
 * A point of the work with the test it waits for; *unknown* where this job has no such test any
 * more.
 */
export interface JudgedHoldPoint {
  readonly point: HoldPoint
  readonly testName: string
  readonly state: 'open' | 'passed' | 'unknown'
}

interface Tested {
  readonly id: string
  readonly name: string
  readonly state: GasTestState
}

/**
 * Every test of this job that work can wait for: those of the gas pipes, and those by hand that are
 * made once.
 */
export const holdable = (
  gasTests: readonly Tested[],
  handTests: readonly JudgedHandTest[],
): readonly Holdable[] => [
  ...gasTests.map(({ id, name, state }) => ({ id, name, isPassed: state === 'passed' })),
  ...handTests
    .filter(({ kind }) => kind.at === 'once')
    .map(({ kind, last }) => ({
      id: kind.id,
      name: kind.name,
      isPassed: last?.found.outcome === 'passed',
    })),
]

/** What of the work may go on, by the tests it waits for. */
export const judgeHoldPoints = (
  { holdPoints }: JobDocument,
  tests: readonly Holdable[],
): readonly JudgedHoldPoint[] =>
  holdPoints.map((point): JudgedHoldPoint => {
    const test = tests.find(({ id }) => id === point.test)
    if (!test) return { point, testName: point.test, state: 'unknown' }
    return { point, testName: test.name, state: test.isPassed ? 'passed' : 'open' }
  })

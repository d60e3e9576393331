import { sources } from '../../answer/sources'
import { holdable, judgeHoldPoints } from '../hold-points/holdPoints'
import type { JudgedHoldPoint } from '../hold-points/holdPoints'
import { fingerprint } from '../../job/merge'
import type { RecordedSpec } from '../../sheets/sheetSpec'
import { judgeHandTests } from './judged'
import type { JudgedHandTest } from './judged'
import { handTestName, handTestPlace } from './named'
import type { HandTestFinding } from './wording'
import { handTestWordings } from './wording'
import type { Practice } from '../../practice/practice'

/**
 * Whether something waits for a reading: it was not made, or could not tell. What is only offered
 * keeps nobody waiting.
 */
const isAwaited = ({ kind, last }: JudgedHandTest): boolean =>
  last ? last.found.outcome === 'cannot-tell' && !kind.offered : !kind.offered

/**
 * What is tested with a gauge and a clock in hand: the last test of each that is wrong is a
 * finding.
 */
export const handTestsSpec: RecordedSpec<'by-hand', typeof handTestWordings> = {
  id: 'by-hand',
  wordings: handTestWordings,
  judge: (document, practice, { entries, gasTests }) => {
    const readings = judgeHandTests(document, practice, entries)
    return {
      sheet: {
        applies: true,
        answer: readings.filter(({ last }) => last).length,
        missing: readings.filter(isAwaited).map((one) => ({
          place: handTestPlace(one),
          what: handTestName(one, practice),
        })),
        findings: [
          ...readings.flatMap((one) => findingsOf(one, readings, practice)),
          ...judgeHoldPoints(document, holdable(gasTests, readings)).flatMap(heldUp),
        ],
        workings: () => [],
      },
      restsOn: fingerprint(readings.map(({ last }) => last?.recordId ?? '')),
    }
  },
}

/**
 * What speaks against one test as it was read last: it failed, it was made on something else, or it
 * only stood in for another.
 */
function findingsOf(
  one: JudgedHandTest,
  all: readonly JudgedHandTest[],
  practice: Practice,
): HandTestFinding[] {
  const { kind, last } = one
  if (!last) return []
  const said = (
    id: HandTestFinding['id'],
    severity: HandTestFinding['severity'],
    ...names: string[]
  ): HandTestFinding => ({
    id,
    severity,
    place: handTestPlace(one),
    names: [handTestName(one, practice), ...names],
    source: kind.source(practice),
  })
  if (last.found.outcome === 'failed')
    return [said('hand-test-failed', last.found.severity ?? 'fix', last.found.says)]
  if (last.isOutdated) return [said('hand-test-outdated', 'fix')]
  const due = kind.standsInFor && last.found.outcome === 'passed' && isDue(kind.standsInFor, all)
  return due ? [said('hand-test-due', 'fix')] : []
}

/** Whether none of the tests that another stood in for has passed. */
const isDue = (kinds: readonly string[], all: readonly JudgedHandTest[]): boolean =>
  !all.some(({ kind, last }) => kinds.includes(kind.id) && last?.found.outcome === 'passed')

/** Work that waits for a test, as a finding. */
const heldUp = ({ point, testName, state }: JudgedHoldPoint): HandTestFinding[] =>
  state === 'passed'
    ? []
    : [
        {
          id: state === 'open' ? 'hold-point-open' : 'hold-point-unknown',
          severity: 'fix',
          place: `holdPoints.${point.id}`,
          names: [point.name, testName],
          source: sources.trade,
        },
      ]

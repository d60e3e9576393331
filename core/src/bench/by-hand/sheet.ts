import { inWords } from '../../job/questions'
import { fingerprint } from '../../job/merge'
import type { RecordedSpec } from '../../sheets/sheetSpec'
import { judgeHandTests } from './judged'
import type { JudgedHandTest } from './judged'
import type { HandTestFinding } from './wording'
import { handTestWordings } from './wording'
import type { Practice } from '../../practice/practices'

/** A reading by its name, with the appliance it is of. */
export const handTestName = (
  { kind, target }: Pick<JudgedHandTest, 'kind' | 'target'>,
  { words }: Practice,
): string => {
  const name = inWords(kind.name, words)
  return target.name ? `${name}, ${target.name}` : name
}

/** Whether something waits for a reading: it was not made, or could not tell. What is only offered keeps nobody waiting. */
const isAwaited = ({ kind, last }: JudgedHandTest): boolean =>
  last ? last.found.outcome === 'cannot-tell' && !kind.offered : !kind.offered

/** What is tested with a gauge and a clock in hand: the last test of each that is wrong is a finding. */
export const handTestsSpec: RecordedSpec<'by-hand', typeof handTestWordings> = {
  id: 'by-hand',
  name: 'Tests by hand',
  stage: 'test',
  wordings: handTestWordings,
  judge: (document, practice, { entries }) => {
    const readings = judgeHandTests(document, practice, entries)
    return {
      sheet: {
        applies: true,
        answer: readings.filter(({ last }) => last).length,
        missing: readings.filter(isAwaited).map((one) => ({
          place: handTestPlace(one),
          what: handTestName(one, practice),
        })),
        findings: readings.flatMap((one): HandTestFinding[] =>
          one.last?.found.outcome === 'failed'
            ? [
                {
                  id: 'hand-test-failed',
                  severity: one.last.found.severity ?? 'fix',
                  place: handTestPlace(one),
                  names: [handTestName(one, practice), one.last.found.says],
                  source: one.kind.source(practice),
                },
              ]
            : [],
        ),
        workings: () => [],
      },
      restsOn: fingerprint(readings.map(({ last }) => last?.recordId ?? '')),
    }
  },
}

/** Where a reading stands on its page. */
export const handTestPlace = ({ kind, target }: Pick<JudgedHandTest, 'kind' | 'target'>): string =>
  `by-hand.${kind.id}${target.id ? `.${target.id}` : ''}`

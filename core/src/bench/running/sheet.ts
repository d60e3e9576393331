import { inWords } from '../../job/questions'
import { fingerprint } from '../../job/merge'
import type { RecordedSpec } from '../../sheets/sheetSpec'
import { judgeReadings } from './judged'
import type { JudgedReading } from './judged'
import type { RunningFinding } from './wording'
import { runningWordings } from './wording'
import type { Practice } from '../../practice/practices'

/** A reading by its name, with the appliance it is of. */
export const readingName = (
  { kind, target }: Pick<JudgedReading, 'kind' | 'target'>,
  { words }: Practice,
): string => {
  const said = inWords(kind.name, words)
  const name = said.charAt(0).toUpperCase() + said.slice(1)
  return target.name ? `${name}, ${target.name}` : name
}

/** What is read with the plant running: the last reading of each that is wrong is a finding. */
export const runningSpec: RecordedSpec<'running', typeof runningWordings> = {
  id: 'running',
  name: 'Running readings',
  stage: 'test',
  wordings: runningWordings,
  judge: (document, practice, { entries }) => {
    const readings = judgeReadings(document, practice, entries)
    return {
      sheet: {
        applies: true,
        answer: readings.filter(({ last }) => last).length,
        missing: readings
          .filter(({ last }) => !last || last.found.outcome === 'cannot-tell')
          .map((one) => ({
            place: readingPlace(one),
            what: readingName(one, practice),
          })),
        findings: readings.flatMap((one): RunningFinding[] =>
          one.last?.found.outcome === 'failed'
            ? [
                {
                  id: 'running-failed',
                  severity: one.last.found.severity ?? 'fix',
                  place: readingPlace(one),
                  names: [readingName(one, practice), one.last.found.says],
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
export const readingPlace = ({ kind, target }: Pick<JudgedReading, 'kind' | 'target'>): string =>
  `running.${kind.id}${target.id ? `.${target.id}` : ''}`

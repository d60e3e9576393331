import type { JobState, JudgedStep, Judgement, Solution, Staff } from '@hestian/core'
import { inWords, recordSays, severityWords, sheetNames, showIn, word } from '@hestian/core'
import type { Cell, Table } from './csv'

interface Facts {
  readonly state: JobState
  readonly solution: Solution
  readonly judgement: Judgement
  readonly people: readonly Staff[]
}

/** Everything of a job that is a table, SI in the columns that name a unit. */
export const jobTables = (facts: Facts): readonly Table[] => [
  parts(facts),
  findings(facts),
  steps(facts),
  records(facts),
  readings(facts),
  revisions(facts),
]

const nameIn = (people: readonly Staff[], id: string): string =>
  people.find((one) => one.id === id)?.name ?? id

const parts = ({ state: { document } }: Facts): Table => ({
  name: 'plates',
  heads: ['id', 'name', 'kind', 'stays', 'make', 'model', 'serial', 'year'],
  rows: [...document.appliances, ...document.parts].map(
    ({ id, name, kind, stay, maker, madeYear }) => [
      ...[id, name, kind, stay],
      ...[maker?.make, maker?.model, maker?.serial, madeYear ?? maker?.year],
    ],
  ),
})

function findings({ solution: { practice }, judgement }: Facts): Table {
  const show = showIn(practice.units)
  return {
    name: 'findings',
    heads: ['sheet', 'severity', 'finding', 'says', 'why'],
    rows: Object.values(judgement.sheets).flatMap(({ id, findings: of }) =>
      of.map((finding) => {
        const { head, why } = word(finding, practice, show)
        return [sheetNames[id], severityWords[finding.severity], finding.id, head, why]
      }),
    ),
  }
}

const steps = ({ judgement, people }: Facts): Table => ({
  name: 'steps',
  heads: [
    'sequence',
    'number',
    'step',
    'title',
    'state',
    'at',
    'by',
    'read_si',
    'typed',
    'because',
  ],
  rows: judgement.work.sequences.flatMap(({ sequence, steps: of }) =>
    of.map(({ step, number, progress }) => [
      ...[sequence.name, number, step.id, step.title],
      ...progressCells(progress, people),
    ]),
  ),
})

function progressCells(
  progress: JudgedStep['progress'],
  people: readonly Staff[],
): readonly Cell[] {
  if (progress.state !== 'done' && progress.state !== 'skipped') return [progress.state]
  const did = [
    progress.awaits ? 'awaits' : progress.state,
    progress.at,
    nameIn(people, progress.by),
  ]
  if (progress.state === 'skipped') return [...did, undefined, undefined, progress.because]
  return [...did, progress.si, progress.body.typed, progress.body.cause]
}

const records = ({ state, solution: { practice }, people }: Facts): Table => ({
  name: 'records',
  heads: ['id', 'at', 'by', 'kind', 'says', 'replaces', 'reason'],
  rows: state.records.map(({ id, at, by, body, replaces, reason }) => [
    ...[id, at, nameIn(people, by), body.kind],
    ...[inWords(recordSays(body), practice.words), replaces, reason],
  ]),
})

const readings = ({ state }: Facts): Table => ({
  name: 'readings',
  heads: ['test', 'at', 'gauge_Pa', 'temp_K', 'barometer_Pa'],
  rows: Object.entries(state.samples).flatMap(([testId, samples]) =>
    samples.map(({ at_ms, gauge_Pa, temp_K, baro_Pa }) => [
      ...[testId, new Date(at_ms).toISOString(), gauge_Pa, temp_K, baro_Pa],
    ]),
  ),
})

const revisions = ({ state, people }: Facts): Table => ({
  name: 'revisions',
  heads: ['letter', 'at', 'by', 'signed', 'imported'],
  rows: state.revisions.map(({ letter, at, by, signed, imported }) => [
    ...[letter, at, nameIn(people, by), signed, imported ?? false],
  ]),
})

import type {
  JobDocument,
  JobFile,
  JobRecord,
  JobState,
  JudgedTest,
  RevisionInfo,
  Sample,
} from '@hestian/core'
import { judgeTests, readStoredDocument, readStoredRecord } from '@hestian/core'
import type { EntityManager } from 'typeorm'
import { Refusal } from '../app/refusal'
import type { DatabaseReader } from '../db/database'
import type { JobRow, RecordRow, RevisionRow, SampleRow } from '../db/tables'
import { JobTable, RecordTable, RevisionTable, SampleTable } from '../db/tables'

const unreadable = (what: string): Refusal =>
  new Refusal(
    'job-unreadable',
    `What is stored of this job cannot be read (${what}). The other jobs are not touched. Restore it from a backup, or keep the data folder for somebody who can mend it.`,
  )

export function documentOf(text: string): JobDocument {
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch {
    throw unreadable('its document is damaged')
  }
  const read = readStoredDocument(raw)
  if (!read.ok) throw unreadable(read.says)
  return read.document
}

export function recordOf({ id, at, by, replaces, reason, body: text }: RecordRow): JobRecord {
  let body: unknown
  try {
    body = JSON.parse(text)
  } catch {
    throw unreadable(`its record ${id} is damaged`)
  }
  const read = readStoredRecord({
    id,
    at,
    by,
    ...(replaces ? { replaces } : {}),
    ...(reason ? { reason } : {}),
    body,
  })
  if (!read.ok) throw unreadable(`its record ${id} is damaged: ${read.says}`)
  return read.record
}

/**
 * The test that a record speaks of; null where the record is damaged, so that one bad row stops no
 * query.
 */
const testIdOf = (record: string): string =>
  `CASE WHEN json_valid(${record}.body) THEN json_extract(${record}.body, '$.testId') END`

const sampleOf = ({ at_ms, gauge_Pa, temp_K, baro_Pa }: SampleRow): Sample => ({
  at_ms,
  gauge_Pa,
  ...(temp_K === null ? {} : { temp_K }),
  ...(baro_Pa === null ? {} : { baro_Pa }),
})

const infoOf = (row: RevisionRow): RevisionInfo => ({
  letter: row.letter,
  at: row.at,
  by: row.by,
  signed: row.signed === 1,
  ...(row.imported === 1 ? { imported: true } : {}),
})

export async function rowOf(manager: EntityManager, id: string): Promise<JobRow> {
  const row = await manager.getRepository(JobTable).findOneBy({ id })
  if (!row) throw new Refusal('no-such-job', 'There is no such job here.')
  return row
}

const revisionRows = (manager: EntityManager, jobId: string): Promise<RevisionRow[]> =>
  manager.query('SELECT * FROM revision WHERE jobId = ? ORDER BY LENGTH(letter), letter', [jobId])

async function stateIn(manager: EntityManager, id: string): Promise<JobState> {
  const job = await rowOf(manager, id)
  const records = await manager
    .getRepository(RecordTable)
    .find({ where: { jobId: id }, order: { seq: 'ASC' } })
  const samples: Record<string, Sample[]> = {}
  const order = { testId: 'ASC', at_ms: 'ASC' } as const
  for (const row of await manager.getRepository(SampleTable).find({ where: { jobId: id }, order }))
    (samples[row.testId] ??= []).push(sampleOf(row))
  return {
    id,
    number: job.number,
    document: documentOf(job.draft),
    saveNumber: job.saveNumber,
    frozen: job.frozen,
    importedAt: job.importedAt,
    revisions: (await revisionRows(manager, id)).map(infoOf),
    records: records.map(recordOf),
    samples,
  }
}

/** Jobs as they are stored. Everything one call gives is of one instant. */
export class JobReader {
  constructor(private readonly db: DatabaseReader) {}

  state = (id: string): Promise<JobState> => this.db.read((manager) => stateIn(manager, id))

  /** The number of a job and the letter it is frozen under; refused where there is no such job. */
  heading = (id: string): Promise<{ readonly number: string; readonly frozen: string | null }> =>
    this.db.read(async (manager) => {
      const { number, frozen } = await rowOf(manager, id)
      return { number, frozen }
    })

  /** Whether a record of this id is stored, without reading the others. */
  hasRecord = (jobId: string, id: string): Promise<boolean> =>
    this.db.read(async (manager) => {
      const sql = 'SELECT 1 FROM record WHERE jobId = ? AND id = ?'
      return (await manager.query<unknown[]>(sql, [jobId, id])).length > 0
    })

  /** The letter under which a signature of this id froze the design. */
  signedLetter = (jobId: string, id: string): Promise<string> =>
    this.db.read(async (manager) => {
      const row = await manager.getRepository(RecordTable).findOneBy({ jobId, id })
      const body = row && recordOf(row).body
      if (body?.kind !== 'signature')
        throw new Refusal(
          'different-record',
          'A record with this id is stored already, and it is no signature.',
        )
      return body.revision
    })

  /**
   * One test judged from its own records and readings; undefined where the job has no such test.
   */
  test = (jobId: string, testId: string): Promise<JudgedTest | undefined> =>
    this.db.read(async (manager) => {
      const rows = await manager.query<RecordRow[]>(
        `SELECT * FROM record WHERE jobId = ? AND kind IN ('test-begun', 'test-topped-up', 'test-note', 'test-ended', 'repaired') AND ${testIdOf('record')} = ? ORDER BY seq`,
        [jobId, testId],
      )
      const samples = await manager
        .getRepository(SampleTable)
        .find({ where: { jobId, testId }, order: { at_ms: 'ASC' } })
      const records = { entries: rows.map(recordOf), samples: { [testId]: samples.map(sampleOf) } }
      return judgeTests(records)[0]
    })

  /** Tests that were begun and not ended. */
  testsUnderWay = (): Promise<{ jobId: string; testId: string }[]> =>
    this.db.read((manager) =>
      manager.query(
        `SELECT jobId, ${testIdOf('begun')} AS testId FROM record AS begun WHERE kind = 'test-begun' AND ${testIdOf('begun')} IS NOT NULL AND NOT EXISTS
         (SELECT 1 FROM record AS ended WHERE ended.jobId = begun.jobId AND ended.kind = 'test-ended' AND ${testIdOf('ended')} = ${testIdOf('begun')})`,
      ),
    )

  letters = (jobId: string): Promise<string[]> =>
    this.db.read(async (manager) => (await revisionRows(manager, jobId)).map((row) => row.letter))

  revision = (jobId: string, letter: string): Promise<RevisionInfo & { document: JobDocument }> =>
    this.db.read(async (manager) => {
      await rowOf(manager, jobId)
      const row = await manager.getRepository(RevisionTable).findOneBy({ jobId, letter })
      if (!row) throw new Refusal('no-such-revision', `This job has no revision ${letter}.`)
      return { ...infoOf(row), document: documentOf(row.document) }
    })

  /** All of a job, as it is exported. */
  exportFile = (id: string, people: JobFile['people']): Promise<JobFile> =>
    this.db.read(async (manager) => {
      const { importedAt: _, ...state } = await stateIn(manager, id)
      const revisions = (await revisionRows(manager, id)).map((row) => {
        const { imported: _imported, ...info } = infoOf(row)
        return { ...info, document: documentOf(row.document) }
      })
      const known = new Set([...state.records, ...revisions].map((one) => one.by))
      return {
        format: 'hestian-job',
        formatVersion: 1,
        ...state,
        revisions,
        people: people.filter((person) => known.has(person.id)),
      }
    })
}

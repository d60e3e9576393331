import type { MigrationInterface, QueryRunner } from 'typeorm'
import type { JobColumns, RecordColumns, RevisionColumns } from './changeLog'
import {
  jobStands,
  personStands,
  recordText,
  revisionText,
  samplesStand,
  writeDown,
} from './changeLog'

/**
 * Every change from now on, chained. What is stored already is taken in as it stands on this day:
 * of what was done to it before, the log knows nothing.
 */
export class TheLog1790700000000 implements MigrationInterface {
  readonly name = 'TheLog1790700000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE log (seq INTEGER PRIMARY KEY, at TEXT NOT NULL, "by" TEXT NOT NULL, "from" TEXT NOT NULL, what TEXT NOT NULL,
         jobId TEXT NOT NULL, item TEXT NOT NULL, digest TEXT NOT NULL, hash TEXT NOT NULL)`,
    )
    // What an entry was made of can be told from it by the salt alone: erased, it tells nothing.
    await runner.query(
      'CREATE TABLE salt (seq INTEGER PRIMARY KEY REFERENCES log(seq), salt TEXT NOT NULL)',
    )
    await runner.query(
      `CREATE TABLE deleted (jobId TEXT PRIMARY KEY, number TEXT NOT NULL, at TEXT NOT NULL, "by" TEXT NOT NULL, reason TEXT NOT NULL)`,
    )
    for (const act of ['UPDATE', 'DELETE'])
      await runner.query(
        `CREATE TRIGGER log_no_${act.toLowerCase()} BEFORE ${act} ON log BEGIN SELECT RAISE(ABORT, 'log is append-only'); END`,
      )
    await takeIn(runner, new Date().toISOString())
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE deleted')
    await runner.query('DROP TABLE salt')
    await runner.query('DROP TABLE log')
  }
}

async function takeIn({ manager }: QueryRunner, at: string): Promise<void> {
  const people = await manager.query<{ id: string }[]>(`SELECT id FROM person WHERE role <> ''`)
  for (const { id } of people) await personStands(manager, at, id)
  const jobs = await manager.query<({ id: string } & JobColumns)[]>('SELECT id FROM job')
  for (const { id: jobId } of jobs) {
    await jobStands(manager, at, jobId)
    const records = await manager.query<RecordColumns[]>(
      'SELECT id, at, "by", replaces, reason, kind, body FROM record WHERE jobId = ? ORDER BY seq',
      [jobId],
    )
    for (const row of records)
      await writeDown(manager, at, {
        what: 'record',
        jobId,
        item: row.id,
        content: recordText(row),
      })
    const revisions = await manager.query<RevisionColumns[]>(
      'SELECT letter, document, at, "by", signed, imported FROM revision WHERE jobId = ?',
      [jobId],
    )
    for (const row of revisions)
      await writeDown(manager, at, {
        ...{ what: 'revision', jobId, item: row.letter },
        content: revisionText(row),
      })
    for (const testId of endedTests(records)) await samplesStand(manager, at, jobId, testId)
  }
}

/** The test that a record speaks of, if it can be read. */
export function testIdIn(body: string): readonly string[] {
  try {
    const { testId } = JSON.parse(body) as { testId?: unknown }
    return typeof testId === 'string' ? [testId] : []
  } catch {
    return []
  }
}

/** Tests that have ended, by their id; a record that cannot be read speaks of none. */
export const endedTests = (
  records: readonly Pick<RecordColumns, 'kind' | 'body'>[],
): readonly string[] => [
  ...new Set(records.flatMap(({ kind, body }) => (kind === 'test-ended' ? testIdIn(body) : []))),
]

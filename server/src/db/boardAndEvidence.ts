import type { MigrationInterface, QueryRunner } from 'typeorm'

const texts = [
  'changedAt',
  'name',
  'address',
  'practice',
  'stage',
  'sheet',
  'waits',
  'waitsOn',
  'searchable',
]
const counts = ['archived', 'stops', 'fixes', 'off', 'snags', 'summaryVersion']

/**
 * The board's summary beside each job, archiving, people's own units, and the list of evidence
 * files.
 */
export class BoardAndEvidence1790100000000 implements MigrationInterface {
  readonly name = 'BoardAndEvidence1790100000000'

  async up(runner: QueryRunner): Promise<void> {
    const statements = [
      ...texts.map((column) => `ALTER TABLE job ADD COLUMN ${column} TEXT NOT NULL DEFAULT ''`),
      ...counts.map((column) => `ALTER TABLE job ADD COLUMN ${column} INTEGER NOT NULL DEFAULT 0`),
      `ALTER TABLE job ADD COLUMN shares TEXT NOT NULL DEFAULT '[]'`,
      'UPDATE job SET changedAt = createdAt',
      'CREATE INDEX job_changed ON job (archived, changedAt)',
      `ALTER TABLE person ADD COLUMN units TEXT NOT NULL DEFAULT '{}'`,
      'CREATE TABLE evidence (hash TEXT PRIMARY KEY, type TEXT NOT NULL, bytes INTEGER NOT NULL, at TEXT NOT NULL)',
      ...['UPDATE', 'DELETE'].map(
        (act) =>
          `CREATE TRIGGER evidence_no_${act.toLowerCase()} BEFORE ${act} ON evidence BEGIN SELECT RAISE(ABORT, 'evidence is append-only'); END`,
      ),
    ]
    for (const statement of statements) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE evidence')
    await runner.query('ALTER TABLE person DROP COLUMN units')
    await runner.query('DROP INDEX job_changed')
    for (const column of [...texts, ...counts, 'shares'])
      await runner.query(`ALTER TABLE job DROP COLUMN ${column}`)
  }
}

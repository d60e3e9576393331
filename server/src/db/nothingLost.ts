import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * Numbers from a counter of their own, a count of records beside each job, where an imported job
 * came from, which jobs cannot be read, and the acts that were carried out (a revision cut twice
 * under one id is one revision).
 */
export class NothingLost1790200000000 implements MigrationInterface {
  readonly name = 'NothingLost1790200000000'

  async up(runner: QueryRunner): Promise<void> {
    const statements = [
      'ALTER TABLE job ADD COLUMN recordCount INTEGER NOT NULL DEFAULT 0',
      `ALTER TABLE job ADD COLUMN importedAt TEXT`,
      'ALTER TABLE job ADD COLUMN unreadable INTEGER NOT NULL DEFAULT 0',
      'UPDATE job SET recordCount = (SELECT COUNT(*) FROM record WHERE record.jobId = job.id)',
      'ALTER TABLE revision ADD COLUMN imported INTEGER NOT NULL DEFAULT 0',
      'CREATE TABLE act (jobId TEXT NOT NULL REFERENCES job(id), id TEXT NOT NULL, result TEXT NOT NULL, PRIMARY KEY (jobId, id)) WITHOUT ROWID',
      'CREATE TABLE counter (name TEXT PRIMARY KEY, value INTEGER NOT NULL) WITHOUT ROWID',
      // Only plain numbers count: one that came from outside may be anything.
      `INSERT INTO counter (name, value) SELECT 'job-number', MAX(400, COALESCE(MAX(CAST(number AS INTEGER)), 0)) FROM job WHERE number NOT GLOB '*[^0-9]*' AND LENGTH(number) <= 6`,
      'CREATE INDEX record_kind ON record (jobId, kind)',
    ]
    for (const statement of statements) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX record_kind')
    for (const table of ['counter', 'act']) await runner.query(`DROP TABLE ${table}`)
    await runner.query('ALTER TABLE revision DROP COLUMN imported')
    for (const column of ['unreadable', 'importedAt', 'recordCount'])
      await runner.query(`ALTER TABLE job DROP COLUMN ${column}`)
  }
}

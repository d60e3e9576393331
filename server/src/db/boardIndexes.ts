import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * What the board searches, sorts and counts by, beside the jobs: a job's design lies before its
 * summary in its row, and a search that reads rows reads every design on its way.
 */
export class BoardIndexes1790900000000 implements MigrationInterface {
  readonly name = 'BoardIndexes1790900000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE INDEX job_board ON job (archived, stage, off, stops, fixes, changedAt, name, number, searchable, id)',
    )
    await runner.query('CREATE INDEX job_stage ON job (archived, stage, off)')
    await runner.query('CREATE INDEX job_name ON job (archived, name COLLATE NOCASE, id)')
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const index of ['job_name', 'job_stage', 'job_board'])
      await runner.query(`DROP INDEX ${index}`)
  }
}

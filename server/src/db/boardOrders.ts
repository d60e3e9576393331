import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * The two orders a board is read in most, each with what it searches beside it: a search that finds
 * many is then over with its first page, where one order had to be made of all that it found.
 */
export class BoardOrders1791000000000 implements MigrationInterface {
  readonly name = 'BoardOrders1791000000000'

  async up(runner: QueryRunner): Promise<void> {
    await drop(runner)
    await runner.query('CREATE INDEX job_changed ON job (archived, changedAt DESC, id, searchable)')
    await runner.query(
      'CREATE INDEX job_name ON job (archived, name COLLATE NOCASE, id, searchable)',
    )
  }

  async down(runner: QueryRunner): Promise<void> {
    await drop(runner)
    await runner.query('CREATE INDEX job_changed ON job (archived, changedAt)')
    await runner.query('CREATE INDEX job_name ON job (archived, name COLLATE NOCASE, id)')
  }
}

async function drop(runner: QueryRunner): Promise<void> {
  for (const index of ['job_changed', 'job_name']) await runner.query(`DROP INDEX ${index}`)
}

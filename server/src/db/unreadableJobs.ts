import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The few jobs that cannot be read, so that the board counts them without reading every row. */
export class UnreadableJobs1791100000000 implements MigrationInterface {
  readonly name = 'UnreadableJobs1791100000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('CREATE INDEX job_unreadable ON job (archived) WHERE unreadable = 1')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX job_unreadable')
  }
}

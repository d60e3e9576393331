import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The gauges of the firm, with their calibration. */
export class Instruments1790400000000 implements MigrationInterface {
  readonly name = 'Instruments1790400000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('CREATE TABLE instrument (id TEXT PRIMARY KEY NOT NULL, body TEXT NOT NULL)')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE instrument')
  }
}

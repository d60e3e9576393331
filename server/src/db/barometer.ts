import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The pressure of the air beside a reading, where something reads it. */
export class Barometer1790500000000 implements MigrationInterface {
  readonly name = 'Barometer1790500000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE sample ADD COLUMN baro_Pa REAL')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE sample DROP COLUMN baro_Pa')
  }
}

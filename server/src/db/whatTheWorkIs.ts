import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What the work is, and what is unsafe on a site, for the board. */
export class WhatTheWorkIs1790300000000 implements MigrationInterface {
  readonly name = 'WhatTheWorkIs1790300000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job ADD COLUMN unsafe INTEGER NOT NULL DEFAULT 0')
    await runner.query(`ALTER TABLE job ADD COLUMN work TEXT NOT NULL DEFAULT ''`)
    // The stage of tests has its own name now.
    await runner.query(`UPDATE job SET stage = 'test' WHERE stage = 'prove'`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job DROP COLUMN work')
    await runner.query('ALTER TABLE job DROP COLUMN unsafe')
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * Passwords and invitations of the firm's people, their sessions, and links for guests. Of tokens
 * only hashes are kept.
 */
export class People1790600000000 implements MigrationInterface {
  readonly name = 'People1790600000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const column of ['password', 'invitation', 'invitedUntil'])
      await runner.query(`ALTER TABLE person ADD COLUMN ${column} TEXT`)
    await runner.query(
      `CREATE TABLE session (id TEXT PRIMARY KEY, tokenHash TEXT NOT NULL UNIQUE, personId TEXT, guestId TEXT,
         madeAt TEXT NOT NULL, seenAt TEXT NOT NULL, until TEXT NOT NULL, "from" TEXT NOT NULL)`,
    )
    await runner.query(
      `CREATE TABLE guest (id TEXT PRIMARY KEY, tokenHash TEXT NOT NULL UNIQUE, jobId TEXT NOT NULL, name TEXT NOT NULL,
         "by" TEXT NOT NULL, madeAt TEXT NOT NULL, until TEXT NOT NULL, revokedAt TEXT)`,
    )
    await runner.query('CREATE INDEX guest_of_job ON guest (jobId)')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE guest')
    await runner.query('DROP TABLE session')
    for (const column of ['password', 'invitation', 'invitedUntil'])
      await runner.query(`ALTER TABLE person DROP COLUMN ${column}`)
  }
}

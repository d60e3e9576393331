import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Keys of devices that sign people in. Of each only its public half is here. */
export class Passkeys1790800000000 implements MigrationInterface {
  readonly name = 'Passkeys1790800000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE passkey (id TEXT PRIMARY KEY, personId TEXT NOT NULL, name TEXT NOT NULL, publicKey TEXT NOT NULL,
         counter INTEGER NOT NULL, transports TEXT NOT NULL, madeAt TEXT NOT NULL, usedAt TEXT)`,
    )
    await runner.query('CREATE INDEX passkey_of_person ON passkey (personId)')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE passkey')
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm'

const appendOnly = ['record', 'sample', 'revision']

/**
 * The tables of the first version. Records, samples and revisions can be added and read, never
 * changed: the database itself refuses.
 */
export class FirstTables1790000000000 implements MigrationInterface {
  readonly name = 'FirstTables1790000000000'

  async up(runner: QueryRunner): Promise<void> {
    const statements = [
      `CREATE TABLE person (id TEXT PRIMARY KEY, name TEXT NOT NULL, role TEXT NOT NULL, tickets TEXT NOT NULL)`,
      `CREATE TABLE job (id TEXT PRIMARY KEY, number TEXT NOT NULL UNIQUE, draft TEXT NOT NULL, saveNumber INTEGER NOT NULL, frozen TEXT, createdAt TEXT NOT NULL)`,
      `CREATE TABLE revision (jobId TEXT NOT NULL REFERENCES job(id), letter TEXT NOT NULL, document TEXT NOT NULL, at TEXT NOT NULL, "by" TEXT NOT NULL, signed INTEGER NOT NULL, PRIMARY KEY (jobId, letter))`,
      `CREATE TABLE record (seq INTEGER PRIMARY KEY AUTOINCREMENT, jobId TEXT NOT NULL REFERENCES job(id), id TEXT NOT NULL, at TEXT NOT NULL, "by" TEXT NOT NULL, replaces TEXT, reason TEXT, kind TEXT NOT NULL, body TEXT NOT NULL, UNIQUE (jobId, id))`,
      `CREATE TABLE sample (jobId TEXT NOT NULL REFERENCES job(id), testId TEXT NOT NULL, at_ms INTEGER NOT NULL, gauge_Pa REAL NOT NULL, temp_K REAL, PRIMARY KEY (jobId, testId, at_ms)) WITHOUT ROWID`,
      ...appendOnly.flatMap((table) =>
        ['UPDATE', 'DELETE'].map(
          (act) =>
            `CREATE TRIGGER ${table}_no_${act.toLowerCase()} BEFORE ${act} ON ${table} BEGIN SELECT RAISE(ABORT, '${table} is append-only'); END`,
        ),
      ),
    ]
    for (const statement of statements) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['sample', 'record', 'revision', 'job', 'person'])
      await runner.query(`DROP TABLE ${table}`)
  }
}

import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import 'reflect-metadata'
import { DataSource } from 'typeorm'
import { BoardAndEvidence1790100000000 } from './boardAndEvidence'
import { FirstTables1790000000000 } from './firstTables'
import { tables } from './tables'

/** The database and a turnstile: one connection holds one transaction at a time. */
export interface Database {
  readonly source: DataSource
  /** Runs work alone; what it throws is the caller's. */
  readonly inTurn: <T>(work: () => Promise<T>) => Promise<T>
  readonly close: () => Promise<void>
}

/** Opens (or makes) the SQLite file of a data folder: write-ahead log, every commit synced to disk, foreign keys on. */
export async function openDatabase(folder: string): Promise<Database> {
  mkdirSync(folder, { recursive: true })
  const source = new DataSource({
    type: 'better-sqlite3',
    database: join(folder, 'hestian.sqlite'),
    entities: tables,
    migrations: [FirstTables1790000000000, BoardAndEvidence1790100000000],
    migrationsRun: true,
    synchronize: false,
    prepareDatabase: (db: { pragma: (text: string) => unknown }) => {
      db.pragma('journal_mode = WAL')
      db.pragma('synchronous = FULL')
      db.pragma('foreign_keys = ON')
    },
  })
  await source.initialize()
  let last: Promise<unknown> = Promise.resolve()
  const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
    const mine = last.then(work, work)
    last = mine.catch(() => undefined)
    return mine
  }
  return {
    source,
    inTurn,
    close: async () => {
      await last
      await source.destroy()
    },
  }
}

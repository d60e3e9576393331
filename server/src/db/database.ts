import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import 'reflect-metadata'
import type { EntityManager } from 'typeorm'
import { DataSource } from 'typeorm'
import { turnstile } from '../app/turnstile'
import { migrations } from './migrations'
import type { RawConnection } from './sqlite'
import { storageFailure } from './storageFailure'
import { tables } from './tables'

export const databasePath = (folder: string): string => join(folder, 'hestian.sqlite')

type Work<T> = (manager: EntityManager) => Promise<T>

/** The committed state of a database, on a connection that cannot write. */
export interface DatabaseReader {
  /** Runs queries that all see one state. */
  readonly read: <T>(work: Work<T>) => Promise<T>
  readonly close: () => Promise<void>
}

/**
 * Opens an existing database for reading only, as a worker does. A connection that fails is opened
 * anew.
 */
export async function openReader(folder: string): Promise<DatabaseReader> {
  const inTurn = turnstile()
  let source: DataSource | undefined = await readingSource(folder)
  const read = <T>(work: Work<T>): Promise<T> =>
    inTurn(async () => {
      source ??= await readingSource(folder)
      try {
        return await snapshot(source, work)
      } catch (error) {
        if (rawOf(source).inTransaction) {
          await source.destroy()
          source = undefined
        }
        throw storageFailure(error)
      }
    })
  return { read, close: () => inTurn(async () => source?.destroy()) }
}

async function readingSource(folder: string): Promise<DataSource> {
  const source = new DataSource({
    type: 'better-sqlite3',
    database: databasePath(folder),
    entities: tables,
    readonly: true,
    synchronize: false,
  })
  return source.initialize()
}

async function snapshot<T>(source: DataSource, work: Work<T>): Promise<T> {
  const { manager } = source
  await manager.query('BEGIN')
  let result: T
  try {
    result = await work(manager)
  } catch (error) {
    await manager.query('ROLLBACK')
    throw error
  }
  await manager.query('COMMIT')
  return result
}

/**
 * The database of a data folder: one connection that writes, one transaction at a time, and one
 * that reads what is committed. What `write` gives back was committed and synced; after a failed
 * commit or rollback the writing connection is closed and opened anew before it is used again,
 * because its state is unknown (TypeORM would go on in a savepoint that nobody commits).
 */
export class Database implements DatabaseReader {
  private readonly inTurn = turnstile()
  private writer: DataSource | undefined

  private constructor(
    private readonly folder: string,
    private readonly reader: DatabaseReader,
    writer: DataSource,
  ) {
    this.writer = writer
  }

  /** Opens or makes the database of a folder and brings its tables to this version. */
  static async open(folder: string): Promise<Database> {
    mkdirSync(folder, { recursive: true })
    const writer = await openWriter(folder, { migrate: true })
    return new Database(folder, await openReader(folder), writer)
  }

  read = <T>(work: Work<T>): Promise<T> => this.reader.read(work)

  /**
   * Runs work in a transaction of its own. What the work throws is the caller's; a disk that fails
   * becomes a refusal.
   */
  write = <T>(work: Work<T>): Promise<T> =>
    this.inTurn(async () => {
      try {
        return await this.transact(work)
      } catch (error) {
        throw storageFailure(error)
      }
    })

  /** The connection below TypeORM, alone: for copies and checks. */
  raw = <T>(work: (connection: RawConnection) => Promise<T> | T): Promise<T> =>
    this.inTurn(async () => work(rawOf(await this.sound())))

  close = async (): Promise<void> => {
    await this.inTurn(async () => this.writer?.destroy())
    await this.reader.close()
  }

  private async transact<T>(work: Work<T>): Promise<T> {
    const runner = (await this.sound()).createQueryRunner()
    let result: T
    try {
      await runner.startTransaction()
      result = await work(runner.manager)
    } catch (error) {
      await runner.rollbackTransaction().catch(() => this.drop())
      throw error
    }
    try {
      await runner.commitTransaction()
    } catch (error) {
      await this.drop()
      throw error
    }
    return result
  }

  /** The writing connection, opened anew where the last one was dropped. */
  private async sound(): Promise<DataSource> {
    this.writer ??= await openWriter(this.folder, { migrate: false })
    return this.writer
  }

  private async drop(): Promise<void> {
    const dropped = this.writer
    this.writer = undefined
    // Closing rolls back what is open; a close that fails leaves nothing that is used again.
    await dropped?.destroy().catch(() => undefined)
  }
}

const rawOf = (source: DataSource): RawConnection =>
  (source.driver as unknown as { databaseConnection: RawConnection }).databaseConnection

/**
 * Write-ahead log, every commit synced to disk, foreign keys on; checked before it is handed out.
 */
async function openWriter(
  folder: string,
  { migrate }: { readonly migrate: boolean },
): Promise<DataSource> {
  const source = new DataSource({
    type: 'better-sqlite3',
    database: databasePath(folder),
    entities: tables,
    migrations,
    migrationsRun: migrate,
    synchronize: false,
    prepareDatabase: (db: RawConnection) => {
      db.pragma('journal_mode = WAL')
      db.pragma('synchronous = FULL')
      db.pragma('foreign_keys = ON')
      // What is deleted is overwritten: somebody who is erased is not left in free pages.
      db.pragma('secure_delete = ON')
    },
  })
  await source.initialize()
  const raw = rawOf(source)
  const asWanted =
    !raw.inTransaction &&
    raw.pragma('journal_mode', { simple: true }) === 'wal' &&
    raw.pragma('synchronous', { simple: true }) === 2
  if (asWanted) return source
  await source.destroy()
  throw new Error('the database did not open with a write-ahead log and synced commits')
}

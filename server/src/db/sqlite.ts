import { createRequire } from 'node:module'

/** A statement of the driver, as far as it is used here. */
export interface Statement {
  readonly all: (...values: unknown[]) => unknown[]
  readonly get: (...values: unknown[]) => unknown
  readonly run: (...values: unknown[]) => { readonly changes: number }
}

/**
 * A connection of the driver below TypeORM, for what stands before or beside it: locks, checks,
 * copies.
 */
export interface RawConnection {
  readonly inTransaction: boolean
  readonly prepare: (sql: string) => Statement
  readonly exec: (sql: string) => void
  readonly pragma: (text: string, options?: { readonly simple: boolean }) => unknown
  readonly backup: (path: string) => Promise<unknown>
  readonly close: () => void
}

interface OpenOptions {
  readonly readonly?: boolean
  readonly fileMustExist?: boolean
  readonly timeout?: number
}

const require = createRequire(import.meta.url)

/** Opens a SQLite file. Throws what the driver throws. */
export function openRaw(path: string, options: OpenOptions = {}): RawConnection {
  const Driver = require('better-sqlite3') as new (
    path: string,
    options: OpenOptions,
  ) => RawConnection
  return new Driver(path, options)
}

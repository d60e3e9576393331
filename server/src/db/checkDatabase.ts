import { accessSync, closeSync, constants, existsSync, openSync, readSync, statSync } from 'node:fs'
import { databasePath } from './database'
import { migrations } from './migrations'
import type { RawConnection } from './sqlite'
import { openRaw } from './sqlite'
import { cannotWrite } from './folderLock'
import { UnusableFolder } from './unusableFolder'

const backupHint =
  'Nothing was changed. Restore a backup into an empty folder (npm run -s restore -- FILE) and start with that, or keep this folder aside and begin anew.'

/**
 * Looks at the database of a folder before anything is written: that it is one, that it is ours,
 * that it is not of a newer version, that its pages hang together. A folder without one is sound.
 * Throws {@link UnusableFolder} with what to do.
 */
export function checkDatabase(folder: string, check: 'quick' | 'full' = 'quick'): void {
  if (existsSync(folder)) expectWritable(folder)
  const path = databasePath(folder)
  if (!existsSync(path) || statSync(path).size === 0) return
  expectHeader(path)
  let connection: RawConnection | undefined
  try {
    connection = openRaw(path, { readonly: true, fileMustExist: true })
    expectOurs(connection, path)
    const pragma = check === 'quick' ? 'quick_check(5)' : 'integrity_check(20)'
    const found = connection.pragma(pragma) as { readonly [key: string]: string }[]
    const faults = found.flatMap((row) => Object.values(row)).filter((text) => text !== 'ok')
    if (faults.length > 0)
      throw new UnusableFolder(`The database ${path} is damaged (${faults[0]}). ${backupHint}`)
  } catch (error) {
    if (error instanceof UnusableFolder) throw error
    const says = error instanceof Error ? error.message : String(error)
    throw new UnusableFolder(`The database ${path} cannot be read (${says}). ${backupHint}`)
  } finally {
    connection?.close()
  }
}

function expectWritable(folder: string): void {
  try {
    accessSync(folder, constants.W_OK | constants.X_OK)
  } catch {
    throw cannotWrite(folder)
  }
}

function expectHeader(path: string): void {
  const head = Buffer.alloc(16)
  const file = openSync(path, 'r')
  try {
    readSync(file, head, 0, 16, 0)
  } finally {
    closeSync(file)
  }
  if (head.toString('latin1') !== 'SQLite format 3\0')
    throw new UnusableFolder(`${path} is not a database, or its first page is gone. ${backupHint}`)
}

function expectOurs(connection: RawConnection, path: string): void {
  const tables = connection
    .prepare("SELECT name FROM sqlite_master WHERE type = 'table'")
    .all() as { name: string }[]
  const names = new Set(tables.map((table) => table.name))
  if (names.size > 0 && !(names.has('migrations') && names.has('job')))
    throw new UnusableFolder(
      `${path} is a database of something else: it holds no jobs. Nothing was changed. Set HESTIAN_DATA to a folder of its own.`,
    )
  if (!names.has('migrations')) return
  const known = new Set(migrations.map((migration) => migration.name))
  const ran = connection.prepare('SELECT name FROM migrations').all() as { name: string }[]
  const newer = ran.find((one) => !known.has(one.name))
  if (newer)
    throw new UnusableFolder(
      `${path} was written by a newer Hestian (${newer.name}). Nothing was changed. Start it with that version, or restore a backup made with this one.`,
    )
}

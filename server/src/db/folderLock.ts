import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { hostname } from 'node:os'
import { join } from 'node:path'
import type { RawConnection } from './sqlite'
import { openRaw } from './sqlite'
import { UnusableFolder } from './unusableFolder'

/** Makes a data folder where there is none. */
export function makeFolder(folder: string): void {
  try {
    mkdirSync(folder, { recursive: true })
  } catch {
    throw cannotWrite(folder)
  }
}

export const cannotWrite = (folder: string): UnusableFolder =>
  new UnusableFolder(
    `The folder ${folder} cannot be written. Give the user that runs Hestian the right to write there, or set HESTIAN_DATA to another folder.`,
  )

/** Who holds a data folder, as the next one is told. */
interface Holder {
  readonly pid: number
  readonly host: string
  readonly since: string
}

/**
 * Holds a data folder for one server: an exclusive transaction on a file beside the database, which
 * the kernel ends with the process, however it dies. The second one is told who holds it.
 */
export function lockFolder(folder: string, since: string): { readonly release: () => void } {
  const lock = openLock(folder)
  try {
    lock.pragma('journal_mode = DELETE')
    lock.exec('BEGIN EXCLUSIVE')
  } catch (error) {
    lock.close()
    if (!/^SQLITE_BUSY/.test(String((error as { code?: string }).code))) throw error
    throw new UnusableFolder(
      `Another Hestian already works with ${folder}${holderOf(folder)}. Two on one folder would write over each other: stop that one first, or set HESTIAN_DATA to another folder.`,
    )
  }
  const holder: Holder = { pid: process.pid, host: hostname(), since }
  writeFileSync(join(folder, 'lock.json'), JSON.stringify(holder))
  return { release: () => lock.close() }
}

function openLock(folder: string): RawConnection {
  try {
    return openRaw(join(folder, 'lock.sqlite'), { timeout: 0 })
  } catch {
    throw cannotWrite(folder)
  }
}

function holderOf(folder: string): string {
  try {
    const { pid, host, since } = JSON.parse(
      readFileSync(join(folder, 'lock.json'), 'utf8'),
    ) as Holder
    return ` (process ${pid} on ${host}, since ${since})`
  } catch {
    return ''
  }
}

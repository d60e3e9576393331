import { randomUUID } from 'node:crypto'
import { existsSync, readdirSync } from 'node:fs'
import { mkdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { KeptBackup } from '@hestian/core'
import { Refusal } from '../app/refusal'
import { storageFailure } from '../db/storageFailure'
import { UnusableFolder } from '../db/unusableFolder'
import { backup } from './backup'
import { restore } from './restore'
import { verify } from './verify'

/** How many tried backups are kept; the oldest goes when a newer one has been tried. */
export const keptBackups = 7

export const backupsIn = (dataFolder: string): string => join(dataFolder, 'backups')
export const backupName = /^hestian-[\dTZ-]+\.zip$/

interface Asked {
  /** What it was asked for under: asked again, it is the same one. */
  readonly askedAs: string
  readonly at: string
}

/**
 * Makes a backup and tries it: it is restored into a scratch folder and read there from end to end,
 * and counts only then. One that cannot be restored is not kept. Refused where the disk does not
 * hold it.
 */
export async function makeTriedBackup(
  dataFolder: string,
  { askedAs, at }: Asked,
): Promise<KeptBackup> {
  const folder = backupsIn(dataFolder)
  const again = (await listBackups(dataFolder)).find((one) => one.askedAs === askedAs)
  if (again) return again
  const name = freeName(folder, at)
  const file = join(folder, name)
  const scratch = join(folder, `.trial-${randomUUID()}`)
  try {
    await mkdir(folder, { recursive: true })
    await sweep(folder)
    await backup(dataFolder, file, at)
    await restore(file, scratch)
    const { jobs, evidence, faults } = await verify(scratch)
    const made: KeptBackup = {
      ...{ name, at, askedAs, jobs, evidence },
      bytes: (await stat(file)).size,
      faults: faults.slice(0, 50),
    }
    await writeWhole(`${file}.json`, JSON.stringify(made))
    await forgetOldest(dataFolder)
    return made
  } catch (error) {
    await rm(file, { force: true })
    if (error instanceof UnusableFolder)
      throw new Refusal('storage-failed', `No backup was made: ${error.message}`)
    throw storageFailure(error)
  } finally {
    await rm(scratch, { recursive: true, force: true })
  }
}

/** By the second, and by a number where another was made in it: one never stands in another's place. */
function freeName(folder: string, at: string): string {
  const stem = `hestian-${at.replace(/\.\d+/, '').replaceAll(':', '-')}`
  let name = `${stem}.zip`
  for (let n = 2; existsSync(join(folder, name)); n++) name = `${stem}-${n}.zip`
  return name
}

/** What a kill left behind of an earlier one. */
async function sweep(folder: string): Promise<void> {
  for (const name of readdirSync(folder))
    if (name.startsWith('.') || name.endsWith('.part'))
      await rm(join(folder, name), { recursive: true, force: true })
}

async function writeWhole(path: string, text: string): Promise<void> {
  await writeFile(`${path}.part`, text, { flush: true })
  await rename(`${path}.part`, path)
}

/** Backups that were tried, newest first. What lies there untried, as after a kill, is none. */
export async function listBackups(dataFolder: string): Promise<readonly KeptBackup[]> {
  const folder = backupsIn(dataFolder)
  if (!existsSync(folder)) return []
  const names = readdirSync(folder).filter((name) => backupName.test(name))
  const read = await Promise.all(names.map((name) => readKept(join(folder, name))))
  return read
    .filter((one) => one !== undefined)
    .sort((a, b) => b.at.localeCompare(a.at) || b.name.localeCompare(a.name))
}

async function readKept(file: string): Promise<KeptBackup | undefined> {
  try {
    return KeptBackup.parse(JSON.parse(await readFile(`${file}.json`, 'utf8')))
  } catch {
    return undefined
  }
}

/** The oldest go, and whatever was never tried. */
async function forgetOldest(dataFolder: string): Promise<void> {
  const folder = backupsIn(dataFolder)
  const kept = new Set(
    (await listBackups(dataFolder)).slice(0, keptBackups).map(({ name }) => name),
  )
  for (const name of readdirSync(folder)) {
    const archive = name.replace(/\.json$/, '')
    if (backupName.test(archive) && !kept.has(archive))
      await rm(join(folder, name), { force: true })
  }
}

const day_ms = 24 * 3600 * 1000
const hour_ms = 3600 * 1000

interface Daily {
  readonly dataFolder: string
  readonly now: () => string
  readonly make: (asked: Asked) => Promise<KeptBackup>
  readonly complain: (error: unknown) => void
}

/** Whether a day has gone by since the last backup that was tried. */
export async function isBackupDue(dataFolder: string, now: string): Promise<boolean> {
  const [last] = await listBackups(dataFolder)
  return last === undefined || Date.parse(now) - Date.parse(last.at) >= day_ms
}

/**
 * Makes a backup a day while the server runs; gives what ends it. The first is looked for after a
 * while, so that a start is a quick one.
 */
export function keepDaily({ dataFolder, now, make, complain }: Daily): () => void {
  let isBusy = false
  const look = async () => {
    if (isBusy) return
    isBusy = true
    try {
      const at = now()
      if (await isBackupDue(dataFolder, at)) await make({ askedAs: `daily-${at.slice(0, 13)}`, at })
    } catch (error) {
      complain(error)
    } finally {
      isBusy = false
    }
  }
  const timer = setInterval(() => void look(), hour_ms)
  timer.unref()
  const first = setTimeout(() => void look(), hour_ms / 3)
  first.unref()
  return () => {
    clearInterval(timer)
    clearTimeout(first)
  }
}

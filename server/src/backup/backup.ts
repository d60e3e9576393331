import { randomUUID } from 'node:crypto'
import { createWriteStream, existsSync } from 'node:fs'
import { open, readFile, rename, rm } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { ZipFile } from 'yazl'
import { checkDatabase } from '../db/checkDatabase'
import { databasePath } from '../db/database'
import { openRaw } from '../db/sqlite'
import { UnusableFolder } from '../db/unusableFolder'
import { EvidenceFiles, sha256 } from '../evidence/evidenceFiles'
import type { Manifest } from './manifest'
import { databaseName, manifestName, peopleName } from './manifest'

/**
 * Writes everything of a data folder to one archive while a server may be working with it: a copy
 * of the database of one instant, every photograph and paper that this copy names, and a manifest
 * of their hashes. The archive appears under its name only when it is whole.
 */
export async function backup(dataFolder: string, file: string, madeAt: string): Promise<Manifest> {
  checkDatabase(dataFolder)
  if (!existsSync(databasePath(dataFolder)))
    throw new UnusableFolder(`There is no database in ${dataFolder}: nothing to back up.`)
  const copy = join(dirname(file), `.hestian-${randomUUID()}.sqlite`)
  const part = `${file}.part`
  try {
    await copyDatabase(databasePath(dataFolder), copy)
    const manifest = await writeArchive(dataFolder, copy, part, madeAt)
    await syncFile(part)
    await rename(part, file)
    return manifest
  } finally {
    for (const more of ['', '-wal', '-shm']) await rm(`${copy}${more}`, { force: true })
    await rm(part, { force: true })
  }
}

async function copyDatabase(from: string, to: string): Promise<void> {
  const source = openRaw(from, { readonly: true, fileMustExist: true })
  try {
    await source.backup(to)
  } finally {
    source.close()
  }
}

async function writeArchive(
  dataFolder: string,
  copy: string,
  part: string,
  madeAt: string,
): Promise<Manifest> {
  const files = new EvidenceFiles(dataFolder)
  const zip = new ZipFile()
  const written = pipeline(zip.outputStream, createWriteStream(part))
  const database = await readFile(copy)
  const people = await readFile(join(dataFolder, peopleName)).catch(() => undefined)
  const evidence: { hash: string; bytes: number }[] = []
  const missing: string[] = []
  for (const hash of hashesIn(copy)) {
    const bytes = await files.read(hash)
    if (bytes) {
      evidence.push({ hash, bytes: bytes.length })
      zip.addFile(files.pathOf(hash), `evidence/${hash}`, { compress: false })
    } else missing.push(hash)
  }
  const manifest: Manifest = {
    format: 'hestian-backup',
    version: 1,
    madeAt,
    database: { bytes: database.length, hash: sha256(database) },
    people: people ? { hash: sha256(people) } : null,
    evidence,
    missing,
  }
  zip.addBuffer(database, databaseName)
  if (people) zip.addBuffer(people, peopleName)
  zip.addBuffer(Buffer.from(JSON.stringify(manifest)), manifestName)
  zip.end()
  await written
  return manifest
}

function hashesIn(database: string): readonly string[] {
  const copy = openRaw(database, { readonly: true, fileMustExist: true })
  try {
    const rows = copy.prepare('SELECT hash FROM evidence ORDER BY hash').all() as { hash: string }[]
    return rows.map((row) => row.hash)
  } finally {
    copy.close()
  }
}

async function syncFile(path: string): Promise<void> {
  const file = await open(path, 'r+')
  try {
    await file.sync()
  } finally {
    await file.close()
  }
}

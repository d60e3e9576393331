import { randomUUID } from 'node:crypto'
import { existsSync, readdirSync } from 'node:fs'
import { mkdir, open, rename, rm, rmdir } from 'node:fs/promises'
import { basename, dirname, join } from 'node:path'
import type { Entry, ZipFile } from 'yauzl'
import { openPromise } from 'yauzl'
import { checkDatabase } from '../db/checkDatabase'
import { UnusableFolder } from '../db/unusableFolder'
import { sha256 } from '../evidence/evidenceFiles'
import { databaseName, Manifest, manifestName, peopleName } from './manifest'

/**
 * Puts a backup back into an empty or new folder. Everything is unpacked beside it and held against
 * the manifest and the database's own full check first; only a whole archive becomes the folder. A
 * damaged one is refused with where, and nothing is left behind.
 */
export async function restore(file: string, dataFolder: string): Promise<Manifest> {
  if (existsSync(dataFolder) && readdirSync(dataFolder).length > 0)
    throw new UnusableFolder(
      `${dataFolder} is not empty, and a restore never writes over anything. Name a new or empty folder in HESTIAN_DATA.`,
    )
  const beside = join(dirname(dataFolder), `.${basename(dataFolder)}-${randomUUID()}`)
  try {
    const found = await unpack(file, beside)
    const manifest = expectWhole(file, found)
    checkDatabase(beside, 'full')
    if (existsSync(dataFolder)) await rmdir(dataFolder)
    await rename(beside, dataFolder)
    return manifest
  } finally {
    await rm(beside, { recursive: true, force: true })
  }
}

interface Found {
  readonly manifest: Buffer | undefined
  /** Hash of what was unpacked, by its name in the archive. */
  readonly hashes: ReadonlyMap<string, string>
}

const damaged = (file: string, where: string): UnusableFolder =>
  new UnusableFolder(
    `${file} is damaged: ${where}. Nothing was restored. Try an older backup, or copy this one again from where it was kept.`,
  )

async function unpack(file: string, folder: string): Promise<Found> {
  await mkdir(join(folder, 'evidence'), { recursive: true })
  let zip: ZipFile
  try {
    zip = await openPromise(file, { autoClose: false, lazyEntries: true })
  } catch (error) {
    throw damaged(file, (error instanceof Error ? error.message : String(error)).replace(/\.$/, ''))
  }
  let at = 'its list of files'
  try {
    let manifest: Buffer | undefined
    const hashes = new Map<string, string>()
    for await (const entry of zip.eachEntry()) {
      at = entry.fileName
      const bytes = await read(zip, entry)
      if (at === manifestName) {
        manifest = bytes
        continue
      }
      if (![databaseName, peopleName].includes(at) && !/^evidence\/[0-9a-f]{64}$/.test(at))
        throw new Error('it is no part of a backup')
      hashes.set(at, sha256(bytes))
      await writeSynced(join(folder, at), bytes)
    }
    return { manifest, hashes }
  } catch (error) {
    throw damaged(file, `${at}: ${error instanceof Error ? error.message : String(error)}`)
  } finally {
    zip.close()
  }
}

function expectWhole(file: string, { manifest: bytes, hashes }: Found): Manifest {
  if (!bytes) throw damaged(file, `${manifestName} is missing`)
  const manifest = readManifest(file, bytes)
  const wanted = new Map([
    [databaseName, manifest.database.hash],
    ...(manifest.people ? [[peopleName, manifest.people.hash] as const] : []),
    ...manifest.evidence.map(({ hash }) => [`evidence/${hash}`, hash] as const),
  ])
  for (const [name, hash] of wanted) {
    const found = hashes.get(name)
    if (found === undefined) throw damaged(file, `${name} is missing`)
    if (found !== hash) throw damaged(file, `${name} is not what it was`)
  }
  for (const name of hashes.keys())
    if (!wanted.has(name)) throw damaged(file, `${name} is not in its manifest`)
  return manifest
}

function readManifest(file: string, bytes: Buffer): Manifest {
  try {
    return Manifest.parse(JSON.parse(bytes.toString('utf8')))
  } catch {
    throw damaged(file, `${manifestName} cannot be understood`)
  }
}

async function read(zip: ZipFile, entry: Entry): Promise<Buffer> {
  const chunks: Buffer[] = []
  const stream = await zip.openReadStreamPromise(entry)
  for await (const chunk of stream as AsyncIterable<Buffer>) chunks.push(chunk)
  return Buffer.concat(chunks)
}

async function writeSynced(path: string, bytes: Buffer): Promise<void> {
  const file = await open(path, 'wx')
  try {
    await file.writeFile(bytes)
    await file.sync()
  } finally {
    await file.close()
  }
}

import { randomUUID } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { JobFile } from '@hestian/core'
import { evidenceNamed } from '@hestian/core'
import type { Entry, ZipFile as OpenZip } from 'yauzl'
import { openPromise } from 'yauzl'
import { ZipFile } from 'yazl'
import { Refusal } from '../app/refusal'
import type { EvidenceStore } from '../evidence/evidenceStore'

const jobName = 'job.json'
const largestEvidence = 20 * 1024 * 1024
const temporary = () => join(tmpdir(), `hestian-${randomUUID()}.zip`)

/**
 * Writes a job and every photograph and paper it names to an archive. What is missing on the disk
 * is listed in the job's `leavesOut`.
 */
export async function writeJobZip(file: JobFile, evidence: EvidenceStore): Promise<string> {
  const zip = new ZipFile()
  const leavesOut: string[] = []
  for (const { hash } of evidenceNamed(file)) {
    const kept = await evidence.get(hash).catch(() => undefined)
    if (kept) zip.addBuffer(kept.bytes, `evidence/${hash}`, { compress: false })
    else leavesOut.push(hash)
  }
  const whole = leavesOut.length > 0 ? { ...file, leavesOut } : file
  zip.addBuffer(Buffer.from(JSON.stringify(whole)), jobName)
  zip.end()
  const path = temporary()
  await pipeline(zip.outputStream, createWriteStream(path))
  return path
}

/**
 * Takes an archive in from a request to a file beside; larger than allowed it is refused and
 * nothing is left.
 */
export async function receiveZip(payload: Readable, most_bytes: number): Promise<string> {
  const path = temporary()
  let bytes = 0
  try {
    await pipeline(
      payload,
      async function* (source: AsyncIterable<Buffer>) {
        for await (const chunk of source) {
          bytes += chunk.length
          if (bytes > most_bytes)
            throw new Refusal(
              'too-large',
              `The archive is too large: at most ${most_bytes / 2 ** 20} MB are accepted.`,
            )
          yield chunk
        }
      },
      createWriteStream(path),
    )
    return path
  } catch (error) {
    await rm(path, { force: true })
    throw error
  }
}

interface ZippedFile {
  readonly hash: string
  readonly read: () => Promise<Buffer>
}

const notOurs = (why: string) =>
  new Refusal(
    'not-a-job-file',
    `This is not an archive of a job exported from Hestian (${why}). Nothing was changed.`,
  )

/**
 * What an archive holds: the job as it is written, and its files, unpacked one at a time when they
 * are read.
 */
export async function readJobZip(
  path: string,
  largestJob_bytes: number,
): Promise<{ readonly job: unknown; readonly files: readonly ZippedFile[] }> {
  let zip: OpenZip
  try {
    zip = await openPromise(path, { autoClose: false, lazyEntries: true })
  } catch (error) {
    throw notOurs(error instanceof Error ? error.message : 'it cannot be opened')
  }
  const files: ZippedFile[] = []
  let job: Buffer | undefined
  for await (const entry of zip.eachEntry()) {
    const [, hash] = /^evidence\/([0-9a-f]{64})$/.exec(entry.fileName) ?? []
    if (entry.fileName === jobName) job = await unpack(zip, entry, largestJob_bytes)
    else if (hash) files.push({ hash, read: () => unpack(zip, entry, largestEvidence) })
    else throw notOurs(`it holds ${entry.fileName.slice(0, 60)}`)
    if (files.length > 20_000) throw notOurs('it holds more than 20 000 files')
  }
  if (!job) throw notOurs(`there is no ${jobName} in it`)
  try {
    return { job: JSON.parse(job.toString('utf8')), files }
  } catch {
    throw notOurs(`its ${jobName} is no JSON`)
  }
}

async function unpack(zip: OpenZip, entry: Entry, most_bytes: number): Promise<Buffer> {
  const chunks: Buffer[] = []
  let bytes = 0
  const stream = await zip.openReadStreamPromise(entry)
  for await (const chunk of stream as AsyncIterable<Buffer>) {
    bytes += chunk.length
    if (bytes > most_bytes) throw notOurs(`${entry.fileName} is too large`)
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
}

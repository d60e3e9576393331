import { createHash, randomBytes } from 'node:crypto'
import type { EntityManager } from 'typeorm'
import { acting } from '../app/acting'

/** What a change was made to. A test's readings are written down as a whole when it ends. */
export type Changed = 'record' | 'revision' | 'job' | 'samples' | 'person' | 'deleted'

export interface LogRow {
  readonly seq: number
  readonly at: string
  readonly by: string
  readonly from: string
  readonly what: Changed
  readonly jobId: string
  readonly item: string
  /** Of the salt and the content, so that erasing both leaves nothing that could be guessed at. */
  readonly digest: string
  /** Of this entry and the hash of the one before. */
  readonly hash: string
}

export const firstHash = '0'.repeat(64)

const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex')

export const digestOf = (salt: string, content: string): string => sha256(`${salt}\n${content}`)

/** The hash of an entry, over all it says and the hash of the one before it. */
export const chained = (
  before: string,
  { seq, at, by, from, what, jobId, item, digest }: Omit<LogRow, 'hash'>,
): string => sha256(JSON.stringify([before, seq, at, by, from, what, jobId, item, digest]))

/**
 * The last entry of the log: whoever has it written down elsewhere can tell whether anything before
 * it was altered.
 */
export async function headOf(
  manager: EntityManager,
): Promise<{ readonly seq: number; readonly hash: string }> {
  const [last] = await manager.query<{ seq: number; hash: string }[]>(
    'SELECT seq, hash FROM log ORDER BY seq DESC LIMIT 1',
  )
  return last ?? { seq: 0, hash: firstHash }
}

export interface Change {
  readonly what: Changed
  readonly jobId: string
  readonly item: string
  /** Everything that is stored of it, as one text. */
  readonly content: string
}

/**
 * Writes a change down, in the transaction that makes it. The salt stands beside the log: it can be
 * erased, the log cannot.
 */
export async function writeDown(manager: EntityManager, at: string, change: Change): Promise<void> {
  const { what, jobId, item, content } = change
  const last = await headOf(manager)
  const salt = randomBytes(16).toString('hex')
  const { by, from } = acting.now()
  const entry = {
    ...{ seq: last.seq + 1, at, by, from, what, jobId, item },
    digest: digestOf(salt, content),
  }
  await manager.query(
    'INSERT INTO log (seq, at, "by", "from", what, jobId, item, digest, hash) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
    [...[entry.seq, at, by, from, what, jobId, item, entry.digest], chained(last.hash, entry)],
  )
  await manager.query('INSERT INTO salt (seq, salt) VALUES (?, ?)', [entry.seq, salt])
}

// What is stored of each, as one text: the columns as they are, so that no byte of them changes
// unseen.

export interface RecordColumns {
  readonly id: string
  readonly at: string
  readonly by: string
  readonly replaces: string | null
  readonly reason: string | null
  readonly kind: string
  readonly body: string
}
export const recordText = (row: RecordColumns): string =>
  JSON.stringify([row.id, row.at, row.by, row.replaces, row.reason, row.kind, row.body])

export interface RevisionColumns {
  readonly letter: string
  readonly document: string
  readonly at: string
  readonly by: string
  readonly signed: number
  readonly imported: number
}
export const revisionText = (row: RevisionColumns): string =>
  JSON.stringify([row.letter, row.document, row.at, row.by, row.signed, row.imported])

export interface JobColumns {
  readonly draft: string
  readonly saveNumber: number
  readonly frozen: string | null
  readonly number: string
  readonly archived: number
}
export const jobText = (row: JobColumns): string =>
  JSON.stringify([row.draft, row.saveNumber, row.frozen, row.number, row.archived])

export interface SampleColumns {
  readonly at_ms: number
  readonly gauge_Pa: number
  readonly temp_K: number | null
  readonly baro_Pa: number | null
}
export const samplesText = (rows: readonly SampleColumns[]): string =>
  JSON.stringify(rows.map((row) => [row.at_ms, row.gauge_Pa, row.temp_K, row.baro_Pa]))

export interface DeletedColumns {
  readonly number: string
  readonly at: string
  readonly by: string
  readonly reason: string
}
export const deletedText = (row: DeletedColumns): string =>
  JSON.stringify([row.number, row.at, row.by, row.reason])

export interface PersonColumns {
  readonly name: string
  readonly role: string
  readonly tickets: string
}
export const personText = (row: PersonColumns): string =>
  JSON.stringify([row.name, row.role, row.tickets])

// The same, of what stands in the tables now.

export async function jobStands(manager: EntityManager, at: string, jobId: string): Promise<void> {
  const [row] = await manager.query<JobColumns[]>(
    'SELECT draft, saveNumber, frozen, number, archived FROM job WHERE id = ?',
    [jobId],
  )
  if (row) await writeDown(manager, at, { what: 'job', jobId, item: '', content: jobText(row) })
}

export const samplesOf = (
  manager: EntityManager,
  jobId: string,
  testId: string,
): Promise<SampleColumns[]> =>
  manager.query(
    'SELECT at_ms, gauge_Pa, temp_K, baro_Pa FROM sample WHERE jobId = ? AND testId = ? ORDER BY at_ms',
    [jobId, testId],
  )

export async function samplesStand(
  manager: EntityManager,
  at: string,
  jobId: string,
  testId: string,
): Promise<void> {
  const content = samplesText(await samplesOf(manager, jobId, testId))
  await writeDown(manager, at, { what: 'samples', jobId, item: testId, content })
}

export async function personStands(
  manager: EntityManager,
  at: string,
  personId: string,
): Promise<void> {
  const [row] = await manager.query<PersonColumns[]>(
    'SELECT name, role, tickets FROM person WHERE id = ?',
    [personId],
  )
  const item = personId
  if (row)
    await writeDown(manager, at, { what: 'person', jobId: '', item, content: personText(row) })
}

import { createHash } from 'node:crypto'
import type {
  DeletedJob,
  EraseHeld,
  JobDocument,
  JobFile,
  JobRecord,
  JobState,
  Sample,
} from '@hestian/core'
import { jobLimits, JobRecord as JobRecordSchema, same } from '@hestian/core'
import type { EntityManager } from 'typeorm'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import type { Database } from '../db/database'
import type { RecordColumns } from '../db/changeLog'
import { jobStands, recordText, revisionText, samplesStand, writeDown } from '../db/changeLog'
import { endedTests } from '../db/theLog'
import type { SampleRow } from '../db/tables'
import { JobTable } from '../db/tables'
import type { LiveHub } from '../live/hub'
import { deleteJob, listDeleted } from './deleteJob'
import { documentOf, JobReader, rowOf } from './jobReader'
import { redactJob } from './redactJob'

/** The letter after the last: A to Z, then AA. */
export function nextLetter(letters: readonly string[]): string {
  const index = letters.length
  const letter = (i: number) => String.fromCharCode(65 + i)
  return index < 26 ? letter(index) : letter(Math.floor(index / 26) - 1) + letter(index % 26)
}

/** The one id that the end of a test can have, so that it is stored once whoever notices it. */
export const endIdOf = (testId: string): string =>
  `ended-${createHash('sha256').update(testId).digest('hex').slice(0, 40)}`

/** The revision that a signature freezes, and the save it was judged on. */
export interface Freeze {
  readonly letter: string
  readonly at: string
  readonly by: string
  readonly saveNumber: number
}

/** A reading on its way into a test. */
export interface Arriving {
  readonly jobId: string
  readonly testId: string
  readonly sample: Sample
}

export interface Imported {
  readonly id: string
  readonly number: string
  /** The number in the file was taken or no number of ours. */
  readonly renumbered: boolean
}

const full = (what: string, most: number) =>
  new Refusal('job-full', `This job holds ${most} ${what}, as many as a job may. Begin a new job.`)

/**
 * Jobs with their drafts, revisions, records and samples: the only place that writes their tables.
 */
export class JobStore extends JobReader {
  private readonly turns = new Map<string, Promise<unknown>>()
  /** Told of every job whose summary is out of date. */
  onChanged: (id: string) => void = () => undefined

  constructor(
    private readonly database: Database,
    private readonly hub: LiveHub,
    private readonly clock: Clock,
  ) {
    super(database)
  }

  /**
   * Looks and then acts on a job with nobody in between: what is judged is what is written upon.
   */
  alone<T>(jobId: string, work: () => Promise<T>): Promise<T> {
    const before = this.turns.get(jobId) ?? Promise.resolve()
    const mine = before.then(work, work)
    const settled = mine.catch(() => undefined)
    this.turns.set(jobId, settled)
    void settled.then(() => {
      if (this.turns.get(jobId) === settled) this.turns.delete(jobId)
    })
    return mine
  }

  async archive(id: string, archived: boolean): Promise<void> {
    await this.database.write(async (manager) => {
      await rowOf(manager, id)
      await manager.getRepository(JobTable).update({ id }, { archived: archived ? 1 : 0 })
      await jobStands(manager, this.clock.now(), id)
    })
  }

  async create(id: string, document: JobDocument, at: string): Promise<JobState> {
    await this.database.write(async (manager) => {
      const existing = await manager.getRepository(JobTable).findOneBy({ id })
      if (existing) return
      const number = await nextNumber(manager)
      const draft = JSON.stringify(document)
      await manager
        .getRepository(JobTable)
        .insert({ id, number, draft, saveNumber: 1, frozen: null, createdAt: at, changedAt: at })
      await jobStands(manager, at, id)
    })
    this.onChanged(id)
    return this.state(id)
  }

  /** Saves a draft over the one it was read from. A stale save is refused with what is here now. */
  async saveDraft(id: string, document: JobDocument, saveNumber: number): Promise<number> {
    const saved = await this.database.write(async (manager) => {
      const job = await rowOf(manager, id)
      if (job.frozen)
        throw new Refusal(
          'frozen',
          `Revision ${job.frozen} is signed and frozen. Start a new revision to change the design.`,
        )
      const current = documentOf(job.draft)
      if (job.saveNumber !== saveNumber) {
        if (same(current, document)) return job.saveNumber
        throw new Refusal(
          'stale-save',
          'Somebody saved this job since you opened it. Nothing of yours is lost: merge the two, or reload.',
          { document: current, saveNumber: job.saveNumber },
        )
      }
      const draft = JSON.stringify(document)
      await manager
        .getRepository(JobTable)
        .update({ id }, { draft, saveNumber: saveNumber + 1, ...this.changed() })
      await jobStands(manager, this.clock.now(), id)
      return saveNumber + 1
    })
    this.onChanged(id)
    this.hub.tell(id, { kind: 'job', saveNumber: saved, frozen: null })
    return saved
  }

  /**
   * Appends records, all or none. One sent twice is stored once; the same id with other contents is
   * refused.
   */
  async append(jobId: string, records: readonly JobRecord[], freeze?: Freeze): Promise<void> {
    expectReadable(records)
    const stored = await this.database.write(async (manager) => {
      const job = await rowOf(manager, jobId)
      const fresh: JobRecord[] = []
      for (const record of records)
        if (await insertRecord(manager, jobId, record)) fresh.push(record)
      await this.writeDown(manager, jobId, fresh)
      if (job.recordCount + fresh.length > jobLimits.records)
        throw full('records', jobLimits.records)
      if (fresh.length > 0)
        await manager
          .getRepository(JobTable)
          .update({ id: jobId }, { recordCount: job.recordCount + fresh.length, ...this.changed() })
      if (freeze) await freezeIn(manager, job, freeze, this.clock.now())
      return fresh
    })
    if (stored.length > 0) this.onChanged(jobId)
    for (const record of stored) this.hub.tell(jobId, { kind: 'record', record })
    if (freeze)
      this.hub.tell(jobId, { kind: 'job', saveNumber: freeze.saveNumber, frozen: freeze.letter })
  }

  /**
   * Stores readings in one transaction. A reading that is stored already is stored once; one that
   * differs from what is stored at its instant comes back, in the order given, as `taken`.
   */
  async addSamples(arriving: readonly Arriving[]): Promise<readonly ('stored' | 'taken')[]> {
    const outcomes = await this.database.write(async (manager) => {
      const results: ('stored' | 'again' | 'taken')[] = []
      for (const one of arriving) results.push(await insertSample(manager, one))
      return results
    })
    arriving.forEach(({ jobId, testId, sample }, i) => {
      if (outcomes[i] === 'stored') this.hub.tell(jobId, { kind: 'sample', testId, sample })
    })
    return outcomes.map((outcome) => (outcome === 'taken' ? 'taken' : 'stored'))
  }

  /**
   * Stores the readings that a logger kept of a test, all or none; whoever looks at the job reads
   * it again.
   */
  async addLog(jobId: string, testId: string, samples: readonly Sample[]): Promise<void> {
    await this.database.write(async (manager) => {
      for (const sample of samples) await insertSample(manager, { jobId, testId, sample })
    })
    this.hub.tell(jobId, { kind: 'again' })
  }

  /**
   * Cuts a lettered revision of the draft without signing it. Asked twice under one id, it is cut
   * once.
   */
  async cutRevision(
    jobId: string,
    act: { readonly id: string; readonly by: string },
  ): Promise<string> {
    return this.database.write((manager) =>
      once(manager, jobId, act.id, async () => {
        const job = await rowOf(manager, jobId)
        const letters = await lettersIn(manager, jobId)
        if (letters.length >= jobLimits.revisions) throw full('revisions', jobLimits.revisions)
        const letter = nextLetter(letters)
        const at = this.clock.now()
        const { draft: document } = job
        const cut = { letter, document, at, by: act.by, signed: 0, imported: 0 } as const
        await insertRevision(manager, { jobId, ...cut }, at)
        return letter
      }),
    )
  }

  /**
   * Opens a frozen design for editing again; the signed revision stays as it is. Asked twice under
   * one id, it is done once.
   */
  async unfreeze(jobId: string, act: { readonly id: string }): Promise<void> {
    const saveNumber = await this.database.write(async (manager) => {
      await once(manager, jobId, act.id, async () => {
        await rowOf(manager, jobId)
        await manager
          .getRepository(JobTable)
          .update({ id: jobId }, { frozen: null, ...this.changed() })
        await jobStands(manager, this.clock.now(), jobId)
        return 'unfrozen'
      })
      return (await rowOf(manager, jobId)).saveNumber
    })
    this.onChanged(jobId)
    this.hub.tell(jobId, { kind: 'job', saveNumber, frozen: null })
  }

  /**
   * Deletes a job for good; gives the hashes of files that nothing names any more. Asked twice, it
   * is done once.
   */
  remove(
    jobId: string,
    { by, reason }: { readonly by: string; readonly reason: string },
  ): Promise<readonly string[]> {
    return this.alone(jobId, () =>
      this.database.write(async (manager) => {
        const isHere = (await manager.getRepository(JobTable).findOneBy({ id: jobId })) !== null
        if (!isHere && (await listDeleted(manager)).some(({ id }) => id === jobId)) return []
        const { number } = await rowOf(manager, jobId)
        return deleteJob(manager, { jobId, number, at: this.clock.now(), by, reason })
      }),
    )
  }

  /**
   * Takes somebody out of a job; gives the hashes of photographs that nothing names any more. Asked
   * twice under one id, it is done once.
   */
  async redact(jobId: string, { id, ...asked }: EraseHeld): Promise<readonly string[]> {
    const orphans = await this.alone(jobId, () =>
      this.database.write(async (manager) => {
        const sql = 'SELECT 1 FROM record WHERE jobId = ? AND id = ?'
        if ((await manager.query<unknown[]>(sql, [jobId, id])).length > 0) return []
        const redacted = await redactJob(manager, { ...asked, jobId, at: this.clock.now() })
        const record: JobRecord = { ...redacted.record, id }
        expectReadable([record])
        await storeRecord(manager, jobId, record)
        await this.writeDown(manager, jobId, [record])
        const { recordCount } = await rowOf(manager, jobId)
        await manager
          .getRepository(JobTable)
          .update({ id: jobId }, { recordCount: recordCount + 1, ...this.changed() })
        return redacted.orphans
      }),
    )
    // What was overwritten does not stay behind in the write-ahead log.
    await this.database.raw((connection) => connection.pragma('wal_checkpoint(TRUNCATE)'))
    this.onChanged(jobId)
    this.hub.tell(jobId, { kind: 'again' })
    return orphans
  }

  deleted = (): Promise<DeletedJob[]> => this.database.read(listDeleted)

  /**
   * Takes in an exported job as it was, with its people but without their tickets: those are the
   * firm's to give.
   */
  async importFile(file: JobFile, at: string): Promise<Imported> {
    const imported = await this.database.write(async (manager) => {
      const repository = manager.getRepository(JobTable)
      if (await repository.findOneBy({ id: file.id }))
        throw new Refusal(
          'already-here',
          `${file.document.site.name} is already here. Nothing was changed.`,
        )
      const keeps = await isFreeNumber(manager, file.number)
      const number = keeps ? file.number : await nextNumber(manager)
      if (keeps) await countUpTo(manager, Number(number))
      await repository.insert({
        id: file.id,
        number,
        draft: JSON.stringify(file.document),
        saveNumber: file.saveNumber,
        frozen: file.frozen,
        createdAt: at,
        changedAt: at,
        importedAt: at,
        recordCount: file.records.length,
      })
      await jobStands(manager, at, file.id)
      await insertHistory(manager, file, at)
      return { id: file.id, number, renumbered: !keeps }
    })
    this.onChanged(file.id)
    return imported
  }

  /** Writes down what was appended; a test's readings with the record that ends it. */
  private async writeDown(
    manager: EntityManager,
    jobId: string,
    records: readonly JobRecord[],
  ): Promise<void> {
    const at = this.clock.now()
    for (const record of records) {
      await writeDown(manager, at, {
        ...{ what: 'record', jobId, item: record.id },
        content: recordText(columnsOf(record)),
      })
      if (record.body.kind === 'test-ended')
        await samplesStand(manager, at, jobId, record.body.testId)
    }
  }

  private changed() {
    return { changedAt: this.clock.now(), summaryVersion: 0 }
  }
}

/** What is stored must be readable again, whoever made it: the last look before it is written. */
function expectReadable(records: readonly JobRecord[]): void {
  for (const record of records) {
    const read = JobRecordSchema.safeParse(record)
    if (read.success) continue
    const [issue] = read.error.issues
    throw new Refusal(
      'not-understood',
      `That cannot be recorded: ${issue?.path.join(' ')}: ${issue?.message}.`,
    )
  }
}

/** A record as its columns hold it. */
const columnsOf = ({ id, at, by, replaces, reason, body }: JobRecord): RecordColumns => ({
  ...{ id, at, by, replaces: replaces ?? null, reason: reason ?? null },
  ...{ kind: body.kind, body: JSON.stringify(body) },
})

function storeRecord(manager: EntityManager, jobId: string, record: JobRecord): Promise<unknown> {
  const row = columnsOf(record)
  return manager.query(
    'INSERT INTO record (jobId, id, at, "by", replaces, reason, kind, body) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
    [jobId, row.id, row.at, row.by, row.replaces, row.reason, row.kind, row.body],
  )
}

async function insertRecord(
  manager: EntityManager,
  jobId: string,
  record: JobRecord,
): Promise<boolean> {
  const { id, replaces, body } = record
  const [existing] = await manager.query<{ kind: string; body: string }[]>(
    'SELECT kind, body FROM record WHERE jobId = ? AND id = ?',
    [jobId, id],
  )
  if (existing) {
    if (existing.kind === body.kind && same(JSON.parse(existing.body), body)) return false
    throw new Refusal(
      'different-record',
      'A record with this id is already stored, with other contents.',
    )
  }
  if (replaces !== undefined) await expectReplaceable(manager, jobId, replaces, body.kind)
  await storeRecord(manager, jobId, record)
  return true
}

/**
 * A correction corrects a record of this job and of its own kind (a step is taken back by a row of
 * its own kind): anything else would hide a record that it has nothing to do with.
 */
async function expectReplaceable(
  manager: EntityManager,
  jobId: string,
  replaces: string,
  kind: string,
): Promise<void> {
  const [corrected] = await manager.query<{ kind: string }[]>(
    'SELECT kind FROM record WHERE jobId = ? AND id = ?',
    [jobId, replaces],
  )
  const taken = kind === 'step-undone' ? 'step' : kind
  if (corrected?.kind !== taken)
    throw new Refusal(
      'not-understood',
      'It corrects a record that this job does not have, or one of another kind.',
    )
}

async function insertSample(
  manager: EntityManager,
  { jobId, testId, sample }: Arriving,
): Promise<'stored' | 'again' | 'taken'> {
  const { at_ms, gauge_Pa } = sample
  const { temp_K = null, baro_Pa = null } = sample
  const [stored] = await manager.query<Pick<SampleRow, 'gauge_Pa' | 'temp_K' | 'baro_Pa'>[]>(
    'SELECT gauge_Pa, temp_K, baro_Pa FROM sample WHERE jobId = ? AND testId = ? AND at_ms = ?',
    [jobId, testId, at_ms],
  )
  if (stored)
    return stored.gauge_Pa === gauge_Pa && stored.temp_K === temp_K && stored.baro_Pa === baro_Pa
      ? 'again'
      : 'taken'
  await manager.query(
    'INSERT INTO sample (jobId, testId, at_ms, gauge_Pa, temp_K, baro_Pa) VALUES (?, ?, ?, ?, ?, ?)',
    [jobId, testId, at_ms, gauge_Pa, temp_K, baro_Pa],
  )
  return 'stored'
}

async function freezeIn(
  manager: EntityManager,
  job: { readonly id: string; readonly draft: string; readonly saveNumber: number },
  { letter, at, by, saveNumber }: Freeze,
  now: string,
): Promise<void> {
  if (job.saveNumber !== saveNumber)
    throw new Refusal(
      'cannot-sign',
      'The design was changed while it was being signed. Look at it once more and sign again.',
    )
  // As it was judged and hashed, not as an earlier version wrote it down.
  const document = JSON.stringify(documentOf(job.draft))
  const signed = { jobId: job.id, letter, document, at, by, signed: 1, imported: 0 } as const
  await insertRevision(manager, signed, now)
  await manager.getRepository(JobTable).update({ id: job.id }, { frozen: letter })
  await jobStands(manager, now, job.id)
}

interface NewRevision {
  readonly jobId: string
  readonly letter: string
  readonly document: string
  readonly at: string
  readonly by: string
  readonly signed: 0 | 1
  readonly imported: 0 | 1
}

async function insertRevision(
  manager: EntityManager,
  revision: NewRevision,
  now: string,
): Promise<void> {
  const { jobId, letter: item } = revision
  const content = revisionText(revision)
  await writeDown(manager, now, { what: 'revision', jobId, item, content })
  await manager.query(
    'INSERT INTO revision (jobId, letter, document, at, "by", signed, imported) VALUES (?, ?, ?, ?, ?, ?, ?)',
    [
      revision.jobId,
      revision.letter,
      revision.document,
      revision.at,
      revision.by,
      revision.signed,
      revision.imported,
    ],
  )
}

const lettersIn = async (manager: EntityManager, jobId: string): Promise<string[]> =>
  (
    await manager.query<{ letter: string }[]>('SELECT letter FROM revision WHERE jobId = ?', [
      jobId,
    ])
  ).map((row) => row.letter)

/** Carries out an act under its id once; asked again, it gives what it gave the first time. */
async function once(
  manager: EntityManager,
  jobId: string,
  id: string,
  act: () => Promise<string>,
): Promise<string> {
  const sql = 'SELECT result FROM act WHERE jobId = ? AND id = ?'
  const [done] = await manager.query<{ result: string }[]>(sql, [jobId, id])
  if (done) return done.result
  const result = await act()
  await manager.query('INSERT INTO act (jobId, id, result) VALUES (?, ?, ?)', [jobId, id, result])
  return result
}

async function insertHistory(manager: EntityManager, file: JobFile, now: string): Promise<void> {
  // Names alone: what somebody is in this firm, and what they may sign, is its owner's to say.
  for (const { id, name } of file.people)
    await manager.query(
      `INSERT OR IGNORE INTO person (id, name, role, tickets) VALUES (?, ?, '', '[]')`,
      [id, name],
    )
  for (const { letter, document, at, by, signed } of file.revisions)
    await insertRevision(
      manager,
      {
        ...{ jobId: file.id, letter, document: JSON.stringify(document), at, by },
        ...{ signed: signed ? 1 : 0, imported: 1 },
      },
      now,
    )
  for (const record of file.records) {
    await storeRecord(manager, file.id, record)
    await writeDown(manager, now, {
      ...{ what: 'record', jobId: file.id, item: record.id },
      content: recordText(columnsOf(record)),
    })
  }
  for (const [testId, samples] of Object.entries(file.samples))
    for (const sample of samples) await insertSample(manager, { jobId: file.id, testId, sample })
  for (const testId of endedTests(file.records.map(columnsOf)))
    await samplesStand(manager, now, file.id, testId)
}

/**
 * Job numbers count up from a counter of their own: what a file brings along can never stop the
 * next one.
 */
async function nextNumber(manager: EntityManager): Promise<string> {
  for (;;) {
    await manager.query(`UPDATE counter SET value = value + 1 WHERE name = 'job-number'`)
    const [row] = await manager.query<{ value: number }[]>(
      `SELECT value FROM counter WHERE name = 'job-number'`,
    )
    if (!row) throw new Error('the counter of job numbers is gone')
    const number = String(row.value).padStart(4, '0')
    if (!(await isTaken(manager, number))) return number
  }
}

const countUpTo = (manager: EntityManager, value: number): Promise<unknown> =>
  manager.query(`UPDATE counter SET value = MAX(value, ?) WHERE name = 'job-number'`, [value])

const isTaken = async (manager: EntityManager, number: string): Promise<boolean> =>
  (await manager.getRepository(JobTable).findOneBy({ number })) !== null

/** One of ours, four to six digits, that no job has. */
const isFreeNumber = async (manager: EntityManager, number: string): Promise<boolean> =>
  /^\d{4,6}$/.test(number) && !(await isTaken(manager, number))

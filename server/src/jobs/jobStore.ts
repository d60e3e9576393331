import type { JobDocument, JobFile, JobRecord, JobState, RevisionInfo, Sample } from '@hestian/core'
import { readDocument, same, summaryOf, summaryVersion } from '@hestian/core'
import type { Database } from '../db/database'
import type { RecordRow, JobRow, RevisionRow, SampleRow } from '../db/tables'
import { JobTable, RecordTable, RevisionTable, SampleTable } from '../db/tables'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import type { LiveHub } from '../live/hub'

const documentOf = (text: string): JobDocument => {
  const read = readDocument(JSON.parse(text))
  if (!read.ok) throw new Error(`a stored document cannot be read: ${read.says}`)
  return read.document
}

const recordOf = (row: RecordRow): JobRecord => ({
  id: row.id,
  at: row.at,
  by: row.by,
  ...(row.replaces ? { replaces: row.replaces } : {}),
  ...(row.reason ? { reason: row.reason } : {}),
  body: JSON.parse(row.body) as JobRecord['body'],
})
const sampleOf = (row: SampleRow): Sample => ({
  at_ms: row.at_ms,
  gauge_Pa: row.gauge_Pa,
  ...(row.temp_K === null ? {} : { temp_K: row.temp_K }),
})
const infoOf = (row: RevisionRow): RevisionInfo => ({
  letter: row.letter,
  at: row.at,
  by: row.by,
  signed: row.signed === 1,
})

/** The letter after the last: A to Z, then AA. */
export function nextLetter(letters: readonly string[]): string {
  const index = letters.length
  const letter = (i: number) => String.fromCharCode(65 + i)
  return index < 26 ? letter(index) : letter(Math.floor(index / 26) - 1) + letter(index % 26)
}

/** Jobs with their drafts, revisions, records and samples: the only place that touches their tables. */
export class JobStore {
  constructor(
    private readonly db: Database,
    private readonly hub: LiveHub,
    private readonly clock: Clock,
  ) {}

  /** Jobs on which more tests were begun than ended. */
  async idsWithTestsUnderWay(): Promise<string[]> {
    const rows = await this.db.source.query<{ jobId: string }[]>(
      `SELECT jobId FROM record WHERE kind IN ('test-begun', 'test-ended') GROUP BY jobId HAVING SUM(kind = 'test-begun') > SUM(kind = 'test-ended')`,
    )
    return rows.map((row) => row.jobId)
  }

  /** Makes every stored summary that an older version made again. */
  async freshenSummaries(complain: (error: unknown) => void): Promise<void> {
    const rows = await this.db.source
      .getRepository(JobTable)
      .find({ select: { id: true, summaryVersion: true } })
    // One job that cannot be read must not keep the others from opening.
    for (const row of rows)
      if (row.summaryVersion !== summaryVersion) await this.summarise(row.id).catch(complain)
  }

  /** Writes what the board shows of a job; `changed` unless only the code is newer. */
  private async summarise(id: string, changed?: 'changed'): Promise<void> {
    const { id: _id, number, frozen: _frozen, shares, ...summary } = summaryOf(await this.state(id))
    // Lower case is made here: SQLite knows only that of ASCII.
    const searchable = [summary.name, summary.address, number, summary.stage, summary.waits]
      .join(' ')
      .toLowerCase()
    await this.db.inTurn(async () => {
      await this.db.source
        .getRepository(JobTable)
        .update(
          { id },
          {
            ...summary,
            searchable,
            shares: JSON.stringify(shares),
            summaryVersion,
            ...(changed ? { changedAt: this.clock.now() } : {}),
          },
        )
    })
  }

  async archive(id: string, archived: boolean): Promise<void> {
    await this.row(id)
    await this.db.inTurn(async () => {
      await this.db.source.getRepository(JobTable).update({ id }, { archived: archived ? 1 : 0 })
    })
  }

  async state(id: string): Promise<JobState> {
    const job = await this.row(id)
    const [records, samples, revisions] = await Promise.all([
      this.db.source
        .getRepository(RecordTable)
        .find({ where: { jobId: id }, order: { seq: 'ASC' } }),
      this.db.source
        .getRepository(SampleTable)
        .find({ where: { jobId: id }, order: { testId: 'ASC', at_ms: 'ASC' } }),
      this.db.source
        .getRepository(RevisionTable)
        .find({ where: { jobId: id }, order: { at: 'ASC' } }),
    ])
    const byTest: Record<string, Sample[]> = {}
    for (const row of samples) (byTest[row.testId] ??= []).push(sampleOf(row))
    return {
      id,
      number: job.number,
      document: documentOf(job.draft),
      saveNumber: job.saveNumber,
      frozen: job.frozen,
      revisions: revisions.map(infoOf),
      records: records.map(recordOf),
      samples: byTest,
    }
  }

  async create(id: string, document: JobDocument, at: string): Promise<JobState> {
    await this.db.inTurn(async () => {
      const existing = await this.db.source.getRepository(JobTable).findOneBy({ id })
      if (existing) return
      await this.insertJob({
        id,
        number: await this.nextNumber(),
        draft: JSON.stringify(document),
        saveNumber: 1,
        frozen: null,
        createdAt: at,
      })
    })
    await this.summarise(id, 'changed')
    return this.state(id)
  }

  /** Saves a draft over the one it was read from. A stale save is refused with what is here now. */
  async saveDraft(id: string, document: JobDocument, saveNumber: number): Promise<number> {
    const saved = await this.db.inTurn(async () => {
      const job = await this.row(id)
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
      await this.db.source
        .getRepository(JobTable)
        .update({ id }, { draft: JSON.stringify(document), saveNumber: saveNumber + 1 })
      return saveNumber + 1
    })
    await this.summarise(id, 'changed')
    this.hub.tell(id, { kind: 'job', saveNumber: saved, frozen: null })
    return saved
  }

  /** Appends records, all or none. One sent twice is stored once; the same id with other contents is refused. */
  async append(
    jobId: string,
    records: readonly JobRecord[],
    freeze?: { readonly letter: string; readonly at: string; readonly by: string },
  ): Promise<void> {
    const stored = await this.db.inTurn(() =>
      this.db.source.transaction(async (manager) => {
        await this.row(jobId)
        const fresh: JobRecord[] = []
        for (const record of records) {
          const existing = await manager
            .getRepository(RecordTable)
            .findOneBy({ jobId, id: record.id })
          if (
            existing &&
            (existing.kind !== record.body.kind || !same(JSON.parse(existing.body), record.body))
          )
            throw new Refusal(
              'different-record',
              'A record with this id is already stored, with other contents.',
            )
          if (existing) continue
          await manager
            .getRepository(RecordTable)
            .insert({
              jobId,
              id: record.id,
              at: record.at,
              by: record.by,
              replaces: record.replaces ?? null,
              reason: record.reason ?? null,
              kind: record.body.kind,
              body: JSON.stringify(record.body),
            })
          fresh.push(record)
        }
        if (freeze) {
          const job = await this.row(jobId)
          await manager
            .getRepository(RevisionTable)
            .insert({
              jobId,
              letter: freeze.letter,
              document: job.draft,
              at: freeze.at,
              by: freeze.by,
              signed: 1,
            })
          await manager.getRepository(JobTable).update({ id: jobId }, { frozen: freeze.letter })
        }
        return fresh
      }),
    )
    if (stored.length > 0 || freeze) await this.summarise(jobId, 'changed')
    for (const record of stored) this.hub.tell(jobId, { kind: 'record', record })
    if (freeze)
      this.hub.tell(jobId, {
        kind: 'job',
        saveNumber: (await this.row(jobId)).saveNumber,
        frozen: freeze.letter,
      })
  }

  async addSample(jobId: string, testId: string, sample: Sample): Promise<void> {
    await this.db.inTurn(() =>
      this.db.source.query(
        'INSERT OR IGNORE INTO sample (jobId, testId, at_ms, gauge_Pa, temp_K) VALUES (?, ?, ?, ?, ?)',
        [jobId, testId, sample.at_ms, sample.gauge_Pa, sample.temp_K ?? null],
      ),
    )
    this.hub.tell(jobId, { kind: 'sample', testId, sample })
  }

  /** Cuts a lettered revision of the draft without signing it. */
  async cutRevision(jobId: string, at: string, by: string): Promise<string> {
    return this.db.inTurn(async () => {
      const job = await this.row(jobId)
      const letter = nextLetter(await this.letters(jobId))
      await this.db.source
        .getRepository(RevisionTable)
        .insert({ jobId, letter, document: job.draft, at, by, signed: 0 })
      return letter
    })
  }

  /** Opens a frozen design for editing again; the signed revision stays as it is. */
  async unfreeze(jobId: string): Promise<void> {
    await this.db.inTurn(async () => {
      await this.db.source.getRepository(JobTable).update({ id: jobId }, { frozen: null })
    })
    await this.summarise(jobId, 'changed')
    this.hub.tell(jobId, {
      kind: 'job',
      saveNumber: (await this.row(jobId)).saveNumber,
      frozen: null,
    })
  }

  async letters(jobId: string): Promise<string[]> {
    return (
      await this.db.source
        .getRepository(RevisionTable)
        .find({ where: { jobId }, order: { at: 'ASC' } })
    ).map((row) => row.letter)
  }

  async revision(jobId: string, letter: string): Promise<RevisionInfo & { document: JobDocument }> {
    const row = await this.db.source.getRepository(RevisionTable).findOneBy({ jobId, letter })
    if (!row) throw new Refusal('no-such-revision', `This job has no revision ${letter}.`)
    return { ...infoOf(row), document: documentOf(row.document) }
  }

  async exportFile(id: string, people: JobFile['people']): Promise<JobFile> {
    const { number, document, saveNumber, frozen, revisions, records, samples } =
      await this.state(id)
    const whole = await Promise.all(revisions.map((info) => this.revision(id, info.letter)))
    const known = new Set([
      ...records.map((record) => record.by),
      ...revisions.map((info) => info.by),
    ])
    return {
      format: 'hestian-job',
      formatVersion: 1,
      id,
      number,
      saveNumber,
      frozen,
      document,
      revisions: whole,
      records,
      samples,
      people: people.filter((person) => known.has(person.id)),
    }
  }

  /** Takes in an exported job as it was. A number already used here gets the next free one. */
  async importFile(file: JobFile, at: string): Promise<void> {
    await this.db.inTurn(async () => {
      const repository = this.db.source.getRepository(JobTable)
      if (await repository.findOneBy({ id: file.id }))
        throw new Refusal(
          'already-here',
          `${file.document.site.name} is already here. Nothing was changed.`,
        )
      const number = (await repository.findOneBy({ number: file.number }))
        ? await this.nextNumber()
        : file.number
      await this.db.source.transaction(async (manager) => {
        await manager
          .getRepository(JobTable)
          .insert({
            id: file.id,
            number,
            draft: JSON.stringify(file.document),
            saveNumber: file.saveNumber,
            frozen: file.frozen,
            createdAt: at,
          })
        for (const { letter, document, at: cut, by, signed } of file.revisions)
          await manager
            .getRepository(RevisionTable)
            .insert({
              jobId: file.id,
              letter,
              document: JSON.stringify(document),
              at: cut,
              by,
              signed: signed ? 1 : 0,
            })
        for (const { id, at: made, by, replaces, reason, body } of file.records)
          await manager
            .getRepository(RecordTable)
            .insert({
              jobId: file.id,
              id,
              at: made,
              by,
              replaces: replaces ?? null,
              reason: reason ?? null,
              kind: body.kind,
              body: JSON.stringify(body),
            })
        for (const [testId, samples] of Object.entries(file.samples)) {
          for (const sample of samples)
            await manager.query(
              'INSERT INTO sample (jobId, testId, at_ms, gauge_Pa, temp_K) VALUES (?, ?, ?, ?, ?)',
              [file.id, testId, sample.at_ms, sample.gauge_Pa, sample.temp_K ?? null],
            )
        }
      })
    })
    await this.summarise(file.id, 'changed')
  }

  private async insertJob(
    row: Pick<JobRow, 'id' | 'number' | 'draft' | 'saveNumber' | 'frozen' | 'createdAt'>,
  ): Promise<void> {
    await this.db.source.getRepository(JobTable).insert(row)
  }

  private async nextNumber(): Promise<string> {
    const [row] = await this.db.source.query<{ most: number | null }[]>(
      `SELECT MAX(CAST(number AS INTEGER)) AS most FROM job`,
    )
    return String(Math.max(400, row?.most ?? 0) + 1).padStart(4, '0')
  }

  private async row(id: string): Promise<JobRow> {
    const row = await this.db.source.getRepository(JobTable).findOneBy({ id })
    if (!row) throw new Refusal('no-such-job', 'There is no such job here.')
    return row
  }
}

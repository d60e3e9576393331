import type { EraseHeld, JobDocument, JobRecord, Redaction } from '@hestian/core'
import {
  bringBodyForward,
  JobDocument as JobDocumentSchema,
  JobRecord as JobRecordSchema,
  redact,
  redactAs,
  same,
  siteTime,
} from '@hestian/core'
import type { EntityManager } from 'typeorm'
import { Refusal } from '../app/refusal'
import type { RecordColumns } from '../db/changeLog'
import { jobStands, recordText, revisionText, writeDown } from '../db/changeLog'
import type { RevisionRow } from '../db/tables'
import { JobTable, RecordTable } from '../db/tables'
import { sha256Of } from './canonical'
import { evidenceOf, expectNoTestRuns, forgetUnnamed, pastAppendOnly } from './erasing'
import { documentOf, recordOf, rowOf } from './jobReader'

interface Erasing extends Omit<EraseHeld, 'id'> {
  readonly jobId: string
  readonly at: string
}

export interface Redacted {
  /** The record that says so, less its id: what of, by whom, why; never what stood there. */
  readonly record: Omit<JobRecord, 'id'>
  /** Photographs that nothing names any more. */
  readonly orphans: readonly string[]
}

/**
 * Takes somebody out of a job, in the transaction given: out of the draft, the records, the
 * revisions, the links for guests. What stood there before cannot be told from the log any more,
 * since its salts go with it; as it stands now it is written down anew.
 */
export async function redactJob(manager: EntityManager, erasing: Erasing): Promise<Redacted> {
  const { jobId, at, by, place, photographs, reason } = erasing
  await expectNoTestRuns(manager, jobId)
  const job = await rowOf(manager, jobId)
  const draft = documentOf(job.draft)
  const revisions = await manager.query<RevisionRow[]>('SELECT * FROM revision WHERE jobId = ?', [
    jobId,
  ])
  const sites = [draft, ...revisions.map(({ document }) => documentOf(document))]
  const day = siteTime(at, draft).slice(0, 10)
  const redaction = redactionOf(erasing, day, place ? sites.map(({ site }) => site) : [])
  const before = await evidenceOf(manager, jobId)
  return pastAppendOnly(manager, async () => {
    const inDraft = await redactDraft(manager, job, withoutPlace(draft, redaction, place), at)
    const records = await redactRecords(manager, { jobId, at }, redaction)
    const letters: { letter: string; sha256: string; signed: boolean }[] = []
    for (const revision of revisions) {
      const was = documentOf(revision.document)
      const document = withoutPlace(was, redaction, place)
      if (same(was, document)) continue
      await rewriteRevision(manager, { ...revision, document: JSON.stringify(document) }, at)
      letters.push({
        letter: revision.letter,
        sha256: sha256Of(document),
        signed: revision.signed === 1,
      })
    }
    const guests = await forgetGuests(manager, jobId, redaction)
    if (!inDraft && records === 0 && letters.length === 0 && guests === 0)
      throw new Refusal('not-understood', 'Nothing of this job holds that. Nothing was changed.')
    const orphans = await forgetUnnamed(manager, await noLongerNamed(manager, jobId, before))
    const what = whatSays({ inDraft, records, letters, guests, photographs, place })
    return {
      record: {
        ...{ at, by },
        body: {
          kind: 'redacted',
          what,
          because: reason,
          revisions: letters.map(({ letter, sha256 }) => ({ letter, sha256 })),
        },
      },
      orphans,
    }
  })
}

type Site = JobDocument['site']

/**
 * A word of the place shorter than this is looked for in its own field alone: it would be found in
 * words that mean something else.
 */
const shortestOfPlace = 5

const redactionOf = (
  { words, photographs }: Erasing,
  day: string,
  sites: readonly Site[],
): Redaction => ({
  words: [
    words,
    ...new Set(
      sites
        .flatMap(({ name, address }) => [name.trim(), address.trim()])
        .filter((one) => one.length >= shortestOfPlace),
    ),
  ],
  instead: `[redacted ${day}]`,
  photographs,
})

function withoutPlace(document: JobDocument, redaction: Redaction, place: boolean): JobDocument {
  const now = redactAs(JobDocumentSchema, document, redaction)
  const { instead: name } = redaction
  return place ? { ...now, site: { ...now.site, name, address: name, notes: '' } } : now
}

async function redactDraft(
  manager: EntityManager,
  {
    id,
    draft,
    saveNumber,
  }: { readonly id: string; readonly draft: string; readonly saveNumber: number },
  document: JobDocument,
  at: string,
): Promise<boolean> {
  if (same(documentOf(draft), document)) return false
  // Of every draft of before: what it was could be guessed at with the salt.
  await forgetSalts(manager, id, 'job', '')
  await manager.getRepository(JobTable).update(
    { id },
    {
      ...{ draft: JSON.stringify(document), saveNumber: saveNumber + 1 },
      ...{ changedAt: at, summaryVersion: 0, searchable: '', name: '', address: '' },
    },
  )
  await jobStands(manager, at, id)
  return true
}

async function redactRecords(
  manager: EntityManager,
  { jobId, at }: { readonly jobId: string; readonly at: string },
  redaction: Redaction,
): Promise<number> {
  const rows = await manager
    .getRepository(RecordTable)
    .find({ where: { jobId }, order: { seq: 'ASC' } })
  let changed = 0
  for (const row of rows) {
    const was = recordOf(row)
    const { body } = redactAs(JobRecordSchema, was, redaction)
    const reason = row.reason === null ? null : String(redact(row.reason, redaction)).slice(0, 200)
    if (same(was.body, body) && reason === row.reason) continue
    const columns: RecordColumns = {
      ...{ id: row.id, at: row.at, by: row.by, replaces: row.replaces, reason, kind: body.kind },
      body: JSON.stringify(bringBodyForward(body)),
    }
    await manager.query(
      'UPDATE record SET reason = ?, kind = ?, body = ? WHERE jobId = ? AND id = ?',
      [columns.reason, columns.kind, columns.body, jobId, row.id],
    )
    await forgetSalts(manager, jobId, 'record', row.id)
    const content = recordText(columns)
    await writeDown(manager, at, { what: 'record', jobId, item: row.id, content })
    changed++
  }
  return changed
}

async function rewriteRevision(
  manager: EntityManager,
  revision: RevisionRow,
  at: string,
): Promise<void> {
  const { jobId, letter: item, document } = revision
  await manager.query('UPDATE revision SET document = ? WHERE jobId = ? AND letter = ?', [
    ...[document, jobId, item],
  ])
  await forgetSalts(manager, jobId, 'revision', item)
  const content = revisionText(revision)
  await writeDown(manager, at, { what: 'revision', jobId, item, content })
}

const forgetSalts = (manager: EntityManager, jobId: string, what: string, item: string) =>
  manager.query(
    'DELETE FROM salt WHERE seq IN (SELECT seq FROM log WHERE jobId = ? AND what = ? AND item = ?)',
    [jobId, what, item],
  )

async function forgetGuests(
  manager: EntityManager,
  jobId: string,
  redaction: Redaction,
): Promise<number> {
  const rows = await manager.query<{ id: string; name: string }[]>(
    'SELECT id, name FROM guest WHERE jobId = ?',
    [jobId],
  )
  const theirs = rows.filter(({ name }) => redact(name, redaction) !== name)
  for (const { id } of theirs) {
    await manager.query('DELETE FROM session WHERE guestId = ?', [id])
    await manager.query('DELETE FROM guest WHERE id = ?', [id])
  }
  return theirs.length
}

async function noLongerNamed(
  manager: EntityManager,
  jobId: string,
  before: ReadonlySet<string>,
): Promise<readonly string[]> {
  const now = await evidenceOf(manager, jobId)
  return [...before].filter((hash) => !now.has(hash))
}

const counted = (count: number, one: string, more: string): readonly string[] =>
  count === 0 ? [] : [count === 1 ? one : `${count} ${more}`]

/** What was taken out of where: kinds and numbers, no name. */
function whatSays(of: {
  readonly inDraft: boolean
  readonly records: number
  readonly letters: readonly { readonly letter: string; readonly signed: boolean }[]
  readonly guests: number
  readonly photographs: boolean
  readonly place: boolean
}): string {
  const letters = of.letters.map(({ letter }) => letter)
  const out = [
    'what identifies a person',
    ...(of.place ? ['the place and its notes'] : []),
    ...(of.photographs ? ['photographs'] : []),
  ]
  const where = [
    ...(of.inDraft ? ['the design'] : []),
    ...counted(of.records, 'a record', 'records'),
    ...(letters.length > 0
      ? [`revision${letters.length === 1 ? '' : 's'} ${letters.slice(0, 20).join(', ')}`]
      : []),
    ...counted(of.guests, 'a link for a guest', 'links for guests'),
  ]
  return `${out.join(', ')}; out of ${where.join(', ')}`
}

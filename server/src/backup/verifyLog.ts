import type { BodyOf } from '@hestian/core'
import type { EntityManager } from 'typeorm'
import type { DatabaseReader } from '../db/database'
import type {
  Changed,
  DeletedColumns,
  JobColumns,
  LogRow,
  PersonColumns,
  RecordColumns,
  RevisionColumns,
} from '../db/changeLog'
import {
  chained,
  deletedText,
  digestOf,
  firstHash,
  jobText,
  personText,
  recordText,
  revisionText,
  samplesOf,
  samplesText,
} from '../db/changeLog'
import { endedTests } from '../db/theLog'
import { sha256Of } from '../jobs/canonical'
import { documentOf } from '../jobs/jobReader'

type Entry = LogRow & { readonly salt: string | null }

/** Something stored that the log speaks of, as it stands now. */
interface Stands {
  readonly what: Changed
  readonly jobId: string
  readonly item: string
  readonly content: string
  /** In words. */
  readonly name: string
}

const keyOf = ({ what, jobId, item }: Pick<Stands, 'what' | 'jobId' | 'item'>): string =>
  JSON.stringify([what, jobId, item])

/**
 * What is not as the log of changes says it: the first entry that was altered, and everything
 * stored that is another thing than was written down.
 */
export const faultsOfLog = (db: DatabaseReader): Promise<readonly string[]> =>
  db.read(async (manager) => {
    const entries = await manager.query<Entry[]>(
      'SELECT log.*, salt.salt FROM log LEFT JOIN salt ON salt.seq = log.seq ORDER BY log.seq',
    )
    const broken = brokenAt(entries)
    const last = new Map(entries.map((entry) => [keyOf(entry), entry]))
    const stands = await everythingStored(manager)
    const here = new Set(stands.map(keyOf))
    return [
      ...(broken ? [broken] : []),
      ...stands.flatMap((one) => faultOf(one, last.get(keyOf(one)))),
      ...[...last.values()].flatMap((entry) =>
        here.has(keyOf(entry)) || entry.seq < (last.get(deletionOf(entry))?.seq ?? 0)
          ? []
          : [`${nameOf(entry)} is gone: entry ${entry.seq} wrote it down.`],
      ),
      ...(await signedFaults(manager)),
    ]
  })

/** Where the deletion of an entry's job would be written down. */
const deletionOf = ({ jobId }: Entry): string => keyOf({ what: 'deleted', jobId, item: '' })

/** The first entry that does not follow from the one before it. */
function brokenAt(entries: readonly Entry[]): string | undefined {
  let before = firstHash
  for (const [i, entry] of entries.entries()) {
    const { seq, at, hash } = entry
    if (seq !== i + 1) return `Entry ${i + 1} of the log is missing: entry ${seq} follows.`
    if (chained(before, entry) !== hash)
      return `The log was altered at entry ${seq} (${nameOf(entry)}, ${at}) or just before it: from there on it proves nothing.`
    before = hash
  }
  return undefined
}

const nouns: Readonly<Record<Changed, string>> = {
  record: 'Record',
  revision: 'Revision',
  job: 'Job',
  samples: 'The readings of test',
  deleted: 'The deletion of job',
  person: 'The line of',
}
const nameOf = ({ what, jobId, item }: Pick<Entry, 'what' | 'jobId' | 'item'>): string =>
  item === '' || what === 'person'
    ? `${nouns[what]} ${item || jobId}`
    : `${nouns[what]} ${item} of job ${jobId}`

function faultOf({ name, content }: Stands, entry: Entry | undefined): readonly string[] {
  if (!entry) return [`${name} stands in no entry of the log: it was put there past it.`]
  // Nothing is erased and still stands: without its salt it cannot be held against the entry, and
  // that is not sound.
  if (entry.salt === null)
    return [`${name} cannot be held against entry ${entry.seq} of the log: its salt is gone.`]
  return digestOf(entry.salt, content) === entry.digest
    ? []
    : [`${name} is not what was written down in entry ${entry.seq} on ${entry.at}: it was altered.`]
}

async function everythingStored(manager: EntityManager): Promise<readonly Stands[]> {
  const stands: Stands[] = []
  const add = (one: Omit<Stands, 'name'>) => stands.push({ ...one, name: nameOf(one) })
  const jobs = await manager.query<({ id: string } & JobColumns)[]>('SELECT * FROM job')
  for (const job of jobs) {
    const { id: jobId } = job
    add({ what: 'job', jobId, item: '', content: jobText(job) })
    const records = await manager.query<RecordColumns[]>('SELECT * FROM record WHERE jobId = ?', [
      jobId,
    ])
    for (const row of records)
      add({ what: 'record', jobId, item: row.id, content: recordText(row) })
    const revisions = await manager.query<RevisionColumns[]>(
      'SELECT * FROM revision WHERE jobId = ?',
      [jobId],
    )
    for (const row of revisions)
      add({ what: 'revision', jobId, item: row.letter, content: revisionText(row) })
    for (const item of endedTests(records)) {
      const content = samplesText(await samplesOf(manager, jobId, item))
      add({ what: 'samples', jobId, item, content })
    }
  }
  const deleted =
    await manager.query<({ jobId: string } & DeletedColumns)[]>('SELECT * FROM deleted')
  for (const row of deleted)
    add({ what: 'deleted', jobId: row.jobId, item: '', content: deletedText(row) })
  // Names that came with an imported job are written down when the firm says what they are.
  const people = await manager.query<({ id: string } & PersonColumns)[]>(
    `SELECT * FROM person WHERE role <> ''`,
  )
  for (const person of people)
    add({ what: 'person', jobId: '', item: person.id, content: personText(person) })
  return stands
}

/**
 * Signed here, the document of a revision is the one whose SHA-256 stands in the signature, or in
 * the record of what was redacted since.
 */
async function signedFaults(manager: EntityManager): Promise<readonly string[]> {
  const rows = await manager.query<
    { jobId: string; letter: string; document: string; body: string }[]
  >(
    `SELECT revision.jobId, revision.letter, revision.document, record.body FROM revision
     JOIN record ON record.jobId = revision.jobId AND record.kind = 'signature'
     WHERE revision.signed = 1 AND revision.imported = 0
       AND CASE WHEN json_valid(record.body) THEN json_extract(record.body, '$.revision') END = revision.letter`,
  )
  const redacted = await redactedSince(manager)
  return rows.flatMap(({ jobId, letter, document, body }) => {
    const { sha256: signed } = JSON.parse(body) as { sha256?: string }
    const sha256 = redacted.get(`${jobId} ${letter}`) ?? signed
    return sha256 === undefined || isSigned(document, sha256)
      ? []
      : [`Revision ${letter} of job ${jobId} is not the document that was signed.`]
  })
}

/**
 * The SHA-256 that revisions have since somebody was erased from them, by job and letter: the last
 * one counts.
 */
async function redactedSince(manager: EntityManager): Promise<ReadonlyMap<string, string>> {
  const rows = await manager.query<{ jobId: string; body: string }[]>(
    `SELECT jobId, body FROM record WHERE kind = 'redacted' AND json_valid(body) ORDER BY seq`,
  )
  return new Map(
    rows.flatMap(({ jobId, body }) => {
      const { revisions = [] } = JSON.parse(body) as Partial<BodyOf<'redacted'>>
      return revisions.map(({ letter, sha256 }) => [`${jobId} ${letter}`, sha256] as const)
    }),
  )
}

const isSigned = (document: string, sha256: string): boolean => {
  try {
    // Before, the draft was kept as an earlier version may have written it, and signed as it was
    // read.
    return sha256Of(JSON.parse(document)) === sha256 || sha256Of(documentOf(document)) === sha256
  } catch {
    return false
  }
}

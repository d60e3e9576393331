import type { Held, HeldInJob, JobRecord, Practice } from '@hestian/core'
import { evidenceNamed, inWords, practices, recordSays, siteTime, textsWith } from '@hestian/core'
import type { EntityManager } from 'typeorm'
import { Refusal } from '../app/refusal'
import type { DatabaseReader } from '../db/database'
import type { JobRow, RevisionRow } from '../db/tables'
import { RecordTable } from '../db/tables'
import { hasRunningTest } from '../jobs/erasing'
import { documentOf, recordOf } from '../jobs/jobReader'

/**
 * Everything that is stored of a name, an address, a number: in the jobs, and in the firm's own
 * lists.
 */
export const findHeld = (db: DatabaseReader, words: string, at: string): Promise<Held> =>
  db.read(async (manager) => {
    const rows = await manager.query<JobRow[]>('SELECT * FROM job ORDER BY number')
    const jobs: HeldInJob[] = []
    const unreadable: string[] = []
    for (const row of rows)
      try {
        const found = await heldIn(manager, row, words)
        if (found.texts.length > 0) jobs.push(found)
      } catch (error) {
        if (!(error instanceof Refusal)) throw error
        unreadable.push(row.number)
      }
    return { words, at, jobs, unreadable, elsewhere: await heldElsewhere(manager, words) }
  })

async function heldIn(
  manager: EntityManager,
  { id, number, draft: text }: JobRow,
  words: string,
): Promise<HeldInJob> {
  const draft = documentOf(text)
  const revisions = await manager.query<RevisionRow[]>(
    'SELECT * FROM revision WHERE jobId = ? ORDER BY LENGTH(letter), letter',
    [id],
  )
  const kept = revisions.map((row) => ({ ...row, document: documentOf(row.document) }))
  const rows = await manager
    .getRepository(RecordTable)
    .find({ where: { jobId: id }, order: { seq: 'ASC' } })
  const records = rows.map(recordOf)
  const guests = await manager.query<{ name: string; madeAt: string }[]>(
    'SELECT name, madeAt FROM guest WHERE jobId = ?',
    [id],
  )
  const said = practices[draft.practice].words
  const dayAt = (at: string) => siteTime(at, draft).slice(0, 10)
  const here = (where: string, value: unknown) =>
    textsWith(value, [words]).map((one) => ({ where, text: one }))
  return {
    ...{ id, number, name: draft.site.name, address: draft.site.address },
    signed: kept.filter(({ signed }) => signed === 1).map(({ letter }) => letter),
    texts: [
      ...here('The design', draft),
      ...kept.flatMap(({ letter, document }) => here(`Revision ${letter}`, document)),
      ...records.flatMap((record) => [
        ...here(`Record of ${dayAt(record.at)}: ${kindOf(record, said)}`, [
          record.body,
          record.reason,
        ]),
        ...signatureOf(record, words).map((text) => ({
          where: `Record of ${dayAt(record.at)}: Received`,
          text,
        })),
      ]),
      ...guests.flatMap(({ name, madeAt }) => here(`A guest’s link of ${dayAt(madeAt)}`, [name])),
    ],
    photographs: evidenceNamed([draft, kept.map(({ document }) => document), records])
      .filter(({ type }) => type.startsWith('image/'))
      .map(({ hash }) => hash),
    testRuns: await hasRunningTest(manager, id),
  }
}

/** What kind of record it is, without what it says: that stands beside it. */
const kindOf = ({ body }: JobRecord, words: Practice['words']): string =>
  inWords(recordSays(body), words).split(/[:,]/)[0] ?? body.kind

const signatureOf = ({ body }: JobRecord, words: string): readonly string[] =>
  body.kind === 'received' && body.drawn && textsWith([body.name], [words]).length > 0
    ? ['A drawn signature']
    : []

async function heldElsewhere(manager: EntityManager, words: string): Promise<Held['elsewhere']> {
  const has = (text: string) => textsWith([text], [words]).length > 0
  const people = await manager.query<{ name: string; role: string }[]>(
    'SELECT name, role FROM person',
  )
  const deleted = await manager.query<{ number: string; reason: string }[]>(
    'SELECT number, reason FROM deleted',
  )
  return [
    ...people
      .filter(({ name }) => has(name))
      .map(({ name }) => ({ where: 'People of the firm', text: name })),
    ...deleted
      .filter(({ reason }) => has(reason))
      .map(({ number, reason }) => ({
        where: `Why job ${number} was deleted`,
        text: reason,
      })),
  ]
}

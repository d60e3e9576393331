import type { DeletedJob } from '@hestian/core'
import { evidenceNamed } from '@hestian/core'
import type { EntityManager } from 'typeorm'
import { Refusal } from '../app/refusal'
import type { RecordColumns } from '../db/changeLog'
import { deletedText, writeDown } from '../db/changeLog'
import { endedTests, testIdIn } from '../db/theLog'

const appendOnly = ['record', 'sample', 'revision'] as const

interface Deleting {
  readonly jobId: string
  readonly number: string
  readonly at: string
  readonly by: string
  readonly reason: string
}

/**
 * Takes a job out of the tables with everything of it, in the transaction given; its number, who did it, when and why stay. Gives the
 * hashes of photographs and papers that no other job names: their rows are gone too, their files are the caller's to remove.
 */
export async function deleteJob(
  manager: EntityManager,
  deleting: Deleting,
): Promise<readonly string[]> {
  const { jobId, number, at, by, reason } = deleting
  await expectNoTestRuns(manager, jobId)
  const named = await evidenceOf(manager, jobId)
  // The tables refuse every deletion but this one.
  const triggers = await manager.query<{ name: string; sql: string }[]>(
    `SELECT name, sql FROM sqlite_master WHERE type = 'trigger' AND tbl_name IN ('record', 'sample', 'revision', 'evidence') AND name LIKE '%_no_delete'`,
  )
  for (const { name } of triggers) await manager.query(`DROP TRIGGER ${name}`)
  await manager.query('DELETE FROM salt WHERE seq IN (SELECT seq FROM log WHERE jobId = ?)', [
    jobId,
  ])
  for (const table of [...appendOnly, 'act', 'guest'])
    await manager.query(`DELETE FROM ${table} WHERE jobId = ?`, [jobId])
  await manager.query('DELETE FROM job WHERE id = ?', [jobId])
  await manager.query(
    'INSERT OR REPLACE INTO deleted (jobId, number, at, "by", reason) VALUES (?, ?, ?, ?, ?)',
    [jobId, number, at, by, reason],
  )
  const content = deletedText({ number, at, by, reason })
  await writeDown(manager, at, { what: 'deleted', jobId, item: '', content })
  const orphans: string[] = []
  for (const hash of named) {
    if (await isNamed(manager, hash)) continue
    await manager.query('DELETE FROM evidence WHERE hash = ?', [hash])
    orphans.push(hash)
  }
  for (const { sql } of triggers) await manager.query(sql)
  return orphans
}

export const listDeleted = (manager: EntityManager): Promise<DeletedJob[]> =>
  manager.query('SELECT jobId AS id, number, at, "by", reason FROM deleted ORDER BY at DESC')

async function expectNoTestRuns(manager: EntityManager, jobId: string): Promise<void> {
  const records = await manager.query<RecordColumns[]>(
    `SELECT kind, body FROM record WHERE jobId = ? AND kind IN ('test-begun', 'test-ended')`,
    [jobId],
  )
  const ended = new Set(endedTests(records))
  const begun = records.flatMap(({ kind, body }) => (kind === 'test-begun' ? testIdIn(body) : []))
  if (begun.some((testId) => !ended.has(testId)))
    throw new Refusal('test-running', 'A test of this job is still running. End it first.')
}

async function evidenceOf(manager: EntityManager, jobId: string): Promise<ReadonlySet<string>> {
  const texts = await manager.query<{ text: string }[]>(
    `SELECT draft AS text FROM job WHERE id = ? UNION ALL SELECT body FROM record WHERE jobId = ?
     UNION ALL SELECT document FROM revision WHERE jobId = ?`,
    [jobId, jobId, jobId],
  )
  const found = new Set<string>()
  for (const { text } of texts)
    try {
      for (const { hash } of evidenceNamed(JSON.parse(text))) found.add(hash)
    } catch {
      // What cannot be read names nothing that could be told.
    }
  return found
}

async function isNamed(manager: EntityManager, hash: string): Promise<boolean> {
  const like = `%${hash}%`
  const rows = await manager.query<unknown[]>(
    `SELECT 1 FROM job WHERE draft LIKE ? UNION ALL SELECT 1 FROM record WHERE body LIKE ?
     UNION ALL SELECT 1 FROM revision WHERE document LIKE ? LIMIT 1`,
    [like, like, like],
  )
  return rows.length > 0
}

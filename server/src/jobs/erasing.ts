import { evidenceNamed } from '@hestian/core'
import type { EntityManager } from 'typeorm'
import { Refusal } from '../app/refusal'
import type { RecordColumns } from '../db/changeLog'
import { endedTests, testIdIn } from '../db/theLog'

// What deleting a job and erasing somebody in it share.

/** The tables refuse every change of what was appended but what is done in here. */
export async function pastAppendOnly<T>(
  manager: EntityManager,
  work: () => Promise<T>,
): Promise<T> {
  const triggers = await manager.query<{ name: string; sql: string }[]>(
    `SELECT name, sql FROM sqlite_master WHERE type = 'trigger' AND tbl_name IN ('record', 'sample', 'revision', 'evidence')`,
  )
  for (const { name } of triggers) await manager.query(`DROP TRIGGER ${name}`)
  const result = await work()
  for (const { sql } of triggers) await manager.query(sql)
  return result
}

/**
 * Takes the rows of photographs and papers that nothing names any more; gives their hashes, since
 * the files are the caller's to remove.
 */
export async function forgetUnnamed(
  manager: EntityManager,
  hashes: Iterable<string>,
): Promise<readonly string[]> {
  const orphans: string[] = []
  for (const hash of hashes) {
    if (await isNamed(manager, hash)) continue
    await manager.query('DELETE FROM evidence WHERE hash = ?', [hash])
    orphans.push(hash)
  }
  return orphans
}

/** Nothing is taken out of a job while a test of it runs. */
export async function expectNoTestRuns(manager: EntityManager, jobId: string): Promise<void> {
  if (await hasRunningTest(manager, jobId))
    throw new Refusal('test-running', 'A test of this job is still running. End it first.')
}

export async function hasRunningTest(manager: EntityManager, jobId: string): Promise<boolean> {
  const records = await manager.query<RecordColumns[]>(
    `SELECT kind, body FROM record WHERE jobId = ? AND kind IN ('test-begun', 'test-ended')`,
    [jobId],
  )
  const ended = new Set(endedTests(records))
  return records.some(
    ({ kind, body }) =>
      kind === 'test-begun' && testIdIn(body).some((testId) => !ended.has(testId)),
  )
}

/** The photographs and papers that a job names, in its draft, its records and its revisions. */
export async function evidenceOf(
  manager: EntityManager,
  jobId: string,
): Promise<ReadonlySet<string>> {
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

import type { DeletedJob } from '@hestian/core'
import type { EntityManager } from 'typeorm'
import { deletedText, writeDown } from '../db/changeLog'
import { evidenceOf, expectNoTestRuns, forgetUnnamed, pastAppendOnly } from './erasing'

const appendOnly = ['record', 'sample', 'revision'] as const

interface Deleting {
  readonly jobId: string
  readonly number: string
  readonly at: string
  readonly by: string
  readonly reason: string
}

/**
 * Takes a job out of the tables with everything of it, in the transaction given; its number, who
 * did it, when and why stay. Gives the hashes of photographs and papers that no other job names:
 * their rows are gone too, their files are the caller's to remove.
 */
export async function deleteJob(
  manager: EntityManager,
  deleting: Deleting,
): Promise<readonly string[]> {
  const { jobId, number, at, by, reason } = deleting
  await expectNoTestRuns(manager, jobId)
  const named = await evidenceOf(manager, jobId)
  return pastAppendOnly(manager, async () => {
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
    return forgetUnnamed(manager, named)
  })
}

export const listDeleted = (manager: EntityManager): Promise<DeletedJob[]> =>
  manager.query('SELECT jobId AS id, number, at, "by", reason FROM deleted ORDER BY at DESC')

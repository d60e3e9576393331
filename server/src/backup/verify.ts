import { JobFile, JobState } from '@hestian/core'
import { checkDatabase } from '../db/checkDatabase'
import { openReader } from '../db/database'
import { EvidenceFiles } from '../evidence/evidenceFiles'
import { JobReader } from '../jobs/jobReader'
import { faultsOfLog } from './verifyLog'

export interface Verified {
  readonly jobs: number
  readonly evidence: number
  /** A sentence for everything that is not as it should be. */
  readonly faults: readonly string[]
}

/**
 * Reads everything of a data folder: every page of the database, every job as a page and as a file
 * would need it, the log of changes and whether what is stored is what it says, every photograph
 * and paper. Changes nothing, and may be run beside a server. Throws `UnusableFolder` where the
 * database itself is damaged.
 */
export async function verify(dataFolder: string): Promise<Verified> {
  checkDatabase(dataFolder, 'full')
  const db = await openReader(dataFolder)
  try {
    const ids = await db.read((manager) =>
      manager.query<{ id: string; number: string }[]>('SELECT id, number FROM job ORDER BY number'),
    )
    const jobs = new JobReader(db)
    const faults: string[] = []
    for (const { id, number } of ids) {
      const fault = await faultOfJob(jobs, id)
      if (fault) faults.push(`Job ${number} cannot be read: ${fault}`)
    }
    const hashes = await db.read((manager) =>
      manager.query<{ hash: string }[]>('SELECT hash FROM evidence ORDER BY hash'),
    )
    faults.push(...(await faultsOfLog(db)))
    const files = new EvidenceFiles(dataFolder)
    for (const { hash } of hashes)
      if ((await files.read(hash)) === undefined)
        faults.push(
          `The photograph or paper ${hash} is ${files.has(hash) ? 'damaged' : 'missing'}. Adding it again heals it.`,
        )
    return { jobs: ids.length, evidence: hashes.length, faults }
  } finally {
    await db.close()
  }
}

async function faultOfJob(jobs: JobReader, id: string): Promise<string | undefined> {
  try {
    const state = JobState.safeParse(await jobs.state(id))
    if (!state.success) return firstOf(state.error)
    const file = JobFile.safeParse(await jobs.exportFile(id, []))
    return file.success ? undefined : firstOf(file.error)
  } catch (error) {
    return error instanceof Error ? error.message : String(error)
  }
}

const firstOf = ({
  issues,
}: {
  readonly issues: readonly { path: PropertyKey[]; message: string }[]
}) => `${issues[0]?.path.join('.')}: ${issues[0]?.message}`

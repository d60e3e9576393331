import { workerData } from 'node:worker_threads'
import { Refusal } from '../app/refusal'
import { openReader } from '../db/database'
import type { Answered, Asked } from './pool'
import { makeTasks } from './tasks'

const { dataFolder } = workerData as { readonly dataFolder: string }
const tasks = makeTasks(await openReader(dataFolder), dataFolder)

/**
 * A worker thread: does one task after the other, on a database connection of its own that cannot
 * write.
 */
export default async function work({ task, input }: Asked): Promise<Answered> {
  try {
    const run = tasks[task] as (input: unknown) => Promise<unknown>
    return { ok: true, value: await run(input) }
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, code: error.code, says: error.message }
    throw error
  }
}

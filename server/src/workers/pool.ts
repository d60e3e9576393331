import { availableParallelism } from 'node:os'
import Piscina from 'piscina'
import type { RefusalCode } from '@hestian/core'
import { Refusal } from '../app/refusal'
import { turnstile } from '../app/turnstile'
import type { Tasks } from './tasks'

export type TaskName = keyof Tasks

/**
 * How long a task may take before it is given up, ms: what somebody waits for at a button, and a
 * pack.
 */
export const patience_ms: Readonly<Record<TaskName, number>> = {
  summary: 20_000,
  papers: 20_000,
  judged: 20_000,
  lookAt: 20_000,
  handover: 90_000,
  held: 90_000,
  jobTables: 30_000,
  firmTables: 90_000,
  inspection: 90_000,
  labels: 90_000,
  visits: 30_000,
  backup: 1_800_000,
  record: 90_000,
  unsafe: 90_000,
  test: 90_000,
  handTest: 90_000,
}

/** What a worker answers: errors lose their class on the way, so a refusal crosses as data. */
export type Answered =
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly code: RefusalCode; readonly says: string }

export interface Asked {
  readonly task: TaskName
  readonly input: unknown
}

export interface WorkerPool {
  readonly tasks: Tasks
  readonly close: () => Promise<void>
}

/**
 * Runs the tasks in worker threads from the built bundle: one thread for what somebody waits for at
 * a button, the other cores for printing. A task that takes too long, or brings its thread down, is
 * answered with a sentence; its thread is replaced.
 */
export function startPool(
  workerFile: string,
  dataFolder: string,
  patience = patience_ms,
  complain: (error: unknown) => void = console.error,
): WorkerPool {
  const open = (most: number, least = 1): Threads => {
    const threads = new Piscina({
      filename: workerFile,
      workerData: { dataFolder },
      minThreads: least,
      maxThreads: most,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: 1024 },
    })
    // A thread that dies between tasks is replaced by itself; unheard, its last word would end this
    // process.
    threads.on('error', complain)
    return { threads, inTurn: turnstile(most) }
  }
  const atButton = open(1)
  // Minutes for a large firm: nobody's paper waits behind it.
  const keeping = open(1, 0)
  const printing = open(Math.max(1, availableParallelism() - 1))
  const run =
    ({ threads, inTurn }: Threads, task: TaskName) =>
    (input: unknown): Promise<never> =>
      // Waiting behind others is not taking too long: the clock runs once a thread is free.
      inTurn(async () => (await ask(threads, { task, input }, patience[task])) as never)
  return {
    tasks: {
      summary: run(atButton, 'summary'),
      papers: run(atButton, 'papers'),
      judged: run(atButton, 'judged'),
      lookAt: run(atButton, 'lookAt'),
      handover: run(printing, 'handover'),
      inspection: run(printing, 'inspection'),
      labels: run(printing, 'labels'),
      visits: run(printing, 'visits'),
      held: run(printing, 'held'),
      jobTables: run(printing, 'jobTables'),
      firmTables: () => run(printing, 'firmTables')(undefined),
      backup: run(keeping, 'backup'),
      record: run(printing, 'record'),
      unsafe: run(printing, 'unsafe'),
      test: run(printing, 'test'),
      handTest: run(printing, 'handTest'),
    },
    close: async () => {
      await Promise.all([atButton, printing, keeping].map(({ threads }) => threads.destroy()))
    },
  }
}

interface Threads {
  readonly threads: Piscina
  readonly inTurn: ReturnType<typeof turnstile>
}

async function ask(pool: Piscina, asked: Asked, most_ms: number): Promise<unknown> {
  const late = new AbortController()
  const timer = setTimeout(() => late.abort(), most_ms)
  try {
    const answered = (await pool.run(asked, { signal: late.signal })) as Answered
    if (answered.ok) return answered.value
    throw new Refusal(answered.code, answered.says)
  } catch (error) {
    if (late.signal.aborted)
      throw new Refusal(
        'took-too-long',
        'Computing this took longer than is allowed, and was given up. Nothing is lost; try again, and if it stays so, make the job smaller.',
      )
    if (isOutOfMemory(error))
      throw new Refusal(
        'took-too-long',
        'Computing this needed more memory than is allowed, and was given up. Nothing is lost; make the job smaller.',
      )
    throw error
  } finally {
    clearTimeout(timer)
  }
}

const isOutOfMemory = (error: unknown): boolean =>
  (error as { code?: unknown } | null)?.code === 'ERR_WORKER_OUT_OF_MEMORY'

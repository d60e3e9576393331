import type {
  Held,
  JobState,
  Judgement,
  KeptBackup,
  PaperDue,
  PaperId,
  Summary,
} from '@hestian/core'
import { JobState as JobStateSchema, papersOf, summaryOf } from '@hestian/core'
import { Refusal } from '../app/refusal'
import { makeTriedBackup } from '../backup/keeper'
import type { DatabaseReader } from '../db/database'
import { EvidenceFiles } from '../evidence/evidenceFiles'
import type { Looked } from '../evidence/lookAtFile'
import { lookAtFile } from '../evidence/lookAtFile'
import type { EvidenceType } from '../evidence/typeOfBytes'
import type { LabelsAsked } from '../pack/labelSheet'
import { visitsCalendar } from '../pack/visitsCalendar'
import { JobReader } from '../jobs/jobReader'
import { judged } from '../jobs/judged'
import { findHeld } from '../people/findHeld'
import { listPeople } from '../people/peopleStore'
import type { Table } from '../tables/csv'
import { csvOf } from '../tables/csv'
import { firmTables } from '../tables/firmTables'
import { jobTables } from '../tables/jobTables'
import type { WrittenTable } from '../tables/tableRoutes'
import {
  printHandover,
  printHandTest,
  printInspection,
  printLabels,
  printRecord,
  printTest,
  printUnsafe,
} from '../pack/print'

/** What a signature or a test needs of a job that was judged again. */
export interface JudgedJob {
  readonly state: Pick<JobState, 'document' | 'saveNumber' | 'frozen'>
  readonly judgement: Judgement
}

export interface Printing {
  readonly jobId: string
  readonly printedAt: string
}

/**
 * The heavy work of the server, by name: what goes in and what comes out crosses to a worker, so
 * both are plain data.
 */
export interface Tasks {
  readonly summary: (jobId: string) => Promise<Summary>
  readonly judged: (jobId: string) => Promise<JudgedJob>
  /** The papers of the pack, each as it stands. */
  readonly papers: (jobId: string) => Promise<readonly PaperDue[]>
  readonly handover: (
    printing: Printing & { readonly papers: readonly PaperId[] },
  ) => Promise<Uint8Array>
  /** What is stored of somebody, by the words that name them. */
  readonly held: (asked: { readonly words: string; readonly at: string }) => Promise<Held>
  /** What of a job, and of the firm, is a table: as CSV. */
  readonly jobTables: (jobId: string) => Promise<readonly WrittenTable[]>
  readonly firmTables: () => Promise<readonly WrittenTable[]>
  /** Made and tried. */
  readonly backup: (asked: { readonly askedAs: string; readonly at: string }) => Promise<KeptBackup>
  /** As an iCalendar text. */
  readonly visits: (printing: Printing) => Promise<string>
  readonly labels: (printing: Printing & LabelsAsked) => Promise<Uint8Array>
  readonly inspection: (printing: Printing) => Promise<Uint8Array>
  readonly record: (printing: Printing) => Promise<Uint8Array>
  readonly unsafe: (printing: Printing & { readonly unsafeId: string }) => Promise<Uint8Array>
  readonly test: (printing: Printing & { readonly testId: string }) => Promise<Uint8Array>
  readonly handTest: (printing: Printing & { readonly recordId: string }) => Promise<Uint8Array>
  readonly lookAt: (file: { bytes: Uint8Array; type: EvidenceType }) => Promise<Looked>
}

/** The tasks themselves, reading what is committed. */
export function makeTasks(db: DatabaseReader, dataFolder: string): Tasks {
  const jobs = new JobReader(db)
  const files = new EvidenceFiles(dataFolder)
  return {
    summary: async (jobId) => summaryOf(readable(await jobs.state(jobId))),
    judged: async (jobId) => {
      const state = await jobs.state(jobId)
      const { document, saveNumber, frozen } = state
      return { state: { document, saveNumber, frozen }, judgement: judged(state).judgement }
    },
    papers: async (jobId) => {
      const state = await jobs.state(jobId)
      const { solution, judgement } = judged(state)
      return papersOf(solution, judgement, state.records)
    },
    handover: (printing) => printHandover({ db, jobs, files }, printing),
    held: ({ words, at }) => findHeld(db, words, at),
    jobTables: async (jobId) => {
      const state = await jobs.state(jobId)
      const people = await listPeople(db)
      return written(jobTables({ state, ...judged(state), people }))
    },
    firmTables: async () => written(await firmTables(db)),
    backup: (asked) => makeTriedBackup(dataFolder, asked),
    visits: async ({ jobId, printedAt }) => {
      const state = await jobs.state(jobId)
      return visitsCalendar(state, judged(state).judgement, printedAt)
    },
    labels: (printing) => printLabels({ db, jobs }, printing),
    inspection: (printing) => printInspection({ db, jobs, files }, printing),
    record: (printing) => printRecord({ db, jobs }, printing),
    unsafe: (printing) => printUnsafe({ db, jobs }, printing),
    test: (printing) => printTest({ db, jobs }, printing),
    handTest: (printing) => printHandTest({ db, jobs }, printing),
    lookAt: ({ bytes, type }) => lookAtFile(Buffer.from(bytes), type),
  }
}

/**
 * The tasks run here, with what goes in and comes out copied as it is to and from a thread: what
 * could not cross fails here too.
 */
export const carried = (tasks: Tasks): Tasks =>
  Object.fromEntries(
    Object.entries(tasks).map(([name, run]: [string, (input: never) => Promise<unknown>]) => [
      name,
      async (input: never) => structuredClone(await run(structuredClone(input))),
    ]),
  ) as unknown as Tasks

const written = (tables: readonly Table[]): readonly WrittenTable[] =>
  tables.map((table) => ({ name: table.name, csv: csvOf(table) }))

/**
 * What is stored was checked when it came; looked at once more, so that the board can name a job
 * that went bad on the disk.
 */
function readable(state: JobState): JobState {
  const read = JobStateSchema.safeParse(state)
  if (read.success) return state
  const [issue] = read.error.issues
  throw new Refusal(
    'job-unreadable',
    `What is stored of this job cannot be read (${issue?.path.join(' ')}: ${issue?.message}). The other jobs are not touched. Restore it from a backup.`,
  )
}

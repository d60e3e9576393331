import type { JobFile } from '@hestian/core'
import type { DatabaseReader } from '../db/database'
import type { EvidenceFiles } from '../evidence/evidenceFiles'
import { printable } from '../evidence/lookAtFile'
import type { JobReader } from '../jobs/jobReader'
import { judged } from '../jobs/judged'
import { listPeople } from '../people/peopleStore'
import { handoverSheet } from './handoverSheet'
import { inspectionReport } from './inspectionReport'
import { printPdf } from './printPdf'

interface Printing {
  readonly jobId: string
  readonly printedAt: string
}

/** The handover sheet as a PDF, with the job's own file inside it. */
export async function printHandover(
  { db, jobs }: { readonly db: DatabaseReader; readonly jobs: JobReader },
  { jobId, printedAt }: Printing,
): Promise<Uint8Array> {
  const people = await listPeople(db)
  const state = await jobs.state(jobId)
  const file = await jobs.exportFile(jobId, people as JobFile['people'])
  const sheet = handoverSheet({ state, ...judged(state), people, printedAt })
  return printPdf(sheet, { name: `hestian-job-${state.number}.json`, text: JSON.stringify(file) })
}

/** The report of an inspection as a PDF, with its photographs. */
export async function printInspection(
  parts: { readonly db: DatabaseReader; readonly jobs: JobReader; readonly files: EvidenceFiles },
  { jobId, printedAt }: Printing,
): Promise<Uint8Array> {
  const people = await listPeople(parts.db)
  const state = await parts.jobs.state(jobId)
  const { solution, judgement } = judged(state)
  const pictures = new Map<string, string>()
  for (const seen of Object.values(judgement.inspected))
    for (const photo of seen.body.photos ?? []) {
      const bytes =
        photo.type === 'application/pdf' ? undefined : await parts.files.read(photo.hash)
      // One that went bad since is left out; the report says that it is not there.
      const image = bytes && (await printable(bytes).catch(() => undefined))
      if (image) pictures.set(photo.hash, `data:image/jpeg;base64,${image.toString('base64')}`)
    }
  return printPdf(inspectionReport({ state, solution, judgement, people, printedAt }, pictures))
}

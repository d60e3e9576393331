import type { Evidence, PaperId } from '@hestian/core'
import { headOf } from '../db/changeLog'
import type { DatabaseReader } from '../db/database'
import type { EvidenceFiles } from '../evidence/evidenceFiles'
import { printable } from '../evidence/lookAtFile'
import { fileAlone } from '../jobs/fileAlone'
import type { JobReader } from '../jobs/jobReader'
import { judged } from '../jobs/judged'
import { asFiled, listPeople } from '../people/peopleStore'
import { handTestCertificate } from './handTestCertificate'
import { handoverSheet } from './handoverSheet'
import { inspectionReport } from './inspectionReport'
import type { LabelsAsked } from './labelSheet'
import { labelSheet } from './labelSheet'
import type { HandoverFacts } from './paper'
import { photographsOf } from './papers/photographs'
import { printPdf } from './printPdf'
import { testCertificate } from './testCertificate'
import { unsafePaper } from './unsafePaper'
import { workRecord } from './workRecord'

interface Printing {
  readonly jobId: string
  readonly printedAt: string
}

interface From {
  readonly db: DatabaseReader
  readonly jobs: JobReader
}

async function factsOf({ db, jobs }: From, { jobId, printedAt }: Printing): Promise<HandoverFacts> {
  const people = await listPeople(db)
  const state = await jobs.state(jobId)
  const letter = state.revisions.findLast(
    (one) => one.signed && one.letter !== state.frozen,
  )?.letter
  const before = letter && (await jobs.revision(jobId, letter))
  const chain = await db.read(headOf)
  return { state, ...judged(state), people, printedAt, chain, ...(before ? { before } : {}) }
}

/** A small job's record on one page, with the job's own file inside it. */
export async function printRecord(from: From, printing: Printing): Promise<Uint8Array> {
  const facts = await factsOf(from, printing)
  const file = await from.jobs.exportFile(printing.jobId, asFiled(facts.people))
  const name = `hestian-job-${facts.state.number}.json`
  return printPdf(workRecord(facts), { name, text: JSON.stringify(fileAlone(file)) })
}

/** The paper of one unsafe situation. */
export const printUnsafe = async (
  from: From,
  { unsafeId, ...printing }: Printing & { readonly unsafeId: string },
): Promise<Uint8Array> => printPdf(unsafePaper(await factsOf(from, printing), unsafeId))

/** The certificate of one test. */
export const printTest = async (
  from: From,
  { testId, ...printing }: Printing & { readonly testId: string },
): Promise<Uint8Array> => printPdf(testCertificate(await factsOf(from, printing), testId))

/** The certificate of one test by hand. */
export const printHandTest = async (
  from: From,
  { recordId, ...printing }: Printing & { readonly recordId: string },
): Promise<Uint8Array> => printPdf(handTestCertificate(await factsOf(from, printing), recordId))

/**
 * Papers of the pack as a PDF, all that are due where none is named, with the job's own file inside
 * it.
 */
export async function printHandover(
  from: From & { readonly files: EvidenceFiles },
  { papers, ...printing }: Printing & { readonly papers: readonly PaperId[] },
): Promise<Uint8Array> {
  const facts = await factsOf(from, printing)
  const file = await from.jobs.exportFile(printing.jobId, asFiled(facts.people))
  const name = `hestian-job-${facts.state.number}.json`
  const shown =
    papers.length === 0 || papers.includes('photographs') ? photographsOf(facts.state) : []
  const sheet = handoverSheet(facts, papers, await picturesOf(from.files, shown))
  return printPdf(sheet, { name, text: JSON.stringify(fileAlone(file)) })
}

/**
 * Pictures as a paper takes them. One that went bad since is left out; the paper says that it is
 * not there.
 */
async function picturesOf(
  files: EvidenceFiles,
  photos: readonly Evidence[],
): Promise<ReadonlyMap<string, string>> {
  const pictures = new Map<string, string>()
  for (const photo of photos) {
    const bytes = photo.type === 'application/pdf' ? undefined : await files.read(photo.hash)
    const image = bytes && (await printable(bytes).catch(() => undefined))
    if (image) pictures.set(photo.hash, `data:image/jpeg;base64,${image.toString('base64')}`)
  }
  return pictures
}

/** Labels for what stands there. */
export const printLabels = async (
  from: From,
  { jobId, printedAt, ...asked }: Printing & LabelsAsked,
): Promise<Uint8Array> => printPdf(labelSheet(await factsOf(from, { jobId, printedAt }), asked))

/** The report of an inspection as a PDF, with its photographs. */
export async function printInspection(
  parts: From & { readonly files: EvidenceFiles },
  printing: Printing,
): Promise<Uint8Array> {
  const facts = await factsOf(parts, printing)
  const photos = Object.values(facts.judgement.inspected).flatMap(({ body }) => body.photos ?? [])
  return printPdf(inspectionReport(facts, await picturesOf(parts.files, photos)))
}

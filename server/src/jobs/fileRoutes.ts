import { createReadStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import {
  DeletedJob,
  DeleteJob,
  ImportedJob,
  JobFile,
  JobParams,
  Refused,
  upgradeFile,
} from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import { lets } from '../people/gate'
import { Refusal } from '../app/refusal'
import type { EvidenceStore } from '../evidence/evidenceStore'
import type { PeopleStore } from '../people/peopleStore'
import { asFiled } from '../people/peopleStore'
import { fileAlone } from './fileAlone'
import { readJobZip, receiveZip, writeJobZip } from './jobZip'
import type { JobStore } from './jobStore'

/** A job file may be so large, bytes: as text, and as an archive with its photographs. */
export const largestJobFile = 64 * 1024 * 1024
export const largestJobZip = 512 * 1024 * 1024

interface Parts {
  readonly jobs: JobStore
  readonly people: PeopleStore
  readonly evidence: EvidenceStore
  readonly clock: Clock
  /** What a limit per address is put on. */
  readonly limits: { readonly import: object }
}

const refused = {
  400: Refused,
  404: Refused,
  409: Refused,
  413: Refused,
  422: Refused,
  429: Refused,
  507: Refused,
}

/** Whole jobs, out and in: the text alone, or an archive with its photographs and papers. */
export const fileRoutes: FastifyPluginAsyncZod<Parts> = async (
  app,
  { jobs, people, evidence, clock, limits },
) => {
  const fileOf = async (jobId: string): Promise<JobFile> =>
    jobs.exportFile(jobId, asFiled(await people.list()))

  await app.register(deletion, { jobs, evidence })

  app.addContentTypeParser('application/zip', (_request, payload, done) => {
    receiveZip(payload, largestJobZip).then((path) => done(null, { path }), done)
  })

  app.get(
    '/jobs/:jobId/export',
    { ...lets('read'), schema: { params: JobParams, response: { 200: JobFile, ...refused } } },
    async (request, reply) => {
      const file = await fileOf(request.params.jobId)
      return reply
        .header('content-disposition', `attachment; filename="hestian-job-${file.number}.json"`)
        .send(fileAlone(file))
    },
  )

  app.get(
    '/jobs/:jobId/export.zip',
    { ...lets('read'), schema: { params: JobParams, response: refused } },
    async (request, reply) => {
      const file = await fileOf(request.params.jobId)
      const path = await writeJobZip(file, evidence)
      const stream = createReadStream(path)
      stream.on('close', () => void rm(path, { force: true }))
      return reply
        .header('content-type', 'application/zip')
        .header('content-disposition', `attachment; filename="hestian-job-${file.number}.zip"`)
        .send(stream as never)
    },
  )

  app.post(
    '/import',
    {
      bodyLimit: largestJobFile,
      config: { lets: 'file', ...limits.import },
      schema: { body: z.unknown(), response: { 201: ImportedJob, ...refused } },
    },
    async (request, reply) => {
      const { body } = request
      const zipPath = (body as { path?: string } | null)?.path
      const fromZip =
        typeof zipPath === 'string' && request.headers['content-type'] === 'application/zip'
      const file = fromZip ? await takeZip(zipPath, evidence) : jobFileOf(body)
      return reply.code(201).send(await jobs.importFile(file, clock.now()))
    },
  )
}

/** A job file that is understood, of whatever earlier version; refused with where it is not. */
function jobFileOf(raw: unknown): JobFile {
  const file = JobFile.safeParse(upgradeFile(raw))
  if (file.success) return file.data
  const where = file.error.issues
    .slice(0, 2)
    .map((issue) => `${issue.path.join('.') || 'the file'}: ${issue.message}`)
    .join('; ')
  throw new Refusal(
    'not-a-job-file',
    `This is not a job exported from Hestian (${where}). Nothing was changed.`,
  )
}

/**
 * The job in an archive, after its photographs and papers are kept: a job never names what is not
 * here.
 */
async function takeZip(path: string, evidence: EvidenceStore): Promise<JobFile> {
  try {
    const { job, files } = await readJobZip(path, largestJobFile)
    const file = jobFileOf(job)
    for (const { hash, read } of files) await evidence.put(hash, await read())
    return file
  } finally {
    await rm(path, { force: true })
  }
}

/** A job deleted for good by the owner, and the list of those that were. */
const deletion: FastifyPluginAsyncZod<Pick<Parts, 'jobs' | 'evidence'>> = async (
  app,
  { jobs, evidence },
) => {
  app.post(
    '/jobs/:jobId/delete',
    {
      ...lets('firm'),
      schema: {
        params: JobParams,
        body: DeleteJob,
        response: { 200: z.object({}), 401: Refused, 403: Refused, ...refused },
      },
    },
    async ({ params, body }) => {
      await evidence.forget(await jobs.remove(params.jobId, body))
      return {}
    },
  )

  app.get(
    '/deleted-jobs',
    { ...lets('read'), schema: { response: { 200: z.array(DeletedJob), 401: Refused } } },
    () => jobs.deleted(),
  )
}

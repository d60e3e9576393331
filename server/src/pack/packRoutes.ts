import {
  HandTestParams,
  JobParams,
  PapersAsked,
  Refused,
  TestParams,
  UnsafeParams,
} from '@hestian/core'
import type { FastifyReply } from 'fastify'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import type { Clock } from '../app/parts'
import type { JobStore } from '../jobs/jobStore'
import type { Tasks } from '../workers/tasks'

const refused = { 404: Refused, 422: Refused, 503: Refused }

interface Parts {
  jobs: JobStore
  tasks: Tasks
  clock: Clock
}

/** Papers as PDF, printed beside the requests. */
export const packRoutes: FastifyPluginAsyncZod<Parts> = async (app, { jobs, tasks, clock }) => {
  const papers = [
    { name: 'inspection', print: tasks.inspection },
    { name: 'record', print: tasks.record },
  ] as const
  for (const { name, print } of papers)
    app.get(
      `/jobs/:jobId/${name}.pdf`,
      { schema: { params: JobParams, response: refused } },
      async (request, reply) => {
        const { jobId } = request.params
        const { number, frozen } = await jobs.heading(jobId)
        const pdf = await print({ jobId, printedAt: clock.now() })
        const state = name === 'inspection' ? '' : `-${frozen ?? 'draft'}`
        return sendPdf(reply, `${name}-${number}${state}`, pdf)
      },
    )

  await app.register(handoverRoute, { jobs, tasks, clock })

  app.get(
    '/jobs/:jobId/tests/:testId/certificate.pdf',
    { schema: { params: TestParams, response: refused } },
    async (request, reply) => {
      const { jobId, testId } = request.params
      const { number } = await jobs.heading(jobId)
      const pdf = await tasks.test({ jobId, testId, printedAt: clock.now() })
      return sendPdf(reply, `test-${number}`, pdf)
    },
  )

  app.get(
    '/jobs/:jobId/hand-tests/:recordId/certificate.pdf',
    { schema: { params: HandTestParams, response: refused } },
    async (request, reply) => {
      const { jobId, recordId } = request.params
      const { number } = await jobs.heading(jobId)
      const pdf = await tasks.handTest({ jobId, recordId, printedAt: clock.now() })
      return sendPdf(reply, `test-${number}`, pdf)
    },
  )

  app.get(
    '/jobs/:jobId/unsafe/:unsafeId.pdf',
    { schema: { params: UnsafeParams, response: refused } },
    async (request, reply) => {
      const { jobId, unsafeId } = request.params
      const { number } = await jobs.heading(jobId)
      const pdf = await tasks.unsafe({ jobId, unsafeId, printedAt: clock.now() })
      return sendPdf(reply, `unsafe-${number}`, pdf)
    },
  )
}

/** The papers of the pack, one, some or all that are due. */
const handoverRoute: FastifyPluginAsyncZod<Parts> = async (app, { jobs, tasks, clock }) => {
  app.get(
    '/jobs/:jobId/handover.pdf',
    { schema: { params: JobParams, querystring: PapersAsked, response: refused } },
    async (request, reply) => {
      const { jobId } = request.params
      const { number, frozen } = await jobs.heading(jobId)
      const papers = request.query.papers ?? []
      const pdf = await tasks.handover({ jobId, papers, printedAt: clock.now() })
      const [only] = papers
      const name = papers.length === 1 && only ? only : 'handover'
      return sendPdf(reply, `${name}-${number}-${frozen ?? 'draft'}`, pdf)
    },
  )
}

const sendPdf = (reply: FastifyReply, name: string, pdf: Uint8Array) =>
  reply
    .header('content-type', 'application/pdf')
    .header('content-disposition', `inline; filename="${name}.pdf"`)
    .send(Buffer.from(pdf))

import {
  HandTestParams,
  JobParams,
  LabelsQuery,
  PapersAsked,
  Refused,
  TestParams,
  UnsafeParams,
} from '@hestian/core'
import type { FastifyReply } from 'fastify'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import type { Clock } from '../app/parts'
import { lets } from '../people/gate'
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
      { ...lets('read'), schema: { params: JobParams, response: refused } },
      async (request, reply) => {
        const { jobId } = request.params
        const { number, frozen } = await jobs.heading(jobId)
        const pdf = await print({ jobId, printedAt: clock.now() })
        const state = name === 'inspection' ? '' : `-${frozen ?? 'draft'}`
        return sendPdf(reply, `${name}-${number}${state}`, pdf)
      },
    )

  await app.register(handoverRoute, { jobs, tasks, clock })
  await app.register(besideThePack, { jobs, tasks, clock })

  app.get(
    '/jobs/:jobId/tests/:testId/certificate.pdf',
    { ...lets('read'), schema: { params: TestParams, response: refused } },
    async (request, reply) => {
      const { jobId, testId } = request.params
      const { number } = await jobs.heading(jobId)
      const pdf = await tasks.test({ jobId, testId, printedAt: clock.now() })
      return sendPdf(reply, `test-${number}`, pdf)
    },
  )

  app.get(
    '/jobs/:jobId/hand-tests/:recordId/certificate.pdf',
    { ...lets('read'), schema: { params: HandTestParams, response: refused } },
    async (request, reply) => {
      const { jobId, recordId } = request.params
      const { number } = await jobs.heading(jobId)
      const pdf = await tasks.handTest({ jobId, recordId, printedAt: clock.now() })
      return sendPdf(reply, `test-${number}`, pdf)
    },
  )

  app.get(
    '/jobs/:jobId/unsafe/:unsafeId.pdf',
    { ...lets('read'), schema: { params: UnsafeParams, response: refused } },
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
    { ...lets('read'), schema: { params: JobParams, querystring: PapersAsked, response: refused } },
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

/** Labels, and the visits for a calendar. */
const besideThePack: FastifyPluginAsyncZod<Parts> = async (app, { jobs, tasks, clock }) => {
  app.get(
    '/jobs/:jobId/labels.pdf',
    { ...lets('read'), schema: { params: JobParams, querystring: LabelsQuery, response: refused } },
    async (request, reply) => {
      const { jobId } = request.params
      const { sheet, from, only } = request.query
      const { number } = await jobs.heading(jobId)
      const asked = { sheet, from, only: only ?? [] }
      const pdf = await tasks.labels({ jobId, printedAt: clock.now(), ...asked })
      return sendPdf(reply, `labels-${number}`, pdf)
    },
  )

  app.get(
    '/jobs/:jobId/visits.ics',
    { ...lets('read'), schema: { params: JobParams, response: refused } },
    async (request, reply) => {
      const { jobId } = request.params
      const { number } = await jobs.heading(jobId)
      const text = await tasks.visits({ jobId, printedAt: clock.now() })
      return sendFile(reply, {
        type: 'text/calendar; charset=utf-8',
        disposition: `attachment; filename="visits-${number}.ics"`,
        bytes: Buffer.from(text),
      })
    },
  )
}

interface Sent {
  readonly type: string
  readonly disposition: string
  readonly bytes: Buffer
}
const sendFile = (reply: FastifyReply, { type, disposition, bytes }: Sent) =>
  reply.header('content-type', type).header('content-disposition', disposition).send(bytes)

export const sendPdf = (reply: FastifyReply, name: string, pdf: Uint8Array) =>
  sendFile(reply, {
    type: 'application/pdf',
    disposition: `inline; filename="${name}.pdf"`,
    bytes: Buffer.from(pdf),
  })

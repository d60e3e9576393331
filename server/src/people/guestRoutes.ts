import type { GuestJob } from '@hestian/core'
import {
  GuestJob as GuestJobSchema,
  GuestLink,
  GuestParams,
  JobParams,
  Link,
  NewGuest,
  OpenGuest,
  PapersAsked,
  Refused,
} from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import type { Database } from '../db/database'
import type { JobStore } from '../jobs/jobStore'
import { sendPdf } from '../pack/packRoutes'
import type { Tasks } from '../workers/tasks'
import { giveCookie, lets } from './gate'
import { GuestStore } from './guestStore'
import type { Sessions } from './sessions'

interface Parts {
  readonly db: Database
  readonly jobs: JobStore
  readonly sessions: Sessions
  readonly tasks: Tasks
  readonly clock: Clock
  readonly limit: object
}

const refused = { 400: Refused, 401: Refused, 403: Refused, 404: Refused, 503: Refused }

/** Guests of one job: links that the firm gives and takes back, and the little that they open. */
export const guestRoutes: FastifyPluginAsyncZod<Parts> = async (app, parts) => {
  const { jobs, sessions, clock, limit } = parts
  const guests = new GuestStore(parts.db, clock)

  app.get(
    '/jobs/:jobId/guests',
    {
      ...lets('file'),
      schema: { params: JobParams, response: { 200: z.array(GuestLink), ...refused } },
    },
    async ({ params }) => guests.ofJob(params.jobId),
  )

  app.post(
    '/jobs/:jobId/guests',
    {
      ...lets('file'),
      schema: { params: JobParams, body: NewGuest, response: { 201: Link, ...refused } },
    },
    async ({ params, body }, reply) => {
      await jobs.heading(params.jobId)
      return reply.code(201).send(await guests.make(params.jobId, body))
    },
  )

  app.post(
    '/jobs/:jobId/guests/:guestId/revoke',
    {
      ...lets('file'),
      schema: { params: GuestParams, response: { 200: z.object({}), ...refused } },
    },
    async ({ params: { jobId, guestId } }) => {
      await guests.revoke(jobId, guestId)
      await sessions.endAll({ guestId })
      return {}
    },
  )

  app.post(
    '/guest',
    {
      config: { lets: 'anybody', ...limit },
      schema: { body: OpenGuest, response: { 200: z.object({}), ...refused, 429: Refused } },
    },
    async (request, reply) => {
      const { id, until } = await guests.open(request.body.token)
      giveCookie(request, reply, await sessions.begin({ guestId: id }, 'a guest', until))
      return {}
    },
  )
  await app.register(whatGuestsSee, { ...parts, guests })
}

const whatGuestsSee: FastifyPluginAsyncZod<Parts & { readonly guests: GuestStore }> = async (
  app,
  { guests, jobs, tasks, clock },
) => {
  app.get(
    '/guest',
    { ...lets('guest'), schema: { response: { 200: GuestJobSchema, ...refused } } },
    async ({ session }): Promise<GuestJob> => {
      const { jobId, name: guest, until } = await guests.get(session?.guestId ?? '')
      const state = await jobs.state(jobId)
      const { site } = state.document
      const { waits } = await tasks.summary(jobId)
      const papers = await tasks.papers(jobId)
      return {
        ...{ number: state.number, name: site.name, address: site.address },
        ...{ signed: state.frozen, waits, guest, until },
        papers: papers.filter(({ due }) => due).map(({ id, name }) => ({ id, name })),
      }
    },
  )

  app.get(
    '/guest/papers.pdf',
    { ...lets('guest'), schema: { querystring: PapersAsked, response: refused } },
    async ({ session, query }, reply) => {
      const { jobId } = await guests.get(session?.guestId ?? '')
      const { number, frozen } = await jobs.heading(jobId)
      if (frozen === null)
        throw new Refusal('not-yet', 'The papers are ready when the work has been signed.')
      const pdf = await tasks.handover({
        ...{ jobId, papers: query.papers ?? [], printedAt: clock.now() },
      })
      return sendPdf(reply, `papers-${number}-${frozen}`, pdf)
    },
  )
}

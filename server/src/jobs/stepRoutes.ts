import type { SiteAct } from '@hestian/core'
import {
  BeginVisit,
  ConfirmGuard,
  Countersign,
  decide,
  EndVisit,
  JobParams,
  OffParams,
  PutBack,
  recordsOfAct,
  SignStep,
  StepParams,
  WithReason,
} from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import { lets } from '../people/gate'
import { Refusal } from '../app/refusal'
import type { PeopleStore } from '../people/peopleStore'
import type { Tasks } from '../workers/tasks'
import { actingOnce, refused } from './actOnce'
import type { JobStore } from './jobStore'

interface Parts {
  readonly jobs: JobStore
  readonly people: PeopleStore
  readonly tasks: Tasks
  readonly clock: Clock
}

interface Act {
  readonly id: string
  readonly by: string
  readonly at?: string | undefined
}

const done = { 201: z.object({}), ...refused }

/**
 * Judges an act again as it arrives, and stores what it records: as of when it was done, never
 * later than now.
 */
const taking = (parts: Parts) => {
  const { jobs } = parts
  const actOnce = actingOnce(parts)
  return (jobId: string, act: Act, what: SiteAct): Promise<void> =>
    actOnce(jobId, act, async (person, { judgement }, at) => {
      const decision = decide(judgement, person, what)
      if (!decision.ok) throw new Refusal(decision.code, decision.says)
      await jobs.append(jobId, recordsOfAct(decision, act, at))
    })
}

/** Steps on site: confirmed, signed, passed over, taken back. */
export const stepRoutes: FastifyPluginAsyncZod<Parts> = async (app, parts) => {
  const take = taking(parts)
  await app.register(countersignRoute, parts)

  app.post(
    '/jobs/:jobId/steps/:stepId/guards',
    { ...lets('site'), schema: { params: StepParams, body: ConfirmGuard, response: done } },
    async ({ params: { jobId, stepId }, body }, reply) => {
      await take(jobId, body, { do: 'guard', stepId, guardId: body.guardId })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/steps/:stepId/sign',
    { ...lets('site'), schema: { params: StepParams, body: SignStep, response: done } },
    async ({ params: { jobId, stepId }, body }, reply) => {
      await take(jobId, body, { do: 'sign', stepId, given: body })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/steps/:stepId/skip',
    { ...lets('site'), schema: { params: StepParams, body: WithReason, response: done } },
    async ({ params: { jobId, stepId }, body }, reply) => {
      await take(jobId, body, { do: 'skip', stepId, because: body.because })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/steps/:stepId/undo',
    { ...lets('site'), schema: { params: StepParams, body: WithReason, response: done } },
    async ({ params: { jobId, stepId }, body }, reply) => {
      await take(jobId, body, { do: 'undo', stepId, because: body.because })
      return reply.code(201).send({})
    },
  )
}

/** What an apprentice signed, stood up for by somebody else. */
const countersignRoute: FastifyPluginAsyncZod<Parts> = async (app, parts) => {
  const take = taking(parts)
  app.post(
    '/jobs/:jobId/steps/:stepId/countersign',
    { ...lets('countersign'), schema: { params: StepParams, body: Countersign, response: done } },
    async ({ params: { jobId, stepId }, body }, reply) => {
      await take(jobId, body, { do: 'countersign', stepId })
      return reply.code(201).send({})
    },
  )
}

/** What is off put back, and visits. */
export const visitRoutes: FastifyPluginAsyncZod<Parts> = async (app, parts) => {
  const take = taking(parts)

  app.post(
    '/jobs/:jobId/off/:offId/put-back',
    { ...lets('site'), schema: { params: OffParams, body: PutBack, response: done } },
    async ({ params: { jobId, offId }, body }, reply) => {
      await take(jobId, body, { do: 'put-back', offId })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/visits',
    { ...lets('site'), schema: { params: JobParams, body: BeginVisit, response: done } },
    async ({ params: { jobId }, body }, reply) => {
      await take(jobId, body, { do: 'visit-begin', with: body.with })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/visits/end',
    { ...lets('site'), schema: { params: JobParams, body: EndVisit, response: done } },
    async ({ params: { jobId }, body }, reply) => {
      const { done, left, staysOff } = body
      await take(jobId, body, { do: 'visit-end', end: { done, left, staysOff } })
      return reply.code(201).send({})
    },
  )
}

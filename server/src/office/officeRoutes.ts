import { Act, JobParams, noticeOf, numbered, Office, ofKind } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import { lets } from '../people/gate'
import { Refusal } from '../app/refusal'
import { actingOnce, refused } from '../jobs/actOnce'
import type { JobStore } from '../jobs/jobStore'
import type { PeopleStore } from '../people/peopleStore'
import type { Tasks } from '../workers/tasks'
import { tellOffice } from './officeLink'

interface Parts {
  readonly jobs: JobStore
  readonly people: PeopleStore
  readonly tasks: Tasks
  readonly clock: Clock
  /** Address of the registration office; none is set up without it. */
  readonly office?: string | undefined
}

/** Tells a registration office of signed work, and keeps what it answered. */
export const officeRoutes: FastifyPluginAsyncZod<Parts> = async (app, parts) => {
  const { jobs, people, clock, office } = parts
  const actOnce = actingOnce(parts)
  app.get('/office', { ...lets('read'), schema: { response: { 200: Office } } }, async () => ({
    name: office === undefined ? null : new URL(office).host,
  }))

  app.post(
    '/jobs/:jobId/notices',
    {
      ...lets('file'),
      schema: { params: JobParams, body: Act, response: { 201: z.object({}), ...refused } },
    },
    async (request, reply) => {
      const { jobId } = request.params
      const { body } = request
      if (office === undefined)
        throw new Refusal('no-office', 'No registration office is set up on this server.')
      await actOnce(jobId, body, async () => {
        const { frozen: revision, number, document, records } = await jobs.state(jobId)
        const signature = ofKind(records, 'signature').findLast(
          (one) => one.body.revision === revision,
        )
        if (revision === null || !signature)
          throw new Refusal('not-yet', 'Only signed work is notified: sign it first.')
        const signedBy = (await people.get(signature.by)).name
        const notice = noticeOf(document, {
          ...{ job: number, revision, signedBy },
          signedAt: signature.at,
        })
        // The same key however often it is sent: the office gives one number.
        const said = await tellOffice(office, `${jobId}:${revision}`, notice)
        const kept = { kind: 'notified' as const, revision, office: new URL(office).host, ...said }
        await jobs.append(jobId, numbered([kept], body, clock.now()))
      })
      return reply.code(201).send({})
    },
  )
}

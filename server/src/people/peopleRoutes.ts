import { ChangeStaff, Link, NewStaff, PersonParams, Refused, Staff } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import { lets } from './gate'
import type { PeopleStore } from './peopleStore'
import type { Sessions } from './sessions'

const refused = { 400: Refused, 401: Refused, 403: Refused, 409: Refused }
const done = { 200: z.object({}), ...refused }

/** The firm's people: read by all of them, managed by the owner. */
export const peopleRoutes: FastifyPluginAsyncZod<{
  readonly people: PeopleStore
  readonly sessions: Sessions
  readonly clock: Clock
}> = async (app, { people, sessions, clock }) => {
  app.get(
    '/people',
    { ...lets('read'), schema: { response: { 200: z.array(Staff), ...refused } } },
    () => people.list(),
  )

  app.post(
    '/people',
    { ...lets('firm'), schema: { body: NewStaff, response: { 201: z.object({}), ...refused } } },
    async ({ body }, reply) => {
      await people.create(body)
      return reply.code(201).send({})
    },
  )

  app.put(
    '/people/:personId',
    { ...lets('firm'), schema: { params: PersonParams, body: ChangeStaff, response: done } },
    async ({ params, body }) => {
      await people.set(params.personId, body)
      return {}
    },
  )

  app.post(
    '/people/:personId/invitation',
    {
      ...lets('firm'),
      schema: { params: PersonParams, response: { 201: Link, ...refused } },
    },
    async ({ params }, reply) =>
      reply.code(201).send(await people.invite(params.personId, clock.now())),
  )

  app.post(
    '/people/:personId/let-go',
    { ...lets('firm'), schema: { params: PersonParams, response: done } },
    async ({ params: { personId } }) => {
      await people.letGo(personId)
      await sessions.endAll({ personId })
      return {}
    },
  )
}

import {
  AcceptInvitation,
  ChangePassword,
  DemoSignIn,
  FirstRun,
  OpenSession,
  OwnUnits,
  PersonParams,
  Refused,
  SessionParams,
  SessionState,
  SignIn,
} from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import type { FastifyRequest } from 'fastify'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import { giveCookie, lets, takeCookie } from './gate'
import type { PeopleStore } from './peopleStore'
import type { Sessions } from './sessions'

interface Parts {
  readonly people: PeopleStore
  readonly sessions: Sessions
  readonly clock: Clock
  /** What the first owner is made with; the server prints it. */
  readonly firstCode: string
  /** Whether the demo's people come in by a press. */
  readonly isDemo: boolean
  readonly limit: object
}

const done = { 200: z.object({}), 400: Refused, 401: Refused, 403: Refused, 429: Refused }

/** The demo's door is open on this machine alone, and under no name that a proxy gives it. */
const isHere = ({ ip, host }: FastifyRequest): boolean =>
  ['127.0.0.1', '::1', '::ffff:127.0.0.1'].includes(ip) &&
  /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/.test(host)

/** What is kept of where a session comes from. */
export const cameFrom = ({ ip, headers }: FastifyRequest): string =>
  `${headers['user-agent'] ?? 'no browser'}, ${ip}`

const begin = (sessions: Sessions, request: FastifyRequest, personId: string): Promise<string> =>
  sessions.begin({ personId }, cameFrom(request))

/** In and out: the few addresses that a stranger may ask. */
export const signInRoutes: FastifyPluginAsyncZod<Parts> = async (app, parts) => {
  const { people, sessions, isDemo, limit } = parts
  const open = { lets: 'anybody', ...limit } as const
  await app.register(firstTimeRoutes, parts)

  app.get(
    '/health',
    { ...lets('anybody'), schema: { response: { 200: z.object({}) } } },
    () => ({}),
  )

  app.get(
    '/session',
    { ...lets('anybody'), schema: { response: { 200: SessionState } } },
    async (request) => {
      const { staff } = request
      const demo = isDemo && isHere(request) ? await people.list() : []
      return {
        person: staff ?? null,
        firstRun: demo.length === 0 && !staff && (await people.hasNobody()),
        demo: demo.filter(({ role }) => role !== '' && role !== 'gone'),
      }
    },
  )

  app.post(
    '/session',
    { config: open, schema: { body: SignIn, response: done } },
    async (request, reply) => {
      const { name, password } = request.body
      const personId = await people.bySignIn(name, password)
      if (!personId)
        throw new Refusal(
          'wrong-sign-in',
          'Name and password do not go together. The owner of the firm can give you a new link.',
        )
      giveCookie(request, reply, await begin(sessions, request, personId))
      return {}
    },
  )

  app.post(
    '/session/demo',
    { config: open, schema: { body: DemoSignIn, response: done } },
    async (request, reply) => {
      if (!isDemo || !isHere(request))
        throw new Refusal('link-over', 'Only a demo on this machine lets people in by a press.')
      const { id } = await people.get(request.body.personId)
      giveCookie(request, reply, await begin(sessions, request, id))
      return {}
    },
  )

  app.post('/session/end', { config: open, schema: { response: done } }, async (request, reply) => {
    const { session } = request
    if (session) await sessions.end(session.id, session.personId)
    takeCookie(request, reply)
    return {}
  })
}

/**
 * How somebody comes in for the first time: as the owner of a new firm, or by a link of the
 * owner's.
 */
const firstTimeRoutes: FastifyPluginAsyncZod<Parts> = async (app, parts) => {
  const { people, sessions, clock, firstCode, limit } = parts
  const open = { lets: 'anybody', ...limit } as const

  app.post(
    '/first-run',
    { config: open, schema: { body: FirstRun, response: done } },
    async (request, reply) => {
      const { code, name, password } = request.body
      if (code !== firstCode)
        throw new Refusal(
          'link-over',
          'That is not the code that the server printed at this start.',
        )
      giveCookie(
        request,
        reply,
        await begin(sessions, request, await people.makeOwner(name, password)),
      )
      return {}
    },
  )

  app.post(
    '/invitation',
    { config: open, schema: { body: AcceptInvitation, response: done } },
    async (request, reply) => {
      const { token, password } = request.body
      const personId = await people.accept(token, password, clock.now())
      // Whoever had the old password is out.
      await sessions.endAll({ personId })
      giveCookie(request, reply, await begin(sessions, request, personId))
      return {}
    },
  )
}

/** What is one's own: sessions, password, units. */
export const ownRoutes: FastifyPluginAsyncZod<
  Pick<Parts, 'people' | 'sessions' | 'limit'>
> = async (app, { people, sessions, limit }) => {
  app.get(
    '/sessions',
    { ...lets('self'), schema: { response: { 200: z.array(OpenSession), 401: Refused } } },
    async ({ session }) => sessions.ofPerson(session?.personId ?? '', session?.id ?? ''),
  )

  app.post(
    '/sessions/:sessionId/end',
    {
      ...lets('self'),
      schema: { params: SessionParams, response: { ...done, 404: Refused } },
    },
    async ({ params, session }) => {
      await sessions.end(params.sessionId, session?.personId ?? null)
      return {}
    },
  )

  app.put(
    '/password',
    { config: { lets: 'self', ...limit }, schema: { body: ChangePassword, response: done } },
    async ({ session, body }) => {
      const personId = session?.personId ?? ''
      await people.setPassword(personId, body)
      await sessions.endAll({ personId }, session?.id)
      return {}
    },
  )

  app.put(
    '/people/:personId/units',
    { ...lets('self'), schema: { params: PersonParams, body: OwnUnits, response: done } },
    async ({ params, body, staff }) => {
      if (params.personId !== staff?.id)
        throw new Refusal('may-not', 'The units of somebody else are theirs to choose.')
      await people.setUnits(params.personId, body)
      return {}
    },
  )
}

import type { Action, Staff } from '@hestian/core'
import { may, mayNotSays } from '@hestian/core'
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import { acting } from '../app/acting'
import { Refusal } from '../app/refusal'
import type { PeopleStore } from './peopleStore'
import type { Session, Sessions } from './sessions'

/** Who may come to an address: whoever may do that, a guest with a link, or anybody at all. */
export type Lets = Action | 'guest' | 'anybody'

declare module 'fastify' {
  interface FastifyContextConfig {
    /** Who may come here. Every address under /api says so. */
    readonly lets?: Lets
  }
  interface FastifyRequest {
    /** The session of the request, where it has one that is not over. */
    session: Session | undefined
    /** Who is signed in. */
    staff: Staff | undefined
  }
}

/** One browser may be signed in to two servers of one machine: cookies know no ports. */
export const cookieName = ({ host }: Pick<FastifyRequest, 'host'>): string => {
  const port = /:(\d+)$/.exec(host)?.[1]
  return port === undefined || port === '80' || port === '443' ? 'hestian' : `hestian-${port}`
}

/** What a route says of who may come to it. */
export const lets = (who: Lets): { readonly config: { readonly lets: Lets } } => ({
  config: { lets: who },
})

/** Whoever may come to an address is looked at before anything they sent is read. */
export function guardGate(
  api: FastifyInstance,
  { people, sessions }: { readonly people: PeopleStore; readonly sessions: Sessions },
): void {
  api.decorateRequest('session', undefined)
  api.decorateRequest('staff', undefined)
  api.addHook('onRoute', ({ url, config }) => {
    if (config?.lets === undefined) throw new Error(`${url} does not say whom it lets in`)
  })
  api.addHook('onRequest', async (request) => {
    refuseOtherSites(request)
    const { lets: who } = request.routeOptions.config
    request.session = await sessions.find(request.cookies[cookieName(request)])
    const { session } = request
    if (session?.personId) request.staff = await people.find(session.personId)
    if (who === 'anybody' || who === undefined) return
    if (who === 'guest') return expectGuest(session)
    expectMay(request.staff, who)
  })
  api.addHook('preHandler', async (request) => expectOwnHand(request, people))
  // Last before the work: what is read of a body comes back without the context of its request.
  api.addHook('preHandler', (request, _reply, done) => {
    const { staff, ip, headers } = request
    const from = `${ip}, ${headers['user-agent'] ?? 'no browser'}`.slice(0, 200)
    acting.run({ by: staff?.id ?? 'nobody signed in', from }, done)
  })
}

function expectGuest(session: Session | undefined): void {
  if (!session?.guestId)
    throw new Refusal('not-signed-in', 'Open the link that you were given once more.')
}

function expectMay(staff: Staff | undefined, action: Action): void {
  if (!staff || !may(staff, 'self'))
    throw new Refusal(
      'not-signed-in',
      'Nobody is signed in here, or the session has ended. Sign in.',
    )
  if (!may(staff, action)) throw new Refusal('may-not', `${mayNotSays(staff, action)}`)
}

/** A page of another address cannot send anything in the name of who is signed in here. */
function refuseOtherSites({ method, headers }: FastifyRequest): void {
  if (method === 'GET' || method === 'HEAD' || method === 'OPTIONS') return
  const from = headers['sec-fetch-site']
  const isOurs = from === undefined || from === 'same-origin' || from === 'none'
  if (isOurs && (headers.origin === undefined || hostOf(headers.origin) === headers.host)) return
  throw new Refusal('other-site', 'This was sent by a page of another address: nothing was done.')
}

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host
  } catch {
    return undefined
  }
}

/**
 * What was done under one name is not sent under another: it waits until they sign in themselves.
 */
async function expectOwnHand(request: FastifyRequest, people: PeopleStore): Promise<void> {
  const by = byOf(request.body)
  const { staff } = request
  if (by === undefined || !staff || by === staff.id) return
  const other = (await people.find(by))?.name ?? 'somebody who is not known here'
  throw new Refusal(
    'other-person',
    `This was done by ${other}, and ${staff.name} is signed in. It is kept until ${other} signs in.`,
  )
}

const byOf = (body: unknown): string | undefined =>
  typeof body === 'object' && body !== null && 'by' in body && typeof body.by === 'string'
    ? body.by
    : undefined

const month_s = 30 * 86_400

/** The cookie of a session: no script reads it, no other address sends it. */
export const giveCookie = (request: FastifyRequest, reply: FastifyReply, token: string): unknown =>
  reply.setCookie(cookieName(request), token, {
    ...{ path: '/', httpOnly: true, sameSite: 'strict', maxAge: month_s },
    secure: isSecure(request),
  })

export const takeCookie = (request: FastifyRequest, reply: FastifyReply): unknown =>
  reply.clearCookie(cookieName(request), { path: '/' })

/** Whether the browser came by HTTPS, to this server or to a proxy in front of it. */
const isSecure = ({ protocol, headers }: FastifyRequest): boolean =>
  protocol === 'https' || headers.origin?.startsWith('https:') === true

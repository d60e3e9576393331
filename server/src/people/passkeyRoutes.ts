import { isIP } from 'node:net'
import {
  NewPasskey,
  Passkey,
  PasskeyAsked,
  PasskeyParams,
  PasskeySignIn,
  Refused,
} from '@hestian/core'
import type {
  AuthenticationResponseJSON,
  AuthenticatorTransport,
  RegistrationResponseJSON,
} from '@simplewebauthn/server'
import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server'
import type { FastifyRequest } from 'fastify'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import type { PasskeyRow } from '../db/tables'
import { answerWithin_ms, Challenges } from './challenges'
import { giveCookie, lets } from './gate'
import type { PasskeyStore } from './passkeyStore'
import type { Sessions } from './sessions'
import { cameFrom } from './signInRoutes'

interface Parts {
  readonly passkeys: PasskeyStore
  readonly sessions: Sessions
  readonly clock: Clock
  readonly limit: object
}

const refused = { 400: Refused, 401: Refused, 403: Refused, 409: Refused, 429: Refused }
const done = { 200: z.object({}), ...refused }
const asked = { 200: PasskeyAsked, ...refused }

/** The name that keys are made for here. Browsers make none for an address in figures. */
function serverName({ host }: Pick<FastifyRequest, 'host'>): string {
  const name = host.replace(/:\d+$/, '')
  if (isIP(name.replace(/^\[|\]$/g, '')) !== 0)
    throw new Refusal(
      'no-passkey',
      'Passkeys go by the name of a server, and this address is only figures. On this machine open it as localhost.',
    )
  return name
}

/** The page that asked; the gate let in none of another host. */
const originOf = ({ headers, protocol, host }: FastifyRequest): string =>
  headers.origin ?? `${protocol}://${host}`

const notTaken = () =>
  new Refusal(
    'wrong-sign-in',
    'That passkey does not open this. Sign in with name and password, or ask the owner for a new link.',
  )
const tooLate = () =>
  new Refusal(
    'no-passkey',
    'Nothing was asked of that device, or it is longer than five minutes ago. Press once more.',
  )

const transportsOf = ({ transports }: PasskeyRow): AuthenticatorTransport[] =>
  JSON.parse(transports) as AuthenticatorTransport[]

/**
 * Passkeys: each is made by who is signed in, on the device it stays on, and signs in from there
 * on.
 */
export const passkeyRoutes: FastifyPluginAsyncZod<Parts> = async (app, parts) => {
  const challenges = new Challenges()
  await app.register(ownPasskeyRoutes, { ...parts, challenges })
  await app.register(passkeySignInRoutes, { ...parts, challenges })
}

interface WithChallenges extends Parts {
  readonly challenges: Challenges
}

const ownPasskeyRoutes: FastifyPluginAsyncZod<WithChallenges> = async (app, parts) => {
  const { passkeys, clock, challenges } = parts
  const now_ms = () => Date.parse(clock.now())

  app.get(
    '/passkeys',
    { ...lets('self'), schema: { response: { 200: z.array(Passkey), 401: Refused } } },
    ({ session }) => passkeys.ofPerson(session?.personId ?? ''),
  )

  app.post('/passkeys/asked', { ...lets('self'), schema: { response: asked } }, async (request) => {
    const { id = '', name = '' } = request.staff ?? {}
    const before = await passkeys.rowsOf(id)
    const options = await generateRegistrationOptions({
      ...{ rpName: 'Hestian', rpID: serverName(request), attestationType: 'none' },
      ...{ userName: name, userDisplayName: name, userID: new TextEncoder().encode(id) },
      timeout: answerWithin_ms,
      excludeCredentials: before.map((one) => ({ id: one.id, transports: transportsOf(one) })),
      authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    })
    challenges.keep(options.challenge, id, now_ms())
    return { ...options }
  })

  app.post(
    '/passkeys',
    { ...lets('self'), schema: { body: NewPasskey, response: done } },
    async (request) => {
      const { name, response } = request.body
      const personId = request.session?.personId ?? ''
      // Sent again, because no answer came: it is there.
      if ((await passkeys.rowsOf(personId)).some(({ id }) => id === response.id)) return {}
      const { verified, registrationInfo } = await verifyRegistrationResponse({
        response: response as unknown as RegistrationResponseJSON,
        expectedChallenge: (challenge) => challenges.take(challenge, personId, now_ms()),
        expectedOrigin: originOf(request),
        expectedRPID: serverName(request),
        requireUserVerification: true,
      }).catch(() => ({ verified: false as const, registrationInfo: undefined }))
      if (!verified) throw tooLate()
      const { credential } = registrationInfo
      await passkeys.add({
        ...{ id: credential.id, personId, name, counter: credential.counter },
        publicKey: Buffer.from(credential.publicKey).toString('base64url'),
        transports: JSON.stringify(credential.transports ?? []),
        ...{ madeAt: clock.now(), usedAt: null },
      })
      return {}
    },
  )

  app.post(
    '/passkeys/:passkeyId/remove',
    { ...lets('self'), schema: { params: PasskeyParams, response: done } },
    async ({ params, session }) => {
      await passkeys.remove(params.passkeyId, session?.personId ?? '')
      return {}
    },
  )
}

const passkeySignInRoutes: FastifyPluginAsyncZod<WithChallenges> = async (app, parts) => {
  const { passkeys, sessions, clock, challenges, limit } = parts
  const now_ms = () => Date.parse(clock.now())
  const open = { lets: 'anybody', ...limit } as const

  app.post(
    '/session/passkey/asked',
    { config: open, schema: { response: asked } },
    async (request) => {
      const options = await generateAuthenticationOptions({
        ...{ rpID: serverName(request), userVerification: 'required' },
        timeout: answerWithin_ms,
      })
      challenges.keep(options.challenge, '', now_ms())
      return { ...options }
    },
  )

  app.post(
    '/session/passkey',
    { config: open, schema: { body: PasskeySignIn, response: done } },
    async (request, reply) => {
      const { response } = request.body
      const row = await passkeys.find(response.id)
      if (!row) throw notTaken()
      const { verified, authenticationInfo } = await verifyAuthenticationResponse({
        response: response as unknown as AuthenticationResponseJSON,
        expectedChallenge: (challenge) => challenges.take(challenge, '', now_ms()),
        expectedOrigin: originOf(request),
        expectedRPID: serverName(request),
        credential: {
          ...{ id: row.id, counter: row.counter, transports: transportsOf(row) },
          publicKey: new Uint8Array(Buffer.from(row.publicKey, 'base64url')),
        },
        requireUserVerification: true,
      }).catch(() => ({ verified: false as const, authenticationInfo: undefined }))
      if (!verified) throw notTaken()
      await passkeys.used(row.id, authenticationInfo.newCounter, clock.now())
      const { personId } = row
      giveCookie(request, reply, await sessions.begin({ personId }, cameFrom(request)))
      return {}
    },
  )
}

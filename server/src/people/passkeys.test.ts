import type { Passkey } from '@hestian/core'
import { Bench } from '../app/app.testing'
import { Authenticator } from './authenticator.testing'
import { hashOf } from './secrets'

let bench: Bench
let now: string
let anna: string
beforeEach(async () => {
  now = '2026-11-29T09:00:00.000Z'
  const limits = { streams: 60, uploads: 600, imports: 60, signIns: 1000 }
  bench = new Bench({ clock: { now: () => now }, limits, hosts: [host] })
  await bench.open()
  anna = await staff('anna', 'owner')
})
afterEach(() => bench.end())

const host = 'hestian.example'
const origin = `http://${host}`
const device = () => new Authenticator(host, origin)

interface Answered {
  readonly status: number
  readonly code: string | undefined
  readonly says: string
  readonly challenge: string
  readonly cookie: string
}
async function post(path: string, body: object, cookie = '', as = host): Promise<Answered> {
  const answer = await bench.app.http.inject({
    ...{ method: 'POST' as const, url: `/api${path}`, payload: body },
    headers: { host: as, origin: `http://${as}`, ...(cookie ? { cookie } : {}) },
  })
  const { code, says = '', challenge = '' } = answer.json<Partial<Answered>>()
  const given = [answer.headers['set-cookie'] ?? []].flat()[0] ?? ''
  return { status: answer.statusCode, code, says, challenge, cookie: given.split(';')[0] ?? '' }
}
/** Somebody with a password, signed in. */
async function staff(id: string, role: 'owner' | 'lead'): Promise<string> {
  const { people, sessions } = bench.app
  await people.add([{ id, name: `${id} Person`, role, tickets: [] }])
  const { token } = await people.invite(id, now)
  await people.accept(token, 'three plain words', now)
  return `hestian=${await sessions.begin({ personId: id }, 'a test')}`
}
const listed = async (cookie = anna): Promise<Passkey[]> =>
  (await bench.app.http.inject({ url: '/api/passkeys', headers: { cookie } })).json()

async function made(of = device(), cookie = anna): Promise<Authenticator> {
  const { challenge } = await post('/passkeys/asked', {}, cookie)
  const body = { name: 'Phone', response: of.register({ challenge }) }
  expect(await post('/passkeys', body, cookie)).toMatchObject({ status: 200 })
  return of
}
const asked = async () => (await post('/session/passkey/asked', {})).challenge
const comesIn = async (key: Authenticator) =>
  post('/session/passkey', { response: key.signIn({ challenge: await asked() }) })
const later = (minutes: number) => {
  now = new Date(Date.parse(now) + minutes * 60_000).toISOString()
}

test('a key that somebody made signs them in from another browser, and is told by name and use', async () => {
  const key = await made()
  expect(await listed()).toEqual([
    { id: key.id.toString('base64url'), name: 'Phone', madeAt: now, usedAt: null },
  ])
  later(60)
  const { status, cookie } = await comesIn(key)
  expect(status).toBe(200)
  const { id, usedAt } = (await listed(cookie))[0] as Passkey
  expect({ id, usedAt }).toEqual({ id: key.id.toString('base64url'), usedAt: now })
  expect(await post(`/passkeys/${id}/remove`, {}, cookie)).toMatchObject({ status: 200 })
  expect(await post(`/passkeys/${id}/remove`, {}, cookie)).toMatchObject({ status: 200 })
  expect(await listed()).toEqual([])
  expect(await comesIn(key)).toMatchObject({ status: 403, code: 'wrong-sign-in' })
})

test('what is sent twice is kept once; the same key is not somebody else’s too', async () => {
  const { challenge } = await post('/passkeys/asked', {}, anna)
  const key = device()
  const body = { name: 'Phone', response: key.register({ challenge }) }
  for (const _ of [1, 2]) expect(await post('/passkeys', body, anna)).toMatchObject({ status: 200 })
  expect(await listed()).toHaveLength(1)
  const other = await staff('bert', 'lead')
  const theirs = (await post('/passkeys/asked', {}, other)).challenge
  const again = { name: 'Phone', response: key.register({ challenge: theirs }) }
  expect(await post('/passkeys', again, other)).toMatchObject({ code: 'no-passkey' })
  expect(await listed(other)).toEqual([])
})

test('an answer opens once, in time, to this page, from a device that saw who holds it', async () => {
  const key = await made()
  const challenge = await asked()
  const response = key.signIn({ challenge })
  expect((await post('/session/passkey', { response })).status).toBe(200)
  // Overheard and sent again.
  expect(await post('/session/passkey', { response })).toMatchObject({ code: 'wrong-sign-in' })
  const open = await asked()
  later(6)
  const late = key.signIn({ challenge: open })
  expect(await post('/session/passkey', { response: late })).toMatchObject({ status: 403 })
  const lured = key.signIn({ challenge: await asked(), origin: 'http://hestian.elsewhere.example' })
  expect(await post('/session/passkey', { response: lured })).toMatchObject({ status: 403 })
  key.saw = false
  expect(await comesIn(key)).toMatchObject({ status: 403, cookie: '' })
  key.saw = true
  expect((await comesIn(key)).status).toBe(200)
})

test('what was overheard opens nothing, also of a device that does not count its uses', async () => {
  const key = device()
  key.counts = false
  await made(key)
  const response = key.signIn({ challenge: await asked() })
  expect((await post('/session/passkey', { response })).status).toBe(200)
  expect(await post('/session/passkey', { response })).toMatchObject({ status: 403, cookie: '' })
  expect((await comesIn(key)).status).toBe(200)
})

test('another device with the same name of key, or what was asked of somebody else, opens nothing', async () => {
  const key = await made()
  const forged = device()
  Object.assign(forged, { id: key.id })
  expect(await comesIn(forged)).toMatchObject({ status: 403, cookie: '' })
  const bert = await staff('bert', 'lead')
  const { challenge } = await post('/passkeys/asked', {}, anna)
  const body = { name: 'Phone', response: device().register({ challenge }) }
  expect(await post('/passkeys', body, bert)).toMatchObject({ status: 409, code: 'no-passkey' })
  const notOurs = { name: 'Phone', response: device().register({ challenge: hashOf('x') }) }
  expect(await post('/passkeys', notOurs, bert)).toMatchObject({ status: 409 })
  expect(await listed(bert)).toEqual([])
})

test('who was let go, or was given a new link because a device is lost, does not come in by it', async () => {
  const bert = await staff('bert', 'lead')
  const [ours, lost] = [await made(device(), bert), await made()]
  await bench.app.people.letGo('bert')
  expect(await comesIn(ours)).toMatchObject({ status: 403, cookie: '' })
  const { token } = await bench.app.people.invite('anna', now)
  expect((await comesIn(lost)).status).toBe(200)
  await bench.app.people.accept(token, 'other plain words', now)
  expect(await comesIn(lost)).toMatchObject({ status: 403, cookie: '' })
})

test('an address in figures makes no passkeys, and the sentence says what does', async () => {
  for (const as of ['127.0.0.1:4180', '[::1]:4180'])
    for (const [path, cookie] of [
      ['/passkeys/asked', anna],
      ['/session/passkey/asked', ''],
    ] as const) {
      // The cookie of a port has its name.
      const answer = await post(path, {}, cookie.replace('hestian=', 'hestian-4180='), as)
      expect(answer).toMatchObject({ status: 409, code: 'no-passkey' })
      expect(answer.says).toMatch(/localhost/)
    }
})

test('what is no answer of a device gets a sentence and nothing else', async () => {
  const empty = { id: 'x', rawId: 'x', type: 'public-key', clientExtensionResults: {} }
  for (const response of [
    { ...empty, response: {} },
    { ...empty, response: { clientDataJSON: '%%', attestationObject: '', signature: '' } },
  ]) {
    expect((await post('/session/passkey', { response })).status).toBeGreaterThanOrEqual(400)
    expect((await post('/session/passkey', { response })).status).toBeLessThan(500)
    expect((await post('/passkeys', { name: 'x', response }, anna)).status).toBeLessThan(500)
  }
})

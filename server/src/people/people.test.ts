import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Action, GuestJob, OpenSession, Role, SessionState, Staff } from '@hestian/core'
import { actions, may, roles } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { Bench } from '../app/app.testing'
import type { Lets } from './gate'

let bench: Bench
let now = '2026-11-29T09:00:00.000Z'
const limits = { streams: 60, uploads: 600, imports: 60, signIns: 1000 }
beforeEach(async () => {
  now = '2026-11-29T09:00:00.000Z'
  bench = new Bench({ clock: { now: () => now }, limits })
  await bench.open()
})
afterEach(() => bench.end())

const daysLater = (days: number) => {
  now = new Date(Date.parse(now) + days * 86_400_000).toISOString()
}

interface Sent {
  readonly body?: object
  readonly cookie?: string
  readonly headers?: Record<string, string>
}
/** Asks as somebody with that cookie, or as a stranger. */
async function ask(method: string, path: string, { body, cookie, headers = {} }: Sent = {}) {
  const answer = await bench.app.http.inject({
    method: method as 'GET',
    url: `/api${path}`,
    headers: { ...(cookie ? { cookie } : {}), ...headers },
    ...(body ? { payload: body } : {}),
  })
  const given = [answer.headers['set-cookie'] ?? []].flat()[0]
  const isJson = answer.headers['content-type']?.toString().includes('json')
  return {
    status: answer.statusCode,
    body: (isJson ? answer.json() : {}) as { code?: string; says?: string; token?: string },
    /** What the browser sends back from now on, and everything that was said with it. */
    cookie: given?.split(';')[0] ?? '',
    given: given ?? '',
    text: answer.payload,
  }
}
const person = async (id: string, role: string) => {
  await bench.app.people.add([{ id, name: `${id} Person`, role, tickets: [] }])
  return `hestian=${await bench.app.sessions.begin({ personId: id }, 'a test')}`
}

interface Described {
  readonly method: string
  readonly path: string
}
/** Every route of the server, from its own description. */
const routes: readonly Described[] = Object.entries(
  (
    JSON.parse(readFileSync(join(__dirname, '../../../docs/generated/openapi.json'), 'utf8')) as {
      paths: Record<string, Record<string, unknown>>
    }
  ).paths,
).flatMap(([path, of]) =>
  Object.keys(of).map((method) => ({
    method: method.toUpperCase(),
    path: path.replace(/^\/api/, '').replace(/\{(\w+)\}/g, 'x1'),
  })),
)

describe('every route', () => {
  /** What a stranger may ask: no more than this. */
  const open = [
    'GET /health',
    'GET /session',
    'POST /session',
    'POST /session/demo',
    'POST /session/end',
    'POST /session/passkey',
    'POST /session/passkey/asked',
    'POST /first-run',
    'POST /invitation',
    'POST /guest',
  ]
  test('but a short list refuses a stranger, whatever they send', async () => {
    expect(routes.length).toBeGreaterThan(50)
    const let_in: string[] = []
    for (const { method, path } of routes) {
      const answer = await ask(method, path, method === 'GET' ? {} : { body: {} })
      if (answer.status !== 401) let_in.push(`${method} ${path}`)
      else expect(answer.body.code).toBe('not-signed-in')
    }
    expect(let_in.sort()).toEqual([...open].sort())
  })
  test('refuses a cookie that is nobody’s', async () => {
    expect((await ask('GET', '/jobs', { cookie: 'hestian=AAAA' })).status).toBe(401)
  })
  test('that changes something refuses a page of another address, even with the cookie', async () => {
    const cookie = await person('anna', 'owner')
    const forged: readonly Record<string, string>[] = [
      { origin: 'https://elsewhere.example' },
      { 'sec-fetch-site': 'cross-site' },
      { origin: 'null' },
    ]
    for (const { method, path } of routes.filter((one) => one.method !== 'GET'))
      for (const headers of forged) {
        const answer = await ask(method, path, { cookie, body: {}, headers })
        expect({ path, method, code: answer.body.code }).toEqual({
          path,
          method,
          code: 'other-site',
        })
        expect(answer.status).toBe(403)
      }
    const ours = {
      origin: 'http://localhost',
      'sec-fetch-site': 'same-origin',
      host: 'localhost',
    }
    expect((await ask('POST', '/jobs', { cookie, body: {}, headers: ours })).body.code).toBe(
      'not-understood',
    )
  })
  test('of no role lets in nobody: a name that an imported job brought is no colleague', async () => {
    await bench.send('POST', '/import', demoJobs()['kestrel-weir'])
    const cookie = `hestian=${await bench.app.sessions.begin({ personId: 'isla-penhallick' }, 'x')}`
    expect((await ask('GET', '/jobs', { cookie })).body.code).toBe('not-signed-in')
  })
})

describe('what each role may', () => {
  const table: Readonly<Record<Action, readonly Role[]>> = {
    read: ['owner', 'lead', 'apprentice', 'office'],
    self: ['owner', 'lead', 'apprentice', 'office'],
    design: ['owner', 'lead', 'apprentice', 'office'],
    site: ['owner', 'lead', 'apprentice'],
    countersign: ['owner', 'lead'],
    sign: ['owner', 'lead'],
    file: ['owner', 'lead', 'office'],
    gauges: ['owner', 'lead', 'office'],
    firm: ['owner'],
  }
  test('stands in one table', () => {
    for (const action of actions)
      expect(roles.filter((role) => may({ role }, action))).toEqual(table[action])
    for (const role of ['', 'gone', 'guest', 'Owner']) expect(may({ role }, 'read')).toBe(false)
  })
  /** A route of each action, and what it is. */
  const asked: readonly (readonly [Lets, string, string])[] = [
    ['read', 'GET', '/jobs/job-one'],
    ['self', 'GET', '/sessions'],
    ['design', 'PUT', '/jobs/job-one/draft'],
    ['site', 'POST', '/jobs/job-one/records'],
    ['countersign', 'POST', '/jobs/job-one/steps/a/countersign'],
    ['sign', 'POST', '/jobs/job-one/signatures'],
    ['file', 'POST', '/import'],
    ['gauges', 'PUT', '/instruments/one'],
    ['firm', 'GET', '/backups'],
  ]
  test.each(asked)('%s is asked of the server too', async (action, method, path) => {
    await bench.newJob()
    for (const role of roles) {
      const cookie = await person(`one-${role}`, role)
      const answer = await ask(method, path, { cookie, ...(method === 'GET' ? {} : { body: {} }) })
      if (may({ role }, action as Action)) expect(answer.status).not.toBe(403)
      else {
        expect(answer).toMatchObject({ status: 403, body: { code: 'may-not' } })
        expect(answer.body.says).toMatch(/^one-\w+ Person may not .* as .*; .* may\.$/)
      }
    }
  })
  test('what was done by one is not sent by another', async () => {
    await bench.newJob()
    const cookie = await person('anna', 'lead')
    const body = bench.reading('reading-one')
    expect(await ask('POST', '/jobs/job-one/records', { cookie, body })).toMatchObject({
      status: 403,
      body: { code: 'other-person', says: expect.stringContaining('Lead Person') as string },
    })
    const state = await bench.send('GET', '/jobs/job-one')
    expect(state.body.records).toEqual([])
  })
})

const password = 'three plain words'
describe('the first start', () => {
  const first = (code: string, name = 'Anna Berg') =>
    ask('POST', '/first-run', { body: { code, name, password } })
  const state = async (cookie?: string) =>
    (await ask('GET', '/session', cookie ? { cookie } : {})).body as unknown as SessionState

  test('makes an owner with the code that was printed, once', async () => {
    expect(await state()).toEqual({ person: null, firstRun: true, demo: [] })
    expect((await first('guessed')).body.code).toBe('link-over')
    const made = await first(bench.app.firstCode)
    expect(made.status).toBe(200)
    expect(made.given).toMatch(/HttpOnly/)
    expect(made.given).toMatch(/SameSite=Strict/)
    expect(await state(made.cookie)).toMatchObject({
      person: { id: 'anna-berg', role: 'owner', standing: 'in' },
      firstRun: false,
    })
    expect((await first(bench.app.firstCode, 'Bert Cole')).body.code).toBe('link-over')
    expect((await state()).firstRun).toBe(false)
  })
  test('an owner of that name whom records name already stays the same person', async () => {
    const made = await first(bench.app.firstCode, 'lead person')
    expect((await state(made.cookie)).person).toMatchObject({ id: 'lead', role: 'owner' })
  })
  test('a short password is refused with what is accepted', async () => {
    const body = { code: bench.app.firstCode, name: 'Anna Berg', password: 'short' }
    const answer = await ask('POST', '/first-run', { body })
    expect(answer.status).toBe(400)
    expect(answer.body.says).toMatch(/at least 10 characters/)
  })
  test('over HTTPS the cookie goes over HTTPS alone', async () => {
    const headers = { origin: 'https://localhost:4180', host: 'localhost:4180' }
    const body = { code: bench.app.firstCode, name: 'Anna Berg', password }
    expect((await ask('POST', '/first-run', { body, headers })).given).toMatch(/Secure/)
  })
})

describe('people of the firm', () => {
  let owner: string
  const signIn = (name: string, given = password) =>
    ask('POST', '/session', { body: { name, password: given } })
  beforeEach(async () => {
    const body = { code: bench.app.firstCode, name: 'Anna Berg', password }
    owner = (await ask('POST', '/first-run', { body })).cookie
  })
  const invite = async (id = 'bert', name = 'Bert Cole') => {
    await ask('POST', '/people', { cookie: owner, body: { id, name, role: 'apprentice' } })
    const made = await ask('POST', `/people/${id}/invitation`, { cookie: owner })
    return made.body.token ?? ''
  }
  const accept = (token: string) => ask('POST', '/invitation', { body: { token, password } })

  test('sign in by name and password, and out again', async () => {
    expect((await signIn('Anna Berg', 'wrong')).body.code).toBe('wrong-sign-in')
    expect((await signIn('Nobody', password)).body.code).toBe('wrong-sign-in')
    const { cookie } = await signIn('anna berg')
    expect((await ask('GET', '/jobs', { cookie })).status).toBe(200)
    expect((await ask('POST', '/session/end', { cookie })).given).toMatch(/hestian=;/)
    expect((await ask('GET', '/jobs', { cookie })).status).toBe(401)
  })
  test('no password stands anywhere as it was typed, and no token', async () => {
    const token = await invite()
    const kept = JSON.stringify([
      ...(await bench.app.db.read((manager) => manager.query('SELECT * FROM person'))),
      ...(await bench.app.db.read((manager) => manager.query('SELECT * FROM session'))),
    ])
    for (const secret of [password, token, owner.split('=')[1] ?? ''])
      expect(kept).not.toContain(secret)
    expect(kept).toContain('$argon2id$')
  })
  test('are invited by a link that opens once, and for a week', async () => {
    const token = await invite()
    expect((await accept('guess')).body.code).toBe('link-over')
    const { cookie } = await accept(token)
    expect((await ask('GET', '/jobs', { cookie })).status).toBe(200)
    expect((await accept(token)).body.code).toBe('link-over')
    const late = await invite('carl', 'Carl Dunn')
    daysLater(8)
    expect((await accept(late)).body.code).toBe('link-over')
  })
  test('a new link, given twice, is the last alone; taken, it ends the sessions of before', async () => {
    const { cookie } = await accept(await invite())
    const forgotten = await ask('POST', '/people/bert/invitation', { cookie: owner })
    const again = await ask('POST', '/people/bert/invitation', { cookie: owner })
    expect((await accept(forgotten.body.token ?? '')).body.code).toBe('link-over')
    expect((await ask('GET', '/jobs', { cookie })).status).toBe(200)
    await accept(again.body.token ?? '')
    expect((await ask('GET', '/jobs', { cookie })).status).toBe(401)
  })
  test('one added twice is one; two of one name are refused', async () => {
    await invite()
    await invite()
    const people = (await ask('GET', '/people', { cookie: owner })).body as unknown as Staff[]
    expect(people.filter(({ name }) => name === 'Bert Cole')).toHaveLength(1)
    const same = { id: 'other', name: 'bert cole', role: 'lead' }
    expect((await ask('POST', '/people', { cookie: owner, body: same })).status).toBe(400)
  })
  test('somebody who left is out at once, and their name stays', async () => {
    const { cookie } = await accept(await invite())
    await ask('POST', '/people/bert/let-go', { cookie: owner })
    expect((await ask('GET', '/jobs', { cookie })).status).toBe(401)
    expect((await signIn('Bert Cole')).body.code).toBe('wrong-sign-in')
    const people = (await ask('GET', '/people', { cookie: owner })).body as unknown as Staff[]
    expect(people.find(({ id }) => id === 'bert')).toMatchObject({ role: 'gone', standing: 'out' })
  })
  test('the only owner stays one', async () => {
    const body = { role: 'lead', holds: [] }
    for (const answer of [
      await ask('PUT', '/people/anna-berg', { cookie: owner, body }),
      await ask('POST', '/people/anna-berg/let-go', { cookie: owner }),
    ])
      expect(answer).toMatchObject({ status: 409, body: { code: 'last-owner' } })
  })
  test('what somebody may changes with their role, in the session they have', async () => {
    const { cookie } = await accept(await invite())
    expect((await ask('GET', '/backups', { cookie })).body.code).toBe('may-not')
    await ask('PUT', '/people/bert', { cookie: owner, body: { role: 'owner', holds: [] } })
    expect((await ask('GET', '/backups', { cookie })).status).toBe(200)
  })
  test('sessions are listed and ended; one nobody uses for a month is over', async () => {
    const second = (await signIn('Anna Berg')).cookie
    const list = async (cookie: string) =>
      (await ask('GET', '/sessions', { cookie })).body as unknown as OpenSession[]
    const open = await list(owner)
    expect(open.map(({ isThis }) => isThis).sort()).toEqual([false, true])
    const other = open.find(({ isThis }) => !isThis)
    await ask('POST', `/sessions/${other?.id}/end`, { cookie: owner })
    expect((await ask('GET', '/jobs', { cookie: second })).status).toBe(401)
    daysLater(20)
    expect((await ask('GET', '/jobs', { cookie: owner })).status).toBe(200)
    daysLater(20)
    expect((await ask('GET', '/jobs', { cookie: owner })).status).toBe(200)
    daysLater(31)
    expect((await ask('GET', '/jobs', { cookie: owner })).status).toBe(401)
  })
  test('a session outlives the server', async () => {
    await bench.close()
    await bench.open()
    expect((await ask('GET', '/jobs', { cookie: owner })).status).toBe(200)
  })
  test('a session of somebody else is not ended by its id', async () => {
    const { cookie } = await accept(await invite())
    const [mine] = (await ask('GET', '/sessions', { cookie: owner }))
      .body as unknown as OpenSession[]
    expect((await ask('POST', `/sessions/${mine?.id}/end`, { cookie })).status).toBe(404)
    expect((await ask('GET', '/jobs', { cookie: owner })).status).toBe(200)
  })
  test('a password is changed by whoever knows the old one, and the other sessions end', async () => {
    const other = (await signIn('Anna Berg')).cookie
    const change = (old: string) =>
      ask('PUT', '/password', { cookie: owner, body: { old, password: 'another three words' } })
    expect((await change('guessed')).body.code).toBe('wrong-sign-in')
    expect((await change(password)).status).toBe(200)
    expect((await ask('GET', '/jobs', { cookie: other })).status).toBe(401)
    expect((await ask('GET', '/jobs', { cookie: owner })).status).toBe(200)
    expect((await signIn('Anna Berg')).body.code).toBe('wrong-sign-in')
  })
  test('units of somebody else are not theirs to set', async () => {
    const { cookie } = await accept(await invite())
    expect((await ask('PUT', '/people/anna-berg/units', { cookie, body: {} })).status).toBe(403)
    expect((await ask('PUT', '/people/bert/units', { cookie, body: {} })).status).toBe(200)
  })
})

test('who tries many passwords has to wait', async () => {
  await bench.close()
  await bench.open({ limits: { ...limits, signIns: 3 } })
  const body = { name: 'Anna Berg', password: 'guess' }
  const codes = []
  for (let i = 0; i < 5; i++) codes.push((await ask('POST', '/session', { body })).body.code)
  expect(codes).toEqual([...Array<string>(3).fill('wrong-sign-in'), 'too-many', 'too-many'])
})

describe('the people of the demo', () => {
  const press = (headers: Record<string, string> = {}) =>
    ask('POST', '/session/demo', { body: { personId: 'lead' }, headers })
  test('come in by a press in the demo, on this machine, under no other name', async () => {
    expect((await press()).body.code).toBe('link-over')
    await bench.close()
    await bench.open({ demo: true, hosts: ['demo.example'] })
    expect((await press({ host: 'demo.example' })).body.code).toBe('link-over')
    expect((await press({ host: '192.168.1.5' })).body.code).toBe('link-over')
    const here = { host: 'localhost:4180' }
    const { cookie } = await press(here)
    expect((await ask('GET', '/jobs', { cookie, headers: here })).status).toBe(200)
    // Another server of this machine has a cookie of its own.
    expect((await ask('GET', '/jobs', { cookie })).status).toBe(401)
    const state = (await ask('GET', '/session', { headers: { host: 'demo.example' } })).body
    expect(state).toMatchObject({ demo: [] })
  })
})

describe('a guest', () => {
  const link = async (days = 3) => {
    const body = { ...bench.act(), name: 'Iris Fenwick', days }
    const made = await bench.send('POST', '/jobs/kestrel-weir/guests', body)
    return { token: String(made.body.token), id: body.id }
  }
  const come = (token: string) => ask('POST', '/guest', { body: { token } })
  beforeEach(async () => {
    await bench.send('POST', '/import', demoJobs()['kestrel-weir'])
    await bench.newJob()
  })
  test('sees the one job, and nothing else', async () => {
    const { cookie } = await come((await link()).token)
    const seen = (await ask('GET', '/guest', { cookie })).body as unknown as GuestJob
    expect(seen).toMatchObject({ number: '0417', guest: 'Iris Fenwick', signed: null })
    expect(seen.papers.map(({ id }) => id)).toContain('householder')
    for (const { method, path } of routes.filter(
      (one) => !/^\/(guest|session|health|first-run|invitation)(\/|$)/.test(one.path),
    )) {
      const answer = await ask(method, path, { cookie, ...(method === 'GET' ? {} : { body: {} }) })
      expect(`${method} ${path} ${answer.status}`).toBe(`${method} ${path} 401`)
    }
    expect((await ask('GET', '/jobs/kestrel-weir', { cookie })).status).toBe(401)
  })
  test('takes no paper before the work is signed, and says so', async () => {
    const { cookie } = await come((await link()).token)
    expect(await ask('GET', '/guest/papers.pdf', { cookie })).toMatchObject({
      status: 409,
      body: { code: 'not-yet' },
    })
  })
  test('is out when the time is over, and when the link is taken back', async () => {
    const { token, id } = await link(3)
    const { cookie } = await come(token)
    await bench.send('POST', `/jobs/kestrel-weir/guests/${id}/revoke`)
    expect((await ask('GET', '/guest', { cookie })).status).toBe(401)
    expect((await come(token)).body.code).toBe('link-over')
    const second = await link(3)
    const late = (await come(second.token)).cookie
    daysLater(4)
    expect((await ask('GET', '/guest', { cookie: late })).status).toBe(401)
    expect((await come(second.token)).body.code).toBe('link-over')
  })
  test('a link made again under one id is the last alone; a guess opens nothing', async () => {
    const body = { ...bench.act(), name: 'Iris Fenwick', days: 3 }
    const first = await bench.send('POST', '/jobs/kestrel-weir/guests', body)
    const second = await bench.send('POST', '/jobs/kestrel-weir/guests', body)
    expect((await come(String(first.body.token))).body.code).toBe('link-over')
    expect((await come(String(second.body.token))).status).toBe(200)
    expect((await come('guess')).body.code).toBe('link-over')
    const listed = await bench.send('GET', '/jobs/kestrel-weir/guests')
    expect(listed.body).toHaveLength(1)
  })
  test('is let in by the office, not by an apprentice', async () => {
    const body = { id: 'guest-one', by: 'young', name: 'Iris Fenwick', days: 3 }
    const cookie = await person('young', 'apprentice')
    expect((await ask('POST', '/jobs/job-one/guests', { cookie, body })).body.code).toBe('may-not')
  })
})

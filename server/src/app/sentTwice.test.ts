import { readFileSync } from 'node:fs'
import { createHash } from 'node:crypto'
import { join } from 'node:path'
import type { JobFile, JobState } from '@hestian/core'
import { blankDocument } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import type { Answer } from './app.testing'
import { Bench } from './app.testing'

// A phone that got no answer sends again. Whatever is sent twice must be there once, and the second
// answer must be as good as the first.

let bench: Bench
let act: Bench['act']
let send: Bench['send']
beforeEach(async () => {
  bench = new Bench()
  act = bench.act
  send = bench.send.bind(bench)
  await bench.open()
  await bench.newJob()
  for (const name of ['kestrel-weir', 'saltbush-ferry', 'thornfield-scout-hut'])
    await send('POST', '/import', demoJobs()[name] as JobFile)
})
afterEach(() => bench.end())

const kestrel = '/jobs/kestrel-weir'
const saltbush = '/jobs/saltbush-ferry'
const hut = '/jobs/thornfield-scout-hut'
const hot = `${hut}/steps/exchange.hot-read`
const begun = async (): Promise<string> => {
  await send('POST', `${kestrel}/tests`, {
    ...act(),
    testId: 'test-typed',
    how: {
      reading: 'typed',
      kind: 'digital',
      resolution_Pa: 10,
      instrument: 'gauge 4',
      from_ms: Date.UTC(2026, 10, 24),
    },
    prepared: ['meter', 'boiler', 'range', 'cabinet'],
    off: [{ name: 'Galley range', state: 'disconnected', because: 'test' }],
  })
  return `${kestrel}/tests/test-typed`
}
const failed = async (): Promise<string> => {
  const { records } = (await send('GET', kestrel)).body as unknown as JobState
  const one = records.find((record) => record.body.kind === 'repaired')
  return `${kestrel}/tests/${one?.body.kind === 'repaired' ? one.body.testId : ''}`
}
const offId = async (): Promise<string> => {
  await send('POST', `${saltbush}/records`, {
    ...bench.reading('record-off1'),
    body: { kind: 'off', name: 'Garden tap', state: 'shut', where: 'yard', because: 'leak' },
  })
  return 'record-off1'
}

type Way = readonly [
  route: string,
  ready: () => Promise<{
    readonly url: string
    readonly body: object | Buffer
    readonly type?: string
  }>,
]
const ways: readonly Way[] = [
  ['POST /api/backups', async () => ({ url: '/backups', body: act() })],
  [
    'POST /api/jobs',
    async () => ({
      url: '/jobs',
      body: { id: 'job-two', name: 'B', address: '', practice: 'uk-ireland', by: 'lead' },
    }),
  ],
  [
    'POST /api/jobs/{jobId}/archive',
    async () => ({ url: '/jobs/job-one/archive', body: { by: 'lead', archived: true } }),
  ],
  [
    'POST /api/jobs/{jobId}/duplicate',
    async () => ({
      url: `${kestrel}/duplicate`,
      body: { id: 'job-copy', by: 'lead', name: 'Club again' },
    }),
  ],
  [
    'PUT /api/jobs/{jobId}/draft',
    async () => ({
      url: '/jobs/job-one/draft',
      body: {
        document: blankDocument({ name: 'C', address: '', practice: 'uk-ireland' }),
        saveNumber: ((await send('GET', '/jobs/job-one')).body as unknown as JobState).saveNumber,
        by: 'lead',
      },
    }),
  ],
  [
    'POST /api/jobs/{jobId}/records',
    async () => ({ url: '/jobs/job-one/records', body: bench.reading('reading-01') }),
  ],
  [
    'POST /api/jobs/{jobId}/steps/{stepId}/guards',
    async () => ({ url: `${hot}/guards`, body: { ...act(), guardId: 'top' } }),
  ],
  [
    'POST /api/jobs/{jobId}/steps/{stepId}/sign',
    async () => {
      await send('POST', `${hot}/guards`, { ...act(), guardId: 'top' })
      return {
        url: `${hot}/sign`,
        body: { ...act(), reading: { si: 1.4e5, typed: '20 psi' } },
      }
    },
  ],
  [
    'POST /api/jobs/{jobId}/steps/{stepId}/skip',
    async () => ({ url: `${hot}/skip`, body: { ...act(), because: 'no heat today' } }),
  ],
  [
    'POST /api/jobs/{jobId}/steps/{stepId}/countersign',
    async () => {
      await bench.app.people.add([
        { id: 'young', name: 'Young Person', role: 'apprentice', tickets: [] },
      ])
      await send('POST', `${hot}/skip`, { ...act('young'), because: 'no heat today' })
      return { url: `${hot}/countersign`, body: act() }
    },
  ],
  [
    'POST /api/jobs/{jobId}/steps/{stepId}/undo',
    async () => ({
      url: `${hut}/steps/exchange.cold-read/undo`,
      body: { ...act(), because: 'gauge was stuck' },
    }),
  ],
  [
    'POST /api/jobs/{jobId}/visits',
    async () => ({ url: `${hut}/visits`, body: { ...act(), with: 'Isla' } }),
  ],
  [
    'POST /api/jobs/{jobId}/visits/end',
    async () => {
      await send('POST', `${hut}/visits`, act())
      return { url: `${hut}/visits/end`, body: { ...act(), done: 'valve exchanged' } }
    },
  ],
  [
    'POST /api/jobs/{jobId}/off/{offId}/put-back',
    async () => ({ url: `${saltbush}/off/${await offId()}/put-back`, body: act() }),
  ],
  [
    'POST /api/jobs/{jobId}/items/{itemId}/tick',
    async () => ({ url: `${saltbush}/items/back-on/tick`, body: { ...act(), answer: 'done' } }),
  ],
  [
    'POST /api/jobs/{jobId}/checks',
    async () => ({ url: `${saltbush}/checks`, body: { ...act(), sheet: 'site' } }),
  ],
  ['POST /api/jobs/{jobId}/revisions', async () => ({ url: `${kestrel}/revisions`, body: act() })],
  ['POST /api/jobs/{jobId}/tests', async () => ({ url: `${kestrel}/tests`, body: await aTest() })],
  [
    'POST /api/jobs/{jobId}/tests/{testId}/samples',
    async () => ({
      url: `${await begun()}/samples`,
      body: { ...act(), sample: { at_ms: Date.UTC(2026, 10, 24) + 1000, gauge_Pa: 2000 } },
    }),
  ],
  [
    'POST /api/jobs/{jobId}/tests/{testId}/top-up',
    async () => ({ url: `${await begun()}/top-up`, body: act() }),
  ],
  [
    'POST /api/jobs/{jobId}/tests/{testId}/notes',
    async () => ({ url: `${await begun()}/notes`, body: { ...act(), text: 'cock soaped' } }),
  ],
  [
    'POST /api/jobs/{jobId}/tests/{testId}/end',
    async () => ({ url: `${await begun()}/end`, body: act() }),
  ],
  [
    'POST /api/jobs/{jobId}/tests/{testId}/repair',
    async () => ({ url: `${await failed()}/repair`, body: { ...act(), what: 'olive remade' } }),
  ],
  [
    'PUT /api/people/{personId}/units',
    async () => ({ url: '/people/lead/units', body: { length: 'ft' } }),
  ],
  [
    'PUT /api/instruments/{instrumentId}',
    async () => ({
      url: '/instruments/gauge-one',
      body: {
        id: 'gauge-one',
        name: 'Digital manometer',
        serial: 'DM-114',
        kind: 'digital',
        step_Pa: 1,
        most_Pa: 15000,
        accuracy: '',
        calibratedUntil: '2027-03-01',
        retired: false,
      },
    }),
  ],
  [
    'PUT /api/evidence/{hash}',
    async () => {
      const body = readFileSync(join(__dirname, '../../../demo/evidence/plate-storage-heater.png'))
      return {
        url: `/evidence/${createHash('sha256').update(body).digest('hex')}`,
        body,
        type: 'image/png',
      }
    },
  ],
]
const aTest = async () => ({
  ...act(),
  testId: 'test-again',
  how: {
    reading: 'typed',
    kind: 'digital',
    resolution_Pa: 10,
    instrument: 'gauge 4',
    from_ms: Date.UTC(2026, 10, 24),
  },
  prepared: ['meter', 'boiler', 'range', 'cabinet'],
  off: [{ name: 'Galley range', state: 'disconnected', because: 'test' }],
})

/** Everything stored, by what a phone can see of it. */
const everything = async (): Promise<unknown> => {
  const { body: board } = await send('GET', '/jobs')
  const { rows } = board as unknown as { rows: { id: string }[] }
  return Promise.all(
    rows.map(async ({ id }) => {
      const { records, samples, revisions, frozen, document } = (await send('GET', `/jobs/${id}`))
        .body as unknown as JobState
      return { id, records, samples, revisions, frozen, document }
    }),
  )
}

test.each(ways)('%s', async (route, ready) => {
  const { url, body, type } = await ready()
  const [method] = route.split(' ') as ['POST' | 'PUT']
  const headers: Record<string, string> = type ? { 'content-type': type } : {}
  const once = (): Promise<Answer> => send(method, url, body, headers)
  const first = await once()
  expect(first.body).not.toHaveProperty('code')
  expect(first.status).toBeLessThan(300)
  const after = await everything()
  const second = await once()
  expect({ status: second.status < 300, body: second.body }).toEqual({
    status: true,
    body: first.body,
  })
  expect(await everything()).toEqual(after)
})

/** Routes whose second sending is shown elsewhere, or that change nothing that is stored. */
const elsewhere = [
  // server/src/office/office.test.ts
  'POST /api/jobs/{jobId}/notices',
  'POST /api/import',
  'POST /api/jobs/{jobId}/signatures',
  'POST /api/jobs/{jobId}/unfreeze',
  'POST /api/gauges/{gaugeId}/plant',
  // server/src/jobs/deleteJob.test.ts
  'POST /api/jobs/{jobId}/delete',
  // server/src/mail/mail.test.ts
  'POST /api/jobs/{jobId}/mails',
  // server/src/people/held.test.ts
  'POST /api/held',
  'POST /api/jobs/{jobId}/erase',
  // server/src/people/passkeys.test.ts
  'POST /api/passkeys',
  'POST /api/passkeys/asked',
  'POST /api/passkeys/{passkeyId}/remove',
  'POST /api/session/passkey',
  'POST /api/session/passkey/asked',
  // Sessions, invitations and links are made anew each time: server/src/people/people.test.ts
  'POST /api/session',
  'POST /api/session/demo',
  'POST /api/session/end',
  'POST /api/sessions/{sessionId}/end',
  'POST /api/first-run',
  'POST /api/invitation',
  'POST /api/people',
  'POST /api/people/{personId}/invitation',
  'POST /api/people/{personId}/let-go',
  'PUT /api/people/{personId}',
  'PUT /api/password',
  'POST /api/guest',
  'POST /api/jobs/{jobId}/guests',
  'POST /api/jobs/{jobId}/guests/{guestId}/revoke',
]

test('no route that stores something is left out', () => {
  const { paths } = JSON.parse(
    readFileSync(join(__dirname, '../../../docs/generated/openapi.json'), 'utf8'),
  ) as { paths: Record<string, Record<string, unknown>> }
  const stores = Object.entries(paths).flatMap(([path, of]) =>
    Object.keys(of)
      .filter((method) => method !== 'get')
      .map((method) => `${method.toUpperCase()} ${path}`),
  )
  const shown = new Set([...ways.map(([route]) => route), ...elsewhere])
  expect(stores.filter((route) => !shown.has(route))).toEqual([])
  expect([...shown].filter((route) => !stores.includes(route))).toEqual([])
})

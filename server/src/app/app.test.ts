import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { createServer, type Server, type Socket } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { JobFile, JobState, Person, RecordBody } from '@hestian/core'
import {
  atOf,
  blankDocument,
  handTests,
  judge,
  madeOnNow,
  practices,
  solve,
  tickets,
} from '@hestian/core'
import { sha256Of } from '../jobs/canonical'
import { demoJobs } from '../../../demo/src/index'
import type { App } from './app'
import { cookieOf } from './app.testing'
import { buildApp } from './app'

const people: Person[] = [
  { id: 'lead', name: 'Lead Person', role: 'lead', tickets: [...tickets] },
  { id: 'apprentice', name: 'Apprentice Person', role: 'apprentice', tickets: [] },
]
const clock = { now: () => '2026-11-24T09:00:00.000Z' }
let folder: string
let app: App
let count = 0
const act = (by = 'lead') => ({ id: `action-${String(++count).padStart(6, '0')}`, by })

const open = async (gaugePort?: number) => {
  const opened = await buildApp({
    dataFolder: folder,
    clock,
    ...(gaugePort
      ? { gauges: [{ id: 'g', name: 'Gauge', host: '127.0.0.1', port: gaugePort }] }
      : {}),
  })
  await opened.people.add(people)
  await opened.takeUp()
  return opened
}
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'hestian-'))
  app = await open()
})
afterEach(async () => {
  await app.http.close()
  rmSync(folder, { recursive: true })
})

const send = async (method: 'GET' | 'POST' | 'PUT', url: string, body?: unknown) => {
  const answer = await app.http.inject({
    method,
    url: `/api${url}`,
    headers: { cookie: await cookieOf(app, body) },
    ...(body === undefined ? {} : { payload: body as object }),
  })
  return {
    status: answer.statusCode,
    body: (answer.headers['content-type']?.toString().includes('json')
      ? answer.json()
      : undefined) as Record<string, unknown> & { says?: string; code?: string },
    raw: answer.rawPayload,
  }
}
const newJob = async (id = 'job-one') =>
  (
    await send('POST', '/jobs', {
      id,
      name: 'A house',
      address: '',
      practice: 'uk-ireland',
      by: 'lead',
    })
  ).body as unknown as JobState
const load = async (name: keyof ReturnType<typeof demoJobs>) => {
  const file = demoJobs()[name] as JobFile
  await send('POST', '/import', file)
  return file
}

describe('a job', () => {
  test('is made once, however often it is sent', async () => {
    const first = await newJob()
    const second = await newJob()
    expect(second.number).toBe(first.number)
    expect((await send('GET', '/jobs')).body).toMatchObject({ total: 1, jobs: 1 })
  })
  test('keeps the clock it was made on; one that there is not is refused in words', async () => {
    const made = (timeZone: string, id: string) =>
      send('POST', '/jobs', {
        ...{ id, name: 'A lodge', address: '', practice: 'north-america', by: 'lead' },
        timeZone,
      })
    expect((await made('America/Denver', 'lodge')).body).toMatchObject({
      document: { site: { timeZone: 'America/Denver' } },
    })
    expect(await made('Moon/Tranquility', 'base')).toMatchObject({
      status: 400,
      body: { code: 'not-understood' },
    })
  })
  test('cannot be made without a name, or by nobody', async () => {
    expect(
      await send('POST', '/jobs', {
        id: 'x',
        name: ' ',
        address: '',
        practice: 'uk-ireland',
        by: 'lead',
      }),
    ).toMatchObject({
      status: 400,
      body: { code: 'not-understood', says: expect.stringContaining('name') },
    })
    expect(
      await send('POST', '/jobs', {
        id: 'x',
        name: 'A',
        address: '',
        practice: 'uk-ireland',
        by: 'ghost',
      }),
    ).toMatchObject({ status: 403, body: { code: 'other-person' } })
  })
  test('saves its draft, and refuses a stale save with what is here now', async () => {
    const job = await newJob()
    const mine = { ...job.document, site: { ...job.document.site, notes: 'mine' } }
    const theirs = { ...job.document, site: { ...job.document.site, notes: 'theirs' } }
    expect(
      await send('PUT', '/jobs/job-one/draft', { document: theirs, saveNumber: 1, by: 'lead' }),
    ).toMatchObject({ status: 200, body: { saveNumber: 2 } })
    const refused = await send('PUT', '/jobs/job-one/draft', {
      document: mine,
      saveNumber: 1,
      by: 'lead',
    })
    expect(refused).toMatchObject({
      status: 409,
      body: {
        code: 'stale-save',
        current: { saveNumber: 2, document: { site: { notes: 'theirs' } } },
      },
    })
    expect(
      await send('PUT', '/jobs/job-one/draft', { document: theirs, saveNumber: 1, by: 'lead' }),
    ).toMatchObject({ status: 200, body: { saveNumber: 2 } })
  })
  test('is still there after the server was opened again', async () => {
    await newJob()
    await app.http.close()
    app = await open()
    expect((await send('GET', '/jobs/job-one')).status).toBe(200)
  })
})

describe('wrong input gets a sentence and never a 500', () => {
  test.each<[string, 'GET' | 'POST' | 'PUT', string, unknown]>([
    ['no such job', 'GET', '/jobs/nowhere', undefined],
    ['no such address', 'GET', '/nothing/here', undefined],
    ['a text for a body', 'POST', '/jobs', 'hello'],
    ['a number for a body', 'POST', '/jobs', 5],
    ['an empty body', 'POST', '/jobs', {}],
    ['a job file that is not one', 'POST', '/import', { hello: 'there' }],
    ['a job file that is a list', 'POST', '/import', []],
    ['an id with a path in it', 'GET', '/jobs/..%2f..%2fetc', undefined],
    [
      'a name of two megabytes',
      'POST',
      '/jobs',
      { id: 'big', name: 'x'.repeat(2_000_000), address: '', practice: 'uk-ireland', by: 'lead' },
    ],
    [
      'a document with -300 °C',
      'PUT',
      '/jobs/job-one/draft',
      {
        document: {
          ...blankDocument({ name: 'A', address: '', practice: 'uk-ireland' }),
          survey: {
            ...blankDocument({ name: 'A', address: '', practice: 'uk-ireland' }).survey,
            fillTemp_K: { value: -26.85, basis: 'read', from: '' },
          },
        },
        saveNumber: 1,
        by: 'lead',
      },
    ],
    [
      'a negative save number',
      'PUT',
      '/jobs/job-one/draft',
      {
        document: blankDocument({ name: 'A', address: '', practice: 'uk-ireland' }),
        saveNumber: -1,
        by: 'lead',
      },
    ],
    [
      'a step that does not exist',
      'POST',
      '/jobs/job-one/steps/nonsense/sign',
      { id: 'action-x1', by: 'lead' },
    ],
    [
      'a signature on an empty job',
      'POST',
      '/jobs/job-one/signatures',
      { id: 'action-x2', by: 'lead', typedName: 'Lead Person' },
    ],
    [
      'a test without a design',
      'POST',
      '/jobs/job-one/tests',
      {
        id: 'action-x3',
        testId: 'test-0001',
        by: 'lead',
        how: { reading: 'typed', kind: 'digital', resolution_Pa: 10, instrument: '', from_ms: 0 },
        prepared: [],
        off: [],
      },
    ],
    [
      'a forged signature record',
      'POST',
      '/jobs/job-one/records',
      {
        id: 'action-x4',
        by: 'lead',
        at: '2026-11-24T09:00:00.000Z',
        body: {
          kind: 'signature',
          typedName: 'Lead Person',
          revision: 'A',
          restsOn: '',
          ticketsHeld: [],
        },
      },
    ],
  ])('%s', async (_, method, url, body) => {
    await newJob()
    const answer = await send(method, url, body)
    expect(answer.status).toBeGreaterThanOrEqual(400)
    expect(answer.status).toBeLessThan(500)
    expect(answer.body.says).toMatch(/\S.*[.?]$/)
  })
  test('a body that is not JSON', async () => {
    const answer = await app.http.inject({
      method: 'POST',
      url: '/api/jobs',
      payload: '{"id": ',
      headers: { 'content-type': 'application/json', cookie: await cookieOf(app) },
    })
    expect(answer.statusCode).toBe(400)
    expect(answer.json()).toMatchObject({ code: 'not-understood' })
  })
})

describe('records', () => {
  const reading = (id: string, si = 1) => ({
    id,
    by: 'lead',
    at: '2026-11-24T09:00:00.000Z',
    body: {
      kind: 'reading',
      field: 'survey.elevation_m',
      si,
      typed: '1 m',
      basis: 'read',
      instrument: 'map',
    },
  })
  test('a record sent twice is stored once; the same id with other contents is refused', async () => {
    await newJob()
    expect((await send('POST', '/jobs/job-one/records', reading('reading-01'))).status).toBe(201)
    expect((await send('POST', '/jobs/job-one/records', reading('reading-01'))).status).toBe(201)
    expect(await send('POST', '/jobs/job-one/records', reading('reading-01', 2))).toMatchObject({
      status: 409,
      body: { code: 'different-record' },
    })
    expect(((await send('GET', '/jobs/job-one')).body as unknown as JobState).records).toHaveLength(
      1,
    )
  })
  test('the database itself refuses to change or delete what was recorded', async () => {
    await newJob()
    await send('POST', '/jobs/job-one/records', reading('reading-01'))
    await app.http.close()
    // eslint-disable-next-line @typescript-eslint/no-require-imports -- opened behind the app's back on purpose
    const Database = require('better-sqlite3') as new (path: string) => {
      exec: (sql: string) => void
      pragma: (text: string) => unknown
      close: () => void
    }
    const raw = new Database(join(folder, 'hestian.sqlite'))
    expect(() => raw.exec("UPDATE record SET body = '{}'")).toThrow(/append-only/)
    expect(() => raw.exec('DELETE FROM record')).toThrow(/append-only/)
    expect(raw.pragma('journal_mode')).toEqual([{ journal_mode: 'wal' }])
    raw.close()
    app = await open()
  })
})

/** Taps that are safe and hot in time, on the pipes of a job as they are. */
function readTaps(document: JobState['document']): RecordBody {
  const kind = handTests.find(({ id }) => id === 'tap-temperature')
  if (!kind) throw new Error('no such test')
  const on = madeOnNow(kind, atOf(document, practices[document.practice], undefined))
  return {
    ...{ kind: 'measured', reading: kind.id, target: '', typed: {}, instrument: 'probe' },
    values: { washing_K: 318.15, far_K: 321.15, far_s: 8 },
    confirmed: kind.confirms.map(({ id }) => id),
    ...(on === undefined ? {} : { on }),
  }
}

/** What is looked at once more before one leaves. */
async function leave(url: string, items: readonly string[]): Promise<void> {
  for (const item of items) {
    const body = { kind: 'leaving', item, answer: 'done', says: 'seen' }
    const record = { ...act(), at: '2026-11-20T10:00:00Z', body }
    expect((await send('POST', `${url}/records`, record)).status).toBe(201)
  }
}

describe('a commissioning job', () => {
  test('is finished, signed by the right tickets, frozen, and opened again as a new revision', async () => {
    await load('saltbush-ferry')
    const url = '/jobs/saltbush-ferry'
    const at = async () => (await send('GET', url)).body as unknown as JobState
    const taps = `${url}/steps/gas-heater.heater.tap-temp/sign`
    expect(await send('POST', taps, act())).toMatchObject({
      status: 409,
      body: { code: 'guard-open', says: expect.stringContaining('(not made yet)') },
    })
    const test = readTaps((await at()).document)
    const record = { ...act(), at: '2026-11-20T10:00:00Z', body: test }
    expect((await send('POST', `${url}/records`, record)).status).toBe(201)
    const twice = act()
    expect((await send('POST', taps, twice)).status).toBe(201)
    expect((await send('POST', taps, twice)).status).toBe(201)
    for (const [step, guards] of [
      ['gas-heater.heater.explain', ['dial', 'told']],
      ['second-look.dry', ['hours', 'discharges', 'joints']],
    ] as const) {
      for (const guardId of guards)
        await send('POST', `${url}/steps/${step}/guards`, { ...act(), guardId })
      expect((await send('POST', `${url}/steps/${step}/sign`, act())).status).toBe(201)
    }
    expect(
      await send('POST', `${url}/signatures`, { ...act(), typedName: 'Lead Person' }),
    ).toMatchObject({ status: 409, body: { code: 'cannot-sign' } })
    expect(
      await send('POST', `${url}/checks`, { ...act('apprentice'), sheet: 'steps' }),
    ).toMatchObject({ status: 403, body: { code: 'may-not' } })
    expect((await send('POST', `${url}/checks`, { ...act(), sheet: 'steps' })).status).toBe(201)
    const back = { ...act(), answer: 'done' }
    expect((await send('POST', `${url}/items/back-on/tick`, back)).status).toBe(201)
    expect((await send('POST', `${url}/checks`, { ...act(), sheet: 'list' })).status).toBe(201)
    expect(
      await send('POST', `${url}/signatures`, { ...act(), typedName: 'Lead Person' }),
    ).toMatchObject({ status: 409, body: { says: expect.stringContaining('Not said yet') } })
    await leave(url, ['alarm', 'photographed', 'shown'])
    expect(
      await send('POST', `${url}/signatures`, {
        ...act('apprentice'),
        typedName: 'Apprentice Person',
      }),
    ).toMatchObject({ status: 403 })
    expect(
      await send('POST', `${url}/signatures`, { ...act(), typedName: 'Somebody Else' }),
    ).toMatchObject({ status: 400 })
    const signing = { ...act(), typedName: 'lead person' }
    expect(await send('POST', `${url}/signatures`, signing)).toMatchObject({
      status: 201,
      body: { letter: 'A' },
    })
    expect(await send('POST', `${url}/signatures`, signing)).toMatchObject({
      status: 201,
      body: { letter: 'A' },
    })
    const signed = await at()
    expect(signed.frozen).toBe('A')
    const [signature] = signed.records.filter((one) => one.body.kind === 'signature')
    expect(signature?.body).toMatchObject({ sha256: sha256Of(signed.document) })
    expect(
      await send('PUT', `${url}/draft`, {
        document: signed.document,
        saveNumber: signed.saveNumber,
        by: 'lead',
      }),
    ).toMatchObject({ status: 409, body: { code: 'frozen' } })
    // Only the revision that is signed is received.
    const received = (revision: string) => ({
      ...act(),
      at: '2026-11-24T09:00:00Z',
      body: { kind: 'received', revision, name: 'Kiosk Keeper', drawn: 'M1 2L30 40' },
    })
    expect(await send('POST', `${url}/records`, received('B'))).toMatchObject({
      status: 400,
      body: { says: expect.stringContaining('revision A is') },
    })
    expect((await send('POST', `${url}/records`, received('A'))).status).toBe(201)
    expect((await send('POST', `${url}/unfreeze`, act())).status).toBe(201)
    expect((await at()).frozen).toBeNull()
    expect(await send('POST', `${url}/records`, received('A'))).toMatchObject({
      status: 400,
      body: { says: expect.stringContaining('Nothing is signed') },
    })
    expect((await send('GET', `${url}/revisions/A`)).body.signed).toBe(true)
    expect((await send('GET', `${url}/handover.pdf`)).status).toBe(200)
  })
  test('prints its sheet as a PDF with the job inside', async () => {
    await load('kestrel-weir')
    const { raw, status } = await send('GET', '/jobs/kestrel-weir/handover.pdf')
    expect(status).toBe(200)
    expect(raw.subarray(0, 5).toString()).toBe('%PDF-')
    expect(raw.includes('hestian-job-0417.json')).toBe(true)
  }, 20_000)
})

describe('export and import', () => {
  test.each(['kestrel-weir', 'juniper-ridge', 'saltbush-ferry'] as const)(
    '%s goes out and comes in without loss',
    async (name) => {
      await load(name)
      const out = (await send('GET', `/jobs/${name}/export`)).body
      expect(await send('POST', '/import', out)).toMatchObject({
        status: 409,
        body: { code: 'already-here' },
      })
      await app.http.close()
      rmSync(folder, { recursive: true })
      app = await open()
      expect((await send('POST', '/import', out)).status).toBe(201)
      expect((await send('GET', `/jobs/${name}/export`)).body).toEqual(out)
    },
  )
})

describe('a streamed tightness test', () => {
  let server: Server
  let sockets: Set<Socket>
  let asked: string[]
  let port: number
  beforeEach(async () => {
    sockets = new Set()
    asked = []
    server = createServer((socket) => {
      sockets.add(socket)
      socket.on('data', (data) => asked.push(...data.toString().split('\n').filter(Boolean)))
      socket.on('error', () => undefined)
      socket.write(
        'HELLO protocol=1 name=Test_gauge simulated=no resolution_Pa=10 interval_ms=1000\n',
      )
    })
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
    port = (server.address() as { port: number }).port
    await app.http.close()
    app = await open(port)
  })
  afterEach(async () => {
    for (const socket of sockets) socket.destroy()
    await new Promise((done) => server.close(done))
  })

  const say = (from_s: number, to_s: number, gauge_Pa: (t: number) => number) => {
    for (let t = from_s; t <= to_s; t++)
      for (const socket of sockets)
        socket.write(`S t_ms=${t * 1000} gauge_Pa=${gauge_Pa(t)} temp_K=288.15\n`)
  }
  /** Waits for a condition of the store, not for a time. */
  const until = async (holds: (state: JobState) => boolean): Promise<JobState> => {
    for (let i = 0; i < 2000; i++) {
      const state = (await send('GET', '/jobs/kestrel-weir')).body as unknown as JobState
      if (holds(state)) return state
      await new Promise((done) => setImmediate(done))
    }
    throw new Error('never happened')
  }
  const begin = async (testId: string, by = 'lead', jobId = 'kestrel-weir') =>
    send('POST', `/jobs/${jobId}/tests`, {
      ...act(by),
      testId,
      how: { reading: 'streamed', gaugeId: 'g' },
      prepared: ['meter', 'boiler', 'range', 'cabinet'],
      off: [{ name: 'Galley range', state: 'disconnected', because: 'test' }],
    })
  const live = async () => {
    for (let i = 0; i < 500; i++) {
      const { body } = await send('GET', '/gauges')
      if ((body as unknown as { state: string; latest?: object }[])[0]?.latest) return
      say(1000, 1000, () => 2000)
      await new Promise((done) => setTimeout(done, 10))
    }
  }

  test('stores each sample, ends by itself with a verdict, and takes up again after a restart without losing one', async () => {
    await load('kestrel-weir')
    await live()
    expect(await begin('test-apprentice', 'apprentice')).toMatchObject({
      status: 403,
      body: { code: 'ticket-missing' },
    })
    expect((await begin('test-streamed')).status).toBe(201)
    expect(await begin('test-second')).toMatchObject({
      status: 409,
      body: { code: 'test-running' },
    })
    say(1001, 1080, () => 2000)
    await until((state) => (state.samples['test-streamed']?.length ?? 0) >= 80)
    await app.http.close()
    app = await open(port)
    for (let i = 0; i < 500 && !asked.includes('FROM 1080000'); i++)
      await new Promise((done) => setTimeout(done, 10))
    expect(asked).toContain('FROM 1080000')
    say(1081, 1185, () => 2000)
    const state = await until((one) =>
      one.records.some(
        (record) => record.body.kind === 'test-ended' && record.body.testId === 'test-streamed',
      ),
    )
    const times = state.samples['test-streamed']?.map((sample) => sample.at_ms / 1000) ?? []
    expect(times.filter((t) => t > 1000 && t <= 1180)).toEqual(
      Array.from({ length: 180 }, (_, i) => 1001 + i),
    )
    expect(
      state.records.some(
        (record) =>
          record.body.kind === 'off' &&
          record.body.name === 'Galley range' &&
          record.body.testId === 'test-streamed',
      ),
    ).toBe(true)
  }, 30_000)

  test('a gauge reads one test at a time, whichever job it is of', async () => {
    await load('kestrel-weir')
    await send('POST', '/jobs/kestrel-weir/duplicate', { id: 'twin', name: 'Twin', by: 'lead' })
    await live()
    expect((await begin('test-first')).status).toBe(201)
    expect(await begin('test-other', 'lead', 'twin')).toMatchObject({
      status: 409,
      body: { code: 'gauge-busy', says: expect.stringContaining('another gauge') },
    })
    await send('POST', '/jobs/kestrel-weir/tests/test-first/end', act())
    expect((await begin('test-other', 'lead', 'twin')).status).toBe(201)
  })

  test('two stages are tested beside each other, one pipe never twice', async () => {
    const file = demoJobs()['juniper-ridge'] as JobFile
    const read = (value: number) => ({ value, basis: 'read' as const, from: 'Marked on it' })
    const { survey, gas } = file.document
    const [first, ...rest] = gas.segments
    if (!first) throw new Error('no pipe')
    // Ten psi in the ground and a second regulator at the house.
    const feed = {
      ...{ ...first, id: 'feed', name: 'Containers to house' },
      regulator: {
        ...{ outGauge_Pa: read(2740), drop_Pa: read(300), most_m3_s: read(0.01) },
        vent: 'outside' as const,
      },
    }
    const document = {
      ...file.document,
      survey: { ...survey, gasWorkingGauge_Pa: read(68947.57) },
      gas: { ...gas, segments: [feed, { ...first, from: 'feed' }, ...rest] },
    }
    expect((await send('POST', '/import', { ...file, document })).status).toBe(201)
    const { records } = file
    const { gasTests } = judge(solve(document), { entries: records, samples: {} })
    const stages = gasTests.filter(({ id }) => id.startsWith('tightness'))
    expect(stages.length).toBeGreaterThan(1)
    const beginStage = (i: number, testId: string) => {
      const { id, test } = stages[i] ?? stages[0] ?? { id: '', test: undefined }
      const { preparations = [], confirms = [] } = test ?? {}
      return send('POST', '/jobs/juniper-ridge/tests', {
        ...act(),
        testId,
        test: id,
        how: {
          ...{ reading: 'typed', kind: 'digital', resolution_Pa: 1, instrument: '', from_ms: 0 },
        },
        prepared: [...preparations, ...confirms].map((one) => one.id),
        off: [],
      })
    }
    expect(await beginStage(0, 'test-low')).toMatchObject({ status: 201 })
    expect(await beginStage(1, 'test-high')).toMatchObject({ status: 201 })
    expect(await beginStage(0, 'test-again')).toMatchObject({
      status: 409,
      body: { code: 'test-running', says: expect.stringContaining('on this pipe already') },
    })
  })

  test('cannot begin unprepared, and cannot be typed into', async () => {
    await load('kestrel-weir')
    await live()
    expect(
      await send('POST', '/jobs/kestrel-weir/tests', {
        ...act(),
        testId: 'test-unready',
        how: { reading: 'streamed', gaugeId: 'g' },
        prepared: [],
        off: [],
      }),
    ).toMatchObject({
      status: 409,
      body: { code: 'not-yet', says: expect.stringContaining('Galley range') },
    })
    expect((await begin('test-streamed')).status).toBe(201)
    expect(
      (
        await send('POST', '/jobs/kestrel-weir/tests/test-streamed/samples', {
          ...act(),
          sample: { at_ms: 1, gauge_Pa: 1 },
        })
      ).status,
    ).toBe(400)
    expect((await send('POST', '/jobs/kestrel-weir/tests/test-streamed/end', act())).status).toBe(
      201,
    )
    // Pressed again it has ended all the same; what would change it is refused.
    expect((await send('POST', '/jobs/kestrel-weir/tests/test-streamed/end', act())).status).toBe(
      201,
    )
    expect(
      await send('POST', '/jobs/kestrel-weir/tests/test-streamed/top-up', act()),
    ).toMatchObject({
      status: 409,
      body: { code: 'test-over' },
    })
  }, 30_000)
})

test('a typed test takes readings, reaches its verdict and can be repaired', async () => {
  await load('kestrel-weir')
  const url = '/jobs/kestrel-weir/tests'
  await send('POST', url, {
    ...act(),
    testId: 'test-typed',
    how: {
      reading: 'typed',
      kind: 'water-gauge',
      resolution_Pa: 25,
      instrument: 'U gauge',
      from_ms: 0,
    },
    prepared: ['meter', 'boiler', 'range', 'cabinet'],
    off: [],
  })
  for (const [at_ms, gauge_Pa] of [
    [60_000, 2000],
    [180_000, 1900],
  ])
    expect(
      (
        await send('POST', `${url}/test-typed/samples`, {
          ...act(),
          sample: { at_ms, gauge_Pa, temp_K: 288 },
        })
      ).status,
    ).toBe(201)
  expect(
    await send('POST', `${url}/test-typed/samples`, {
      ...act(),
      sample: { at_ms: 200_000, gauge_Pa: 1900 },
    }),
  ).toMatchObject({ status: 409, body: { code: 'test-over' } })
  expect(
    (await send('POST', `${url}/test-typed/repair`, { ...act(), what: 'joint remade' })).status,
  ).toBe(201)
})

test('the stored demo files are what the rules make of the demo documents', () => {
  for (const [name, file] of Object.entries(demoJobs()))
    expect(
      JSON.parse(readFileSync(join(__dirname, '../../../demo/jobs', `${name}.json`), 'utf8')),
    ).toEqual(JSON.parse(JSON.stringify(file)))
})

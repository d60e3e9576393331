import { createHash } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { BoardPage, JobFile, JobState } from '@hestian/core'
import sharp from 'sharp'
import { DataSource } from 'typeorm'
import { demoJobs } from '../../../demo/src/index'
import { paperPdf } from '../../../demo/src/evidence'
import { FirstTables1790000000000 } from '../db/firstTables'
import { exifOfPlace, withExif } from '../../../e2e/exif'
import type { App } from './app'
import { cookieOf } from './app.testing'
import { buildApp } from './app'

let folder: string
let app: App
let minute = 0
const clock = {
  now: () => new Date(Date.parse('2026-11-25T09:00:00Z') + minute++ * 60_000).toISOString(),
}
const open = async () => {
  const opened = await buildApp({ dataFolder: folder, clock })
  await opened.people.add([{ id: 'lead', name: 'Lead Person', role: 'lead', tickets: ['gas'] }])
  await opened.takeUp()
  return opened
}
beforeEach(async () => {
  minute = 0
  folder = mkdtempSync(join(tmpdir(), 'hestian-'))
  app = await open()
})
afterEach(async () => {
  await app.http.close()
  rmSync(folder, { recursive: true })
})

const take = async (url: string) =>
  app.http.inject({ url, headers: { cookie: await cookieOf(app) } })
const send = async (method: 'GET' | 'POST' | 'PUT', url: string, body?: object) => {
  const answer = await app.http.inject({
    method,
    url: `/api${url}`,
    headers: { cookie: await cookieOf(app, body) },
    ...(body === undefined ? {} : { payload: body }),
  })
  return { status: answer.statusCode, body: answer.json<Record<string, unknown>>() }
}
const board = async (query = '') =>
  (await send('GET', `/jobs${query}`)).body as unknown as BoardPage
const make = (id: string, name: string, address = '') =>
  send('POST', '/jobs', { id, name, address, practice: 'uk-ireland', by: 'lead' })

describe('the board', () => {
  test('is searched, filtered, sorted and paged by the server', async () => {
    for (let i = 0; i < 30; i++)
      await make(
        `job-${i}`,
        `House ${String(i).padStart(2, '0')}`,
        i % 10 === 3 ? '3 Mill_Lane' : '1 High Street',
      )
    expect(await board('?size=10&page=3&sort=name')).toMatchObject({
      total: 30,
      page: 3,
      rows: expect.arrayContaining([expect.objectContaining({ name: 'House 20' })]) as unknown,
    })
    expect((await board('?find=mill_lane')).rows.map((row) => row.name).sort()).toEqual([
      'House 03',
      'House 13',
      'House 23',
    ])
    // Signs of the pattern language are letters like others.
    expect((await board('?find=%25')).total).toBe(0)
    expect((await board('?find=m_ll')).total).toBe(0)
    expect((await board('?find=house%2013%20mill')).total).toBe(1)
    await make('umlaut', 'Ölmühle')
    expect((await board(`?find=${encodeURIComponent('ÖLMÜHLE')}`)).total).toBe(1)
    expect((await board('?stage=design')).total).toBe(0)
    expect((await board('?sort=number&find=house')).rows[0]?.name).toBe('House 29')
    expect((await board('?page=9')).rows).toEqual([])
  })
  test.each([
    '?page=0',
    '?size=1000',
    '?stage=kitchen',
    '?sort=colour',
    `?find=${'x'.repeat(300)}`,
  ])('%s is refused with a sentence', async (query) => {
    expect(await send('GET', `/jobs${query}`)).toMatchObject({
      status: 400,
      body: { code: 'not-understood' },
    })
  })
  test('says what a job waits for, as it is stored', async () => {
    await send('POST', '/import', demoJobs()['kestrel-weir'] as JobFile)
    const [row] = (await board()).rows
    expect(row).toMatchObject({
      stage: 'commission',
      sheet: 'steps',
      off: 3,
      stops: 0,
      waits: expect.stringContaining('step 12') as string,
    })
    expect(await board('?stage=commission')).toMatchObject({
      total: 1,
      withOff: 1,
      byStage: { commission: 1 },
    })
    const job = (await send('GET', '/jobs/kestrel-weir')).body as unknown as JobState
    await send('PUT', '/jobs/kestrel-weir/draft', {
      document: { ...job.document, site: { ...job.document.site, name: 'Kestrel Weir, renamed' } },
      saveNumber: job.saveNumber,
      by: 'lead',
    })
    expect((await board('?find=renamed')).total).toBe(1)
  })
  test('archives a job and gives it back', async () => {
    await make('one', 'One')
    expect((await send('POST', '/jobs/one/archive', { archived: true, by: 'lead' })).status).toBe(
      200,
    )
    expect(await board()).toMatchObject({ total: 0, archived: 1 })
    expect((await board('?archived=yes')).rows[0]).toMatchObject({ id: 'one', archived: true })
    await send('POST', '/jobs/one/archive', { archived: false, by: 'lead' })
    expect((await board()).total).toBe(1)
    expect(await board()).toMatchObject({ archivedWithOff: 0, unreadable: 0 })
    await send('POST', '/import', demoJobs()['kestrel-weir'] as JobFile)
    expect(await board()).toMatchObject({ withOff: 1, archivedWithOff: 0 })
    await send('POST', '/jobs/kestrel-weir/archive', { archived: true, by: 'lead' })
    expect(await board()).toMatchObject({ withOff: 0, archived: 1, archivedWithOff: 1 })
    expect(await send('POST', '/jobs/ghost/archive', { archived: true, by: 'lead' })).toMatchObject(
      { status: 404 },
    )
  })
  test('duplicates a job as a template, once, with its figures in pencil', async () => {
    await send('POST', '/import', demoJobs()['juniper-ridge'] as JobFile)
    const copy = () =>
      send('POST', '/jobs/juniper-ridge/duplicate', {
        id: 'copy',
        name: 'Second bunkhouse',
        by: 'lead',
      })
    expect((await copy()).status).toBe(201)
    const again = (await copy()).body as unknown as JobState
    expect((await board()).total).toBe(2)
    expect(again.records).toEqual([])
    expect(again.document.survey.looked.shakes).toBeNull()
    expect(again.document.appliances[0]?.input_W).toMatchObject({
      basis: 'assumed',
      from: 'as on job 0423',
    })
    expect(
      await send('POST', '/jobs/juniper-ridge/duplicate', { id: 'copy-2', name: ' ', by: 'lead' }),
    ).toMatchObject({ status: 400 })
  })
})

test('a data folder of the first version opens: jobs are brought forward and summed up', async () => {
  await app.http.close()
  rmSync(folder, { recursive: true })
  folder = mkdtempSync(join(tmpdir(), 'hestian-'))
  const old = new DataSource({
    type: 'better-sqlite3',
    database: join(folder, 'hestian.sqlite'),
    migrations: [FirstTables1790000000000],
    migrationsRun: true,
  })
  await old.initialize()
  const document = {
    version: 1,
    practice: 'uk-ireland',
    site: { name: 'Old house', address: '2 Lane', notes: '', seismic: true },
    survey: {
      elevation_m: null,
      coldMainStaticGauge_Pa: null,
      incomingTemp_K: null,
      fillTemp_K: null,
      maxFlowTemp_K: null,
      highLimitTemp_K: null,
      topEmitterHeight_m: null,
      gasStaticGauge_Pa: null,
      gasWorkingGauge_Pa: null,
      gasLoad: 'not-stated',
      fuel: 'natural-gas',
      sizeOn: { on: 'higher' },
    },
    appliances: [],
    heating: null,
    gas: { segments: [], meterMaxTestGauge_Pa: null },
  }
  await old.query(
    'INSERT INTO job (id, number, draft, saveNumber, frozen, createdAt) VALUES (?, ?, ?, ?, ?, ?)',
    ['old', '0401', JSON.stringify(document), 4, null, '2026-11-01T08:00:00.000Z'],
  )
  await old.destroy()
  app = await open()
  expect((await board()).rows[0]).toMatchObject({
    name: 'Old house',
    stage: 'survey',
    changedAt: '2026-11-01T08:00:00.000Z',
  })
  expect((await send('GET', '/jobs/old')).body).toMatchObject({
    document: {
      version: 9,
      reliefs: [],
      survey: { looked: { shakes: { answer: 'yes' }, freezing: null } },
    },
  })
})

describe('evidence', () => {
  const hashOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')
  const put = async (bytes: Buffer, hash = hashOf(bytes), type = 'application/octet-stream') => {
    const answer = await app.http.inject({
      method: 'PUT',
      url: `/api/evidence/${hash}`,
      headers: { 'content-type': type, cookie: await cookieOf(app) },
      payload: bytes,
    })
    return {
      status: answer.statusCode,
      body: answer.json<{ says?: string; code?: string; type?: string }>(),
    }
  }
  const paper = paperPdf('Manual', ['one page'])
  test('is kept by its hash, once, and comes back as it was', async () => {
    expect(await put(paper)).toMatchObject({ status: 201, body: { type: 'application/pdf' } })
    expect((await put(paper, hashOf(paper), 'application/pdf')).status).toBe(201)
    expect(readdirSync(join(folder, 'evidence'))).toEqual([hashOf(paper)])
    const back = await take(`/api/evidence/${hashOf(paper)}`)
    expect(back.rawPayload.equals(paper)).toBe(true)
    expect(back.headers).toMatchObject({
      'content-type': 'application/pdf',
      'x-content-type-options': 'nosniff',
    })
  })
  test('is refused with a sentence: damaged, unknown, HEIC, or saying where it was taken', async () => {
    expect(await put(paper, 'a'.repeat(64))).toMatchObject({
      status: 400,
      body: { code: 'not-evidence', says: expect.stringContaining('hash') },
    })
    expect(await put(Buffer.from('<svg xmlns="x"/>'))).toMatchObject({
      status: 400,
      body: { says: expect.stringContaining('neither a photograph') },
    })
    expect(
      await put(
        Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(20)]),
      ),
    ).toMatchObject({ status: 400, body: { says: expect.stringContaining('HEIC') } })
    const photo = await sharp({
      create: { width: 40, height: 30, channels: 3, background: '#888' },
    })
      .jpeg()
      .toBuffer()
    expect(await put(withExif(photo, exifOfPlace()))).toMatchObject({
      status: 400,
      body: { says: expect.stringContaining('where it was taken') as string },
    })
    expect((await take(`/api/evidence/${'b'.repeat(64)}`)).statusCode).toBe(404)
    expect((await take('/api/evidence/..%2f..%2fhestian.sqlite')).statusCode).toBe(400)
    expect((await put(Buffer.alloc(21 * 1024 * 1024))).status).toBe(413)
    expect(readdirSync(join(folder, 'evidence'))).toEqual([])
  })
  test('a drawn photograph of the demo is taken', async () => {
    expect(await put(readFileSync('demo/evidence/plate-system-boiler.png'))).toMatchObject({
      status: 201,
      body: { type: 'image/png' },
    })
  })
})

test('a person reads in units of their own; a unit that does not measure that is refused', async () => {
  expect((await send('PUT', '/people/lead/units', { 'water-pressure': 'psi' })).status).toBe(200)
  expect((await send('GET', '/people')).body).toMatchObject([
    { id: 'lead', units: { 'water-pressure': 'psi' } },
  ])
  expect(await send('PUT', '/people/lead/units', { 'water-pressure': 'kW' })).toMatchObject({
    status: 400,
    body: { says: expect.stringContaining('does not measure') },
  })
  expect(await send('PUT', '/people/ghost/units', {})).toMatchObject({
    status: 403,
    body: { code: 'may-not' },
  })
})

test('what is seen, tried and inspected is recorded; a step is not', async () => {
  await make('one', 'One')
  const record = (body: object, id = `record-${minute}`) =>
    send('POST', '/jobs/one/records', { id, at: clock.now(), by: 'lead', body })
  expect(
    (
      await record({
        kind: 'looked',
        field: 'survey.looked.freezing',
        answer: 'no',
        basis: 'measured',
        from: 'Seen',
      })
    ).status,
  ).toBe(201)
  expect(
    (
      await record({
        kind: 'draught',
        trial: { held: [], smoke: 'out', note: '', at: clock.now() },
      })
    ).status,
  ).toBe(201)
  expect(
    (await record({ kind: 'snag', what: 'drip loop', owner: 'Tobias', due: '2026-12-01' })).status,
  ).toBe(201)
  expect(
    await record({ kind: 'snag', what: 'drip loop', owner: 'Tobias', due: 'soon' }),
  ).toMatchObject({ status: 400 })
  expect(await record({ kind: 'step', stepId: 'power-off', guards: [] })).toMatchObject({
    status: 400,
  })
  expect((await board()).rows[0]).toMatchObject({ snags: 1 })
})

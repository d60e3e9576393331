import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { JobDocument, JobFile, JobState, Person } from '@hestian/core'
import { blankGasSegment, blankWaterSegment, tickets } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { judged } from '../jobs/judged'
import { asStaff } from '../people/staff.testing'
import { handoverSheet } from '../pack/handoverSheet'
import type { App } from './app'
import { cookieOf } from './app.testing'
import { buildApp } from './app'

const people: Person[] = [{ id: 'lead', name: 'Lead Person', role: 'lead', tickets: [...tickets] }]
let folder: string
let app: App
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'hestian-'))
  app = await buildApp({ dataFolder: folder, clock: { now: () => '2026-11-25T09:00:00.000Z' } })
  await app.people.add(people)
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
    raw: answer.rawPayload,
    body: (answer.headers['content-type']?.toString().includes('json') ? answer.json() : {}) as {
      says?: string
      code?: string
      saveNumber?: number
    } & Partial<JobState>,
  }
}
const begin = async () =>
  (
    await send('POST', '/jobs', {
      id: 'pipes',
      name: 'Pipes',
      address: '',
      practice: 'uk-ireland',
      by: 'lead',
    })
  ).body as JobState
const save = (document: unknown, saveNumber = 1) =>
  send('PUT', '/jobs/pipes/draft', { document, saveNumber, by: 'lead' })
const gasPipe = (change: object = {}) => ({
  ...blankGasSegment({ id: 'a', name: 'A', from: 'meter', material: 'copper-en1057' }),
  ...change,
})
const waterPipe = (change: object = {}) => ({
  ...blankWaterSegment({ id: 'a', name: 'A', from: 'meter', material: 'copper-en1057' }),
  ...change,
})
const withGas = (document: JobDocument, segments: readonly unknown[]) => ({
  ...document,
  gas: { ...document.gas, segments },
})
const withWater = (document: JobDocument, segments: readonly unknown[]) => ({
  ...document,
  water: { ...document.water, segments },
})

describe('what cannot be a pipe is refused with a sentence, and what was there stays', () => {
  test.each<readonly [string, (document: JobDocument) => unknown, RegExp]>([
    [
      'a material nobody makes',
      (document) => withGas(document, [gasPipe({ material: 'straw' })]),
      /segments 0 material: Invalid option/,
    ],
    [
      'more pipes than are kept',
      (document) =>
        withWater(
          document,
          Array.from({ length: 601 }, (_, i) => waterPipe({ id: `p${i}` })),
        ),
      /at most 600 pipes/,
    ],
    [
      'a name left out',
      (document) => withWater(document, [waterPipe({ name: ' ' })]),
      /needs a name/,
    ],
    ['half an elbow', (document) => withGas(document, [gasPipe({ elbows: 0.5 })]), /whole number/],
    [
      'a length past a kilometre',
      (document) =>
        withGas(document, [gasPipe({ length_m: { value: 5000, basis: 'read', from: '' } })]),
      /must be .* to 1000/,
    ],
    [
      'no taps at an end',
      (document) =>
        withWater(document, [waterPipe({ end: { kind: 'outlet', outletId: 'x', count: 0 } })]),
      /at least one/,
    ],
    [
      'an end of no kind',
      (document) => withWater(document, [waterPipe({ end: { kind: 'sauna' } })]),
      /segments 0 end kind/,
    ],
    [
      'a price below nothing',
      (document) => ({
        ...document,
        prices: [{ material: 'copper-en1057', size: '15 mm', perMetre: -1 }],
      }),
      /0 or more/,
    ],
    [
      'a share without its rule',
      (document) => ({
        ...document,
        gas: { ...document.gas, diversity: { ratio: null, rule: '' } },
      }),
      /say which rule/,
    ],
    [
      'two pipes of one id',
      (document) => withGas(document, [gasPipe(), gasPipe({ name: 'Again' })]),
      /two rows have one id/,
    ],
  ])('%s', async (_what, change, says) => {
    const job = await begin()
    const refused = await save(change(job.document))
    expect(refused).toMatchObject({
      status: 400,
      body: { says: expect.stringMatching(says) as string },
    })
    expect((await send('GET', '/jobs/pipes')).body).toMatchObject({
      saveNumber: 1,
      document: { gas: { segments: [] }, water: { segments: [] } },
    })
  })
})

describe('a tree that is wrong but may be half drawn is kept as it is', () => {
  test.each<readonly [string, (document: JobDocument) => unknown]>([
    [
      'a ring of gas',
      (document) =>
        withGas(document, [gasPipe({ from: 'b' }), gasPipe({ id: 'b', name: 'B', from: 'a' })]),
    ],
    ['an orphan of water', (document) => withWater(document, [waterPipe({ from: 'gone' })])],
    ['a size nobody makes', (document) => withGas(document, [gasPipe({ size: '13 mm' })])],
    [
      'a pipe of no length',
      (document) =>
        withWater(document, [waterPipe({ length_m: { value: 0, basis: 'read', from: '' } })]),
    ],
  ])(
    '%s',
    async (_what, change) => {
      const job = await begin()
      expect(await save(change(job.document))).toMatchObject({
        status: 200,
        body: { saveNumber: 2 },
      })
      expect((await send('GET', '/jobs/pipes')).status).toBe(200)
      expect((await send('GET', '/jobs')).status).toBe(200)
      expect((await send('GET', '/jobs/pipes/handover.pdf')).raw.subarray(0, 5).toString()).toBe(
        '%PDF-',
      )
    },
    20_000,
  )
})

test('the printed sheet holds the water feed with its drawing, its waits, its return and its workings', async () => {
  await send('POST', '/import', demoJobs()['kestrel-weir'] as JobFile)
  const state = (await send('GET', '/jobs/kestrel-weir')).body as JobState
  const { content } = handoverSheet({
    state,
    ...judged(state),
    people: asStaff(people),
    printedAt: '2026-11-25T09:00:00.000Z',
  })
  const printed = JSON.stringify(content)
  for (const said of [
    'Water feed',
    'Stopcock to A',
    'Wait for hot water',
    'Secondary return',
    'Filling the heating',
    'q = heat lost / (density',
    'Water pipes from the main to',
  ])
    expect(printed).toContain(said)
})

test('a job of the version before comes in with its pipes and takes a water feed', async () => {
  const file = structuredClone(demoJobs()['saltbush-ferry']) as unknown as {
    document: Record<string, unknown>
  }
  file.document.version = 3
  delete file.document.water
  delete file.document.prices
  expect(await send('POST', '/import', file)).toMatchObject({ status: 201 })
  const state = (await send('GET', '/jobs/saltbush-ferry')).body as JobState
  expect(state.document).toMatchObject({
    version: 9,
    water: { segments: [] },
    gas: { segments: [{ name: 'Meter to tee' }, {}, {}] },
  })
  const saved = await send('PUT', '/jobs/saltbush-ferry/draft', {
    document: withWater(state.document, [waterPipe()]),
    saveNumber: state.saveNumber,
    by: 'lead',
  })
  expect(saved.status).toBe(200)
})

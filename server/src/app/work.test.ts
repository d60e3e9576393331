import type { JobFile, JobState, RecordBody } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { Bench } from './app.testing'

let bench: Bench
let send: Bench['send']
let act: Bench['act']
beforeEach(async () => {
  bench = new Bench()
  act = bench.act
  send = bench.send.bind(bench)
  await bench.open()
  await send('POST', '/import', demoJobs()['thornfield-scout-hut'] as JobFile)
})
afterEach(() => bench.end())

const hut = '/jobs/thornfield-scout-hut'
const state = async () => (await send('GET', hut)).body as unknown as JobState
const tick = (item: string, more: object) =>
  send('POST', `${hut}/items/${item}/tick`, { ...act(), answer: 'done', ...more })
/** Confirms guards of a step of the exchange, then signs it. */
const step = async (id: string, guards: readonly string[], more: object = {}) => {
  const url = `${hut}/steps/exchange.${id}`
  for (const guardId of guards) await send('POST', `${url}/guards`, { ...act(), guardId })
  return send('POST', `${url}/sign`, { ...act(), ...more })
}
const kept = (id: string, body: RecordBody) => ({
  id,
  at: '2026-11-20T10:00:00Z',
  by: 'lead',
  body,
})

describe('a relief exchanged', () => {
  test('is done step by step, checked, signed, and printed on one page', async () => {
    expect(await step('hot-read', ['top'])).toMatchObject({
      status: 400,
      body: { code: 'reading-missing' },
    })
    const high = { reading: { si: 2e5, typed: '29 psi' } }
    expect(await step('hot-read', [], high)).toMatchObject({
      status: 400,
      body: { code: 'reading-missing', says: expect.stringContaining('outside its limits') },
    })
    const read = { reading: { si: 1.4e5, typed: '20 psi' } }
    expect((await step('hot-read', [], read)).status).toBe(201)
    expect((await step('dry', ['discharge', 'joints', 'told'])).status).toBe(201)
    expect(await tick('back-on', { answer: 'not-here', because: 'late' })).toMatchObject({
      status: 400,
    })
    expect((await tick('back-on', {})).status).toBe(201)
    expect((await send('POST', `${hut}/checks`, { ...act(), sheet: 'list' })).status).toBe(201)
    expect((await send('POST', `${hut}/checks`, { ...act(), sheet: 'steps' })).status).toBe(201)
    const signing = { ...act(), typedName: 'Lead Person' }
    expect(await send('POST', `${hut}/signatures`, signing)).toMatchObject({ status: 201 })
    expect(await send('GET', '/jobs')).toMatchObject({
      body: { rows: [{ stage: 'done', work: 'One safety part exchanged', unsafe: 0 }] },
    })
    const paper = await send('GET', `${hut}/record.pdf`)
    expect(paper.status).toBe(200)
    expect(paper.raw.subarray(0, 5).toString()).toBe('%PDF-')
    expect(paper.raw.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1)
    expect(paper.raw.includes('hestian-job-0426.json')).toBe(true)
  }, 30_000)
  test('an item that is not on its list is refused', async () => {
    expect(await tick('purged', {})).toMatchObject({ status: 409, body: { code: 'no-such-step' } })
    expect(await tick('x'.repeat(80), {})).toMatchObject({ status: 400 })
    expect(
      (await state()).records.some(({ body }) => body.kind === 'ticked' && body.item === 'purged'),
    ).toBe(false)
  })
})

describe('an unsafe situation', () => {
  const seen = kept('record-unsafe', {
    ...{ kind: 'unsafe', class: 'immediate', what: 'flue apart in the closet', done: 'shut off' },
    ...{ label: 'hung', notice: 'refused', toWhom: 'warden', reportedTo: '', sheet: 'exchange' },
  })
  test('is kept, shown on the board, printed for the person responsible, and ended by name', async () => {
    expect((await send('POST', `${hut}/records`, seen)).status).toBe(201)
    expect((await send('POST', `${hut}/records`, seen)).status).toBe(201)
    expect(await send('GET', '/jobs')).toMatchObject({ body: { rows: [{ unsafe: 1 }] } })
    const paper = await send('GET', `${hut}/unsafe/record-unsafe.pdf`)
    expect(paper.raw.subarray(0, 5).toString()).toBe('%PDF-')
    const ended = kept('record-ended', {
      ...{ kind: 'unsafe-ended', unsafe: 'record-unsafe', how: 'flue renewed, draught tried' },
    })
    expect((await send('POST', `${hut}/records`, ended)).status).toBe(201)
    expect(await send('GET', '/jobs')).toMatchObject({ body: { rows: [{ unsafe: 0 }] } })
  }, 20_000)
  test('without a word of what was done is refused', async () => {
    const nothing = { ...seen, body: { ...seen.body, done: ' ' } }
    expect(await send('POST', `${hut}/records`, nothing)).toMatchObject({
      status: 400,
      body: { says: expect.stringContaining('say what was done') as string },
    })
  })
})

test('a leak made safe is kept apart from its mending', async () => {
  const made = kept('record-made', {
    ...{ kind: 'made-safe', where: 'union at the heater', how: 'capped', without: 'heater' },
  })
  expect((await send('POST', `${hut}/records`, made)).status).toBe(201)
  expect((await state()).records.at(-1)?.body).toMatchObject({ kind: 'made-safe', how: 'capped' })
})

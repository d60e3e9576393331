import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Held, JobFile, JobState } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { Bench, lead } from '../app/app.testing'
import { verify } from '../backup/verify'
import { judged } from '../jobs/judged'
import { handoverSheet } from '../pack/handoverSheet'
import { asStaff } from './staff.testing'

// Iris Fenwick lives at the scout hut of this file, signed for what was handed over there, and asks
// to be erased.

let bench: Bench
const hut = '/jobs/thornfield-scout-hut'
/** Already the first of December for the server, still the last of November in Thornfield. */
const clock = { now: () => '2026-12-01T04:25:00.000Z' }
const today = '2026-11-30'
const instead = `[redacted ${today}]`
const name = 'Iris Fenwick'
const plate = readFileSync(join(__dirname, '../../../demo/evidence/plate-storage-heater.png'))
const hash = createHash('sha256').update(plate).digest('hex')
const photo = { hash, type: 'image/png', name: 'Gate of Iris Fenwick', bytes: plate.length }

beforeEach(async () => {
  bench = new Bench({ clock })
  await bench.open()
  await bench.send('PUT', `/evidence/${hash}`, plate, { 'content-type': 'image/png' })
  await bench.send('POST', '/import', demoJobs()['thornfield-scout-hut'] as JobFile)
})
afterEach(() => bench.end())

const state = async () => (await bench.send('GET', hut)).body as unknown as JobState
const held = async (words = name) =>
  (await bench.send('POST', '/held', { words })).body as unknown as Held
const record = (id: string, body: object) =>
  bench.send('POST', `${hut}/records`, {
    ...{ id, at: '2026-11-20T10:00:00Z', by: 'lead' },
    body,
  })
const erase = (more: object = {}, by = 'lead') =>
  bench.send('POST', `${hut}/erase`, {
    ...bench.act(by),
    ...{ words: name, place: false, photographs: false, reason: 'asked to be erased' },
    ...more,
  })
const everyFile = async (): Promise<string> => {
  await bench.app.db.raw((raw) => raw.pragma('wal_checkpoint(TRUNCATE)'))
  return readFileSync(join(bench.folder, 'hestian.sqlite'), 'latin1')
}

async function keySaved(): Promise<void> {
  const { document, saveNumber } = await state()
  const notes = `${name} has the key.`
  const changed = { ...document, site: { ...document.site, notes } }
  const saved = { document: changed, saveNumber, by: 'lead' }
  expect((await bench.send('PUT', `${hut}/draft`, saved)).status).toBe(200)
}

const step = async (id: string, guards: readonly string[], more: object = {}) => {
  const url = `${hut}/steps/exchange.${id}`
  for (const guardId of guards)
    await bench.send('POST', `${url}/guards`, { ...bench.act(), guardId })
  await bench.send('POST', `${url}/sign`, { ...bench.act(), ...more })
}
async function signed(): Promise<void> {
  await step('hot-read', ['top'], { reading: { si: 1.4e5, typed: '20 psi' } })
  await step('dry', ['discharge', 'joints', 'told'])
  await bench.send('POST', `${hut}/items/back-on/tick`, { ...bench.act(), answer: 'done' })
  for (const sheet of ['list', 'steps'])
    await bench.send('POST', `${hut}/checks`, { ...bench.act(), sheet })
  const signing = { ...bench.act(), typedName: 'Lead Person' }
  expect((await bench.send('POST', `${hut}/signatures`, signing)).status).toBe(201)
  const received = { kind: 'received', revision: 'A', name, drawn: 'M10 50L40 60' }
  expect((await record('received-by', received)).status).toBe(201)
}

test('is found wherever it stands, in a job and in the firm’s own lists', async () => {
  await keySaved()
  await record('snag-one', { kind: 'snag', what: 'ask iris fenwick', owner: 'me', due: null })
  await bench.send('POST', `${hut}/guests`, { ...bench.act(), name, days: 7 })
  await bench.app.people.add([{ id: 'iris', name, role: 'gone', tickets: [] }])
  const { jobs, elsewhere } = await held()
  expect(jobs).toHaveLength(1)
  expect(jobs[0]?.texts).toEqual([
    { where: 'The design', text: `${name} has the key.` },
    { where: 'Record of 2026-11-20: Snag', text: 'ask iris fenwick' },
    { where: `A guest’s link of ${today}`, text: name },
  ])
  expect(elsewhere).toEqual([{ where: 'People of the firm', text: name }])
  expect(await held('Iris Fenwickson')).toMatchObject({ jobs: [], elsewhere: [] })
})

test('a job that cannot be read is named: nothing is said of what stands in it', async () => {
  await bench.app.db.raw((raw) => raw.exec(`UPDATE job SET draft = '{'`))
  const number = demoJobs()['thornfield-scout-hut']?.number
  expect(await held()).toMatchObject({ jobs: [], unreadable: [number] })
})

test('is erased from design, records and links; the job stays sound, and says that it was done', async () => {
  await keySaved()
  await record('snag-one', { kind: 'snag', what: `ask ${name}`, owner: 'me', due: null })
  await bench.send('POST', `${hut}/guests`, { ...bench.act(), name, days: 7 })
  const before = await state()
  expect((await erase()).status).toBe(200)
  const after = await state()
  expect(after.document.site.notes).toBe(`${instead} has the key.`)
  expect(after.document.site.name).toBe(before.document.site.name)
  expect(after.saveNumber).toBe(before.saveNumber + 1)
  expect(JSON.stringify(after)).not.toMatch(/fenwick/i)
  expect(after.records.at(-1)).toMatchObject({
    by: 'lead',
    body: {
      kind: 'redacted',
      what: 'what identifies a person; out of the design, a record, a link for a guest',
      because: 'asked to be erased',
      revisions: [],
    },
  })
  expect((await bench.send('GET', `${hut}/guests`)).body).toEqual([])
  expect(await held()).toMatchObject({ jobs: [], elsewhere: [] })
  expect((await verify(bench.folder)).faults).toEqual([])
})

test('nothing of it is left in the file of the database, nor can it be told from the log', async () => {
  await keySaved()
  for (const name of ['Iris Fenwick', 'Iris Fenwick, by telephone', 'Iris Fenwick and her sister'])
    await bench.send('POST', `${hut}/guests`, { ...bench.act(), name, days: 7 })
  expect(await everyFile()).toContain('Fenwick')
  await erase()
  expect(await everyFile()).not.toMatch(/fenwick/i)
  const salted = await bench.app.db.read((manager) =>
    manager.query<{ n: number }[]>(
      `SELECT COUNT(*) AS n FROM log JOIN salt ON salt.seq = log.seq WHERE jobId = 'thornfield-scout-hut' AND what = 'job'`,
    ),
  )
  expect(salted).toEqual([{ n: 1 }])
})

test('a signed revision keeps the hash it was signed with and is sound; altered after that it is not', async () => {
  await keySaved()
  await signed()
  const before = await state()
  await erase()
  const after = await state()
  expect(JSON.stringify(after)).not.toMatch(/fenwick/i)
  const signature = (of: JobState) => of.records.find(({ body }) => body.kind === 'signature')
  expect(signature(after)).toEqual(signature(before))
  expect(after.frozen).toBe('A')
  expect(after.records.find(({ body }) => body.kind === 'received')?.body).toEqual({
    ...{ kind: 'received', revision: 'A', name: instead },
  })
  expect(after.records.at(-1)?.body).toMatchObject({ revisions: [{ letter: 'A' }] })
  expect((await verify(bench.folder)).faults).toEqual([])
  await bench.app.db.raw((raw) => {
    raw.exec('DROP TRIGGER revision_no_update')
    raw.exec(`UPDATE revision SET document = replace(document, 'has the key', 'lost the key')`)
  })
  expect((await verify(bench.folder)).faults.join()).toContain(
    'is not the document that was signed',
  )
})

test('the pack says that it was redacted, beside the tickets that were held when it was signed', async () => {
  await keySaved()
  await signed()
  await erase()
  const of = await state()
  const facts = {
    state: of,
    ...judged(of),
    people: asStaff([lead]),
    printedAt: of.records[0]?.at ?? '',
  }
  const printed = JSON.stringify(handoverSheet(facts, ['certificate']))
  expect(printed).toContain(`Redacted on ${today}`)
  expect(printed).toContain('as it was signed, before')
  expect(printed).toMatch(/gas ticket; gas ticket for boilers; .*electrical ticket/)
  expect(printed).not.toMatch(/fenwick/i)
})

test('the place goes where that is asked, out of every text', async () => {
  const { document } = await state()
  const { name: place } = document.site
  await record('snag-one', { kind: 'snag', what: `back to ${place}`, owner: 'me', due: null })
  expect((await erase({ words: place, place: true })).status).toBe(200)
  const after = await state()
  expect(after.document.site).toMatchObject({ name: instead, address: instead, notes: '' })
  expect(JSON.stringify(after)).not.toContain(place)
  const board = (await bench.send('GET', '/jobs')).body as unknown as { rows: { name: string }[] }
  expect(board.rows[0]?.name).toBe(instead)
  expect((await bench.send('GET', `/jobs?find=${encodeURIComponent(place)}`)).body.rows).toEqual([])
})

test('photographs go where that is asked, with their files', async () => {
  await record('snag-one', { kind: 'snag', what: `ask ${name}`, owner: 'me', due: null })
  const off = {
    kind: 'made-safe',
    where: 'at the gate',
    how: 'capped',
    without: '',
    photos: [photo],
  }
  expect((await record('made-safe', off)).status).toBe(201)
  expect((await held()).jobs[0]?.photographs).toEqual([hash])
  await erase()
  expect(existsSync(join(bench.folder, 'evidence', hash))).toBe(true)
  await record('snag-two', { kind: 'snag', what: `ask ${name}`, owner: 'me', due: null })
  await erase({ photographs: true })
  expect(existsSync(join(bench.folder, 'evidence', hash))).toBe(false)
  expect((await bench.send('GET', `/evidence/${hash}`)).status).toBe(404)
  expect((await verify(bench.folder)).faults).toEqual([])
})

test('is the owner’s alone, wants a reason, and is done once however often it is sent', async () => {
  await keySaved()
  await bench.app.people.add([{ id: 'other', name: 'Other Lead', role: 'lead', tickets: [] }])
  expect((await erase({}, 'other')).body.code).toBe('may-not')
  expect((await erase({ reason: '' })).status).toBe(400)
  expect((await erase({ words: 'xy' })).status).toBe(400)
  const id = 'erase-once'
  expect((await erase({ id })).status).toBe(200)
  const after = await state()
  expect((await erase({ id })).status).toBe(200)
  expect(await state()).toEqual(after)
})

test('what stands nowhere is not said to be erased', async () => {
  const before = await state()
  expect(await erase()).toMatchObject({
    status: 400,
    body: { says: 'Nothing of this job holds that. Nothing was changed.' },
  })
  expect(await state()).toEqual(before)
})

test('while a test of the job runs nothing is erased from it, and that is said beforehand', async () => {
  await bench.runningTest()
  const words = 'Kestrel Weir'
  expect((await held(words)).jobs[0]?.testRuns).toBe(true)
  const asked = { ...bench.act(), words, place: true, photographs: false, reason: 'asked to be' }
  expect(await bench.send('POST', '/jobs/kestrel-weir/erase', asked)).toMatchObject({
    status: 409,
    body: { code: 'test-running' },
  })
  expect((await held(words)).jobs).toHaveLength(1)
})

test('records can still not be changed by anything else', async () => {
  await keySaved()
  await erase()
  await expect(
    bench.app.db.write((manager) => manager.query(`UPDATE record SET body = '{}'`)),
  ).rejects.toThrow(/append-only/)
})

test('nobody can record that something was redacted by hand', async () => {
  const body = { kind: 'redacted', what: 'all', because: 'so', revisions: [] }
  expect((await record('by-hand-1', body)).status).toBe(400)
})

import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { JobFile } from '@hestian/core'
import { tickets } from '@hestian/core'
import Papa from 'papaparse'
import { openPromise } from 'yauzl'
import { demoJobs } from '../../../demo/src/index'
import { Bench } from '../app/app.testing'
import { csvOf } from './csv'

const bench = new Bench()
const folder = mkdtempSync(join(tmpdir(), 'hestian-tables-'))
beforeAll(async () => {
  await bench.open()
  for (const file of Object.values(demoJobs())) await bench.send('POST', '/import', file)
})
afterAll(async () => {
  await bench.end()
  rmSync(folder, { recursive: true })
})

type Rows = readonly Readonly<Record<string, string>>[]

/** The tables in an archive, by name, as a spreadsheet reads them. */
async function tablesIn(url: string): Promise<Readonly<Record<string, Rows>>> {
  const { status, raw } = await bench.send('GET', url)
  expect(status).toBe(200)
  const path = join(folder, 'tables.zip')
  writeFileSync(path, raw)
  const zip = await openPromise(path, { lazyEntries: true, autoClose: false })
  const tables: Record<string, Rows> = {}
  for await (const entry of zip.eachEntry()) {
    const chunks: Buffer[] = []
    const stream = await zip.openReadStreamPromise(entry)
    for await (const chunk of stream as AsyncIterable<Buffer>) chunks.push(chunk)
    const text = Buffer.concat(chunks).toString('utf8')
    expect(text.startsWith('\uFEFF')).toBe(true)
    const { data, errors } = Papa.parse<Record<string, string>>(text.slice(1), { header: true })
    expect({ name: entry.fileName, errors }).toEqual({ name: entry.fileName, errors: [] })
    tables[entry.fileName] = data
  }
  zip.close()
  return tables
}

test('a job’s tables hold every record, reading and step of it', async () => {
  const file = demoJobs()['kestrel-weir'] as JobFile
  const tables = await tablesIn('/jobs/kestrel-weir/tables.zip')
  expect(Object.keys(tables)).toEqual(
    ['plates', 'findings', 'steps', 'records', 'readings', 'revisions'].map((one) => `${one}.csv`),
  )
  expect(tables['records.csv']?.map(({ id }) => id)).toEqual(file.records.map(({ id }) => id))
  const samples = Object.values(file.samples).flat()
  expect(tables['readings.csv']?.map((row) => Number(row.gauge_Pa))).toEqual(
    samples.map(({ gauge_Pa }) => gauge_Pa),
  )
  expect(tables['readings.csv']?.map((row) => Date.parse(row.at ?? ''))).toEqual(
    samples.map(({ at_ms }) => at_ms),
  )
  expect(tables['plates.csv']?.map(({ name }) => name)).toEqual(
    [...file.document.appliances, ...file.document.parts].map(({ name }) => name),
  )
  expect(tables['steps.csv']?.filter(({ state }) => state === 'done').length).toBeGreaterThan(5)
})

test.each(Object.keys(demoJobs()))('%s: findings are in words of its place', async (id) => {
  const findings = (await tablesIn(`/jobs/${id}/tables.zip`))['findings.csv'] ?? []
  for (const { says, why } of findings) {
    expect(says?.length).toBeGreaterThan(10)
    expect(`${says} ${why}`).not.toMatch(/[{}]|NaN|undefined/)
  }
})

test('the firm’s tables hold its jobs, people, gauges and the log', async () => {
  const tables = await tablesIn('/tables.zip')
  expect(tables['jobs.csv']?.map(({ id }) => id).sort()).toEqual(Object.keys(demoJobs()).sort())
  const mine = tables['people.csv']?.filter(({ id }) => id === 'lead')
  expect(mine?.map(({ role, ticket }) => [role, ticket]).length).toBe(tickets.length)
  const entries = await bench.app.db.read((manager) =>
    manager.query<{ hash: string }[]>('SELECT hash FROM log ORDER BY seq'),
  )
  expect(tables['changes.csv']?.map(({ hash }) => hash)).toEqual(entries.map(({ hash }) => hash))
})

test('are the owner’s, where they are the firm’s', async () => {
  await bench.app.people.add([{ id: 'other', name: 'Other', role: 'lead', tickets: [] }])
  const cookie = `hestian=${await bench.app.sessions.begin({ personId: 'other' }, 'x')}`
  const asked = (url: string) =>
    bench.app.http.inject({
      method: 'GET',
      url: `/api${url}`,
      headers: { cookie, host: 'localhost' },
    })
  expect((await asked('/tables.zip')).statusCode).toBe(403)
  expect((await asked('/jobs/kestrel-weir/tables.zip')).statusCode).toBe(200)
})

test.each([
  ['=1+1', `'=1+1`],
  ['+44 1632', `'+44 1632`],
  ['-cmd', `'-cmd`],
  ['@sum', `'@sum`],
  ['\tx', `'\tx`],
])('%j is no formula', (text, shown) => {
  const csv = csvOf({ name: 't', heads: ['a'], rows: [[text]] })
  expect(Papa.parse<string[]>(csv).data[1]).toEqual([shown])
})

test('a number below nothing is a number still; commas, quotes and lines stay inside', () => {
  const csv = csvOf({ name: 't', heads: ['a', 'b'], rows: [[-3.25, 'a, "b"\nc']] })
  expect(Papa.parse<string[]>(csv).data[1]).toEqual(['-3.25', 'a, "b"\nc'])
})

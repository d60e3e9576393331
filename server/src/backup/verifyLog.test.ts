import type { JobFile } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { Bench } from '../app/app.testing'
import type { LogRow } from '../db/changeLog'
import { headOf } from '../db/changeLog'
import { verify } from './verify'

let bench: Bench
beforeEach(async () => {
  bench = new Bench()
  await bench.open()
  await bench.newJob()
  await bench.send('POST', '/import', demoJobs()['kestrel-weir'] as JobFile)
  await bench.send('POST', '/jobs/job-one/records', bench.reading('reading-one'))
})
afterEach(() => bench.end())

const log = () =>
  bench.app.db.read((manager) => manager.query<LogRow[]>('SELECT * FROM log ORDER BY seq'))
/** Writes past the server, as somebody with the file would. */
const tamper = (sql: string, ...values: unknown[]) =>
  bench.app.db.raw((raw) => {
    for (const table of ['record', 'sample', 'revision', 'log'])
      for (const act of ['update', 'delete']) raw.exec(`DROP TRIGGER IF EXISTS ${table}_no_${act}`)
    raw.prepare(sql).run(...values)
  })
const faults = async () => (await verify(bench.folder)).faults

test('what the server wrote is sound, and every change of a job or a record stands in the log', async () => {
  const { document, saveNumber } = (await bench.send('GET', '/jobs/job-one')).body as unknown as {
    document: object
    saveNumber: number
  }
  await bench.send('PUT', '/jobs/job-one/draft', { document, saveNumber, by: 'lead' })
  await bench.send('POST', '/jobs/job-one/revisions', bench.act())
  await bench.send('POST', '/jobs/job-one/archive', { by: 'lead', archived: true })
  expect(await faults()).toEqual([])
  const said = (await log()).filter(({ jobId }) => jobId === 'job-one')
  expect(said.map(({ what, item }) => `${what} ${item}`.trim())).toEqual([
    'job',
    'record reading-one',
    'job',
    'revision A',
    'job',
  ])
  expect(said.map(({ by }) => by)).toEqual(Array<string>(5).fill('lead'))
  expect(said[1]?.from).toMatch(/^127\.0\.0\.1, /)
  const [first, second] = await log()
  expect(first?.hash).not.toBe(second?.hash)
})

test('sent twice, a record is written down once', async () => {
  const before = (await log()).length
  await bench.send('POST', '/jobs/job-one/records', bench.reading('reading-one'))
  expect(await log()).toHaveLength(before)
})

test.each([
  [
    'a record’s body',
    `UPDATE record SET body = REPLACE(body, 'map', 'mop') WHERE id = 'reading-one'`,
    /^Record reading-one of job job-one is not what was written down in entry \d+/,
  ],
  [
    'who made it',
    `UPDATE record SET "by" = 'other' WHERE id = 'reading-one'`,
    /^Record reading-one .* altered/,
  ],
  [
    'when',
    `UPDATE record SET at = '2026-11-24T09:00:01.000Z' WHERE id = 'reading-one'`,
    /^Record reading-one .* altered/,
  ],
  [
    'a record that is gone',
    `DELETE FROM record WHERE id = 'reading-one'`,
    /reading-one .* is gone/,
  ],
  [
    'a record that was put there',
    `INSERT INTO record (jobId, id, at, "by", kind, body) SELECT jobId, 'slipped-in', at, "by", kind, body FROM record WHERE id = 'reading-one'`,
    /^Record slipped-in of job job-one stands in no entry of the log/,
  ],
  [
    'a reading of a test that ended',
    `UPDATE sample SET gauge_Pa = gauge_Pa + 1 WHERE rowid IN (SELECT MIN(rowid) FROM sample)`,
    /^The readings of test/,
  ],
  [
    'a design',
    `UPDATE job SET draft = REPLACE(draft, 'A house', 'A horse')`,
    /^Job job-one is not/,
  ],
  [
    'a job that was thawed',
    `UPDATE job SET frozen = 'A' WHERE id = 'job-one'`,
    /^Job job-one is not/,
  ],
  [
    'somebody’s ticket',
    `UPDATE person SET tickets = '[]' WHERE id = 'lead'`,
    /^The line of lead is not/,
  ],
  [
    'an entry of the log',
    `UPDATE log SET "by" = 'other' WHERE seq = 3`,
    /^The log was altered at entry 3/,
  ],
  ['an entry that is gone', `DELETE FROM log WHERE seq = 3`, /^Entry 3 of the log is missing/],
])('%s is found, by name', async (_, sql, says) => {
  if (sql.startsWith('DELETE FROM log')) await tamper('DELETE FROM salt WHERE seq = 3')
  await tamper(sql.includes('rowid') ? sampleSql : sql)
  expect((await faults()).join('\n')).toMatch(new RegExp(says.source, 'm'))
})
/** The table has no rowid of its own. */
const sampleSql = `UPDATE sample SET gauge_Pa = gauge_Pa + 1 WHERE at_ms = (SELECT MIN(at_ms) FROM sample)`

test('who rewrites an entry and its hash is found at the next one, and by the head that was printed', async () => {
  const printed = await bench.app.db.read(headOf)
  await tamper(`UPDATE log SET "by" = 'other', hash = 'f' || SUBSTR(hash, 2) WHERE seq = 3`)
  expect((await faults()).join('\n')).toMatch(/^The log was altered at entry 3/m)
  const { seq, hash } = await bench.app.db.read(headOf)
  expect({ seq, hash }).toEqual(printed)
})

test('who takes the salt away to hide what was altered is found by that', async () => {
  await tamper(`DELETE FROM salt WHERE seq = (SELECT seq FROM log WHERE item = 'reading-one')`)
  await tamper(`UPDATE record SET body = REPLACE(body, 'map', 'mop') WHERE id = 'reading-one'`)
  expect(await faults()).toEqual([
    expect.stringMatching(/^Record reading-one of job job-one cannot be held against entry \d+/),
  ])
})

test('a folder of before is taken in as it stands', async () => {
  await tamper('DROP TABLE deleted')
  await tamper('DELETE FROM salt')
  await tamper('DROP TABLE salt')
  await tamper('DROP TABLE log')
  await tamper(`DELETE FROM migrations WHERE name = 'TheLog1790700000000'`)
  await bench.close()
  await bench.open()
  expect(await faults()).toEqual([])
  expect((await log())[0]).toMatchObject({
    by: 'hestian',
    from: 'the server itself',
    what: 'person',
  })
  await tamper(`DELETE FROM record WHERE id = 'reading-one'`)
  expect(await faults()).toHaveLength(1)
})

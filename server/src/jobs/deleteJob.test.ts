import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { BoardPage, JobFile } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { Bench } from '../app/app.testing'
import { verify } from '../backup/verify'

let bench: Bench
const plate = readFileSync(join(__dirname, '../../../demo/evidence/plate-storage-heater.png'))
const hash = createHash('sha256').update(plate).digest('hex')
const file = join('evidence', hash)
beforeEach(async () => {
  bench = new Bench()
  await bench.open()
  await bench.send('PUT', `/evidence/${hash}`, plate, { 'content-type': 'image/png' })
  await bench.send('POST', '/import', demoJobs()['saltbush-ferry'] as JobFile)
  await bench.newJob()
})
afterEach(() => bench.end())

const url = '/jobs/saltbush-ferry'
const remove = (reason = 'entered twice', by = 'lead') =>
  bench.send('POST', `${url}/delete`, { ...bench.act(by), reason })
const board = async () => (await bench.send('GET', '/jobs')).body as unknown as BoardPage

test('a job goes with all of it; its number, who and why stay, and the rest is sound', async () => {
  const names = JSON.stringify(demoJobs()['saltbush-ferry'])
  expect(names).toContain(hash)
  expect((await remove()).status).toBe(200)
  expect((await bench.send('GET', url)).body.code).toBe('no-such-job')
  expect((await board()).rows.map(({ id }) => id)).toEqual(['job-one'])
  expect((await bench.send('GET', '/deleted-jobs')).body).toMatchObject([
    { id: 'saltbush-ferry', number: '0421', by: 'lead', reason: 'entered twice' },
  ])
  expect(existsSync(join(bench.folder, file))).toBe(false)
  expect((await bench.send('GET', `/evidence/${hash}`)).status).toBe(404)
  for (const table of ['record', 'sample', 'revision', 'guest'])
    expect(
      await bench.app.db.read((manager) =>
        manager.query(`SELECT * FROM ${table} WHERE jobId = 'saltbush-ferry'`),
      ),
    ).toEqual([])
  expect((await verify(bench.folder)).faults).toEqual([])
})

test('nothing of what was in it can be read out of the log', async () => {
  await remove()
  const kept = JSON.stringify(
    await bench.app.db.read((manager) =>
      manager.query('SELECT * FROM log LEFT JOIN salt ON salt.seq = log.seq'),
    ),
  )
  expect(kept).not.toContain('Jetty')
  const salted = await bench.app.db.read((manager) =>
    manager.query<{ what: string }[]>(
      `SELECT what FROM log JOIN salt ON salt.seq = log.seq WHERE jobId = 'saltbush-ferry'`,
    ),
  )
  expect(salted).toEqual([{ what: 'deleted' }])
})

test('a photograph that another job names stays', async () => {
  await bench.send('POST', '/import', {
    ...(demoJobs()['saltbush-ferry'] as JobFile),
    id: 'the-other',
    number: '0999',
  })
  await remove()
  expect(existsSync(join(bench.folder, file))).toBe(true)
  expect((await bench.send('GET', `/evidence/${hash}`)).status).toBe(200)
})

test('records can still not be deleted by anything else', async () => {
  await remove()
  await bench.send('POST', '/jobs/job-one/records', bench.reading('reading-one'))
  await expect(
    bench.app.db.write((manager) => manager.query('DELETE FROM record')),
  ).rejects.toThrow(/append-only/)
})

test('it is the owner’s alone, wants a reason, and is done once however often it is asked', async () => {
  await bench.app.people.add([{ id: 'other', name: 'Other Lead', role: 'lead', tickets: [] }])
  expect((await remove('entered twice', 'other')).body.code).toBe('may-not')
  expect((await remove('')).status).toBe(400)
  expect((await bench.send('GET', url)).status).toBe(200)
  expect((await remove()).status).toBe(200)
  expect((await remove('another reason')).status).toBe(200)
  expect((await bench.send('GET', '/deleted-jobs')).body).toMatchObject([
    { reason: 'entered twice' },
  ])
  expect(
    (await bench.send('POST', '/jobs/nowhere/delete', { ...bench.act(), reason: 'why' })).status,
  ).toBe(404)
})

test('a job whose test runs is not deleted', async () => {
  await bench.runningTest()
  const answer = await bench.send('POST', '/jobs/kestrel-weir/delete', {
    ...bench.act(),
    reason: 'entered twice',
  })
  expect(answer).toMatchObject({ status: 409, body: { code: 'test-running' } })
})

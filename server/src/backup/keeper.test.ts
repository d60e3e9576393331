import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Backups, KeptBackup, JobFile } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { Bench } from '../app/app.testing'
import {
  backupsIn,
  isBackupDue,
  keepDaily,
  keptBackups,
  listBackups,
  makeTriedBackup,
} from './keeper'
import { restore } from './restore'
import { verify } from './verify'

let bench: Bench
let now = '2026-11-24T09:00:00.000Z'
beforeEach(async () => {
  now = '2026-11-24T09:00:00.000Z'
  bench = new Bench({ clock: { now: () => now } })
  await bench.open()
  await bench.send('POST', '/import', demoJobs()['thornfield-scout-hut'] as JobFile)
})
afterEach(() => bench.end())

const at = (hour: number) => new Date(Date.UTC(2026, 10, 24, hour)).toISOString()
const made = (hour: number) =>
  makeTriedBackup(bench.folder, { askedAs: `asked-${hour}`, at: at(hour) })
const kept = async () => (await bench.send('GET', '/backups')).body as unknown as Backups

test('one by a press is made, tried, listed, and can be taken away and put back', async () => {
  const answer = await bench.send('POST', '/backups', bench.act())
  expect(answer).toMatchObject({ status: 201, body: { jobs: 1, faults: [] } })
  const { name, bytes } = answer.body as unknown as KeptBackup
  expect((await kept()).kept).toMatchObject([{ name, bytes }])
  const { raw } = await bench.send('GET', `/backups/${name}`)
  expect(raw).toHaveLength(bytes)
  const elsewhere = mkdtempSync(join(tmpdir(), 'hestian-back-'))
  const file = join(elsewhere, 'taken.zip')
  writeFileSync(file, raw)
  await restore(file, join(elsewhere, 'data'))
  expect(await verify(join(elsewhere, 'data'))).toMatchObject({ jobs: 1, faults: [] })
  rmSync(elsewhere, { recursive: true })
})

test('asked for twice under one id it is one', async () => {
  const asked = bench.act()
  const first = await bench.send('POST', '/backups', asked)
  now = '2026-11-24T09:30:00.000Z'
  expect((await bench.send('POST', '/backups', asked)).body).toEqual(first.body)
  expect((await kept()).kept).toHaveLength(1)
})

test('two in one second are two, each with its own archive', async () => {
  const first = await makeTriedBackup(bench.folder, { askedAs: 'one', at: at(3) })
  const second = await makeTriedBackup(bench.folder, { askedAs: 'two', at: at(3) })
  expect(second.name).not.toBe(first.name)
  const read = async () => (await listBackups(bench.folder)).map(({ askedAs }) => askedAs).sort()
  expect(await read()).toEqual(['one', 'two'])
  const { raw } = await bench.send('GET', `/backups/${first.name}`)
  expect(raw).toHaveLength(first.bytes)
})

test('nobody who does not work here makes one, and no other file leaves by its name', async () => {
  expect(await bench.send('POST', '/backups', bench.act('stranger'))).toMatchObject({
    body: { code: 'other-person' },
  })
  for (const name of ['hestian.sqlite', '..%2Fhestian.sqlite', 'hestian-2026.zip'])
    expect(await bench.send('GET', `/backups/${name}`)).toMatchObject({ status: 404 })
})

test('the last seven stay; older ones and what was never tried go', async () => {
  writeFileSync(join(bench.folder, 'people.json'), '[]')
  await made(0)
  writeFileSync(join(backupsIn(bench.folder), 'hestian-2026-11-01T00-00-00Z.zip'), 'half')
  for (let hour = 1; hour <= keptBackups + 1; hour++) await made(hour)
  const names = (await listBackups(bench.folder)).map((one) => one.at)
  expect(names).toHaveLength(keptBackups)
  expect(names[0]).toBe(at(keptBackups + 1))
  expect(names.at(-1)).toBe(at(2))
  expect(readdirSync(backupsIn(bench.folder)).filter((name) => name.endsWith('.zip'))).toHaveLength(
    keptBackups,
  )
}, 60_000)

test('what lies there without having been tried is no backup', async () => {
  const { name } = await made(1)
  rmSync(join(backupsIn(bench.folder), `${name}.json`))
  expect(await listBackups(bench.folder)).toEqual([])
  expect(await isBackupDue(bench.folder, at(2))).toBe(true)
})

test('one that cannot be made leaves nothing behind and says why', async () => {
  await bench.close()
  writeFileSync(join(bench.folder, 'hestian.sqlite'), 'no database at all')
  await expect(made(1)).rejects.toMatchObject({
    code: 'storage-failed',
    message: expect.stringContaining('No backup was made'),
  })
  expect(readdirSync(backupsIn(bench.folder))).toEqual([])
})

test('what a kill left of an earlier one is swept away by the next', async () => {
  const { name } = await made(1)
  const folder = backupsIn(bench.folder)
  for (const left of ['.trial-x', '.hestian-y.sqlite', `${name}.part`])
    writeFileSync(join(folder, left), 'left')
  await made(2)
  expect(readdirSync(folder).filter((one) => one.startsWith('.') || one.endsWith('.part'))).toEqual(
    [],
  )
})

test('photographs that were gone before are told of, and do not keep a backup from being made', async () => {
  const file = demoJobs()['kestrel-weir'] as JobFile
  await bench.send('POST', '/import', file)
  const { faults, jobs } = await made(1)
  expect(jobs).toBe(2)
  for (const fault of faults) expect(fault).toMatch(/missing|damaged/)
})

describe('a backup a day', () => {
  beforeEach(() =>
    jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'queueMicrotask'] }),
  )
  afterEach(() => jest.useRealTimers())
  const settled = async () => {
    for (let i = 0; i < 40; i++) await new Promise((done) => setImmediate(done))
  }
  test('is looked for while the server runs, made when a day has gone by, and ends with it', async () => {
    const asked: string[] = []
    const complaints: unknown[] = []
    const end = keepDaily({
      dataFolder: bench.folder,
      now: () => now,
      make: async (one) => {
        asked.push(one.askedAs)
        throw new Error('no room')
      },
      complain: (error) => complaints.push(error),
    })
    jest.advanceTimersByTime(20 * 60_000)
    await settled()
    expect(asked).toEqual(['daily-2026-11-24T09'])
    expect(complaints).toHaveLength(1)
    jest.advanceTimersByTime(3600_000)
    await settled()
    expect(asked).toHaveLength(2)
    end()
    jest.advanceTimersByTime(7200_000)
    await settled()
    expect(asked).toHaveLength(2)
  })
})

test('is not due until a day has gone by', async () => {
  expect(await isBackupDue(bench.folder, at(0))).toBe(true)
  await made(1)
  expect(await isBackupDue(bench.folder, at(24))).toBe(false)
  expect(await isBackupDue(bench.folder, at(25))).toBe(true)
  expect(existsSync(backupsIn(bench.folder))).toBe(true)
})

import { closeSync, openSync, writeFileSync, writeSync } from 'node:fs'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { JobState } from '@hestian/core'
import { DataSource } from 'typeorm'
import { Bench } from '../app/app.testing'
import { checkDatabase } from './checkDatabase'
import { Database, databasePath } from './database'
import { lockFolder } from './folderLock'
import { openRaw } from './sqlite'
import { UnusableFolder } from './unusableFolder'

const bench = { now: new Bench() }
beforeEach(async () => {
  bench.now = new Bench()
  await bench.now.open()
})
afterEach(() => bench.now.end())

const storedReadings = async () =>
  ((await bench.now.send('GET', '/jobs/job-one')).body as unknown as JobState).records.map(
    (record) => record.id,
  )
const record = (id: string) =>
  bench.now.send('POST', '/jobs/job-one/records', bench.now.reading(id))

interface Runner {
  query: (...args: unknown[]) => Promise<unknown>
  readonly dataSource: { readonly options: { readonly readonly?: boolean } }
}

/**
 * Lets the next statements of one kind fail on one of the two connections, as a full disk makes
 * them fail.
 */
function failOn(
  word: 'COMMIT' | 'ROLLBACK',
  which: 'writer' | 'reader' = 'writer',
): jest.SpyInstance {
  const some = new DataSource({ type: 'better-sqlite3', database: ':memory:' })
  const runners = Object.getPrototypeOf(some.createQueryRunner()) as Runner
  const { query } = runners
  let left = 1
  return jest.spyOn(runners, 'query').mockImplementation(function (this: Runner, ...args) {
    const isThis = (which === 'reader') === (this.dataSource.options.readonly === true)
    if (args[0] === word && isThis && left-- > 0)
      return Promise.reject(
        Object.assign(new Error('database or disk is full'), { code: 'SQLITE_FULL' }),
      )
    return query.apply(this, args)
  })
}

describe('a commit that fails', () => {
  test('is not acknowledged, loses nothing that was, and does not poison what comes after', async () => {
    await bench.now.newJob()
    expect((await record('reading-before')).status).toBe(201)
    const failing = failOn('COMMIT')
    const failed = await record('reading-failed')
    failing.mockRestore()
    expect(failed).toMatchObject({
      status: 507,
      body: { code: 'disk-full', says: expect.stringMatching(/disk.*full.*kept here/) as string },
    })
    expect(await storedReadings()).toEqual(['reading-before'])
    expect((await record('reading-after')).status).toBe(201)
    // What was acknowledged is on the disk, not only in a savepoint of this process.
    await bench.now.close()
    await bench.now.open()
    expect(await storedReadings()).toEqual(['reading-before', 'reading-after'])
  })
  test('nor does a rollback that fails', async () => {
    await bench.now.newJob()
    await record('reading-before')
    const failing = failOn('ROLLBACK')
    const changed = await bench.now.send('POST', '/jobs/job-one/records', {
      ...bench.now.reading('reading-before'),
      body: { ...bench.now.reading('x').body, si: 5 },
    })
    failing.mockRestore()
    expect(changed.body.code).toBe('different-record')
    expect((await record('reading-after')).status).toBe(201)
    await bench.now.close()
    await bench.now.open()
    expect(await storedReadings()).toEqual(['reading-before', 'reading-after'])
  })
})

test('a read that fails does not stand in the way of the next', async () => {
  await bench.now.newJob()
  const failing = failOn('COMMIT', 'reader')
  expect((await bench.now.send('GET', '/jobs/job-one')).status).toBe(507)
  failing.mockRestore()
  expect((await bench.now.send('GET', '/jobs/job-one')).status).toBe(200)
})

test('a full disk says so for everything, and all of it works again when there is room', async () => {
  await bench.now.newJob()
  const { db } = bench.now.app
  const pages = await db.raw((raw) => Number(raw.pragma('page_count', { simple: true })))
  await db.raw((raw) => raw.pragma(`max_page_count = ${pages}`))
  const statuses: number[] = []
  for (let i = 0; i < 60; i++) {
    const long = bench.now.reading(`reading-long-${i}`)
    const body = { ...long.body, instrument: 'x'.repeat(200) }
    statuses.push((await bench.now.send('POST', '/jobs/job-one/records', { ...long, body })).status)
  }
  expect(new Set(statuses)).toEqual(new Set([201, 507]))
  const acknowledged = statuses.flatMap((status, i) =>
    status === 201 ? [`reading-long-${i}`] : [],
  )
  expect(await storedReadings()).toEqual(acknowledged)
  await db.raw((raw) => raw.pragma('max_page_count = 1000000'))
  expect((await record('reading-with-room')).status).toBe(201)
  await bench.now.close()
  await bench.now.open()
  expect(await storedReadings()).toEqual([...acknowledged, 'reading-with-room'])
})

test('the board says when room runs out', async () => {
  await bench.now.close()
  await bench.now.open({ freeSpace: async () => 40_000_000 })
  expect((await bench.now.send('GET', '/jobs')).body).toMatchObject({
    lowSpace: true,
    free_bytes: 40_000_000,
  })
  await bench.now.close()
  await bench.now.open({ freeSpace: async () => undefined })
  expect((await bench.now.send('GET', '/jobs')).body).toMatchObject({
    lowSpace: false,
    free_bytes: null,
  })
})

test('a second server on one folder leaves, and says who holds it', async () => {
  await expect(new Bench().open({ dataFolder: bench.now.folder })).rejects.toThrow(
    new RegExp(`Another Hestian already works with .*process ${process.pid}.*HESTIAN_DATA`),
  )
  await bench.now.close()
  const { release } = lockFolder(bench.now.folder, 'now')
  release()
  await bench.now.open()
})

describe('a folder that cannot be worked with gets a sentence that says what to do', () => {
  let folder: string
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'hestian-'))
  })
  afterEach(() => rmSync(folder, { recursive: true }))
  const says = (pattern: RegExp) => {
    expect(() => checkDatabase(folder, 'quick')).toThrow(UnusableFolder)
    expect(() => checkDatabase(folder, 'quick')).toThrow(pattern)
  }

  test('what is no database', () => {
    writeFileSync(databasePath(folder), 'PK this is an archive, not a database, padded')
    says(/is not a database.*restore/)
  })
  test('a database of something else', () => {
    const other = openRaw(databasePath(folder))
    other.exec('CREATE TABLE songs (title TEXT)')
    other.close()
    says(/database of something else.*HESTIAN_DATA/)
  })
  test('a newer database', async () => {
    await (await Database.open(folder)).close()
    const raw = openRaw(databasePath(folder))
    raw.exec(
      "INSERT INTO migrations (timestamp, name) VALUES (1999999999999, 'Later1999999999999')",
    )
    raw.close()
    says(/newer Hestian \(Later1999999999999\)/)
  })
  test('a damaged page', async () => {
    await (await Database.open(folder)).close()
    const file = openSync(databasePath(folder), 'r+')
    for (let page = 1; page < 12; page++)
      writeSync(file, Buffer.alloc(300, 0xa5), 0, 300, page * 4096)
    closeSync(file)
    says(/damaged|cannot be read/)
  })
  test('a place where no folder can be', async () => {
    writeFileSync(join(folder, 'file'), '')
    await expect(new Bench().open({ dataFolder: join(folder, 'file', 'data') })).rejects.toThrow(
      /cannot be written/,
    )
  })
  test('an empty folder and a sound one are fine', async () => {
    expect(() => checkDatabase(folder)).not.toThrow()
    await (await Database.open(folder)).close()
    expect(() => checkDatabase(folder, 'full')).not.toThrow()
  })
})

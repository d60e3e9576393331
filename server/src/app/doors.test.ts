import type { JobFile, JobState } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { Bench, cookieOf } from './app.testing'
import { isDeeper } from './doors'

let bench: Bench
beforeEach(async () => {
  bench = new Bench({
    hosts: ['hestian.example'],
    limits: { streams: 2, uploads: 3, imports: 2, signIns: 4 },
  })
  await bench.open()
})
afterEach(() => bench.end())

describe('the name it is asked under', () => {
  const asked = async (host: string) =>
    (await bench.send('GET', '/people', undefined, { host })).status
  test.each([
    'localhost',
    'localhost:4180',
    '127.0.0.1:4180',
    '[::1]:4180',
    '192.168.1.5',
    'Hestian.example:443',
  ])('%s is its own', async (host) => expect(await asked(host)).toBe(200))
  test.each([
    'evil.example',
    'localhost.evil.example',
    '127.0.0.1.evil.example',
    'hestian.example.evil',
  ])('%s is not: another name that leads here is refused', async (host) =>
    expect(await asked(host)).toBe(421),
  )
})

test('every answer keeps the page to itself', async () => {
  const { headers } = await bench.send('GET', '/people')
  const policy = String(headers['content-security-policy'])
  expect(policy).toContain("script-src 'self'")
  expect(policy).not.toContain('unsafe-eval')
  expect(policy.split(';').find((part) => part.includes('script-src'))).not.toContain('inline')
  expect(policy).toContain("frame-ancestors 'none'")
  expect(headers['x-content-type-options']).toBe('nosniff')
})

test('more uploads or imports in a minute than one address may are put off with a sentence', async () => {
  const statuses = []
  for (let i = 0; i < 4; i++)
    statuses.push(
      await bench.send('PUT', `/evidence/${'a'.repeat(64)}`, Buffer.from('x'), {
        'content-type': 'application/pdf',
      }),
    )
  expect(statuses.map((one) => one.status)).toEqual([400, 400, 400, 429])
  expect(statuses[3]?.body).toMatchObject({
    code: 'too-many',
    says: expect.stringMatching(/minute/) as string,
  })
  const imports = []
  for (let i = 0; i < 3; i++) imports.push((await bench.send('POST', '/import', {})).status)
  expect(imports).toEqual([400, 400, 429])
})

test('more event streams than one address may have open are refused', async () => {
  await bench.newJob()
  const address = await bench.app.http.listen({ port: 0, host: '127.0.0.1' })
  const leave = new AbortController()
  const cookie = await cookieOf(bench.app, undefined, new URL(address).host)
  const open = () =>
    fetch(`${address}/api/jobs/job-one/live`, { signal: leave.signal, headers: { cookie } })
  expect((await open()).status).toBe(200)
  expect((await open()).status).toBe(200)
  expect((await open()).status).toBe(429)
  leave.abort()
})

test('depth is found in one pass, and brackets in a text do not count', () => {
  expect(isDeeper('[[[]]]', 3)).toBe(false)
  expect(isDeeper('[[[[]]]]', 3)).toBe(true)
  expect(isDeeper('{"a":"[[[[[[","b":"\\"[[[["}', 3)).toBe(false)
  expect(isDeeper('['.repeat(2_000_000), 60)).toBe(true)
})

test('a mistake of ours is written to the log with its stack', async () => {
  const lines: string[] = []
  await bench.close()
  await bench.open({ log: { write: (line) => void lines.push(line) } })
  jest.spyOn(bench.app.people, 'list').mockRejectedValue(new Error('a mistake of ours'))
  expect((await bench.send('GET', '/people')).status).toBe(500)
  const logged = JSON.parse(lines[0] ?? '{}') as { err?: { message: string; stack: string } }
  expect(logged.err?.message).toBe('a mistake of ours')
  expect(logged.err?.stack).toContain('doors.test')
})

describe('what is sent twice is done once', () => {
  test('a revision', async () => {
    await bench.newJob()
    const act = bench.act()
    const cut = () => bench.send('POST', '/jobs/job-one/revisions', act)
    expect((await cut()).body).toEqual({ letter: 'A' })
    expect((await cut()).body).toEqual({ letter: 'A' })
    expect((await bench.send('GET', '/jobs/job-one')).body.revisions).toHaveLength(1)
  })
  test('opening a frozen design, which is not cutting a revision', async () => {
    const file = demoJobs()['saltbush-ferry'] as JobFile
    const revision = { letter: 'A', at: '2026-11-20T10:00:00.000Z', by: 'lead', signed: true }
    await bench.send('POST', '/import', {
      ...file,
      frozen: 'A',
      revisions: [{ ...revision, document: file.document }],
    })
    const act = bench.act()
    const opened = () => bench.send('POST', '/jobs/saltbush-ferry/unfreeze', act)
    expect((await opened()).status).toBe(201)
    expect((await opened()).status).toBe(201)
    expect((await bench.send('GET', '/jobs/saltbush-ferry')).body).toMatchObject({
      frozen: null,
      revisions: [{ letter: 'A' }],
    })
  })
  test('one guard confirmed four times at once, by different presses', async () => {
    await bench.send('POST', '/import', demoJobs()['juniper-ridge'] as JobFile)
    const url = '/jobs/juniper-ridge'
    const guard = { guardId: 'proved-dead' }
    const before = ((await bench.send('GET', url)).body as unknown as JobState).records.length
    const answers = await Promise.all(
      Array.from({ length: 4 }, () =>
        bench.send('POST', `${url}/steps/heating.power-off/guards`, { ...bench.act(), ...guard }),
      ),
    )
    expect(answers.map((answer) => answer.status)).toEqual([201, 201, 201, 201])
    expect(((await bench.send('GET', url)).body as unknown as JobState).records).toHaveLength(
      before + 1,
    )
  })
  test('a sheet proven four times at once', async () => {
    await bench.send('POST', '/import', demoJobs()['kestrel-weir'] as JobFile)
    const job = (await bench.send('GET', '/jobs/kestrel-weir')).body as unknown as JobState
    await bench.send('PUT', '/jobs/kestrel-weir/draft', {
      document: {
        ...job.document,
        survey: { ...job.document.survey, elevation_m: { value: 40, basis: 'read', from: 'Map' } },
      },
      saveNumber: job.saveNumber,
      by: 'lead',
    })
    const count = async () =>
      ((await bench.send('GET', '/jobs/kestrel-weir')).body as unknown as JobState).records.length
    const before = await count()
    await Promise.all(
      Array.from({ length: 4 }, () =>
        bench.send('POST', '/jobs/kestrel-weir/checks', { ...bench.act(), sheet: 'site' }),
      ),
    )
    expect(await count()).toBe(before + 1)
  })
})

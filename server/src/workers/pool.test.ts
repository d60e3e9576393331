import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { JobFile } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { Bench } from '../app/app.testing'
import { patience_ms, startPool } from './pool'

const built = join(__dirname, '../../dist/worker.mjs')

describe('with the worker that ships', () => {
  let bench: Bench
  beforeEach(async () => {
    // `npm test` builds it first.
    expect(existsSync(built)).toBe(true)
    bench = new Bench({ startWorkers: (folder) => startPool(built, folder) })
    await bench.open()
  })
  afterEach(() => bench.end())

  test('jobs are summed up, judged and printed beside the requests', async () => {
    const file = demoJobs()['saltbush-ferry'] as JobFile
    expect((await bench.send('POST', '/import', file)).status).toBe(201)
    expect((await bench.send('GET', '/jobs')).body).toMatchObject({
      rows: [{ name: file.document.site.name, stage: 'commission' }],
    })
    const url = '/jobs/saltbush-ferry'
    const guard = await bench.send('POST', `${url}/steps/second-look.dry/guards`, {
      ...bench.act(),
      guardId: 'hours',
    })
    expect(guard.status).toBe(201)
    // A refusal keeps its sentence and status on the way through the thread.
    expect(await bench.send('POST', `${url}/steps/nonsense/sign`, bench.act())).toMatchObject({
      status: 409,
      body: { code: 'no-such-step' },
    })
    expect(await bench.send('GET', '/jobs/ghost/handover.pdf')).toMatchObject({ status: 404 })
    for (const paper of ['handover', 'inspection'])
      expect((await bench.send('GET', `${url}/${paper}.pdf`)).raw.subarray(0, 5).toString()).toBe(
        '%PDF-',
      )
  }, 60_000)
})

describe('a worker that goes wrong', () => {
  let folder: string
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'hestian-'))
  })
  afterEach(() => rmSync(folder, { recursive: true }))
  const poolOf = (source: string, summary_ms: number) => {
    const file = join(folder, 'worker.mjs')
    writeFileSync(file, source)
    return startPool(file, folder, { ...patience_ms, summary: summary_ms }, () => undefined)
  }

  test('one that never ends is given up with a sentence, and the next task is done', async () => {
    const pool = poolOf(
      `export default async ({ input }) => { if (input === 'stuck') for (;;) {} ; return { ok: true, value: input } }`,
      400,
    )
    await expect(pool.tasks.summary('stuck')).rejects.toMatchObject({
      code: 'took-too-long',
      message: expect.stringMatching(/given up.*try again/) as string,
    })
    expect(await pool.tasks.summary('sound')).toBe('sound')
    await pool.close()
  }, 30_000)
  test('waiting behind a long one does not count as taking too long', async () => {
    const pool = poolOf(
      `export default async ({ input }) => { await new Promise((done) => setTimeout(done, 250)); return { ok: true, value: input } }`,
      2000,
    )
    const all = Array.from({ length: 12 }, (_, i) => pool.tasks.summary(`job-${i}`))
    expect(await Promise.all(all)).toHaveLength(12)
    await pool.close()
  }, 30_000)
  test('one that takes all memory is given up too', async () => {
    const pool = poolOf(
      `export default async ({ input }) => { if (input === 'greedy') { const all = []; for (;;) all.push(new Array(1e5).fill(Math.random())) } return { ok: true, value: input } }`,
      20_000,
    )
    await expect(pool.tasks.summary('greedy')).rejects.toMatchObject({ code: 'took-too-long' })
    expect(await pool.tasks.summary('sound')).toBe('sound')
    await pool.close()
  }, 60_000)
})

import type { JobFile, JobState } from '@hestian/core'
import { JobFile as JobFileSchema, jobLimits, RecordBody } from '@hestian/core'
import fc from 'fast-check'
import { demoJobs } from '../../../demo/src/index'
import { Bench } from '../app/app.testing'

const demo = (name: string): JobFile => {
  const file = demoJobs()[name]
  if (!file) throw new Error(`no demo job ${name}`)
  return file
}

let bench: Bench
beforeEach(async () => {
  bench = new Bench()
  await bench.open()
})
afterEach(() => bench.end())

const readBack = async (id = 'job-one') => {
  const { status, body } = await bench.send('GET', `/jobs/${id}`)
  expect(status).toBe(200)
  const file = await bench.send('GET', `/jobs/${id}/export`)
  expect(JobFileSchema.safeParse(file.body).success).toBe(true)
  return body as unknown as JobState
}

describe('whatever is accepted can be read back', () => {
  const odd = <T>(usual: fc.Arbitrary<T>, strange: fc.Arbitrary<T>) =>
    fc.oneof({ weight: 6, arbitrary: usual }, { weight: 1, arbitrary: strange })
  const text = odd(
    fc.string({ minLength: 3, maxLength: 60 }),
    fc.constantFrom('', ' ', '\0', '"', '=1+1', 'x'.repeat(900)),
  )
  const number = odd(
    fc.double({ noDefaultInfinity: true, noNaN: true }),
    fc.constantFrom(0, -1, 5e12, 1e308, 5e-324),
  )
  const body = fc.oneof(
    fc.record({
      kind: fc.constant('reading'),
      field: text,
      si: number,
      typed: text,
      basis: odd(fc.constantFrom('read', 'measured'), fc.constant('guessed')),
      instrument: text,
    }),
    fc.record({
      kind: fc.constant('off'),
      name: text,
      state: odd(fc.constant('shut'), fc.constant('lost')),
      where: text,
      because: text,
    }),
    fc.record({
      kind: fc.constant('snag'),
      what: text,
      owner: text,
      due: fc.constantFrom(null, '2026-13-01', '2026-05-12'),
    }),
    fc.record({ kind: fc.constant('snag-done'), snag: text }),
    fc.record({ kind: fc.constantFrom('signature', 'step', 'test-ended'), testId: text }),
  )
  const anyRecord = fc.record(
    {
      id: odd(fc.stringMatching(/^[\w-]{8,60}$/), text),
      at: odd(
        fc.constant('2026-11-24T09:00:00.000Z'),
        fc.constantFrom('2026-11-24', 'now', '-271821-04-20T00:00:00.000Z'),
      ),
      by: odd(fc.constant('lead'), fc.constantFrom('ghost', '')),
      replaces: fc.constantFrom('x', 'reading-none', 'y'.repeat(90)),
      reason: text,
      body,
    },
    { requiredKeys: ['id', 'at', 'by', 'body', 'reason'] },
  )
  const fewReplace = anyRecord.map(({ replaces, ...record }) =>
    record.id.length % 5 === 0 ? { ...record, replaces } : record,
  )
  test('any record that is taken stands in the job, and the job opens and is exported', async () => {
    await bench.newJob()
    let taken = 0
    await fc.assert(
      fc.asyncProperty(fewReplace, async (record) => {
        const { status } = await bench.send('POST', '/jobs/job-one/records', record)
        expect(status).toBeLessThan(500)
        if (status === 201) taken++
        const state = await readBack()
        const stored = state.records.find((one) => one.id === record.id)
        if (status === 201) expect(stored?.body).toEqual(RecordBody.parse(record.body))
      }),
      { numRuns: 120 },
    )
    expect(taken).toBeGreaterThan(5)
  })
  test.each([
    ['a correction of nothing', { replaces: 'reading-none' }],
    ['a correction under no id', { replaces: 'x' }],
    ['a reading that is infinite', { body: { ...new Bench().reading('x').body, si: 1e999 } }],
  ])('%s is refused', async (_, part) => {
    await bench.newJob()
    const answer = await bench.send('POST', '/jobs/job-one/records', {
      ...bench.reading('reading-1'),
      ...part,
    })
    expect(answer.status).toBe(400)
    expect((await readBack()).records).toEqual([])
  })
  test('a correction corrects a record of its own kind, and of no other', async () => {
    await bench.newJob()
    await bench.send('POST', '/jobs/job-one/records', bench.reading('reading-1'))
    const corrected = { ...bench.reading('reading-2', 2), replaces: 'reading-1' }
    expect((await bench.send('POST', '/jobs/job-one/records', corrected)).status).toBe(201)
    const hiding = {
      ...bench.reading('snag-0001'),
      body: { kind: 'snag', what: 'hide it', owner: 'me', due: null },
      replaces: 'reading-1',
    }
    expect((await bench.send('POST', '/jobs/job-one/records', hiding)).status).toBe(400)
  })
  test('a test begun by hand at an impossible instant is refused', async () => {
    await bench.send('POST', '/import', demo('kestrel-weir'))
    const how = { reading: 'typed', kind: 'digital', resolution_Pa: 10, instrument: '' }
    for (const from_ms of [5e12, -1, 0.5])
      expect(
        await bench.send('POST', '/jobs/kestrel-weir/tests', {
          ...bench.act(),
          testId: 'test-0001',
          how: { ...how, from_ms },
          prepared: [],
          off: [],
        }),
      ).toMatchObject({ status: 400, body: { code: 'not-understood' } })
    await readBack('kestrel-weir')
  })
  test('as many revisions as a file may hold are cut, and not one more', async () => {
    await bench.newJob()
    for (let i = 0; i < jobLimits.revisions; i++)
      expect((await bench.send('POST', '/jobs/job-one/revisions', bench.act())).status).toBe(201)
    expect(await bench.send('POST', '/jobs/job-one/revisions', bench.act())).toMatchObject({
      status: 409,
      body: { code: 'job-full' },
    })
    expect((await readBack()).revisions).toHaveLength(jobLimits.revisions)
  }, 60_000)
  test('as many records as a file may hold are taken, and not one more', async () => {
    await bench.newJob()
    await bench.app.db.write((manager) =>
      manager.query('UPDATE job SET recordCount = ?', [jobLimits.records - 1]),
    )
    const post = (id: string) => bench.send('POST', '/jobs/job-one/records', bench.reading(id))
    expect((await post('reading-last')).status).toBe(201)
    expect(await post('reading-over')).toMatchObject({ status: 409, body: { code: 'job-full' } })
  })
})

describe('taking a record costs the same however many there are', () => {
  test('the job is not read again for it', async () => {
    await bench.newJob()
    const read = jest.spyOn(bench.app.jobs, 'state')
    await bench.send('POST', '/jobs/job-one/records', bench.reading('reading-1'))
    expect(read).not.toHaveBeenCalled()
  })
  test('and its summary follows by itself', async () => {
    await bench.newJob()
    const body = { kind: 'snag', what: 'cap the drain', owner: 'Lead', due: null }
    await bench.send('POST', '/jobs/job-one/records', { ...bench.reading('snag-0001'), body })
    expect((await bench.send('GET', '/jobs')).body).toMatchObject({ rows: [{ snags: 1 }] })
  })
})

describe('a job that went bad on the disk', () => {
  test.each([
    [
      'its document',
      `UPDATE job SET draft = '{"version":' , summaryVersion = 0 WHERE id = 'job-bad'`,
    ],
    [
      'a record that is no JSON any more',
      `INSERT INTO record (jobId, id, at, "by", kind, body) VALUES ('job-bad', 'record-bad', 'x', 'lead', 'test-begun', '{"kind":"test-')`,
    ],
    [
      'a record',
      `INSERT INTO record (jobId, id, at, "by", kind, body) VALUES ('job-bad', 'record-bad', 'x', 'lead', 'snag', '{"kind":"snag"}')`,
    ],
  ])('%s: is named on the board, and the others work', async (_, damage) => {
    await bench.newJob('job-bad', 'The bad one')
    await bench.newJob('job-good', 'The good one')
    await bench.newJob('job-other', 'The other good one')
    await bench.send('GET', '/jobs')
    await bench.app.db.raw((raw) => raw.exec(damage))
    await bench.app.db.raw((raw) => raw.exec('UPDATE job SET summaryVersion = 0'))
    await bench.close()
    await bench.open()
    const { rows, unreadable } = (await bench.send('GET', '/jobs?sort=name')).body as {
      rows?: { id: string; name: string; unreadable: boolean; waits: string }[]
      unreadable?: number
    }
    expect(unreadable).toBe(1)
    expect(rows).toMatchObject([
      {
        id: 'job-bad',
        name: 'The bad one',
        unreadable: true,
        waits: expect.stringContaining('cannot be read') as string,
      },
      { id: 'job-good', name: 'The good one', unreadable: false },
      { id: 'job-other', unreadable: false },
    ])
    expect(await bench.send('GET', '/jobs/job-bad')).toMatchObject({
      status: 422,
      body: { code: 'job-unreadable' },
    })
    await readBack('job-good')
  })
})

describe('job numbers', () => {
  const imported = async (number: string, id = `job-${number.length}`) =>
    bench.send('POST', '/import', { ...demo('juniper-ridge'), id, number })
  test('a number that is taken or absurd becomes a new one, and is said', async () => {
    expect((await imported('0423', 'first')).body).toEqual({
      id: 'first',
      number: '0423',
      renumbered: false,
    })
    expect((await imported('0423', 'second')).body).toEqual({
      id: 'second',
      number: '0424',
      renumbered: true,
    })
    expect((await imported('9'.repeat(20), 'third')).body).toMatchObject({ renumbered: true })
    expect((await imported('1e308', 'fourth')).body).toMatchObject({ renumbered: true })
    expect((await bench.newJob('after')).body).toMatchObject({ number: '0427' })
  })
  test('the highest number that is ours does not stop the next job', async () => {
    await imported('999999', 'highest')
    expect((await bench.newJob('after')).status).toBe(201)
    await bench.close()
    await bench.open()
    expect((await bench.newJob('later')).status).toBe(201)
  })
})

describe('an import', () => {
  const file = () => demo('kestrel-weir')
  test.each<[string, (file: JobFile) => unknown, RegExp]>([
    [
      'one record twice',
      (one) => ({ ...one, records: [...one.records, one.records[0]] }),
      /one record twice/,
    ],
    ['a number over two lines', (one) => ({ ...one, number: '04\n17' }), /on one line/],
    ['a number that is a formula', (one) => ({ ...one, number: '=1+1' }), /number/],
    [
      'frozen under a letter it does not hold',
      (one) => ({ ...one, frozen: 'C' }),
      /signed revision/,
    ],
    [
      'two readings at one instant',
      (one) => ({
        ...one,
        samples: { 'test-0001': [1, 1].map((at_ms) => ({ at_ms, gauge_Pa: 2 })) },
      }),
      /one instant/,
    ],
    [
      'one person twice',
      (one) => ({ ...one, people: [...one.people, ...one.people] }),
      /one person twice/,
    ],
  ])('%s is refused in a sentence, and nothing of it is kept', async (_, change, says) => {
    const answer = await bench.send('POST', '/import', change(file()) as object)
    expect(answer).toMatchObject({ status: 400, body: { code: 'not-a-job-file' } })
    expect(answer.body.says).toMatch(says)
    expect((await bench.send('GET', '/jobs')).body).toMatchObject({ jobs: 0 })
    expect((await bench.send('GET', '/people')).raw.toString()).not.toContain('maren')
  })
  test('what is nested too deep is refused before it is read', async () => {
    const answer = await bench.send('POST', '/import', '['.repeat(5_000_000), {
      'content-type': 'application/json',
    })
    expect(answer).toMatchObject({
      status: 400,
      body: { says: expect.stringContaining('nested') as string },
    })
  })
  test('brings its people along without their tickets', async () => {
    await bench.send('POST', '/import', file())
    const people = JSON.parse((await bench.send('GET', '/people')).raw.toString()) as {
      id: string
      role: string
      holds: { ticket: string }[]
      standing: string
    }[]
    expect(people.find((one) => one.id === 'maren-oduya')).toMatchObject({
      ...{ role: '', holds: [], standing: 'out' },
    })
    const lead = people.find((one) => one.id === 'lead')
    expect(lead?.holds.map(({ ticket }) => ticket)).toContain('gas')
  })
  test('that fails half way leaves nothing behind', async () => {
    await bench.newJob()
    await bench.app.db.raw((raw) =>
      raw.exec(
        `CREATE TRIGGER full BEFORE INSERT ON sample BEGIN SELECT RAISE(ABORT, 'no room'); END`,
      ),
    )
    expect((await bench.send('POST', '/import', file())).status).toBe(500)
    expect((await bench.send('GET', '/jobs')).body).toMatchObject({ jobs: 1 })
    expect((await bench.send('GET', '/people')).raw.toString()).not.toContain('maren')
  })
  test('what a file says is signed is shown as imported, and is not verified here', async () => {
    const one = file()
    const revision = {
      letter: 'A',
      at: '2026-11-20T10:00:00.000Z',
      by: 'maren-oduya',
      signed: true,
    }
    const signed = { ...one, frozen: 'A', revisions: [{ ...revision, document: one.document }] }
    expect((await bench.send('POST', '/import', signed)).status).toBe(201)
    expect(await readBack('kestrel-weir')).toMatchObject({
      importedAt: expect.any(String) as string,
      revisions: [{ letter: 'A', imported: true }],
    })
  })
})

test('a whole job goes out and comes in as an archive with its photographs; the file alone lists what it leaves out', async () => {
  const paper = Buffer.from('%PDF-1.4\nstartxref\n0\n%%EOF\n')
  const { createHash } = await import('node:crypto')
  const hash = createHash('sha256').update(paper).digest('hex')
  const put = await bench.send('PUT', `/evidence/${hash}`, paper, {
    'content-type': 'application/pdf',
  })
  expect(put.status).toBe(201)
  await bench.newJob()
  const photo = { hash, type: 'application/pdf', name: 'manual.pdf', bytes: paper.length }
  const reading = bench.reading('reading-1')
  const body = { ...reading.body, photos: [photo] }
  await bench.send('POST', '/jobs/job-one/records', { ...reading, body })
  const alone = (await bench.send('GET', '/jobs/job-one/export')).body
  expect(alone.leavesOut).toEqual([hash])
  const zip = await bench.send('GET', '/jobs/job-one/export.zip')
  expect(zip.headers['content-disposition']).toMatch(/attachment; filename="hestian-job-\d+\.zip"/)

  const other = new Bench()
  await other.open()
  const taken = await other.send('POST', '/import', zip.raw, { 'content-type': 'application/zip' })
  expect(taken.status).toBe(201)
  const { leavesOut: _, ...whole } = alone
  expect((await other.send('GET', '/jobs/job-one/export')).body).toMatchObject(whole)
  expect((await other.send('GET', `/evidence/${hash}`)).raw).toEqual(paper)
  const broken = await other.send('POST', '/import', zip.raw.subarray(0, 200), {
    'content-type': 'application/zip',
  })
  expect(broken).toMatchObject({ status: 400, body: { code: 'not-a-job-file' } })
  await other.end()
})

import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { JobFile, JobState, RefusalCode } from '@hestian/core'
import { blankDocument, refusals } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { storageFailure } from '../db/storageFailure'
import type { Answer } from './app.testing'
import { Bench, lead } from './app.testing'

let bench: Bench
let act: Bench['act']
let send: Bench['send']
beforeEach(async () => {
  bench = new Bench()
  act = bench.act
  send = bench.send.bind(bench)
  await bench.open()
  await bench.app.people.add([{ ...lead, id: 'apprentice', name: 'Young Person', tickets: [] }])
  await bench.newJob()
})
afterEach(() => bench.end())

const load = async (name: string): Promise<string> => {
  await send('POST', '/import', demoJobs()[name] as JobFile)
  return `/jobs/${name}`
}
const blank = () => blankDocument({ name: 'A', address: '', practice: 'uk-ireland' as const })
const typed = (testId: string, prepared: readonly string[] = []) => ({
  ...act(),
  testId,
  how: {
    reading: 'typed',
    kind: 'digital',
    resolution_Pa: 10,
    instrument: 'gauge 4',
    from_ms: Date.UTC(2026, 10, 24),
  },
  prepared,
  off: [],
})

/** One way to each refusal: what is asked, and a word that its sentence must hold. */
const ways: readonly (readonly [RefusalCode, string, RegExp, () => Promise<Answer>])[] = [
  [
    'not-understood',
    'a draft without a save number',
    /saveNumber/,
    () => send('PUT', '/jobs/job-one/draft', { document: blank(), by: 'lead' }),
  ],
  [
    'no-passkey',
    'a passkey for an address in figures',
    /localhost/,
    () => send('POST', '/passkeys/asked', { by: 'lead' }, { host: '127.0.0.1:4180' }),
  ],
  ['no-such-job', 'a job that is not there', /job/, () => send('GET', '/jobs/nowhere')],
  [
    'no-such-test',
    'a note on a test that was never begun',
    /test/,
    () => send('POST', '/jobs/job-one/tests/test-none/notes', { ...act(), text: 'soaped' }),
  ],
  [
    'no-such-revision',
    'a revision that was never cut',
    /revision/,
    () => send('GET', '/jobs/job-one/revisions/Q'),
  ],
  [
    'no-such-person',
    'tickets of somebody nobody knows',
    /Nobody of that name/,
    () => send('PUT', '/people/stranger', { role: 'lead', holds: [] }),
  ],
  [
    'no-such-gauge',
    'a gauge that is not set up',
    /gauge/,
    () => send('POST', '/gauges/none/plant', { command: 'vent' }),
  ],
  [
    'no-such-record',
    'the paper of an unsafe situation that nobody recorded',
    /unsafe situation/,
    () => send('GET', '/jobs/job-one/unsafe/record-none.pdf'),
  ],
  [
    'no-such-step',
    'a step of no sequence',
    /step/,
    () => send('POST', '/jobs/job-one/steps/nonsense/sign', act()),
  ],
  [
    'stale-save',
    'a save on a copy that somebody saved over',
    /saved/,
    async () => {
      const body = { document: blank(), saveNumber: 0, by: 'lead' }
      await send('PUT', '/jobs/job-one/draft', body)
      const other = { ...blank(), site: { ...blank().site, name: 'B' } }
      await send('PUT', '/jobs/job-one/draft', { ...body, document: other, saveNumber: 1 })
      return send('PUT', '/jobs/job-one/draft', { ...body, saveNumber: 0 })
    },
  ],
  [
    'not-yet',
    'a step before its turn',
    /comes after/,
    async () =>
      send('POST', `${await load('saltbush-ferry')}/steps/gas-heater.heater.explain/sign`, act()),
  ],
  [
    'guard-open',
    'a step whose guard nobody looked at',
    /^Still open: /,
    async () =>
      send('POST', `${await load('saltbush-ferry')}/steps/gas-heater.heater.tap-temp/sign`, act()),
  ],
  [
    'reading-missing',
    'a step without its reading',
    /reading/,
    async () => {
      const url = await load('thornfield-scout-hut')
      await send('POST', `${url}/steps/exchange.hot-read/guards`, { ...act(), guardId: 'top' })
      return send('POST', `${url}/steps/exchange.hot-read/sign`, act())
    },
  ],
  [
    'ticket-missing',
    'a step signed by somebody without its ticket',
    /Young Person .*ticket/,
    async () =>
      send('POST', `${await load('kestrel-weir')}/tests`, {
        ...typed('test-young'),
        by: 'apprentice',
      }),
  ],
  [
    'test-over',
    'pumping up a test that has ended',
    /ended/,
    async () => {
      const url = await load('kestrel-weir')
      const { records } = (await send('GET', url)).body as unknown as JobState
      const begun = records.find((one) => one.body.kind === 'test-begun')
      const testId = begun?.body.kind === 'test-begun' ? begun.body.testId : ''
      return send('POST', `${url}/tests/${testId}/top-up`, act())
    },
  ],
  [
    'cannot-sign',
    'a signature on a job with everything open',
    /./,
    () => send('POST', '/jobs/job-one/signatures', { ...act(), typedName: lead.name }),
  ],
  [
    'cannot-check',
    'a sheet with nothing on it',
    /^Site still needs: Address/,
    () => send('POST', '/jobs/job-one/checks', { ...act(), sheet: 'site' }),
  ],
  [
    'not-a-job-file',
    'a file of something else',
    /Hestian/,
    () => send('POST', '/import', { format: 'shopping-list' }),
  ],
  [
    'already-here',
    'a job file whose job is here',
    /already/,
    async () => {
      await load('juniper-ridge')
      return send('POST', '/import', demoJobs()['juniper-ridge'] as JobFile)
    },
  ],
  [
    'different-record',
    'another record under an id that is taken',
    /other/,
    async () => {
      await send('POST', '/jobs/job-one/records', bench.reading('reading-01', 1))
      return send('POST', '/jobs/job-one/records', bench.reading('reading-01', 2))
    },
  ],
  [
    'not-evidence',
    'a paper that is none',
    /./,
    () =>
      send('PUT', `/evidence/${'0'.repeat(64)}`, Buffer.from('not a picture'), {
        'content-type': 'image/png',
      }),
  ],
  [
    'no-such-evidence',
    'a photograph that nobody took',
    /./,
    () => send('GET', `/evidence/${'1'.repeat(64)}`),
  ],
  [
    'no-office',
    'a notice where no office is set up',
    /set up/,
    () => send('POST', '/jobs/job-one/notices', act()),
  ],
  [
    'no-mail',
    'papers by mail where no mail server is set up',
    /set up/,
    () =>
      send('POST', '/jobs/job-one/mails', {
        ...act(),
        ...{ to: 'anna@example.org', papers: [], says: '' },
      }),
  ],
  [
    'no-such-backup',
    'a backup that was forgotten since',
    /any more/,
    () => send('GET', '/backups/hestian-2026-01-01T00-00-00Z.zip'),
  ],
  [
    'too-large',
    'a draft of many megabytes',
    /large/,
    () =>
      send('PUT', '/jobs/job-one/draft', JSON.stringify({ notes: 'x'.repeat(9e6) }), {
        'content-type': 'application/json',
      }),
  ],
  [
    'other-host',
    'a name that the server does not go by',
    /elsewhere\.example/,
    () => send('GET', '/people', undefined, { host: 'elsewhere.example' }),
  ],
  ['no-such-place', 'an address of nothing', /nothing/, () => send('GET', '/cellar')],
]

/**
 * Refusals that need a full disk, a hung worker, a live gauge or damaged storage: where their test
 * is.
 */
const elsewhere: Partial<Record<RefusalCode, string>> = {
  frozen: 'app/app.test.ts',
  'test-running': 'app/app.test.ts',
  'gauge-silent': 'app/refusals.test.ts',
  'gauge-busy': 'app/app.test.ts',
  'disk-full': 'db/storage.test.ts',
  'storage-failed': 'app/refusals.test.ts',
  'took-too-long': 'workers/pool.test.ts',
  'job-unreadable': 'jobs/readBack.test.ts',
  'job-full': 'jobs/readBack.test.ts',
  'sample-taken': 'bench/recorder.test.ts',
  'evidence-damaged': 'evidence/evidence.test.ts',
  'too-many': 'app/doors.test.ts',
  'may-not': 'people/people.test.ts',
  'not-signed-in': 'people/people.test.ts',
  'other-person': 'people/people.test.ts',
  'wrong-sign-in': 'people/people.test.ts',
  'link-over': 'people/people.test.ts',
  'other-site': 'people/people.test.ts',
  'last-owner': 'people/people.test.ts',
}

test.each(ways)('%s: %s', async (code, _, says, ask) => {
  const answer = await ask()
  expect(answer.body).toMatchObject({ code })
  expect(answer.status).toBe(refusals[code].status)
  expect(answer.body.says).toMatch(says)
  expect(answer.body.says).toMatch(/^[A-Z“\d].*[.?]$/s)
})

test.each([
  ['disk-full', 'SQLITE_FULL'],
  ['disk-full', 'ENOSPC'],
  ['disk-full', 'EDQUOT'],
  ['storage-failed', 'SQLITE_IOERR_WRITE'],
  ['storage-failed', 'SQLITE_READONLY'],
  ['storage-failed', 'EIO'],
] as const)('%s: a disk that answers %s, however deep it is wrapped', (code, was) => {
  for (const error of [{ code: was }, { driverError: { code: was } }])
    expect(storageFailure(error)).toMatchObject({ code })
})

test('what is no fault of the disk stays what it is', () => {
  for (const error of [new TypeError('x'), { code: 'SQLITE_CONSTRAINT' }, undefined, 'ENOSPC'])
    expect(storageFailure(error)).toBe(error)
})

test('gauge-silent: a gauge that is set up and does not answer', async () => {
  await bench.close()
  await bench.open({ gauges: [{ id: 'g', name: 'Gauge', host: '127.0.0.1', port: 9 }] })
  expect(await send('POST', '/gauges/g/plant', { command: 'vent' })).toMatchObject({
    status: refusals['gauge-silent'].status,
    body: { code: 'gauge-silent' },
  })
  const url = await load('kestrel-weir')
  expect(
    await send('POST', `${url}/tests`, {
      ...typed('test-silent', ['meter', 'boiler', 'range', 'cabinet']),
      how: { reading: 'streamed', gaugeId: 'g' },
      off: [{ name: 'Galley range', state: 'disconnected', because: 'test' }],
    }),
  ).toMatchObject({
    body: { code: 'gauge-silent', says: expect.stringContaining('by hand') as string },
  })
})

test('every refusal has a way to it, here or in the file named', () => {
  const shown = new Set<string>(ways.map(([code]) => code))
  for (const [code, file] of Object.entries(elsewhere)) {
    expect(readFileSync(join(__dirname, '..', file), 'utf8')).toContain(`'${code}'`)
    shown.add(code)
  }
  expect(Object.keys(refusals).filter((code) => !shown.has(code))).toEqual([])
})

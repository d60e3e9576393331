import { asStaff } from '../people/staff.testing'
import type { Instrument, JobFile, JobState } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { Bench } from '../app/app.testing'
import { judged } from '../jobs/judged'
import { handTestCertificate } from '../pack/handTestCertificate'
import { testCertificate } from '../pack/testCertificate'

let bench: Bench
beforeAll(async () => {
  bench = new Bench()
  await bench.open()
  await bench.send('POST', '/import', demoJobs()['kestrel-weir'] as JobFile)
})
afterAll(() => bench.end())

const gauge = (change: Partial<Instrument> = {}): Instrument => ({
  id: 'gauge-one',
  name: 'Digital manometer',
  serial: 'DM-114',
  kind: 'digital',
  step_Pa: 1,
  most_Pa: 15000,
  accuracy: '0.1 % of range',
  calibratedUntil: '2027-03-01',
  retired: false,
  ...change,
})
const put = (one: Instrument) => bench.send('PUT', `/instruments/${one.id}`, one)
const listed = async () => (await bench.send('GET', '/instruments')).body as unknown as Instrument[]

test('a gauge is kept whole, changed in its place, and stands there after the server was started again', async () => {
  expect((await put(gauge())).status).toBe(200)
  expect((await put(gauge({ calibratedUntil: '2027-04-01' }))).status).toBe(200)
  await bench.close()
  await bench.open()
  expect(await listed()).toEqual([gauge({ calibratedUntil: '2027-04-01' })])
})

test.each([
  [{ name: ' ' }, /needs a name/],
  [{ step_Pa: 20000 }, /smaller than the most/],
  [{ calibratedUntil: '1.3.2027' }, /2026-05-12/],
] as const)('one with %j is refused with a sentence', async (change, says) => {
  const { status, body } = await put(gauge(change))
  expect(status).toBe(400)
  expect(body.says).toMatch(says)
})

describe('the certificate of a test', () => {
  const certificate = async (testId: string, as = (state: JobState) => state) => {
    const state = as((await bench.send('GET', '/jobs/kestrel-weir')).body as unknown as JobState)
    const people = [{ id: 'lead', name: 'Maren', role: '', tickets: ['gas' as const] }]
    const facts = {
      state,
      ...judged(state),
      people: asStaff(people),
      printedAt: '2026-11-28T12:00:00.000Z',
    }
    return JSON.stringify(testCertificate(facts, testId))
  }
  const run = async (testId: string, instrumentId?: string) => {
    await bench.send('POST', '/jobs/kestrel-weir/tests', {
      ...bench.act(),
      testId,
      how: {
        reading: 'typed',
        kind: 'digital',
        resolution_Pa: 1,
        instrument: 'By hand',
        from_ms: 0,
        ...(instrumentId ? { instrumentId } : {}),
      },
      prepared: ['meter', 'boiler', 'range', 'cabinet'],
      off: [{ name: 'Boiler', state: 'shut', because: 'gas tightness test' }],
    })
    for (const at_ms of [60_000, 180_000])
      await bench.send('POST', `/jobs/kestrel-weir/tests/${testId}/samples`, {
        ...bench.act(),
        sample: { at_ms, gauge_Pa: 2000 },
      })
  }
  test('names the gauge with its number and its calibration, as the list had it that day', async () => {
    await put(gauge({ calibratedUntil: '2099-01-01' }))
    await run('test-with-gauge', 'gauge-one')
    // What is changed on the list later changes no certificate.
    await put(gauge({ serial: 'ANOTHER', calibratedUntil: null }))
    const says = await certificate('test-with-gauge')
    expect(says).toMatch(/Digital manometer, no\. DM-114.*calibrated until 2099-01-01/)
    expect(says).toMatch(/Times are those of London/)
    expect(says).toMatch(/By the rule: passed/)
    expect(says).toMatch(/By the figures: cannot tell/)
    expect(says).toMatch(/until it is, this test clears nothing/)
    expect(says).toMatch(/Boiler shut/)
    expect(says).toMatch(/It says nothing of what was shut/)
  })
  test('says a calibration that ran out, and one that nobody has put on file', async () => {
    await put(gauge({ calibratedUntil: '2020-01-01' }))
    await run('test-run-out', 'gauge-one')
    expect(await certificate('test-run-out')).toMatch(/calibration ran out on 2020-01-01/)
    // By the site's day: there it was still the last one on which the calibration held.
    await put(gauge({ calibratedUntil: '2026-11-30' }))
    await run('test-last-day', 'gauge-one')
    const lateIn = (timeZone: 'America/Chicago' | 'Europe/London') => (state: JobState) => ({
      ...state,
      document: { ...state.document, site: { ...state.document.site, timeZone } },
      records: state.records.map((record) => ({ ...record, at: '2026-12-01T04:25:00.000Z' })),
    })
    for (const [zone, says] of [
      ['America/Chicago', 'calibrated until 2026-11-30'],
      ['Europe/London', 'calibration ran out on 2026-11-30'],
    ] as const)
      expect(await certificate('test-last-day', lateIn(zone))).toContain(says)
    await run('test-by-hand')
    expect(await certificate('test-by-hand')).toMatch(/By hand.*no calibration on file/)
  })
  test('is made of what a logger kept as of any other: a whole file is a test that is over', async () => {
    const logged = (testId: string, seconds: number, gap = 0) => ({
      ...bench.act(),
      testId,
      how: {
        reading: 'logged',
        resolution_Pa: 10,
        instrument: 'Logger in the van',
        from_ms: 1_000_000,
        samples: Array.from({ length: seconds + 1 }, (_, i) => ({
          at_ms: 1_000_000 + (i > 90 ? i + gap : i) * 1000,
          gauge_Pa: 2000,
          temp_K: 288.15,
        })),
      },
      prepared: ['meter', 'boiler', 'range', 'cabinet'],
      off: [],
    })
    const whole = logged('test-logged', 200)
    const begin = (body: object) => bench.send('POST', '/jobs/kestrel-weir/tests', body)
    expect((await begin(whole)).status).toBe(201)
    // Sent again it is what was asked for.
    expect((await begin(whole)).status).toBe(201)
    const says = await certificate('test-logged')
    expect(says).toMatch(/Logger in the van.*read by itself/)
    expect(says).toMatch(/By the rule: passed/)
    expect(says).toMatch(/By the figures: (passed|cannot tell)/)
    await begin(logged('test-log-short', 120))
    expect(await certificate('test-log-short')).toMatch(/By the rule: cannot tell.*full time/)
    await begin(logged('test-log-gap', 200, 60))
    expect(await certificate('test-log-gap')).toMatch(/By the rule: cannot tell.*gap/)
  })
  test('is a PDF, and refuses a gauge and a test that are not there', async () => {
    const pdf = await bench.send('GET', '/jobs/kestrel-weir/tests/test-by-hand/certificate.pdf')
    expect(pdf.raw.subarray(0, 5).toString()).toBe('%PDF-')
    const none = await bench.send('GET', '/jobs/kestrel-weir/tests/test-none/certificate.pdf')
    expect(none).toMatchObject({ status: 404, body: { code: 'no-such-test' } })
    const begun = await bench.send('POST', '/jobs/kestrel-weir/tests', {
      ...bench.act(),
      testId: 'test-strange',
      how: { reading: 'streamed', gaugeId: 'g', instrumentId: 'none' },
      prepared: [],
      off: [],
    })
    expect(begun.status).toBe(404)
  })
})

describe('the certificate of a test by hand', () => {
  const measured = {
    kind: 'measured' as const,
    ...{ reading: 'water-test-metal', target: '', confirmed: [], instrument: 'Logger 7' },
    values: { working_Pa: 3e5, start_Pa: 1e6, end_Pa: 9.9e5, held_s: 3600 },
    typed: { working_Pa: '3 bar' },
    series: [
      [0, 1e6],
      [5, 9.99e5],
      [3600, 9.9e5],
    ] as [number, number][],
  }
  const add = (id: string, body: typeof measured) =>
    bench.send('POST', '/jobs/kestrel-weir/records', {
      ...{ id, by: bench.act().by, at: '2026-11-28T09:00:00.000Z' },
      body,
    })
  const paper = async (recordId: string) => {
    const state = (await bench.send('GET', '/jobs/kestrel-weir')).body as unknown as JobState
    const people = [{ id: bench.act().by, name: 'Maren', role: '', tickets: ['gas' as const] }]
    const facts = {
      state,
      ...judged(state),
      people: asStaff(people),
      printedAt: '2026-11-28T12:00:00.000Z',
    }
    return JSON.stringify(handTestCertificate(facts, recordId))
  }
  test('says what was read, both statements, what it was held against, and what was not read', async () => {
    expect(await add('hand-0001', measured)).toMatchObject({ status: 201 })
    const says = (await paper('hand-0001')).replace(/[\u00a0\u202f]/g, ' ')
    expect(says).toMatch(/Metal pipes with water: passed/)
    expect(says).toMatch(/"Gauge at the start","10\.00 bar"/)
    expect(says).toMatch(/"By the figures","cannot tell/)
    expect(says).toMatch(/"Not read","Pipe at the start; Pipe at the end/)
    expect(says).toMatch(/Over time/)
    expect(says).toMatch(/Maren, .*holds gas ticket/)
    expect(says).toMatch(/BS 8558/)
    expect(says).toMatch(/says nothing of what was isolated/)
  })
  test('belongs to the last test of its kind', async () => {
    expect(
      (await add('hand-0002', { ...measured, values: { ...measured.values, end_Pa: 5e5 } })).status,
    ).toBe(201)
    await expect(paper('hand-0001')).rejects.toThrow(/last one counts/)
    expect(await paper('hand-0002')).toMatch(/Metal pipes with water: failed/)
    const pdf = await bench.send('GET', '/jobs/kestrel-weir/hand-tests/hand-0002/certificate.pdf')
    expect(pdf.raw.subarray(0, 5).toString()).toBe('%PDF-')
    expect(
      await bench.send('GET', '/jobs/kestrel-weir/hand-tests/hand-0001/certificate.pdf'),
    ).toMatchObject({ status: 404, body: { code: 'no-such-test' } })
  })
})

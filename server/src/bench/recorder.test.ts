import type { Server, Socket } from 'node:net'
import { createServer } from 'node:net'
import type { JobFile, JobState } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { Bench } from '../app/app.testing'

/** A gauge with a memory that a test works by hand. */
class HandGauge {
  private readonly sockets = new Set<Socket>()
  private readonly server: Server
  readonly asked: string[] = []
  /** What it sends again when it is asked, unless it is told to keep quiet. */
  memory: number[] = []
  remembers = true

  constructor() {
    this.server = createServer((socket) => {
      this.sockets.add(socket)
      socket.on('close', () => this.sockets.delete(socket))
      socket.on('error', () => undefined)
      socket.on('data', (data) => {
        for (const line of data.toString().split('\n').filter(Boolean)) {
          this.asked.push(line)
          const from = Number(/^FROM (\d+)/.exec(line)?.[1] ?? NaN)
          if (this.remembers)
            for (const second of this.memory) if (second * 1000 > from) socket.write(lineOf(second))
        }
      })
      socket.write('HELLO protocol=1 name=Hand simulated=no resolution_Pa=10\n')
    })
  }
  listen = () =>
    new Promise<number>((done) =>
      this.server.listen(0, '127.0.0.1', () =>
        done((this.server.address() as { port: number }).port),
      ),
    )
  say(line: string): void {
    for (const socket of this.sockets) socket.write(line)
  }
  read(from: number, to: number): void {
    for (let second = from; second <= to; second++) {
      this.memory.push(second)
      this.say(lineOf(second))
    }
  }
  breakLink(): void {
    for (const socket of this.sockets) socket.destroy()
    this.sockets.clear()
  }
  connected = () => this.sockets.size > 0
  end = () => {
    this.breakLink()
    return new Promise((done) => this.server.close(done))
  }
}
const lineOf = (second: number) => `S t_ms=${second * 1000} gauge_Pa=2000 temp_K=288.15\n`

let bench: Bench
let gauge: HandGauge
let port: number
const open = () => bench.open({ gauges: [{ id: 'g', name: 'Gauge', host: '127.0.0.1', port }] })
beforeEach(async () => {
  gauge = new HandGauge()
  port = await gauge.listen()
  bench = new Bench()
  await open()
  await bench.send('POST', '/import', demoJobs()['kestrel-weir'] as JobFile)
})
afterEach(async () => {
  await bench.end()
  await gauge.end()
})

const state = async () =>
  (await bench.send('GET', '/jobs/kestrel-weir')).body as unknown as JobState
/** Waits for a condition, not for a time. */
const until = async <T>(look: () => Promise<T> | T, holds: (seen: T) => boolean): Promise<T> => {
  for (let i = 0; i < 3000; i++) {
    const seen = await look()
    if (holds(seen)) return seen
    await new Promise((done) => setTimeout(done, 5))
  }
  throw new Error('never happened')
}
const seconds = async (testId: string) =>
  ((await state()).samples[testId] ?? []).map((sample) => sample.at_ms / 1000)
const live = () =>
  until(
    async () => {
      if (gauge.connected()) gauge.say(lineOf(1000))
      return (await bench.send('GET', '/gauges')).raw.toString()
    },
    (text) => text.includes('"latest"'),
  )
const begin = (testId: string) =>
  bench.send('POST', '/jobs/kestrel-weir/tests', {
    ...bench.act(),
    testId,
    how: { reading: 'streamed', gaugeId: 'g' },
    prepared: ['meter', 'boiler', 'range', 'cabinet'],
    off: [],
  })

test('the end of a test is stored once, however many samples come after its time', async () => {
  await live()
  expect((await begin('test-once')).status).toBe(201)
  gauge.read(1001, 1260)
  const ended = async () =>
    (await state()).records.filter(
      ({ body }) => body.kind === 'test-ended' && body.testId === 'test-once',
    )
  await until(ended, (records) => records.length > 0)
  gauge.read(1261, 1400)
  await Promise.all(
    Array.from({ length: 20 }, () =>
      bench.send('POST', '/jobs/kestrel-weir/tests/test-once/end', bench.act()),
    ),
  )
  expect(await ended()).toHaveLength(1)
}, 30_000)

test('a test that is under way is taken up again though another one has an end too many', async () => {
  await live()
  await begin('test-first')
  await bench.send('POST', '/jobs/kestrel-weir/tests/test-first/end', bench.act())
  // As an earlier version stored them.
  await bench.app.db.raw((raw) =>
    raw.exec(
      `INSERT INTO record (jobId, id, at, "by", kind, body) VALUES ('kestrel-weir', 'ended-again', '2026-11-24T09:00:00.000Z', 'lead', 'test-ended', '{"kind":"test-ended","testId":"test-first","early":true}')`,
    ),
  )
  await begin('test-second')
  gauge.read(1001, 1005)
  await until(
    () => seconds('test-second'),
    (seen) => seen.includes(1005),
  )
  await bench.close()
  await open()
  await until(() => gauge.connected(), Boolean)
  gauge.read(1006, 1010)
  await until(
    () => seconds('test-second'),
    (seen) => seen.includes(1010),
  )
}, 30_000)

test('a link that breaks after a live sample and before what was missed was sent again loses nothing', async () => {
  await live()
  await begin('test-broken')
  gauge.read(1001, 1020)
  await until(
    () => seconds('test-broken'),
    (seen) => seen.includes(1020),
  )
  gauge.remembers = false
  gauge.breakLink()
  for (let second = 1021; second <= 1050; second++) gauge.memory.push(second)
  await until(() => gauge.connected(), Boolean)
  gauge.read(1051, 1053)
  await until(
    () => seconds('test-broken'),
    (seen) => seen.includes(1053),
  )
  gauge.remembers = true
  gauge.breakLink()
  const whole = Array.from({ length: 53 }, (_, i) => 1001 + i)
  await until(
    () => seconds('test-broken'),
    (seen) => whole.every((second) => seen.includes(second)),
  )
  expect(gauge.asked.at(-1)).toBe('FROM 1020000')
}, 30_000)

test('nonsense from a gauge leaves a marked gap and no row', async () => {
  await live()
  await begin('test-nonsense')
  gauge.read(1001, 1003)
  gauge.say('S t_ms=1004000 gauge_Pa=NaN\nS t_ms=99e99 gauge_Pa=1\n')
  gauge.read(1005, 1006)
  await until(
    () => seconds('test-nonsense'),
    (seen) => seen.includes(1006),
  )
  const { records } = await until(state, ({ records: all }) =>
    all.some(({ body }) => body.kind === 'test-note' && body.testId === 'test-nonsense'),
  )
  const notes = records.filter(
    ({ body }) => body.kind === 'test-note' && body.testId === 'test-nonsense',
  )
  expect(notes).toMatchObject([
    { body: { text: expect.stringMatching(/no reading.*missing/) as string } },
  ])
  expect((await seconds('test-nonsense')).filter((second) => second > 1000)).toEqual([
    1001, 1002, 1003, 1005, 1006,
  ])
}, 30_000)

test('what could not be stored is asked for again when there is room', async () => {
  await live()
  await begin('test-full')
  gauge.read(1001, 1003)
  await until(
    () => seconds('test-full'),
    (seen) => seen.includes(1003),
  )
  await bench.app.db.raw((raw) =>
    raw.exec(
      `CREATE TRIGGER full BEFORE INSERT ON sample BEGIN SELECT RAISE(ABORT, 'no room'); END`,
    ),
  )
  gauge.read(1004, 1006)
  await until(
    () => gauge.asked.length,
    () => true,
  )
  await new Promise((done) => setTimeout(done, 150))
  expect(await seconds('test-full')).not.toContain(1004)
  await bench.app.db.raw((raw) => raw.exec('DROP TRIGGER full'))
  await until(
    () => seconds('test-full'),
    (seen) => [1004, 1005, 1006].every((one) => seen.includes(one)),
  )
}, 30_000)

describe('a typed reading', () => {
  const typed = (at_ms: number, gauge_Pa: number) =>
    bench.send('POST', '/jobs/kestrel-weir/tests/test-typed/samples', {
      ...bench.act(),
      sample: { at_ms, gauge_Pa },
    })
  test('at an instant already taken is said and changes nothing; the same one sent again is stored once', async () => {
    await bench.send('POST', '/jobs/kestrel-weir/tests', {
      ...bench.act(),
      testId: 'test-typed',
      how: { reading: 'typed', kind: 'digital', resolution_Pa: 10, instrument: '', from_ms: 0 },
      prepared: ['meter', 'boiler', 'range', 'cabinet'],
      off: [],
    })
    expect((await typed(1000, 2000)).status).toBe(201)
    expect((await typed(1000, 2000)).status).toBe(201)
    expect(await typed(1000, 1990)).toMatchObject({
      status: 409,
      body: { code: 'sample-taken', says: expect.stringContaining('not changed') as string },
    })
    expect((await state()).samples['test-typed']).toEqual([{ at_ms: 1000, gauge_Pa: 2000 }])
  })
})

describe('a test is not begun', () => {
  const send = (test: string, prepared = ['meter', 'boiler', 'range', 'cabinet']) =>
    bench.send('POST', '/jobs/kestrel-weir/tests', {
      ...bench.act(),
      testId: `test-${test}-0001`,
      test,
      how: { reading: 'typed', kind: 'digital', resolution_Pa: 10, instrument: '', from_ms: 0 },
      prepared,
      off: [],
    })
  test('that this job does not ask for or offer, nor one before what has to be looked at', async () => {
    expect(await send('existing')).toMatchObject({ status: 404, body: { code: 'no-such-test' } })
    expect(await send('strength')).toMatchObject({
      status: 409,
      body: { says: expect.stringMatching(/Nobody stands by the pipe/) as string },
    })
  })
  test('while compound cures, and is when it has', async () => {
    const pipe = (await state()).document.gas.segments[0]?.id
    const made = (curesUntil_ms: number | null) =>
      bench.send('POST', '/jobs/kestrel-weir/records', {
        ...bench.act(),
        at,
        body: { kind: 'joints-made', pipe, how: 'threaded', lasts: 'permanent', curesUntil_ms },
      })
    expect((await made(Date.now() + 3_600_000)).status).toBe(201)
    expect(await send('tightness')).toMatchObject({
      status: 409,
      body: { code: 'not-yet', says: expect.stringMatching(/still cure/) as string },
    })
    await made(null)
    expect((await send('tightness')).status).toBe(201)
  })
})

test('the last reading ends a typed test; sent again it is what was asked for, another one is refused', async () => {
  await bench.send('POST', '/jobs/kestrel-weir/tests', {
    ...bench.act(),
    testId: 'test-typed',
    how: { reading: 'typed', kind: 'digital', resolution_Pa: 10, instrument: '', from_ms: 0 },
    prepared: ['meter', 'boiler', 'range', 'cabinet'],
    off: [],
  })
  const begun = (await state()).records.findLast((one) => one.body.kind === 'test-begun')
  if (begun?.body.kind !== 'test-begun') throw new Error('not begun')
  const { stabilise_s, test_s, testGauge_Pa } = begun.body.plan
  const typed = (at_s: number, gauge_Pa: number) =>
    bench.send('POST', '/jobs/kestrel-weir/tests/test-typed/samples', {
      ...bench.act(),
      sample: { at_ms: at_s * 1000, gauge_Pa },
    })
  await typed(stabilise_s, testGauge_Pa)
  expect((await typed(stabilise_s + test_s, testGauge_Pa)).status).toBe(201)
  expect((await typed(stabilise_s + test_s, testGauge_Pa)).status).toBe(201)
  expect(await typed(stabilise_s + test_s, testGauge_Pa - 10)).toMatchObject({
    body: { code: 'test-over' },
  })
})

const at = '2026-11-28T09:00:00.000Z'
test('a test that passed asks to be made again when the pipes it tested are changed', async () => {
  const isTight = async () => {
    const job = await state()
    const { judge, solve } = await import('@hestian/core')
    const { records: entries, samples } = job
    return judge(solve(job.document), { entries, samples }).gasTight
  }
  await live()
  await begin('test-now')
  gauge.read(1001, 1400)
  await until(
    async () => (await state()).records,
    (all) => all.some(({ body }) => body.kind === 'test-ended' && body.testId === 'test-now'),
  )
  // The gauge is off and the screw is back: until soap shows it dry, nothing is cleared.
  expect(await isTight()).toBe(false)
  const soaped = { kind: 'test-point', testId: 'test-now', soaped: 'dry' }
  // Whoever came with an imported job has no ticket, and closes nothing.
  await bench.app.people.add([
    { id: 'isla-penhallick', name: 'Isla Penhallick', role: 'lead', tickets: [] },
  ])
  const apprentice = { ...bench.act(), by: 'isla-penhallick', at, body: soaped }
  expect(await bench.send('POST', '/jobs/kestrel-weir/records', apprentice)).toMatchObject({
    status: 403,
    body: { code: 'ticket-missing' },
  })
  expect(await isTight()).toBe(false)
  await bench.send('POST', '/jobs/kestrel-weir/records', { ...bench.act(), at, body: soaped })
  expect(await isTight()).toBe(true)
  const { document, saveNumber } = await state()
  const [first, ...rest] = document.gas.segments
  const save = (changed: JobState['document'], number: number) =>
    bench.send('PUT', '/jobs/kestrel-weir/draft', {
      document: changed,
      saveNumber: number,
      by: 'lead',
    })
  const renamed = {
    ...document,
    gas: { ...document.gas, segments: [{ ...first, name: 'Renamed' }, ...rest] },
  }
  await save(renamed as JobState['document'], saveNumber)
  expect(await isTight()).toBe(true)
  const longer = {
    ...document,
    gas: { ...document.gas, segments: [{ ...first, elbows: 9 }, ...rest] },
  }
  await save(longer as JobState['document'], saveNumber + 1)
  expect(await isTight()).toBe(false)
}, 30_000)

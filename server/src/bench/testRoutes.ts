import type { GasTest, JobRecord, JudgedTest, RecordBody, Sample } from '@hestian/core'
import {
  Act,
  atWork,
  BeginTest,
  jobLimits,
  JobParams,
  lacking,
  lackingSays,
  Refused,
  Repaired,
  siteTime,
  stillCuring,
  TestNote,
  TestParams,
  testedFingerprint,
  TypedSample,
  numbered,
} from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import { lets } from '../people/gate'
import { Refusal } from '../app/refusal'
import type { GaugeLink } from '../gauges/gaugeLink'
import type { JobStore } from '../jobs/jobStore'
import { endIdOf } from '../jobs/jobStore'
import type { InstrumentStore } from '../instruments/instrumentStore'
import type { PeopleStore } from '../people/peopleStore'
import type { JudgedJob, Tasks } from '../workers/tasks'
import type { TestRecorder } from './recorder'
import type { SampleBuffer } from './sampleBuffer'

interface Parts {
  readonly jobs: JobStore
  readonly people: PeopleStore
  readonly instruments: InstrumentStore
  readonly gauges: readonly GaugeLink[]
  readonly recorder: TestRecorder
  readonly buffer: SampleBuffer
  readonly tasks: Tasks
  readonly clock: Clock
}

/** A logger's whole file, as readings. */
const largestLog_bytes = 4 * 1024 * 1024

const answers = {
  201: z.object({}),
  400: Refused,
  401: Refused,
  403: Refused,
  404: Refused,
  409: Refused,
}

/** The test bench: begin, top up, note, type a reading, end, repair. */
export const testRoutes: FastifyPluginAsyncZod<Parts> = async (
  app,
  { jobs, people, instruments, gauges, recorder, buffer, tasks, clock },
) => {
  const testOf = async (jobId: string, testId: string): Promise<JudgedTest> => {
    await jobs.heading(jobId)
    const test = await jobs.test(jobId, testId)
    if (!test) throw new Refusal('no-such-test', 'This job has no such test.')
    return test
  }
  const open = async (jobId: string, testId: string) => {
    const test = await testOf(jobId, testId)
    if (test.ended)
      throw new Refusal(
        'test-over',
        'This test has ended. Its readings are closed; begin another one.',
      )
    return test
  }
  const append = async (
    jobId: string,
    act: { readonly id: string; readonly by: string },
    body: RecordBody,
  ) => {
    await people.get(act.by)
    const record: JobRecord = { id: act.id, at: clock.now(), by: act.by, body }
    await jobs.append(jobId, [record])
  }

  app.post(
    '/jobs/:jobId/tests',
    {
      ...lets('site'),
      bodyLimit: largestLog_bytes,
      schema: { params: JobParams, body: BeginTest, response: answers },
    },
    async (request, reply) => {
      const { jobId } = request.params
      const { body } = request
      const staff = await people.get(body.by)
      await jobs.alone(jobId, async () => {
        await jobs.heading(jobId)
        if (await jobs.hasRecord(jobId, body.id)) return
        const job = await tasks.judged(jobId)
        const { document } = job.state
        const person = atWork(staff, document.practice, siteTime(clock.now(), document))
        if (lacking(person, ['gas']).length > 0)
          throw new Refusal(
            'ticket-missing',
            `${lackingSays(person, ['gas'])}; a tightness test needs one to be signed.`,
          )
        const instrument = {
          ...instrumentOf(body.how, gauges),
          ...(await listedOf(body.how, instruments)),
        }
        const begun = begunOf(body, job, instrument, clock.now())
        if (body.how.reading === 'streamed' && recorder.isReading(body.how.gaugeId))
          throw new Refusal(
            'gauge-busy',
            'This gauge reads a test that is under way. End that one, or read this with another gauge.',
          )
        const off = body.off.map((item): RecordBody => ({
          kind: 'off',
          name: item.name,
          state: item.state,
          where: 'for the gas test',
          because: item.because,
          testId: body.testId,
          backBefore: 'gas-on',
        }))
        const over = body.how.reading === 'logged' ? overOf(begun, body.how.samples) : []
        // Readings first: what is said to have ended has them, whatever happens in between.
        if (body.how.reading === 'logged') await jobs.addLog(jobId, body.testId, body.how.samples)
        await jobs.append(jobId, numbered([begun, ...off, ...over], body, clock.now()))
        if (body.how.reading === 'streamed')
          recorder.follow(jobId, await testOf(jobId, body.testId))
      })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/tests/:testId/samples',
    { ...lets('site'), schema: { params: TestParams, body: TypedSample, response: answers } },
    async (request, reply) => {
      const { jobId, testId } = request.params
      const { by, sample } = request.body
      await people.get(by)
      await jobs.alone(jobId, async () => {
        // The last reading ends the test; sent again it is what was asked for.
        if (isHeld(await testOf(jobId, testId), sample)) return
        const test = await open(jobId, testId)
        if (test.begun.reading !== 'typed')
          throw new Refusal(
            'not-understood',
            'This test is read by a gauge; readings are not typed into it.',
          )
        if (test.run.samples.length >= jobLimits.samples)
          throw new Refusal('job-full', 'This test holds as many readings as a test may. End it.')
        await storeTyped(buffer, { jobId, testId, sample })
        const after = await testOf(jobId, testId)
        if (after.verdict.outcome !== 'running')
          await append(
            jobId,
            { id: endIdOf(testId), by },
            { kind: 'test-ended', testId, early: false },
          )
      })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/tests/:testId/top-up',
    { ...lets('site'), schema: { params: TestParams, body: Act, response: answers } },
    async (request, reply) => {
      const { jobId, testId } = request.params
      const test = await open(jobId, testId)
      const latest_ms =
        gauges.find((one) => one.address.id === test.begun.gaugeId)?.state().latest?.at_ms ??
        test.run.samples[test.run.samples.length - 1]?.at_ms ??
        test.run.settleFrom_ms
      if (!(await jobs.hasRecord(jobId, request.body.id))) {
        await append(jobId, request.body, {
          kind: 'test-topped-up',
          testId,
          settleFrom_ms: latest_ms,
        })
        recorder.toppedUp(testId, latest_ms)
      }
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/tests/:testId/notes',
    { ...lets('site'), schema: { params: TestParams, body: TestNote, response: answers } },
    async (request, reply) => {
      const { jobId, testId } = request.params
      const test = await testOf(jobId, testId)
      const at_ms = test.run.samples[test.run.samples.length - 1]?.at_ms ?? test.run.settleFrom_ms
      if (!(await jobs.hasRecord(jobId, request.body.id)))
        await append(jobId, request.body, {
          kind: 'test-note',
          testId,
          at_ms,
          text: request.body.text,
        })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/tests/:testId/end',
    { ...lets('site'), schema: { params: TestParams, body: Act, response: answers } },
    async (request, reply) => {
      const { jobId, testId } = request.params
      const { by } = request.body
      await jobs.alone(jobId, async () => {
        // Pressed twice, or sent twice: an ended test is what was asked for.
        if ((await testOf(jobId, testId)).ended) return
        await append(
          jobId,
          { id: endIdOf(testId), by },
          { kind: 'test-ended', testId, early: true },
        )
        recorder.leave(testId)
      })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/tests/:testId/repair',
    { ...lets('site'), schema: { params: TestParams, body: Repaired, response: answers } },
    async (request, reply) => {
      const { jobId, testId } = request.params
      const test = await testOf(jobId, testId)
      if (!test.ended)
        throw new Refusal('test-running', 'End the test before you record the repair.')
      await append(jobId, request.body, {
        kind: 'repaired',
        testId,
        what: request.body.what,
      })
      return reply.code(201).send({})
    },
  )
}

type Instrument = Pick<
  Extract<RecordBody, { kind: 'test-begun' }>,
  'reading' | 'gaugeId' | 'instrument' | 'settleFrom_ms' | 'calibration'
> & { readonly gauge: { readonly kind: 'water-gauge' | 'digital'; readonly resolution_Pa: number } }

/** The gauge as the firm's list has it today, where one was chosen from it. */
async function listedOf(
  { instrumentId }: BeginTest['how'],
  instruments: InstrumentStore,
): Promise<Pick<Instrument, 'instrument' | 'calibration'> | undefined> {
  if (!instrumentId) return undefined
  const { name, serial, calibratedUntil } = await instruments.get(instrumentId)
  return { instrument: name, calibration: { serial, until: calibratedUntil } }
}

/** The end of a test that a logger kept: before its time where the file ends before it. */
function overOf(begun: RecordBody, samples: readonly Sample[]): RecordBody[] {
  if (begun.kind !== 'test-begun') return []
  const { testId, plan, settleFrom_ms } = begun
  const latest_ms = samples.reduce((latest, { at_ms }) => Math.max(latest, at_ms), 0)
  const lasts_ms = (plan.stabilise_s + plan.test_s) * 1000
  return [{ kind: 'test-ended', testId, early: latest_ms < settleFrom_ms + lasts_ms }]
}

/** What the test is read with: a gauge that is heard, or an instrument named by hand. */
function instrumentOf(how: BeginTest['how'], gauges: readonly GaugeLink[]): Instrument {
  if (how.reading === 'logged') {
    const { resolution_Pa, instrument, from_ms } = how
    const gauge = { kind: 'digital', resolution_Pa } as const
    return { reading: 'streamed', instrument, settleFrom_ms: from_ms, gauge }
  }
  if (how.reading === 'typed') {
    const { kind, resolution_Pa, instrument, from_ms } = how
    return {
      reading: 'typed',
      instrument,
      settleFrom_ms: from_ms,
      gauge: { kind, resolution_Pa },
    }
  }
  const gauge = gauges.find((one) => one.address.id === how.gaugeId)
  if (!gauge) throw new Refusal('no-such-gauge', 'No gauge of that name is set up.')
  const { state, latest, name, resolution_Pa } = gauge.state()
  if (state === 'silent' || !latest)
    throw new Refusal(
      'gauge-silent',
      'The gauge is not sending readings. Check it, or type the readings by hand.',
    )
  return {
    reading: 'streamed',
    gaugeId: how.gaugeId,
    instrument: name,
    settleFrom_ms: latest.at_ms,
    gauge: { kind: 'digital', resolution_Pa },
  }
}

/**
 * The test that is under way on a pipe of another; one that is not told apart any more may stand on
 * any.
 */
function runningOn(
  { tests, gasTests }: JudgedJob['judgement'],
  { pipes }: GasTest,
): string | undefined {
  const shares = (other: GasTest['pipes']): boolean =>
    pipes === 'all' || other === 'all' || pipes.some((id) => other.includes(id))
  const running = tests.find((one) => {
    if (one.ended) return false
    const known = gasTests.find(({ last }) => last === one)
    return !known || shares(known.test.pipes)
  })
  return running && (running.begun.name ?? 'gas tightness')
}

/** The record that begins a test, where the job lets it begin. */
function begunOf(
  { testId, test: asked, prepared }: BeginTest,
  { state, judgement }: JudgedJob,
  { gauge, ...instrument }: Instrument,
  now: string,
): RecordBody {
  if (judgement.tests.some((test) => test.testId === testId))
    throw new Refusal('test-over', 'A test of this id has ended. Begin another one.')
  const test = testAsked(judgement, asked, now)
  const running = runningOn(judgement, test)
  if (running !== undefined)
    throw new Refusal(
      'test-running',
      `A test is running on this pipe already: ${running}. End it first; other pipe may be tested meanwhile.`,
    )
  const unprepared = [
    ...test.preparations.filter(({ id }) => !prepared.includes(id)).map(({ name }) => name),
    ...test.confirms.filter(({ id }) => !prepared.includes(id)).map(({ says }) => says),
  ]
  if (unprepared.length > 0)
    throw new Refusal('not-yet', `Not prepared yet: ${unprepared.join(', ')}.`)
  return {
    kind: 'test-begun',
    testId,
    prepared,
    ...instrument,
    restsOn: testedFingerprint(state.document, test.pipes),
    test: test.id,
    name: test.name,
    plan: { ...test.plan, gauge },
  }
}

/** The test of that id, where nothing has to pass before it. */
function testAsked({ gasTests }: JudgedJob['judgement'], id: string, now: string): GasTest {
  if (gasTests.length === 0)
    throw new Refusal(
      'not-yet',
      'The gas supply is not designed far enough: its volume decides the test.',
    )
  const found = gasTests.find(({ test }) => test.id === id)
  if (!found)
    throw new Refusal(
      'no-such-test',
      `This job has no test ${id} to make: the gas supply was changed. Look at the page again.`,
    )
  const before = gasTests.filter(
    (one) => found.test.after.includes(one.id) && !['passed', 'test-point'].includes(one.state),
  )
  if (before.length > 0)
    throw new Refusal('not-yet', `First: ${before.map(({ name }) => name).join(', ')}.`)
  const curing = stillCuring(found.register, Date.parse(now))
  if (curing.length > 0)
    throw new Refusal(
      'not-yet',
      `The joints of ${curing.map(({ pipeName }) => pipeName).join(', ')} still cure. No pressure before their maker’s time is over.`,
    )
  return found.test
}

/** Whether a test holds this very reading already. */
const isHeld = ({ run }: JudgedTest, { at_ms, gauge_Pa, temp_K }: Sample): boolean =>
  run.samples.some(
    (one) => one.at_ms === at_ms && one.gauge_Pa === gauge_Pa && one.temp_K === temp_K,
  )

async function storeTyped(
  buffer: SampleBuffer,
  arriving: { readonly jobId: string; readonly testId: string; readonly sample: Sample },
): Promise<void> {
  const outcome = buffer.add(arriving)
  await buffer.flush()
  if ((await outcome) === 'taken')
    throw new Refusal(
      'sample-taken',
      'At this instant another reading is stored already; it is not changed. Type this one with the time at which you read it.',
    )
}

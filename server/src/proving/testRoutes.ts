import type { JobRecord, JudgedTest, RecordBody } from '@hestian/core'
import {
  Act,
  BeginTest,
  JobParams,
  judgeTests,
  lacking,
  Refused,
  Repaired,
  TestNote,
  TestParams,
  ticketWords,
  TypedSample,
} from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import type { GaugeLink } from '../gauges/gaugeLink'
import { isRepeat, judged, numbered } from '../jobs/judged'
import type { JobStore } from '../jobs/jobStore'
import type { PeopleStore } from '../people/peopleStore'
import type { TestRecorder } from './recorder'

interface Parts {
  readonly jobs: JobStore
  readonly people: PeopleStore
  readonly gauges: readonly GaugeLink[]
  readonly recorder: TestRecorder
  readonly clock: Clock
}

const answers = { 201: z.object({}), 400: Refused, 403: Refused, 404: Refused, 409: Refused }

/** The test bench: begin, top up, note, type a reading, end, repair. */
export const testRoutes: FastifyPluginAsyncZod<Parts> = async (
  app,
  { jobs, people, gauges, recorder, clock },
) => {
  const testOf = async (jobId: string, testId: string): Promise<JudgedTest> => {
    const state = await jobs.state(jobId)
    const test = judgeTests({ entries: state.records, samples: state.samples }).find(
      (one) => one.testId === testId,
    )
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
    { schema: { params: JobParams, body: BeginTest, response: answers } },
    async (request, reply) => {
      const { jobId } = request.params
      const { body } = request
      const state = await jobs.state(jobId)
      const person = await people.get(body.by)
      if (isRepeat(state, body.id)) return reply.code(201).send({})
      const needed = lacking(person, ['gas'])
      if (needed.length > 0)
        throw new Refusal(
          'ticket-missing',
          `${person.name} has no ${ticketWords.gas}; a tightness test needs one to be signed.`,
        )
      const { solution, judgement } = judged(state)
      if (judgement.tests.some((test) => !test.ended))
        throw new Refusal('test-running', 'A test is already running on this job. End it first.')
      const design = solution.tightness.applies ? solution.tightness.answer : undefined
      if (!design)
        throw new Refusal(
          'not-yet',
          'The gas supply is not designed far enough: its volume decides the test.',
        )
      const unprepared = design.preparations.filter((one) => !body.prepared.includes(one.id))
      if (unprepared.length > 0)
        throw new Refusal(
          'not-yet',
          `Not prepared yet: ${unprepared.map((one) => one.name).join(', ')}.`,
        )

      const gauge =
        body.how.reading === 'streamed'
          ? gauges.find(
              (one) => one.address.id === (body.how.reading === 'streamed' ? body.how.gaugeId : ''),
            )
          : undefined
      if (body.how.reading === 'streamed' && !gauge)
        throw new Refusal('no-such-gauge', 'No gauge of that name is set up.')
      const seen = gauge?.state()
      if (seen && (seen.state === 'silent' || !seen.latest))
        throw new Refusal(
          'gauge-silent',
          'The gauge is not sending readings. Check it, or type the readings by hand.',
        )
      const begun: RecordBody = {
        kind: 'test-begun',
        testId: body.testId,
        prepared: body.prepared,
        reading: body.how.reading,
        ...(body.how.reading === 'streamed' ? { gaugeId: body.how.gaugeId } : {}),
        instrument: seen ? seen.name : body.how.reading === 'typed' ? body.how.instrument : '',
        settleFrom_ms: seen?.latest?.at_ms ?? (body.how.reading === 'typed' ? body.how.from_ms : 0),
        plan: {
          ...design.plan,
          gauge:
            body.how.reading === 'typed'
              ? { kind: body.how.kind, resolution_Pa: body.how.resolution_Pa }
              : { kind: 'digital', resolution_Pa: seen?.resolution_Pa ?? 10 },
        },
      }
      const off = body.off.map((item): RecordBody => ({
        kind: 'off',
        name: item.name,
        state: item.state,
        where: 'for the gas test',
        because: item.because,
        testId: body.testId,
        backBefore: 'gas-on',
      }))
      await jobs.append(jobId, numbered([begun, ...off], body, clock.now()))
      if (body.how.reading === 'streamed') recorder.follow(jobId, await testOf(jobId, body.testId))
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/tests/:testId/samples',
    { schema: { params: TestParams, body: TypedSample, response: answers } },
    async (request, reply) => {
      const { jobId, testId } = request.params
      const test = await open(jobId, testId)
      await people.get(request.body.by)
      if (test.begun.reading !== 'typed')
        throw new Refusal(
          'not-understood',
          'This test is read by a gauge; readings are not typed into it.',
        )
      await jobs.addSample(jobId, testId, request.body.sample)
      const after = await testOf(jobId, testId)
      if (after.verdict.outcome !== 'running')
        await append(
          jobId,
          { id: `${request.body.id.slice(0, 50)}-end`, by: request.body.by },
          { kind: 'test-ended', testId, early: false },
        )
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/tests/:testId/top-up',
    { schema: { params: TestParams, body: Act, response: answers } },
    async (request, reply) => {
      const { jobId, testId } = request.params
      const test = await open(jobId, testId)
      const latest =
        gauges.find((one) => one.address.id === test.begun.gaugeId)?.state().latest?.at_ms ??
        test.run.samples[test.run.samples.length - 1]?.at_ms ??
        test.run.settleFrom_ms
      await append(jobId, request.body, { kind: 'test-topped-up', testId, settleFrom_ms: latest })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/tests/:testId/notes',
    { schema: { params: TestParams, body: TestNote, response: answers } },
    async (request, reply) => {
      const { jobId, testId } = request.params
      const test = await testOf(jobId, testId)
      const at_ms = test.run.samples[test.run.samples.length - 1]?.at_ms ?? test.run.settleFrom_ms
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
    { schema: { params: TestParams, body: Act, response: answers } },
    async (request, reply) => {
      const { jobId, testId } = request.params
      await open(jobId, testId)
      recorder.leave(testId)
      await append(jobId, request.body, { kind: 'test-ended', testId, early: true })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/tests/:testId/repair',
    { schema: { params: TestParams, body: Repaired, response: answers } },
    async (request, reply) => {
      const { jobId, testId } = request.params
      const test = await testOf(jobId, testId)
      if (!test.ended)
        throw new Refusal('test-running', 'End the test before you record the repair.')
      await append(jobId, request.body, { kind: 'repaired', testId, what: request.body.what })
      return reply.code(201).send({})
    },
  )
}

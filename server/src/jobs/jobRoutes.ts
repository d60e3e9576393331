import {
  Act,
  ArchiveJob,
  blankDocument,
  BoardPage as BoardPageSchema,
  BoardQuery as BoardQuerySchema,
  DuplicateJob,
  JobFile,
  JobParams,
  JobState,
  NewJob,
  NewRecord,
  NewRevision,
  OffParams,
  ProveSheet,
  putBack,
  Refused,
  RevisionParams,
  SaveDraft,
  Saved,
  SignHandover,
  SignStep,
  StepParams,
  ConfirmGuard,
  confirmGuard,
  fingerprint,
  templateOf,
  lacking,
  signStep,
  ticketsToProve,
  ticketsToSign,
  ticketWords,
  upgradeFile,
} from '@hestian/core'
import type { BoardPage, BoardQuery, RecordKind } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import type { PeopleStore } from '../people/peopleStore'
import { isRepeat, judged, numbered, recordsOf } from './judged'
import type { JobStore } from './jobStore'
import { nextLetter } from './jobStore'

const refused = { 400: Refused, 403: Refused, 404: Refused, 409: Refused, 413: Refused }

/** Kinds that a hand on site adds by itself, in any order and after a lost connection. */
const recordedHere: readonly RecordKind[] = [
  'reading',
  'off',
  'looked',
  'draught',
  'inspected',
  'snag',
  'snag-done',
  'chosen-option',
]

/** Jobs: the board, drafts, records, steps, revisions, signatures, files. Rules are core's, storage is the store's. */
export const jobRoutes: FastifyPluginAsyncZod<{
  jobs: JobStore
  board: (query: BoardQuery) => Promise<BoardPage>
  people: PeopleStore
  clock: Clock
}> = async (app, { jobs, board, people, clock }) => {
  app.get(
    '/jobs',
    { schema: { querystring: BoardQuerySchema, response: { 200: BoardPageSchema, 400: Refused } } },
    async (request) => board(request.query),
  )

  app.post(
    '/jobs/:jobId/archive',
    {
      schema: { params: JobParams, body: ArchiveJob, response: { 200: z.object({}), ...refused } },
    },
    async (request) => {
      await people.get(request.body.by)
      await jobs.archive(request.params.jobId, request.body.archived)
      return {}
    },
  )

  app.post(
    '/jobs/:jobId/duplicate',
    { schema: { params: JobParams, body: DuplicateJob, response: { 201: JobState, ...refused } } },
    async (request, reply) => {
      const { id, by, name } = request.body
      await people.get(by)
      const { document, number } = await jobs.state(request.params.jobId)
      const blank = blankDocument({ name, address: '', practice: document.practice })
      return reply
        .code(201)
        .send(await jobs.create(id, templateOf(document, { name, number, blank }), clock.now()))
    },
  )

  app.post(
    '/jobs',
    { schema: { body: NewJob, response: { 201: JobState, ...refused } } },
    async (request, reply) => {
      const { id, by, ...site } = request.body
      await people.get(by)
      return reply.code(201).send(await jobs.create(id, blankDocument(site), clock.now()))
    },
  )

  app.get(
    '/jobs/:jobId',
    { schema: { params: JobParams, response: { 200: JobState, ...refused } } },
    async (request) => jobs.state(request.params.jobId),
  )

  app.put(
    '/jobs/:jobId/draft',
    { schema: { params: JobParams, body: SaveDraft, response: { 200: Saved, ...refused } } },
    async (request) => {
      const { document, saveNumber, by } = request.body
      await people.get(by)
      return { saveNumber: await jobs.saveDraft(request.params.jobId, document, saveNumber) }
    },
  )

  app.post(
    '/jobs/:jobId/records',
    { schema: { params: JobParams, body: NewRecord, response: { 201: z.object({}), ...refused } } },
    async (request, reply) => {
      const { body } = request
      await people.get(body.by)
      if (!recordedHere.includes(body.body.kind))
        throw new Refusal(
          'not-understood',
          'Only what is seen, read, tried, inspected or left off is recorded here; tests, steps and signatures have addresses of their own.',
        )
      await jobs.append(request.params.jobId, [body])
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/steps/:stepId/guards',
    {
      schema: {
        params: StepParams,
        body: ConfirmGuard,
        response: { 201: z.object({}), ...refused },
      },
    },
    async (request, reply) => {
      const { jobId, stepId } = request.params
      const state = await jobs.state(jobId)
      await people.get(request.body.by)
      if (!isRepeat(state, request.body.id))
        await jobs.append(
          jobId,
          recordsOf(
            confirmGuard(judged(state).judgement, stepId, request.body.guardId),
            request.body,
            clock.now(),
          ),
        )
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/steps/:stepId/sign',
    { schema: { params: StepParams, body: SignStep, response: { 201: z.object({}), ...refused } } },
    async (request, reply) => {
      const { jobId, stepId } = request.params
      const state = await jobs.state(jobId)
      const person = await people.get(request.body.by)
      if (!isRepeat(state, request.body.id))
        await jobs.append(
          jobId,
          recordsOf(
            signStep(judged(state).judgement, stepId, person, request.body.reading),
            request.body,
            clock.now(),
          ),
        )
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/off/:offId/put-back',
    { schema: { params: OffParams, body: Act, response: { 201: z.object({}), ...refused } } },
    async (request, reply) => {
      const { jobId, offId } = request.params
      const state = await jobs.state(jobId)
      await people.get(request.body.by)
      if (!isRepeat(state, request.body.id))
        await jobs.append(
          jobId,
          recordsOf(putBack(judged(state).judgement, offId), request.body, clock.now()),
        )
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/proofs',
    {
      schema: { params: JobParams, body: ProveSheet, response: { 201: z.object({}), ...refused } },
    },
    async (request, reply) => {
      const { jobId } = request.params
      const state = await jobs.state(jobId)
      const person = await people.get(request.body.by)
      const { judgement } = judged(state)
      const sheet = Object.values(judgement.sheets).find((one) => one.id === request.body.sheet)
      if (!sheet || sheet.id === 'handover')
        throw new Refusal('not-understood', 'There is no such sheet to prove.')
      const needed = lacking(person, ticketsToProve(sheet.id))
      if (needed.length > 0)
        throw new Refusal(
          'ticket-missing',
          `${person.name} has no ${needed.map((ticket) => ticketWords[ticket]).join(' or ')}; proving ${sheet.name} needs one.`,
        )
      if (sheet.state === 'stop')
        throw new Refusal('cannot-prove', `${sheet.name} has an open stop.`)
      if (sheet.state === 'incomplete')
        throw new Refusal(
          'cannot-prove',
          `${sheet.name} still needs: ${sheet.missing
            .slice(0, 3)
            .map((gap) => gap.what)
            .join('; ')}.`,
        )
      if (sheet.state === 'ready')
        await jobs.append(
          jobId,
          numbered(
            [{ kind: 'prove-sheet', sheet: sheet.id, restsOn: sheet.restsOn }],
            request.body,
            clock.now(),
          ),
        )
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/signatures',
    {
      schema: {
        params: JobParams,
        body: SignHandover,
        response: { 201: z.object({ letter: z.string() }), ...refused },
      },
    },
    async (request, reply) => {
      const { jobId } = request.params
      const state = await jobs.state(jobId)
      const person = await people.get(request.body.by)
      const done = state.records.find((record) => record.id === request.body.id)
      if (done?.body.kind === 'signature')
        return reply.code(201).send({ letter: done.body.revision })
      if (state.frozen) throw new Refusal('frozen', `Revision ${state.frozen} is already signed.`)
      const { judgement } = judged(state)
      if (!judgement.canSign)
        throw new Refusal(
          'cannot-sign',
          `${judgement.missing.length} things are still missing; the first: ${judgement.missing[0]?.what ?? ''}.`,
        )
      const needed = lacking(person, ticketsToSign(state.document))
      if (needed.length > 0)
        throw new Refusal(
          'ticket-missing',
          `${person.name} has no ${needed.map((ticket) => ticketWords[ticket]).join(' and no ')}; this handover needs it to be signed.`,
        )
      if (request.body.typedName.trim().toLowerCase() !== person.name.toLowerCase())
        throw new Refusal(
          'not-understood',
          `The typed name must be that of who is working: ${person.name}.`,
        )
      const letter = nextLetter(await jobs.letters(jobId))
      const at = clock.now()
      const signature = {
        kind: 'signature' as const,
        typedName: request.body.typedName.trim(),
        revision: letter,
        restsOn: fingerprint(state.document),
        ticketsHeld: [...person.tickets],
      }
      await jobs.append(jobId, numbered([signature], request.body, at), {
        letter,
        at,
        by: person.id,
      })
      return reply.code(201).send({ letter })
    },
  )

  app.post(
    '/jobs/:jobId/revisions',
    {
      schema: {
        params: JobParams,
        body: NewRevision,
        response: { 201: z.object({ letter: z.string().nullable() }), ...refused },
      },
    },
    async (request, reply) => {
      const { jobId } = request.params
      const state = await jobs.state(jobId)
      await people.get(request.body.by)
      if (state.frozen) {
        await jobs.unfreeze(jobId)
        return reply.code(201).send({ letter: null })
      }
      return reply
        .code(201)
        .send({ letter: await jobs.cutRevision(jobId, clock.now(), request.body.by) })
    },
  )

  app.get(
    '/jobs/:jobId/revisions/:letter',
    {
      schema: {
        params: RevisionParams,
        response: { 200: JobFile.shape.revisions.element, ...refused },
      },
    },
    async (request) => {
      await jobs.state(request.params.jobId)
      return jobs.revision(request.params.jobId, request.params.letter)
    },
  )

  app.get(
    '/jobs/:jobId/export',
    { schema: { params: JobParams, response: { 200: JobFile, ...refused } } },
    async (request, reply) => {
      const file = await jobs.exportFile(
        request.params.jobId,
        (await people.list()).map((person) => ({ ...person, tickets: [...person.tickets] })),
      )
      return reply
        .header('content-disposition', `attachment; filename="hestian-job-${file.number}.json"`)
        .send(file)
    },
  )

  app.post(
    '/import',
    {
      bodyLimit: 64 * 1024 * 1024,
      schema: { body: z.unknown(), response: { 201: z.object({ id: z.string() }), ...refused } },
    },
    async (request, reply) => {
      const file = JobFile.safeParse(upgradeFile(request.body))
      if (!file.success) {
        const where = file.error.issues
          .slice(0, 2)
          .map((issue) => `${issue.path.join('.') || 'the file'}: ${issue.message}`)
          .join('; ')
        throw new Refusal(
          'not-a-job-file',
          `This is not a job exported from Hestian (${where}). Nothing was changed.`,
        )
      }
      await people.add(file.data.people)
      await jobs.importFile(file.data, clock.now())
      return reply.code(201).send({ id: file.data.id })
    },
  )
}

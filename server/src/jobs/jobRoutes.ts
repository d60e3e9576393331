import type { BoardPage, BoardQuery, JudgedSheet, Person, RecordKind, SheetId } from '@hestian/core'
import {
  ArchiveJob,
  atWork,
  blankDocument,
  BoardPage as BoardPageSchema,
  BoardQuery as BoardQuerySchema,
  DuplicateJob,
  fingerprint,
  ItemParams,
  JobFile,
  JobParams,
  JobState,
  lacking,
  lackingSays,
  NewJob,
  NewRecord,
  NewRevision,
  numbered,
  papersOn,
  CheckSheet,
  Refused,
  RevisionParams,
  SaveDraft,
  Saved,
  SignHandover,
  siteTime,
  templateOf,
  tickItem,
  TickOff,
  ticketsToCheck,
  ticketsToSign,
} from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import { lets } from '../people/gate'
import { Refusal } from '../app/refusal'
import type { PeopleStore } from '../people/peopleStore'
import type { JudgedJob, Tasks } from '../workers/tasks'
import { sha256Of } from './canonical'
import { actingOnce, refused } from './actOnce'
import { recordsOf } from './judged'
import type { JobStore } from './jobStore'
import { nextLetter } from './jobStore'

/**
 * The fullest document that the schema allows is under a megabyte; long names make it more. Bytes.
 */
const largestDraft = 8 * 1024 * 1024

/** Kinds that a hand on site adds by itself, in any order and after a lost connection. */
const recordedHere: readonly RecordKind[] = [
  'reading',
  'off',
  'looked',
  'draught',
  'inspected',
  'measured',
  'snag',
  'snag-done',
  'chosen-option',
  'made-safe',
  'joints-made',
  'soaped',
  'test-point',
  'unsafe',
  'unsafe-ended',
  'leaving',
  'received',
]

interface Parts {
  readonly jobs: JobStore
  readonly board: (query: BoardQuery) => Promise<BoardPage>
  readonly people: PeopleStore
  readonly tasks: Tasks
  readonly clock: Clock
}

/**
 * Jobs: the board, drafts, records, revisions, signatures. Rules are core's, storage is the
 * store's.
 */
export const jobRoutes: FastifyPluginAsyncZod<Parts> = async (
  app,
  { jobs, board, people, tasks, clock },
) => {
  const actOnce = actingOnce({ jobs, people, tasks, clock })

  app.get(
    '/jobs',
    {
      ...lets('read'),
      schema: { querystring: BoardQuerySchema, response: { 200: BoardPageSchema, 400: Refused } },
    },
    async (request) => board(request.query),
  )

  app.post(
    '/jobs/:jobId/archive',
    {
      ...lets('file'),
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
    {
      ...lets('design'),
      schema: { params: JobParams, body: DuplicateJob, response: { 201: JobState, ...refused } },
    },
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
    { ...lets('design'), schema: { body: NewJob, response: { 201: JobState, ...refused } } },
    async (request, reply) => {
      const { id, by, ...site } = request.body
      await people.get(by)
      return reply.code(201).send(await jobs.create(id, blankDocument(site), clock.now()))
    },
  )

  app.get(
    '/jobs/:jobId',
    { ...lets('read'), schema: { params: JobParams, response: { 200: JobState, ...refused } } },
    async (request) => jobs.state(request.params.jobId),
  )

  app.put(
    '/jobs/:jobId/draft',
    {
      ...lets('design'),
      bodyLimit: largestDraft,
      schema: { params: JobParams, body: SaveDraft, response: { 200: Saved, ...refused } },
    },
    async (request) => {
      const { document, saveNumber, by } = request.body
      await people.get(by)
      return { saveNumber: await jobs.saveDraft(request.params.jobId, document, saveNumber) }
    },
  )

  app.post(
    '/jobs/:jobId/records',
    {
      ...lets('site'),
      schema: { params: JobParams, body: NewRecord, response: { 201: z.object({}), ...refused } },
    },
    async (request, reply) => {
      const { body } = request
      const staff = await people.get(body.by)
      // It is the last step of a test: whoever may not begin one may not close it.
      if (body.body.kind === 'test-point') {
        const { document } = await jobs.state(request.params.jobId)
        const person = atWork(staff, document.practice, siteTime(body.at, document))
        if (lacking(person, ['gas']).length > 0)
          throw new Refusal(
            'ticket-missing',
            `${lackingSays(person, ['gas'])}; the test point is closed by somebody who has one.`,
          )
      }
      if (body.body.kind === 'received')
        await expectHandedOver(jobs, request.params.jobId, body.body.revision)
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
    '/jobs/:jobId/items/:itemId/tick',
    {
      ...lets('site'),
      schema: { params: ItemParams, body: TickOff, response: { 201: z.object({}), ...refused } },
    },
    async (request, reply) => {
      const { jobId, itemId } = request.params
      const { body } = request
      await actOnce(jobId, body, async (person, { judgement }) => {
        const signing = tickItem(judgement, itemId, person, body)
        await jobs.append(jobId, recordsOf(signing, body, clock.now()))
      })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/checks',
    {
      ...lets('sign'),
      schema: { params: JobParams, body: CheckSheet, response: { 201: z.object({}), ...refused } },
    },
    async (request, reply) => {
      const { jobId } = request.params
      const { body } = request
      await actOnce(jobId, body, async (person, { judgement }) => {
        const sheet = sheetToCheck(judgement.sheets, body.sheet, person)
        if (sheet.state === 'ready')
          await jobs.append(
            jobId,
            numbered(
              [{ kind: 'sheet-checked', sheet: sheet.id, restsOn: sheet.restsOn }],
              body,
              clock.now(),
            ),
          )
      })
      return reply.code(201).send({})
    },
  )

  app.post(
    '/jobs/:jobId/signatures',
    {
      ...lets('sign'),
      schema: {
        params: JobParams,
        body: SignHandover,
        response: { 201: z.object({ letter: z.string() }), ...refused },
      },
    },
    async (request, reply) => {
      const { jobId } = request.params
      const { body } = request
      await actOnce(jobId, body, async (person, job) => {
        expectSignable(job, person, body.typedName)
        const letter = nextLetter(await jobs.letters(jobId))
        const at = clock.now()
        const { document, saveNumber } = job.state
        const { holds } = await people.get(person.id)
        const signature = {
          kind: 'signature' as const,
          typedName: body.typedName.trim(),
          revision: letter,
          restsOn: fingerprint(document),
          ticketsHeld: [...person.tickets],
          papers: [...papersOn(holds, document.practice, siteTime(at, document))],
          ...(body.drawn ? { drawn: body.drawn } : {}),
          sha256: sha256Of(document),
        }
        const freeze = { letter, at, by: person.id, saveNumber }
        await jobs.append(jobId, numbered([signature], body, at), freeze)
      })
      return reply.code(201).send({ letter: await jobs.signedLetter(jobId, body.id) })
    },
  )

  app.post(
    '/jobs/:jobId/revisions',
    {
      ...lets('design'),
      schema: {
        params: JobParams,
        body: NewRevision,
        response: { 201: z.object({ letter: z.string() }), ...refused },
      },
    },
    async (request, reply) => {
      await people.get(request.body.by)
      const letter = await jobs.cutRevision(request.params.jobId, request.body)
      return reply.code(201).send({ letter })
    },
  )

  app.post(
    '/jobs/:jobId/unfreeze',
    {
      ...lets('sign'),
      schema: { params: JobParams, body: NewRevision, response: { 201: z.object({}), ...refused } },
    },
    async (request, reply) => {
      await people.get(request.body.by)
      await jobs.unfreeze(request.params.jobId, request.body)
      return reply.code(201).send({})
    },
  )

  app.get(
    '/jobs/:jobId/revisions/:letter',
    {
      ...lets('read'),
      schema: {
        params: RevisionParams,
        response: { 200: JobFile.shape.revisions.element, ...refused },
      },
    },
    async (request) => {
      return jobs.revision(request.params.jobId, request.params.letter)
    },
  )
}

/** The sheet that a person wants to prove, where it can be proven and they may. */
function sheetToCheck(
  sheets: Readonly<Record<SheetId, JudgedSheet>>,
  id: SheetId,
  person: Person,
): JudgedSheet {
  const sheet = sheets[id]
  if (id === 'handover') throw new Refusal('not-understood', 'The handover is signed, not checked.')
  const needed = lacking(person, ticketsToCheck(id))
  if (needed.length > 0)
    throw new Refusal(
      'ticket-missing',
      `${lackingSays(person, needed)}; checking ${sheet.name} needs one.`,
    )
  if (sheet.state === 'stop') throw new Refusal('cannot-check', `${sheet.name} has an open stop.`)
  if (sheet.state === 'incomplete')
    throw new Refusal(
      'cannot-check',
      `${sheet.name} still needs: ${sheet.missing
        .slice(0, 3)
        .map((gap) => gap.what)
        .join('; ')}.`,
    )
  return sheet
}

function expectSignable({ state, judgement }: JudgedJob, person: Person, typedName: string): void {
  if (state.frozen) throw new Refusal('frozen', `Revision ${state.frozen} is already signed.`)
  if (!judgement.canSign)
    throw new Refusal(
      'cannot-sign',
      `${judgement.missing.length === 1 ? 'One thing is' : `${judgement.missing.length} things are`} still missing; the first: ${judgement.missing[0]?.what ?? ''}.`,
    )
  const needed = lacking(person, ticketsToSign(state.document))
  if (needed.length > 0)
    throw new Refusal(
      'ticket-missing',
      `${lackingSays(person, needed)}; this handover needs it to be signed.`,
    )
  if (typedName.trim().toLowerCase() !== person.name.toLowerCase())
    throw new Refusal(
      'not-understood',
      `The typed name must be that of who is working: ${person.name}.`,
    )
}

/**
 * Only what is signed and frozen is received: what is edited further is another thing than was
 * handed over.
 */
async function expectHandedOver(jobs: JobStore, jobId: string, revision: string): Promise<void> {
  const { frozen } = await jobs.heading(jobId)
  if (frozen !== revision)
    throw new Refusal(
      'not-understood',
      frozen
        ? `Revision ${revision} is not the one that is signed; revision ${frozen} is.`
        : 'Nothing is signed here yet: it is signed by the installer first, then received.',
    )
}

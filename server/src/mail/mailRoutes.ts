import type { SendPapers } from '@hestian/core'
import { JobParams, Mailbox, numbered, SendPapers as SendPapersSchema } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import { actingOnce, refused } from '../jobs/actOnce'
import type { JobStore } from '../jobs/jobStore'
import type { PeopleStore } from '../people/peopleStore'
import type { Tasks } from '../workers/tasks'
import type { MailServer } from './mailLink'
import { mailId, sendMail } from './mailLink'

interface Parts {
  readonly jobs: JobStore
  readonly people: PeopleStore
  readonly tasks: Tasks
  readonly clock: Clock
  /** None is set up without it. */
  readonly mail?: MailServer | undefined
  /** What a limit per address is put on. */
  readonly limit: object
}

/**
 * Papers of signed work by e-mail; what was sent to whom, and what became of it, stands in the
 * records.
 */
export const mailRoutes: FastifyPluginAsyncZod<Parts> = async (app, parts) => {
  const { jobs, tasks, clock, mail } = parts
  const actOnce = actingOnce(parts)
  app.get(
    '/mailbox',
    { config: { lets: 'read' }, schema: { response: { 200: Mailbox } } },
    async () => ({ from: mail?.from ?? null }),
  )

  app.post(
    '/jobs/:jobId/mails',
    {
      config: { lets: 'file', ...parts.limit },
      schema: {
        params: JobParams,
        body: SendPapersSchema,
        response: { 201: z.object({}), ...refused },
      },
    },
    async ({ params: { jobId }, body }, reply) => {
      if (mail === undefined)
        throw new Refusal('no-mail', 'No mail server is set up on this server.')
      await actOnce(jobId, body, async (person) => {
        const { number, frozen: revision } = await jobs.heading(jobId)
        if (revision === null)
          throw new Refusal('not-yet', 'Only signed papers are sent: sign it first.')
        const { to, papers } = body
        const pdf = await tasks.handover({ jobId, papers, printedAt: clock.now() })
        const said = await sendMail(
          mail,
          {
            ...{ to, subject: `Job ${number}, revision ${revision}` },
            text: textOf(body, person.name),
            file: { name: `${nameOf(papers)}-${number}-${revision}.pdf`, bytes: pdf },
          },
          { id: mailId([jobId, revision, to, ...papers, body.says]) },
        )
        const kept = { kind: 'mailed' as const, revision, to, papers, ...said }
        await jobs.append(jobId, numbered([kept], body, clock.now()))
      })
      return reply.code(201).send({})
    },
  )
}

const nameOf = ([first, ...others]: SendPapers['papers']): string =>
  first !== undefined && others.length === 0 ? first : 'handover'

const textOf = ({ says }: SendPapers, from: string): string =>
  [...(says ? [says] : ['The papers are in the PDF beside this mail.']), '', from].join('\n')

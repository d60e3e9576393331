import { EraseHeld, FindHeld, Held, JobParams, Refused } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Clock } from '../app/parts'
import type { EvidenceStore } from '../evidence/evidenceStore'
import type { JobStore } from '../jobs/jobStore'
import type { Tasks } from '../workers/tasks'
import { lets } from './gate'

const refused = {
  400: Refused,
  401: Refused,
  403: Refused,
  404: Refused,
  409: Refused,
  422: Refused,
  507: Refused,
}

/** What is held of somebody: found and given out, erased from a job. The owner's alone. */
export const heldRoutes: FastifyPluginAsyncZod<{
  readonly jobs: JobStore
  readonly evidence: EvidenceStore
  readonly tasks: Tasks
  readonly clock: Clock
}> = async (app, { jobs, evidence, tasks, clock }) => {
  // The words are a name: they travel in the body, so that no address and no log of a proxy holds
  // them.
  app.post(
    '/held',
    { ...lets('firm'), schema: { body: FindHeld, response: { 200: Held, ...refused } } },
    ({ body }) => tasks.held({ words: body.words, at: clock.now() }),
  )

  app.post(
    '/jobs/:jobId/erase',
    {
      ...lets('firm'),
      schema: { params: JobParams, body: EraseHeld, response: { 200: z.object({}), ...refused } },
    },
    async ({ params, body }) => {
      await evidence.forget(await jobs.redact(params.jobId, body))
      return {}
    },
  )
}

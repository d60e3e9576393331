import { JobParams, Refused } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import type { Clock } from '../app/parts'
import type { JobStore } from '../jobs/jobStore'
import type { Tasks } from '../workers/tasks'

const refused = { 404: Refused, 422: Refused, 503: Refused }

/** Papers as PDF, printed beside the requests. */
export const packRoutes: FastifyPluginAsyncZod<{
  jobs: JobStore
  tasks: Tasks
  clock: Clock
}> = async (app, { jobs, tasks, clock }) => {
  app.get(
    '/jobs/:jobId/handover.pdf',
    { schema: { params: JobParams, response: refused } },
    async (request, reply) => {
      const { jobId } = request.params
      const { number, frozen } = await jobs.heading(jobId)
      const pdf = await tasks.handover({ jobId, printedAt: clock.now() })
      return reply
        .header('content-type', 'application/pdf')
        .header(
          'content-disposition',
          `inline; filename="handover-${number}-${frozen ?? 'draft'}.pdf"`,
        )
        .send(Buffer.from(pdf) as never)
    },
  )

  app.get(
    '/jobs/:jobId/inspection.pdf',
    { schema: { params: JobParams, response: refused } },
    async (request, reply) => {
      const { jobId } = request.params
      const { number } = await jobs.heading(jobId)
      const pdf = await tasks.inspection({ jobId, printedAt: clock.now() })
      return reply
        .header('content-type', 'application/pdf')
        .header('content-disposition', `inline; filename="inspection-${number}.pdf"`)
        .send(Buffer.from(pdf) as never)
    },
  )
}

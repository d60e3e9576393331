import { JobParams, Refused } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import type { Clock } from '../app/parts'
import type { JobStore } from '../jobs/jobStore'
import type { PeopleStore } from '../people/peopleStore'
import { judged } from '../jobs/judged'
import { handoverSheet } from './handoverSheet'
import { printPdf } from './printPdf'

/** The handover sheet as a PDF, with the job's own file inside it. */
export const packRoutes: FastifyPluginAsyncZod<{ jobs: JobStore; people: PeopleStore; clock: Clock }> = async (app, { jobs, people, clock }) => {
  app.get('/jobs/:jobId/handover.pdf', { schema: { params: JobParams, response: { 404: Refused } } }, async (request, reply) => {
    const { jobId } = request.params
    const state = await jobs.state(jobId)
    const staff = await people.list()
    const file = await jobs.exportFile(jobId, staff.map((person) => ({ ...person, tickets: [...person.tickets] })))
    const pdf = await printPdf(handoverSheet({ state, ...judged(state), people: staff, printedAt: clock.now() }), { name: `hestian-job-${state.number}.json`, text: JSON.stringify(file) })
    return reply.header('content-type', 'application/pdf').header('content-disposition', `inline; filename="handover-${state.number}${state.frozen ? `-${state.frozen}` : '-draft'}.pdf"`).send(pdf as never)
  })
}

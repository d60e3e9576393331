import { JobParams, Refused } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import type { Clock } from '../app/parts'
import type { JobStore } from '../jobs/jobStore'
import type { PeopleStore } from '../people/peopleStore'
import { judged } from '../jobs/judged'
import type { EvidenceStore } from '../evidence/evidenceStore'
import { handoverSheet } from './handoverSheet'
import { inspectionReport } from './inspectionReport'
import { printPdf } from './printPdf'

/** The handover sheet as a PDF, with the job's own file inside it. */
export const packRoutes: FastifyPluginAsyncZod<{
  jobs: JobStore
  people: PeopleStore
  evidence: EvidenceStore
  clock: Clock
}> = async (app, { jobs, people, evidence, clock }) => {
  app.get(
    '/jobs/:jobId/handover.pdf',
    { schema: { params: JobParams, response: { 404: Refused } } },
    async (request, reply) => {
      const { jobId } = request.params
      const state = await jobs.state(jobId)
      const staff = await people.list()
      const file = await jobs.exportFile(
        jobId,
        staff.map((person) => ({ ...person, tickets: [...person.tickets] })),
      )
      const pdf = await printPdf(
        handoverSheet({ state, ...judged(state), people: staff, printedAt: clock.now() }),
        { name: `hestian-job-${state.number}.json`, text: JSON.stringify(file) },
      )
      return reply
        .header('content-type', 'application/pdf')
        .header(
          'content-disposition',
          `inline; filename="handover-${state.number}${state.frozen ? `-${state.frozen}` : '-draft'}.pdf"`,
        )
        .send(pdf as never)
    },
  )

  app.get(
    '/jobs/:jobId/inspection.pdf',
    { schema: { params: JobParams, response: { 404: Refused } } },
    async (request, reply) => {
      const state = await jobs.state(request.params.jobId)
      const { solution, judgement } = judged(state)
      const photos = Object.values(judgement.inspected)
        .flatMap((seen) => seen.body.photos ?? [])
        .filter((photo) => photo.type === 'image/jpeg' || photo.type === 'image/png')
      const pictures = new Map(
        await Promise.all(
          photos.map(async (photo): Promise<[string, string]> => {
            const bytes = await evidence.get(photo.hash).then(
              (kept) => kept.bytes,
              () => undefined,
            )
            return [
              photo.hash,
              bytes ? `data:${photo.type};base64,${bytes.toString('base64')}` : '',
            ]
          }),
        ),
      )
      const facts = {
        state,
        solution,
        judgement,
        people: await people.list(),
        printedAt: clock.now(),
      }
      // A picture that cannot be printed must not keep the report from being.
      const pdf = await printPdf(
        inspectionReport(facts, new Map([...pictures].filter(([, image]) => image !== ''))),
      ).catch(() => printPdf(inspectionReport(facts, new Map())))
      return reply
        .header('content-type', 'application/pdf')
        .header('content-disposition', `inline; filename="inspection-${state.number}.pdf"`)
        .send(pdf as never)
    },
  )
}

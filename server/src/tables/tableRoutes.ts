import { JobParams, Refused } from '@hestian/core'
import type { FastifyReply } from 'fastify'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { ZipFile } from 'yazl'
import type { JobStore } from '../jobs/jobStore'
import { lets } from '../people/gate'
import type { Tasks } from '../workers/tasks'

const refused = { 401: Refused, 403: Refused, 404: Refused, 422: Refused, 503: Refused }

/** Tables as CSV, each a file of one archive. */
export const tableRoutes: FastifyPluginAsyncZod<{
  readonly jobs: JobStore
  readonly tasks: Tasks
}> = async (app, { jobs, tasks }) => {
  app.get(
    '/jobs/:jobId/tables.zip',
    { ...lets('read'), schema: { params: JobParams, response: refused } },
    async ({ params: { jobId } }, reply) => {
      const { number } = await jobs.heading(jobId)
      return sendZip(reply, `hestian-tables-${number}`, await tasks.jobTables(jobId))
    },
  )

  app.get(
    '/tables.zip',
    { ...lets('firm'), schema: { response: refused } },
    async (_request, reply) => sendZip(reply, 'hestian-tables', await tasks.firmTables()),
  )
}

/** A table as text, under its name. */
export interface WrittenTable {
  readonly name: string
  readonly csv: string
}

function sendZip(reply: FastifyReply, name: string, tables: readonly WrittenTable[]): FastifyReply {
  const zip = new ZipFile()
  // With a mark that says UTF-8: without it a spreadsheet takes it for its own old alphabet.
  for (const table of tables) zip.addBuffer(Buffer.from(`\uFEFF${table.csv}`), `${table.name}.csv`)
  zip.end()
  return reply
    .header('content-type', 'application/zip')
    .header('content-disposition', `attachment; filename="${name}.zip"`)
    .send(zip.outputStream)
}

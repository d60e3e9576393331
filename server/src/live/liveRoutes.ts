import type { LiveEvent } from '@hestian/core'
import { JobParams } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import type { JobStore } from '../jobs/jobStore'
import type { LiveHub } from './hub'

/** A stream of what is stored on a job, as server-sent events: the browser takes it up again by itself after a break. */
export const liveRoutes: FastifyPluginAsyncZod<{ hub: LiveHub; jobs: JobStore }> = async (app, { hub, jobs }) => {
  app.get('/jobs/:jobId/live', { schema: { params: JobParams } }, async (request, reply) => {
    const { jobId } = request.params
    await jobs.state(jobId)
    reply.hijack()
    reply.raw.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' })
    reply.raw.write('retry: 700\n\n: open\n\n')
    const leave = hub.listen(jobId, (event: LiveEvent) => reply.raw.write(`data: ${JSON.stringify(event)}\n\n`))
    const beat = setInterval(() => reply.raw.write(': beat\n\n'), 5000)
    const end = () => { clearInterval(beat); leave() }
    request.raw.on('close', end)
    app.addHook('onClose', async () => { end(); reply.raw.end() })
  })
}

import type { ServerResponse } from 'node:http'
import type { LiveEvent } from '@hestian/core'
import { JobParams } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import type { JobStore } from '../jobs/jobStore'
import type { LiveHub } from './hub'

const beat_ms = 5000

/** A stream of what is stored on a job, as server-sent events: the browser takes it up again by itself after a break. */
export const liveRoutes: FastifyPluginAsyncZod<{ hub: LiveHub; jobs: JobStore }> = async (
  app,
  { hub, jobs },
) => {
  const open = new Set<ServerResponse>()
  app.addHook('onClose', async () => {
    for (const stream of open) stream.end()
  })

  app.get('/jobs/:jobId/live', { schema: { params: JobParams } }, async (request, reply) => {
    const { jobId } = request.params
    await jobs.state(jobId)
    reply.hijack()
    const stream = reply.raw
    stream.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      connection: 'keep-alive',
    })
    stream.write('retry: 700\n\n: open\n\n')
    open.add(stream)
    const leave = hub.listen(jobId, (event: LiveEvent) =>
      stream.write(`data: ${JSON.stringify(event)}\n\n`),
    )
    const beat = setInterval(() => stream.write(': beat\n\n'), beat_ms)
    stream.on('error', () => undefined)
    stream.on('close', () => {
      clearInterval(beat)
      leave()
      open.delete(stream)
    })
  })
}

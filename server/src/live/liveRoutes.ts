import type { ServerResponse } from 'node:http'
import type { LiveEvent } from '@hestian/core'
import { JobParams } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { Refusal } from '../app/refusal'
import { lets } from '../people/gate'
import type { JobStore } from '../jobs/jobStore'
import type { Sessions } from '../people/sessions'
import type { LiveHub, Told } from './hub'

const beat_ms = 5000
const mostBacklog_bytes = 1024 * 1024

/**
 * A stream of what is stored on a job, as server-sent events: the browser takes it up again by
 * itself after a break.
 */
export const liveRoutes: FastifyPluginAsyncZod<{
  hub: LiveHub
  jobs: JobStore
  sessions: Sessions
  /** Open at a time from one address. */
  mostStreams: number
}> = async (app, { hub, jobs, sessions, mostStreams }) => {
  const open = new Map<ServerResponse, string>()
  app.addHook('onClose', async () => {
    for (const stream of open.keys()) stream.end()
  })

  app.get(
    '/jobs/:jobId/live',
    { ...lets('read'), schema: { params: JobParams } },
    async (request, reply) => {
      const { jobId } = request.params
      await jobs.heading(jobId)
      const mine = [...open.values()].filter((ip) => ip === request.ip).length
      if (mine >= mostStreams)
        throw new Refusal(
          'too-many',
          `${mostStreams} pages are open from your address already. Close some of them.`,
        )
      reply.hijack()
      const stream = reply.raw
      stream.writeHead(200, {
        'content-type': 'text/event-stream',
        'cache-control': 'no-store',
        connection: 'keep-alive',
      })
      stream.write('retry: 700\n\n: open\n\n')
      open.set(stream, request.ip)
      const tell = ({ id, event }: Told) => {
        // A page that does not take what it is sent comes again and reads it all.
        if (stream.writableLength > mostBacklog_bytes) stream.destroy()
        else stream.write(`id: ${id}\ndata: ${JSON.stringify(event)}\n\n`)
      }
      // After a break the browser names the last it heard.
      const last = request.headers['last-event-id']
      if (typeof last === 'string') {
        const missed = hub.since(jobId, last)
        if (missed) missed.forEach(tell)
        else stream.write(`data: ${JSON.stringify({ kind: 'again' } satisfies LiveEvent)}\n\n`)
      }
      const leave = hub.listen(jobId, tell)
      // Whoever is out hears no more, within a beat.
      const beat = setInterval(() => {
        if (sessions.isOpen(request.session?.id)) stream.write(': beat\n\n')
        else stream.end()
      }, beat_ms)
      stream.on('error', () => undefined)
      stream.on('close', () => {
        clearInterval(beat)
        leave()
        open.delete(stream)
      })
    },
  )
}

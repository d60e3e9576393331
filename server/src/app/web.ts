import { join } from 'node:path'
import fastifyStatic from '@fastify/static'
import type { FastifyInstance } from 'fastify'

const nothingHere = { code: 'no-such-place', says: 'There is nothing at this address.' } as const

/** Every page is the one page; an address under /api that does not exist says so. */
export async function serveWeb(http: FastifyInstance, webFolder: string): Promise<void> {
  await http.register(fastifyStatic, {
    root: webFolder,
    // Squeezed at build (web/vite.config.ts).
    preCompressed: true,
    setHeaders: (reply, path) => {
      if (path.includes(join('dist', 'assets')))
        reply.header('cache-control', 'public, max-age=31536000, immutable')
    },
  })
  http.setNotFoundHandler((request, reply) =>
    request.method === 'GET' && !/^\/(api|assets)\//.test(request.url)
      ? reply.sendFile('index.html')
      : reply.code(404).send(nothingHere),
  )
}

export function serveApiAlone(http: FastifyInstance): void {
  http.setNotFoundHandler((_, reply) => reply.code(404).send(nothingHere))
}

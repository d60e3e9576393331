import { existsSync } from 'node:fs'
import { join } from 'node:path'
import fastifyStatic from '@fastify/static'
import swagger from '@fastify/swagger'
import {
  JobDocument,
  JobFile,
  OwnUnits,
  PersonParams,
  PersonSchema,
  Refused as RefusedSchema,
} from '@hestian/core'
import type { Refused } from '@hestian/core'
import Fastify from 'fastify'
import type { FastifyError, FastifyInstance } from 'fastify'
import {
  hasZodFastifySchemaValidationErrors,
  jsonSchemaTransform,
  serializerCompiler,
  validatorCompiler,
} from 'fastify-type-provider-zod'
import type { ZodTypeProvider } from 'fastify-type-provider-zod'
import { z } from 'zod'
import { openDatabase } from '../db/database'
import type { GaugeAddress } from '../gauges/gaugeLink'
import { GaugeLink } from '../gauges/gaugeLink'
import { gaugeRoutes } from '../gauges/gaugeRoutes'
import { evidenceRoutes } from '../evidence/evidenceRoutes'
import { EvidenceStore } from '../evidence/evidenceStore'
import { readBoard } from '../jobs/board'
import { jobRoutes } from '../jobs/jobRoutes'
import { JobStore } from '../jobs/jobStore'
import { LiveHub } from '../live/hub'
import { liveRoutes } from '../live/liveRoutes'
import { packRoutes } from '../pack/packRoutes'
import { PeopleStore } from '../people/peopleStore'
import { TestRecorder } from '../proving/recorder'
import { testRoutes } from '../proving/testRoutes'
import type { Clock } from './parts'
import { systemClock } from './parts'
import { Refusal } from './refusal'

export interface AppOptions {
  readonly dataFolder: string
  readonly gauges?: readonly GaugeAddress[]
  /** Built web interface; without it only the API is served. */
  readonly webFolder?: string
  readonly clock?: Clock
  readonly log?: boolean
}

export interface App {
  readonly http: FastifyInstance
  readonly jobs: JobStore
  readonly people: PeopleStore
}

/** Puts the parts together: one database, its stores, the gauges, the routes. */
export async function buildApp({
  dataFolder,
  gauges: addresses = [],
  webFolder,
  clock = systemClock,
  log = false,
}: AppOptions): Promise<App> {
  const http = Fastify({
    logger: log ? { level: 'warn' } : false,
    bodyLimit: 1024 * 1024,
    forceCloseConnections: true,
  })
  http.setValidatorCompiler(validatorCompiler)
  http.setSerializerCompiler(serializerCompiler)
  answerErrors(http)

  const db = await openDatabase(dataFolder)
  const hub = new LiveHub()
  const jobs = new JobStore(db, hub, clock)
  const evidence = new EvidenceStore(db, dataFolder, clock)
  const people = new PeopleStore(db)
  const gauges = addresses.map((address) => new GaugeLink(address))
  const recorder = new TestRecorder(jobs, gauges, clock, (error) => http.log.error(error))
  http.addHook('onClose', async () => {
    recorder.close()
    gauges.forEach((gauge) => gauge.close())
    await db.close()
  })

  await http.register(swagger, {
    openapi: {
      info: {
        title: 'Hestian',
        version: '1',
        description:
          'Design, proving, commissioning and handover of heating and hot water installations. Quantities are SI; pressures gauge unless the key says abs.',
      },
    },
    transform: jsonSchemaTransform,
  })
  await http.register(
    async (api) => {
      const typed = api.withTypeProvider<ZodTypeProvider>()
      typed.get('/people', { schema: { response: { 200: z.array(PersonSchema) } } }, async () =>
        (await people.list()).map((person) => ({ ...person, tickets: [...person.tickets] })),
      )
      typed.put(
        '/people/:personId/units',
        {
          schema: {
            params: PersonParams,
            body: OwnUnits,
            response: { 200: z.object({}), 400: RefusedSchema },
          },
        },
        async (request) => {
          await people.setUnits(request.params.personId, request.body)
          return {}
        },
      )
      typed.get('/openapi.json', { schema: { hide: true } }, async () => http.swagger())
      typed.get('/schema/job-document.json', { schema: { hide: true } }, async () =>
        z.toJSONSchema(JobDocument, { io: 'input' }),
      )
      typed.get('/schema/job-file.json', { schema: { hide: true } }, async () =>
        z.toJSONSchema(JobFile, { io: 'input' }),
      )
      await api.register(jobRoutes, { jobs, board: (query) => readBoard(db, query), people, clock })
      await api.register(evidenceRoutes, { evidence })
      await api.register(testRoutes, { jobs, people, gauges, recorder, clock })
      await api.register(gaugeRoutes, { gauges })
      await api.register(liveRoutes, { hub, jobs })
      await api.register(packRoutes, { jobs, people, evidence, clock })
    },
    { prefix: '/api' },
  )
  if (webFolder && existsSync(webFolder)) await serveWeb(http, webFolder)
  else
    http.setNotFoundHandler((_, reply) =>
      reply.code(404).send({ code: 'no-such-place', says: 'There is nothing at this address.' }),
    )
  await jobs.freshenSummaries((error) => http.log.error(error))
  await recorder.resume()
  return { http, jobs, people }
}

/** Every page is the one page; an address under /api that does not exist says so. */
async function serveWeb(http: FastifyInstance, webFolder: string): Promise<void> {
  await http.register(fastifyStatic, {
    root: webFolder,
    setHeaders: (reply, path) => {
      if (path.includes(join('dist', 'assets')))
        reply.header('cache-control', 'public, max-age=31536000, immutable')
    },
  })
  http.setNotFoundHandler((request, reply) =>
    request.method === 'GET' && !/^\/(api|assets)\//.test(request.url)
      ? reply.sendFile('index.html')
      : reply.code(404).send({ code: 'no-such-place', says: 'There is nothing at this address.' }),
  )
}

/** Turns everything that goes wrong into a status and a sentence. */
function answerErrors(http: FastifyInstance): void {
  http.setErrorHandler((error: FastifyError, request, reply) => {
    if (error instanceof Refusal)
      return reply
        .code(error.status)
        .send({
          code: error.code,
          says: error.message,
          ...(error.current === undefined ? {} : { current: error.current }),
        } satisfies Refused)
    if (hasZodFastifySchemaValidationErrors(error)) {
      const says = error.validation
        .slice(0, 3)
        .map(
          (issue) =>
            `${issue.instancePath.replaceAll('/', ' ').trim() || 'the request'}: ${issue.message ?? 'is wrong'}`,
        )
        .join('; ')
      return reply
        .code(400)
        .send({ code: 'not-understood', says: `That cannot be understood. ${says}.` })
    }
    if (error.statusCode === 413)
      return reply
        .code(413)
        .send({
          code: 'too-large',
          says: 'That is too large: at most 1 MB is accepted here, 20 MB for a photograph or paper, 64 MB for a job file.',
        })
    if (error.statusCode !== undefined && error.statusCode < 500)
      return reply
        .code(error.statusCode === 415 ? 400 : error.statusCode)
        .send({ code: 'not-understood', says: `That cannot be understood: ${error.message}.` })
    http.log.error({ error, url: request.url })
    return reply
      .code(500)
      .send({
        code: 'not-understood',
        says: 'Something went wrong in Hestian itself. Nothing you typed is lost; try again.',
      })
  })
}

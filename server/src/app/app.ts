import { existsSync } from 'node:fs'
import cookie from '@fastify/cookie'
import swagger from '@fastify/swagger'
import { openApi } from './openApi'
import { JobDocument, JobFile } from '@hestian/core'
import type { FastifyInstance } from 'fastify'
import Fastify from 'fastify'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { serializerCompiler, validatorCompiler } from 'fastify-type-provider-zod'
import { z } from 'zod'
import { backupRoutes } from '../backup/backupRoutes'
import { keepDaily } from '../backup/keeper'
import { checkDatabase } from '../db/checkDatabase'
import { Database } from '../db/database'
import { lockFolder, makeFolder } from '../db/folderLock'
import { freeSpace_bytes } from '../db/freeSpace'
import { evidenceRoutes } from '../evidence/evidenceRoutes'
import { EvidenceStore } from '../evidence/evidenceStore'
import type { GaugeAddress } from '../gauges/gaugeLink'
import { GaugeLink } from '../gauges/gaugeLink'
import { gaugeRoutes } from '../gauges/gaugeRoutes'
import { readBoard } from '../jobs/board'
import { fileRoutes } from '../jobs/fileRoutes'
import { jobRoutes } from '../jobs/jobRoutes'
import { stepRoutes, visitRoutes } from '../jobs/stepRoutes'
import { JobStore } from '../jobs/jobStore'
import { Summaries } from '../jobs/summaries'
import { LiveHub } from '../live/hub'
import { liveRoutes } from '../live/liveRoutes'
import { packRoutes } from '../pack/packRoutes'
import { readPeopleFile } from '../people/peopleFile'
import { guardGate, lets } from '../people/gate'
import { guestRoutes } from '../people/guestRoutes'
import { heldRoutes } from '../people/heldRoutes'
import { passkeyRoutes } from '../people/passkeyRoutes'
import { PasskeyStore } from '../people/passkeyStore'
import { peopleRoutes } from '../people/peopleRoutes'
import { PeopleStore } from '../people/peopleStore'
import { newToken } from '../people/secrets'
import { Sessions } from '../people/sessions'
import { ownRoutes, signInRoutes } from '../people/signInRoutes'
import type { MailServer } from '../mail/mailLink'
import { mailRoutes } from '../mail/mailRoutes'
import { officeRoutes } from '../office/officeRoutes'
import { InstrumentStore } from '../instruments/instrumentStore'
import { instrumentRoutes } from '../instruments/instrumentRoutes'
import { tableRoutes } from '../tables/tableRoutes'
import { TestRecorder } from '../bench/recorder'
import { SampleBuffer } from '../bench/sampleBuffer'
import { testRoutes } from '../bench/testRoutes'
import type { WorkerPool } from '../workers/pool'
import { carried, makeTasks } from '../workers/tasks'
import { answerErrors } from './answers'
import type { DoorLimits } from './doors'
import { doorLimits, guardDoors } from './doors'
import type { Clock } from './parts'
import { systemClock } from './parts'
import { serveApiAlone, serveWeb } from './web'

export interface AppOptions {
  readonly dataFolder: string
  readonly gauges?: readonly GaugeAddress[]
  /** Built web interface; without it only the API is served. */
  readonly webFolder?: string
  readonly clock?: Clock
  /** Address of a registration office; without it none is told. */
  readonly office?: string
  /** Where mail goes out; without it none is sent. */
  readonly mail?: MailServer
  /** Where warnings and failures are written, a line of JSON each; nowhere without it. */
  readonly log?: { readonly write: (line: string) => void }
  /** Names it may be asked under, beside localhost and addresses in figures. */
  readonly hosts?: readonly string[]
  /** Proxies whose word on who asks is taken. */
  readonly proxies?: readonly string[]
  readonly limits?: DoorLimits
  /** The people of the demo are let in by a press, on this machine. */
  readonly demo?: boolean
  /**
   * Starts the worker threads once the database is open; without it the heavy work is done in this
   * thread, as tests do.
   */
  readonly startWorkers?: (dataFolder: string) => WorkerPool
  /** Room left on the disk, bytes. */
  readonly freeSpace?: () => Promise<number | undefined>
}

export interface App {
  readonly http: FastifyInstance
  readonly db: Database
  readonly hub: LiveHub
  readonly jobs: JobStore
  readonly people: PeopleStore
  readonly sessions: Sessions
  /** What the first owner is made with, where nobody can sign in yet. */
  readonly firstCode: string
  readonly summaries: Summaries
  /**
   * What can wait until the address answers: summaries that are out of date, tests that were
   * running.
   */
  readonly takeUp: () => Promise<void>
}

/**
 * Puts the parts together: one database, its stores, the gauges, the routes. Throws
 * `UnusableFolder` with a sentence where the folder cannot be worked with.
 */
export async function buildApp(options: AppOptions): Promise<App> {
  const { clock = systemClock, webFolder, proxies = [] } = options
  const http = Fastify({
    logger: options.log ? { level: 'warn', stream: options.log } : false,
    bodyLimit: 1024 * 1024,
    forceCloseConnections: true,
    // A page kept from before says at this address that a sheet was checked.
    rewriteUrl: ({ url = '/' }) => url.replace(/^(\/api\/jobs\/[\w-]+)\/proofs$/, '$1/checks'),
    trustProxy: proxies.length > 0 ? [...proxies] : false,
  })
  http.setValidatorCompiler(validatorCompiler)
  http.setSerializerCompiler(serializerCompiler)
  answerErrors(http)
  await http.register(cookie)
  await guardDoors(http, { hosts: options.hosts ?? [] })
  const parts = await openParts(options, clock, (error) => http.log.error(error))
  http.addHook('onClose', parts.close)
  await http.register(swagger, openApi)
  await http.register((api) => registerRoutes(api, parts, { ...options, clock }), {
    prefix: '/api',
  })
  if (webFolder && existsSync(webFolder)) await serveWeb(http, webFolder)
  else serveApiAlone(http)
  const { db, hub, jobs, people, sessions, firstCode, summaries, recorder } = parts
  const takeUp = async () => {
    await recorder.resume()
    await summaries.freshen()
  }
  return { http, db, hub, jobs, people, sessions, firstCode, summaries, takeUp }
}

type Parts = Awaited<ReturnType<typeof openParts>>

async function openParts(
  { dataFolder, gauges: addresses = [], startWorkers }: AppOptions,
  clock: Clock,
  complain: (error: unknown) => void,
) {
  checkDatabase(dataFolder)
  makeFolder(dataFolder)
  const lock = lockFolder(dataFolder, clock.now())
  const firm = readPeopleFile(dataFolder)
  const db = await Database.open(dataFolder)
  const pool = startWorkers?.(dataFolder)
  const tasks = pool?.tasks ?? carried(makeTasks(db, dataFolder))
  const hub = new LiveHub()
  const jobs = new JobStore(db, hub, clock)
  const people = new PeopleStore(db, clock)
  const sessions = await Sessions.open(db, clock)
  const passkeys = new PasskeyStore(db)
  const instruments = new InstrumentStore(db)
  if (firm.length > 0) await people.add(firm)
  const evidence = new EvidenceStore(db, dataFolder, clock, (bytes, type) =>
    tasks.lookAt({ bytes, type }),
  )
  const summaries = new Summaries(db, tasks.summary, complain)
  jobs.onChanged = summaries.poke
  const gauges = addresses.map((address) => new GaugeLink(address))
  const buffer = new SampleBuffer((arriving) => jobs.addSamples(arriving))
  const recorder = new TestRecorder(jobs, gauges, buffer, clock, complain)
  const endDaily = keepDaily({ dataFolder, now: () => clock.now(), make: tasks.backup, complain })
  const close = async () => {
    endDaily()
    recorder.close()
    for (const gauge of gauges) gauge.close()
    await buffer.flush()
    await summaries.close()
    await pool?.close()
    await db.close()
    lock.release()
  }
  return {
    db,
    hub,
    jobs,
    people,
    sessions,
    passkeys,
    firstCode: newToken().slice(0, 12),
    instruments,
    evidence,
    summaries,
    gauges,
    buffer,
    recorder,
    tasks,
    close,
  }
}

async function registerRoutes(
  api: FastifyInstance,
  parts: Parts,
  options: AppOptions & { readonly clock: Clock },
): Promise<void> {
  const { db, hub, jobs, people, sessions, evidence, summaries, gauges, tasks } = parts
  const { clock, dataFolder, limits = doorLimits } = options
  const freeSpace = options.freeSpace ?? (() => freeSpace_bytes(dataFolder))
  const perMinute = (max: number) => ({ rateLimit: { max, timeWindow: '1 minute' } })
  guardGate(api, { people, sessions })
  await api.register(signInRoutes, {
    ...{ people, sessions, clock, firstCode: parts.firstCode },
    isDemo: options.demo ?? false,
    limit: perMinute(limits.signIns),
  })
  await api.register(ownRoutes, { people, sessions, limit: perMinute(limits.signIns) })
  await api.register(passkeyRoutes, { ...parts, clock, limit: perMinute(limits.signIns) })
  await api.register(peopleRoutes, { people, sessions, clock })
  await api.register(heldRoutes, { jobs, evidence, tasks, clock })
  await api.register(guestRoutes, { ...parts, clock, limit: perMinute(limits.signIns) })
  await api.register(documentRoutes)
  await api.register(stepRoutes, { jobs, people, tasks, clock })
  await api.register(visitRoutes, { jobs, people, tasks, clock })
  await api.register(jobRoutes, {
    jobs,
    people,
    tasks,
    clock,
    board: async (query) => {
      await summaries.settled()
      return readBoard(db, query, await freeSpace())
    },
  })
  await api.register(fileRoutes, {
    jobs,
    people,
    evidence,
    clock,
    limits: { import: perMinute(limits.imports) },
  })
  await api.register(evidenceRoutes, { evidence, limits: { put: perMinute(limits.uploads) } })
  await api.register(testRoutes, { ...parts, clock })
  await api.register(gaugeRoutes, { gauges })
  await api.register(instrumentRoutes, parts)
  await api.register(liveRoutes, { hub, jobs, sessions, mostStreams: limits.streams })
  await api.register(packRoutes, { jobs, tasks, clock })
  await api.register(tableRoutes, { jobs, tasks })
  await api.register(officeRoutes, { jobs, people, tasks, clock, office: options.office })
  await api.register(mailRoutes, {
    ...{ jobs, people, tasks, clock, mail: options.mail },
    limit: perMinute(limits.imports),
  })
  await api.register(backupRoutes, { dataFolder, people, tasks, clock })
}

/** The server's own description: its addresses, and the shapes of what it stores. */
const documentRoutes: FastifyPluginAsyncZod = async (app) => {
  app.get('/openapi.json', { ...lets('read'), schema: { hide: true } }, async () => app.swagger())
  app.get('/schema/job-document.json', { ...lets('read'), schema: { hide: true } }, async () =>
    z.toJSONSchema(JobDocument, { io: 'input' }),
  )
  app.get('/schema/job-file.json', { ...lets('read'), schema: { hide: true } }, async () =>
    z.toJSONSchema(JobFile, { io: 'input' }),
  )
}

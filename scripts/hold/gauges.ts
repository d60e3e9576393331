import { mkdtempSync, rmSync } from 'node:fs'
import type { Server, Socket } from 'node:net'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { monitorEventLoopDelay } from 'node:perf_hooks'
import type { JobFile } from '@hestian/core'
import { demoJobs } from '../../demo/src/index'
import { firm } from '../../demo/src/people'
import type { App } from '../../server/src/app/app'
import { buildApp } from '../../server/src/app/app'
import { startPool } from '../../server/src/workers/pool'
import type { Trial } from './trial'
import { pause } from './trial'

export const interval_ms = 100

/** Gauges on one port each that stream a sample every tenth of a second. */
export class Gauges {
  private readonly servers: readonly { readonly sockets: Set<Socket>; readonly server: Server }[]
  private timer: NodeJS.Timeout | undefined
  /** Instants that were sent. */
  readonly sent: number[] = []

  constructor(
    count: number,
    private readonly gauge_Pa = 2000,
  ) {
    this.servers = Array.from({ length: count }, () => {
      const sockets = new Set<Socket>()
      const server = createServer((socket) => {
        sockets.add(socket)
        socket.on('error', () => undefined)
        socket.on('close', () => sockets.delete(socket))
        socket.write('HELLO protocol=1 name=Many simulated=no resolution_Pa=10\n')
      })
      return { sockets, server }
    })
  }

  listen = (): Promise<number[]> =>
    Promise.all(
      this.servers.map(
        ({ server }) =>
          new Promise<number>((done) =>
            server.listen(0, '127.0.0.1', () => done((server.address() as { port: number }).port)),
          ),
      ),
    )
  tick(at_ms: number): void {
    for (const { sockets } of this.servers)
      for (const socket of sockets)
        socket.write(`S t_ms=${at_ms} gauge_Pa=${this.gauge_Pa} temp_K=288.15\n`)
  }
  stream(from_ms: number): void {
    let at_ms = from_ms
    this.timer = setInterval(() => {
      at_ms += interval_ms
      this.sent.push(at_ms)
      this.tick(at_ms)
    }, interval_ms)
  }
  stop(): void {
    clearInterval(this.timer)
  }
  async end(): Promise<void> {
    this.stop()
    for (const { sockets, server } of this.servers) {
      for (const socket of sockets) socket.destroy()
      await new Promise((done) => server.close(done))
    }
  }
}

/**
 * Many gauges stream at 10 Hz into running tests while records arrive, the board is read and packs
 * print.
 */
export const manyGauges = (count: number, seconds: number, packs = 10): Trial => ({
  name: `${count} gauges at 10 Hz for ${seconds} s beside records and ${packs} packs`,
  run: async () => {
    const folder = mkdtempSync(join(tmpdir(), 'hestian-gauges-'))
    const gauges = new Gauges(count)
    const ports = await gauges.listen()
    const app = await buildApp({
      dataFolder: folder,
      gauges: ports.map((port, i) => ({
        id: `g${i}`,
        name: `Gauge ${i}`,
        host: '127.0.0.1',
        port,
      })),
      startWorkers: (data) => startPool(join(process.cwd(), 'server/dist/worker.mjs'), data),
    })
    try {
      return await stream(app, gauges, { count, seconds, packs })
    } finally {
      await gauges.end()
      await app.http.close()
      rmSync(folder, { recursive: true })
    }
  },
})

async function stream(
  app: App,
  gauges: Gauges,
  {
    count,
    seconds,
    packs: asked,
  }: { readonly count: number; readonly seconds: number; readonly packs: number },
) {
  const address = await app.http.listen({ port: 0, host: '127.0.0.1' })
  await app.people.add(firm)
  const cookie = `hestian-${new URL(address).port}=${await app.sessions.begin({ personId: 'maren-oduya' }, 'a trial')}`
  const post = (path: string, body: object) =>
    fetch(`${address}/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify(body),
    })
  const kestrel = demoJobs()['kestrel-weir'] as JobFile
  for (let i = 0; i < count; i++)
    await post('/import', { ...kestrel, id: `job-${i}`, number: `${1000 + i}` })
  gauges.tick(1000)
  await pause(600)
  gauges.tick(1100)
  for (let i = 0; i < count; i++) {
    // On a slow machine the one before took so long that this gauge counts as silent.
    gauges.tick(1100)
    await pause(50)
    const begun = await post(`/jobs/job-${i}/tests`, {
      ...{ id: `begin-test-${i}`, by: 'maren-oduya', testId: `many-test-${i}` },
      how: { reading: 'streamed', gaugeId: `g${i}` },
      prepared: ['meter', 'boiler', 'range', 'cabinet'],
      off: [],
    })
    if (begun.status !== 201) throw new Error(`test ${i}: ${await begun.text()}`)
  }
  const delay = monitorEventLoopDelay({ resolution: 10 })
  delay.enable()
  gauges.stream(1100)
  const took: number[] = []
  let refused = 0
  const packs = Array.from({ length: asked }, (_, i) =>
    fetch(`${address}/api/jobs/job-${i % count}/handover.pdf`, { headers: { cookie } }),
  )
  const until = performance.now() + seconds * 1000
  for (let i = 0; performance.now() < until; i++) {
    const began = performance.now()
    const at = '2026-11-27T10:00:00.000Z'
    const body = { kind: 'snag', what: `snag ${i}`, owner: 'Maren', due: null }
    const answer =
      i % 3 === 0
        ? await fetch(`${address}/api/people`, { headers: { cookie } })
        : await post(`/jobs/job-${i % count}/records`, {
            id: `snag-many-${i}`,
            by: 'maren-oduya',
            at,
            body,
          })
    if (!answer.ok) refused++
    await answer.arrayBuffer()
    took.push(performance.now() - began)
    await pause(15)
  }
  delay.disable()
  const printed = (await Promise.all(packs)).filter((answer) => answer.ok).length
  await pause(1500)
  const lost = await lostOf(app, gauges.sent, count)
  took.sort((a, b) => a - b)
  const p99_ms = took[Math.floor(took.length * 0.99)] ?? 0
  const longest_ms = delay.max / 1e6
  return {
    tried: `${gauges.sent.length * count} samples, ${took.length} requests, ${printed} packs`,
    lost,
    doubled: 0,
    thrown: refused + (asked - printed),
    hung: (p99_ms > 250 ? 1 : 0) + (longest_ms > 250 ? 1 : 0),
    beside: `99 % of requests within ${Math.round(p99_ms)} ms, event loop held ${Math.round(longest_ms)} ms at the longest`,
  }
}

async function lostOf(app: App, sent: readonly number[], count: number): Promise<number> {
  // The last few may have been under way when the gauges were stopped.
  const expected = sent.slice(0, -5)
  let lost = 0
  for (let i = 0; i < count; i++) {
    const { samples } = await app.jobs.state(`job-${i}`)
    const stored = new Set(samples[`many-test-${i}`]?.map((sample) => sample.at_ms))
    lost += expected.filter((at_ms) => !stored.has(at_ms)).length
  }
  return lost
}

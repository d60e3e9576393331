import { createServer, type Socket } from 'node:net'
import { createInterface } from 'node:readline'
import type { PipeworkSettings } from './pipework'
import { after, gaugeOf, pumped, vented } from './pipework'

const port = Number(process.env.GAUGE_PORT ?? 4181)
const resolution_Pa = Number(process.env.GAUGE_RESOLUTION_PA ?? 10)
/** How many times faster than life: for tests and for training. */
const speed = Number(process.env.GAUGE_SPEED ?? 1)
const interval_ms = 1000
/** Share of a change of the gas that the probe on the outside sees. */
const sees = Number(process.env.GAUGE_SEES ?? 1)
const start_K = 288.15
const memory = 7200

let settings: PipeworkSettings = {
  volume_m3: 0.012,
  atmosphere_Pa: 101325,
  leak_m3_s: 0,
  drift_K_s: 0,
}
let state = vented(settings, start_K)
let silentUntil_ms = 0
let seed = 20261124
const log: { t_ms: number; line: string }[] = []
const clients = new Set<Socket>()
const started_ms = Date.now()
const deviceTime_ms = () =>
  Math.round((started_ms + (Date.now() - started_ms) * speed) / interval_ms) * interval_ms
let last_ms = deviceTime_ms()

/** Noise from a seeded generator, so that a run can be repeated. */
const noise = () => {
  seed = (seed * 1664525 + 1013904223) >>> 0
  return seed / 2 ** 32 - 0.5
}

const scenarios: Record<string, (volume_m3?: number) => void> = {
  tight: () => {
    settings = { ...settings, leak_m3_s: 0, drift_K_s: 0 }
  },
  leak: () => {
    settings = { ...settings, leak_m3_s: 0.008 / 3600, drift_K_s: 0 }
  },
  cooling: () => {
    settings = { ...settings, leak_m3_s: 0, drift_K_s: -0.004 }
  },
  vent: () => {
    state = vented(settings, state.temp_K)
  },
  'drop-out': () => {
    silentUntil_ms = deviceTime_ms() + 20_000
  },
}

function plant(words: readonly string[]): string {
  const [command = '', first, second] = words
  if (command === 'pump') {
    const gauge_Pa = Number(first ?? 2000)
    const volume_m3 = second === undefined ? settings.volume_m3 : Number(second)
    if (!(gauge_Pa >= 0 && gauge_Pa <= 1e5) || !(volume_m3 > 0 && volume_m3 <= 10))
      return 'ERR pump takes gauge Pa from 0 to 100000 and m3 up to 10'
    settings = { ...settings, volume_m3 }
    state = pumped(vented(settings, state.temp_K), settings, gauge_Pa)
    return 'OK'
  }
  const scenario = scenarios[command]
  if (!scenario) return `ERR no such plant command: ${command.slice(0, 40)}`
  scenario()
  return 'OK'
}

function answer(socket: Socket, line: string): void {
  const [word, ...rest] = line.trim().split(/\s+/)
  if (word === 'FROM') {
    const from_ms = Number(rest[0])
    for (const entry of log) if (entry.t_ms > from_ms) socket.write(`${entry.line}\n`)
  } else if (word === 'PLANT') socket.write(`${plant(rest)}\n`)
  else if (word) socket.write('ERR known words: FROM, PLANT\n')
}

/** How it begins, named on its command line: `tight`, `leak` or `cooling`. */
scenarios[process.argv[2] ?? 'tight']?.()

const server = createServer((socket) => {
  clients.add(socket)
  socket.setNoDelay(true)
  socket.write(
    `HELLO protocol=1 name=Bench_manometer,_simulated simulated=yes resolution_Pa=${resolution_Pa} interval_ms=${interval_ms}\n`,
  )
  createInterface({ input: socket })
    .on('line', (line) => answer(socket, line))
    .on('error', () => undefined)
  socket.on('error', () => undefined)
  socket.on('close', () => clients.delete(socket))
})

setInterval(
  () => {
    const now_ms = deviceTime_ms()
    while (last_ms + interval_ms <= now_ms) {
      last_ms += interval_ms
      for (let i = 0; i < 10; i++) state = after(state, settings, interval_ms / 10_000)
      if (last_ms < silentUntil_ms) continue
      const read_Pa =
        Math.round((gaugeOf(state, settings) + noise() * resolution_Pa * 0.6) / resolution_Pa) *
        resolution_Pa
      const line = `S t_ms=${last_ms} gauge_Pa=${read_Pa} temp_K=${(Math.round((start_K + sees * (state.temp_K - start_K) + noise() * 0.004) * 100) / 100).toFixed(2)} battery=${(0.9).toFixed(2)}`
      log.push({ t_ms: last_ms, line })
      if (log.length > memory) log.shift()
      for (const client of clients) client.write(`${line}\n`)
    }
  },
  Math.max(5, interval_ms / speed / 2),
)

server.listen(port, '127.0.0.1', () =>
  console.log(
    `Simulated manometer on 127.0.0.1:${port}${speed === 1 ? '' : `, ${speed} times life`}`,
  ),
)
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => process.exit(0))

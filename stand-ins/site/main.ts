import { createServer, type Socket } from 'node:net'
import { createInterface } from 'node:readline'
import * as burners from './burner'
import * as water from './waterPipe'

/**
 * A small site: a water pipe with its logger, and a burner with a manometer at its inlet and an
 * analyser in its flue.
 */
const firstPort = Number(process.env.SITE_PORT ?? 4182)
const speed = Number(process.env.SITE_SPEED ?? 1)
const scenario = process.argv[2] ?? 'sound'
const interval_ms = 500

/** How it begins: `sound`, `air` in the water pipe, or a joint of it that `weep`s. */
const begins: Readonly<Record<string, Partial<water.WaterPipe>>> = {
  sound: { air_m3: 0.0001 },
  air: { air_m3: 0.002 },
  weep: { air_m3: 0.0001, weep_m3_s: 2e-9 },
}
let pipe: water.WaterPipe = {
  pumped_m3: 0,
  air_m3: 0.0001,
  weep_m3_s: 0,
  temp_K: 288.15,
  ...begins[scenario],
}
let burner = burners.cold
let seed = 20261128
/** Noise from a seeded generator, so that a run can be repeated. */
const noise = (size: number): number => {
  seed = (seed * 1664525 + 1013904223) >>> 0
  return (seed / 2 ** 32 - 0.5) * size
}
const rounded = (value: number, step: number): number => Math.round(value / step) * step

const acts: Readonly<Record<string, (gauge_Pa: number) => void>> = {
  'water-pump': (gauge_Pa) => {
    pipe = { ...pipe, pumped_m3: water.pumpedTo(pipe, gauge_Pa) }
  },
  'water-bleed': () => {
    pipe = { ...pipe, air_m3: 0.0001, pumped_m3: 0 }
  },
  'water-weep': () => {
    pipe = { ...pipe, weep_m3_s: 2e-9 }
  },
  'water-dry': () => {
    pipe = { ...pipe, weep_m3_s: 0 }
  },
  'water-down': () => {
    pipe = { ...pipe, pumped_m3: 0 }
  },
  'burner-off': () => {
    burner = { ...burner, wanted: 0 }
  },
  'burner-low': () => {
    burner = { ...burner, wanted: 0.35 }
  },
  'burner-high': () => {
    burner = { ...burner, wanted: 1 }
  },
}

/** Its instruments, each on a port of its own, with what each says now. */
const instruments = [
  {
    hello: 'name=Water_logger,_simulated resolution_Pa=1000 reads=water_Pa,temp_K',
    says: () =>
      `V water_Pa=${Math.max(0, rounded(water.gaugeOf(pipe) + noise(600), 1000))} temp_K=${(pipe.temp_K + noise(0.05)).toFixed(2)}`,
  },
  {
    hello: 'name=Inlet_manometer,_simulated resolution_Pa=10 reads=gauge_Pa',
    says: () => `V gauge_Pa=${rounded(burners.inletGauge_Pa(burner) + noise(8), 10)}`,
  },
  {
    hello: 'name=Flue_gas_analyser,_simulated resolution_Pa=10 reads=o2,co2,co,flue_K,air_K',
    says: () => {
      const { o2, co2, co } = burners.flueGasOf(burner)
      const share = (value: number, step: number) =>
        Math.max(0, rounded(value + noise(step / 2), step)).toFixed(6)
      return `V o2=${share(o2, 0.001)} co2=${share(co2, 0.001)} co=${share(co, 1e-6)} flue_K=${burner.flue_K.toFixed(1)} air_K=${burners.roomAir_K.toFixed(1)}`
    },
  },
]

function plant([command = '', gauge_Pa]: readonly string[]): string {
  const act = acts[command]
  const wanted_Pa = Number(gauge_Pa ?? 1e6)
  if (!act) return `ERR no such plant command: ${command.slice(0, 40)}`
  if (!(wanted_Pa >= 0 && wanted_Pa <= 2e6)) return 'ERR a water pressure from 0 to 2000000 Pa'
  act(wanted_Pa)
  return 'OK'
}

function serve({ hello, says }: (typeof instruments)[number], at: number): void {
  const clients = new Set<Socket>()
  createServer((socket) => {
    clients.add(socket)
    socket.write(`HELLO protocol=1 simulated=yes interval_ms=${interval_ms} ${hello}\n`)
    createInterface({ input: socket })
      .on('line', (line) => {
        const [word, ...rest] = line.trim().split(/\s+/)
        socket.write(`${word === 'PLANT' ? plant(rest) : 'ERR known words: PLANT'}\n`)
      })
      .on('error', () => undefined)
    socket.on('error', () => undefined)
    socket.on('close', () => clients.delete(socket))
  }).listen(at, '127.0.0.1')
  setInterval(() => {
    const line = `${says()}\n`
    for (const client of clients) client.write(line)
  }, interval_ms)
}

setInterval(() => {
  const dt_s = (interval_ms / 1000) * speed
  pipe = water.after(pipe, dt_s)
  burner = burners.after(burner, dt_s)
}, interval_ms)
instruments.forEach((instrument, i) => serve(instrument, firstPort + i))
console.log(`Simulated site, ${scenario}, on 127.0.0.1:${firstPort} to ${firstPort + 2}`)
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => process.exit(0))

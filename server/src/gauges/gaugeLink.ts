import { EventEmitter } from 'node:events'
import { connect, type Socket } from 'node:net'
import { createInterface } from 'node:readline'
import type { GaugeState, PlantCommand, Sample } from '@hestian/core'

export interface GaugeAddress {
  readonly id: string
  readonly name: string
  readonly host: string
  readonly port: number
}

const retry_ms = 400
/** Silent when nothing has come for so long. */
const silent_ms = 3500

/**
 * A gauge on its TCP line protocol (stand-ins/gauge/README.md): greets, then sends a line a sample. Reconnects by itself and asks for what
 * it missed since the last sample it saw, which a gauge with a memory sends again.
 */
export class GaugeLink extends EventEmitter<{ sample: [Sample] }> {
  private socket: Socket | undefined
  private timer: NodeJS.Timeout | undefined
  private greeting: Readonly<Record<string, string>> = {}
  private latest: Sample | undefined
  private heard_ms = 0
  private closed = false
  /** Where to take up again after a break, on the gauge's own clock. */
  private from_ms: number | undefined

  constructor(readonly address: GaugeAddress) {
    super()
    this.open()
  }

  state(): GaugeState {
    const live = this.socket !== undefined && Date.now() - this.heard_ms < silent_ms
    return {
      id: this.address.id,
      name: this.greeting.name?.replaceAll('_', ' ') ?? this.address.name,
      state: live ? 'live' : 'silent',
      simulated: this.greeting.simulated === 'yes',
      resolution_Pa: Number(this.greeting.resolution_Pa ?? 10),
      ...(this.latest ? { latest: this.latest } : {}),
    }
  }

  /** Asks for everything after an instant of the gauge's clock when it next connects, and now if it is connected. */
  replayFrom(at_ms: number): void {
    this.from_ms = Math.min(this.from_ms ?? at_ms, at_ms)
    this.socket?.write(`FROM ${at_ms}\n`)
  }

  /** Works the simulated pipework; a real gauge answers ERR and nothing happens. */
  plant({ command, gauge_Pa, volume_m3 }: PlantCommand): boolean {
    if (!this.socket || this.greeting.simulated !== 'yes') return false
    this.socket.write(
      `PLANT ${command}${gauge_Pa === undefined ? '' : ` ${gauge_Pa}`}${volume_m3 === undefined ? '' : ` ${volume_m3}`}\n`,
    )
    return true
  }

  close(): void {
    this.closed = true
    clearTimeout(this.timer)
    this.socket?.destroy()
  }

  private open(): void {
    if (this.closed) return
    const socket = connect(this.address.port, this.address.host)
    socket.setNoDelay(true)
    socket.on('connect', () => {
      this.socket = socket
      if (this.from_ms !== undefined) socket.write(`FROM ${this.from_ms}\n`)
    })
    createInterface({ input: socket })
      .on('line', (line) => this.read(line))
      .on('error', () => undefined)
    socket.on('error', () => undefined)
    socket.on('close', () => {
      this.socket = undefined
      if (!this.closed) this.timer = setTimeout(() => this.open(), retry_ms)
    })
  }

  private read(line: string): void {
    const [word, ...rest] = line.trim().split(' ')
    const pairs = Object.fromEntries(rest.map((pair) => pair.split('=') as [string, string]))
    if (word === 'HELLO') this.greeting = pairs
    if (word !== 'S') return
    const sample: Sample = {
      at_ms: Number(pairs.t_ms),
      gauge_Pa: Number(pairs.gauge_Pa),
      ...(pairs.temp_K === undefined ? {} : { temp_K: Number(pairs.temp_K) }),
    }
    if (!Number.isFinite(sample.at_ms) || !Number.isFinite(sample.gauge_Pa)) return
    this.heard_ms = Date.now()
    if (!this.latest || sample.at_ms > this.latest.at_ms) this.latest = sample
    if (this.from_ms !== undefined) this.from_ms = Math.max(this.from_ms, sample.at_ms)
    this.emit('sample', sample)
  }
}

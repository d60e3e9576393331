import { EventEmitter } from 'node:events'
import { connect, type Socket } from 'node:net'
import type { Channel, GaugeState, PlantCommand, Sample } from '@hestian/core'
import type { Greeting } from './gaugeLines'
import { readLine } from './gaugeLines'
import { Replay } from './replay'

export interface GaugeAddress {
  readonly id: string
  readonly name: string
  readonly host: string
  readonly port: number
}

/** What a gauge is taken for that has not greeted yet. */
const unheard: Greeting = { simulated: false, resolution_Pa: 10, reads: [], streams: true }

const retry_ms = 400
/** Silent when nothing has come for so long. */
const silent_ms = 3500
/** A line of the protocol is far shorter; what is longer is not one. */
const longestLine = 500
/**
 * A clock that jumps further than this from one sample to the next has jumped; once is nonsense,
 * twice is its new time.
 */
const jump_ms = 24 * 3600 * 1000

/**
 * A gauge on its TCP line protocol (stand-ins/gauge/README.md): greets, then sends a line a sample.
 * Reconnects by itself and asks for what it missed, which a gauge with a memory sends again. What
 * is no line of the protocol is told as `nonsense` and goes no further.
 */
export class GaugeLink extends EventEmitter<{ sample: [Sample]; nonsense: [] }> {
  private socket: Socket | undefined
  private timer: NodeJS.Timeout | undefined
  private greeting = unheard
  private latest: Sample | undefined
  private values: Partial<Record<Channel, number>> = {}
  private jumped_ms: number | undefined
  private heard_ms = 0
  private closed = false
  private replay: Replay | undefined

  constructor(readonly address: GaugeAddress) {
    super()
    this.setMaxListeners(100)
    this.open()
  }

  state(): GaugeState {
    const live = this.socket !== undefined && Date.now() - this.heard_ms < silent_ms
    const { name, simulated, resolution_Pa, reads, streams } = this.greeting
    return {
      id: this.address.id,
      name: name ?? this.address.name,
      state: live ? 'live' : 'silent',
      simulated,
      resolution_Pa,
      ...(this.latest ? { latest: this.latest } : {}),
      reads: [...reads],
      streams,
      values: this.values,
    }
  }

  /** Asks for everything after an instant of the gauge's clock, now and after every break. */
  replayFrom(at_ms: number): void {
    this.replay ??= new Replay(at_ms, Date.now)
    this.replay.widenTo(at_ms)
    this.askAgain()
  }

  /** Works the simulated pipework; a real gauge answers ERR and nothing happens. */
  plant({ command, gauge_Pa, volume_m3 }: PlantCommand): boolean {
    if (!this.socket || !this.greeting.simulated) return false
    const words = [command, gauge_Pa, volume_m3].filter((word) => word !== undefined)
    this.socket.write(`PLANT ${words.join(' ')}\n`)
    return true
  }

  close(): void {
    this.closed = true
    clearTimeout(this.timer)
    this.socket?.destroy()
  }

  private askAgain(): void {
    if (this.socket && this.replay) this.socket.write(`FROM ${this.replay.ask()}\n`)
  }

  private open(): void {
    if (this.closed) return
    const socket = connect(this.address.port, this.address.host)
    socket.setNoDelay(true)
    socket.setEncoding('utf8')
    socket.on('connect', () => {
      this.socket = socket
      this.askAgain()
    })
    let rest = ''
    socket.on('data', (text: string) => {
      const lines = (rest + text).split('\n')
      rest = lines.pop() ?? ''
      for (const line of lines) this.read(line)
      if (rest.length > longestLine) {
        rest = ''
        this.emit('nonsense')
      }
    })
    socket.on('error', () => undefined)
    socket.on('close', () => {
      this.socket = undefined
      if (!this.closed) this.timer = setTimeout(() => this.open(), retry_ms)
    })
  }

  private read(text: string): void {
    const line = text.length > longestLine ? ({ kind: 'nonsense' } as const) : readLine(text)
    if (line.kind === 'hello') this.greeting = line.greeting
    if (line.kind === 'nonsense' || (line.kind === 'sample' && this.isJump(line.sample)))
      this.emit('nonsense')
    else if (line.kind === 'sample') this.take(line.sample)
    else if (line.kind === 'values') this.hear(line.values)
  }

  private take(sample: Sample): void {
    this.heard_ms = Date.now()
    if (!this.latest || sample.at_ms > this.latest.at_ms) this.latest = sample
    const { gauge_Pa, temp_K } = this.latest
    this.values = { ...this.values, gauge_Pa, ...(temp_K === undefined ? {} : { temp_K }) }
    this.replay?.saw(sample.at_ms)
    this.emit('sample', sample)
  }

  private hear(values: Partial<Record<Channel, number>>): void {
    this.heard_ms = Date.now()
    this.values = { ...this.values, ...values }
  }

  private isJump({ at_ms }: Sample): boolean {
    const before_ms = this.jumped_ms ?? this.latest?.at_ms
    const jumped = before_ms !== undefined && at_ms - before_ms > jump_ms
    this.jumped_ms = jumped ? at_ms : undefined
    return jumped
  }
}

import type { ChildProcess } from 'node:child_process'
import { spawn } from 'node:child_process'
import { pause } from './trial'

const root = process.cwd()

/** Ports of trials, away from those of the demo and the journeys. */
let nextPort = 4610

/** The server that ships, as a process of its own that can be killed. */
export class RunningServer {
  readonly port = nextPort++
  private child: ChildProcess | undefined
  /** What it wrote to its error output. */
  complaints = ''
  exitCode: number | null | undefined

  constructor(
    readonly dataFolder: string,
    private readonly gaugePorts: readonly number[] = [],
  ) {}

  get address(): string {
    return `http://127.0.0.1:${this.port}`
  }

  /** Starts it and waits until it answers or has left; gives whether it answers. */
  async start(): Promise<boolean> {
    this.exitCode = undefined
    this.complaints = ''
    const child = spawn(process.execPath, ['server/dist/server.mjs'], {
      cwd: root,
      stdio: ['ignore', 'ignore', 'pipe'],
      env: {
        ...process.env,
        PORT: String(this.port),
        HESTIAN_DATA: this.dataFolder,
        HESTIAN_GAUGE:
          this.gaugePorts.map((port) => `127.0.0.1:${port}`).join(',') || '127.0.0.1:9',
      },
    })
    child.stderr.on('data', (data: Buffer) => {
      this.complaints += data.toString()
    })
    child.on('exit', (code) => {
      this.exitCode = code
    })
    this.child = child
    for (let i = 0; i < 2400 && this.exitCode === undefined; i++) {
      const answers = await fetch(`${this.address}/api/people`).then(
        (one) => one.ok,
        () => false,
      )
      if (answers) return true
      await pause(50)
    }
    return false
  }

  async kill(): Promise<void> {
    this.child?.kill('SIGKILL')
    while (this.exitCode === undefined) await pause(5)
  }

  async stop(): Promise<void> {
    this.child?.kill('SIGTERM')
    for (let i = 0; i < 400 && this.exitCode === undefined; i++) await pause(20)
    if (this.exitCode === undefined) await this.kill()
  }

  async send(
    method: 'GET' | 'POST' | 'PUT',
    path: string,
    body?: unknown,
  ): Promise<{ readonly status: number; readonly body: unknown; readonly bytes: Buffer }> {
    const response = await fetch(`${this.address}/api${path}`, {
      method,
      signal: AbortSignal.timeout(60_000),
      ...(body === undefined
        ? {}
        : Buffer.isBuffer(body)
          ? { body: new Uint8Array(body), headers: { 'content-type': 'application/octet-stream' } }
          : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    })
    const bytes = Buffer.from(await response.arrayBuffer())
    const isJson = response.headers.get('content-type')?.includes('json')
    return {
      status: response.status,
      body: isJson ? JSON.parse(bytes.toString()) : undefined,
      bytes,
    }
  }
}

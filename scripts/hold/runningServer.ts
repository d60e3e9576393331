import type { ChildProcess } from 'node:child_process'
import { spawn } from 'node:child_process'
import { copyFileSync, existsSync, mkdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { signIn } from './signIn'
import { pause } from './trial'

const root = process.cwd()

/** Ports of trials, away from those of the demo and the journeys. */
let nextPort = 4610

/**
 * A place where a folder is or can be; trials of folders that cannot be worked with name others.
 */
function isFolder(path: string): boolean {
  try {
    mkdirSync(path, { recursive: true })
    return true
  } catch {
    return false
  }
}

/** A body as it goes: bytes as they are, anything else as JSON. */
function asSent(
  body: unknown,
  headers: Readonly<Record<string, string>>,
): Pick<RequestInit, 'headers' | 'body'> {
  if (body === undefined) return { headers }
  const isBytes = Buffer.isBuffer(body)
  const type = isBytes ? 'application/octet-stream' : 'application/json'
  return {
    body: isBytes ? new Uint8Array(body) : JSON.stringify(body),
    headers: { ...headers, 'content-type': type },
  }
}

/** The server that ships, as a process of its own that can be killed. */
export class RunningServer {
  readonly port = nextPort++
  private child: ChildProcess | undefined
  private readonly cookies = new Map<string, string>()
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
    if (await this.isHeard())
      throw new Error(
        `another server answers on port ${this.port}: a trial that was broken off left it; end it first`,
      )
    if (isFolder(this.dataFolder) && this.peopleIds().length === 0)
      copyFileSync(join(root, 'demo/people.json'), join(this.dataFolder, 'people.json'))
    const child = spawn(process.execPath, ['server/dist/server.mjs'], {
      cwd: root,
      stdio: ['ignore', 'ignore', 'pipe'],
      env: {
        ...process.env,
        PORT: String(this.port),
        HESTIAN_DATA: this.dataFolder,
        HESTIAN_DEMO: '1',
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
      if (await this.isHeard()) return true
      await pause(50)
    }
    return false
  }

  private isHeard(): Promise<boolean> {
    return fetch(`${this.address}/api/health`).then(
      ({ ok }) => ok,
      () => false,
    )
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

  /** The people of this firm: those of the demo, where nobody else is named. */
  private peopleIds(): readonly string[] {
    const path = join(this.dataFolder, 'people.json')
    if (!existsSync(path)) return []
    return (JSON.parse(readFileSync(path, 'utf8')) as { id: string }[]).map(({ id }) => id)
  }

  /** The cookie of whoever says they did it, or of the first of the firm. */
  async cookieOf(body?: unknown): Promise<string | undefined> {
    const ids = this.peopleIds()
    const by = typeof body === 'object' && body && 'by' in body ? String(body.by) : undefined
    const id = ids.find((one) => one === by) ?? ids[0]
    if (id === undefined) return undefined
    const cookie = this.cookies.get(id) ?? (await signIn(this.address, id))
    this.cookies.set(id, cookie)
    return cookie
  }

  async send(
    method: 'GET' | 'POST' | 'PUT',
    path: string,
    body?: unknown,
  ): Promise<{ readonly status: number; readonly body: unknown; readonly bytes: Buffer }> {
    const cookie = await this.cookieOf(body)
    const signed: Record<string, string> = cookie ? { cookie } : {}
    const response = await fetch(`${this.address}/api${path}`, {
      method,
      signal: AbortSignal.timeout(60_000),
      ...asSent(body, signed),
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

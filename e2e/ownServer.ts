import type { ChildProcess } from 'node:child_process'
import { spawn } from 'node:child_process'
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { expect } from '@playwright/test'

const root = resolve(import.meta.dirname, '..')

/** A server of this journey's own, which it may stop and start as it likes. */
export class OwnServer {
  readonly data = mkdtempSync(join(tmpdir(), 'hestian-walk-'))
  private child: ChildProcess | undefined
  /** What it printed. */
  printed = ''
  private constructor(
    readonly port: number,
    private readonly demo: boolean,
  ) {}
  /** With the demo's people, who come in by a press; or with nobody. */
  static async begin({ demo = true } = {}): Promise<OwnServer> {
    const port = await new Promise<number>((found) => {
      const probe = createServer().listen(0, '127.0.0.1', () => {
        const address = probe.address()
        probe.close(() => found(typeof address === 'object' && address ? address.port : 0))
      })
    })
    const server = new OwnServer(port, demo)
    await server.start()
    return server
  }
  get address() {
    return `http://127.0.0.1:${this.port}`
  }
  async start() {
    if (this.demo) copyFileSync(join(root, 'demo/people.json'), join(this.data, 'people.json'))
    this.child = spawn(process.execPath, ['server/dist/server.mjs'], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'ignore'],
      env: {
        ...process.env,
        PORT: String(this.port),
        HESTIAN_DATA: this.data,
        HESTIAN_DEMO: this.demo ? '1' : '0',
        HESTIAN_GAUGE: '127.0.0.1:1',
      },
    })
    this.child.stdout?.on('data', (data: Buffer) => {
      this.printed += data.toString()
    })
    await expect
      .poll(
        async () => (await fetch(`${this.address}/api/health`).catch(() => undefined))?.ok ?? false,
        { timeout: 30_000 },
      )
      .toBe(true)
  }
  /** With kill -9. */
  async stop() {
    const child = this.child
    if (!child || child.exitCode !== null || child.signalCode !== null) return
    await new Promise((gone) => {
      child.once('exit', gone)
      child.kill('SIGKILL')
    })
  }
  async end() {
    await this.stop()
    rmSync(this.data, { recursive: true, force: true })
  }
}

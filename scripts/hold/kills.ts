import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { JobState } from '@hestian/core'
import sharp from 'sharp'
import { demoJobs } from '../../demo/src/index'
import { seeded } from './mutateDocument'
import { RunningServer } from './runningServer'
import { makeSignable } from './signable'
import type { Tally, Trial } from './trial'
import { pause } from './trial'

const root = process.cwd()
const gaugePort = 4599
const by = 'maren-oduya'

/** What the server said it has. */
interface Acknowledged {
  readonly records: Set<string>
  readonly photos: Map<string, Buffer>
  readonly letters: Map<string, string>
  readonly samples: Map<string, Set<number>>
  saveNumber: number
}

/**
 * The server is killed again and again while records, photographs, samples, drafts, signatures and
 * packs are under way.
 */
export const kills = (times: number): Trial => ({
  name: `${times} kill -9 over samples, records, photographs, drafts, signing and packs`,
  run: async (seed) => {
    const folder = mkdtempSync(join(tmpdir(), 'hestian-kill-'))
    copyFileSync(join(root, 'demo/people.json'), join(folder, 'people.json'))
    const gauge = spawn(process.execPath, ['--import', 'tsx', 'stand-ins/gauge/main.ts'], {
      cwd: root,
      stdio: 'ignore',
      env: { ...process.env, GAUGE_PORT: String(gaugePort), GAUGE_SPEED: '10' },
    })
    const server = new RunningServer(folder, [gaugePort])
    try {
      return await new Killing(server, seeded(seed)).run(times)
    } finally {
      await server.kill()
      gauge.kill('SIGKILL')
      rmSync(folder, { recursive: true })
    }
  },
})

class Killing {
  private readonly known: Acknowledged = {
    records: new Set(),
    photos: new Map(),
    letters: new Map(),
    samples: new Map(),
    saveNumber: 0,
  }
  private readonly says: string[] = []
  private lost = 0
  private doubled = 0
  private thrown = 0
  private hung = 0
  private acts = 0

  constructor(
    private readonly server: RunningServer,
    private readonly random: () => number,
  ) {}

  async run(times: number): Promise<Tally> {
    await this.expectStart()
    await this.prepare()
    for (let i = 0; i < times; i++) {
      const working = this.work()
      // Long enough for a signature and a photograph, which wait behind everything else, to be
      // under way.
      await pause(300 + this.random() * 4200)
      await this.server.kill()
      await working
      await this.expectStart()
      await this.check()
    }
    const { records, photos, letters, samples } = this.known
    // A long trial in which something was never acknowledged says nothing of it.
    for (const [what, of] of Object.entries({ records, photos, letters, samples }))
      if (times >= 20 && of.size === 0) this.fault(`nothing was acknowledged of ${what}`)
    const read = [...samples.values()].reduce((sum, one) => sum + one.size, 0)
    return {
      tried: `${times} kills; acknowledged ${records.size} records, ${photos.size} photographs, ${read} samples, ${letters.size} signatures, ${this.known.saveNumber} saves`,
      lost: this.lost,
      doubled: this.doubled,
      thrown: this.thrown,
      hung: this.hung,
      says: this.says.slice(0, 5),
    }
  }

  private act = () => ({ id: `hold-${String(++this.acts).padStart(8, '0')}`, by })

  private async expectStart(): Promise<void> {
    if (await this.server.start()) return
    this.hung++
    throw new Error(`the server did not come up again: ${this.server.complaints.slice(0, 400)}`)
  }

  private async prepare(): Promise<void> {
    for (const file of Object.values(demoJobs())) await this.server.send('POST', '/import', file)
    const url = '/jobs/saltbush-ferry'
    const kiosk = (await this.server.send('GET', url)).body as JobState
    await makeSignable(kiosk, (path, body = {}) =>
      this.server.send('POST', `${url}${path}`, { ...this.act(), ...body }),
    )
  }

  /** Everything at once, until the server is gone. Only what was acknowledged counts. */
  private async work(): Promise<void> {
    await Promise.all([
      this.untilGone(() => this.record()),
      this.untilGone(() => this.record()),
      this.untilGone(() => this.photograph()),
      this.untilGone(() => this.draft()),
      this.untilGone(() => this.sign()),
      this.untilGone(() => this.test()),
      this.untilGone(() => this.server.send('GET', '/jobs/kestrel-weir/handover.pdf')),
    ])
  }

  private async untilGone(work: () => Promise<unknown>): Promise<void> {
    for (;;)
      try {
        await work()
      } catch {
        return
      }
  }

  private fault(says: string): void {
    this.thrown++
    this.says.push(says)
  }

  private async record(): Promise<void> {
    const { id } = this.act()
    const body = { kind: 'snag', what: `snag ${id}`, owner: 'Maren', due: null }
    const at = '2026-11-27T10:00:00.000Z'
    const { status } = await this.server.send('POST', '/jobs/juniper-ridge/records', {
      id,
      by,
      at,
      body,
    })
    if (status === 201) this.known.records.add(id)
    else if (status >= 500) this.fault(`a record was answered ${status}`)
  }

  private async photograph(): Promise<void> {
    const colour = { r: this.random() * 255, g: this.random() * 255, b: this.random() * 255 }
    const size = 200 + Math.floor(this.random() * 400)
    const bytes = await sharp({
      create: { width: size, height: size, channels: 3, background: colour },
    })
      .png()
      .toBuffer()
    const hash = createHash('sha256').update(bytes).digest('hex')
    const { status } = await this.server.send('PUT', `/evidence/${hash}`, bytes)
    if (status === 201) this.known.photos.set(hash, bytes)
    else if (status >= 500) this.fault(`a photograph was answered ${status}`)
    await pause(80)
  }

  private async draft(): Promise<void> {
    const job = (await this.server.send('GET', '/jobs/juniper-ridge')).body as JobState
    const site = { ...job.document.site, notes: `save ${job.saveNumber}` }
    const { status, body } = await this.server.send('PUT', '/jobs/juniper-ridge/draft', {
      document: { ...job.document, site },
      saveNumber: job.saveNumber,
      by,
    })
    if (status === 200) this.known.saveNumber = (body as { saveNumber: number }).saveNumber
    else if (status >= 500) this.fault(`a draft was answered ${status}`)
  }

  private async sign(): Promise<void> {
    const act = this.act()
    const url = '/jobs/saltbush-ferry'
    const signed = await this.server.send('POST', `${url}/signatures`, {
      ...act,
      typedName: 'Maren Oduya',
    })
    if (signed.status === 201)
      this.known.letters.set(act.id, (signed.body as { letter: string }).letter)
    else if (signed.status >= 500) this.fault(`a signature was answered ${signed.status}`)
    await this.server.send('POST', `${url}/unfreeze`, this.act())
    await pause(this.known.letters.size > 150 ? 60_000 : 400)
  }

  private async test(): Promise<void> {
    const url = '/jobs/kestrel-weir'
    const { samples } = (await this.server.send('GET', url)).body as JobState
    for (const [testId, read] of Object.entries(samples)) {
      const known = this.known.samples.get(testId) ?? new Set()
      for (const { at_ms } of read) known.add(at_ms)
      this.known.samples.set(testId, known)
    }
    await this.server.send('POST', `${url}/tests`, {
      ...this.act(),
      testId: `hold-test-${this.acts}`,
      how: { reading: 'streamed', gaugeId: 'manometer' },
      prepared: ['meter', 'boiler', 'range', 'cabinet'],
      off: [],
    })
    await pause(120)
  }

  /** After a kill: everything acknowledged is there, once, and nothing is half done. */
  private async check(): Promise<void> {
    const jobs = new Map<string, JobState>()
    for (const id of Object.keys(demoJobs())) {
      const { status, body } = await this.server.send('GET', `/jobs/${id}`)
      if (status !== 200) this.fault(`${id} was answered ${status} after a kill`)
      else jobs.set(id, body as JobState)
    }
    const juniper = jobs.get('juniper-ridge')
    const ids = juniper?.records.map((record) => record.id) ?? []
    this.doubled += ids.length - new Set(ids).size
    const here = new Set(ids)
    this.missing(
      'a record',
      [...this.known.records].filter((id) => !here.has(id)),
    )
    if ((juniper?.saveNumber ?? 0) < this.known.saveNumber) this.missing('a save', ['of a draft'])
    this.checkSignatures(jobs.get('saltbush-ferry'))
    for (const [testId, known] of this.known.samples) {
      const stored = new Set(jobs.get('kestrel-weir')?.samples[testId]?.map((one) => one.at_ms))
      this.missing(
        'a sample',
        [...known].filter((at_ms) => !stored.has(at_ms)),
      )
    }
    for (const [hash, bytes] of [...this.known.photos].slice(-6)) {
      const served = await this.server.send('GET', `/evidence/${hash}`)
      if (!served.bytes.equals(bytes)) this.missing('a photograph', [hash])
    }
  }

  private checkSignatures(job: JobState | undefined): void {
    const signatures = job?.records.filter((record) => record.body.kind === 'signature') ?? []
    const signed = job?.revisions.filter((revision) => revision.signed) ?? []
    if (signatures.length !== signed.length)
      this.fault(`${signatures.length} signatures for ${signed.length} signed revisions`)
    const letters = new Set(signed.map((revision) => revision.letter))
    this.missing(
      'a signature',
      [...this.known.letters.values()].filter((one) => !letters.has(one)),
    )
  }

  private missing(what: string, which: readonly (string | number)[]): void {
    this.lost += which.length
    if (which.length > 0) this.says.push(`lost ${what}: ${which.slice(0, 3).join(', ')}`)
  }
}

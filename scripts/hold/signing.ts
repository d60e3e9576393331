import { copyFileSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { JobState } from '@hestian/core'
import { demoJobs } from '../../demo/src/index'
import { verify } from '../../server/src/backup/verify'
import { seeded } from './mutateDocument'
import { RunningServer } from './runningServer'
import { makeSignable } from './signable'
import type { Tally, Trial } from './trial'
import { pause } from './trial'

const by = 'maren-oduya'
const kiosk = '/jobs/saltbush-ferry'

/**
 * The server is killed while one signature is made, then while one pack is printed, until that many
 * of each were cut off before their answer. A signature is there whole or not at all, and sent again
 * it is there once; a pack that was cut off leaves nothing behind and prints again.
 */
export const killedSignatures = (times: number): Trial => ({
  name: `kill -9 in ${times} signatures and in ${times} packs`,
  run: async (seed) => {
    const folder = mkdtempSync(join(tmpdir(), 'hestian-signing-'))
    copyFileSync(join(process.cwd(), 'demo/people.json'), join(folder, 'people.json'))
    const server = new RunningServer(folder)
    try {
      return await new Signing(server, seeded(seed)).run(times)
    } finally {
      await server.kill()
      rmSync(folder, { recursive: true })
    }
  },
})

class Signing {
  private readonly says: string[] = []
  private lost = 0
  private doubled = 0
  private thrown = 0
  private acts = 0

  constructor(
    private readonly server: RunningServer,
    private readonly random: () => number,
  ) {}

  async run(times: number): Promise<Tally> {
    await this.start()
    for (const file of Object.values(demoJobs())) await this.server.send('POST', '/import', file)
    const job = (await this.server.send('GET', kiosk)).body as JobState
    await makeSignable(job, (path, body = {}) =>
      this.server.send('POST', `${kiosk}${path}`, { ...this.act(), ...body }),
    )
    const signed = await this.cutOff(times, (whole_ms) => this.signature(whole_ms))
    const printed = await this.cutOff(times, (whole_ms) => this.pack(whole_ms))
    await this.server.stop()
    await verify(this.server.dataFolder).catch((error: unknown) =>
      this.fault(`verify: ${error instanceof Error ? error.message : String(error)}`),
    )
    return {
      tried: `${signed.cut} of ${signed.kills} kills cut a signature off, ${this.kept} of which was kept; ${printed.cut} of ${printed.kills} cut a pack off`,
      lost: this.lost,
      doubled: this.doubled,
      thrown: this.thrown,
      hung: 0,
      says: this.says.slice(0, 5),
    }
  }

  /** Cut off before their answer, and nevertheless there. */
  private kept = 0

  /** Kills until `times` of them came before the answer; the first round measures and kills none. */
  private async cutOff(times: number, round: (whole_ms?: number) => Promise<boolean>) {
    const began = Date.now()
    await round()
    const whole_ms = Date.now() - began
    let [cut, kills] = [0, 0]
    while (cut < times && kills < 4 * times) {
      kills++
      if (await round(whole_ms)) cut++
    }
    if (cut < times) this.fault(`only ${cut} of ${kills} kills came before the answer`)
    return { cut, kills }
  }

  private act = () => ({ id: `signing-${String(++this.acts).padStart(6, '0')}`, by })

  private async start(): Promise<void> {
    if (await this.server.start()) return
    throw new Error(`it did not come up again: ${this.server.complaints}`)
  }

  /** Sends, kills somewhere in it (never without a time), and gives the answer there was. */
  private async killIn<T>(sent: Promise<T>, whole_ms?: number): Promise<T | undefined> {
    const answer = sent.then(
      (one) => one,
      () => undefined,
    )
    if (whole_ms === undefined) return answer
    await pause(this.random() * 1.2 * whole_ms)
    await this.server.kill()
    const got = await answer
    await this.start()
    return got
  }

  private async signature(whole_ms?: number): Promise<boolean> {
    const act = this.act()
    const send = () =>
      this.server.send('POST', `${kiosk}/signatures`, { ...act, typedName: 'Maren Oduya' })
    const before = (await this.signatures()).length
    const got = await this.killIn(send(), whole_ms)
    if (got && got.status !== 201) this.fault(`a signature was answered ${got.status}`)
    const isThere = (await this.signatures()).includes(act.id)
    if (got && !isThere) this.lost++
    if (!got && isThere) this.kept++
    const again = await send()
    if (again.status !== 201) this.fault(`sent again it was answered ${again.status}`)
    const after = await this.signatures()
    if (!after.includes(act.id)) this.lost++
    this.doubled += Math.max(0, after.length - before - 1)
    const back = await this.server.send('POST', `${kiosk}/unfreeze`, this.act())
    if (back.status !== 201) this.fault(`to change on was answered ${back.status}`)
    return got === undefined
  }

  /** The acts that signed; a signature without its frozen revision is half of one. */
  private async signatures(): Promise<readonly string[]> {
    const { status, body } = await this.server.send('GET', kiosk)
    if (status !== 200) this.fault(`the job was answered ${status}`)
    const { records, revisions } = body as JobState
    const signatures = records.flatMap((record) =>
      record.body.kind === 'signature' ? [{ id: record.id, letter: record.body.revision }] : [],
    )
    const frozen = revisions.filter(({ signed }) => signed).map(({ letter }) => letter)
    if (signatures.map(({ letter }) => letter).join() !== frozen.join())
      this.fault(`${signatures.length} signatures stand for revisions ${frozen.join()}`)
    return signatures.map(({ id }) => id)
  }

  private async pack(whole_ms?: number): Promise<boolean> {
    const before = this.files()
    const got = await this.killIn(this.server.send('GET', `${kiosk}/handover.pdf`), whole_ms)
    if (got) this.expectWhole(got)
    else this.expectWhole(await this.server.send('GET', `${kiosk}/handover.pdf`))
    const left = this.files().filter((name) => !before.includes(name))
    if (left.length > 0) this.fault(`a pack left ${left.join(', ')} behind`)
    return got === undefined
  }

  private expectWhole({ status, bytes }: { readonly status: number; readonly bytes: Buffer }) {
    const text = bytes.toString('latin1')
    if (status !== 200 || !text.startsWith('%PDF') || !text.trimEnd().endsWith('%%EOF'))
      this.fault(`a pack was answered ${status} with ${bytes.length} bytes that are no whole PDF`)
  }

  /** Everything in the data folder but what SQLite itself keeps beside its file. */
  private files = (): readonly string[] =>
    readdirSync(this.server.dataFolder, { recursive: true, encoding: 'utf8' }).filter(
      (name) => !/-(wal|shm|journal)$/.test(name),
    )

  private fault(says: string): void {
    this.thrown++
    this.says.push(says)
  }
}

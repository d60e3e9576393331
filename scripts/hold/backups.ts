import { copyFileSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Backups, KeptBackup } from '@hestian/core'
import { demoJobs } from '../../demo/src/index'
import { restore } from '../../server/src/backup/restore'
import { verify } from '../../server/src/backup/verify'
import { seeded } from './mutateDocument'
import { RunningServer } from './runningServer'
import type { Tally, Trial } from './trial'
import { pause } from './trial'

const by = 'maren-oduya'

/**
 * The server is killed again and again while it makes a backup. What it acknowledged must be listed
 * and be put back whole; what it lists must be put back whole whoever saw it made; nothing of a
 * half-made one may stay once the next was made.
 */
export const killedBackups = (times: number): Trial => ({
  name: `${times} kill -9 while a backup is made`,
  run: async (seed) => {
    const folder = mkdtempSync(join(tmpdir(), 'hestian-backups-'))
    copyFileSync(join(process.cwd(), 'demo/people.json'), join(folder, 'people.json'))
    const server = new RunningServer(folder)
    try {
      return await killing(server, seeded(seed), times)
    } finally {
      await server.kill()
      rmSync(folder, { recursive: true })
    }
  },
})

async function killing(server: RunningServer, random: () => number, times: number): Promise<Tally> {
  const says: string[] = []
  let [lost, thrown, acknowledged, tried] = [0, 0, 0, 0]
  const start = () => expectUp(server)
  await start()
  for (const file of Object.values(demoJobs())) await server.send('POST', '/import', file)
  const whole_ms = await oneBackup_ms(server)
  let last: KeptBackup | undefined
  for (let i = 0; i < times; i++) {
    const made = server
      .send('POST', '/backups', { id: `backup-${String(i).padStart(6, '0')}`, by })
      .then(
        ({ status, body }) => (status === 201 ? (body as KeptBackup) : undefined),
        () => undefined,
      )
    // From at once to well after it is done.
    await pause(random() * 1.8 * whole_ms)
    await server.kill()
    const got = await made
    if (got) {
      acknowledged++
      last = got
    }
    await start()
    const { kept } = (await server.send('GET', '/backups')).body as Backups
    if (last && !kept.some(({ name }) => name === last?.name)) {
      lost++
      says.push(`${last.name} was acknowledged and is not listed`)
    }
    for (const one of kept.slice(0, 2)) {
      tried++
      const fault = await faultOf(join(server.dataFolder, 'backups', one.name), one)
      if (fault === undefined) continue
      thrown++
      says.push(`${one.name} is listed and ${fault}`)
    }
  }
  if (saysNothing(acknowledged, times)) {
    thrown++
    says.push(`${acknowledged} of ${times} were finished before the kill`)
  }
  const { status } = await server.send('POST', '/backups', { id: 'backup-after', by })
  if (status !== 201) {
    thrown++
    says.push(`the one after all was answered ${status}`)
  }
  const left = halfMade(server)
  if (left.length > 0) {
    thrown++
    says.push(`half-made ones stay: ${left.join(', ')}`)
  }
  return {
    tried: `${times} kills, ${acknowledged} backups acknowledged, ${tried} put back and read`,
    lost,
    doubled: 0,
    thrown,
    hung: 0,
    says: says.slice(0, 5),
  }
}

async function expectUp(server: RunningServer): Promise<void> {
  if (!(await server.start())) throw new Error(`it did not come up again: ${server.complaints}`)
}

const halfMade = ({ dataFolder }: RunningServer): readonly string[] =>
  readdirSync(join(dataFolder, 'backups')).filter(
    (name) => name.startsWith('.') || name.endsWith('.part'),
  )

/** A long trial in which none was finished, or every one, says nothing of the kill. */
const saysNothing = (acknowledged: number, times: number): boolean =>
  times >= 20 && (acknowledged === 0 || acknowledged === times)

/** How long one takes here and now that nobody kills. */
async function oneBackup_ms(server: RunningServer): Promise<number> {
  const began = Date.now()
  const { status } = await server.send('POST', '/backups', { id: 'backup-first', by })
  if (status !== 201) throw new Error(`the first backup was answered ${status}`)
  return Date.now() - began
}

/** What is wrong with a listed backup; undefined where it is put back whole. */
async function faultOf(file: string, { jobs }: KeptBackup): Promise<string | undefined> {
  const scratch = mkdtempSync(join(tmpdir(), 'hestian-put-back-'))
  try {
    if (!existsSync(file)) return 'is gone'
    await restore(file, join(scratch, 'data'))
    const found = await verify(join(scratch, 'data'))
    return found.jobs === jobs ? undefined : `holds ${found.jobs} jobs, not ${jobs}`
  } catch (error) {
    return `cannot be put back: ${error instanceof Error ? error.message : String(error)}`
  } finally {
    rmSync(scratch, { recursive: true })
  }
}

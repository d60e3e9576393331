import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { KeptBackup } from '@hestian/core'
import { demoJobs } from '../../demo/src/index'
import { verify } from '../../server/src/backup/verify'
import { seeded } from './mutateDocument'
import { RunningServer } from './runningServer'
import type { Tally, Trial } from './trial'
import { pause } from './trial'

/**
 * A restore is killed again and again. The folder it was for is not there afterwards, or it is
 * whole: never half. Not there, the next restore makes it.
 */
export const killedRestores = (times: number): Trial => ({
  name: `${times} kill -9 while a backup is put back`,
  run: async (seed) => {
    const folder = mkdtempSync(join(tmpdir(), 'hestian-restores-'))
    const server = new RunningServer(join(folder, 'from'))
    try {
      const { file, jobs } = await oneBackup(server)
      return await killing({ file, jobs, folder, times }, seeded(seed))
    } finally {
      await server.kill()
      rmSync(folder, { recursive: true })
    }
  },
})

async function oneBackup(server: RunningServer): Promise<{ file: string; jobs: number }> {
  if (!(await server.start())) throw new Error(`it did not come up: ${server.complaints}`)
  for (const file of Object.values(demoJobs())) await server.send('POST', '/import', file)
  const act = { id: 'backup-first', by: 'maren-oduya' }
  const { status, body } = await server.send('POST', '/backups', act)
  if (status !== 201) throw new Error(`the backup was answered ${status}`)
  const { name, jobs } = body as KeptBackup
  return { file: join(server.dataFolder, 'backups', name), jobs }
}

interface Killing {
  readonly file: string
  readonly jobs: number
  readonly folder: string
  readonly times: number
}

async function killing(
  { file, jobs, folder, times }: Killing,
  random: () => number,
): Promise<Tally> {
  const says: string[] = []
  let [half, whole, beside] = [0, 0, 0]
  const work_ms = await oneRestore_ms(file, folder)
  for (let i = 0; i < times; i++) {
    const into = join(folder, `into-${i}`)
    await restored(file, into, (isOver) =>
      killAfter(folder, `into-${i}`, { wait_ms: random() * 1.3 * work_ms, isOver }),
    )
    if (isBeside(folder, `into-${i}`)) beside++
    if (!existsSync(into) && (await restored(file, into)) !== 0) {
      half++
      says.push(`after kill ${i} it was not put back again`)
      continue
    }
    whole++
    const found = await verify(into)
    if (found.jobs === jobs && found.faults.length === 0) continue
    half++
    says.push(`after kill ${i} it holds ${found.jobs} jobs, not ${jobs}: ${found.faults[0] ?? ''}`)
  }
  if (times >= 20 && beside === 0) {
    half++
    says.push('no kill fell into the work: the trial says nothing')
  }
  return {
    tried: `${times} kills, ${beside} in the middle of the work; ${whole} folders read from end to end`,
    ...{ lost: 0, doubled: 0, thrown: half, hung: 0, says: says.slice(0, 5) },
  }
}

/** A restore works in a folder beside, by a name of its own. */
const isBeside = (folder: string, name: string): boolean =>
  readdirSync(folder).some((one) => one.startsWith(`.${name}-`))

/** How long the work itself takes, without Node that starts. */
async function oneRestore_ms(file: string, folder: string): Promise<number> {
  let began = Date.now()
  let work_ms = 0
  const code = await restored(file, join(folder, 'first'), async (isOver) => {
    while (!isBeside(folder, 'first') && !isOver()) await pause(1)
    began = Date.now()
    while (isBeside(folder, 'first') && !isOver()) await pause(1)
    work_ms = Date.now() - began
    return 'let it be'
  })
  if (code !== 0) throw new Error('it was not put back')
  return work_ms
}

/** Waits until the work has begun, and then so long. */
async function killAfter(
  folder: string,
  name: string,
  { wait_ms, isOver }: { readonly wait_ms: number; readonly isOver: () => boolean },
): Promise<'kill'> {
  while (!isBeside(folder, name) && !isOver()) await pause(1)
  await pause(wait_ms)
  return 'kill'
}

/**
 * Puts a backup back in a process of its own, perhaps killed meanwhile; gives the code it left
 * with.
 */
async function restored(
  file: string,
  into: string,
  meanwhile?: (isOver: () => boolean) => Promise<'kill' | 'let it be'>,
): Promise<number | null> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'scripts/backup.ts', 'restore', file], {
    stdio: 'ignore',
    env: { ...process.env, HESTIAN_DATA: into },
  })
  const left = new Promise<number | null>((done) => child.on('exit', done))
  if ((await meanwhile?.(() => child.exitCode !== null)) === 'kill') child.kill('SIGKILL')
  return left
}

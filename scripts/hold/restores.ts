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
 * A restore is killed again and again. The folder it was for is not there afterwards, or it is whole: never half. Not there, the next
 * restore makes it.
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
  const began = Date.now()
  if ((await restored(file, join(folder, 'first'))) !== 0) throw new Error('it was not put back')
  const whole_ms = Date.now() - began
  for (let i = 0; i < times; i++) {
    const into = join(folder, `into-${i}`)
    // Most of it is Node starting: the kill falls into the last half more often than not.
    await restored(file, into, (0.4 + random() * 0.7) * whole_ms)
    if (readdirSync(folder).some((name) => name.startsWith(`.into-${i}-`))) beside++
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

/** Puts a backup back in a process of its own, killed after so long; gives the code it left with. */
async function restored(file: string, into: string, most_ms?: number): Promise<number | null> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'scripts/backup.ts', 'restore', file], {
    stdio: 'ignore',
    env: { ...process.env, HESTIAN_DATA: into },
  })
  const left = new Promise<number | null>((done) => child.on('exit', done))
  if (most_ms !== undefined) {
    await pause(most_ms)
    child.kill('SIGKILL')
  }
  return left
}

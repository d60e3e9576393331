import { cpSync, closeSync, mkdtempSync, openSync, rmSync, statSync, writeSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { demoJobs } from '../../demo/src/index'
import { seeded } from './mutateDocument'
import { RunningServer } from './runningServer'
import type { Trial } from './trial'

/** A data folder with the demo jobs, left by a server that ended. */
async function madeFolder(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'hestian-folder-'))
  const server = new RunningServer(folder)
  if (!(await server.start())) throw new Error(server.complaints)
  for (const file of Object.values(demoJobs())) await server.send('POST', '/import', file)
  await server.send('GET', '/jobs')
  await server.stop()
  return folder
}

/**
 * Bytes of the database are spoilt anywhere: the server leaves with a sentence, or works and
 * answers everything with a status below 500.
 */
export const damagedDatabase = (times: number): Trial => ({
  name: `${times} damaged databases`,
  run: async (seed) => {
    const random = seeded(seed)
    const sound = await madeFolder()
    let [left, worked, thrown, hung] = [0, 0, 0, 0]
    const says: string[] = []
    for (let i = 0; i < times; i++) {
      const folder = `${sound}-${i}`
      cpSync(sound, folder, { recursive: true })
      spoil(join(folder, 'hestian.sqlite'), random)
      const server = new RunningServer(folder)
      if (await server.start()) {
        worked++
        for (const path of ['/jobs', ...Object.keys(demoJobs()).map((id) => `/jobs/${id}`)]) {
          const { status } = await server.send('GET', path)
          if (status >= 500 && status !== 503) {
            thrown++
            says.push(`${path} was answered ${status}`)
          }
        }
      } else if (server.exitCode === 78 && !/\n\s+at /.test(server.complaints)) left++
      else if (server.exitCode === undefined) hung++
      else {
        thrown++
        says.push(server.complaints.slice(0, 300))
      }
      await server.kill().catch(() => undefined)
      rmSync(folder, { recursive: true })
    }
    rmSync(sound, { recursive: true })
    const tried = `${times} folders: ${left} refused with a sentence, ${worked} worked on`
    return { tried, lost: 0, doubled: 0, thrown, hung, says: says.slice(0, 5) }
  },
})

function spoil(path: string, random: () => number): void {
  const size = statSync(path).size
  const file = openSync(path, 'r+')
  const places = 1 + Math.floor(random() * 12)
  for (let i = 0; i < places; i++) {
    const bytes = Buffer.from(
      Array.from({ length: 1 + Math.floor(random() * 400) }, () => random() * 256),
    )
    writeSync(file, bytes, 0, bytes.length, Math.floor(random() * (size - bytes.length)))
  }
  closeSync(file)
}

export const twoServers: Trial = {
  name: 'two servers on one folder',
  run: async () => {
    const folder = mkdtempSync(join(tmpdir(), 'hestian-two-'))
    const first = new RunningServer(folder)
    const second = new RunningServer(folder)
    let [thrown, hung] = [0, 0]
    if (!(await first.start())) hung++
    if (await second.start()) thrown++
    else if (second.exitCode !== 78 || !/Another Hestian/.test(second.complaints)) thrown++
    // Killed, the first leaves no lock behind.
    await first.kill()
    if (!(await second.start())) hung++
    await second.kill()
    rmSync(folder, { recursive: true })
    return {
      tried: 'the second one, then again after the first was killed',
      lost: 0,
      doubled: 0,
      thrown,
      hung,
    }
  },
}

import { resolve } from 'node:path'
import { backup } from '../server/src/backup/backup'
import { restore } from '../server/src/backup/restore'
import { verify } from '../server/src/backup/verify'
import { UnusableFolder } from '../server/src/db/unusableFolder'

const [, , act, argument] = process.argv
const data = resolve(process.env.HESTIAN_DATA ?? 'data')
const megabytes = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`

/** `npm run -s backup -- FILE`, `restore -- FILE` (into HESTIAN_DATA), `verify -- DATA`. */
async function run(): Promise<void> {
  if (!argument)
    throw new UnusableFolder(
      act === 'verify'
        ? 'Name the data folder: npm run -s verify -- DATA'
        : `Name the archive: npm run -s ${act} -- FILE (the data folder is HESTIAN_DATA, now ${data})`,
    )
  if (act === 'backup') {
    const made = await backup(data, resolve(argument), new Date().toISOString())
    const missing = made.missing.length > 0 ? `; ${made.missing.length} were missing already` : ''
    console.log(
      `Backed up ${data}: database ${megabytes(made.database.bytes)}, ${made.evidence.length} photographs and papers${missing}, into ${argument}.`,
    )
  } else if (act === 'restore') {
    const back = await restore(resolve(argument), data)
    console.log(
      `Restored the backup of ${back.madeAt} into ${data}: ${back.evidence.length} photographs and papers, all as they were.`,
    )
  } else {
    const { jobs, evidence, faults } = await verify(resolve(argument))
    for (const fault of faults) console.log(fault)
    console.log(
      `${jobs} jobs and ${evidence} photographs and papers read; ${faults.length === 0 ? 'all sound' : `${faults.length} not sound`}.`,
    )
    if (faults.length > 0) process.exitCode = 1
  }
}

run().catch((error: unknown) => {
  if (!(error instanceof UnusableFolder)) throw error
  console.error(`hestian: ${error.message}`)
  process.exitCode = 1
})

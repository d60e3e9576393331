import { cpus, totalmem } from 'node:os'
import { killedBackups } from './backups'
import { fullDisk } from './disks'
import { flippedBytes } from './flips'
import { mutatedDocuments } from './documents'
import { damagedDatabase, twoServers } from './folders'
import { manyGauges } from './gauges'
import { officeOnAFullDisk } from './officeDisk'
import { kills } from './kills'
import { killedRestores } from './restores'
import { fuzzedRequests } from './requests'
import { killedSignatures } from './signing'
import type { Trial } from './trial'
import { faultsOf } from './trial'
import { stepsInAnyOrder } from './walks'

const option = (name: string): string | undefined => {
  const at = process.argv.indexOf(`--${name}`)
  return at < 0 ? undefined : process.argv[at + 1]
}

/** Part of the full length that every trial is run for. */
const scale = Number(option('scale') ?? 1)
const times = (full: number): number => Math.max(1, Math.round(full * scale))

const trials: Readonly<Record<string, Trial>> = {
  servers: twoServers,
  disk: fullDisk,
  office: officeOnAFullDisk,
  damage: damagedDatabase(times(40)),
  kill: kills(times(120)),
  signing: killedSignatures(times(30)),
  backups: killedBackups(times(30)),
  restores: killedRestores(times(30)),
  flips: flippedBytes(times(500)),
  requests: fuzzedRequests(times(20_000)),
  documents: mutatedDocuments(times(20_000)),
  gauges: manyGauges(20, times(60)),
  walks: stepsInAnyOrder(times(100_000)),
}

/**
 * `npm run hold`: tries to make Hestian lose, double or choke on something. `--only` names one
 * trial, `--seed` repeats a run, `--scale 0.1` runs a tenth.
 */
async function run(): Promise<void> {
  const only = option('only')
  const seed = Number(option('seed') ?? Math.floor(Date.now() / 1000))
  if (only && !trials[only])
    throw new Error(`no trial ${only}; there are ${Object.keys(trials).join(', ')}`)
  console.log(
    `${cpus().length} cores, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.version}, seed ${seed}`,
  )
  let faults = 0
  for (const [id, trial] of Object.entries(trials)) {
    if (only && id !== only) continue
    const began = Date.now()
    const tally = await trial.run(seed)
    faults += faultsOf(tally)
    const { lost, doubled, thrown, hung, tried, beside, says = [] } = tally
    console.log(
      `${id}: ${trial.name}: lost ${lost}, doubled ${doubled}, thrown ${thrown}, hung ${hung} (${tried}${beside ? `; ${beside}` : ''}; ${Math.round((Date.now() - began) / 1000)} s)`,
    )
    for (const text of says) console.log(`  ${text}`)
  }
  process.exit(faults > 0 ? 1 : 0)
}

void run()

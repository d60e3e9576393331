import { killedBackups } from '../hold/backups'
import { flippedBytes } from '../hold/flips'
import { mutatedDocuments } from '../hold/documents'
import { damagedDatabase, twoServers } from '../hold/folders'
import { manyGauges } from '../hold/gauges'
import { kills } from '../hold/kills'
import { fuzzedRequests } from '../hold/requests'
import { killedRestores } from '../hold/restores'
import type { Trial } from '../hold/trial'

// Short forms of `npm run hold`. How long something took is the bench's to say; here only what was
// lost, doubled or thrown counts.
const seed = 20_261_127
test.each<readonly [string, Trial]>([
  ['kill -9', kills(2)],
  ['kill -9 while a backup is made', killedBackups(2)],
  ['kill -9 while a backup is put back', killedRestores(2)],
  ['flipped bytes', flippedBytes(21)],
  ['damaged databases', damagedDatabase(2)],
  ['two servers', twoServers],
  ['fuzzed requests', fuzzedRequests(200)],
  ['mutated documents', mutatedDocuments(30)],
  ['gauges at 10 Hz', manyGauges(4, 3, 2)],
])(
  '%s: nothing lost, doubled or thrown',
  async (_, trial) => {
    const { lost, doubled, thrown, says } = await trial.run(seed)
    expect({ lost, doubled, thrown, says: says ?? [] }).toEqual({
      lost: 0,
      doubled: 0,
      thrown: 0,
      says: [],
    })
  },
  300_000,
)

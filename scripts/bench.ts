import { performance } from 'node:perf_hooks'
import type { JobFile } from '@hestian/core'
import { chooseSizes, fuelGases, judge, solve, type GasConditions, type PipeToSize } from '@hestian/core'
import { demoJobs } from '../demo/src/index'

const frame_ms = 1000 / 60

/** Runs something until it has run long enough to time, several times over: least, middle and most of a single run in ms. */
function timed(work: () => void): { least: number; middle: number; most: number } {
  for (let i = 0; i < 20; i++) work()
  const runs = Array.from({ length: 15 }, () => {
    let times = 0
    const start = performance.now()
    while (performance.now() - start < 40) { work(); times++ }
    return (performance.now() - start) / times
  }).sort((a, b) => a - b)
  return { least: runs[0] ?? 0, middle: runs[7] ?? 0, most: runs[14] ?? 0 }
}

const say = (name: string, { least, middle, most }: ReturnType<typeof timed>, peer_ms: number, peer: string) =>
  console.log(`${name}: Hestian ${middle.toFixed(3)} ms, ${peer} ${peer_ms.toFixed(3)} ms, ratio ${(middle / peer_ms).toFixed(4)} (${(least / peer_ms).toFixed(4)}/${(middle / peer_ms).toFixed(4)}/${(most / peer_ms).toFixed(4)})`)

for (const [name, file] of Object.entries(demoJobs()) as [string, JobFile][]) {
  say(`solve ${name}`, timed(() => solve(file.document)), frame_ms, 'frame')
  const solution = solve(file.document)
  say(`judge ${name}`, timed(() => judge(solution, { entries: file.records, samples: file.samples })), frame_ms, 'frame')
}

/** A trunk with an appliance at every step: the shape that makes choices multiply. */
const comb = (count: number): PipeToSize[] => Array.from({ length: count }, (_, i) => [
  { id: `t${i}`, from: i === 0 ? 'meter' : `t${i - 1}`, length_m: 2, elbows: 0, branchTees: 0, material: 'steel-schedule-40', load_W: 0 } satisfies PipeToSize,
  { id: `b${i}`, from: `t${i}`, length_m: 3, elbows: 1, branchTees: 1, material: 'steel-schedule-40', load_W: 8000 + (i % 5) * 3000, dropAllowed_Pa: 124.5 } satisfies PipeToSize,
]).flat()
const conditions: GasConditions = { method: 'nfpa54-low', gas: fuelGases['north-america']['natural-gas'], meterGauge_Pa: 1743, atmosphere_Pa: 101325 }
const five = timed(() => chooseSizes(comb(5), conditions)).middle
for (const count of [5, 10, 20]) say(`choose sizes for ${count} appliances`, timed(() => chooseSizes(comb(count), conditions)), five, 'five appliances')

import { manyGauges } from './hold/gauges'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import type { JobFile } from '@hestian/core'
import {
  answerOf,
  applyEdits,
  asDesigned,
  blankDocument,
  chooseSizes,
  cycleOf,
  drawModelOf,
  fuelGases,
  heatingCycle,
  judge,
  ladderOf,
  leansOn,
  practices,
  pressureLadder,
  pressureTemperature,
  pressureView,
  showIn,
  simulateDraws,
  solve,
  solveGasTree,
  solveWaterTree,
  sourceNode,
  waterNetwork,
  type GasConditions,
  type PipeToSize,
  type SizedPipe,
  type WaterPipe,
  solver,
  solveSheet,
  solvedSpecs,
} from '@hestian/core'
import { demoJobs } from '../demo/src/index'
import { buildApp } from '../server/src/app/app'
import { largeFirm } from './largeFirm'
import { printLeakTally, printWaterTally } from './leakTally'
import { sayLimit } from './limits'
import { pageFigures } from './pageFigures'
import { gasSheetIn } from './peers/gasSheet'
import { waterEngine } from './peers/waterEngine'

const frame_ms = 1000 / 60

/**
 * Runs something until it has run long enough to time, several times over: least, middle and most
 * of a single run in ms.
 */
function timed(work: () => void, warm = 20): { least: number; middle: number; most: number } {
  for (let i = 0; i < warm; i++) work()
  const runs = Array.from({ length: warm === 1 ? 7 : 15 }, () => {
    let times = 0
    const start = performance.now()
    while (performance.now() - start < 40) {
      work()
      times++
    }
    return (performance.now() - start) / times
  }).sort((a, b) => a - b)
  return {
    least: runs[0] ?? 0,
    middle: runs[Math.floor(runs.length / 2)] ?? 0,
    most: runs[runs.length - 1] ?? 0,
  }
}

const say = (
  name: string,
  { least, middle, most }: ReturnType<typeof timed>,
  peer_ms: number,
  peer: string,
) =>
  console.log(
    `${name}: Hestian ${middle.toFixed(3)} ms, ${peer} ${peer_ms.toFixed(3)} ms, ratio ${(middle / peer_ms).toFixed(4)} (${(least / peer_ms).toFixed(4)}/${(middle / peer_ms).toFixed(4)}/${(most / peer_ms).toFixed(4)})`,
  )

const club = demoJobs()['kestrel-weir'] as JobFile
// First, as in a worker: one that has solved a single job and nothing else.
const limit = (name: string, work: () => void, limit_ms: number) =>
  sayLimit(
    name,
    Array.from({ length: 5 }, () => timed(work).middle),
    limit_ms,
  )
{
  const lengths = Array.from({ length: 64 }, (_, i) =>
    applyEdits(club.document, [
      { path: ['gas', 'segments', 0, 'length_m', 'value'], value: 6.8 + i / 100 },
    ]),
  )
  let at = 0
  const next = () => lengths[at++ % lengths.length] ?? club.document
  const remembers = solver()
  limit('a length typed on the gas page of kestrel-weir, solved', () => void remembers(next()), 1)
  limit('the whole of kestrel-weir, solved', () => void solve(next()), 5)
}

for (const [name, file] of Object.entries(demoJobs()) as [string, JobFile][]) {
  say(
    `solve ${name}`,
    timed(() => solve(file.document)),
    frame_ms,
    'frame',
  )
  const solution = solve(file.document)
  say(
    `judge ${name}`,
    timed(() => judge(solution, { entries: file.records, samples: file.samples })),
    frame_ms,
    'frame',
  )
}

/** Share of `solve` per sheet for the largest demo job. */
{
  const { document } = club
  const solution = solve(document)
  const answers = Object.fromEntries(
    solvedSpecs.map(({ id }) => [id, answerOf<unknown>(solution[id])]),
  )
  const whole = timed(() => solve(document)).middle
  for (const spec of solvedSpecs)
    say(
      `solve kestrel-weir, its ${spec.id}`,
      timed(() => solveSheet(spec, document, solution.practice, answers)),
      whole,
      'the whole of it',
    )
}

/**
 * A rung held and moved: the job solved and judged as it would be, and the ladder drawn again. A
 * slider moved: the curve.
 */
{
  const { document } = club
  const practice = practices[document.practice]
  const show = showIn(practice.units)
  let fill = 1.3e5
  say(
    'a rung moved',
    timed(() => {
      fill = fill >= 1.6e5 ? 1.3e5 : fill + 5000
      const moved = solve(
        applyEdits(document, [
          { path: ['heating', 'fillGauge_Pa'], value: { value: fill, basis: 'read', from: '' } },
        ]),
      )
      judge(moved, { entries: club.records, samples: club.samples })
      const answer = answerOf(moved.vessel)
      if (answer) {
        ladderOf(answer, practice)
        pressureLadder(answer, practice, show, { width: 366, height: 372 })
        pressureTemperature(pressureView(answer, asDesigned), show, practice.units, {
          width: 520,
          height: 300,
        })
      }
    }),
    frame_ms,
    'frame',
  )
  const vessel = answerOf(solve(document).vessel)
  let lost = 0
  if (vessel) {
    say(
      'a slider moved',
      timed(() => {
        lost = (lost + 2000) % 80000
        pressureTemperature(
          pressureView(vessel, { ...asDesigned, chargeLost_Pa: lost }),
          show,
          practice.units,
          { width: 520, height: 300 },
        )
      }),
      frame_ms,
      'frame',
    )
    say(
      'three heating cycles',
      timed(() => heatingCycle(cycleOf(vessel, { ...asDesigned, waterloggedRatio: 0.8 }, 4e5)), 1),
      1000,
      'a second',
    )
  }
}

/** The same job with a store that is another one each time: nothing remembered helps. */
let litres = 300
say(
  'solve kestrel-weir, a store changed',
  timed(() => {
    const { document } = club
    const [first, ...rest] = document.heat.options
    litres += 0.001
    if (first?.store_m3)
      solve({
        ...document,
        heat: {
          ...document.heat,
          options: [{ ...first, store_m3: { ...first.store_m3, value: litres / 1000 } }, ...rest],
        },
      })
  }),
  frame_ms,
  'frame',
)

/** A trunk with an appliance at every step: the shape that makes choices multiply. */
const comb = (count: number): PipeToSize[] =>
  Array.from({ length: count }, (_, i) => [
    {
      id: `t${i}`,
      from: i === 0 ? 'meter' : `t${i - 1}`,
      length_m: 2,
      elbows: 0,
      branchTees: 0,
      material: 'steel-schedule-40',
      load_W: 0,
    } satisfies PipeToSize,
    {
      id: `b${i}`,
      from: `t${i}`,
      length_m: 3,
      elbows: 1,
      branchTees: 1,
      material: 'steel-schedule-40',
      load_W: 8000 + (i % 5) * 3000,
      dropAllowed_Pa: 124.5,
    } satisfies PipeToSize,
  ]).flat()
/** Two branches at every tee: the shape of a building. */
const bushy = (count: number): PipeToSize[] =>
  Array.from({ length: 2 * count - 1 }, (_, i) => ({
    id: `n${i}`,
    from: i === 0 ? 'meter' : `n${Math.floor((i - 1) / 2)}`,
    length_m: 1 + ((i * 7919) % 13) * 0.31,
    elbows: 1,
    branchTees: 1,
    material: 'steel-schedule-40' as const,
    load_W: i >= count - 1 ? 6000 + ((i * 31) % 9) * 1500 : 0,
    ...(i >= count - 1 ? { dropAllowed_Pa: 124.5 } : {}),
  }))
const conditions: GasConditions = {
  method: 'nfpa54-low',
  gas: fuelGases['north-america']['natural-gas'],
  meterGauge_Pa: 1743,
  atmosphere_Pa: 101325,
}
/** A choice is remembered: each run asks for another tree, a hair longer than the last. */
let hair = 0
const longer = (pipes: readonly PipeToSize[]): PipeToSize[] => {
  hair += 1e-6
  return pipes.map((pipe) => ({ ...pipe, length_m: pipe.length_m + hair }))
}
const chosen = (pipes: readonly PipeToSize[]) =>
  timed(() => {
    if (!chooseSizes(longer(pipes), conditions)) throw new Error('no sizes: nothing was measured')
  }, 3)
/**
 * With a trunk of 200 the usual half inch of water does not do at any size; two pounds of gas do.
 */
const roomy = (pipes: readonly PipeToSize[]): PipeToSize[] =>
  pipes.map((pipe) =>
    pipe.dropAllowed_Pa === undefined ? pipe : { ...pipe, dropAllowed_Pa: 2000 },
  )
for (const count of [20, 60, 200])
  say(
    `choose sizes for ${count} appliances, two at every tee`,
    chosen(bushy(count)),
    100,
    'a tenth of a second',
  )
for (const count of [20, 60, 200])
  say(
    `choose sizes for ${count} appliances on one trunk`,
    chosen(count > 60 ? roomy(comb(count)) : comb(count)),
    100,
    'a tenth of a second',
  )

const boreAt_m = (i: number): number => {
  if (i < 7) return 0.1
  return i < 63 ? 0.05 : 0.0202
}

/**
 * A tree of water pipes solved by ours and by a general-purpose network engine, in the same run.
 * Both have the tree laid out and get other draws each time.
 */
const waterPipes = (count: number) =>
  Array.from({ length: count }, (_, i): WaterPipe => ({
    id: `${i}`,
    from: i === 0 ? sourceNode : `${Math.floor((i - 1) / 2)}`,
    length_m: 2 + (i % 7),
    bore_m: boreAt_m(i),
    roughness_m: 1.5e-6,
    lossCoefficient: 1.8,
    rise_m: (i % 5) * 0.2 - 0.3,
    draw_m3_s: 1e-5 + (i % 4) * 1e-5,
  }))
const fluid = { density_kg_m3: 1000, viscosity_Pas: 1.306e-3 }
const solving = (pipes: readonly WaterPipe[], formula: 'colebrook' | 'engine') => {
  const network = waterNetwork(pipes, () => 60 * 9806.65, fluid, formula)
  const draws = Float64Array.from(network.ordered, (pipe) => pipe.draw_m3_s)
  let scale = 1
  return timed(() => {
    scale = scale > 1.2 ? 1 : scale + 0.01
    network.solve(draws.map((draw) => draw * scale))
  })
}
for (const count of [60, 600]) {
  const pipes = waterPipes(count)
  const engine = await waterEngine(pipes, { head_m: 60, viscosity_m2_s: 1.306e-6 })
  const theirs = timed(engine.solve).middle
  say(
    `water tree of ${count} pipes, Colebrook`,
    solving(pipes, 'colebrook'),
    theirs,
    'a network engine',
  )
  say(
    `water tree of ${count} pipes, the engine’s friction`,
    solving(pipes, 'engine'),
    theirs,
    'a network engine',
  )
  say(
    `water tree of ${count} pipes, laid out anew each time`,
    timed(() => solveWaterTree(pipes, () => 60 * 9806.65, fluid)),
    theirs,
    'a network engine',
  )
  engine.close()
}

/** How time grows with size: each against half of it. Twice is proportional. */
for (const count of [100, 200, 400, 800]) {
  const half = solving(waterPipes(count / 2), 'colebrook').middle
  say(
    `water tree of ${count} pipes against half of it`,
    solving(waterPipes(count), 'colebrook'),
    half,
    'half the size',
  )
}
for (const count of [50, 100, 200, 400])
  say(
    `choose sizes for ${count} appliances against half of them`,
    chosen(roomy(bushy(count))),
    chosen(roomy(bushy(count / 2))).middle,
    'half the size',
  )

/**
 * A gas tree after one load changed, by ours and as a sheet in a general-purpose spreadsheet
 * engine.
 */
for (const count of [60, 600]) {
  const sized: SizedPipe[] = Array.from({ length: count }, (_, i) => ({
    id: `${i}`,
    from: i === 0 ? 'meter' : `${Math.floor((i - 1) / 2)}`,
    length_m: 2 + (i % 7),
    elbows: 1,
    branchTees: 1,
    material: 'steel-schedule-40',
    load_W: 5000,
    size: { name: '1', bore_m: 0.0266 },
  }))
  const sheet = gasSheetIn(sized, conditions)
  let load = 5000
  const ours = timed(() => {
    load = load > 9000 ? 5000 : load + 1
    solveGasTree(
      sized.map((pipe, i) => (i === count - 1 ? { ...pipe, load_W: load } : pipe)),
      conditions,
    )
  })
  say(
    `gas tree of ${count} pipes, a load changed`,
    ours,
    timed(() => {
      load = load > 9000 ? 5000 : load + 1
      sheet.setLoad(count - 1, load)
      sheet.dropTo_Pa(count - 1)
    }).middle,
    'a spreadsheet engine',
  )
  sheet.close()
}

/**
 * A day of draws at 1 s steps on the rowing club's cylinder, by number of layers; against one
 * second of a person's patience.
 */
const heat = solve(club.document).heat
if (heat.applies && heat.answer) {
  const [cylinder] = heat.answer.options
  for (const nodes of [20, 30, 60, 120]) {
    const model = cylinder && drawModelOf(club.document, heat.answer, cylinder, nodes)
    if (model)
      say(
        `a day of draws, ${nodes} layers`,
        timed(() => simulateDraws(model), 1),
        1000,
        'a second',
      )
  }
}
say(
  'assumptions of the vessel',
  timed(() => leansOn((demoJobs()['juniper-ridge'] as JobFile).document, 'vessel'), 1),
  1000,
  'a second',
)

/** The board's page out of many jobs against the same out of few, both asked over HTTP. */
async function boardOf(count: number): Promise<ReturnType<typeof timed>> {
  const folder = mkdtempSync(join(tmpdir(), 'hestian-bench-'))
  const { http, jobs, people, sessions } = await buildApp({ dataFolder: folder })
  await people.add([{ id: 'lead', name: 'Lead', role: 'lead', tickets: [] }])
  const headers = { cookie: `hestian=${await sessions.begin({ personId: 'lead' }, 'a bench')}` }
  for (let i = 0; i < count; i++)
    await jobs.create(
      `job-${i}`,
      blankDocument({ name: `House ${i}`, address: `${i} High Street`, practice: 'uk-ireland' }),
      new Date(1.79e12 + i * 1000).toISOString(),
    )
  const runs: number[] = []
  for (let i = 0; i < 40; i++) {
    const start = performance.now()
    const sort = i % 2 ? 'name' : 'changed'
    await http.inject({ headers, url: `/api/jobs?find=house&sort=${sort}&page=1&size=25` })
    runs.push(performance.now() - start)
  }
  await http.close()
  rmSync(folder, { recursive: true })
  const sorted = runs.slice(8).sort((a, b) => a - b)
  return { least: sorted[0] ?? 0, middle: sorted[16] ?? 0, most: sorted[31] ?? 0 }
}
const few = (await boardOf(10)).middle
say('board of 1000 jobs', await boardOf(1000), few, 'ten jobs')

/** One more record on a job that holds many against one on a job that holds none. */
async function recordOn(count: number): Promise<number> {
  const folder = mkdtempSync(join(tmpdir(), 'hestian-bench-'))
  const { http, jobs, people, sessions, db, summaries } = await buildApp({ dataFolder: folder })
  await people.add([{ id: 'lead', name: 'Lead', role: 'lead', tickets: [] }])
  const headers = { cookie: `hestian=${await sessions.begin({ personId: 'lead' }, 'a bench')}` }
  await jobs.create(
    'job',
    blankDocument({ name: 'House', address: '', practice: 'uk-ireland' }),
    '2026-11-27T10:00:00.000Z',
  )
  await summaries.close()
  const body = { kind: 'snag', what: 'a snag', owner: 'Lead', due: null }
  await db.write(async (manager) => {
    for (let i = 0; i < count; i++)
      await manager.query(
        'INSERT INTO record (jobId, id, at, "by", kind, body) VALUES (?, ?, ?, ?, ?, ?)',
        ['job', `before-${i}`, '2026-11-27T10:00:00.000Z', 'lead', 'snag', JSON.stringify(body)],
      )
    await manager.query('UPDATE job SET recordCount = ?', [count])
  })
  const runs: number[] = []
  for (let i = 0; i < 60; i++) {
    const start = performance.now()
    const payload = { id: `record-${i}-on`, by: 'lead', at: '2026-11-27T10:00:00.000Z', body }
    await http.inject({ method: 'POST', url: '/api/jobs/job/records', headers, payload })
    runs.push(performance.now() - start)
  }
  await http.close()
  rmSync(folder, { recursive: true })
  return runs.sort((a, b) => a - b)[30] ?? 0
}
const onNone = await recordOn(0)
const onMany = await recordOn(100_000)
say(
  'a record on a job of 100 000',
  { least: onMany, middle: onMany, most: onMany },
  onNone,
  'a record on a job of none',
)

/**
 * A gauge at 10 Hz while ten packs print: what requests wait, and how long the event loop is held.
 */
const crowded = await manyGauges(1, 12).run(1)
console.log(`one gauge at 10 Hz, records and ten packs: ${crowded.beside}`)

await largeFirm()

printLeakTally()
printWaterTally()
await pageFigures()

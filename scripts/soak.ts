import { copyFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { CDPSession, Page } from '@playwright/test'
import { chromium } from '@playwright/test'
import type { JobFile, JobState } from '@hestian/core'
import { demoJobs } from '../demo/src/index'
import { Gauges } from './hold/gauges'
import { RunningServer } from './hold/runningServer'
import { pause } from './hold/trial'

/**
 * Fifty gauges at ten samples a second into fifty running tests, one of them looked at in a
 * browser: `npm run soak -- MINUTES`. What was lost or doubled, how long the page was busy at a
 * stretch, and what its heap holds after a forced collection.
 */
const count = 50
const minutes = Number(process.argv[2] ?? 10)
/** Three psi, as the test of an American job asks: it lasts a quarter of an hour. */
const gauge_Pa = 20680
const least_minutes = 1

/** A stretch in which the page could do nothing else. */
interface Busy {
  readonly at_s: number
  readonly ms: number
}

async function begin(server: RunningServer): Promise<void> {
  const kestrel = demoJobs()['kestrel-weir'] as JobFile
  for (let i = 0; i < count; i++) {
    const document = { ...kestrel.document, practice: 'north-america' as const }
    const file = { ...kestrel, id: `job-${i}`, number: `${1000 + i}`, document }
    const { status } = await server.send('POST', '/import', file)
    if (status >= 300) throw new Error(`job ${i} was refused: ${status}`)
  }
  for (let i = 0; i < count; i++) {
    const { status, body } = await server.send('POST', `/jobs/job-${i}/tests`, {
      ...{ id: `begin-soak-${i}`, by: 'maren-oduya', testId: `soak-test-${i}` },
      how: { reading: 'streamed', gaugeId: i === 0 ? 'manometer' : `manometer-${i + 1}` },
      prepared: ['meter', 'boiler', 'range', 'cabinet'],
      off: [],
    })
    if (status !== 201) throw new Error(`test ${i}: ${JSON.stringify(body)}`)
  }
}

/** What the page's heap holds when everything that can go has gone, MB. */
async function heap_MB(session: CDPSession): Promise<number> {
  await session.send('HeapProfiler.collectGarbage')
  const { usedSize } = await session.send('Runtime.getHeapUsage')
  return usedSize / 1e6
}

/** Counts what kept the page busy for longer than a twentieth of a second. */
const watchTasks = (page: Page) =>
  page.evaluate(() => {
    const kept = window as unknown as { busy: Busy[] }
    kept.busy = []
    const from_ms = performance.now()
    new PerformanceObserver((list) => {
      for (const { startTime, duration } of list.getEntries())
        kept.busy.push({ at_s: (startTime - from_ms) / 1000, ms: duration })
    }).observe({ type: 'longtask' })
  })

interface Traced {
  readonly name: string
  readonly ph: string
  readonly tid: number
  /** How long it lasted, and how long a core worked at it, µs. */
  readonly dur?: number
  readonly tdur?: number
  readonly args?: { readonly name?: string }
}

/** For this long every task of the page is counted, s. */
const counted_s = 20

/**
 * Every task of the page over a stretch: how many a second, and the most that a core worked at one,
 * ms.
 */
async function countTasks(session: CDPSession) {
  const events: Traced[] = []
  session.on('Tracing.dataCollected', ({ value }) => events.push(...(value as unknown as Traced[])))
  await session.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: ['toplevel', 'devtools.timeline'] },
  })
  await pause(counted_s * 1000)
  const complete = new Promise((resolve) => session.once('Tracing.tracingComplete', resolve))
  await session.send('Tracing.end')
  await complete
  const main = events.find(
    ({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain',
  )?.tid
  const tasks = events.filter(
    ({ name, ph, tid }) => name === 'ThreadControllerImpl::RunTask' && ph === 'X' && tid === main,
  )
  const worked = tasks.map(({ tdur = 0 }) => tdur / 1000)
  return { perSecond: tasks.length / counted_s, mostWorked_ms: Math.max(0, ...worked) }
}

async function samplesLost(server: RunningServer, sent: readonly number[]) {
  let lost = 0
  let stored = 0
  let doubled = 0
  for (let i = 0; i < count; i++) {
    const state = (await server.send('GET', `/jobs/job-${i}`)).body as JobState
    const got = (state.samples[`soak-test-${i}`] ?? []).map(({ at_ms }) => at_ms)
    const here = new Set(got)
    stored += here.size
    doubled += got.length - here.size
    lost += sent.filter((at_ms) => !here.has(at_ms)).length
  }
  return { lost, stored, doubled }
}

async function soak(folder: string): Promise<boolean> {
  const gauges = new Gauges(count, gauge_Pa)
  const server = new RunningServer(folder, await gauges.listen())
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  })
  try {
    if (!(await server.start())) throw new Error('the server did not start')
    await pause(1500)
    const from_ms = Date.now()
    gauges.tick(from_ms)
    await pause(600)
    gauges.stream(from_ms)
    await begin(server)
    // Every test has begun by then: what was sent after it is what has to be there.
    const all = gauges.sent.length
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.request.post(`${server.address}/api/session/demo`, {
      data: { personId: 'maren-oduya' },
    })
    await page.goto(`${server.address}/jobs/job-0/tightness`)
    await page.getByLabel('Pressure now').waitFor()
    await pause(5000)
    await watchTasks(page)
    const session = await page.context().newCDPSession(page)
    const first = Math.min(2, minutes / 2)
    await pause(first * 60_000)
    const early_MB = await heap_MB(session)
    await pause((minutes - first) * 60_000)
    const late_MB = await heap_MB(session)
    const busy = (await page.evaluate(() => (window as unknown as { busy: Busy[] }).busy)).sort(
      (a, b) => b.ms - a.ms,
    )
    const { perSecond, mostWorked_ms } = await countTasks(session)
    const watched_s = minutes * 60
    gauges.stop()
    await pause(4000)
    const { lost, stored, doubled } = await samplesLost(server, gauges.sent.slice(all))
    const share = 1 - busy.length / (perSecond * watched_s)
    console.log(`${count} gauges, ${gauges.sent.length} samples each over ${minutes} min`)
    console.log(`stored ${stored}, lost ${lost}, doubled ${doubled}`)
    console.log(
      `the page: ${busy.length} tasks over 50 ms of about ${(perSecond * watched_s).toFixed(0)} (${(100 * share).toFixed(2)} % under it; ${perSecond.toFixed(0)} a second, counted over ${counted_s} s, in which a core worked at one for at most ${mostWorked_ms.toFixed(0)} ms), the longest ${
        busy
          .slice(0, 5)
          .map(({ at_s, ms }) => `${ms.toFixed(0)} ms at ${at_s.toFixed(0)} s`)
          .join(', ') || 'none'
      }`,
    )
    console.log(
      `heap after a forced collection: ${early_MB.toFixed(1)} MB at minute ${first}, ${late_MB.toFixed(1)} MB at minute ${minutes}, ${(100 * (late_MB / early_MB - 1)).toFixed(1)} % more`,
    )
    return lost === 0 && doubled === 0
  } finally {
    await browser.close()
    await gauges.end()
    await server.stop()
  }
}

if (!(minutes >= least_minutes)) throw new RangeError('npm run soak -- MINUTES, one or more')
const folder = mkdtempSync(join(tmpdir(), 'hestian-soak-'))
copyFileSync('demo/people.json', join(folder, 'people.json'))
try {
  if (!(await soak(folder))) process.exitCode = 1
} finally {
  rmSync(folder, { recursive: true })
}

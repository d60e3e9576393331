import { execFileSync, spawn } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Locator, Page } from '@playwright/test'
import { chromium } from '@playwright/test'
import { signIn } from './hold/signIn'
import { printLighthouse } from './lighthouse'

/**
 * What the built pages weigh and how a keystroke on the largest demo job feels: printed by `npm run
 * bench`.
 */

const dist = 'web/dist'
const limits = { first_kB: 200, sheet_kB: 120, keystroke_ms: 50 }

/** The scripts that must run before one does, and what they weigh gzipped, bytes. */
function closure(from: readonly string[]): ReadonlyMap<string, number> {
  const found = new Map<string, number>()
  const wanted = [...from]
  for (let name = wanted.pop(); name !== undefined; name = wanted.pop()) {
    if (found.has(name)) continue
    found.set(name, readFileSync(join(dist, 'assets', `${name}.gz`)).length)
    const text = readFileSync(join(dist, 'assets', name), 'utf8')
    for (const [, imported] of text.matchAll(/(?:from|import)\s*["'`]\.\/([\w.-]+\.js)["'`]/g))
      wanted.push(imported as string)
  }
  return found
}
const total_kB = (parts: ReadonlyMap<string, number>): number =>
  [...parts.values()].reduce((sum, bytes) => sum + bytes, 0) / 1000

function printWeights(): void {
  const html = readFileSync(join(dist, 'index.html'), 'utf8')
  const first = closure([...html.matchAll(/assets\/([\w.-]+\.js)/g)].map((match) => match[1] ?? ''))
  const said = (name: string, kB: number, most: number) =>
    console.log(`${name}: ${kB.toFixed(0)} kB of JavaScript gzipped (limit ${most})`)
  said('the board', total_kB(first), limits.first_kB)
  const scripts = readdirSync(join(dist, 'assets')).filter((name) => name.endsWith('.js'))
  // The frame of a job, and what its answers are checked against.
  const shell = scripts.filter((name) => /^(JobShell|jobAnswers)-/.test(name))
  const ofJobs = readFileSync(join(dist, 'before.js'), 'utf8')
  const sheets = scripts
    .filter((name) => /^[A-Z]\w*Page-/.test(name) && !name.startsWith('SheetPage'))
    .map((name) => {
      // A page of the firm stands outside the frame of a job.
      const all = closure(ofJobs.includes(name) ? [...shell, name] : [name])
      const more = new Map([...all].filter(([part]) => !first.has(part)))
      return { name: name.split('-')[0] ?? name, kB: total_kB(more) }
    })
    .sort((a, b) => b.kB - a.kB)
  for (const { name, kB } of sheets) said(`  ${name} more`, kB, limits.sheet_kB)
  if (shell.length < 2) throw new Error('the frame of a job is in other pieces now')
  const worker = readdirSync(join(dist, 'assets')).find((name) => /^worker-.*\.js\.gz$/.test(name))
  const worker_kB = readFileSync(join(dist, 'assets', worker ?? '')).length / 1000
  console.log(`what solves them, in a worker beside the page: ${worker_kB.toFixed(0)} kB gzipped`)
}

/** Runs something on a page at a quarter of this machine's speed: its longest task, ms. */
async function longestTask_ms(page: Page, work: () => Promise<void>): Promise<number> {
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 })
  await page.evaluate(() => {
    const kept = window as unknown as { longest: number }
    kept.longest = 0
    new PerformanceObserver((list) => {
      for (const task of list.getEntries()) kept.longest = Math.max(kept.longest, task.duration)
    }).observe({ type: 'longtask' })
  })
  await work()
  await page.waitForTimeout(600)
  const longest = await page.evaluate(() => (window as unknown as { longest: number }).longest)
  await session.send('Emulation.setCPUThrottlingRate', { rate: 1 })
  return longest
}

/** What is typed, another value in each run, on which sheet, and what opens its field. */
const typed: readonly {
  readonly name: string
  readonly sheet: string
  readonly field: (page: Page) => Promise<Locator>
  readonly text: (run: number) => string
}[] = [
  {
    name: 'the length of a gas pipe',
    sheet: 'gas',
    field: async (page) => {
      await page.locator('[data-pipe]').nth(1).focus()
      await page.keyboard.press('1')
      return page.getByRole('textbox', { name: 'Length of the pipe' })
    },
    text: (run) => String(run + 2),
  },
  {
    name: 'the charge as delivered',
    sheet: 'vessel',
    field: async (page) => {
      await page
        .getByRole('button', { name: /^Charge as delivered/ })
        .first()
        .click()
      return page.getByRole('dialog').getByRole('textbox').first()
    },
    text: (run) => `1.${run + 1}`,
  },
]

async function printKeystrokes(base: string): Promise<void> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  })
  for (const { name, sheet, field: open, text } of typed) {
    const runs: { key: number; taken: number }[] = []
    for (let i = 0; i < 5; i++) {
      const context = await browser.newContext({ serviceWorkers: 'block' })
      const page = await context.newPage()
      await context.request.post(`${base}/api/session/demo`, {
        data: { personId: 'maren-oduya' },
      })
      await page.goto(`${base}/jobs/kestrel-weir/${sheet}`)
      await page.getByRole('heading', { level: 2 }).first().waitFor()
      const field = await open(page)
      await field.waitFor()
      await page.waitForTimeout(1500)
      const key = await longestTask_ms(page, () => field.pressSequentially(text(i), { delay: 150 }))
      const taken = await longestTask_ms(page, () => field.press('Enter'))
      runs.push({ key, taken })
      await context.close()
    }
    const median = (of: readonly number[]) => [...of].sort((a, b) => a - b)[2] ?? 0
    const said = (ms: number) => (ms === 0 ? 'under 50' : ms.toFixed(0))
    console.log(
      `${name}: longest task at a quarter of the speed, a key ${said(median(runs.map((r) => r.key)))} ms, the value taken ${said(median(runs.map((r) => r.taken)))} ms (limit ${limits.keystroke_ms})`,
    )
  }
  await browser.close()
}

export async function pageFigures(): Promise<void> {
  execFileSync('npm', ['run', '-s', 'build'], { stdio: 'ignore' })
  printWeights()
  const data = mkdtempSync(join(tmpdir(), 'hestian-page-'))
  const port = 4490
  const demo = spawn('node', ['scripts/demo.mjs'], {
    env: { ...process.env, PORT: String(port), HESTIAN_DATA: data },
    stdio: 'ignore',
    detached: true,
  })
  const base = `http://127.0.0.1:${port}`
  try {
    for (let i = 0; i < 120; i++) {
      if (await isSeeded(base)) break
      await new Promise((resolve) => setTimeout(resolve, 500))
    }
    await printKeystrokes(base)
    await printLighthouse(base)
  } finally {
    if (demo.pid) process.kill(-demo.pid, 'SIGTERM')
    await new Promise((resolve) => demo.once('exit', resolve))
    rmSync(data, { recursive: true, force: true })
  }
}

const isSeeded = async (base: string): Promise<boolean> => {
  try {
    const cookie = await signIn(base, 'maren-oduya')
    return (await fetch(`${base}/api/jobs/kestrel-weir`, { headers: { cookie } })).ok
  } catch {
    return false
  }
}

if (process.argv[1]?.endsWith('pageFigures.ts')) await pageFigures()

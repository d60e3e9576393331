import { chromium } from '@playwright/test'
import type { Result } from 'lighthouse'
import lighthouse from 'lighthouse'
import { signIn } from './hold/signIn'

/** How the pages feel on a slow phone, as the auditor scores them: printed by `npm run bench`. */

const pages = [
  { name: 'the board', path: '/', least: 90 },
  { name: 'a sheet (gas, largest demo job)', path: '/jobs/kestrel-weir/gas', least: 80 },
] as const

/** What the auditor says could be saved, in words, the largest first. */
function causes(report: Result): string {
  const saved = Object.values(report.audits)
    .map((audit) => ({ title: audit.title, ms: audit.metricSavings?.LCP ?? 0 }))
    .filter(({ ms }) => ms > 0)
    .sort((a, b) => b.ms - a.ms)
    .slice(0, 3)
  return saved.length === 0
    ? 'no single cause named'
    : saved.map(({ title, ms }) => `${title} ${ms} ms`).join('; ')
}

const port = 4499

async function audit(url: string): Promise<Result> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--headless',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-background-networking',
      `--remote-debugging-port=${port}`,
    ],
  })
  try {
    const { origin } = new URL(url)
    const run = await lighthouse(url, {
      port,
      // The page as somebody sees it who is signed in.
      extraHeaders: { cookie: await signIn(origin, 'maren-oduya') },
      onlyCategories: ['performance'],
      logLevel: 'error',
    })
    if (!run) throw new Error(`${url} was not audited`)
    return run.lhr
  } finally {
    await browser.close()
  }
}

const score = (report: Result): number =>
  Math.round((report.categories.performance?.score ?? 0) * 100)

/** Three audits of each page on a simulated phone; the one in the middle is printed. */
export async function printLighthouse(base: string): Promise<void> {
  for (const { name, path, least } of pages) {
    const reports: Result[] = []
    for (let i = 0; i < 3; i++) reports.push(await audit(`${base}${path}`))
    const [, middle] = reports.sort((a, b) => score(a) - score(b))
    if (!middle) continue
    const paint = middle.audits['largest-contentful-paint']?.displayValue ?? '?'
    const blocked = middle.audits['total-blocking-time']?.displayValue ?? '?'
    console.log(
      `${name}: audited ${score(middle)} of 100 (at least ${least}); largest paint ${paint}, blocked ${blocked}; ${causes(middle)}`,
    )
  }
}

if (process.argv[1]?.endsWith('lighthouse.ts'))
  await printLighthouse(process.argv[2] ?? 'http://127.0.0.1:4180')

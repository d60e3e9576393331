import { chromium, type Page } from '@playwright/test'

/** Takes the README's pictures from a demo started freshly: BASE=http://127.0.0.1:4180 npm run screenshots */
const base = process.env.BASE ?? 'http://127.0.0.1:4180'
const desk = { width: 1280, height: 800 }
const phone = { width: 390, height: 844 }

/** Names given behind it are taken, all without any. */
const wanted = process.argv.slice(2)

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})

async function picture(
  name: string,
  path: string,
  {
    size = desk,
    theme = 'paper',
    first,
    at = 0,
    to,
    region,
  }: {
    size?: typeof desk
    theme?: string
    first?: (page: Page) => Promise<void>
    at?: number
    to?: string
    region?: string
  } = {},
): Promise<void> {
  if (wanted.length > 0 && !wanted.includes(name)) return
  const page = await browser.newPage({ viewport: size })
  await page.addInitScript((chosen) => {
    localStorage.setItem('theme', chosen)
  }, theme)
  await page.request.post(`${base}/api/session/demo`, { data: { personId: 'maren-oduya' } })
  await page.goto(base + path)
  await page.getByRole('main').waitFor()
  // The frame of a job stands before its sheet is fetched.
  await page.getByText('Fetching the sheet').waitFor({ state: 'detached' })
  await page.evaluate(() => document.fonts.ready)
  await first?.(page)
  await page.evaluate((top) => document.getElementById('sheet')?.scrollTo(0, top), at)
  if (to)
    await page
      .getByText(to, { exact: true })
      .first()
      .evaluate((element) => element.scrollIntoView({ block: 'start' }))
  if (region)
    await page
      .getByRole('region', { name: region })
      .evaluate((element) => element.scrollIntoView({ block: 'start' }))
  await page.waitForTimeout(700)
  await page.screenshot({ path: `docs/screenshots/${name}.png` })
  await page.close()
  console.log(name)
}

await picture('jobs', '/')
await picture('survey-readings', '/jobs/kestrel-weir/readings', { at: 380 })
await picture('inspection', '/jobs/juniper-ridge/inspection')
await picture('heat-options', '/jobs/kestrel-weir/heat')
await picture('phone-walk', '/jobs/juniper-ridge/walk', { size: phone, theme: 'cellar' })
await picture('heating-vessel', '/jobs/kestrel-weir/vessel')
await picture('heating-circuit', '/jobs/kestrel-weir/circuit')
await picture('work', '/jobs/thornfield-scout-hut/work')
await picture('hot-water-safety', '/jobs/kestrel-weir/safety')
await picture('relief-discharge', '/jobs/juniper-ridge/relief', { at: 440 })
await picture('gas-supply', '/jobs/kestrel-weir/gas', {
  first: async (page) => {
    await page
      .getByRole('treegrid')
      .getByRole('row', { name: /^A to B/ })
      .click()
  },
})
await picture('water-feed', '/jobs/kestrel-weir/water', {
  first: async (page) => {
    await page
      .getByRole('treegrid')
      .getByRole('row', { name: /^D to E, hot/ })
      .click()
  },
})
await picture('commission', '/jobs/kestrel-weir/steps')
await picture('handover', '/jobs/saltbush-ferry/handover')
await picture('phone-exchange', '/jobs/thornfield-scout-hut/exchange', { size: phone })
await picture('people', '/people')
await picture('held', '/people/held', {
  first: async (page) => {
    await page.getByLabel('Name, address or number').fill('Mill Lane')
    await page.getByRole('button', { name: 'Look it up' }).click()
    await page.getByText(/stands in/).waitFor()
  },
})
await picture('tests-by-hand', '/jobs/kestrel-weir/by-hand', {
  to: 'Flue gas at the high rate',
  first: async (page) => {
    await page
      .getByRole('button', { name: 'Read: Flue gas at the high rate, System boiler' })
      .click()
    await page.getByRole('button', { name: 'Burner high' }).click()
    // Its carbon monoxide goes as it warms.
    await page.waitForTimeout(60_000)
    for (const shown of [/^Take [\d.]+ %/, /^Take \d+ ppm/, /^Take \d+ °C/])
      await page.getByRole('button', { name: shown }).first().click()
  },
})
await picture('tightness-running', '/jobs/kestrel-weir/tightness', {
  theme: 'cellar',
  first: async (page) => {
    await page.getByRole('button', { name: 'Test again' }).click()
    for (const box of await page.getByRole('checkbox').all()) await box.check({ force: true })
    await page.getByRole('button', { name: 'Make it tight' }).click()
    await page.getByRole('button', { name: /^Pump to/ }).click()
    await page.waitForTimeout(1500)
    await page.getByRole('button', { name: 'Begin: let it settle' }).click()
    await page.getByText(/left of the/).waitFor({ timeout: 120_000 })
    await page.waitForTimeout(40_000)
  },
})
await browser.close()

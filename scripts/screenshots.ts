import { chromium, type Page } from '@playwright/test'

/** Takes the README's pictures from a demo started freshly: BASE=http://127.0.0.1:4180 npm run screenshots */
const base = process.env.BASE ?? 'http://127.0.0.1:4180'
const desk = { width: 1280, height: 800 }
const phone = { width: 390, height: 844 }

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'] })

async function picture(name: string, path: string, { size = desk, theme = 'paper', first }: { size?: typeof desk; theme?: string; first?: (page: Page) => Promise<void> } = {}): Promise<void> {
  const page = await browser.newPage({ viewport: size })
  await page.addInitScript((chosen) => { localStorage.setItem('theme', chosen); localStorage.setItem('who', 'maren-oduya') }, theme)
  await page.goto(base + path)
  await page.getByRole('main').waitFor()
  await page.evaluate(() => document.fonts.ready)
  await first?.(page)
  await page.evaluate(() => document.getElementById('sheet')?.scrollTo(0, 0))
  await page.waitForTimeout(700)
  await page.screenshot({ path: `docs/screenshots/${name}.png` })
  await page.close()
  console.log(name)
}

await picture('jobs', '/')
await picture('survey-readings', '/jobs/kestrel-weir/S2')
await picture('survey-entry', '/jobs/juniper-ridge/S2', { first: async (page) => { await page.getByRole('button', { name: /^Cold main/ }).click(); await page.getByRole('dialog').getByRole('textbox').first().fill('4,0 bar') } })
await picture('rating-plates', '/jobs/kestrel-weir/S3')
await picture('heating-vessel', '/jobs/kestrel-weir/D1')
await picture('heating-vessel-north-america', '/jobs/juniper-ridge/D1', { theme: 'cellar' })
await picture('gas-supply', '/jobs/kestrel-weir/D2', { first: async (page) => { await page.getByRole('button', { name: 'A to B', exact: true }).click() } })
await picture('tightness-verdict', '/jobs/kestrel-weir/P1')
await picture('tightness-prepare', '/jobs/juniper-ridge/P1')
await picture('commission', '/jobs/kestrel-weir/C1')
await picture('handover', '/jobs/saltbush-ferry/H1')
await picture('phone-vessel', '/jobs/kestrel-weir/D1', { size: phone })
await picture('phone-commission', '/jobs/saltbush-ferry/C1', { size: phone, theme: 'cellar', first: async (page) => { await page.getByRole('button', { name: 'Confirm: Run until it is steady' }).click(); await page.getByRole('main').locator('form').getByRole('textbox').fill('48 C') } })
await picture('tightness-running', '/jobs/kestrel-weir/P1', {
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

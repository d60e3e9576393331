import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { expect, test } from '@playwright/test'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
const places = ['/', '/kit', ...['S1', 'S2', 'S3', 'D1', 'D2', 'P1', 'C1', 'H1'].map((sheet) => `/jobs/juniper-ridge/${sheet}`), '/jobs/kestrel-weir/D1', '/jobs/kestrel-weir/D2', '/jobs/kestrel-weir/C1', '/jobs/saltbush-ferry/P1']

for (const theme of ['paper', 'cellar']) {
  for (const [name, size] of [['desk', { width: 1280, height: 800 }], ['phone', { width: 390, height: 844 }]] as const) {
    test(`every page in ${theme} at ${name} size: axe finds nothing, nothing runs off the side, nothing breaks`, async ({ page }) => {
      const broken: string[] = []
      page.on('pageerror', (error) => broken.push(error.message))
      await page.setViewportSize(size)
      await page.addInitScript((chosen) => { localStorage.setItem('theme', chosen); localStorage.setItem('who', 'maren-oduya') }, theme)
      for (const place of places) {
        await page.goto(place)
        await expect(page.getByRole('main')).toBeVisible()
        await expect(page.getByRole('heading', { level: 2 }).or(page.getByRole('heading', { level: 1 })).first()).toBeVisible()
        await page.evaluate(axe)
        const found = await page.evaluate(async () => {
          const { violations } = await (window as unknown as { axe: { run: (options: object) => Promise<{ violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] }> } }).axe.run({ resultTypes: ['violations'] })
          return violations.map((one) => `${one.id}: ${one.nodes.slice(0, 2).map((node) => `${node.html.slice(0, 160)} ${node.failureSummary.slice(0, 200)}`).join(' | ')}`)
        })
        expect(found, `${place}`).toEqual([])
        expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth), `${place} scrolls sideways`).toBeLessThanOrEqual(0)
      }
      expect(broken).toEqual([])
    })
  }
}

test('by keyboard alone: begin a job, answer a question, choose from a list', async ({ page }) => {
  await page.addInitScript(() => localStorage.setItem('who', 'maren-oduya'))
  await page.goto('/')
  await expect(page.getByRole('link', { name: /Kestrel Weir/ })).toBeVisible()
  const tabTo = async (name: RegExp) => {
    for (let i = 0; i < 60; i++) {
      await page.keyboard.press('Tab')
      const label = await page.evaluate(() => { const element = document.activeElement; const named = element?.getAttribute('aria-label') ?? (element?.id ? document.querySelector(`label[for="${element.id}"]`)?.textContent : undefined); return named ?? element?.textContent ?? '' })
      if (name.test(label)) return
    }
    throw new Error(`Tab never reaches ${name}`)
  }
  await tabTo(/^New job$/)
  await page.keyboard.press('Enter')
  await page.keyboard.type('Keyboard Cottage')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Site elevation/ })).toBeVisible()
  await tabTo(/^Site elevation/)
  await page.keyboard.press('Enter')
  await page.keyboard.type('85 m')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Site elevation 85/ })).toBeFocused()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('heading', { level: 2 })).toContainText('85')
})

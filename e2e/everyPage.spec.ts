import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { expect } from '@playwright/test'
import { test } from './test'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
const everySheet = [
  '/gauges',
  '/people',
  '/people/held',
  '/backups',
  '/',
  '/kit',
  ...[
    'work',
    'site',
    'readings',
    'plates',
    'place',
    'inspection',
    'exchange',
    'walk',
    'heat',
    'circuit',
    'vessel',
    'safety',
    'relief',
    'gas',
    'water',
    'tightness',
    'by-hand',
    'steps',
    'list',
    'handover',
  ].map((sheet) => `/jobs/juniper-ridge/${sheet}`),
]
const fullest = [
  '/jobs/kestrel-weir/heat',
  '/jobs/kestrel-weir/vessel',
  '/jobs/kestrel-weir/safety',
  '/jobs/kestrel-weir/gas',
  '/jobs/kestrel-weir/water',
  '/jobs/saltbush-ferry/water',
  '/jobs/kestrel-weir/steps',
  '/jobs/saltbush-ferry/tightness',
  ...['work', 'exchange', 'list', 'handover'].map((sheet) => `/jobs/thornfield-scout-hut/${sheet}`),
]

// Every sheet is seen in both themes and at both sizes, and the fullest ones the other two ways
// round.
for (const theme of ['paper', 'cellar']) {
  for (const [name, size] of [
    ['desk', { width: 1280, height: 800 }],
    ['phone', { width: 390, height: 844 }],
  ] as const) {
    const places = (theme === 'paper') === (name === 'desk') ? everySheet : fullest
    test(`${places === fullest ? 'the fullest pages' : 'every page'} in ${theme} at ${name} size: axe finds nothing, nothing runs off the side, nothing breaks`, async ({
      page,
    }) => {
      const broken: string[] = []
      page.on('pageerror', (error) => broken.push(error.message))
      await page.setViewportSize(size)
      await page.addInitScript((chosen) => {
        localStorage.setItem('theme', chosen)
      }, theme)
      for (const place of places) {
        await page.goto(place)
        await expect(page.getByRole('main')).toBeVisible()
        await expect(
          page
            .getByRole('heading', { level: 2 })
            .or(page.getByRole('heading', { level: 1 }))
            .first(),
        ).toBeVisible()
        if (place.endsWith('/heat'))
          await expect(page.getByText(/^Run\. Energy in and out/)).toBeVisible({ timeout: 30_000 })
        await page.evaluate(axe)
        const found = await page.evaluate(async () => {
          const { violations } = await (
            window as unknown as {
              axe: {
                run: (options: object) => Promise<{
                  violations: { id: string; nodes: { html: string; failureSummary: string }[] }[]
                }>
              }
            }
          ).axe.run({ resultTypes: ['violations'] })
          return violations.map(
            (one) =>
              `${one.id}: ${one.nodes
                .slice(0, 2)
                .map((node) => `${node.html.slice(0, 160)} ${node.failureSummary.slice(0, 200)}`)
                .join(' | ')}`,
          )
        })
        expect(found, `${place}`).toEqual([])
        expect(
          await page.evaluate(() => document.documentElement.scrollWidth - innerWidth),
          `${place} scrolls sideways`,
        ).toBeLessThanOrEqual(0)
      }
      expect(broken).toEqual([])
    })
  }
}

test('by keyboard alone: begin a job, answer a question, choose from a list', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('link', { name: /Kestrel Weir/ })).toBeVisible()
  const tabTo = async (name: RegExp) => {
    for (let i = 0; i < 60; i++) {
      await page.keyboard.press('Tab')
      const label = await page.evaluate(() => {
        const element = document.activeElement
        const named =
          element?.getAttribute('aria-label') ??
          (element?.id
            ? document.querySelector(`label[for="${element.id}"]`)?.textContent
            : undefined)
        return named ?? (element?.textContent || element?.closest('label')?.textContent) ?? ''
      })
      if (name.test(label)) return
    }
    throw new Error(`Tab never reaches ${name}`)
  }
  await tabTo(/^New job$/)
  await page.keyboard.press('Enter')
  await page.keyboard.type('Keyboard Cottage')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'What is the work?' })).toBeVisible()
  await tabTo(/^Boiler exchanged/)
  await page.keyboard.press('Space')
  await tabTo(/^This is the work/)
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

test('by keyboard alone on a phone: look, compare, choose', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const id = 'keyboard-heat'
  await page.request.post('/api/jobs', {
    data: { id, name: 'Keyboard Heat', address: '', practice: 'uk-ireland', by: 'maren-oduya' },
  })
  const nameOfFocus = () =>
    page.evaluate(() => {
      const element = document.activeElement
      if (!element || element === document.body) return ''
      const labelled = (element.getAttribute('aria-labelledby') ?? '')
        .split(' ')
        .map((one) => document.getElementById(one)?.textContent ?? '')
        .join(' ')
      return [
        element.getAttribute('aria-label'),
        labelled,
        element.closest('label')?.textContent,
        element.textContent,
        element.id
          ? document.querySelector(`label[for="${CSS.escape(element.id)}"]`)?.textContent
          : '',
      ].join(' | ')
    })
  const tabTo = async (name: RegExp) => {
    for (let i = 0; i < 120; i++) {
      await page.keyboard.press('Tab')
      if (name.test(await nameOfFocus())) return
    }
    throw new Error(`Tab never reaches ${name}`)
  }
  const answered = page.getByRole('heading', { level: 2 })
  await page.goto(`/jobs/${id}/plates`)
  await expect(answered).toBeVisible()
  await tabTo(/This job makes hot water/)
  await page.keyboard.press('Space')
  await page.goto(`/jobs/${id}/readings`)
  await expect(answered).toBeVisible()
  await tabTo(/Incoming, coldest/)
  await page.keyboard.press('Enter')
  await page.keyboard.type('5 C')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Incoming, coldest of the year 5/ })).toBeFocused()
  await tabTo(/The stopcock on the main/)
  await page.keyboard.press('Enter')
  await tabTo(/Works/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^The stopcock on the main Works/ })).toBeFocused()
  await page.goto(`/jobs/${id}/heat`)
  await expect(answered).toContainText('Set two ways side by side')
  await tabTo(/Set another beside it/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('option', { name: 'Heats as it runs' })).toBeVisible()
  await page.keyboard.press('Home')
  await page.keyboard.press('Enter')
  await tabTo(/Hot water output of/)
  await page.keyboard.press('Enter')
  await page.keyboard.type('24 kW')
  await page.keyboard.press('Enter')
  await tabTo(/Chosen/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('option').first()).toBeVisible()
  await page.keyboard.press('Home')
  await page.keyboard.press('Enter')
  await tabTo(/Because/)
  await page.keyboard.type('by keyboard')
  await page.keyboard.press('Enter')
  await expect(answered).toContainText('keeps up 9.8')
  await page.reload()
  await expect(answered).toContainText('keeps up 9.8')
})

for (const [address, asked] of [
  ['/', '/api/jobs'],
  ['/jobs/kestrel-weir/gas', '/api/jobs/kestrel-weir'],
] as const)
  test(`what ${address} asks for ahead of its scripts is not asked for twice`, async ({ page }) => {
    const ahead = [asked, '/api/people', '/api/session']
    const seen: string[] = []
    page.on('request', (request) => {
      const { pathname } = new URL(request.url())
      if (ahead.includes(pathname)) seen.push(pathname)
    })
    await page.goto(address)
    await expect(page.getByRole('heading', { level: address === '/' ? 1 : 2 })).toBeVisible()
    expect(seen.sort()).toEqual([...ahead].sort())
  })

test('the pieces of a sheet are asked for with its address, once each, and all of them are used', async ({
  page,
}) => {
  const asked: string[] = []
  page.on('request', (request) => {
    const { pathname } = new URL(request.url())
    if (pathname.endsWith('.js')) asked.push(pathname)
  })
  await page.goto('/jobs/kestrel-weir/gas')
  await expect(page.getByRole('heading', { level: 2 })).toBeVisible()
  const before = await (await page.request.get('/before.js')).text()
  const [, ofGas = ''] = /"gas":(\[[^\]]+\])/.exec(before) ?? []
  const early = (JSON.parse(ofGas) as string[]).map((name) => `/${name}`)
  expect(early.filter((href) => /\/(JobShell|jobs|GasPage)-/.test(href))).toHaveLength(3)
  expect(asked.filter((path, i) => asked.indexOf(path) !== i)).toEqual([])
  expect(early.filter((href) => !asked.includes(href))).toEqual([])
})

import { execFileSync } from 'node:child_process'
import { expect } from '@playwright/test'
import { signIn, test } from './test'
import { enter, goTo, newJob, saved, workAs, tickEverything } from './site'

test('wrong input gets a sentence, and what was typed survives a reload', async ({ page }) => {
  await newJob(page, 'Wrong Input House')
  await goTo(page, 'readings')
  await page.getByRole('button', { name: /^Incoming water/ }).click()
  const dialog = page.getByRole('dialog', { name: 'Incoming water' })
  const field = dialog.getByRole('textbox').first()
  for (const [text, says] of [
    ['warm', 'does not start with a number'],
    ['-300 C', 'below absolute zero'],
    ['12 psi', 'measures a pressure'],
    ['1e9', 'cannot be'],
    ['9'.repeat(100), 'characters long'],
  ] as const) {
    await field.fill(text)
    await dialog.getByRole('button', { name: 'Use it' }).click()
    await expect(dialog.getByText(says)).toBeVisible()
  }
  await field.fill('1,200')
  await expect(dialog.getByText('can be read two ways')).toBeVisible()
  await field.fill('warm, about ten')
  await page.reload()
  await page.getByRole('button', { name: /^Incoming water/ }).click()
  await expect(
    page.getByRole('dialog', { name: 'Incoming water' }).getByRole('textbox').first(),
  ).toHaveValue('warm, about ten')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /^Cold main/ }).click()
  const main = page.getByRole('dialog', { name: 'Cold main, static' })
  await main.getByRole('textbox').first().fill('40 bar')
  await main.getByRole('button', { name: 'Use it' }).click()
  await expect(main.getByText(/unusual here/)).toBeVisible()
  await main.getByRole('button', { name: 'Yes, keep it' }).click()
  await main.getByRole('button', { name: 'Use it' }).click()
  await expect(page.getByRole('button', { name: /^Cold main, static 40\.00/ })).toBeVisible()
})

test('a file that is not a job, and a job that is already here, are refused with a sentence', async ({
  page,
}) => {
  await page.goto('/')
  const file = page.locator('input[type=file]')
  await file.setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from('hello'),
  })
  await expect(page.getByText(/it is not JSON/)).toBeVisible()
  await file.setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"something else"}'),
  })
  await expect(page.getByText(/not a job exported from Hestian/)).toBeVisible()
  const exported = await page.request.get('/api/jobs/juniper-ridge/export')
  await file.setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: await exported.body(),
  })
  await expect(page.getByText(/is already here/)).toBeVisible()
})

test('two people change one job: different places are merged, the same place is asked about', async ({
  page,
  browser,
}) => {
  await newJob(page, 'Two Hands House')
  // Another person has another browser: two tabs of one browser share one draft.
  const theirs = await browser.newContext()
  await signIn(theirs.request, 'tobias-lindqvarn')
  const other = await theirs.newPage()
  await other.goto(page.url())
  await expect(other.getByRole('textbox', { name: 'Notes' })).toBeVisible()
  // The second page must not hear of the first save before it has typed: it loses its line.
  await other.route('**/live', (route) => route.abort())
  await other.reload()
  await other.getByRole('textbox', { name: 'Address' }).fill('2 Their Street')
  await page.getByRole('textbox', { name: 'Notes' }).fill('key under the pot')
  await page.getByRole('textbox', { name: 'Notes' }).press('Enter')
  await saved(page)
  await other.getByRole('textbox', { name: 'Address' }).press('Enter')
  await saved(other)
  await expect(other.getByRole('textbox', { name: 'Notes' })).toHaveValue('key under the pot')
  await expect(page.getByRole('textbox', { name: 'Address' })).toHaveValue('2 Their Street')

  await other.getByRole('textbox', { name: 'Notes' }).fill('their note')
  await page.getByRole('textbox', { name: 'Notes' }).fill('my note')
  await page.getByRole('textbox', { name: 'Notes' }).press('Enter')
  await saved(page)
  await other.getByRole('textbox', { name: 'Notes' }).press('Enter')
  const dialog = other.getByRole('alertdialog')
  await expect(dialog).toContainText('my note')
  await expect(dialog).toContainText('their note')
  await dialog.getByRole('button', { name: 'Merge, keep mine here' }).click()
  await saved(other)
  await expect(page.getByRole('textbox', { name: 'Notes' })).toHaveValue('their note')
  await theirs.close()
})

test('a server that is killed in the middle of a test loses no acknowledged sample, and the page recovers by itself', async ({
  page,
}) => {
  await page.goto('/jobs/kestrel-weir/tightness')
  await workAs(page, 'Tobias Lindqvarn')
  await page.getByRole('button', { name: 'Test again' }).click()
  await tickEverything(page)
  await page.getByRole('button', { name: 'Make it tight' }).click()
  await page.getByRole('button', { name: /^Pump to/ }).click()
  const stored = async () =>
    (
      (await (await page.request.get('/api/jobs/kestrel-weir')).json()) as {
        samples: Record<string, { at_ms: number }[]>
      }
    ).samples
  // Tests of before have samples enough: only those of this one count.
  const before = new Set(Object.keys(await stored()))
  const samples = async () =>
    Object.entries(await stored())
      .filter(([id]) => !before.has(id))
      .flatMap(([, rows]) => rows.map((row) => row.at_ms))
  await page.getByRole('button', { name: 'Begin: let it settle' }).click()
  await expect(page.getByText(/left to settle|left of the/)).toBeVisible()
  await expect.poll(async () => (await samples()).length).toBeGreaterThan(20)
  const acknowledged = await samples()
  execFileSync('pkill', ['-9', '-f', `server/dist/server.mjs port=${new URL(page.url()).port}`])
  const isBack = () =>
    page.request.get('/api/health').then(
      (answer) => answer.ok(),
      () => false,
    )
  await expect.poll(isBack, { timeout: 60_000 }).toBe(true)
  await expect(page.getByRole('heading', { level: 2 })).toContainText('tight', { timeout: 60_000 })
  const after = new Set(await samples())
  expect(acknowledged.filter((at_ms) => !after.has(at_ms))).toEqual([])
})

test('what is typed while the server is away is kept and saved when it is back', async ({
  page,
  context,
}) => {
  await newJob(page, 'Cellar Without Signal')
  await context.route('**/draft', (route) => route.abort())
  await page.getByRole('textbox', { name: 'Address' }).fill('14 Deep Stair')
  await page.getByRole('textbox', { name: 'Address' }).press('Enter')
  await expect(
    page.getByRole('status').filter({ hasText: 'Kept here, not saved yet' }),
  ).toBeVisible()
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Address' })).toHaveValue('14 Deep Stair')
  await context.unroute('**/draft')
  await saved(page)
  await expect
    .poll(async () =>
      (await (await page.request.get('/api/jobs')).text()).includes('14 Deep Stair'),
    )
    .toBe(true)
})

test('an apprentice may confirm and measure but not sign what needs a ticket', async ({ page }) => {
  await page.goto('/jobs/juniper-ridge/steps')
  await workAs(page, 'Isla Penhallick')
  await page.getByRole('button', { name: 'Confirm: Proved dead at the boiler' }).click()
  await page.getByRole('button', { name: /^Confirm: Cold to the hand/ }).click()
  await expect(
    page.getByRole('button', { name: /waits for somebody with an electrical ticket/ }),
  ).toBeDisabled()
  // What Isla recorded goes in her own session.
  await saved(page)
  await workAs(page, 'Maren Oduya')
  await page.getByRole('button', { name: 'Sign this step' }).click()
  await expect(page.getByText('1 thing is off on site')).toBeVisible()
  await expect(page.getByText('Step 2 of 13')).toBeVisible()
  await page.getByRole('button', { name: 'Put back: Boiler and pump supply' }).first().click()
  await expect(page.getByRole('alert')).toContainText('stays off until step')
})

test('undo and redo give a change back', async ({ page }) => {
  await newJob(page, 'Second Thoughts')
  await enter(page, 'Site elevation', '300 ft', 'Read')
  await expect(page.getByRole('button', { name: /^Site elevation 91/ })).toBeVisible()
  await page.getByRole('button', { name: /^Site elevation/ }).focus()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('button', { name: /^Site elevation \?/ })).toBeVisible()
  await page.keyboard.press('Control+Shift+z')
  await expect(page.getByRole('button', { name: /^Site elevation 91/ })).toBeVisible()
})

test('a change taken back while it is being saved stays taken back, through a reload', async ({
  page,
}) => {
  await newJob(page, 'Second Thoughts')
  await goTo(page, 'gas')
  await page.waitForLoadState('networkidle')
  // The server takes the change; its answer never comes.
  let reached: () => void
  const taken = new Promise<void>((done) => {
    reached = done
  })
  let held = false
  await page.route('**/draft', async (route) => {
    if (held) return route.continue()
    held = true
    await route.fetch()
    reached()
  })
  await page
    .getByRole('button', { name: 'Another from the meter' })
    .or(page.getByRole('button', { name: 'Begin at the meter' }))
    .click()
  await page.keyboard.press('Escape')
  await taken
  await page.keyboard.press('ControlOrMeta+Z')
  await expect(page.getByText('Nothing is drawn yet.')).toBeVisible()
  await page.reload()
  await expect(page.getByText('Nothing is drawn yet.')).toBeVisible()
  await expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeVisible()
  await page.reload()
  await expect(page.getByText('Nothing is drawn yet.')).toBeVisible()
})

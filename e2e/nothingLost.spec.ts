import type { Page } from '@playwright/test'
import { expect } from '@playwright/test'
import { test } from './test'
import { goTo, newJob, saved, workAs } from './site'

const address = (page: Page) => page.getByRole('textbox', { name: 'Address' })
const notes = (page: Page) => page.getByRole('textbox', { name: /notes/i })
const type = async (field: ReturnType<typeof address>, text: string) => {
  await field.fill(text)
  await field.blur()
}

test('a temperature below freezing is a stop with a sentence, and every page of the job still opens', async ({
  page,
}) => {
  await newJob(page, 'Ice House')
  await goTo(page, 'readings')
  await page.getByRole('button', { name: /^Incoming water/ }).click()
  const dialog = page.getByRole('dialog', { name: 'Incoming water' })
  await dialog.getByRole('textbox').first().fill('-10 C')
  await dialog.getByText('Measured', { exact: true }).click()
  await dialog.getByRole('button', { name: 'Use it' }).click()
  await dialog.getByRole('button', { name: 'Yes, keep it' }).click()
  await dialog.getByRole('button', { name: 'Use it' }).click()
  await expect(
    page
      .getByText(/it is ice: it freezes at/)
      .filter({ visible: true })
      .first(),
  ).toBeVisible()
  for (const sheet of ['site', 'plates', 'heat', 'safety', 'water', 'tightness', 'handover']) {
    await goTo(page, sheet)
    await expect(page.getByText('cannot be shown')).toHaveCount(0)
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ice House')
  }
})

test('a sheet that breaks says so, leaves the others usable, keeps what was typed, and comes back', async ({
  page,
}) => {
  await newJob(page, 'Broken Sheet House')
  await type(address(page), '5 Fault Lane')
  await saved(page)
  // What a mistake in one sheet would do: only the page of the readings breaks.
  await page.addInitScript(() => {
    ;(window as unknown as { breaks: boolean }).breaks = true
    const toFixed = Number.prototype.toFixed
    Number.prototype.toFixed = function (digits?: number) {
      const broken = (window as unknown as { breaks: boolean }).breaks
      if (broken && location.pathname.endsWith('/readings')) throw new Error('made to break')
      return toFixed.call(this, digits)
    }
  })
  await page.reload()
  await page
    .getByRole('link', { name: /Readings/ })
    .first()
    .click()
  await expect(page.getByRole('alert').filter({ hasText: 'cannot be shown' })).toBeVisible()
  await expect(page.getByText('What you typed is kept')).toBeVisible()
  await page.getByRole('link', { name: /Site/ }).first().click()
  await expect(address(page)).toHaveValue('5 Fault Lane')
  await page
    .getByRole('link', { name: /Readings/ })
    .first()
    .click()
  // Mended before it was drawn, it would not have broken again.
  await expect(page.getByRole('alert').filter({ hasText: 'cannot be shown' })).toBeVisible()
  await page.evaluate(() => {
    ;(window as unknown as { breaks: boolean }).breaks = false
  })
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByRole('button', { name: /^Incoming water/ })).toBeVisible()
})

test('two tabs of one job share one draft: closed without a server, nothing of either is lost', async ({
  page,
  context,
}) => {
  await newJob(page, 'Two Tabs House')
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(address(other)).toBeVisible()
  await context.route('**/draft', (route) => route.abort())
  await type(address(page), '1 First Tab')
  await expect(address(other)).toHaveValue('1 First Tab')
  await type(notes(other), 'from the second tab')
  await expect(notes(page)).toHaveValue('from the second tab')
  const url = page.url()
  await page.close()
  await other.close()
  const again = await context.newPage()
  await again.goto(url)
  await expect(address(again)).toHaveValue('1 First Tab')
  await expect(notes(again)).toHaveValue('from the second tab')
  await context.unroute('**/draft')
  await saved(again)
})

test('what something else answers is said by name, put aside, tried again, and dropped only on purpose', async ({
  page,
}) => {
  test.setTimeout(240_000)
  await newJob(page, 'Proxy House')
  await workAs(page, 'Isla Penhallick')
  await page.route('**/records', (route) => route.fulfill({ status: 401, body: 'sign in' }))
  await goTo(page, 'walk')
  await page.getByRole('button', { name: 'Live', exact: true }).click()
  await page.getByRole('button', { name: 'On', exact: true }).click()
  const notSent = page.getByRole('alert').filter({ hasText: 'Not sent' })
  await expect(notSent).toContainText('asks for a sign-in', { timeout: 40_000 })
  await expect(notSent).toContainText(/Seen: /)
  await notSent.getByRole('button', { name: 'Put aside' }).click()
  await expect(page.getByText('One record is put aside')).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Show' }).click()
  await page.unroute('**/records')
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByText('put aside')).toHaveCount(0)
})

test('a job goes out with its photographs and its number is changed where it is taken, and that is said', async ({
  page,
}) => {
  await page.goto('/jobs/juniper-ridge/handover')
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: /with its photographs, ZIP/ }).click()
  expect((await download).suggestedFilename()).toBe('hestian-job-0423.zip')
  const file = (await (await page.request.get('/api/jobs/juniper-ridge/export')).json()) as object
  await page.goto('/')
  await page.locator('input[type=file]').setInputFiles({
    name: 'copy.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...file, id: 'juniper-again' })),
  })
  await expect(page.getByText(/It is here as job \d+: its own number was taken/)).toBeVisible()
  await page.getByRole('link', { name: 'Open it' }).click()
  await goTo(page, 'handover')
  await expect(page.getByText(/came in from a file/)).toBeVisible()
})

import { expect } from '@playwright/test'
import { test } from './test'
import { textOfPdf } from './pdf'
import { saved, workAs } from './site'

test.use({ viewport: { width: 390, height: 844 } })

test('pipes held with water by a live logger and the clock, over a reload; what waited for it may go on', async ({
  page,
}) => {
  const copied = await page.request.post('/api/jobs/juniper-ridge/duplicate', {
    data: { id: 'live-water', name: 'Ridge, pipes held', by: 'maren-oduya' },
  })
  expect(copied.status()).toBe(201)
  await page.goto('/jobs/live-water/by-hand')
  await workAs(page, 'Maren Oduya')
  const button = (name: string | RegExp) => page.getByRole('button', { name }).first()
  const field = (name: RegExp) => page.getByRole('textbox', { name })

  // The wall waits for the test, and is named by whoever works here.
  await button('Add a hold point').click()
  await button('Hold it').click()
  await expect(page.getByText('Say what waits')).toBeVisible()
  await page.getByRole('textbox', { name: 'Before' }).fill('the wall is boarded')
  await button('Hold it').click()
  await expect(page.getByText('Choose the test it waits for.')).toBeVisible()
  await page
    .getByRole('form', { name: 'Hold point' })
    .getByRole('button', { name: /choose/ })
    .click()
  await page.getByRole('option', { name: 'Metal pipes with water' }).click()
  await button('Hold it').click()
  const wall = page.getByRole('listitem').filter({ hasText: 'Before the wall is boarded' })
  await expect(wall).toContainText('not passed yet: wait')

  // Pumped, taken from the logger, and the clock set going; the phone is put away and comes back.
  await button('Read: Metal pipes with water').click()
  await field(/^Highest working pressure/).fill('45 psi')
  await button('Pump up').click()
  const take = page.getByRole('button', { name: /^Take 152\.\d psi, Water logger/ })
  await take.first().click()
  await expect(field(/^Gauge at the start/)).toHaveValue(/^152\.\d psi$/)
  await button('Start the clock').click()
  await saved(page)
  await page.reload()
  await button('Read: Metal pipes with water').click()
  await expect(page.getByRole('timer')).toBeVisible()
  await expect(page.getByText(/to go$/)).toBeVisible()
  await button('Stop and take it').click()
  await expect(field(/^Held for/)).toHaveValue(/^\d+ s$/)
  await take.nth(1).click()
  await expect(page.getByText(/is asked\.$/).first()).toBeVisible()

  // Its time is typed as it was: this journey has not a quarter of an hour.
  await field(/^Held for/).fill('20 min')
  for (const box of await page.getByRole('checkbox').all()) await box.check({ force: true })
  await button('Record it').click()
  await expect(wall).toContainText('passed: go on')
  await expect(page.getByText('Water logger, simulated')).toBeVisible()
  await saved(page)
  const certificate = await page
    .getByRole('link', { name: 'certificate (PDF)' })
    .first()
    .getAttribute('href')
  const certified = await textOfPdf(
    await (await page.request.get(certificate ?? '/nowhere')).body(),
  )
  for (const part of ['Metal pipes with water: passed', 'By the figures', '152.', 'gas ticket'])
    expect(certified).toContain(part)
  const paper = await page.request.get('/api/jobs/live-water/handover.pdf', {
    timeout: 120_000,
  })
  const text = await textOfPdf(await paper.body())
  for (const part of ['Before the wall is boarded', 'Water logger, simulated', 'Times are'])
    expect(text).toContain(part)
})

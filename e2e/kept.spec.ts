import { expect } from '@playwright/test'
import { test } from './test'
import { workAs } from './site'

test.use({ serviceWorkers: 'allow' })

test('a job once open opens again where no server answers, and says that it is a kept copy', async ({
  page,
  context,
}) => {
  await page.goto('/jobs/kestrel-weir/gas')
  await expect(page.getByRole('heading', { name: 'Kestrel Weir', exact: false })).toBeVisible()
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
  })
  // The worker answers for pages opened after it: this one, and the board.
  await page.reload()
  await expect(page.getByRole('navigation', { name: /Sheets of/ })).toBeVisible()
  await page.goto('/')
  await expect(page.getByRole('link', { name: /Kestrel Weir/ })).toBeVisible()
  await workAs(page, 'Maren Oduya')

  await context.setOffline(true)
  await page.goto('/')
  await expect(page.getByText('The server does not answer. This is the copy')).toBeVisible()
  await page.getByRole('link', { name: /Kestrel Weir/ }).click()
  await expect(page.getByRole('navigation', { name: /Sheets of/ })).toBeVisible()
  await expect(page.getByText('The server does not answer. This is the copy')).toBeVisible()
  // A change made here is kept and goes when the server is back.
  await page.goto('/jobs/kestrel-weir/water')
  await expect(page.getByRole('navigation', { name: /Sheets of/ })).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByText('The server does not answer. This is the copy')).toBeHidden({
    timeout: 30_000,
  })
})

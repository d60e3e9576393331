import { readFileSync } from 'node:fs'
import { expect } from '@playwright/test'
import { test } from './test'
import { choose, enter, goTo, newJob } from './site'

test('appliances are put on and off and the staircase follows; the usual ways of sizing stand beside it', async ({
  page,
}) => {
  await page.goto('/jobs/kestrel-weir/gas')
  const pipes = page.getByRole('treegrid', { name: 'Pipes' })
  const row = pipes.getByRole('row', { name: /B to boiler/ })
  await expect(row).toContainText('20.44')
  await expect(page.getByText(/The test aims at/)).toBeVisible()
  await page.getByRole('button', { name: 'System boiler', exact: true }).click()
  await expect(row).not.toContainText('20.44')
  await expect(page.getByText(/Part load/)).toBeVisible()
  // By key as well, and nothing of it is stored.
  await page.getByRole('button', { name: 'System boiler', exact: true }).press('Space')
  await expect(row).toContainText('20.44')
  await page.reload()
  await expect(row).toContainText('20.44')
  await page.goto('/jobs/juniper-ridge/gas')
  await expect(page.getByText(/(cheaper|dearer|as dear)\b.* by the longest length/)).toBeVisible()
  const methods = page.getByRole('table', { name: 'Sizes by method' })
  await expect(methods.getByText('Second regulator to A')).toBeVisible()
})

test('pipes are pasted from a spreadsheet: wrong rows get sentences and lose nothing, right ones can be undone', async ({
  page,
}) => {
  await newJob(page, 'Pasted Pipes')
  await goTo(page, 'plates')
  await choose(page, 'Add an appliance', 'Boiler')
  await enter(page, 'Heat input (gross)', '24 kW', 'Read')
  await goTo(page, 'gas')
  await page.getByRole('button', { name: 'Paste or read a table' }).click()
  const dialog = page.getByRole('dialog', { name: 'Pipes from a table' })
  const rows = dialog.getByRole('textbox', { name: 'Paste the rows here' })
  await rows.fill(
    'Pipe\tFrom\tLength\tSize\tEnds at\nMain\tmeter\t6,5 m\t27 mm\t\nTail\tnowhere\t8 ft\t\tBoiler',
  )
  await expect(dialog.getByRole('alert')).toContainText('27 mm is not a size')
  await expect(dialog.getByRole('alert')).toContainText('leaves from “nowhere”')
  await expect(dialog.getByRole('button', { name: 'Use these pipes' })).toBeDisabled()
  await rows.fill(
    'Pipe\tFrom\tLength\tSize\tEnds at\nMain\tmeter\t6,5 m\t\t\nTail\tMain\t8 ft\t\tBoiler',
  )
  await expect(dialog.getByRole('status')).toContainText('2 pipes understood')
  await dialog.getByRole('button', { name: 'Use these pipes' }).click()
  await expect(page.getByRole('heading', { level: 2 })).toContainText(/to the boiler; .* allowed/)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as CSV' }).click(),
  ])
  expect(readFileSync(await download.path(), 'utf8').split(/\r?\n/)[1]).toMatch(
    /^Main,meter,6\.50\sm,0,0,/,
  )
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('heading', { level: 2 })).toContainText('waits for')
})

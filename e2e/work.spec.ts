import { readFileSync } from 'node:fs'
import { expect } from '@playwright/test'
import { test } from './test'
import { textOfPdf } from './pdf'
import { check, choose, doSteps, enter, goTo, saved, say, tickAll, workAs } from './site'

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } })

  test('a weeping relief is exchanged: a dozen answers, the list, one page', async ({ page }) => {
    test.setTimeout(240_000)
    await page.goto('/')
    await workAs(page, 'Maren Oduya')
    await page.getByRole('button', { name: 'New job' }).click()
    await page.getByRole('textbox', { name: 'Name of the job' }).fill('Pump Cottage')
    await page.getByRole('textbox', { name: 'Address' }).fill('2 Well Lane')
    await page.getByRole('button', { name: 'Begin', exact: true }).click()

    // Without the part it is not taken, and says so.
    await say(page, 'One safety part exchanged')
    await expect(page.getByText('Say which safety part is exchanged.')).toBeVisible()
    await choose(page, 'Which safety part', 'Safety valve at a boiler')
    await page.getByRole('button', { name: 'This is the work' }).click()
    await expect(page).toHaveURL(/\/exchange$/)
    await expect(page.getByRole('heading', { level: 2 })).toContainText('The match waits for 11')

    // The plate first: the new valve equals the old one, and both are wrong for it.
    await enter(page, 'Maximum working pressure', '2.5 bar', 'Read')
    await enter(page, 'Heat input', '24 kW', 'Read')
    await enter(page, 'Stands below the valve by', '0.4 m')
    const tags = page.getByRole('button', { name: /^Set pressure/ })
    for (const at of [0, 1]) {
      await tags.nth(at).click()
      await page.getByRole('dialog').getByRole('textbox').first().fill('3 bar')
      await page.getByRole('dialog').getByRole('button', { name: 'Use it' }).click()
      await expect(page.getByRole('dialog')).toBeHidden()
    }
    await expect(
      page.getByRole('heading', { name: /is set to 3\.00? bar; Boiler stands 2\.4/ }),
    ).toBeVisible()
    await expect(
      page.getByText(/The old one was the same: it was wrong too/).locator('visible=true'),
    ).toBeVisible()
    await enter(page, 'Maximum working pressure', '3.5 bar', 'Read')
    await expect(page.getByText(/The old one was the same/)).toHaveCount(0)

    await page.reload()
    const capacities = page.getByRole('button', { name: /^Capacity/ })
    for (const at of [0, 1]) {
      await capacities.nth(at).click()
      await page.getByRole('dialog').getByRole('textbox').first().fill('50 kW')
      await page.getByRole('dialog').getByRole('button', { name: 'Use it' }).click()
      await expect(page.getByRole('dialog')).toBeHidden()
    }
    await choose(page, 'Connection', 'Same size and thread')
    await choose(page, 'Between New safety valve and Boiler', 'Nothing')
    await choose(page, 'Discharge ends in sight and scalds nobody', 'Yes')
    await choose(page, 'let water out because', 'Its seat is old or has grit under it')
    await expect(page.getByRole('heading', { level: 2 })).toContainText('fits Boiler')
    await check(page)
    await goTo(page, 'work')
    await check(page)

    // What is not called for says why; the rest is ticked with its readings.
    await goTo(page, 'list')
    await page.getByRole('button', { name: 'Not called for here' }).click()
    await page.getByRole('textbox', { name: /because/ }).fill('built after 2005, nothing there')
    await page.getByRole('button', { name: 'Record why' }).click()
    await expect(page.getByText('Not called for: built after 2005')).toBeVisible()
    await tickAll(page, '', '')
    await check(page)

    // Off, cooled, let down, out, in, and back in the reverse order.
    await goTo(page, 'steps')
    const readings = {
      'Hottest part': '31 C',
      'Gauge after letting down': '0 bar',
      'Cold, gauge': '1.2 bar',
      'Hot, gauge': '1.9 bar',
    }
    await doSteps(page, { readings, until: /^Fit the new/ })
    await expect(page.getByText('3 things are off on site')).toBeVisible()
    await doSteps(page, { readings })
    await expect(page.getByText('Nothing is off on site')).toBeVisible()
    await check(page)

    await goTo(page, 'handover')
    await expect(page.getByRole('heading', { level: 2 })).toContainText('Nothing is missing')
    await page.getByRole('textbox', { name: /Type your name/ }).fill('Maren Oduya')
    await page.getByRole('button', { name: 'Sign and freeze' }).click()
    await expect(page.getByRole('heading', { level: 2 })).toContainText('signed and frozen')
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Work record on one page, PDF' }).click(),
    ])
    const text = await textOfPdf(readFileSync(await download.path()))
    for (const part of [
      'Pump Cottage',
      'One safety part exchanged',
      'at most 3.46 bar',
      'Its seat is old',
      'not called for: built after 2005',
      'Hot pressure',
      '1.90 bar, within its limit',
      'Maren Oduya',
    ])
      expect(text).toContain(part)
    await saved(page)
  })
})

test('something unsafe is recorded from any sheet, printed, on the board, and put right by name', async ({
  page,
}) => {
  await page.goto('/jobs/saltbush-ferry/plates')
  await workAs(page, 'Tobias')
  await page.getByRole('button', { name: 'Unsafe situation' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: 'Record it' }).click()
  await expect(dialog.getByText('Say what is unsafe.')).toBeVisible()
  await dialog
    .getByRole('textbox', { name: 'What is unsafe, and where' })
    .fill('Flue apart at the wall')
  await choose(page, 'How bad', 'Immediately unsafe')
  await dialog.getByRole('textbox', { name: 'What was done about it' }).fill('Isolated, sealed')
  await choose(page, 'Label: Defect notice', 'Hung')
  await choose(page, 'Notice', 'Given, signature refused')
  await dialog.getByRole('button', { name: 'Record it' }).click()
  await expect(dialog.getByText('Immediately unsafe: Flue apart at the wall')).toBeVisible()
  const paper = dialog.getByRole('link', { name: 'Paper, PDF' })
  await expect(paper).toBeVisible()
  await expect
    .poll(async () => (await page.request.get((await paper.getAttribute('href')) ?? '')).status())
    .toBe(200)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Unsafe: 1 open' })).toBeVisible()
  await page.goto('/')
  await expect(page.getByText('1 unsafe')).toBeVisible()
  await page.goto('/jobs/saltbush-ferry/gas')
  await page.getByRole('button', { name: 'Unsafe: 1 open' }).click()
  await page.getByRole('textbox', { name: 'Put right by' }).fill('Flue renewed, draught tried')
  await page.getByRole('button', { name: 'It is safe again' }).click()
  await expect(page.getByText('Put right: Flue renewed, draught tried')).toBeVisible()
})

test('a leak is made safe at once, on the strip until the gas is back, and mended apart from it', async ({
  page,
}) => {
  await page.goto('/')
  await workAs(page, 'Maren Oduya')
  await page.getByRole('button', { name: 'New job' }).click()
  await page.getByRole('textbox', { name: 'Name of the job' }).fill('Mill Flat 3')
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  await say(page, 'Gas leak found, made safe and retested')
  await expect(page).toHaveURL(/\/list$/)
  await page.getByRole('textbox', { name: 'Where it leaked' }).fill('Union at the cooker')
  await choose(page, 'How it was made safe', 'Disconnected and capped')
  await page.getByRole('textbox', { name: 'What is without gas now' }).fill('Cooker')
  await page.getByRole('button', { name: 'Record it made safe' }).click()
  await expect(page.getByText('1 thing is off on site')).toBeVisible()
  await expect(page.getByText(/Made safe and not mended/).first()).toBeVisible()
  await tickAll(page, '', 'union renewed, 20.0 to 20.0 mbar in 2 min')
  await expect(page.getByText(/Made safe and not mended/)).toHaveCount(0)
  await goTo(page, 'handover')
  await expect(page.getByText('Gas: Cooker is still disconnected and capped')).toBeVisible()
})

test('an older job is asked once what the work is, with what is filled as the guess', async ({
  page,
}) => {
  const exported = await page.request.get('/api/jobs/saltbush-ferry/export')
  const file = (await exported.json()) as { document: { work: object } }
  const older = {
    ...file,
    id: 'older-job',
    document: { ...file.document, work: { kinds: [], exchange: null } },
  }
  await page.request.post('/api/import', { data: older })
  await page.goto('/jobs/older-job/work')
  await workAs(page, 'Maren Oduya')
  await expect(page.getByRole('checkbox', { name: 'Storage water heater exchanged' })).toBeChecked()
  await page.getByRole('button', { name: 'This is the work' }).click()
  await goTo(page, 'gas')
  await expect(page.getByRole('heading', { level: 2 })).toContainText('to the')
})

test('a long sheet has its parts in a line, with what is wrong in each, and jumps there by keyboard', async ({
  page,
}) => {
  await page.goto('/jobs/juniper-ridge/heat')
  const line = page.getByRole('navigation', { name: 'Parts of this sheet' })
  await expect(line.getByRole('link', { name: /Side by side/ })).toBeVisible()
  await line.getByRole('link', { name: /Setting the output/ }).press('Enter')
  const head = page.getByRole('heading', { name: /Setting the output/ })
  await expect(head).toBeInViewport()
  await expect(head).toBeFocused()
  await page.goto('/jobs/juniper-ridge/relief')
  await expect(line.getByLabel('stop').first()).toBeVisible()
  // A short sheet needs none.
  await page.goto('/jobs/thornfield-scout-hut/gas')
  await expect(page.getByRole('main')).toBeVisible()
  await expect(line).toBeHidden()
})

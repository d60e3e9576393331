import { expect, type Page } from '@playwright/test'
import { test } from './test'
import { choose, enter, goTo, newJob, saved } from './site'

const rowOf = (page: Page, name: string | RegExp) =>
  page.getByRole('treegrid', { name: 'Pipes' }).getByRole('row', { name })

test('gas pipes are drawn with the keyboard alone: next, branch, name, length, and a way out by Tab', async ({
  page,
}) => {
  await newJob(page, 'Keyboard Pipes')
  await goTo(page, 'plates')
  for (const kind of ['Boiler', 'Cooktop']) await choose(page, 'Add an appliance', kind)
  await saved(page)
  await goTo(page, 'gas')
  await page.getByRole('button', { name: 'Begin at the meter' }).focus()
  await page.keyboard.press('Enter')
  // The new pipe is named, then measured; what cannot be a length gets its sentence and stays.
  await page.keyboard.type('Meter to tee')
  await page.keyboard.press('Enter')
  await page.keyboard.type('long')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText(/“long”|number/)
  await page.keyboard.press('ControlOrMeta+A')
  await page.keyboard.type('6,5 m')
  await page.keyboard.press('Enter')
  await expect(rowOf(page, /^Meter to tee 6\.5/)).toBeFocused()
  await page.keyboard.press('Enter')
  await page.keyboard.type('Tee to boiler')
  await page.keyboard.press('Enter')
  await page.keyboard.type('12 ft')
  await page.keyboard.press('Enter')
  await expect(rowOf(page, /^Tee to boiler 3\.66|^Tee to boiler 3\.7/)).toBeFocused()
  // Tab branches beside: it leaves from the same tee.
  await page.keyboard.press('Tab')
  await page.keyboard.type('Tee to range')
  await page.keyboard.press('Enter')
  await page.keyboard.type('4')
  await page.keyboard.press('Enter')
  await expect(rowOf(page, /^Tee to range 4/)).toBeFocused()
  await page.keyboard.press('ArrowLeft')
  await expect(rowOf(page, /^Meter to tee/)).toBeFocused()
  await page.keyboard.press('ArrowDown')
  // A letter names, a figure measures, Delete takes out and undo brings back.
  await page.keyboard.press('Delete')
  await expect(page.getByRole('treegrid').getByRole('row')).toHaveCount(3)
  await page.keyboard.press('ControlOrMeta+Z')
  await expect(page.getByRole('treegrid').getByRole('row')).toHaveCount(4)
  // Escape makes the list one stop again: Tab leaves it.
  await rowOf(page, /^Meter to tee/).focus()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Tab')
  await expect(
    page
      .getByRole('treegrid')
      .getByRole('row')
      .filter({ has: page.locator(':focus') }),
  ).toHaveCount(0)
  await page.reload()
  await expect(rowOf(page, /^Tee to range 4/)).toBeVisible()
})

test('two stages of gas: a line regulator is set, its vent asked after, prices change what is chosen', async ({
  page,
}) => {
  await page.goto('/jobs/juniper-ridge/gas')
  await expect(page.getByRole('heading', { level: 2 })).toContainText('allowed')
  await rowOf(page, /^Second regulator to A/).click()
  await choose(page, 'A regulator at the far end', 'A line regulator')
  await expect(page.getByRole('heading', { level: 2 })).toContainText('waits for')
  await enter(page, 'The regulator is set to', '9.5 in wc', 'Read')
  await expect(
    page.getByLabel('Margin notes').getByText(/where its vent goes is not settled/),
  ).toBeVisible()
  await expect(page.getByLabel('Margin notes').getByText(/rises to about/)).toBeVisible()
  await choose(page, 'Vent of the regulator', 'Through a limiter')
  await expect(
    page.getByLabel('Margin notes').getByText(/where its vent goes is not settled/),
  ).toBeHidden()
  await expect(page.getByText('after the regulator').first()).toBeVisible()
  await choose(page, 'A regulator at the far end', 'None')
  await expect(page.getByText('after the regulator').first()).toBeHidden()
  const cost = page.getByText(/in all, by this list/)
  const before = await cost.textContent()
  const price = page
    .getByRole('textbox', { name: /^Price of a foot of Steel, schedule 40/ })
    .first()
  await price.fill('999999')
  await price.press('Enter')
  await expect(page.getByText('A price from 0 to 3048.')).toBeVisible()
  await price.fill('25,5')
  await price.press('Enter')
  await expect(cost).not.toHaveText(before ?? '')
  await page.getByRole('button', { name: 'generic again' }).first().click()
  await expect(cost).toHaveText(before ?? '')
})

test('a water feed is pasted, opened, sent round and filled, on a phone too', async ({ page }) => {
  await page.goto('/jobs/saltbush-ferry/water')
  await expect(page.getByRole('heading', { level: 2 })).toContainText('Begin at the main')
  await page.getByRole('button', { name: 'Paste or read a table' }).click()
  const box = page.getByRole('textbox', { name: 'Paste the rows here' })
  await box.fill(
    'Pipe\tFrom\tLength\tRise\tEnds at\nMain\tmain\t8 m\t\t\nTo store\tMain\t2\t0,4 m\theater\nHot\tTo store\t4 m\t\tsauna\n',
  )
  await expect(page.getByRole('alert')).toContainText(/ends at “sauna”\. Accepted: Flat shower/)
  await box.fill(
    'Pipe\tFrom\tLength\tRise\tEnds at\nMain\tmain\t8 m\t\t\nTo store\tMain\t2\t0,4 m\theater\nHot\tTo store\t9 m\t3 m\t\nHot shower\tHot\t2 m\t\tFlat shower\nHot basin\tHot\t14 m\t\tFlat basin\nHot sink\tTo store\t5 m\t\tKiosk sink\nCold shower\tMain\t12 m\t3.4 m\tFlat shower\n',
  )
  await page.getByRole('button', { name: 'Use these pipes' }).click()
  const answer = page.getByRole('heading', { level: 2 })
  await expect(answer).toContainText(/left at .*wanted/)
  await expect(rowOf(page, /^Hot basin 14/)).toBeVisible()

  // Everything open: the main cannot give it all, and the page says what each really gives.
  for (const name of ['Flat shower', 'Flat basin', 'Kiosk sink'])
    await page.getByRole('button', { name, exact: true }).click()
  await expect(page.getByText(/L\/min of the .* wanted/)).toBeVisible()
  await page.getByRole('button', { name: 'Shut them' }).click()

  // A drawing and a list: what is picked in one is picked in the other.
  await page.getByRole('button', { name: /^Hot basin, hot/ }).press('Enter')
  await expect(rowOf(page, /^Hot basin/)).toHaveAttribute('aria-selected', 'true')

  // What branches off is folded away; whoever picks it in the drawing or comes by a link sees it.
  await page.getByRole('button', { name: 'fold branches' }).click()
  await expect(rowOf(page, /^Hot basin/)).toHaveCount(0)
  await expect(rowOf(page, /^Hot 1 folded/)).toHaveAttribute('aria-expanded', 'false')
  await page.getByRole('button', { name: /^Hot basin, hot/ }).press('Enter')
  await expect(rowOf(page, /^Hot basin/)).toBeVisible()
  await expect(rowOf(page, /^Hot sink/)).toHaveCount(0)
  const place = await page.locator('[data-row][hidden]').first().getAttribute('id')
  await page.evaluate((id) => (location.hash = `#${id}`), place)
  await expect(page.locator(`[id="${place}"][role=row]`)).toBeVisible()
  const wait = page.getByRole('table', { name: 'At the outlets' })
  await expect(wait).toContainText(/Flat basin/)

  await page.getByRole('button', { name: 'Draw a secondary return' }).click()
  await page.getByRole('button', { name: /^Length of Return from/ }).click()
  await page.getByRole('dialog').getByRole('textbox').first().fill('11 m')
  await page.getByRole('dialog').getByRole('button', { name: 'Use it' }).click()
  await expect(page.getByText(/The pump goes round with/)).toBeVisible()
  await expect(
    page.getByLabel('Margin notes').getByText(/What lagging the secondary return gets/),
  ).toBeVisible()
  await enter(page, 'Lagging, thickness', '19 mm', 'Read')
  await expect(
    page.getByLabel('Margin notes').getByText(/What lagging the secondary return gets/),
  ).toBeHidden()

  // The working of the loop's flow opens, the drawing and the table save, and it is all there after
  // a reload on a phone.
  await page
    .getByRole('button', { name: /L\/min/ })
    .filter({ hasText: /^[\d.]+\sL\/min$/ })
    .first()
    .click()
  await expect(page.getByText('q = heat lost / (density · c · drop)').first()).toBeVisible()
  const [table] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as CSV' }).click(),
  ])
  expect(table.suggestedFilename()).toBe('water-pipes.csv')
  const [drawing] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the drawing' }).click(),
  ])
  expect(drawing.suggestedFilename()).toBe('water-feed.svg')
  await saved(page)
  await page.setViewportSize({ width: 390, height: 844 })
  await page.reload()
  await expect(answer).toContainText(/left at .*wanted/)
  await rowOf(page, /^Cold shower/).click()
  await enter(page, 'Far end higher by', '-2 m')
  await expect(page.getByRole('button', { name: /^Far end higher by −2/ })).toBeVisible()
  await page.getByRole('button', { name: 'Remove this pipe' }).click()
  await expect(rowOf(page, /^Cold shower/)).toHaveCount(0)
})

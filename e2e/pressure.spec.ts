import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { Page } from '@playwright/test'
import { expect } from '@playwright/test'
import { test } from './test'
import { choose, enter, goTo, look, newJob, saved, workAs } from './site'

const here = fileURLToPath(new URL('.', import.meta.url))

/**
 * Brings a demo job in again under another id and name, so that what is changed here is nobody
 * else's.
 */
async function copyOf(page: Page, job: string, as: string): Promise<void> {
  const file = JSON.parse(readFileSync(join(here, '../demo/jobs', `${job}.json`), 'utf8')) as {
    document: { site: { name: string } }
  }
  await page.goto('/')
  await workAs(page, 'Maren Oduya')
  await page.locator('input[type=file]').setInputFiles({
    name: 'job.json',
    mimeType: 'application/json',
    buffer: Buffer.from(
      JSON.stringify({
        ...file,
        id: as,
        document: { ...file.document, site: { ...file.document.site, name: as } },
      }),
    ),
  })
  // Its number is taken here, so it has a new one, which is said first.
  await page.getByRole('link', { name: 'Open it' }).click()
  await expect(page).toHaveURL(new RegExp(`/jobs/${as}/site$`))
}

test('a discharge that is wrong is put right fault by fault, and a new one is run for the other valve', async ({
  page,
}) => {
  await copyOf(page, 'juniper-ridge', 'wrong-discharge')
  await goTo(page, 'relief')
  const heading = page.getByRole('heading', { level: 2 })
  await expect(heading).toContainText(/\d+ things to put right/)
  const notes = page.getByLabel('Margin notes')
  await expect(notes.getByText(/a piece runs uphill/)).toBeVisible()
  await expect(notes.getByText(/PVC does not stand/).first()).toBeVisible()
  // Each remedy is one press; the drawing and the count follow.
  for (let i = 0; i < 14; i++) {
    const remedy = notes
      .getByRole('button', {
        name: /^(run it full size|let it fall|use copper|cut the thread off|bring the end down)$/,
      })
      .first()
    if (!(await remedy.isVisible())) break
    const before = await notes.textContent()
    await remedy.click()
    await expect(notes).not.toHaveText(before ?? '')
  }
  await expect(notes.getByText(/narrowed|uphill|sags|thread|does not stand/)).toHaveCount(0)
  await saved(page)
  await page.reload()
  await expect(notes.getByText(/narrowed|uphill|sags|thread|does not stand/)).toHaveCount(0)
  // A piece is picked in the drawing and stands out in its table too.
  await page
    .getByRole('group', { name: /^Discharge pipe from the side/ })
    .first()
    .getByRole('button', { name: /runs down/ })
    .first()
    .press('Enter')
  await expect(page.getByRole('button', { name: /Pipe$/, pressed: true })).toHaveCount(1)
  // A valve somebody put in: stopped, and out again by undo.
  await page.getByRole('button', { name: 'Add a valve that is there' }).first().click()
  await expect(notes.getByText(/a valve in the discharge pipe/)).toBeVisible()
  await expect(page.getByRole('link', { name: /Stop$/ })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(notes.getByText(/a valve in the discharge pipe/)).toBeHidden()
})

test('a rung is moved by pointer and by key, and everything follows; a fault is tried on the curve', async ({
  page,
}) => {
  await copyOf(page, 'kestrel-weir', 'moved-rungs')
  await goTo(page, 'vessel')
  const heading = page.getByRole('heading', { level: 2 })
  await expect(heading).toContainText('filled to 1.30 bar')
  const fill = page.getByRole('slider', { name: /^cold fill/ })
  await fill.focus()
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('ArrowUp')
  await expect(heading).toContainText('filled to 1.40 bar')
  await expect(page.getByRole('button', { name: /^Cold fill set by hand 1\.40/ })).toBeVisible()
  // By pointer: while it is held the answer follows; let go, it is stored; a relief only stands at
  // settings that are sold.
  const relief = page.getByRole('slider', { name: /^relief lifts/ })
  const box = await relief.boundingBox()
  if (!box) throw new Error('no relief rung')
  // By its grip, which ends where the rung's box does; the label may stand higher.
  const [x, y] = [box.x + 60, box.y + box.height - 8]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x, y + 20)
  await page.mouse.move(x, y + 54)
  await expect(page.getByRole('slider', { name: /^relief lifts 2\.50/ })).toBeVisible()
  await page.mouse.up()
  await expect(
    page.getByRole('button', { name: /^Safety valve, set pressure 2\.50/ }),
  ).toBeVisible()
  await expect(heading).not.toContainText('18 L')
  await page.keyboard.press('Control+z')
  await expect(
    page.getByRole('button', { name: /^Safety valve, set pressure 3\.00/ }),
  ).toBeVisible()
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(heading).toContainText('filled to 1.30 bar')
  await saved(page)
  // What if: the vessel is shut off, and the relief opens; three heatings say how much it lets out.
  const curve = page.getByRole('region', { name: 'Pressure against temperature' })
  await expect(curve.getByText('The relief stays dry.')).toBeVisible({ timeout: 20_000 })
  await curve.getByText('Vessel shut off').click()
  await expect(curve.getByText(/safety valve opens at/)).toBeVisible()
  await expect(curve.getByText(/The relief opens/)).toBeVisible({ timeout: 20_000 })
  await curve.getByRole('button', { name: 'Back to the design' }).click()
  await curve.getByRole('slider', { name: 'Charge lost' }).focus()
  for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowRight')
  await expect(curve.locator('p[role=status]').first()).toContainText(/Hot, 2\.7\d/)
})

test('a store is protected from nothing, on a phone, with wrong figures on the way', async ({
  page,
}) => {
  test.setTimeout(240_000)
  await page.setViewportSize({ width: 390, height: 844 })
  await newJob(page, 'Sorrel Mill')
  await goTo(page, 'plates')
  await choose(page, 'Add an appliance', 'Boiler')
  await choose(page, 'Add an appliance', 'Indirect cylinder')
  const cylinder = page.locator('section', {
    has: page.getByRole('textbox', { name: 'Name of appliance 2' }),
  })
  await enter(page, 'Water content', '180 L', 'Read', cylinder)
  await enter(page, 'Maximum working pressure', '6 bar', 'Read', cylinder)
  await goTo(page, 'readings')
  await enter(page, 'Cold main, static', '4,4 bar')
  await enter(page, 'Incoming water', '8 C')
  await look(page, 'Check valve on the main', 'Yes')
  await goTo(page, 'safety')
  const heading = page.getByRole('heading', { level: 2 })
  // Nobody has entered a reducing valve, and none is invented: the main reaches the store as it is.
  await expect(heading).toContainText(/vessel on the cold feed, charged to 4\.40\sbar/)
  // The usual relief of the practice is above what this store stands: stopped, with the fix at
  // hand.
  await expect(page.getByText(/is above what the Indirect cylinder stands/).first()).toBeVisible()
  const row = page.getByRole('button', {
    name: /^Temperature and pressure relief valve, set pressure/,
  })
  await row.click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('textbox').first().fill('six')
  await expect(dialog.getByText(/Understood/)).toBeHidden()
  await dialog.getByRole('button', { name: 'Use it' }).click()
  await expect(dialog).toBeVisible()
  await dialog.getByRole('textbox').first().fill('6 bar')
  await dialog.getByText('Read', { exact: true }).click()
  await dialog.getByRole('button', { name: 'Use it' }).click()
  await enter(page, 'Expansion safety valve, set pressure', '500 kPa', 'Read')
  await enter(page, 'and opens at', '95 C', 'Read')
  await page.getByRole('button', { name: 'Begin with the usual order' }).click()
  await page.getByRole('button', { name: 'Check valve: nearer the main' }).click()
  await page.getByRole('button', { name: 'Check valve: nearer the main' }).click()
  await expect(
    page.getByText(/Pressure reducing valve comes after Check valve/).first(),
  ).toBeVisible()
  await page.getByRole('button', { name: 'put it in its place' }).first().click()
  await expect(page.getByText(/Pressure reducing valve comes after Check valve/)).toHaveCount(0)
  await choose(page, 'Cut-out of the store', 'resets itself')
  await expect(page.getByText('The cut-out resets itself.').first()).toBeVisible()
  await choose(page, 'Cut-out of the store', 'reset by hand')
  await enter(page, 'Cut-out acts at', '85 C', 'Read')
  await choose(page, 'Immersion heater', 'none')
  await choose(page, 'Cold for mixers is taken', 'after the reducing valve')
  await enter(page, 'Pressure reducing valve set to', '3 bar', 'Read')
  await saved(page)
  await page.reload()
  await expect(heading).toContainText(/vessel on the cold feed, charged to 3\.00\sbar/)
  await expect(page.getByText(/is above what the Indirect cylinder stands/)).toHaveCount(0)
  await page.getByRole('button', { name: 'Check this sheet', exact: true }).click()
  await expect(page.getByText(/^Checked by/)).toBeVisible()
})

test('every computed number that offers its working opens it', async ({ page }) => {
  for (const sheet of ['circuit', 'vessel', 'safety', 'relief']) {
    await page.goto(`/jobs/kestrel-weir/${sheet}`)
    const numbers = page.getByTitle('Show the working')
    await expect(numbers.first()).toBeVisible()
    for (let i = 0, count = await numbers.count(); i < count; i++) {
      const says = (await numbers.nth(i).innerText()).trim()
      await numbers.nth(i).click()
      await expect(page.locator('li[data-wanted]'), `${sheet}: ${says}`).toBeFocused()
    }
  }
})

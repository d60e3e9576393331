import type { Locator, Page } from '@playwright/test'
import { expect } from '@playwright/test'
import { handsNow } from './hands'

/** Chooses who is working, as a person does at the top of the page. */
export async function workAs(page: Page, name: string): Promise<void> {
  const who = page.getByRole('button', { name: /Maren|Tobias|Isla|Rufus/ }).first()
  await expect(who).toBeVisible()
  if ((await who.innerText()).includes(name)) return
  await who.click()
  await page.getByRole('option', { name }).click()
  await expect(
    page.getByRole('button', { name: new RegExp(`^${escaped(name)}`) }).first(),
  ).toBeVisible()
}

/** Presses a ledger row, types a value as one says it, and uses it. */
export async function enter(
  page: Page,
  row: string,
  text: string,
  known: 'Measured' | 'Read' | 'Assumed' = 'Measured',
  within: Page | Locator = page,
): Promise<void> {
  await within.getByRole('button', { name: new RegExp(`^${escaped(row)}`) }).click()
  const dialog = page.getByRole('dialog', { name: row })
  await dialog.getByRole('textbox').first().fill(text)
  await dialog.getByText(known, { exact: true }).click()
  await dialog.getByRole('button', { name: 'Use it' }).click()
  await expect(dialog).toBeHidden()
}

export const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

/** Picks from a drop-down by its label. */
export async function choose(page: Page, label: string, option: string): Promise<void> {
  const opens = page.getByRole('button', { name: new RegExp(`${escaped(label)}$`) })
  const wanted = page.getByRole('option', { name: option, exact: true })
  // What was just chosen may be drawn anew while the list opens, and shuts it: one presses again,
  // as a person does.
  await expect(async () => {
    if (!(await wanted.isVisible())) await opens.click({ timeout: 4000 })
    await wanted.click({ timeout: 4000 })
  }).toPass({ timeout: 40_000 })
}

export const saved = (page: Page): Promise<void> =>
  expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeVisible()

export async function goTo(page: Page, sheet: string): Promise<void> {
  if (handsNow() === 'mouse') await page.goto(page.url().replace(/\/[a-z]+(#.*)?$/, `/${sheet}`))
  else await walkTo(page, sheet)
  await expect(page.getByRole('main')).toBeVisible()
  // The frame stands before its sheet is fetched.
  await expect(page.getByText('Fetching the sheet')).toHaveCount(0)
}

/** By the tabs of the stage one is at, or by the stage that has it. */
async function walkTo(page: Page, sheet: string): Promise<void> {
  const tab = page.locator(`nav[aria-label^="Sheets of"] a[href$="/${sheet}"]`).first()
  const stages = page.getByRole('navigation', { name: 'Stages' }).getByRole('link')
  await expect(stages.first()).toBeVisible()
  for (let i = 0; (await tab.count()) === 0 && i < (await stages.count()); i++) {
    await stages.nth(i).click()
    // The address is ahead of the page: what is pressed says when one is there.
    await expect(stages.nth(i)).toHaveAttribute('aria-current', /page|step/)
  }
  await tab.click()
  await expect(tab).toHaveAttribute('aria-current', 'page')
}

export async function check(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Check this sheet', exact: true }).click()
  await expect(page.getByText(/^Checked by/)).toBeVisible()
}

/** Says what the work is, by its names. */
export async function say(page: Page, ...kinds: string[]): Promise<void> {
  for (const kind of kinds) await page.getByRole('checkbox', { name: kind }).check({ force: true })
  await page.getByRole('button', { name: /^(This is the work|Change the work to this)$/ }).click()
}

/** Ticks everything that is open on the work list, each with what it asks for. */
export async function tickAll(page: Page, reading: string, words: string): Promise<void> {
  const done = page.getByRole('button', { name: /^Done/ })
  for (let left = 30; left > 0 && (await done.isVisible()); left--) {
    const form = page.getByRole('main').locator('form').filter({ has: done })
    const name = (await form.getAttribute('aria-label')) ?? ''
    const asks = (await form.getByText('Any unit').count()) > 0
    for (const box of await form.getByRole('textbox').all()) await box.fill(asks ? reading : words)
    await done.click()
    await expect(page.getByRole('form', { name, exact: true })).toHaveCount(0)
  }
}

/**
 * What is read in a test by hand where all is well, by the name of the test: labels, and what is
 * typed or chosen.
 */
const wellRead: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'Purge of the gas pipe': {
    'Meter and pipes hold': '9 L',
    'Gas let through': '60 L',
    '^In,': '60 s',
    'Bore of the widest': '20 mm',
    'Gas at the outlet': '100 %',
  },
  'Gas pressure, everything on': {
    'nothing burning': '21.5 mbar',
    'At the appliance, everything': '20.5 mbar',
    'At the meter, everything': '20.8 mbar',
  },
  'Gas rate by the meter': {},
  'Flue gas at the high rate': { '^Oxygen': '4.5 %', '^CO, ': '40 ppm' },
  'Flue gas at the low rate': { '^Oxygen': '5 %', '^CO, ': '20 ppm' },
  'Pipes flushed': { 'Run for': '5 min', 'comes out last': 'clear' },
  'Drinking water disinfected': {
    'Free chlorine': '50 mg/L',
    'Stood for': '24 h',
    'At the end of it': '45 mg/L',
    'After flushing': '0.2 mg/L',
  },
  'Hot water at the taps': {
    'where people wash': '41 C',
    'Farthest hot tap': '50 C',
    'Warm there after': '12 s',
  },
  'Draught and spillage at the hood': { 'Smoke at the hood': 'no hood: it is sealed' },
  'Metal pipes with water': {
    'Highest working': '3 bar',
    'Gauge at the start': '16 bar',
    'Gauge at the end': '16 bar',
    'Held for': '2 h',
  },
}

/** Fills the test by hand that is open, records it, and goes back to the step that waited. */
export async function handTest(
  page: Page,
  more: Readonly<Record<string, Readonly<Record<string, string>>>> = {},
): Promise<void> {
  const form = page.getByRole('main').getByRole('form').filter({ hasText: 'Record it' }).first()
  await expect(form).toBeVisible()
  const name = (await form.getAttribute('aria-label')) ?? ''
  const read = more[name] ?? wellRead[name]
  if (!read) throw new Error(`nobody said how ${name} is read`)
  for (const [label, text] of Object.entries(read)) {
    const field = form.getByRole('textbox', { name: new RegExp(label) }).first()
    if (await field.isVisible()) await field.fill(text)
    else {
      await form.getByRole('button', { name: new RegExp(label) }).click()
      await page.getByRole('option', { name: new RegExp(`^${text}`) }).click()
    }
  }
  for (const box of await form.getByRole('checkbox').all()) await box.check({ force: true })
  await form.getByRole('button', { name: 'Record it', exact: true }).click()
  await page.getByRole('link', { name: 'Back to the step that waits for it' }).click()
  await expect(page.getByRole('main').getByText(/\. Step \d+ of \d+$/)).toBeVisible()
}

/** Does what the guards of a step ask for, in their order. */
export async function holdGuards(
  page: Page,
  tests: Readonly<Record<string, Readonly<Record<string, string>>>> = {},
): Promise<void> {
  for (let i = 0; i < 16; i++) {
    const main = page.getByRole('main')
    const next = main
      .getByRole('button', { name: /^(Confirm|Put back): / })
      .and(page.locator('[data-look="go"]'))
      .first()
    if (await next.isVisible()) {
      const before = await main.getByLabel('open', { exact: true }).count()
      await next.click()
      await expect.poll(() => main.getByLabel('open', { exact: true }).count()).toBeLessThan(before)
      continue
    }
    const bench = main.getByRole('link', { name: /^Go to: / }).first()
    if (!(await bench.isVisible())) return
    await bench.click()
    await handTest(page, tests)
  }
}

interface Doing {
  /** What is read where the design says nothing, by the label of the reading. */
  readonly readings?: Readonly<Record<string, string>>
  readonly tests?: Readonly<Record<string, Readonly<Record<string, string>>>>
  /** The steps end before the one of that title. */
  readonly until?: string | RegExp
}

/** Does the steps on site as they come: guards, tests, readings, signatures. */
export async function doSteps(
  page: Page,
  { readings = {}, tests, until }: Doing = {},
): Promise<number> {
  const main = page.getByRole('main')
  for (let done = 0; ; done++) {
    const title = main.getByRole('heading', { level: 2 })
    const sign = main.getByRole('button', { name: /^(Sign this step|Record )/ })
    await expect(title).toBeVisible()
    if (until !== undefined && (await title.filter({ hasText: until }).count()) > 0) return done
    if (!(await sign.isVisible())) return done
    const was = await main.getByText(/\. Step \d+ of \d+$/).innerText()
    await holdGuards(page, tests)
    await readIt(page, readings)
    await sign.click()
    await expect
      .poll(async () => (await main.getByText(/\. Step \d+ of \d+$/).allInnerTexts())[0] ?? '')
      .not.toBe(was)
  }
}

/** Types the reading of a step: the design's figure, or one that is given for it. */
async function readIt(page: Page, readings: Readonly<Record<string, string>>): Promise<void> {
  const form = page.getByRole('main').locator('form').first()
  const field = form.getByRole('textbox').first()
  if (!(await field.isVisible())) return
  const label = await form.locator('label').first().innerText()
  const given = readings[label]
  const says = (await form.locator('small').allInnerTexts()).join(' ')
  const design = /design ([\d.]+\s?[^\s;,.]+)/.exec(says)?.[1]
  const text = given ?? design
  if (text === undefined) throw new Error(`nobody said what is read: ${label}`)
  await field.fill(text)
}

/** Presses a row that is answered by looking, and gives its answer. */
export async function look(page: Page, row: string, answer: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^${escaped(row)}`) }).click()
  const dialog = page.getByRole('dialog', { name: row })
  await dialog.getByRole('button', { name: answer, exact: true }).click()
  await expect(dialog).toBeHidden()
}

/** Ticks everything that is asked before a test, once it is there to be ticked. */
export async function tickEverything(page: Page): Promise<void> {
  const boxes = page.getByRole('checkbox')
  await expect(boxes.first()).toBeAttached()
  for (const box of await boxes.all()) await box.check({ force: true })
}

/** A one-page PDF, as a maker's paper. */
export const paper = (name: string) => ({
  name,
  mimeType: 'application/pdf',
  buffer: Buffer.from(`%PDF-1.4\n% ${name}\n%%EOF\n`),
})

/**
 * Begins a job of that name, leaves open what the work is, and stands on its site: everything is
 * asked.
 */
export async function newJob(page: Page, name: string): Promise<void> {
  await page.goto('/')
  await workAs(page, 'Maren Oduya')
  await page.getByRole('button', { name: 'New job' }).click()
  await page.getByRole('textbox', { name: 'Name of the job' }).fill(name)
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'What is the work?' })).toBeVisible()
  await goTo(page, 'site')
  await expect(page.getByRole('button', { name: /^Site elevation/ })).toBeVisible()
}

/** Says of everything that is asked before one leaves that it is done. */
export async function leave(page: Page): Promise<void> {
  const rows = page.locator('[data-place^="leaving."]')
  await expect(rows.first()).toBeVisible()
  for (let i = 0; i < (await rows.count()); i++) {
    const open = page.locator('[data-place^="leaving."][data-open]')
    const place = await open.getAttribute('data-place')
    const words = open.getByRole('textbox')
    if ((await words.count()) > 0) await words.fill('none')
    if (place === 'leaving.photographed')
      await open.locator('input[type=file]').setInputFiles(paper('finished.png'))
    await open.getByRole('button', { name: 'Done', exact: true }).click()
    await expect(page.locator(`[data-place="${place}"]`)).not.toHaveAttribute('data-open')
  }
}

/** Fills what only the house knows. */
export async function tellTheHousehold(page: Page): Promise<void> {
  for (const [label, words] of [
    ['Where the gas is shut', 'left of the front door'],
    ['Where the water is shut', 'under the sink'],
    ['Where the electricity is shut', 'on the board'],
    ['Whom they call', 'Pottery, heating'],
    ['Telephone', '01632 960 001'],
  ] as const) {
    const field = page.getByRole('textbox', { name: label })
    if ((await field.count()) === 0) continue
    await field.fill(words)
    await field.press('Enter')
  }
  await saved(page)
}

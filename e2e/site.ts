import type { Locator, Page } from '@playwright/test'
import { expect } from '@playwright/test'

/** Chooses who is working, as a person does at the top of the page. */
export async function workAs(page: Page, name: string): Promise<void> {
  await page
    .getByRole('button', { name: /Who is working\?|Maren|Tobias|Isla|Rufus/ })
    .first()
    .click()
  await page.getByRole('option', { name }).click()
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
  await page.getByRole('button', { name: new RegExp(`${escaped(label)}$`) }).click()
  await page.getByRole('option', { name: option, exact: true }).click()
}

export const saved = (page: Page): Promise<void> =>
  expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeVisible()

export async function goTo(page: Page, sheet: string): Promise<void> {
  await page.goto(page.url().replace(/\/[a-z]+(#.*)?$/, `/${sheet}`))
  await expect(page.getByRole('main')).toBeVisible()
  // The frame stands before its sheet is fetched.
  await expect(page.getByText('Fetching the sheet')).toHaveCount(0)
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

/** Confirms what the step asks for, in its order. */
export async function holdGuards(page: Page): Promise<void> {
  for (let i = 0; i < 12; i++) {
    const next = page
      .getByRole('button', { name: /^(Confirm|Put back): / })
      .and(page.locator('[data-look="go"]'))
      .first()
    if (!(await next.isVisible())) return
    const before = await page.getByLabel('open').count()
    await next.click()
    await expect.poll(() => page.getByLabel('open').count()).toBeLessThan(before)
  }
}

/** Presses a row that is answered by looking, and gives its answer. */
export async function look(page: Page, row: string, answer: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^${escaped(row)}`) }).click()
  const dialog = page.getByRole('dialog', { name: row })
  await dialog.getByRole('button', { name: answer, exact: true }).click()
  await expect(dialog).toBeHidden()
}

/** A one-page PDF, as a maker's paper. */
export const paper = (name: string) => ({
  name,
  mimeType: 'application/pdf',
  buffer: Buffer.from(`%PDF-1.4\n% ${name}\n%%EOF\n`),
})

/** Begins a job of that name, leaves open what the work is, and stands on its site: everything is asked. */
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

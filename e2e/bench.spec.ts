import type { Page } from '@playwright/test'
import { expect } from '@playwright/test'
import { test } from './test'
import { saved, workAs, tickEverything } from './site'

/** Prepares the test that is shown and reads it with a digital gauge, typed with its minutes. */
async function typed(page: Page, readings: readonly (readonly [string, string])[]): Promise<void> {
  await tickEverything(page)
  await page.getByText('Digital gauge, typed by hand').click()
  await page.getByRole('button', { name: 'Begin: let it settle' }).click()
  for (const [gauge, minutes] of readings) {
    await page.getByRole('textbox', { name: 'The gauge reads' }).fill(gauge)
    await page.getByRole('textbox', { name: 'Minutes since pumping' }).fill(minutes)
    await page.getByRole('button', { name: /^Record \d/ }).click()
    // Taken: the field is empty again, or the last reading has ended the test.
    const field = page.getByRole('textbox', { name: 'The gauge reads' })
    await expect
      .poll(() => field.evaluateAll((some) => some.map((one) => (one as HTMLInputElement).value)))
      .not.toContain(gauge)
  }
}
/** A copy of a demo job, so that what is left off here is in nobody's way. */
async function copyOf(page: Page, jobId: string): Promise<string> {
  const id = `${jobId}-${Date.now()}`
  const data = { id, by: 'maren-oduya', name: `${jobId}, on the bench` }
  // The demo may still be loading its jobs.
  const copy = async () =>
    (await page.request.post(`/api/jobs/${jobId}/duplicate`, { data })).status()
  await expect.poll(copy).toBe(201)
  return id
}
const head = (page: Page) => page.getByRole('heading', { level: 2 })
const still = [
  ['20 mbar', '1'],
  ['20 mbar', '3'],
] as const

test('a leak too small for the gauge is found by soap at the test point, put right, and tested again', async ({
  page,
}) => {
  await page.goto(`/jobs/${await copyOf(page, 'kestrel-weir')}/tightness`)
  await workAs(page, 'Maren Oduya')
  await typed(page, still)
  await expect(head(page)).toContainText('last comes the test point')
  await page.getByRole('button', { name: 'It bubbles', exact: true }).click()
  await expect(page.getByText('Remake it, and soap it again under pressure.')).toBeVisible()
  await page.reload()
  await page.getByRole('textbox', { name: 'Repaired: what was done' }).fill('test screw resealed')
  await page.getByRole('button', { name: 'Record the repair' }).click()
  await expect(head(page)).toContainText('repaired since it passed')
  await page.getByRole('button', { name: 'Test again' }).click()
  await typed(page, still)
  await page.getByRole('button', { name: 'Screw back, soaped: dry' }).click()
  await expect(head(page)).toContainText('tight as far as this test can see')

  // Pipe by pipe, joint by joint: one that bubbles takes the verdict back, whatever the gauge said.
  await page.getByRole('button', { name: 'All dry: Meter to A' }).click()
  await page.getByRole('button', { name: 'Joint by joint: B to boiler' }).click()
  await page.getByRole('button', { name: 'Bubbles: Bend 1, B to boiler' }).click()
  await expect(head(page)).toContainText('a joint bubbles')
  await expect(page.getByRole('textbox', { name: 'Repaired: what was done' })).toHaveValue(
    'B to boiler, bend 1: ',
  )
  await page.getByRole('textbox', { name: 'Repaired: what was done' }).press('End')
  await page.keyboard.type('bend pressed anew')
  await page.getByRole('button', { name: 'Record the repair' }).click()
  await page.getByRole('button', { name: 'Test again' }).click()
  await typed(page, still)
  await page.getByRole('button', { name: 'Screw back, soaped: dry' }).click()
  await expect(page.getByText('bend pressed anew')).toBeVisible()
  await expect(page.getByText('test screw resealed')).toBeVisible()
})

test('two-stage propane is tested a stage at a time, each at its own pressure', async ({
  page,
}) => {
  const id = await copyOf(page, 'juniper-ridge')
  // The pipe from the first regulator, with the second one at its end.
  const job = (await (await page.request.get(`/api/jobs/${id}`)).json()) as {
    saveNumber: number
    document: { survey: object; gas: { segments: { from: string }[] } }
  }
  const read = (value: number) => ({ value, basis: 'read', from: 'Marked on it' })
  const [a, ...rest] = job.document.gas.segments
  const feed = {
    ...a,
    id: 'feed',
    name: 'First regulator to house',
    regulator: {
      outGauge_Pa: read(2740),
      drop_Pa: read(300),
      most_m3_s: read(0.01),
      vent: 'outside',
    },
  }
  const put = await page.request.put(`/api/jobs/${id}/draft`, {
    data: {
      document: {
        ...job.document,
        survey: { ...job.document.survey, gasWorkingGauge_Pa: read(68947.57) },
        gas: { ...job.document.gas, segments: [feed, { ...a, from: 'feed' }, ...rest] },
      },
      saveNumber: job.saveNumber,
      by: 'maren-oduya',
    },
  })
  expect(put.status()).toBe(200)
  await page.goto(`/jobs/${id}/tightness`)
  await workAs(page, 'Maren Oduya')
  await saved(page)
  const tests = page.getByRole('list', { name: 'Tests of this gas supply' })
  await expect(tests.getByRole('listitem')).toHaveCount(2)
  await expect(head(page)).toContainText('Tightness, first stage: pump to 15')
  await typed(page, [
    ['15 psi', '5'],
    ['15 psi', '15'],
  ])
  await page.getByRole('button', { name: 'Screw back, soaped: dry' }).click()
  await page.getByRole('button', { name: /^Next: Tightness, after the regulator of First/ }).click()
  await expect(head(page)).toContainText('pump to 3')
  await expect(page.getByRole('checkbox', { name: /^Regulator of First/ })).toBeAttached()
  await typed(page, [
    ['3 psi', '5'],
    ['2.8 psi', '15'],
  ])
  await expect(head(page)).toContainText('lost')
  await expect(tests.getByText('It did not pass')).toBeVisible()
})

test('a first fix tested with water has air in it: that is no test until it is bled', async ({
  page,
}) => {
  await page.goto(`/jobs/${await copyOf(page, 'kestrel-weir')}/by-hand`)
  await workAs(page, 'Maren Oduya')
  const read = async (pumped: string) => {
    for (const [name, text] of [
      ['Highest working pressure here', '3 bar'],
      ['Gauge at the start', '4.5 bar'],
      ['Gauge at the end', '4.5 bar'],
      ['Held for', '60 min'],
      ['Water in it', '50 L'],
      ['Pumped in, from no pressure', pumped],
    ] as const)
      await page.getByRole('textbox', { name }).fill(text)
    for (const box of await page.getByRole('checkbox').all()) await box.check({ force: true })
    await page.getByRole('button', { name: 'Record it', exact: true }).click()
  }
  await page.getByRole('button', { name: 'Read: Metal pipes with water' }).click()
  await read('1.2 L')
  await expect(page.getByText(/% of it is air.*bleed it at the top/)).toBeVisible()
  await page.getByRole('button', { name: 'Read again: Metal pipes with water' }).click()
  await read('0.03 L')
  await expect(page.getByText(/held for .* was asked/)).toBeVisible()
  // Air is no such test: it is good for hiding, and says so.
  await page.getByRole('button', { name: /^Read: Water pipes with air/ }).click()
  await expect(page.getByText('No PVC or CPVC in it')).toBeVisible()
})

test('a logger’s file is read with its columns said: a test that is over, with both verdicts', async ({
  page,
}) => {
  await page.goto(`/jobs/${await copyOf(page, 'kestrel-weir')}/tightness`)
  await workAs(page, 'Maren Oduya')
  await tickEverything(page)
  await page.getByText('A logger’s file (CSV)').click()
  const two = (n: number) => String(n).padStart(2, '0')
  const rows = Array.from({ length: 200 }, (_, i) => {
    const reading = i === 40 ? 'OL' : '20,00'
    return `28.11.2026 10:${two(Math.floor(i / 60))}:${two(i % 60)};${reading};15,0`
  })
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Choose the file' }).click(),
  ])
  await chooser.setFiles({
    name: 'van.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['Zeit;Druck mbar;Temp °C', ...rows].join('\n')),
  })
  await expect(page.getByText('199 readings')).toBeVisible()
  await expect(page.getByText('Row 42: “OL” is no pressure.')).toBeVisible()
  await page.getByRole('button', { name: 'Read the test from the file' }).click()
  await expect(page.getByRole('heading', { name: 'By the rule: passed' })).toBeVisible()
  await expect(page.getByText(/Logger, van\.csv/)).toBeVisible()
})

import { expect } from '@playwright/test'
import { test } from './test'
import { textOfPdf } from './pdf'
import { saved, workAs, tickEverything } from './site'

test.use({ viewport: { width: 390, height: 844 } })

test('flue gas at two rates, the gas timed and the burner set, on a phone: wrong stops, right clears, the paper says both', async ({
  page,
}) => {
  await page.goto('/jobs/kestrel-weir/by-hand')
  await workAs(page, 'Maren Oduya')
  const field = (name: RegExp) => page.getByRole('textbox', { name })
  const tick = async () => {
    for (const box of await page.getByRole('checkbox').all()) await box.check({ force: true })
  }
  const openIt = (name: string) => page.getByRole('button', { name, exact: true }).click()
  const record = page.getByRole('button', { name: 'Record it', exact: true })

  // Too much CO stops; what is typed outlives a reload; nonsense gets a sentence.
  await openIt('Read: Flue gas at the high rate, System boiler')
  await field(/^Oxygen/).fill('about five')
  await expect(page.getByText(/waits for a figure that is not understood/)).toBeVisible()
  await field(/^Oxygen/).fill('4.5')
  await field(/^CO, ppm/).fill('800')
  await page.reload()
  await openIt('Read: Flue gas at the high rate, System boiler')
  await expect(field(/^CO, ppm/)).toHaveValue('800')
  await expect(page.getByText(/from 0\.008 on it is turned off/)).toBeVisible()
  // What fails waits for nothing that is to be confirmed.
  await record.click()
  await expect(page.getByRole('heading', { level: 2 })).toContainText('Off until it is put right')

  // Put right and read again: the last reading counts.
  await openIt('Read again: Flue gas at the high rate, System boiler')
  await field(/^Oxygen/).fill('4.5 %')
  await field(/^CO, ppm/).fill('60 ppm')
  await field(/^Flue gas/).fill('62 C')
  await field(/^Air it burns/).fill('68 F')
  await expect(
    page.getByRole('button', { name: 'Record it: waits for one thing to confirm' }),
  ).toBeVisible()
  await tick()
  await record.click()
  await expect(page.getByText('CO over CO2 is 0.0007, with 9.2')).toBeVisible()
  await expect(page.getByText('read once before')).toBeVisible()
  await openIt('Read: Flue gas at the low rate, System boiler')
  await field(/^CO2/).fill('8.8')
  await field(/^CO, ppm/).fill('25')
  await tick()
  await record.click()

  // The burner at its ends, by the maker's table.
  await openIt('Read: Burner pressure, System boiler')
  await field(/maker’s, at maximum/).fill('12.5 mbar')
  await field(/^Read at maximum/).fill('12.4')
  await field(/maker’s, at minimum/).fill('3 mbar')
  await field(/^Read at minimum/).fill('3.3')
  await field(/^Tolerance/).fill('0.1')
  await expect(page.getByText(/At minimum 3\.30.*the maker’s is 3\.00/)).toBeVisible()
  await field(/^Read at minimum/).fill('3.05')
  await tick()
  await record.click()
  await expect(page.getByText(/At maximum 12\.40.*at minimum 3\.05/)).toBeVisible()
  // Before anything is hidden: a fall fails, and the figures say what a tenth of a kelvin is worth.
  await openIt('Read again: Metal pipes with water')
  await field(/^Highest working pressure/).fill('3 bar')
  await field(/^Gauge at the start/).fill('4.5 bar')
  await field(/^Gauge at the end/).fill('4.2 bar')
  await field(/^Held for/).fill('1 h')
  await expect(page.getByText(/It fell 0\.30.*counts as none/)).toBeVisible()
  await field(/^Gauge at the end/).fill('4.5 bar')
  await tick()
  await record.click()
  await expect(page.getByText(/4\.50.*bar held for/)).toBeVisible()
  await saved(page)

  const paper = await page.request.get('/api/jobs/kestrel-weir/handover.pdf', {
    timeout: 120_000,
  })
  expect(paper.status()).toBe(200)
  const text = await textOfPdf(await paper.body())
  for (const part of ['Tests by hand', 'Flue gas at the high rate', 'CO over CO2', 'BS 7967'])
    expect(text).toContain(part)
})

test('a water gauge with two legs is read by eye, out of reach of the server: one leg is asked about, the clock says when, the rule passes it', async ({
  page,
  context,
}) => {
  await page.goto('/jobs/saltbush-ferry/tightness')
  await workAs(page, 'Maren Oduya')
  await page.getByRole('button', { name: 'Test again' }).click()
  await tickEverything(page)
  await page.getByText('Water gauge, typed by hand').click()
  await page.getByRole('button', { name: 'Begin: let it settle' }).click()
  await expect(page.getByText(/Read the gauge in/)).toBeVisible()
  // The cellar has no signal: what is read is kept here and sent when it is back.
  await context.setOffline(true)
  const leg = (name: string) => page.getByRole('textbox', { name: `${name} leg, from its zero` })
  const read = async (left: string, right: string, minutes: string) => {
    await leg('Left').fill(left)
    await expect(page.getByText('One leg alone is not the pressure.')).toBeVisible()
    await leg('Right').fill(right)
    await page.getByRole('textbox', { name: 'Minutes since pumping' }).fill(minutes)
    await page.getByRole('button', { name: /^Record 1\.2/ }).click()
  }
  await read('0.62', '0.62 kPa', '5')
  await expect(page.getByText(/Read it again in/)).toBeVisible()
  await expect(leg('Left')).toHaveValue('')
  await read('6.2 mbar', '0.61', '10')
  await expect(page.getByText('Both readings are in.')).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByRole('heading', { name: /By the rule: passed/ })).toBeVisible()
  await expect(page.getByRole('heading', { name: /By the figures: cannot tell/ })).toBeVisible()
  await expect(page.getByText(/Three readings or more/)).toBeVisible()
})

import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { expect, type Page } from '@playwright/test'
import { OwnServer } from './ownServer'
import { signIn, test } from './test'
import { textOfPdf } from './pdf'
import { exifOfPlace, withExif } from './exif'
import { choose, escaped, look, newJob, saved, workAs } from './site'

const root = resolve(import.meta.dirname, '..')

const plate = readFileSync(join(root, 'demo/evidence/plate-system-boiler.png'))

/** Answers the question that the walk stands on, by pressing or by typing. */
async function answer(page: Page, title: string, text: string): Promise<void> {
  await expect(page.getByRole('heading', { level: 2 })).toHaveText(title)
  const button = page.getByRole('main').getByRole('button', { name: text, exact: true })
  if (await button.isVisible()) return button.click()
  await page.getByRole('main').getByRole('textbox').first().fill(text)
  await page.getByRole('button', { name: 'Use it' }).click()
}

test('a new job is walked on a phone while the server is stopped, and arrives whole and once when it is back', async ({
  browser,
}) => {
  test.setTimeout(360_000)
  const server = await OwnServer.begin()
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
  })
  try {
    const page = await context.newPage()
    const jobs = readFileSync(join(root, 'demo/jobs/saltbush-ferry.json'), 'utf8')
    await signIn(page.request, 'maren-oduya', server.address)
    await page.request.post(`${server.address}/api/import`, { data: JSON.parse(jobs) as object })
    await page.goto(server.address)
    await workAs(page, 'Isla Penhallick')
    await page.getByRole('button', { name: 'New job' }).click()
    await page.getByRole('textbox', { name: 'Name of the job' }).fill('Cellar Steps')
    await page.getByRole('button', { name: 'Begin', exact: true }).click()
    await page.getByRole('link', { name: /Site/ }).click()
    await page.getByRole('link', { name: 'walk the house' }).click()
    await expect(page.getByRole('heading', { level: 2 })).toHaveText('Is the water connected?')

    // Once a job is open its other pages come by themselves; a signal that is gone sooner takes them.
    await expect
      .poll(() =>
        page.evaluate(() =>
          ['ReadingsPage', 'ListPage', 'HandoverPage'].every((name) =>
            performance.getEntriesByType('resource').some((one) => one.name.includes(name)),
          ),
        ),
      )
      .toBe(true)
    await server.stop()
    for (const title of [
      'Is the water connected?',
      'Is the gas connected?',
      'Is the power connected?',
    ]) {
      await expect(page.getByRole('heading', { level: 2 })).toHaveText(title)
      await page
        .getByRole('button', { name: title.includes('power') ? 'Not yet' : 'Live', exact: true })
        .click()
      await page.getByRole('button', { name: 'On', exact: true }).click()
    }
    await answer(page, 'Site elevation?', '120 ft')
    await expect(page.getByRole('heading', { level: 2 })).toHaveText('The stopcock on the main?')
    await page
      .getByLabel('Photograph it')
      .setInputFiles({ name: 'stopcock.png', mimeType: 'image/png', buffer: plate })
    await expect(page.getByRole('img', { name: 'stopcock.jpg' })).toBeVisible()
    await page.getByRole('textbox', { name: 'Note' }).fill('behind the meter')
    await answer(page, 'The stopcock on the main?', 'Works')
    await answer(page, 'Pressure reducing valve on the main?', 'No')
    await answer(page, 'Check valve on the main?', 'Yes')
    for (const title of [
      'Backflow preventer on the main?',
      'Water meter with a check valve in it?',
    ])
      await answer(page, title, 'No')
    await expect(page.getByRole('heading', { level: 2 })).toHaveText(
      'Water company says: a check valve in the street?',
    )
    await page.getByRole('button', { name: 'Not now' }).click()
    // Wrong input is refused with a sentence, with or without a server.
    await expect(page.getByRole('heading', { level: 2 })).toHaveText('Cold main, static?')
    await page.getByRole('main').getByRole('textbox').first().fill('four')
    await page.getByRole('button', { name: 'Use it' }).click()
    await expect(page.getByText('does not start with a number')).toBeVisible()
    await answer(page, 'Cold main, static?', '58 psi')
    await answer(page, 'Incoming water?', '11')
    // The walk says so, and the line above says why.
    await expect(page.getByText(/kept here/).first()).toBeVisible()
    await expect(page.getByRole('status').filter({ hasText: /Kept here/ })).toBeVisible()

    // Another sheet of the same job opens without the server, and shows what was walked.
    await page.getByRole('link', { name: 'Leave the walk' }).click()
    await page.getByRole('link', { name: /Readings/ }).click()
    await expect(page.getByRole('button', { name: /^Cold main, static 4\.00/ })).toBeVisible()
    await expect(page.getByText(/Closed by the check valve on the main/)).toBeVisible()

    await server.start()
    await expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeAttached({
      timeout: 40_000,
    })
    const id = /jobs\/([^/]+)/.exec(page.url())?.[1] ?? ''
    const state = (await (await page.request.get(`${server.address}/api/jobs/${id}`)).json()) as {
      document: {
        survey: Record<string, unknown> & {
          looked: Record<string, { answer: string; recordId: string } | null>
          supplies: object
        }
      }
      records: {
        id: string
        at: string
        body: { kind: string; field: string; photos?: { hash: string }[] }
      }[]
    }
    expect(state.document.survey).toMatchObject({
      supplies: { water: { state: 'live' }, gas: { state: 'live' }, power: { state: 'not-yet' } },
      coldMainStaticGauge_Pa: { basis: 'measured' },
      looked: {
        mainStopValve: { answer: 'works', note: 'behind the meter' },
        mainCheckValve: { answer: 'yes' },
        mainStreetCheck: null,
      },
    })
    const fields = state.records.map((record) => record.body.field)
    expect(fields).toEqual([
      'survey.supplies.water',
      'survey.supplies.gas',
      'survey.supplies.power',
      'survey.elevation_m',
      'survey.looked.mainStopValve',
      'survey.looked.mainReducingValve',
      'survey.looked.mainCheckValve',
      'survey.looked.mainBackflowPreventer',
      'survey.looked.mainMeterCheck',
      'survey.coldMainStaticGauge_Pa',
      'survey.incomingTemp_K',
    ])
    expect(state.document.survey.looked.mainStopValve?.recordId).toBe(state.records[4]?.id)
    // The photograph came too, smaller than it was and under the hash of its bytes.
    const hash = state.records[4]?.body.photos?.[0]?.hash ?? ''
    const kept = await (await page.request.get(`${server.address}/api/evidence/${hash}`)).body()
    expect(createHash('sha256').update(kept).digest('hex')).toBe(hash)
    // A reload finds nothing left to send.
    await page.reload()
    await saved(page).catch(() =>
      expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeAttached(),
    )
    expect(
      (
        (await (await page.request.get(`${server.address}/api/jobs/${id}`)).json()) as {
          records: unknown[]
        }
      ).records,
    ).toHaveLength(11)
  } finally {
    await context.close()
    await server.end()
  }
})

test('a photograph loses its place unless it is kept on purpose; what is no photograph is refused with a sentence', async ({
  page,
}) => {
  await newJob(page, 'Photograph House')
  const jpeg = withExif(
    Buffer.from(
      await page.evaluate(async () => {
        const canvas = new OffscreenCanvas(2400, 1200)
        canvas.getContext('2d')?.fillRect(0, 0, 900, 900)
        return [
          ...new Uint8Array(
            await (await canvas.convertToBlob({ type: 'image/jpeg' })).arrayBuffer(),
          ),
        ]
      }),
    ),
    exifOfPlace(),
  )
  const take = page.getByLabel('Photograph the place')
  const photos = async () => {
    await saved(page)
    const id = /jobs\/([^/]+)/.exec(page.url())?.[1]
    return (
      (await (await page.request.get(`/api/jobs/${id}`)).json()) as {
        document: {
          survey: { placePhotos: { hash: string; bytes: number; place?: { latitude: number } }[] }
        }
      }
    ).document.survey.placePhotos
  }
  await take.setInputFiles({
    name: 'IMG_1.heic',
    mimeType: 'image/heic',
    buffer: Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(40)]),
  })
  await expect(page.getByRole('alert')).toContainText('HEIC')
  await take.setInputFiles({
    name: 'notes.txt',
    mimeType: 'image/png',
    buffer: Buffer.from('just words'),
  })
  await expect(page.getByRole('alert')).toContainText('neither a photograph')
  await take.setInputFiles({ name: 'cellar.jpg', mimeType: 'image/jpeg', buffer: jpeg })
  await expect(page.getByRole('img', { name: 'cellar.jpg' })).toBeVisible()
  await expect.poll(async () => (await photos()).length).toBe(1)
  const [plain] = await photos()
  expect(plain?.place).toBeUndefined()
  const bytes = await (await page.request.get(`/api/evidence/${plain?.hash}`)).body()
  expect(bytes.includes(Buffer.from('Exif'))).toBe(false)
  expect(
    await page
      .getByRole('img', { name: 'cellar.jpg' })
      .evaluate((image: HTMLImageElement) => image.naturalWidth),
  ).toBe(1600)

  await page.getByRole('button', { name: 'Take out cellar.jpg' }).click()
  await page.getByText('keep where it was taken').click()
  await take.setInputFiles({ name: 'meter.jpg', mimeType: 'image/jpeg', buffer: jpeg })
  await expect.poll(async () => (await photos())[0]?.place?.latitude).toBeCloseTo(52.5, 3)
})

test('an installation that is there is inspected, a snag is made of it, and the report prints', async ({
  page,
}) => {
  await newJob(page, 'Seen Before House')
  const go = (sheet: string) => page.goto(page.url().replace(/\/[a-z]+$/, `/${sheet}`))
  await go('readings')
  await look(page, 'The stopcock on the main', 'Does not hold')
  await go('inspection')
  await page.getByText('Something stands here already, and is inspected').click()
  await expect(page.getByRole('heading', { level: 2 })).toContainText('0 of')
  const valve = page.getByRole('listitem').filter({ hasText: 'The stopcock on the main' })
  await valve.getByRole('button', { name: 'Inspect' }).click()
  // What the survey found is suggested; nothing is recorded before somebody says so.
  await expect(valve.getByRole('radio', { name: 'Look again' })).toBeChecked()
  await valve.getByRole('textbox', { name: 'Make it a snag' }).fill('renew the stopcock')
  await valve.getByRole('button', { name: 'Record it' }).click()
  await expect(valve.getByRole('alert')).toContainText('somebody who does it')
  await valve.getByRole('textbox', { name: 'Who' }).fill('Tobias')
  await valve.getByRole('button', { name: 'Record it' }).click()
  await expect(page.getByText('renew the stopcock')).toBeVisible()
  const alarm = page.getByRole('listitem').filter({ hasText: 'Carbon monoxide alarm' })
  await alarm.getByRole('button', { name: 'Inspect' }).click()
  await alarm.getByText('Not inspected', { exact: true }).click()
  await alarm.getByRole('button', { name: 'Record it' }).click()
  await expect(alarm.getByRole('alert')).toContainText('Say why')
  await alarm.getByRole('textbox', { name: 'Not inspected, because' }).fill('the flat was locked')
  await alarm.getByRole('button', { name: 'Record it' }).click()
  await expect(page.getByRole('heading', { level: 2 })).toContainText('2 of')
  await saved(page)
  const text = await textOfPdf(
    await (
      await page.request.get(
        (await page.getByRole('link', { name: 'Print the report' }).getAttribute('href')) ?? '',
      )
    ).body(),
  )
  for (const part of [
    'Seen Before House: inspection',
    'The stopcock on the main',
    'Look again',
    'the flat was locked',
    'renew the stopcock',
    'Tobias',
    'It is not a certificate',
  ])
    expect(text).toContain(part)
  expect(text).not.toMatch(/NaN|undefined|\{\w+\}/)
})

test('a draught is tried step by step; smoke that comes out stops the job', async ({ page }) => {
  await newJob(page, 'Open Flue House')
  await page.goto(page.url().replace(/\/site$/, '/place'))
  await look(page, 'An open-flued appliance stands or stays here', 'Yes')
  await expect(
    page.getByLabel('Margin notes').getByText('The draught was not tried.'),
  ).toBeVisible()
  await page.getByText('1. Windows and outside doors shut').click()
  await page.getByRole('button', { name: 'Drawn in' }).click()
  await expect(page.getByText('Cannot tell')).toBeVisible()
  await page.getByRole('button', { name: 'Try it again' }).click()
  for (const text of [/^1\. /, /^2\. /, /^3\. /, /^4\. /]) await page.getByText(text).click()
  await page.getByRole('button', { name: 'Comes out' }).click()
  await expect(page.getByRole('heading', { level: 2 })).toContainText('stops the work')
})

test('another practice says first what it would change, changes no stored value, and a person reads in units of their own', async ({
  page,
}) => {
  const state = async () =>
    (await (await page.request.get('/api/jobs/juniper-ridge')).json()) as {
      document: { practice: string }
    }
  await page.goto('/jobs/juniper-ridge/site')
  await workAs(page, 'Maren Oduya')
  const { practice: was, ...before } = (await state()).document
  await choose(page, 'Practice', 'UK and Ireland')
  const dialog = page.getByRole('dialog', { name: 'Change of practice' })
  await expect(dialog).toContainText('handbook, fill equal to charge becomes EN 12828')
  await expect(dialog).toContainText('expansion tank: vessel')
  await dialog.getByRole('button', { name: 'Leave it' }).click()
  expect((await state()).document.practice).toBe(was)
  await choose(page, 'Practice', 'UK and Ireland')
  await dialog.getByRole('button', { name: 'Take UK and Ireland' }).click()
  await expect(page.getByRole('button', { name: /^Site elevation 2195/ })).toBeVisible()
  await saved(page)
  await expect.poll(async () => (await state()).document.practice).toBe('uk-ireland')
  const { practice: _now, ...after } = (await state()).document
  expect(after).toEqual(before)
  await page.getByRole('heading', { level: 2 }).click()
  await page.keyboard.press('Control+z')
  await expect.poll(async () => (await state()).document.practice).toBe(was)

  await page.getByRole('button', { name: 'Maren Oduya' }).click()
  await page.getByText('Units Maren reads in').click()
  await page.getByRole('button', { name: /Length shown in/ }).click()
  await page.getByRole('option', { name: 'cm', exact: true }).click()
  await page.keyboard.press('Escape')
  await expect(
    page.getByRole('button', { name: /^Highest outlet above the main 42[67]/ }),
  ).toBeVisible()
  await page.reload()
  await expect(
    page.getByRole('button', { name: /^Highest outlet above the main 42[67]/ }),
  ).toBeVisible()
  await workAs(page, 'Tobias Lindqvarn')
  await expect(
    page.getByRole('button', { name: /^Highest outlet above the main 14\.0/ }),
  ).toBeVisible()
  await signIn(page.request, 'maren-oduya')
  await page.request.put('/api/people/maren-oduya/units', { data: {} })
})

test('ways of heating water are compared, the day is run and stopped, the scalding outlet is found and mixed down', async ({
  page,
}) => {
  await newJob(page, 'Two Showers House')
  const go = (sheet: string) => page.goto(page.url().replace(/\/[a-z]+(#.*)?$/, `/${sheet}`))
  const figure = async (row: RegExp, text: string) => {
    await page.getByRole('button', { name: row }).click()
    await page.getByRole('dialog').getByRole('textbox').first().fill(text)
    await page.getByRole('dialog').getByRole('button', { name: 'Use it' }).click()
    await expect(page.getByRole('dialog')).toBeHidden()
  }
  await go('plates')
  await choose(page, 'Add an appliance', 'Boiler')
  await page.getByText('This job makes hot water').click()
  await saved(page)
  await go('readings')
  await figure(/^Incoming, coldest of the year/, '5 C')
  await saved(page)
  await go('heat')
  await expect(page.getByRole('heading', { level: 2 })).toContainText('Set two ways side by side')
  for (const kind of ['Boiler with cylinder', 'Heats as it runs'])
    await choose(page, 'Set another beside it', kind)
  await figure(/^Hot water output of Boiler with cylinder/, '24 kW')
  await figure(/^Store of Boiler with cylinder/, '180 L')
  await figure(/^Coil rating of Boiler with cylinder/, '20 kW')
  await figure(/^Hot water output of Heats as it runs/, '24 kW')
  await choose(page, 'Add an outlet', 'Shower')
  await page.getByRole('textbox', { name: 'How many of Shower' }).fill('2')
  await page.getByRole('textbox', { name: 'How many of Shower' }).press('Enter')
  // 24 kW through 35 K of the coldest water: 9.8 L/min; the coil lets 20 kW in, 8.2 L/min.
  const row = (name: string) => page.getByRole('row', { name: new RegExp(`^${escaped(name)}`) })
  await expect(row('Mixed flow it keeps up')).toContainText('8.2')
  await expect(row('Mixed flow it keeps up')).toContainText('9.8')
  await expect(row('Two showers last')).toContainText('it does not keep up')
  // 180 L from 5 to 60 °C at 20 kW: 2 069 s.
  await expect(row('Reheat from cold, by hand')).toContainText('34:29')

  await choose(page, 'Whether Shower is mixed down', 'Not mixed')
  await expect(
    page.getByLabel('Margin notes').getByText(/nothing there mixes it down/),
  ).toBeVisible()
  await page.getByRole('button', { name: 'have it mixed down' }).click()
  await expect(
    page.getByLabel('Margin notes').getByText(/nothing there mixes it down/),
  ).toBeHidden()

  await page.getByRole('button', { name: 'Begin with a usual day' }).click()
  await expect(page.getByText(/^Run\. Energy in and out/)).toBeVisible({ timeout: 30_000 })
  const day = page.getByRole('region', { name: /^A day.s draws/ })
  await expect(
    day.getByRole('listitem').filter({ hasText: 'Heats as it runs' }).last(),
  ).toContainText(/falls below 38/)
  await expect(
    day.getByRole('listitem').filter({ hasText: 'Boiler with cylinder' }).last(),
  ).toContainText(/Top at most/)
  // The run is held at its start: a fast machine ends it before a hand reaches the button.
  await page.route('**/assets/worker-*.js', () => undefined)
  await choose(page, 'Layers of the store', '120 layers')
  const stop = page.getByRole('button', { name: 'Stop', exact: true })
  await expect(stop).toBeVisible()
  await stop.click()
  await expect(stop).toBeHidden()
  await page.unroute('**/assets/worker-*.js')

  await page.getByRole('textbox', { name: 'Because' }).fill('x')
  await page.getByRole('textbox', { name: 'Because' }).press('Enter')
  await expect(page.getByText('Choose one of them first.')).toBeVisible()
  await choose(page, 'Chosen', 'Boiler with cylinder')
  await page.getByRole('textbox', { name: 'Because' }).fill('two showers before school')
  await page.getByRole('textbox', { name: 'Because' }).press('Enter')
  await expect(page.getByRole('heading', { level: 2 })).toContainText('two showers run')
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Because' })).toHaveValue(
    'two showers before school',
  )
  await page.getByRole('button', { name: 'Put it on the rating plates' }).click()
  await saved(page)
  await go('plates')
  await expect(
    page
      .getByText('Cylinder of Boiler with cylinder')
      .or(page.locator('input[value="Cylinder of Boiler with cylinder"]'))
      .first(),
  ).toBeVisible()
})

test('the board finds, narrows, sorts, pages and puts away by keyboard, and starts a job from another', async ({
  page,
}) => {
  const made = Array.from({ length: 30 }, (_, i) => ({
    id: `terrace-${i}`,
    name: `Terrace ${String(i + 1).padStart(2, '0')}`,
    address: 'Long Terrace',
    practice: 'uk-ireland',
    by: 'maren-oduya',
  }))
  for (const job of made) await page.request.post('/api/jobs', { data: job })
  await page.goto('/')
  await workAs(page, 'Maren Oduya')
  await page.keyboard.press('/')
  await page.keyboard.type('long terrace')
  await expect(page.getByText('1 to 25 of 30')).toBeVisible()
  await choose(page, 'Order', 'Name')
  await page.getByRole('button', { name: 'Further' }).click()
  await expect(page.getByRole('link', { name: /Terrace 30/ })).toBeVisible()
  await page.getByRole('heading', { level: 1 }).click()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('link', { name: /Terrace 26/ })).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Terrace 27')
  await page.goBack()
  await expect(page.getByRole('link', { name: /Terrace 26/ })).toBeVisible()

  await page.getByRole('button', { name: 'More for Terrace 28' }).click()
  await page.getByRole('button', { name: 'Put it away' }).click()
  await expect(page.getByRole('link', { name: /Terrace 28/ })).toBeHidden()
  await page.getByRole('button', { name: 'Put away (1)' }).click()
  await page.getByRole('button', { name: 'More for Terrace 28' }).click()
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await page.goto('/?find=no+such+house')
  await expect(page.getByText('No job matches “no such house”')).toBeVisible()
  await page.getByRole('button', { name: 'Show all' }).click()
  // Other journeys may have brought a copy of it: by its number there is one.
  await page.getByRole('searchbox').fill('0417')
  await page.getByRole('button', { name: 'More for Kestrel Weir Rowing Club', exact: true }).click()
  await page
    .getByRole('textbox', { name: 'Start another job from this design' })
    .fill('Second Boathouse')
  await page.getByRole('button', { name: 'Use as template' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Second Boathouse')
  await page.getByRole('link', { name: /Rating plates/ }).click()
  await expect(
    page.getByRole('button', { name: /^Heat input .* as on job 0417/ }).first(),
  ).toBeVisible()
})

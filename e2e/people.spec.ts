import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect } from '@playwright/test'
import { OwnServer } from './ownServer'
import { goTo, holdGuards, newJob, workAs } from './site'
import { signIn, test } from './test'

const heading = (page: Page, level: number) => page.getByRole('heading', { level })

test('a firm begins with the code that its server printed; somebody is invited, comes in, and is let go', async ({
  browser,
}) => {
  test.setTimeout(240_000)
  const server = await OwnServer.begin({ demo: false })
  const [ours, theirs] = [await browser.newContext(), await browser.newContext()]
  try {
    await expect.poll(() => server.printed).toMatch(/first#/)
    const first = /http:\S+first#\S+/.exec(server.printed)?.[0] ?? ''
    const owner = await ours.newPage()
    await owner.goto(server.address)
    await expect(heading(owner, 1)).toHaveText('Nobody works here yet.')
    await owner.goto(first)
    await owner.reload()
    await owner.getByRole('textbox', { name: 'Your name' }).fill('Anna Berg')
    await owner.getByLabel('Password').fill('short')
    await owner.getByRole('button', { name: 'Begin' }).click()
    await expect(owner.getByRole('alert')).toContainText('at least 10 characters')
    await owner.getByLabel('Password').fill('three plain words')
    await owner.getByRole('button', { name: 'Begin' }).click()
    await expect(heading(owner, 1)).toContainText('No jobs yet')

    await owner.getByRole('button', { name: 'Anna Berg' }).click()
    await owner.getByRole('link', { name: 'People of the firm' }).click()
    await owner.getByRole('button', { name: 'Add somebody' }).click()
    await owner.getByRole('textbox', { name: 'Name' }).fill('Bert Cole')
    await owner.getByRole('button', { name: 'Add them' }).click()
    await owner.getByRole('button', { name: 'Change: Bert Cole' }).click()
    await owner.getByRole('button', { name: 'Link to come in' }).click()
    const link = await owner.getByLabel('The link').inputValue()

    const young = await theirs.newPage()
    await young.goto(link)
    await young.getByLabel('Password').fill('other three words')
    await young.getByRole('button', { name: 'Come in' }).click()
    await expect(young.getByRole('button', { name: 'Bert Cole' })).toBeVisible()
    await young.goto(`${server.address}/backups`)
    await expect(heading(young, 1)).not.toContainText('Last backup')

    await owner.getByRole('button', { name: 'Bert Cole left the firm' }).click()
    await owner.getByRole('button', { name: 'Yes, they left' }).click()
    await expect(owner.getByText('Left the firm')).toBeVisible()
    await young.goto(server.address)
    await expect(heading(young, 1)).toHaveText('Who is working?')
    await young.getByLabel('Name').fill('Bert Cole')
    await young.getByLabel('Password').fill('other three words')
    await young.getByRole('button', { name: 'Sign in' }).click()
    await expect(young.getByRole('alert')).toContainText('do not go together')
  } finally {
    await ours.close()
    await theirs.close()
    await server.end()
  }
})

/** A copy of a demo job whose next step asks for no ticket. */
async function copyOf(page: Page, job: string, id: string): Promise<void> {
  const file = JSON.parse(readFileSync(`demo/jobs/${job}.json`, 'utf8')) as object
  const answer = await page.request.post('/api/import', { data: { ...file, id } })
  expect(answer.status()).toBe(201)
}

test('an apprentice signs a step on one phone, and a lead countersigns it on another', async ({
  page,
  browser,
}) => {
  await copyOf(page, 'thornfield-scout-hut', 'hut-of-two')
  const theirs = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })
  await signIn(theirs.request, 'isla-penhallick')
  const young = await theirs.newPage()
  await young.goto('/jobs/hut-of-two/steps')
  await page.goto('/jobs/hut-of-two/steps')
  const main = young.getByRole('main')
  const title = await heading(young, 2).first().innerText()
  await holdGuards(young)
  await main.locator('form').first().getByRole('textbox').first().fill('20 psi')
  await main.getByRole('button', { name: /^(Sign this step|Record )/ }).click()
  await expect(main.getByText('Waits for a countersign', { exact: true })).toBeVisible()
  await expect(main.getByText(/Isla Penhallick signed this as an apprentice/)).toBeVisible()
  await expect(main.getByRole('button', { name: /^Countersign/ })).toHaveCount(0)

  const leads = page.getByRole('main')
  await expect(leads.getByText('Waits for a countersign', { exact: true })).toBeVisible()
  await expect(heading(page, 2).first()).toHaveText(title)
  await leads.getByRole('button', { name: /^Countersign/ }).click()
  await expect(main.getByText(/^Countersigned by Maren Oduya/)).toBeVisible({ timeout: 20_000 })
  await theirs.close()
})

test('a ticket that ran out stops the signature, and the sentence says when', async ({ page }) => {
  await page.goto('/people')
  await expect(heading(page, 1)).toContainText('a ticket of Tobias Lindqvarn ran out')
  const tobias = (until: string) => ({
    role: 'lead',
    holds: [{ ticket: 'gas', practice: null, number: 'T-1', issuer: 'Register', until }],
  })
  const people = (await (await page.request.get('/api/people')).json()) as {
    id: string
    role: string
    holds: object[]
  }[]
  const before = people.find(({ id }) => id === 'tobias-lindqvarn')
  try {
    await page.request.put('/api/people/tobias-lindqvarn', { data: tobias('2026-03-31') })
    await page.goto('/jobs/kestrel-weir/tightness')
    await workAs(page, 'Tobias Lindqvarn')
    const refused = await page.request.post('/api/jobs/kestrel-weir/tests', {
      data: {
        ...{ id: 'begin-ran-out', by: 'tobias-lindqvarn', testId: 'test-ran-out' },
        how: {
          ...{ reading: 'typed', kind: 'digital', resolution_Pa: 10, instrument: 'gauge 4' },
          from_ms: Date.UTC(2026, 10, 24),
        },
        prepared: [],
        off: [],
      },
    })
    expect(refused.status()).toBe(403)
    expect(await refused.json()).toMatchObject({
      code: 'ticket-missing',
      says: expect.stringContaining('gas ticket ran out on 2026-03-31') as unknown,
    })
    await goTo(page, 'handover')
    await workAs(page, 'Isla Penhallick')
    await goTo(page, 'site')
    await expect(page.getByRole('navigation', { name: /Sheets of/ })).toBeVisible()
  } finally {
    await signIn(page.request, 'maren-oduya')
    await page.request.put('/api/people/tobias-lindqvarn', {
      data: { role: before?.role, holds: before?.holds },
    })
  }
})

test('a guest sees one job and nothing else, until the link is taken back', async ({
  page,
  browser,
}) => {
  await page.goto('/jobs/saltbush-ferry/handover')
  await page.getByRole('textbox', { name: 'Who it is for' }).fill('Iris Fenwick')
  await page.getByRole('button', { name: 'Make a link' }).click()
  const link = await page.getByLabel('The link').inputValue()
  const theirs = await browser.newContext()
  const guest = await theirs.newPage()
  await guest.goto(link)
  await expect(heading(guest, 1)).toContainText('Saltbush Ferry Kiosk: not signed yet.')
  await expect(guest.getByText('Householder’s page, when it is signed')).toBeVisible()
  expect(new URL(guest.url()).hash).toBe('')
  await guest.reload()
  await expect(heading(guest, 1)).toContainText('Saltbush Ferry Kiosk')
  for (const place of ['/', '/jobs/saltbush-ferry/gas', '/jobs/kestrel-weir/gas', '/people']) {
    await guest.goto(place)
    await expect(heading(guest, 1)).toHaveText('Who is working?')
  }
  expect((await theirs.request.get('/api/jobs/saltbush-ferry')).status()).toBe(401)
  await page.getByRole('button', { name: 'Take it back: Iris Fenwick' }).click()
  await expect(page.getByText(/taken back/).first()).toBeVisible()
  await guest.goto('/guest')
  await expect(heading(guest, 1)).toHaveText(/Open the link that you were given once more/)
  await theirs.close()
})

test('a session that ends while a phone is out of reach keeps what was recorded, and sends it when the same person is back', async ({
  page,
  context,
}) => {
  await newJob(page, 'House Without Signal')
  const job = new URL(page.url()).pathname.split('/')[2] ?? ''
  await workAs(page, 'Isla Penhallick')
  await goTo(page, 'walk')
  await context.route('**/api/jobs/**', (route) => route.abort())
  await page.getByRole('button', { name: 'Live', exact: true }).click()
  await page.getByRole('button', { name: 'On', exact: true }).click()
  // Elsewhere somebody ends the session.
  expect((await page.request.post('/api/session/end')).status()).toBe(200)
  await context.unroute('**/api/jobs/**')
  const again = page.getByRole('dialog', { name: 'Sign in again' })
  await expect(again).toBeVisible({ timeout: 30_000 })
  await expect(again).toContainText('The session of Isla Penhallick has ended.')
  const recorded = async () => {
    const state = await page.request.get(`/api/jobs/${job}`)
    const { records } = (await state.json()) as {
      records: { by: string; body: { kind: string } }[]
    }
    return records.filter(({ by, body }) => by === 'isla-penhallick' && body.kind === 'looked')
      .length
  }
  // Somebody else signs in on this phone: what Isla recorded waits for her.
  await again.getByRole('button', { name: /Tobias Lindqvarn/ }).click()
  await expect(page.getByRole('button', { name: 'Tobias Lindqvarn' })).toBeVisible()
  await expect(page.getByText(/It is kept until Isla Penhallick signs in/)).toBeVisible({
    timeout: 30_000,
  })
  const before = await recorded()
  await workAs(page, 'Isla Penhallick')
  await expect.poll(recorded, { timeout: 30_000 }).toBe(before + 1)
  await expect(page.getByText(/It is kept until/)).toHaveCount(0)
})

test('a householder is found, given out and erased; the job says so and goes on', async ({
  page,
}) => {
  const name = 'Ida Fenwright'
  await copyOf(page, 'thornfield-scout-hut', 'hut-to-erase')
  const snag = { kind: 'snag', what: `ask ${name} for the key`, owner: 'Maren', due: null }
  const record = { id: 'snag-to-erase', by: 'maren-oduya', at: '2026-11-20T10:00:00Z', body: snag }
  const url = '/api/jobs/hut-to-erase'
  expect((await page.request.post(`${url}/records`, { data: record })).status()).toBe(201)
  const { number } = (await (await page.request.get(url)).json()) as { number: string }
  await page.goto('/people')
  await page.getByRole('link', { name: 'what is held of somebody' }).click()
  await page.getByLabel('Name, address or number').fill('ida fenwright')
  await page.keyboard.press('Enter')
  await expect(heading(page, 1)).toHaveText('ida fenwright stands in one job.')
  await expect(page.getByText(`ask ${name} for the key`)).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Give it out, as a file' }).click()
  const file = await (await download).path()
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({
    jobs: [{ number, texts: [{ text: `ask ${name} for the key` }] }],
  })
  await page.getByRole('button', { name: `Erase it from job ${number}` }).click()
  await page.getByLabel('Why; without a name').fill('asked to be erased')
  await page.getByLabel('Its number, to be sure').fill(number)
  await page.getByRole('button', { name: 'Erase it for good' }).click()
  await expect(heading(page, 1)).toHaveText('Nothing is held of ida fenwright.')
  await page.goto('/jobs/hut-to-erase/handover')
  await expect(
    page.getByText(/Redacted on .* by Maren Oduya: what identifies a person/),
  ).toBeVisible()
  await expect(page.getByText(/ask \[redacted .*\] for the key/).first()).toBeVisible()
  expect(await (await page.request.get(`${url}/export`)).text()).not.toContain('Fenwright')
})

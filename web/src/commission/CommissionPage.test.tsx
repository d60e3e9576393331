/** @jest-environment jsdom */
import type { JobRecord, Person } from '@hestian/core'
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { Site } from '../../../core/src/solve/onSite.testing'
import { reach } from '../api/reach'
import { JobStand, lead } from '../job/jobStand.testing'
import { OffStrip } from '../shell/OffStrip'
import { CommissionPage } from './CommissionPage'
import { press } from '../ui/hands.testing'

beforeEach(() => {
  sessionStorage.clear()
  reach.back()
})
afterEach(cleanup)

/** What was recorded when the steps of the house were done until one of them is next. */
const until = (stepId: string, sequence?: string): readonly JobRecord[] => {
  const site = new Site(house())
  site.until(stepId, sequence)
  return site.records
}

const page = (
  entries: readonly JobRecord[] = [],
  { at = '/', person = lead }: { readonly at?: string; readonly person?: Person } = {},
) =>
  render(
    <JobStand job={house()} entries={entries} at={at} person={person}>
      <CommissionPage />
      <OffStrip working />
    </JobStand>,
  )
const title = () => screen.getByRole('heading', { level: 2 }).textContent
const type = (name: string | RegExp, text: string) =>
  fireEvent.change(screen.getByRole('textbox', { name }), { target: { value: text } })

test('a step is confirmed guard by guard and signed; what it leaves off goes on the strip, and the next one is shown', () => {
  page()
  expect(title()).toBe('Isolate the power and keep it off.')
  const second = screen.getByRole('button', { name: /one before first. Cold to the hand/ })
  expect(second).toHaveProperty('disabled', true)
  expect(screen.getByRole('button', { name: /waits for proved dead/ })).toHaveProperty(
    'disabled',
    true,
  )
  press('Confirm: Proved dead at the boiler')
  press(/^Confirm: Cold to the hand/)
  press('Sign this step')
  expect(title()).toBe('Set the vessel charge, water side empty.')
  expect(screen.getByText('1 thing is off on site')).toBeTruthy()
})

test('an apprentice may confirm and is told what the signature wants', () => {
  page([], { person: { ...lead, id: 'app', name: 'Young Person', tickets: [] } })
  press('Confirm: Proved dead at the boiler')
  press(/^Confirm: Cold to the hand/)
  expect(screen.getByRole('button', { name: /somebody with an electrical ticket/ })).toBeTruthy()
})

test('what would bring a danger says so, with the way to where it is lifted; nothing of it can be confirmed', () => {
  const site = new Site(house())
  site.tightness(0)
  site.until('start.boiler.light', 'start.boiler')
  page(site.records, { at: '/?step=start.boiler.light' })
  expect(title()).toBe('Call for heat and watch the flame.')
  expect(screen.getByText(/It would be fired dry/)).toBeTruthy()
  expect(screen.getAllByRole('link', { name: /^Go to: / }).length).toBeGreaterThan(0)
  expect(screen.getByRole('button', { name: /one before first. Flue complete/ })).toHaveProperty(
    'disabled',
    true,
  )
  expect(
    screen.getByRole('button', { name: /waits for what stands above its guards/ }),
  ).toBeTruthy()
})

test('a test by hand is made on the bench: the step leads there and names itself', () => {
  const site = new Site(house())
  site.tightness(0)
  page(site.records, { at: '/?step=start.boiler.gas-on' })
  const to = screen.getByRole('link', { name: 'Go to: Purge of the gas pipe' }).getAttribute('href')
  expect(to).toContain('/jobs/job/by-hand?open=by-hand.purge')
  expect(to).toContain('from=start.boiler.gas-on')
})

test('a reading outside its limits wants its cause and what was done, and keeps both', () => {
  page(until('heating.cold-fill'))
  press(/^Confirm: Circuit full/)
  type('At the fill point, gauge', '2.4 bar')
  expect(screen.getByText('Outside')).toBeTruthy()
  const waits = () => screen.queryByRole('button', { name: /waits for what it comes from/ })
  expect(waits()).toBeTruthy()
  fireEvent.click(screen.getByRole('radio', { name: 'Filling link lets by' }))
  expect(waits()).toBeTruthy()
  type('What was done', 'Link shut, let down to 1.4 bar')
  expect(waits()).toBeNull()
  press(/^Record 2\.40/)
  fireEvent.click(screen.getByRole('button', { name: /Cold fill/ }))
  expect(screen.getByText(/It came from: Filling link lets by/)).toBeTruthy()
})

test('a step is passed over with a reason, and shown as that', () => {
  page()
  press('Pass this step over')
  expect(screen.getByRole('button', { name: 'Pass it over' })).toHaveProperty('disabled', true)
  type('Why it is passed over', 'no electricity in the building yet')
  press('Pass it over')
  expect(title()).toBe('Set the vessel charge, water side empty.')
  expect(screen.getByText('passed over')).toBeTruthy()
  press(/Power isolated/)
  expect(screen.getByText(/no electricity in the building yet/)).toBeTruthy()
})

test('a step is taken back with a reason, and is open again', () => {
  page(until('heating.zones-open'), { at: '/?step=heating.relief-check' })
  expect(screen.getByText('Done')).toBeTruthy()
  press('Take this step back')
  type('Why it is taken back', 'looked at the wrong valve')
  press('Take it back')
  expect(screen.getByRole('button', { name: /^Confirm: Setting on the tag/ })).toHaveProperty(
    'disabled',
    false,
  )
})

test('out of reach, a step that lets pressure in wants each state seen now; back in reach it does not', () => {
  page(until('heating.fill'))
  for (const guard of [
    /^Confirm: Every joint made up/,
    /^Confirm: A vent open/,
    /^Confirm: Someone/,
  ])
    press(guard)
  expect(screen.getByRole('button', { name: 'Sign this step' })).toBeTruthy()
  act(() => reach.lost())
  expect(screen.getByText(/The server is out of reach/)).toBeTruthy()
  expect(screen.getByRole('button', { name: /look at it now/ })).toBeTruthy()
  press('Seen now: The relief and its discharge are in place')
  expect(screen.getByRole('button', { name: 'Sign this step' })).toBeTruthy()
  act(() => reach.back())
  expect(screen.queryByText(/The server is out of reach/)).toBeNull()
})

test('put back too early is refused with the step it waits for', () => {
  page(until('heating.vessel-charge'))
  press('Put back: Boiler and pump supply')
  expect(screen.getByRole('alert').textContent).toMatch(/stays off until step 11: Power on/)
})

test('the order of work shows one sequence step by step, the others in a line; picking one opens it', () => {
  page()
  const order = screen.getByRole('complementary', { name: 'The order of work' })
  expect(within(order).getByText('0 of 29 done')).toBeTruthy()
  fireEvent.click(within(order).getByRole('button', { name: /^Controls/ }))
  expect(title()).toBe('Call House alone.')
  expect(
    within(order)
      .getByRole('button', { name: /^Controls/ })
      .getAttribute('aria-expanded'),
  ).toBe('true')
})

test('a visit does not end while something is off that nobody has explained', () => {
  page(until('heating.vessel-charge'))
  press('Begin a visit')
  type('What was done', 'isolated it')
  expect(screen.getByRole('button', { name: /why Boiler and pump supply stays off/ })).toBeTruthy()
  type(/why it stays so$/, 'filled tomorrow')
  press('End the visit')
  expect(screen.getByText(/isolated it/)).toBeTruthy()
  expect(screen.getByRole('button', { name: 'Begin a visit' })).toBeTruthy()
})

test('what was typed and not given yet is there again after the page was left', () => {
  page(until('heating.vessel-charge'))
  press('Begin a visit')
  type('What was done', 'isolated it')
  type(/why it stays so$/, 'filled tomorrow')
  press('Pass this step over')
  type('Why it is passed over', 'no gauge here')
  cleanup()
  page(until('heating.vessel-charge'))
  const because = screen.getByRole('textbox', { name: 'Why it is passed over' })
  expect((because as HTMLInputElement).value).toBe('no gauge here')
})

test('an apprentice’s step is shown as it waits, is ticked nowhere, and is not theirs to countersign', () => {
  const young = { ...lead, id: 'young', name: 'Young Person', role: 'apprentice' }
  page([], { person: young })
  press('Confirm: Proved dead at the boiler')
  press(/^Confirm: Cold to the hand/)
  press('Sign this step')
  expect(screen.getByText('Waits for a countersign')).toBeTruthy()
  expect(screen.getByText('waits for a countersign')).toBeTruthy()
  expect(screen.queryByRole('button', { name: /^Countersign/ })).toBeNull()
  expect(within(screen.getByLabelText('The order of work')).queryByLabelText('done')).toBeNull()
})

test('a lead countersigns it, and the next step is reached', () => {
  const site = new Site(house())
  site.do(site.now() as never)
  const entries = site.records.map((record) =>
    record.body.kind === 'step' && !record.body.stepId.startsWith('guard:')
      ? { ...record, by: 'young', body: { ...record.body, awaits: true as const } }
      : record,
  )
  page(entries)
  press('Countersign: I was there, and it is right')
  expect(title()).toBe('Set the vessel charge, water side empty.')
})

/** @jest-environment jsdom */
import type { JobRecord } from '@hestian/core'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { Site } from '../../../core/src/solve/onSite.testing'
import { JobStand } from '../job/jobStand.testing'
import { OffStrip } from '../shell/OffStrip'
import { button, press, type } from '../ui/hands.testing'
import { Visits } from './Visits'

beforeEach(() => sessionStorage.clear())
afterEach(cleanup)

const open = (entries: readonly JobRecord[] = [], frozen = false) =>
  render(
    <JobStand job={house()} entries={entries} frozen={frozen}>
      <Visits />
      <OffStrip working />
    </JobStand>,
  )
/** What is done is over once it stands in what is shown. */
const pressed = (name: string | RegExp) =>
  act(async () => {
    press(name)
    await Promise.resolve()
  })
const said = () => screen.getByRole('region', { name: 'Visits' }).textContent

/** A site where the first step is done, so that the power is off. */
function powerOff(): Site {
  const site = new Site(house())
  const first = site.now()
  if (first) site.do(first)
  return site
}
const begun = (site: Site, others = '') => {
  site.add({ kind: 'visit-begun', with: others })
  return site.records
}

test('a visit begins with who else is there, and goes on until it is ended', async () => {
  open()
  expect(said()).toContain('none yet')
  type('Who else is there', '  A helper ')
  await pressed('Begin a visit')
  expect(said()).toMatch(/Since .*: lead, A helper\./)
  expect(screen.queryByRole('button', { name: 'Begin a visit' })).toBeNull()
})

test('it does not end before it is said what was done, and then stands with its words', async () => {
  open(begun(new Site(house())))
  expect(button(/^End the visit: waits for what was done/).disabled).toBe(true)
  type('What was done', 'ab')
  expect(button(/waits for what was done/).disabled).toBe(true)
  type('What was done', 'Filled and vented')
  type('What is left', 'The second look')
  await pressed('End the visit')
  expect(said()).toMatch(/Filled and vented Left: The second look/)
  expect(button('Begin a visit').disabled).toBe(false)
})

test('it does not end while something is off and nobody says why it stays so', async () => {
  const site = powerOff()
  const off = site.judge().off.map(({ body }) => body.name)
  expect(off.length).toBeGreaterThan(0)
  open(begun(site))
  type('What was done', 'Made dead')
  expect(button(new RegExp(`waits for why ${off[0]} stays`)).disabled).toBe(true)
  for (const name of off)
    type(new RegExp(`^${name} is still .*: why it stays so`), 'Locked, back on Monday')
  await pressed('End the visit')
  expect(said()).toContain('Made dead')
  expect(screen.queryByRole('alert')).toBeNull()
})

test('a reason of two letters is none', () => {
  const site = powerOff()
  const [first] = site.judge().off
  open(begun(site))
  type('What was done', 'Made dead')
  type(new RegExp(`^${first?.body.name} is still`), ' x ')
  expect(button(new RegExp(`waits for why ${first?.body.name} stays`)).disabled).toBe(true)
})

test('what is typed for the end of a visit stands after the page was left', () => {
  const entries = begun(new Site(house()))
  const { unmount } = open(entries)
  type('What was done', 'Filled and ven')
  unmount()
  open(entries)
  expect(screen.getByRole('textbox', { name: 'What was done' })).toHaveProperty(
    'value',
    'Filled and ven',
  )
})

test('visits stand with the last one first, each with who was there', () => {
  const site = new Site(house())
  const ended = (done: string, others: string) => {
    const visit = site.add({ kind: 'visit-begun', with: others })
    site.add({ kind: 'visit-ended', visit, done, left: '', staysOff: {} })
  }
  ended('Pipes tested', 'A helper')
  ended('Boiler lit', '')
  open(site.records)
  expect(said()).toMatch(/Visits2.*, lead\. Boiler lit.*, lead, A helper\. Pipes tested/)
})

test('of a signed job none is begun', () => {
  open([], true)
  expect(screen.queryByRole('button', { name: 'Begin a visit' })).toBeNull()
})

test('Enter in a field begins it as the button does', async () => {
  open()
  const field = screen.getByRole('textbox', { name: 'Who else is there' })
  await act(async () => {
    fireEvent.submit(field)
    await Promise.resolve()
  })
  expect(said()).toMatch(/Since .*: lead\./)
})

/** @jest-environment jsdom */
import type { JobRecord, RecordBody } from '@hestian/core'
import { cleanup, render, screen } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand } from '../job/jobStand.testing'
import { button, choose, field, press, type } from '../ui/hands.testing'
import { UnsafeForm } from './UnsafeForm'

let recorded: RecordBody[]
let closed: number
let someoneIsAtWork: boolean
beforeEach(() => {
  ;[recorded, closed, someoneIsAtWork] = [[], 0, true]
  sessionStorage.clear()
})
afterEach(cleanup)

const page = (practice: Parameters<typeof house>[0] = 'uk-ireland', entries: JobRecord[] = []) =>
  render(
    <JobStand
      job={house(practice)}
      entries={entries}
      onRecord={(body) => someoneIsAtWork && recorded.push(body) > 0}
    >
      <UnsafeForm sheet="gas" onClose={() => closed++} />
    </JobStand>,
  )
const flue: Extract<RecordBody, { kind: 'unsafe' }> = {
  ...{ kind: 'unsafe', class: 'immediate', what: 'Flue apart in the loft', label: 'hung' },
  ...{ done: 'Gas shut at the boiler', notice: 'refused', toWhom: 'tenant', reportedTo: '' },
  sheet: 'gas',
}
const seen: JobRecord = { id: 'unsafe-1', at: '2026-11-20T10:00:00Z', by: 'lead', body: flue }
const alarm = () => screen.getAllByRole('alert').at(-1)?.textContent

test('asks for one thing after the other, in a sentence, and keeps what is said meanwhile', () => {
  page()
  press('Record it')
  expect(alarm()).toBe('Say what is unsafe.')
  type('What is unsafe, and where', 'Flue apart in the loft')
  press('Record it')
  expect(alarm()).toBe('Choose how bad it is.')
  choose(/How bad/, 'Immediately dangerous')
  // What the class asks stands beside it before anything is recorded.
  expect(screen.getByText(/emergency line is told before you leave/)).toBeTruthy()
  press('Record it')
  expect(alarm()).toBe('Say what was done about it.')
  type('What was done about it', 'Gas shut at the boiler')
  press('Record it')
  expect(alarm()).toBe('Say whether the label hangs there.')
  choose(/^choose Label|Label: Do not use/, 'Hung')
  press('Record it')
  expect(alarm()).toBe('Say whether the notice was signed, refused or left.')
  expect(recorded).toEqual([])
  choose(/Notice/, 'Given, signature refused')
  type('To whom', ' tenant ')
  press('Record it')
  expect(recorded).toEqual([flue])
  expect(field('What is unsafe, and where').value).toBe('')
  expect(screen.getByText(/Flue apart in the loft/)).toBeTruthy()
})

test('stays as it was typed while nobody has said who is at work', () => {
  someoneIsAtWork = false
  page()
  type('What is unsafe, and where', 'Flue apart in the loft')
  type('What was done about it', 'Gas shut at the boiler')
  choose(/How bad/, 'At risk')
  choose(/Label: Do not use/, 'Not possible')
  choose(/Notice/, 'Left: nobody was there')
  press('Record it')
  expect(field('What is unsafe, and where').value).toBe('Flue apart in the loft')
  expect(field('What was done about it').value).toBe('Gas shut at the boiler')
})

test('what was typed is there after a reload', () => {
  page()
  type('What is unsafe, and where', 'Flue apart')
  cleanup()
  page()
  expect(field('What is unsafe, and where').value).toBe('Flue apart')
})

test('it stays open until somebody says how it was put right', () => {
  page('uk-ireland', [seen])
  expect(screen.getByText(/Notice: given, signature refused, tenant/)).toBeTruthy()
  expect(screen.getByText(/Reported to nobody else/)).toBeTruthy()
  const safe = () => button('It is safe again')
  expect(safe().disabled).toBe(true)
  type('Put right by', 'ok')
  expect(safe().disabled).toBe(true)
  type('Put right by', 'Flue renewed, spillage tried')
  press('It is safe again')
  expect(recorded).toEqual([
    { kind: 'unsafe-ended', unsafe: 'unsafe-1', how: 'Flue renewed, spillage tried' },
  ])
  expect(screen.getByText(/^Put right: Flue renewed, spillage tried/)).toBeTruthy()
  expect(screen.queryByRole('button', { name: 'It is safe again' })).toBeNull()
})

test.each([
  ['uk-ireland', 'Immediately dangerous', 'Do not use'],
  ['north-america', 'Immediate hazard', 'Hazard tag'],
  ['australia-new-zealand', 'Immediately unsafe', 'Defect notice'],
] as const)('in %s its classes and its label have their names there', (practice, name, label) => {
  page(practice)
  press(/How bad/)
  expect(screen.getByRole('option', { name })).toBeTruthy()
  expect(document.body.textContent).toContain(label)
  expect(document.body.textContent).toMatch(/your licence say comes first/)
})

test('is closed by a press, with nothing recorded', () => {
  page()
  press('Close')
  expect(closed).toBe(1)
  expect(recorded).toEqual([])
})

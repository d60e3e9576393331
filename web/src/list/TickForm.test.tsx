/** @jest-environment jsdom */
import type { Person, TickItem } from '@hestian/core'
import { cleanup, render, screen, waitFor } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand, lead } from '../job/jobStand.testing'
import { TickForm } from './TickForm'
import { button, press, type } from '../ui/hands.testing'

let acts: { path: string; body: object }[]
let done: number
let granted: boolean
beforeEach(() => {
  ;[acts, done, granted] = [[], 0, true]
  sessionStorage.clear()
  localStorage.clear()
})
afterEach(cleanup)

const item = (part: Partial<TickItem> = {}): TickItem => ({
  ...{ id: 'let-down', group: 'before', says: 'Pressure let down', why: 'The gauge proves it.' },
  ...part,
})
const reading = { label: 'Gauge after letting down', measure: 'water-pressure' } as const
const form = (of: TickItem, person: Person = lead) =>
  render(
    <JobStand
      job={house()}
      person={person}
      onAct={(path, body) => {
        acts.push({ path, body })
        return granted
      }}
    >
      <TickForm item={of} onDone={() => done++} />
    </JobStand>,
  )

test('what asks for nothing is ticked by one press', async () => {
  form(item())
  press('Done')
  await waitFor(() => expect(done).toBe(1))
  expect(acts).toEqual([{ path: '/items/let-down/tick', body: { answer: 'done', text: '' } }])
})

test('a reading is waited for, taken in any unit, and kept as it was typed', async () => {
  form(item({ reading }))
  expect(button(/^Done/).disabled).toBe(true)
  expect(button(/^Done/).textContent).toBe('Done: waits for its reading')
  type(/^Gauge after/, 'about nothing')
  expect(screen.getByText(/about nothing|number/)).toBeTruthy()
  expect(button(/^Done/).disabled).toBe(true)
  type(/^Gauge after/, '20 psi')
  expect(screen.getByText(/^Understood: /)).toBeTruthy()
  press('Done')
  await waitFor(() => expect(done).toBe(1))
  const read = { si: expect.closeTo(137_895, -1) as number, typed: '20 psi' }
  expect(acts[0]?.body).toEqual({ answer: 'done', text: '', reading: read })
})

test('a few words are waited for where something is to be written down, and stay where it was not granted', async () => {
  granted = false
  form(item({ text: 'Where it was' }))
  expect(button(/^Done/).textContent).toBe('Done: waits for a few words')
  type('Where it was', '   ')
  expect(button(/^Done/).disabled).toBe(true)
  type('Where it was', 'union at the cock')
  press('Done')
  await waitFor(() => expect(acts).toHaveLength(1))
  expect(done).toBe(0)
  expect(screen.getByLabelText<HTMLInputElement>('Where it was').value).toBe('union at the cock')
})

test('without its ticket it waits for somebody who has it', () => {
  const young: Person = { ...lead, tickets: [] }
  form(item({ ticket: 'electrical' }), young)
  expect(button(/^Done/).textContent).toBe('Done: waits for somebody with an electrical ticket')
  cleanup()
  form(item({ ticket: 'gas' }), young)
  expect(button(/^Done/).textContent).toBe('Done: waits for somebody with a gas ticket')
})

test('passed over with a reason, and never where it is always called for', async () => {
  form(item({ always: true }))
  expect(screen.queryByRole('button', { name: 'Not called for here' })).toBeNull()
  cleanup()
  form(item())
  press('Not called for here')
  expect(button('Record why').disabled).toBe(true)
  type('Not called for here, because', 'dry')
  press('Record why')
  await waitFor(() => expect(done).toBe(1))
  expect(acts[0]?.body).toEqual({ answer: 'not-here', because: 'dry' })
})

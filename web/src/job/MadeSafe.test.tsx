/** @jest-environment jsdom */
import type { JobDocument, RecordBody } from '@hestian/core'
import { leakMadeSafe } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { choose, field, press, type } from '../ui/hands.testing'
import { JobStand } from './jobStand.testing'
import { MadeSafe } from './MadeSafe'

let recorded: RecordBody[]
let someoneIsAtWork: boolean
beforeEach(() => {
  ;[recorded, someoneIsAtWork] = [[], true]
  sessionStorage.clear()
})
afterEach(cleanup)

const page = (job: JobDocument = house(), frozen = false) =>
  render(
    <JobStand
      job={job}
      frozen={frozen}
      onRecord={(body) => someoneIsAtWork && recorded.push(body) > 0}
    >
      <MadeSafe />
    </JobStand>,
  )
const made = (how: string, without = '') => {
  type('Where it leaked', 'union at the cooker')
  choose(/How it was made safe/, how)
  if (without) type('What is without gas now', without)
  press('Record it made safe')
}
const off = () => recorded.filter(({ kind }) => kind === 'off')

test('the smell of gas and what nobody does about it stand there before anything is asked', () => {
  page()
  expect(screen.getByText(/Smell of gas/)).toBeTruthy()
  expect(document.body.textContent).toMatch(/Never look for a leak with a flame/)
})

test('says what it still wants, and records nothing before', () => {
  page()
  press('Record it made safe')
  expect(screen.getByText('Say where it leaked.')).toBeTruthy()
  type('Where it leaked', 'union at the cooker')
  press('Record it made safe')
  expect(screen.getByText('Say how it was made safe.')).toBeTruthy()
  expect(recorded).toEqual([])
})

test.each([
  ['Meter valve shut', 'shut'],
  ['A valve before it shut', 'shut'],
  ['Capped', 'disconnected'],
  ['Disconnected and capped', 'disconnected'],
] as const)('%s: what is without gas goes on the off strip as %s', (how, state) => {
  page()
  made(how, 'the whole flat')
  expect(recorded[0]).toMatchObject({ kind: 'made-safe', without: 'the whole flat' })
  expect(off()).toEqual([
    {
      ...{ kind: 'off', name: 'Gas: the whole flat', state },
      ...{ where: 'union at the cooker', because: leakMadeSafe },
    },
  ])
})

test('repaired at once, nothing is left off', () => {
  page()
  made('Repaired at once')
  expect(recorded.map(({ kind }) => kind)).toEqual(['made-safe'])
})

test('what went out with it is on the strip by name, to be lit again', () => {
  page()
  fireEvent.click(screen.getByRole('checkbox', { name: /Boiler/ }))
  made('Meter valve shut')
  expect(off()).toContainEqual(expect.objectContaining({ name: 'Boiler', state: 'unlit' }))
})

test('nothing typed is lost while nobody has said who is at work', () => {
  someoneIsAtWork = false
  page()
  made('Capped', 'the cooker')
  expect(field('Where it leaked').value).toBe('union at the cooker')
  expect(field('What is without gas now').value).toBe('the cooker')
})

test('recorded, it is read back, and another leak is another press', () => {
  page()
  made('Capped', 'the cooker')
  expect(document.body.textContent).toContain(
    'Capped: union at the cooker; without gas: the cooker',
  )
  expect(screen.queryByLabelText('Where it leaked')).toBeNull()
  press('Another leak')
  expect(field('Where it leaked').value).toBe('')
})

test('a signed revision takes none', () => {
  page(house(), true)
  expect(screen.queryByRole('button', { name: /Record|Another/ })).toBeNull()
})

/** @jest-environment jsdom */
import type { JobDocument, RecordBody } from '@hestian/core'
import { blankDocument } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand } from '../job/jobStand.testing'
import { button, field, press, type } from '../ui/hands.testing'
import { walkOf } from './walk'
import { WalkPage } from './WalkPage'

let recorded: RecordBody[]
let after: JobDocument | undefined
beforeEach(() => {
  ;[recorded, after] = [[], undefined]
  localStorage.clear()
  sessionStorage.clear()
})
afterEach(cleanup)

const blank = () => blankDocument({ name: 'Job', address: '', practice: 'uk-ireland' })
const page = (job: JobDocument = blank()) =>
  render(
    <JobStand
      job={job}
      onRecord={(body) => recorded.push(body) > 0}
      onEdit={(_, document) => (after = document)}
    >
      <WalkPage />
    </JobStand>,
  )
const asked = () => screen.getByRole('heading', { level: 2 }).textContent
const dot = (number: number) =>
  screen.getByRole('button', { name: new RegExp(`^Question ${number},`) })

test('begins at the street, and passes over what cannot be answered now', () => {
  page()
  expect(asked()).toBe('Is the water connected?')
  expect(button('Back').disabled).toBe(true)
  press('Not now')
  expect(asked()).toBe('Is the gas connected?')
  press('Back')
  expect(asked()).toBe('Is the water connected?')
})

test('the question is read out: what is asked has the focus', () => {
  page()
  press('Not now')
  expect(document.activeElement?.textContent).toBe('Is the gas connected?')
})

test('a figure is taken, in any unit, and the next question is asked', () => {
  const job = blank()
  const at = walkOf(job).findIndex(({ key }) => key === 'elevation_m')
  page(job)
  fireEvent.click(dot(at + 1))
  expect(asked()).toMatch(/elevation/i)
  const [box] = screen.getAllByRole('textbox')
  fireEvent.change(box as HTMLElement, { target: { value: '1200 ft' } })
  fireEvent.submit((box as HTMLElement).closest('form') as HTMLFormElement)
  expect(after?.survey.elevation_m?.value).toBeCloseTo(365.76, 2)
  expect(asked()).not.toMatch(/elevation/i)
  expect(dot(at + 1).getAttribute('aria-label')).toContain('answered')
})

test('where one stood is where one goes on after a reload', () => {
  page()
  press('Not now')
  press('Not now')
  const here = asked()
  cleanup()
  page()
  expect(asked()).toBe(here)
})

test('an answer alone does not move the page on', () => {
  page()
  press(/^Live/)
  expect(recorded[0]).toMatchObject({
    kind: 'looked',
    field: 'survey.supplies.water',
    answer: 'live',
  })
  expect(asked()).toBe('Is the water connected?')
  press('On')
  expect(asked()).toBe('Is the gas connected?')
})

test('at its end it says how much was not looked at, and leads to the first of it', () => {
  const job = house()
  const stops = walkOf(job)
  page(job)
  fireEvent.click(dot(stops.length))
  press(/^(Not now|On)$/)
  expect(asked()).toMatch(/questions are not looked at yet|Everything was looked at/)
  expect(document.activeElement?.textContent).toBe(asked())
  press('Go to the first open one')
  expect(asked()).toBe('Is the water connected?')
})

test('a note typed beside a question waits while one looks at another', () => {
  const job = blank()
  const at = walkOf(job).findIndex(({ kind }) => kind === 'look')
  page(job)
  fireEvent.click(dot(at + 1))
  type('Note', 'behind the panel')
  press('Not now')
  press('Back')
  expect(field('Note').value).toBe('behind the panel')
})

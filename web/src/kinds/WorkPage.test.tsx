/** @jest-environment jsdom */
import type { JobDocument } from '@hestian/core'
import { blankDocument, exchangedWords, inWords, practices, workKinds } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand } from '../job/jobStand.testing'
import { choose, press } from '../ui/hands.testing'
import { WorkPage } from './WorkPage'

let after: JobDocument | undefined
beforeEach(() => (after = undefined))
afterEach(cleanup)

const blank = () => blankDocument({ name: 'Job', address: '', practice: 'uk-ireland' })
const page = (job: JobDocument = blank(), frozen = false) =>
  render(
    <JobStand job={job} frozen={frozen} onEdit={(_, document) => (after = document)}>
      <WorkPage />
    </JobStand>,
  )
const tick = (name: RegExp) => fireEvent.click(screen.getByRole('checkbox', { name }))
const asks = () => document.body.textContent

test('a blank job is asked what the work is, and says it must be something', () => {
  page()
  expect(screen.getAllByRole('checkbox')).toHaveLength(workKinds.length)
  tick(/^Inspection only/)
  tick(/^Inspection only/)
  expect(screen.queryByRole('button', { name: 'This is the work' })).toBeNull()
})

test('what a choice asks for stands beside it before it is taken', () => {
  page()
  tick(/^Inspection only/)
  expect(asks()).toMatch(/Then this is asked\d+ sheets, list of 1/)
  expect(after).toBeUndefined()
  tick(/^New heating with a boiler/)
  expect(asks()).toMatch(/list of [2-9]/)
  press('This is the work')
  expect(after?.work.kinds).toEqual(['heating-new', 'inspection-only'])
  expect(after?.heating).not.toBeNull()
})

test('a safety part is not exchanged before it is said which', () => {
  page()
  tick(/^One safety part exchanged/)
  press('This is the work')
  expect(screen.getByText('Say which safety part is exchanged.')).toBeTruthy()
  expect(after).toBeUndefined()
  choose(
    /Which safety part/,
    inWords(exchangedWords['relief-valve'], practices['uk-ireland'].words),
  )
  press('This is the work')
  expect(after?.work.exchange?.part).toBe('relief-valve')
  expect(after?.parts.map(({ stay }) => stay)).toEqual(['goes', 'new'])
})

test('a job that nobody has asked begins with what is filled as the guess', () => {
  const old = house()
  page({ ...old, work: { ...old.work, kinds: [] } })
  expect(asks()).toMatch(/Tick what is done here. Nothing that is filled is hidden or lost/)
  expect(
    screen.getByRole<HTMLInputElement>('checkbox', { name: /^New heating with a boiler/ }).checked,
  ).toBe(true)
  press('This is the work')
  expect(after?.work.kinds).toEqual(['heating-new'])
})

test('made wider later, nothing that is filled is lost; made narrower neither', () => {
  const filled = house()
  const said = { ...filled, work: { ...filled.work, kinds: ['heating-new' as const] } }
  page(said)
  expect(screen.queryByRole('button', { name: /work/ })).toBeNull()
  tick(/^Inspection only/)
  press('Change the work to this')
  expect(after?.work.kinds).toEqual(['heating-new', 'inspection-only'])
  tick(/^New heating/)
  press('Change the work to this')
  expect(after?.work.kinds).toEqual(['inspection-only'])
  expect(after?.heating).toEqual(said.heating)
  expect(after?.appliances).toEqual(said.appliances)
})

test('of a signed revision it cannot be changed', () => {
  page({ ...house(), work: { ...house().work, kinds: ['heating-new'] } }, true)
  for (const box of screen.getAllByRole<HTMLInputElement>('checkbox'))
    expect(box.disabled).toBe(true)
})

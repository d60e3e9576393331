/** @jest-environment jsdom */
import type { InspectionItem, JobDocument, RecordBody } from '@hestian/core'
import { lookQuestions } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand } from '../job/jobStand.testing'
import { field, press, type } from '../ui/hands.testing'
import { DraughtTrial } from './DraughtTrial'
import { InspectForm } from './InspectForm'
import { LookForm } from './LookForm'

// What is seen on a first visit: an item inspected, a question answered by looking, the draught tried.

let recorded: RecordBody[]
let after: JobDocument | undefined
let done: number
let someoneIsAtWork: boolean
beforeEach(() => {
  ;[recorded, after, done, someoneIsAtWork] = [[], undefined, 0, true]
  sessionStorage.clear()
})
afterEach(cleanup)

const stand = (page: React.ReactNode, job: JobDocument = house()) =>
  render(
    <JobStand
      job={job}
      onRecord={(body) => someoneIsAtWork && recorded.push(body) > 0}
      onEdit={(_, document) => (after = document)}
    >
      {page}
    </JobStand>,
  )

describe('an item inspected', () => {
  const item = (part: Partial<InspectionItem> = {}): InspectionItem => ({
    ...{ id: 'discharge', area: 'Relief and vessels', name: 'Discharge of the relief' },
    limit: 'full size, falling, to a safe place',
    source: { basis: 'common-practice', says: 'Common practice' },
    ...part,
  })
  const form = (part: Partial<InspectionItem> = {}) =>
    stand(<InspectForm item={item(part)} done={() => done++} />)
  /** The day of a snag is fetched when there is one. */
  const calendar = () => screen.findByRole('group', { name: 'By' })
  const verdict = (name: string) => fireEvent.click(screen.getByRole('radio', { name }))

  test('wants a verdict, and a reason where it was not inspected', () => {
    form()
    press('Record it')
    expect(screen.getByRole('alert').textContent).toBe('Choose a verdict.')
    verdict('Not inspected')
    press('Record it')
    expect(screen.getByRole('alert').textContent).toMatch(/Say why it was not inspected/)
    type('Not inspected, because', 'the water was off')
    press('Record it')
    expect(recorded).toEqual([
      {
        ...{ kind: 'inspected', item: 'discharge', verdict: 'not-inspected', note: '' },
        ...{ limit: 'full size, falling, to a safe place', because: 'the water was off' },
      },
    ])
    expect(done).toBe(1)
  })

  test('a snag goes with it, with somebody who does it', async () => {
    form()
    verdict('Look again')
    type('Seen', ' rises once ')
    type('Make it a snag', 'run it anew')
    await calendar()
    press('Record it')
    expect(screen.getByRole('alert').textContent).toMatch(/somebody who does it/)
    type('Who', 'Isla')
    press('Record it')
    expect(recorded).toMatchObject([
      { kind: 'inspected', verdict: 'look-again', note: 'rises once', because: '' },
      { kind: 'snag', what: 'run it anew', owner: 'Isla', due: null, item: 'discharge' },
    ])
  })

  test('a reason is not kept with a verdict that wants none', () => {
    form()
    verdict('Not inspected')
    type('Not inspected, because', 'the water was off')
    verdict('Sound')
    press('Record it')
    expect(recorded[0]).toMatchObject({ verdict: 'sound', because: '' })
  })

  test('begins with what the survey found, and what was typed is there after a reload', async () => {
    form({ found: 'copper, 15 mm', suggests: 'sound' })
    expect(field('Seen').value).toBe('copper, 15 mm')
    type('Seen', 'copper, 15 mm, rises once')
    type('Make it a snag', 'run it anew')
    await calendar()
    type('Who', 'Isla')
    cleanup()
    form({ found: 'copper, 15 mm', suggests: 'sound' })
    expect(field('Seen').value).toBe('copper, 15 mm, rises once')
    expect(field('Who').value).toBe('Isla')
    press('Record it')
    cleanup()
    form({ found: 'copper, 15 mm', suggests: 'sound' })
    expect(field('Seen').value).toBe('copper, 15 mm')
    expect(field('Make it a snag').value).toBe('')
  })

  test('stays as it was typed while nobody has said who is at work', () => {
    someoneIsAtWork = false
    form()
    verdict('Sound')
    type('Seen', 'dry')
    press('Record it')
    expect(done).toBe(0)
    expect(field('Seen').value).toBe('dry')
  })
})

describe('a question answered by looking', () => {
  const [question] = lookQuestions
  if (!question) throw new Error('nothing is asked')
  const [first] = question.answers
  const form = (job?: JobDocument) =>
    stand(<LookForm question={question} done={() => done++} />, job)

  test('is answered by a press; how it is known, and a note, go with it', () => {
    form()
    fireEvent.click(screen.getByRole('radio', { name: 'Told or read' }))
    type('Note', 'says the neighbour')
    press(first?.text ?? '')
    const seen = { answer: first?.id, basis: 'read', from: 'Told or read' }
    expect(recorded).toEqual([
      {
        ...{ kind: 'looked', field: `survey.looked.${question.key}` },
        ...{ ...seen, note: 'says the neighbour' },
      },
    ])
    expect(after?.survey.looked[question.key]).toMatchObject(seen)
    expect(done).toBe(1)
  })

  test('taken out, it is not looked at yet', () => {
    const job = house()
    job.survey.looked[question.key] = {
      ...{ answer: first?.id ?? '', basis: 'measured', from: 'Seen', recordId: 'seen-0001' },
    }
    form(job)
    press('Take it out: not looked at yet')
    expect(after?.survey.looked[question.key]).toBeNull()
  })

  test('a note is there after a reload, and gone once it was taken', () => {
    form()
    type('Note', 'behind the panel')
    cleanup()
    form()
    expect(field('Note').value).toBe('behind the panel')
    press(first?.text ?? '')
    cleanup()
    form()
    expect(field('Note').value).toBe('')
  })
})

describe('the draught', () => {
  test('smoke drawn in proves nothing before everything against it holds', () => {
    stand(<DraughtTrial />)
    expect(document.body.textContent).toMatch(/smoke drawn in then proves nothing/)
    type('Note', 'windy')
    press('Drawn in')
    expect(recorded).toMatchObject([
      { kind: 'draught', trial: { smoke: 'in', held: [], note: 'windy' } },
    ])
    expect(after?.survey.draught?.smoke).toBe('in')
    expect(screen.getByText(/0 of \d held/)).toBeTruthy()
    press('Try it again')
    expect(field('Note').value).toBe('')
  })
})

/** @jest-environment jsdom */
import type { JobDocument, PartKind } from '@hestian/core'
import { askedOf, inWords, partFields, partKinds, partWords, solve } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { choose, fill, press, write } from '../ui/hands.testing'
import { Parts } from './Parts'
import { PlacePage } from './PlacePage'

let after: JobDocument
beforeEach(() => sessionStorage.clear())
afterEach(cleanup)

function open(job: JobDocument, what: React.ReactNode) {
  after = job
  render(
    <JobStand job={job} onEdit={(_, next) => (after = next)}>
      {what}
    </JobStand>,
  )
}
const wordsOf = (kind: PartKind) => inWords(partWords[kind], solve(house()).practice.words)

describe('vessels and valves that are there', () => {
  const parts = () => open({ ...house(), parts: [] }, <Parts />)
  const asked = () =>
    [...document.querySelectorAll('[id^="row-parts.0."] > span:first-child')].map(
      ({ textContent }) => textContent,
    )

  test.each(partKinds)('%s: what its tag says is asked, no more, and nothing is known', (kind) => {
    parts()
    expect(screen.getByText(/Relief valves and vessels age/)).toBeTruthy()
    choose(/Add a vessel or valve/, wordsOf(kind))
    const fields = partFields.filter(({ kinds }) => kinds.includes(kind))
    expect(asked()).toEqual(fields.map(({ label }) => label))
    expect(after.parts).toHaveLength(1)
    for (const { key } of fields) expect(after.parts[0]?.[key]).toBeNull()
    expect(after.parts[0]).toMatchObject({ kind, name: wordsOf(kind), maker: null })
    expect(screen.queryByText(/Relief valves and vessels age/)).toBeNull()
  })

  test('one that hardly ever stands elsewhere begins in its circuit, and can be put in another', () => {
    parts()
    choose(/Add a vessel or valve/, wordsOf('reducing-valve'))
    choose(/Add a vessel or valve/, wordsOf('temperature-pressure-valve'))
    choose(/Add a vessel or valve/, wordsOf('relief-valve'))
    expect(after.parts.map(({ circuit }) => circuit)).toEqual(['main', 'hot-water', 'heating'])
    choose(new RegExp(`Circuit of ${wordsOf('relief-valve')}`), 'Hot water')
    expect(after.parts.map(({ circuit }) => circuit)).toEqual(['main', 'hot-water', 'hot-water'])
  })

  test('a set pressure goes to the part it was read from', () => {
    parts()
    choose(/Add a vessel or valve/, wordsOf('relief-valve'))
    choose(/Add a vessel or valve/, wordsOf('relief-valve'))
    write('Name of part 2', ' Old valve ')
    const rows = screen.getAllByRole('button', { name: /^Set pressure/ })
    fireEvent.click(rows[1] as HTMLElement)
    fill('Set pressure', '3 bar', 'Read')
    expect(after.parts[0]?.setGauge_Pa).toBeNull()
    expect(after.parts[1]).toMatchObject({
      ...{ name: 'Old valve', setGauge_Pa: { value: 3e5, basis: 'read' } },
    })
    press(`Remove ${wordsOf('relief-valve')}`)
    expect(after.parts.map(({ name }) => name)).toEqual(['Old valve'])
  })
})

describe('the place', () => {
  const place = (job: JobDocument) => open(job, <PlacePage />)
  const withLooked = (change: object): JobDocument => {
    const job = demoJob('kestrel-weir')
    const looked = { ...job.survey.looked, ...change }
    return { ...job, survey: { ...job.survey, looked } as JobDocument['survey'] }
  }
  const head = () => document.querySelector('h2')?.textContent ?? ''
  const chip = () =>
    ['Pass', 'Stop', 'Not yet', 'Look again'].filter((word) => screen.queryByText(word))

  test('that was seen and will do says so', () => {
    place(demoJob('kestrel-weir'))
    expect(head()).toBe('The place is seen, and it will do.')
    expect(chip()).toEqual(['Pass'])
  })

  test('one thing that nobody looked at holds it open, and is counted', () => {
    const job = demoJob('kestrel-weir')
    const [first, second] = askedOf(job, 'air').filter(({ key }) => job.survey.looked[key])
    if (!first || !second) throw new Error('Nothing of the air was looked at.')
    place(withLooked({ [first.key]: null }))
    expect(head()).toMatch(/^1 thing is not looked at yet/)
    expect(chip()).toEqual(['Not yet'])
    cleanup()
    place(withLooked({ [first.key]: null, [second.key]: null }))
    expect(head()).toMatch(/^2 things are not looked at yet/)
  })

  test('a blank survey is never a place that will do', () => {
    const job = demoJob('kestrel-weir')
    const nothing = Object.fromEntries(Object.keys(job.survey.looked).map((key) => [key, null]))
    place(withLooked(nothing))
    expect(head()).not.toMatch(/will do/)
    expect(chip()).toEqual(['Not yet'])
    expect(screen.getByText(/Not looked at yet is not the same as no/)).toBeTruthy()
  })

  test('every question of the three parts is asked, under its head', () => {
    const job = demoJob('kestrel-weir')
    place(job)
    for (const [id, name] of [
      ['place', 'Location and hazards'],
      ['air', 'Air and flue'],
      ['services', 'Drains and power'],
    ] as const) {
      const section = screen.getByRole('heading', { name }).closest('section') as HTMLElement
      const questions = askedOf(job, id)
      expect(questions.length).toBeGreaterThan(0)
      for (const { key } of questions)
        expect(section.querySelector(`[id="row-survey.looked.${key}"]`)).toBeTruthy()
    }
  })
})

/** @jest-environment jsdom */
import type { ExchangedPart, Exchange, JobDocument, Part } from '@hestian/core'
import { causeWords, inWords, solve, weepCauses } from '@hestian/core'
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { exchangeJob } from '../../../core/src/solve/sequenceJobs.testing'
import { JobStand } from '../job/jobStand.testing'
import { choose, enter, fill, press, rowOf, write } from '../ui/hands.testing'
import { ExchangePage } from './ExchangePage'

let after: JobDocument
beforeEach(() => sessionStorage.clear())
afterEach(cleanup)

function open(job: JobDocument) {
  after = job
  render(
    <JobStand job={job} onEdit={(_, next) => (after = next)}>
      <ExchangePage />
    </JobStand>,
  )
}
const begin = (part: ExchangedPart, at: 'boiler' | 'store' = 'boiler') =>
  open(exchangeJob('uk-ireland', part, at))
const exchange = () => after.work.exchange as Exchange
const partAt = (name: string) => after.parts.find((part) => part.name === name) as Part
const plant = () => after.appliances.find(({ id }) => id === exchange().plantId)

/** The rows below one head, by their labels. */
const askedBelow = (head: string) => {
  const section = screen.getByRole('heading', { name: new RegExp(`^${head}`) }).closest('section')
  return [...(section?.querySelectorAll('[id^="row-"] > span:first-child') ?? [])].map(
    ({ textContent }) => textContent,
  )
}

describe('which part it is', () => {
  test('work that exchanges none says so and where to say otherwise', () => {
    open(house())
    expect(screen.getAllByText(/^No safety part is/)[0]).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Work' })).toBeTruthy()
    expect(screen.queryByRole('table')).toBeNull()
  })

  test('the one that is chosen brings a row for the old and one for the new, which stays', () => {
    const job = exchangeJob('uk-ireland', 'relief-valve', 'boiler')
    open({ ...job, parts: [], work: { ...job.work, exchange: null } })
    const before = after.parts.length
    const words = solve(house()).practice.words
    choose(/Safety part/, inWords('{reliefValve} at a boiler', words))
    expect(after.parts).toHaveLength(before + 2)
    expect(exchange()).toMatchObject({ part: 'relief-valve', cause: null, between: null })
    const [old, fresh] = [exchange().oldId, exchange().newId].map((id) =>
      after.parts.find((part) => part.id === id),
    )
    expect(old).toMatchObject({ stay: 'goes', setGauge_Pa: null })
    expect(fresh).toMatchObject({ stay: 'new', setGauge_Pa: null })
    expect(screen.getByRole('table')).toBeTruthy()
  })
})

describe('what is asked', () => {
  const tagOf: Readonly<Record<ExchangedPart, readonly [old: string[], fresh: string[]]>> = {
    'relief-valve': [
      ['Set pressure', 'Capacity'],
      ['Set pressure', 'Capacity'],
    ],
    'temperature-pressure-valve': [
      ['Set pressure', 'Opens at', 'Capacity'],
      ['Set pressure', 'Opens at', 'Capacity'],
    ],
    'expansion-vessel': [['Volume'], ['Volume', 'Maximum working pressure', 'Charge, gauged']],
    'reducing-valve': [['Set pressure'], ['Set pressure']],
    'inlet-group': [['Set pressure'], ['Set pressure']],
  }

  test.each(Object.entries(tagOf))('%s: what its tags say, no more', (part, [old, fresh]) => {
    begin(part as ExchangedPart, part === 'inlet-group' ? 'store' : 'boiler')
    expect(askedBelow('Old part')).toEqual(old)
    expect(askedBelow('New part').slice(0, fresh.length)).toEqual(fresh)
  })

  test('a relief is held against the plate of the plant, anything else against the relief behind it', () => {
    begin('relief-valve')
    const name = plant()?.name ?? ''
    expect(askedBelow(name)[0]).toBe('Maximum working pressure')
    expect(askedBelow(name).at(-1)).toBe('Stands below the valve by')
    cleanup()
    begin('reducing-valve')
    expect(askedBelow(plant()?.name ?? '')).toEqual(['Set pressure of the relief behind it'])
  })

  test('what may shut a relief or a vessel off is asked, and only where a relief ends', () => {
    begin('relief-valve')
    choose(/^.*Between New part and /, 'A valve that shuts')
    expect(exchange().between).toBe('plain-valve')
    choose(/Discharge ends in sight and scalds nobody/, 'No')
    expect(exchange().endSafe).toBe('no')
    cleanup()
    begin('expansion-vessel')
    expect(screen.getByRole('button', { name: /Between New part and / })).toBeTruthy()
    expect(screen.queryByRole('button', { name: /Discharge ends/ })).toBeNull()
    cleanup()
    begin('reducing-valve')
    expect(screen.queryByRole('button', { name: /Between New part and / })).toBeNull()
    choose(/Connection/, 'Smaller, or narrowed')
    expect(exchange().connection).toBe('smaller')
  })
})

describe('the match', () => {
  test('a figure that was not read is a question mark and fits nothing yet', () => {
    begin('relief-valve')
    const [asks = '', old = '', fresh = ''] = rowOf('Capacity')
    expect(asks).toMatch(/^at least /)
    expect(old).toBe('?')
    expect(fresh).toMatch(/^\?/)
    const row = screen.getByRole('rowheader', { name: 'Capacity' }).closest('tr') as HTMLElement
    expect(within(row).getByRole('img', { name: 'not known' })).toBeTruthy()
  })

  test('the new valve is held against the plate, and against the old one beside', () => {
    begin('relief-valve')
    enter('Maximum working pressure', '2.5 bar')
    expect(plant()?.maxWorkingGauge_Pa?.value).toBeCloseTo(2.5e5, 0)
    const row = screen.getByRole('rowheader', { name: 'Set pressure' }).closest('tr') as HTMLElement
    expect(row.textContent).toContain('at most 2.5')
    expect(within(row).getByRole('img', { name: 'does not fit the plant' })).toBeTruthy()
  })

  test('what is read from the new tag goes to the new part, from the old to the old', () => {
    begin('relief-valve')
    const rows = screen.getAllByRole('button', { name: /^Capacity/ })
    expect(rows).toHaveLength(2)
    fireEvent.click(rows[1] as HTMLElement)
    fill('Capacity', '60 kW')
    expect(partAt('New part').capacity_W?.value).toBeCloseTo(60e3, 6)
    expect(partAt('Old part').capacity_W).toBeNull()
    const answer = solve(after).exchange
    if (!answer.applies || !answer.answer) throw new Error('It is not solved.')
    const capacity = answer.answer.points.find(({ id }) => id === 'capacity')
    const row = screen.getByRole('rowheader', { name: 'Capacity' }).closest('tr') as HTMLElement
    const name = capacity?.fits ? 'fits the plant' : 'does not fit the plant'
    expect(capacity?.fits).toBe(true)
    expect(within(row).getByRole('img', { name })).toBeTruthy()
  })
})

describe('why it let water out', () => {
  const words = solve(house()).practice.words
  const because = (cause: keyof typeof causeWords) =>
    choose(/Old part let water out because/, inWords(causeWords[cause], words))

  test('a cause that stays is asked whether it is put right; a seat that went with the valve is not', () => {
    begin('relief-valve')
    expect(screen.queryByRole('button', { name: /And that is put right/ })).toBeNull()
    because('vessel')
    choose(/And that is put right/, 'No')
    expect(exchange()).toMatchObject({ cause: 'vessel', causeDone: 'no' })
    because('old-seat')
    expect(exchange().cause).toBe('old-seat')
    expect(screen.queryByRole('button', { name: /And that is put right/ })).toBeNull()
  })

  test('what was seen is kept; where nothing was found, what was looked at is asked', () => {
    begin('relief-valve')
    because('not-found')
    write('What was looked at', 'Vessel, feed and gauge for an hour')
    expect(exchange().causeSays).toBe('Vessel, feed and gauge for an hour')
    because('lifted')
    expect(screen.getByLabelText('What was seen, if you like')).toBeTruthy()
  })

  test('every cause can be chosen, and none is asked of a part that is no relief', () => {
    begin('relief-valve')
    press(/Old part let water out because/)
    const offered = screen.getAllByRole('option').map(({ textContent }) => textContent)
    for (const cause of weepCauses) expect(offered).toContain(inWords(causeWords[cause], words))
    cleanup()
    begin('reducing-valve')
    expect(screen.queryByText(/let water out/)).toBeNull()
  })
})

test('makes and serial numbers are kept for plant and new part, the old one goes', () => {
  begin('relief-valve')
  const fields = screen.getAllByLabelText('Serial number')
  expect(fields).toHaveLength(2)
  fireEvent.change(fields[1] as HTMLElement, { target: { value: 'A-1189' } })
  fireEvent.blur(fields[1] as HTMLElement)
  expect(partAt('New part').maker).toMatchObject({ serial: 'A-1189' })
  expect(partAt('Old part').maker).toBeNull()
})

test('a vessel’s size is left to the sheet of the vessel', () => {
  begin('expansion-vessel')
  expect(screen.getByText(/Whether its size is right at all/)).toBeTruthy()
})

/** @jest-environment jsdom */
import type { JobDocument, RecordBody } from '@hestian/core'
import { applyEdits, solve } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { useDesign } from '../job/JobContext'
import { button, choose, field, press, rowOf, write } from '../ui/hands.testing'
import { OptionsTable } from './OptionsTable'

// There is no canvas here: the browser journeys draw on one.
jest.mock('./lateCharts', () => ({ ChartRoom: () => null, OptionsChart: () => null }))

let after: JobDocument
let recorded: RecordBody[]
let granted: boolean
afterEach(cleanup)

function Options() {
  const { solution } = useDesign()
  const { heat } = solution
  return heat.applies && heat.answer ? <OptionsTable answer={heat.answer} /> : null
}

function open(document: JobDocument) {
  after = document
  recorded = []
  granted = true
  render(
    <JobStand
      job={document}
      onEdit={(_, next) => (after = next)}
      onRecord={(body) => {
        recorded.push(body)
        return granted
      }}
    >
      <Options />
    </JobStand>,
  )
}

const observatory = () => demoJob('juniper-ridge')
const club = () => demoJob('kestrel-weir')
const withHeat = (document: JobDocument, change: Partial<JobDocument['heat']>): JobDocument => ({
  ...document,
  heat: { ...document.heat, ...change },
})
const names = () => after.heat.options.map(({ name }) => name)

test('every option has its own column: what it gives, how long, and what speaks against it', () => {
  const job = observatory()
  open(job)
  const { heat } = solve(job)
  const answers = heat.applies ? (heat.answer?.options ?? []) : []
  expect(answers).toHaveLength(3)
  const gas = rowOf('Gas, everything burning')
  expect(gas).toHaveLength(3)
  answers.forEach(({ gas_m3_s, option }, i) => {
    expect(parseFloat(gas[i] ?? '')).toBeCloseTo((gas_m3_s * 3600) / 0.0283168466, 1)
    expect(rowOf('Speaks against it')[i]).toContain(option.name)
  })
  expect(rowOf('Two showers last')[0]).toBe('as long as wanted')
  expect(rowOf('Two showers last')[2]).toMatch(/^\d+:\d\d to \d+:\d\d$/)
  expect(rowOf('What is wanted at once lasts').slice(0, 2)).toEqual([
    'it does not keep up',
    'it does not keep up',
  ])
  expect(rowOf('Reheat from cold, by hand')[0]).toBe('no store')
  expect(rowOf('Reheat from cold, by hand')[2]).toMatch(/^\d+:\d\d the boiler limits$/)
  expect(rowOf('Standing loss a day')[1]).toBe('none')
})

test('the plate asks each option only for what its kind has', () => {
  open(observatory())
  expect(rowOf('Store').map((text) => text === 'none')).toEqual([true, false, false])
  expect(rowOf('Heating output').map((text) => text === 'none')).toEqual([false, false, true])
  expect(rowOf('Minimum flow').map((text) => text === 'none')).toEqual([false, false, true])
  expect(rowOf('How many')).toEqual(['1', expect.any(String), '1'])
  expect(screen.queryByRole('rowheader', { name: 'Coil rating' })).toBeTruthy()
})

test('no store that is read is no store that is full: what lacks a figure waits and says for what', () => {
  const job = club()
  const options = job.heat.options.map((option, i) =>
    i === 0 ? { ...option, coil_W: null, store_m3: null } : option,
  )
  open(withHeat(job, { options }))
  expect(rowOf('Mixed flow it keeps up')[0]).toBe('waits')
  expect(rowOf('Speaks against it')[0]).toBe('waits for store volume, coil rating')
  expect(rowOf('Cold pipe to it')[0]).toBe('waits')
})

test('with no outlet yet nothing is said to last', () => {
  const job = club()
  open({ ...job, hotWater: job.hotWater && { ...job.hotWater, outlets: [], scenario: [] } })
  expect(rowOf('What is wanted at once lasts')[0]).toBe('no outlets yet')
})

test('without hot water the table speaks of heat and gas alone', () => {
  open({ ...club(), hotWater: null })
  expect(screen.queryByRole('rowheader', { name: 'Mixed flow it keeps up' })).toBeNull()
  expect(screen.queryByRole('rowheader', { name: 'Cold pipe to it' })).toBeNull()
  expect(rowOf('Gas, everything burning')[0]).toMatch(/m³\/h$/)
  expect(rowOf('Starts and stops below')[0]).toMatch(/% of the heat$/)
})

test('a cascade counts from one to eight', () => {
  open(observatory())
  const count = /^How many of/
  write(count, '12')
  expect(after.heat.options[1]?.units).toBe(8)
  write(count, '0')
  expect(after.heat.options[1]?.units).toBe(1)
})

test('another is set beside, named, and taken out again; with the fifth there is room for no more', () => {
  open(club())
  const before = names()
  choose(/Set another beside it/, 'Storage heater')
  expect(names()).toEqual([...before, 'Storage heater'])
  const last = before.length
  write(`Name of option ${last + 1}`, '  Tall store ')
  expect(names()[last]).toBe('Tall store')
  while (names().length < 5) choose(/Set another beside it/, 'Heats as it runs')
  expect(screen.queryByRole('button', { name: /Set another beside it/ })).toBeNull()
  press('Remove Tall store')
  expect(names()).not.toContain('Tall store')
  expect(button(/Set another beside it/)).toBeTruthy()
})

test('an option that is taken out takes the choice with it, another leaves it', () => {
  open(club())
  const chosen = after.heat.options.find(({ id }) => id === after.heat.chosen?.optionId)
  const other = after.heat.options.find(({ id }) => id !== chosen?.id)
  expect(chosen && other).toBeTruthy()
  press(`Remove ${other?.name}`)
  expect(after.heat.chosen?.optionId).toBe(chosen?.id)
  press(`Remove ${chosen?.name}`)
  expect(after.heat.chosen).toBeNull()
})

describe('choosing', () => {
  test('takes a reason of some length, and is recorded with it', () => {
    open(withHeat(club(), { chosen: null }))
    const [, second] = after.heat.options
    write(/^Because/, 'Cheapest to run')
    expect(screen.getByRole('alert').textContent).toBe('Choose one of them first.')
    choose(/Chosen$/, second?.name ?? '')
    expect(screen.getByText('Not chosen yet: it takes a reason.')).toBeTruthy()
    write(/^Because/, 'ok')
    expect(screen.getByRole('alert').textContent).toMatch(/^Say why, in a few words/)
    expect(after.heat.chosen).toBeNull()
    expect(recorded).toEqual([])
    write(/^Because/, ' No room for a store ')
    expect(after.heat.chosen).toEqual({
      optionId: second?.id,
      because: 'No room for a store',
    })
    expect(recorded).toEqual([
      {
        kind: 'chosen-option',
        optionId: second?.id,
        name: second?.name,
        because: 'No room for a store',
      },
    ])
    expect(screen.queryByText(/Not chosen yet/)).toBeNull()
  })

  test('does not happen while nobody is at work; what was typed stays', () => {
    open(withHeat(club(), { chosen: null }))
    granted = false
    choose(/Chosen$/, after.heat.options[0]?.name ?? '')
    write(/^Because/, 'It fits the cupboard')
    expect(after.heat.chosen).toBeNull()
    expect(field(/^Because/).value).toBe('It fits the cupboard')
  })

  test('another one asks for another reason; the old one does not stand for it', () => {
    open(club())
    const old = after.heat.chosen?.because
    expect(field(/^Because/).value).toBe(old)
    const other = after.heat.options.find(({ id }) => id !== after.heat.chosen?.optionId)
    choose(/Chosen$/, other?.name ?? '')
    expect(field(/^Because/).value).toBe('')
    expect(after.heat.chosen?.because).toBe(old)
  })

  test('what is chosen goes to the rating plates once', () => {
    open({ ...club(), appliances: [] })
    press('Put it on the rating plates')
    const made = after.appliances
    expect(made.length).toBeGreaterThan(0)
    expect(new Set(made.map(({ id }) => id)).size).toBe(made.length)
    expect(screen.queryByRole('button', { name: 'Put it on the rating plates' })).toBeNull()
  })
})

test('a figure that is typed stands under its own option after the others move', () => {
  open(observatory())
  const [first] = after.heat.options
  press(`Remove ${first?.name}`)
  const shown = rowOf('Hot water output')
  after.heat.options.forEach((option, i) => {
    const W = option.hotWater_W?.value ?? 0
    expect(parseFloat(shown[i]?.replace(/,/g, '') ?? '')).toBeCloseTo(W / 0.29307107 / 1000, 0)
  })
  fireEvent.click(screen.getAllByRole('button', { name: /^Hot water output of/ })[0] as HTMLElement)
  expect(screen.getByRole('dialog').textContent).toContain('What can reach the water.')
})

test('a draft that lost the chosen option says nothing is chosen, and does not break', () => {
  const job = club()
  open(
    applyEdits(job, [
      { path: ['heat', 'options'], value: job.heat.options.filter((_, i) => i > 0) },
    ]),
  )
  expect(rowOf('Gas, everything burning')).toHaveLength(job.heat.options.length - 1)
  expect(document.querySelectorAll('th[data-chosen]')).toHaveLength(0)
})

/** @jest-environment jsdom */
import type { JobDocument, Known } from '@hestian/core'
import { materials } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { useDesign } from '../job/JobContext'
import { choose, enter, press, write } from '../ui/hands.testing'
import { SecondaryReturn } from './SecondaryReturn'

let after: JobDocument
afterEach(cleanup)
const club = () => demoJob('kestrel-weir')
const without = (): JobDocument => ({ ...club(), water: { ...club().water, loop: null } })

function open(job: JobDocument) {
  after = job
  function Solved() {
    const { water } = useDesign().solution
    return water.applies && water.answer ? <SecondaryReturn answer={water.answer} /> : 'no answer'
  }
  render(
    <JobStand job={job} onEdit={(_, next) => (after = next)}>
      <Solved />
    </JobStand>,
  )
}
const said = () => document.body.textContent.replace(/\s/g, ' ')
const returns = () => after.water.loop?.returns ?? []
const nameIn = (i: number) =>
  screen.getAllByLabelText<HTMLInputElement>('Name of the return')[i]?.value
const cells = (i: number) =>
  [...(screen.getAllByRole('row')[i + 1]?.querySelectorAll('[role=cell], td') ?? [])].map(
    ({ textContent }) => textContent.replace(/\s/g, ' '),
  )

test('says first what it loses day and night, and what the pump has to do', () => {
  open(club())
  expect(said()).toMatch(/Secondary return340 W lost, day and night/)
  expect(said()).toMatch(/Bare it would lose 1022 W, 28 W a metre/)
  expect(said()).toMatch(/with lagging 8 W/)
})

test('none drawn is begun from the farthest outlet, in the pipe of the practice', () => {
  open(without())
  expect(said()).toMatch(/Secondary returnnone drawn/)
  press('Draw a secondary return')
  expect(returns()).toMatchObject([
    {
      ...{ name: 'Return from D to galley, hot', at: 'hot-d', material: 'copper-en1057' },
      ...{ size: null, length_m: null },
    },
  ])
  expect(screen.getByRole('button', { name: 'Another return' })).toBeTruthy()
  expect(screen.queryByText(/lost, day and night/)).toBeNull()
})

test('figures come with its length', () => {
  open(without())
  press('Draw a secondary return')
  enter('Length of Return from D to galley, hot', '12 m', 'Measured')
  expect(returns()[0]?.length_m).toMatchObject({ value: 12, basis: 'measured' })
  expect(said()).toMatch(/W lost, day and night/)
})

test('the way with the most loss is the index, the other has a valve that takes the rest', () => {
  open(club())
  const valves = [cells(0), cells(1)].map((row) => row.at(-2))
  expect(valves[0]).toMatch(/index$/)
  expect(valves[1]).toMatch(/\d/)
})

test('a size left to Hestian says which it took; another material gives the size up', () => {
  open(club())
  expect(screen.getByRole('button', { name: /Size of Return from F$/ }).textContent).toMatch(
    /for me: 10 mm/,
  )
  choose(/Size of Return from F$/, '15 mm')
  expect(returns()[0]?.size).toBe('15 mm')
  press(/Material of Return from F$/)
  const other = screen
    .getAllByRole('option')
    .find(({ textContent }) => textContent !== materials['copper-en1057'].label)
  if (!other) throw new Error('no other material')
  fireEvent.click(other)
  expect(returns()[0]).toMatchObject({ size: null })
  expect(returns()[0]?.material).not.toBe('copper-en1057')
  expect(returns()[1]).toMatchObject({ material: 'copper-en1057', size: '15 mm' })
})

test('it is named, and begins where one says; nothing is no name', () => {
  open(club())
  const [name] = screen.getAllByLabelText<HTMLInputElement>('Name of the return')
  expect(name?.value).toBe('Return from F')
  cleanup()
  const one = club()
  const [first] = one.water.loop?.returns ?? []
  if (!one.water.loop || !first) throw new Error('no return')
  open({ ...one, water: { ...one.water, loop: { ...one.water.loop, returns: [first] } } })
  write('Name of the return', ' Way back ')
  expect(returns()[0]?.name).toBe('Way back')
  write('Name of the return', ' ')
  expect(returns()[0]?.name).toBe('Way back')
  choose(/Where Way back begins$/, 'D to E, hot')
  expect(returns()[0]?.at).toBe('hot-e')
})

test('one is taken out, the other stays; with none left it is settled that there is none', () => {
  open(club())
  press('Remove Return from F')
  expect(returns().map(({ id }) => id)).toEqual(['back-galley'])
  expect(nameIn(0)).toBe('Return from the galley')
  press('Remove Return from the galley')
  expect(returns()).toEqual([])
  press('No return here')
  expect(after.water.loop).toBeNull()
})

test.each<readonly [string, string, 'lagging_m' | 'airTemp_K' | 'drop_K', number]>([
  ['Lagging, thickness', '25 mm', 'lagging_m', 0.025],
  ['Air around the pipes', '10 C', 'airTemp_K', 283.15],
  ['It may come back cooler by', '8 K', 'drop_K', 8],
])('%s is written and counts', (label, text, key, si) => {
  open(club())
  const before = said()
  enter(label, text, 'Read')
  const kept = after.water.loop?.[key] as Known | null
  expect(kept?.value).toBeCloseTo(si, 9)
  expect(said()).not.toBe(before)
})

test('without hot pipes there is nothing to draw', () => {
  const job = club()
  const segments = job.water.segments.filter(({ id }) => !id.startsWith('hot'))
  open({ ...job, water: { ...job.water, segments, loop: null } })
  expect(screen.queryByText('Secondary return')).toBeNull()
})

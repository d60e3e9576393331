/** @jest-environment jsdom */
import type { JobDocument, WaterAnswer, WaterSegment } from '@hestian/core'
import { realWater, solve, waterSizesBeside } from '@hestian/core'
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { useDesign } from '../job/JobContext'
import { choose, press, write } from '../ui/hands.testing'
import { AtOutlets } from './AtOutlets'
import { SizesHere } from './SizesHere'
import { WaterPipeEditor } from './WaterPipeEditor'

let after: JobDocument
afterEach(cleanup)

const club = () => demoJob('kestrel-weir')
const answerOf = (document: JobDocument): WaterAnswer => {
  const { water } = solve(document)
  if (!water.applies || !water.answer) throw new Error('The water is not solved.')
  return water.answer
}
const pipe = (id: string) => after.water.segments.find((one) => one.id === id) as WaterSegment

/** What is drawn of a job as it is solved; what needs an answer stands once there is one. */
function open(document: JobDocument, what: (answer: WaterAnswer | undefined) => React.ReactNode) {
  after = document
  function Solved() {
    const { water } = useDesign().solution
    return what(water.applies ? water.answer : undefined)
  }
  render(
    <JobStand job={document} onEdit={(_, next) => (after = next)}>
      <Solved />
    </JobStand>,
  )
}

describe('one water pipe', () => {
  const edit = (id: string) =>
    open(club(), () => <WaterPipeEditor id={id} onGone={() => undefined} />)

  test('ends at an outlet with as many as there are of it', () => {
    edit('cold-c')
    expect(screen.queryByLabelText('How many')).toBeNull()
    choose(/Ends at$/, 'Basins')
    expect(pipe('cold-c').end).toEqual({ kind: 'outlet', outletId: 'basins', count: 4 })
    write('How many', '3')
    expect(pipe('cold-c').end).toMatchObject({ outletId: 'basins', count: 3 })
  })

  test('keeps how many it feeds when it ends at another outlet, and nothing of it at the heater', () => {
    edit('cold-basins')
    choose(/Ends at$/, 'Showers, visitors')
    expect(pipe('cold-basins').end).toEqual({ kind: 'outlet', outletId: 'showers-b', count: 4 })
    choose(/Ends at$/, 'The heater, hot from here on')
    expect(pipe('cold-basins').end).toEqual({ kind: 'heater' })
    expect(screen.queryByLabelText('How many')).toBeNull()
    choose(/Ends at$/, 'The make-up of the heating')
    expect(pipe('cold-basins').end).toEqual({ kind: 'make-up' })
    choose(/Ends at$/, 'A branch')
    expect(pipe('cold-basins').end).toBeNull()
  })

  test('feeds at least one', () => {
    edit('cold-galley')
    write('How many', '0')
    expect(pipe('cold-galley').end).toMatchObject({ count: 1 })
  })
})

describe('the sizes next to its own', () => {
  const hold = (id: string, document = club()) =>
    open(document, (answer) => answer && <SizesHere answer={answer} id={id} />)
  const rows = () => screen.getAllByRole('listitem')

  test('each says how fast it would run and what would be left, its own without a button', () => {
    hold('cold-home')
    const job = club()
    const beside = waterSizesBeside(answerOf(job), solve(job).practice, 'cold-home')
    expect(rows()).toHaveLength(beside.length)
    beside.forEach(({ size, current, short, tooFast }, i) => {
      const row = rows()[i] as HTMLElement
      expect(row.querySelector('b')?.textContent).toBe(size.name)
      expect(row.textContent).toMatch(/m\/s/)
      expect(within(row).queryByRole('button', { name: 'Use it' }) === null).toBe(current)
      const fault = short ? 'Stop: too little is left' : tooFast ? 'Too fast' : undefined
      expect(row.textContent).toContain(fault ?? (current ? 'Pass: as drawn' : 'Pass'))
    })
  })

  test('one that runs too fast is told apart from one that leaves too little', () => {
    const job = club()
    const wantedGauge_Pa = { value: 1.7e5, basis: 'assumed' as const, from: 'Asked' }
    hold('cold-b', { ...job, hotWater: job.hotWater && { ...job.hotWater, wantedGauge_Pa } })
    const said = rows().map(({ textContent }) => textContent)
    expect(said.some((text) => text.includes('Stop: too little is left'))).toBe(true)
    for (const row of rows()) {
      const marked = row.querySelector('em')?.hasAttribute('data-over')
      expect(marked).toBe(!/Pass/.test(row.textContent))
    }
  })

  test('one that only runs too fast says that, whatever is left', () => {
    const job = club()
    const wantedGauge_Pa = { value: 1e3, basis: 'assumed' as const, from: 'Asked' }
    const easy = { ...job, hotWater: job.hotWater && { ...job.hotWater, wantedGauge_Pa } }
    const fast = answerOf(easy).pipes.flatMap(({ id }) =>
      waterSizesBeside(answerOf(easy), solve(easy).practice, id)
        .filter(({ tooFast, short }) => tooFast && !short)
        .map(({ size }) => [id, size.name] as const),
    )[0]
    if (!fast) throw new Error('Nothing runs too fast.')
    hold(fast[0], easy)
    const row = rows().find((one) => one.querySelector('b')?.textContent === fast[1])
    expect(row?.querySelector('em')?.textContent).toBe('Too fast')
  })

  test('another is taken by a press, and given back', () => {
    hold('cold-home')
    fireEvent.click(screen.getAllByRole('button', { name: 'Use it' })[0] as HTMLElement)
    expect(pipe('cold-home').size).not.toBeNull()
    expect(screen.getByText(/Chosen by hand/)).toBeTruthy()
    press('Let Hestian choose')
    expect(pipe('cold-home').size).toBeNull()
    expect(screen.queryByText(/Chosen by hand/)).toBeNull()
  })
})

describe('at the outlets', () => {
  test('stands what is designed for, until some are opened by hand: then what really comes', () => {
    const job = club()
    const answer = answerOf(job)
    open(job, (solved) => solved && <AtOutlets answer={solved} real={undefined} />)
    const drawn = () =>
      screen
        .getAllByRole('row')
        .slice(1)
        .map((row) => row.textContent)
    expect(drawn().filter((text) => text.includes('shut'))).toHaveLength(0)
    cleanup()
    const only = answer.pipes.filter(({ end }) => end?.outlet.id === 'galley')
    const given = realWater(job, answer, new Map(only.map(({ id }) => [id, 1])))
    open(
      job,
      (solved) =>
        solved && <AtOutlets answer={solved} real={{ open: new Set(['galley']), answer: given }} />,
    )
    const shut = answer.pipes.filter(({ end }) => end && end.outlet.id !== 'galley')
    expect(drawn().filter((text) => text.includes('shut'))).toHaveLength(shut.length)
    expect(drawn().filter((text) => text.includes('Galley sink'))).toHaveLength(only.length)
  })
})

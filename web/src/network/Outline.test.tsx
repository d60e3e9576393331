/** @jest-environment jsdom */
import type { JobDocument } from '@hestian/core'
import { blankAppliance, blankDocument, meterNode, outlineOf } from '@hestian/core'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import fc from 'fast-check'
import { useState } from 'react'
import { JobStand } from '../job/jobStand.testing'
import { Outline } from './Outline'
import { branchesOff } from './useFolds'
import { usePipes } from './usePipes'

const job: JobDocument = {
  ...blankDocument({ name: 'A house', address: '', practice: 'uk-ireland' }),
  appliances: [blankAppliance({ id: 'boiler', name: 'Boiler', kind: 'boiler' })],
}

let written: JobDocument
function Pipes() {
  const pipes = usePipes('gas')
  const [selected, setSelected] = useState<string>()
  const second = pipes.segments[1]?.id
  return (
    <>
      <button onClick={() => setSelected(second)}>The second in the drawing</button>
      <Outline
        pipes={pipes}
        heads={[['Size', '']]}
        figures={new Map()}
        selected={selected}
        onSelect={setSelected}
        note=""
      />
    </>
  )
}
const open = (document = job, frozen = false) => {
  written = document
  return render(
    <JobStand job={document} frozen={frozen} onEdit={(_, after) => (written = after)}>
      <Pipes />
    </JobStand>,
  )
}
afterEach(cleanup)

const focused = () => document.activeElement as HTMLElement
const press = (key: string, more: object = {}) => fireEvent.keyDown(focused(), { key, ...more })
const type = (text: string) => fireEvent.change(focused(), { target: { value: text } })
/** Names and measures the pipe that was just begun. */
const fill = (name: string, length: string) => {
  type(name)
  press('Enter')
  type(length)
  press('Enter')
}
const begin = () => fireEvent.click(screen.getByRole('button', { name: 'Begin at the meter' }))
const tree = () =>
  written.gas.segments.map(({ name, from, length_m }) => [name, from, length_m?.value])

test('Enter goes on from a pipe, Tab branches beside it, and each is named and measured as one goes', () => {
  open()
  begin()
  fill('Meter to tee', '6,5 m')
  press('Enter')
  fill('Tee to boiler', '12 ft')
  press('Tab')
  fill('Tee to range', '4')
  const [tee] = written.gas.segments
  expect(tree()).toEqual([
    ['Meter to tee', 'meter', 6.5],
    ['Tee to boiler', tee?.id, expect.closeTo(3.6576, 6)],
    ['Tee to range', tee?.id, 4],
  ])
  expect(focused().textContent).toMatch(/^Tee to range/)
})

test('what is no length gets a sentence and stays to be put right', () => {
  open()
  begin()
  type('Meter to tee')
  press('Enter')
  type('long')
  press('Enter')
  expect(screen.getByRole('alert').textContent).toMatch(/“long”|number/)
  expect((focused() as HTMLInputElement).value).toBe('long')
  type('6.5')
  press('Enter')
  expect(tree()).toEqual([['Meter to tee', 'meter', 6.5]])
})

test('arrows go along the pipes, and Delete joins what came after to what came before', () => {
  open()
  begin()
  fill('First', '1')
  press('Enter')
  fill('Second', '2')
  press('Enter')
  fill('Third', '3')
  press('ArrowLeft')
  expect(focused().textContent).toMatch(/^Second/)
  press('Delete')
  const [first] = written.gas.segments
  expect(tree()).toEqual([
    ['First', 'meter', 1],
    ['Third', first?.id, 3],
  ])
})

test('Escape makes the list one stop again: Tab then leaves and adds nothing', () => {
  open()
  begin()
  fill('First', '1')
  press('ArrowDown')
  press('Escape')
  press('Tab')
  expect(written.gas.segments).toHaveLength(1)
})

test('a letter names, a figure measures, and Shift with Tab always leaves', () => {
  open()
  begin()
  fill('First', '1')
  press('B')
  expect((focused() as HTMLInputElement).value).toBe('B')
  type('Beginning')
  press('Enter')
  press('7')
  expect((focused() as HTMLInputElement).value).toBe('7')
  press('Enter')
  press('Tab', { shiftKey: true })
  expect(tree()).toEqual([['Beginning', 'meter', 7]])
})

test('who goes on to something else in the middle of a name or a length keeps it, and nothing pulls them back', () => {
  open()
  const elsewhere = document.body.appendChild(document.createElement('button'))
  begin()
  type('First')
  act(() => elsewhere.focus())
  expect(document.activeElement).toBe(elsewhere)
  expect(screen.queryByRole('textbox')).toBeNull()
  act(() => screen.getAllByRole('row')[1]?.focus())
  press('3')
  act(() => elsewhere.focus())
  expect(document.activeElement).toBe(elsewhere)
  expect(tree()).toEqual([['First', 'meter', 3]])
  elsewhere.remove()
})

test('a frozen design is walked and not changed', () => {
  open()
  begin()
  fill('First', '1')
  const frozen = written
  cleanup()
  open(frozen, true)
  screen.getAllByRole('row')[1]?.focus()
  for (const key of ['Enter', 'Tab', 'Delete', '7', 'B']) press(key)
  expect(written).toBe(frozen)
  expect(screen.queryByRole('textbox')).toBeNull()
})

/** First, with Second off it at its end, and Third and Fourth as the run goes on. */
function withBranch() {
  open()
  begin()
  fill('First', '1')
  press('Enter')
  type('Second')
  press('Enter')
  press('Escape')
  press('Tab')
  fill('Third', '3')
  press('Enter')
  fill('Fourth', '4')
  press('Home')
}
const rows = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((row) => row.querySelector('[role=rowheader]')?.textContent)
const expanded = () => screen.getAllByRole('row')[1]?.getAttribute('aria-expanded')

describe('what branches off', () => {
  test('is folded away by a key and shown by another; the row says how much and what is open in it', () => {
    withBranch()
    expect(rows()).toEqual(['▾First', 'Second', 'Third', 'Fourth'])
    expect(expanded()).toBe('true')
    press('ArrowLeft', { shiftKey: true })
    expect(rows()).toEqual(['▸First1 folded, 1 without a length', 'Third', 'Fourth'])
    expect(expanded()).toBe('false')
    expect(screen.getByRole('treegrid').getAttribute('aria-rowcount')).toBe('4')
    press('ArrowDown')
    expect(focused().textContent).toMatch(/^Third/)
    expect(focused().getAttribute('aria-rowindex')).toBe('3')
    expect(focused().hasAttribute('aria-expanded')).toBe(false)
    press('ArrowUp')
    press('ArrowRight')
    expect(rows()).toEqual(['▾First', 'Second', 'Third', 'Fourth'])
    expect(focused().textContent).toMatch(/First/)
  })

  test('is shown again to whoever chooses it in the drawing, searches it, sorts or prints', () => {
    withBranch()
    const fold = () => fireEvent.click(screen.getByRole('button', { name: 'fold branches' }))
    fold()
    expect(rows()).not.toContain('Second')
    fireEvent.click(screen.getByRole('button', { name: 'The second in the drawing' }))
    expect(rows()).toContain('Second')
    fold()
    const away = screen.getByText('Second').closest('[hidden]') as HTMLElement
    expect(away.getAttribute('hidden')).toBe('until-found')
    fireEvent(away, new Event('beforematch'))
    expect(rows()).toContain('Second')
    fold()
    act(() => void window.dispatchEvent(new Event('beforeprint')))
    expect(rows()).toContain('Second')
    act(() => void window.dispatchEvent(new Event('afterprint')))
    expect(rows()).not.toContain('Second')
    fireEvent.click(screen.getByRole('button', { name: 'Size' }))
    expect(rows().sort()).toEqual(['First', 'Fourth', 'Second', 'Third'])
  })

  test('takes the choice with it to the pipe it branches off from', () => {
    withBranch()
    press('ArrowDown')
    expect(focused().textContent).toMatch(/^Second/)
    const firstIsChosen = () => screen.getAllByRole('row')[1]?.getAttribute('aria-selected')
    fireEvent.click(screen.getByTitle('Fold away what branches off here'))
    expect(firstIsChosen()).toBe('true')
    press('ArrowRight')
    press('ArrowDown')
    expect(firstIsChosen()).toBe('false')
    fireEvent.click(screen.getByRole('button', { name: 'fold branches' }))
    expect(firstIsChosen()).toBe('true')
  })
})

test('what branches off a pipe is what leads to it, but for the run that goes on from it', () => {
  const anyTree = fc.array(fc.nat(), { minLength: 1, maxLength: 40 })
  fc.assert(
    fc.property(anyTree, (froms) => {
      const branches = froms.map((from, i) => ({
        id: `${i}`,
        from: i === 0 || from % (i + 1) === i ? meterNode : `${from % (i + 1)}`,
      }))
      const fromOf = new Map(branches.map(({ id, from }) => [id, from]))
      const leadsThrough = (id: string, through: string): boolean => {
        const from = fromOf.get(id)
        return from === through || (from !== undefined && leadsThrough(from, through))
      }
      const places = outlineOf(branches)
      const off = branchesOff(places)
      for (const { branch, depth } of places) {
        const run = places.find((one) => one.branch.from === branch.id && one.depth === depth)
        const goesOn = (id: string) =>
          run !== undefined && (id === run.branch.id || leadsThrough(id, run.branch.id))
        const away = places.filter(
          ({ branch: { id } }) => leadsThrough(id, branch.id) && !goesOn(id),
        )
        expect(off.get(branch.id) ?? []).toEqual(away.map((one) => one.branch.id))
      }
    }),
  )
})

/** A window that is told what is near it. */
class Watch {
  static now: Watch | undefined
  readonly rows: Element[] = []
  constructor(readonly tell: (seen: object[]) => void) {
    Watch.now = this
  }
  observe = (row: Element) => this.rows.push(row)
  disconnect = () => undefined
  /** So many rows from the first are in sight, no others. */
  static shows(most: number) {
    const { rows, tell } = Watch.now as Watch
    act(() => tell(rows.map((target, i) => ({ target, isIntersecting: i < most }))))
  }
}

/** A run of pipes, one after the other. */
function longRun(many: number): JobDocument {
  open()
  begin()
  fill('Pipe 1', '1')
  const [first] = written.gas.segments
  cleanup()
  if (!first) throw new Error('no pipe')
  const segments = Array.from({ length: many }, (_, i) => ({
    ...first,
    ...{ id: `pipe-${i + 1}`, name: `Pipe ${i + 1}`, from: i === 0 ? 'meter' : `pipe-${i}` },
  }))
  return { ...written, gas: { ...written.gas, segments } }
}

describe('of many pipes', () => {
  const pipes = () =>
    screen.getAllByRole('row').flatMap((row) => row.querySelector('[role=rowheader]') ?? [])
  afterEach(() => Reflect.deleteProperty(globalThis, 'IntersectionObserver'))

  test('only those in sight are drawn; the others keep their places and names, and arrows reach them', () => {
    const run = longRun(90)
    Object.assign(globalThis, { IntersectionObserver: Watch })
    open(run)
    Watch.shows(12)
    expect(pipes().map((one) => one.textContent)).toEqual(
      run.gas.segments.slice(0, 12).map(({ name }) => name),
    )
    expect(screen.getByText('Pipe 90').closest('[aria-hidden]')).not.toBeNull()
    expect(screen.getByRole('treegrid').getAttribute('aria-rowcount')).toBe('91')
    screen.getAllByRole('row')[1]?.focus()
    press('End')
    expect(focused().textContent).toMatch(/^Pipe 90/)
    expect(focused().getAttribute('aria-rowindex')).toBe('91')
    press('ArrowUp')
    expect(focused().textContent).toMatch(/^Pipe 89/)
    press('Enter')
    fill('Next', '2')
    expect(tree().at(-1)).toEqual(['Next', 'pipe-89', 2])
  })

  test('all are drawn where there are few, and when the page is printed', () => {
    const [few, run] = [longRun(40), longRun(90)]
    Object.assign(globalThis, { IntersectionObserver: Watch })
    open(few)
    expect(pipes()).toHaveLength(40)
    cleanup()
    open(run)
    Watch.shows(12)
    expect(pipes()).toHaveLength(12)
    act(() => void window.dispatchEvent(new Event('beforeprint')))
    expect(pipes()).toHaveLength(90)
    act(() => void window.dispatchEvent(new Event('afterprint')))
    expect(pipes()).toHaveLength(12)
  })
})

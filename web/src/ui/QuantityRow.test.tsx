/** @jest-environment jsdom */
import type { Known, Measure } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand } from '../job/jobStand.testing'
import type { Entry } from './quantity'
import { QuantityEditor } from './QuantityEditor'
import { QuantityRow } from './QuantityRow'
import { knownOf } from './quantity'

let used: Entry[]
let closed: number
beforeEach(() => {
  used = []
  closed = 0
  sessionStorage.clear()
})
afterEach(cleanup)

const editor = (value: Known = null, measure: Measure = 'water-pressure') =>
  render(
    <JobStand job={house()}>
      <QuantityEditor
        label="Cold main, static"
        place="survey.main"
        measure={measure}
        value={value}
        onUse={(entry) => used.push(entry)}
        onClear={() =>
          used.push({ si: NaN, typed: 'taken out', basis: 'read', from: '', photos: [] })
        }
        close={() => closed++}
      />
    </JobStand>,
  )
const field = () => screen.getByRole('textbox', { name: 'Cold main, static' })
const type = (text: string) => fireEvent.change(field(), { target: { value: text } })
const use = () => fireEvent.submit(field().closest('form') as HTMLFormElement)

test('any unit is understood, and what was understood is said before it is used', () => {
  editor()
  type('52 psi')
  expect(screen.getByText(/^Understood: /).textContent).toMatch(/3\.59.bar/)
  use()
  expect(used[0]?.si).toBeCloseTo(52 * 6894.757, -1)
  expect(used[0]).toMatchObject({ typed: '52 psi', basis: 'measured' })
  expect(closed).toBe(1)
})

test('what cannot be understood is not used, stays as it was typed, and is answered in a sentence', () => {
  editor()
  type('long')
  use()
  expect(used).toEqual([])
  expect(closed).toBe(0)
  expect((field() as HTMLInputElement).value).toBe('long')
  expect(field().getAttribute('aria-invalid')).toBe('true')
  expect(screen.getByText(/“long”|number/)).toBeTruthy()
})

test('what was typed and not used is there again after the page was left', () => {
  editor()
  type('3,4 bar')
  cleanup()
  editor()
  expect((field() as HTMLInputElement).value).toBe('3,4 bar')
})

test('what was used is not offered again as if it were half typed', () => {
  editor()
  type('3,4 bar')
  use()
  cleanup()
  editor()
  expect((field() as HTMLInputElement).value).toBe('')
})

test('a range that was begun holds nothing up once the value is measured after all', () => {
  editor()
  type('3 bar')
  fireEvent.click(screen.getByRole('radio', { name: 'Assumed' }))
  fireEvent.change(screen.getByLabelText('Lowest it may be'), { target: { value: 'two or so' } })
  use()
  expect(used).toEqual([])
  fireEvent.click(screen.getByRole('radio', { name: 'Measured' }))
  use()
  expect(used).toMatchObject([{ basis: 'measured', si: 3e5 }])
  expect(knownOf(used[0] as Entry)).not.toHaveProperty('between')
})

test('an assumption carries its range, and a range the wrong way round is not taken', () => {
  editor({ value: 3e5, basis: 'assumed', from: 'The street' })
  const [least, most] = [
    screen.getByRole('textbox', { name: 'Lowest it may be' }),
    screen.getByRole('textbox', { name: 'Highest it may be' }),
  ]
  fireEvent.change(least, { target: { value: '4 bar' } })
  fireEvent.change(most, { target: { value: '2 bar' } })
  use()
  expect(used).toEqual([])
  expect(screen.getByRole('alert').textContent).toBe('The lower end comes first.')
  fireEvent.change(least, { target: { value: '2 bar' } })
  fireEvent.change(most, { target: { value: '4 bar' } })
  use()
  expect(used[0] && knownOf(used[0])).toMatchObject({ basis: 'assumed', between: [2e5, 4e5] })
})

test('an unlikely figure is asked about before it is taken', () => {
  editor()
  type('45 bar')
  use()
  const asked = screen.queryByRole('alert')
  expect([asked === null, used.length]).toEqual([false, 0])
  fireEvent.click(screen.getByRole('button', { name: 'Yes, keep it' }))
  use()
  expect(used).toHaveLength(1)
})

test('a row says what is known, how, and what is not looked at', () => {
  const row = (value: Known) => {
    cleanup()
    render(
      <JobStand job={house()}>
        <QuantityRow
          label="Cold main"
          place="survey.main"
          measure="water-pressure"
          value={value}
          onUse={() => undefined}
        />
      </JobStand>,
    )
    return (screen.getByRole('button').textContent ?? '').replace(/[\u00a0\u202f]/g, ' ')
  }
  expect(row(null)).toBe('Cold main?barnot looked at yet')
  expect(row({ value: 3.5e5, basis: 'measured', from: 'Gauge' })).toBe(
    'Cold main3.50barmeasured, Gauge',
  )
  expect(row({ value: 3.5e5, basis: 'assumed', from: 'The street' })).toMatch(
    /assumed [\d.]+ to [\d.]+, The street$/,
  )
})

/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { Choice } from './Choice'

const fuels = [
  { id: 'gas', text: 'Natural gas' },
  { id: 'propane', text: 'Propane' },
  { id: 'oil', text: 'Oil' },
] as const
type Fuel = (typeof fuels)[number]['id']

let chosen: Fuel[]
let pressed: string[]
beforeEach(() => {
  chosen = []
  pressed = []
})
afterEach(cleanup)

function open(how: { value?: Fuel | null; labelled?: boolean; isDisabled?: boolean } = {}) {
  const { value: first = 'gas', ...shown } = how
  function Page() {
    const [value, setValue] = useState<Fuel | null>(first)
    return (
      <div onKeyDown={({ key }) => pressed.push(key)}>
        <Choice
          label="Fuel"
          value={value}
          options={fuels}
          onChoose={(next) => {
            chosen.push(next)
            setValue(next)
          }}
          {...shown}
        />
      </div>
    )
  }
  render(<Page />)
}
const closed = (name: string) => screen.getByRole('button', { name })
const list = () => screen.queryByRole('listbox')
const take = (name: string) => fireEvent.click(screen.getByRole('option', { name }))

test.each([true, false])('closed it says what is chosen and of what (labelled: %s)', (labelled) => {
  open({ labelled })
  expect(closed('Natural gas Fuel').getAttribute('aria-haspopup')).toBe('listbox')
  expect(closed('Natural gas Fuel').getAttribute('aria-expanded')).toBe('false')
  expect(screen.queryByText('Fuel') !== null).toBe(labelled)
  expect(list()).toBeNull()
})

test('where nothing is chosen it asks to', () => {
  open({ value: null })
  fireEvent.click(closed('choose Fuel'))
  expect(screen.getAllByRole('option').map(({ textContent }) => textContent)).toEqual(
    fuels.map(({ text }) => text),
  )
  expect(screen.queryByRole('option', { selected: true })).toBeNull()
  take('Oil')
  expect(chosen).toEqual(['oil'])
  expect(closed('Oil Fuel')).toBeTruthy()
})

test('another is chosen, the list closes; the same again changes nothing and closes it too', () => {
  open()
  fireEvent.click(closed('Natural gas Fuel'))
  expect(list()?.getAttribute('aria-label')).toBe('Fuel')
  expect(screen.getByRole('option', { selected: true }).textContent).toBe('Natural gas')
  take('Propane')
  expect(chosen).toEqual(['propane'])
  expect(list()).toBeNull()
  fireEvent.click(closed('Propane Fuel'))
  take('Propane')
  expect(chosen).toEqual(['propane'])
  expect(list()).toBeNull()
})

test.each(['ArrowDown', 'ArrowUp'])('%s opens the list on what is chosen', (key) => {
  open({ value: 'propane' })
  const isTaken = !fireEvent.keyDown(closed('Propane Fuel'), { key })
  expect(isTaken).toBe(true)
  expect(document.activeElement?.textContent).toBe('Propane')
  expect(pressed).toEqual([])
})

test('where nothing is chosen, the list that a key opens begins at its first', () => {
  open({ value: null })
  fireEvent.keyDown(closed('choose Fuel'), { key: 'ArrowDown' })
  expect(document.activeElement?.textContent).toBe('Natural gas')
})

test('closed, no other key changes the answer, and the page hears it', () => {
  open()
  for (const key of ['ArrowRight', 'ArrowLeft', 'o', 'Delete'])
    fireEvent.keyDown(closed('Natural gas Fuel'), { key })
  expect(chosen).toEqual([])
  expect(list()).toBeNull()
  expect(pressed).toEqual(['ArrowRight', 'ArrowLeft', 'o', 'Delete'])
})

test('left by Escape it gives the focus back, with nothing chosen', async () => {
  open()
  const trigger = closed('Natural gas Fuel')
  act(() => trigger.focus())
  fireEvent.keyDown(trigger, { key: 'ArrowDown' })
  fireEvent.keyDown(document.activeElement ?? document.body, { key: 'ArrowDown' })
  expect(document.activeElement?.textContent).toBe('Propane')
  fireEvent.keyDown(document.activeElement ?? document.body, { key: 'Escape' })
  expect(list()).toBeNull()
  await act(() => new Promise((resolve) => setTimeout(resolve, 50)))
  expect(document.activeElement).toBe(trigger)
  expect(chosen).toEqual([])
})

test('one that cannot be chosen from does not open', () => {
  open({ isDisabled: true })
  fireEvent.click(closed('Natural gas Fuel'))
  expect(list()).toBeNull()
})

import { fireEvent, screen } from '@testing-library/react'

// What a hand does on a page, by what is written there.

export const button = (name: string | RegExp): HTMLButtonElement =>
  screen.getByRole<HTMLButtonElement>('button', { name })

export const press = (name: string | RegExp): void => void fireEvent.click(button(name))

export const field = (label: string | RegExp): HTMLInputElement =>
  screen.getByLabelText<HTMLInputElement>(label)

export const type = (label: string | RegExp, value: string): void =>
  void fireEvent.change(field(label), { target: { value } })

/** Types into a line and leaves it. */
export function write(label: string | RegExp, value: string): void {
  type(label, value)
  fireEvent.blur(field(label))
}

/** What a row of a table says, cell by cell, by what stands at its head. */
export const rowOf = (head: string): readonly string[] => {
  const row = screen.getByRole('rowheader', { name: head }).closest('tr')
  return [...(row?.querySelectorAll('td') ?? [])].map((cell) => cell.textContent)
}

/** Opens a list of choices and takes one. */
export function choose(list: RegExp, option: string): void {
  press(list)
  fireEvent.click(screen.getByRole('option', { name: option }))
}

import { fireEvent, screen, within } from '@testing-library/react'

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

/** Types into the editor of a quantity that is open, says how it is known, and uses it. */
export function fill(label: string, text: string, known?: 'Measured' | 'Read' | 'Assumed'): void {
  const editor = within(screen.getByRole('dialog'))
  fireEvent.change(editor.getByRole('textbox', { name: label }), { target: { value: text } })
  if (known) fireEvent.click(editor.getByRole('radio', { name: known }))
  fireEvent.click(editor.getByRole('button', { name: 'Use it' }))
}

/** Opens the editor of a quantity, types into it and uses it. */
export function enter(label: string, ...typed: [text: string, known?: 'Measured' | 'Read']): void {
  press(new RegExp(`^${label}`))
  fill(label, ...typed)
}

import { fireEvent, screen } from '@testing-library/react'

// What a hand does on a page, by what is written there.

export const button = (name: string | RegExp): HTMLButtonElement =>
  screen.getByRole<HTMLButtonElement>('button', { name })

export const press = (name: string | RegExp): void => void fireEvent.click(button(name))

export const field = (label: string | RegExp): HTMLInputElement =>
  screen.getByLabelText<HTMLInputElement>(label)

export const type = (label: string | RegExp, value: string): void =>
  void fireEvent.change(field(label), { target: { value } })

/** Opens a list of choices and takes one. */
export function choose(list: RegExp, option: string): void {
  press(list)
  fireEvent.click(screen.getByRole('option', { name: option }))
}

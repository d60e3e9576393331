/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { Day } from './LateDay'

// As where the server is away before the calendar was fetched.
jest.mock('./Day', () => {
  throw new Error('not fetched')
})
afterEach(cleanup)

test('a calendar that cannot be fetched leaves the browser’s own, and the page stands', async () => {
  const days: (string | null)[] = []
  render(<Day label="Expected" value={null} onChange={(day) => days.push(day)} />)
  const field = await screen.findByLabelText('Expected')
  fireEvent.change(field, { target: { value: '2026-12-04' } })
  expect(days).toEqual(['2026-12-04'])
})

/** @jest-environment jsdom */
import type { BoardRow } from '@hestian/core'
import { cleanup, screen, waitFor } from '@testing-library/react'
import { owner, renderAs } from '../people/renderAs.testing'
import { DeleteForGood } from './DeleteForGood'
import { press, type } from '../ui/hands.testing'

afterEach(cleanup)
const row = { id: 'mill-house', number: '0421', name: 'Mill House' } as BoardRow

test('a job goes with a reason and its own number, and with nothing less', async () => {
  let gone = 0
  const page = <DeleteForGood row={row} by="lead" onGone={() => gone++} />
  const sent = renderAs(owner(), page)
  press('Delete it for good')
  screen.getByText(/Gas and safety records have to be kept for years/)
  press('Delete it for good')
  expect(screen.getByRole('alert').textContent).toMatch(/^Say why/)
  type(/^Why/, 'begun twice')
  for (const number of ['', '0422', '421']) {
    type('Its number, to be sure', number)
    press('Delete it for good')
    expect(screen.getByRole('alert').textContent).toContain('0421')
  }
  expect(sent).toEqual([])
  type('Its number, to be sure', ' 0421 ')
  press('Delete it for good')
  await waitFor(() => expect(gone).toBe(1))
  const body = { id: expect.any(String) as string, by: 'lead', reason: 'begun twice' }
  expect(sent).toEqual([{ url: '/api/jobs/mill-house/delete', body }])
})

test('who thinks again keeps it', () => {
  const sent = renderAs(owner(), <DeleteForGood row={row} by="lead" onGone={() => undefined} />)
  press('Delete it for good')
  press('Keep it')
  expect(screen.queryByRole('form')).toBeNull()
  expect(sent).toEqual([])
})

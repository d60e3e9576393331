/** @jest-environment jsdom */
import type { HeldTicket } from '@hestian/core'
import { cleanup, screen } from '@testing-library/react'
import { PeoplePage } from './PeoplePage'
import { owner, renderAs } from './renderAs.testing'

const ticket = (part: Partial<HeldTicket>): HeldTicket => ({
  ...{ ticket: 'gas', practice: null, number: 'A-1', issuer: '', until: null },
  ...part,
})

/** The page of a firm of one who holds these. */
const page = (...holds: HeldTicket[]) => renderAs(owner({ holds }), <PeoplePage />)
afterEach(cleanup)
const head = async () => {
  await screen.findByText('Of the firm')
  await screen.findByText(/^(One person)$/)
  return screen.getByRole('heading', { level: 1 }).textContent
}

test.each([
  ['no ticket at all', [], 'One person, no ticket on file.'],
  ['one without a last day', [ticket({})], 'One person, every ticket on file holds.'],
  [
    'one of which nothing is known',
    [ticket({ number: '' })],
    'One person, some tickets run out soon, or little is known of them.',
  ],
  [
    'one that ran out',
    [ticket({ until: '2020-01-31' })],
    'One person; a ticket of Lead Person ran out.',
  ],
] as const)('%s is said first', async (_, holds, says) => {
  page(...holds)
  expect(await head()).toBe(says)
})

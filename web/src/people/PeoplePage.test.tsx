/** @jest-environment jsdom */
import type { HeldTicket } from '@hestian/core'
import { cleanup, screen, waitFor } from '@testing-library/react'
import { choose, field, press, type } from '../ui/hands.testing'
import { PeoplePage } from './PeoplePage'
import { owner, renderAs } from './renderAs.testing'

const ticket = (part: Partial<HeldTicket>): HeldTicket => ({
  ...{ ticket: 'gas', practice: null, number: 'A-1', issuer: '', until: null },
  ...part,
})

/** The page of a firm of one who holds these. */
const page = (...holds: HeldTicket[]) => renderAs(owner({ holds }), <PeoplePage />)
beforeEach(() => sessionStorage.clear())
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

describe('the tickets of somebody', () => {
  const open = async (holds: readonly HeldTicket[] = []) => {
    const sent = page(...holds)
    await head()
    press(/^Change: Lead Person/)
    return sent
  }
  /** The day is fetched when there is a ticket. */
  const ready = () => screen.findByRole('group', { name: 'Last day' })

  test('are written down as their papers say them, and sent as a whole', async () => {
    const sent = await open()
    press('Add a ticket')
    await ready()
    choose(/^Gas ticket|gas ticket Ticket$|Ticket/, 'flame work ticket')
    type('Number', 'F 17')
    type('Issued by', 'Insurer')
    press('Keep it')
    await waitFor(() => expect(sent).toHaveLength(1))
    const holds = [ticket({ ticket: 'flame', number: 'F 17', issuer: 'Insurer' })]
    expect(sent[0]).toEqual({ url: '/api/people/lead', body: { role: 'owner', holds } })
  })

  test('that were typed and not kept are there after a reload; left on purpose they are not', async () => {
    await open([ticket({})])
    await ready()
    type('Number', 'A-2')
    cleanup()
    await open([ticket({})])
    await ready()
    expect(field('Number').value).toBe('A-2')
    press('Leave it')
    press(/^Change: Lead Person/)
    await ready()
    expect(field('Number').value).toBe('A-1')
  })

  test('taken off are gone when they are kept', async () => {
    const sent = await open([ticket({}), ticket({ ticket: 'unvented', number: 'U-1' })])
    await screen.findAllByRole('group', { name: 'Last day' })
    press('Take off: gas ticket')
    press('Keep it')
    await waitFor(() => expect(sent).toHaveLength(1))
    expect(sent[0]?.body).toMatchObject({ holds: [{ number: 'U-1' }] })
  })
})

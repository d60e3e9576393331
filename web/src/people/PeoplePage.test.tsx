/** @jest-environment jsdom */
import type { HeldTicket, Staff } from '@hestian/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render, screen } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { WhoProvider } from '../job/WhoContext'
import { PeoplePage } from './PeoplePage'

globalThis.AbortSignal.timeout ??= () => new AbortController().signal
const ticket = (part: Partial<HeldTicket>): HeldTicket => ({
  ...{ ticket: 'gas', practice: null, number: 'A-1', issuer: '', until: null },
  ...part,
})

/** The page of a firm of one who holds these. */
function page(...holds: HeldTicket[]) {
  const person: Staff = {
    ...{ id: 'lead', name: 'Lead Person', role: 'owner', units: {}, standing: 'in' },
    holds,
  }
  const answers = (url: string) =>
    url.endsWith('/session') ? { person, firstRun: false, demo: [] } : [person]
  globalThis.fetch = ((url: string) =>
    Promise.resolve({
      ...{ ok: true, status: 200, headers: new Headers() },
      text: () => Promise.resolve(JSON.stringify(answers(url))),
    })) as unknown as typeof fetch
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <WhoProvider>
          <PeoplePage />
        </WhoProvider>
      </MemoryRouter>
    </QueryClientProvider>,
  )
}
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

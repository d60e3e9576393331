/** @jest-environment jsdom */
import type { BodyOf, JobRecord, Person, RecordBody } from '@hestian/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react'
import type { ReactNode } from 'react'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand, lead } from '../job/jobStand.testing'
import { Guests } from './Guests'
import { MailPapers } from './MailPapers'
import { NoticeToOffice } from './NoticeToOffice'
import { press } from '../ui/hands.testing'

// What goes to somebody outside the firm: papers, a notice, a link.

globalThis.AbortSignal.timeout ??= () => new AbortController().signal

let sent: { url: string; body: unknown }[]
beforeEach(() => {
  sent = []
  sessionStorage.clear()
})
afterEach(cleanup)

const kept = (body: RecordBody, i: number): JobRecord => ({
  ...{ id: `record-${i}`, at: '2026-11-20T10:00:00Z', by: 'lead' },
  body,
})
interface Standing {
  readonly entries?: readonly RecordBody[]
  readonly person?: Person
  /** What the server answers, by how its address ends. */
  readonly answers?: Readonly<Record<string, unknown>>
}
function stand(part: ReactNode, { entries = [], person = lead, answers = {} }: Standing = {}) {
  globalThis.fetch = ((url: string, { body }: RequestInit = {}) => {
    if (body) sent.push({ url, body: JSON.parse(body as string) as unknown })
    const found = Object.entries(answers).find(([end]) => url.endsWith(end))?.[1] ?? {}
    return Promise.resolve({
      ...{ ok: true, status: 200, headers: new Headers() },
      text: () => Promise.resolve(JSON.stringify(found)),
    })
  }) as unknown as typeof fetch
  return render(
    <QueryClientProvider client={new QueryClient()}>
      <JobStand job={house()} frozen person={person} entries={entries.map(kept)}>
        {part}
      </JobStand>
    </QueryClientProvider>,
  )
}
const apprentice: Person = { ...lead, id: 'young', role: 'apprentice' }

const mailed = (part: Partial<BodyOf<'mailed'>>): BodyOf<'mailed'> => ({
  ...{ kind: 'mailed', revision: 'A', to: 'anna@example.org', papers: [], outcome: 'taken' },
  ...part,
})

test.each([
  [mailed({}), 'The whole pack to anna@example.org: on its way.'],
  [
    mailed({ papers: ['householder'], outcome: 'refused', reason: '550 no such mailbox' }),
    'Householder’s page to anna@example.org: refused, 550 no such mailbox.',
  ],
  // No answer never reads as sent, nor as lost.
  [
    mailed({ outcome: 'unanswered' }),
    'The whole pack to anna@example.org: no answer. It may have arrived; sent again as it was it is the same mail.',
  ],
])('what became of a mail is said: %#', async (body, says) => {
  stand(<MailPapers letter="A" />, { entries: [body], answers: { '/mailbox': { from: null } } })
  const list = await screen.findByRole('list', { name: 'Mailed' })
  expect(within(list).getByText(says)).toBeTruthy()
})

test('mail of another revision does not stand under this one, and without a mail server nothing is offered', async () => {
  const entries = [mailed({ revision: 'B' })]
  const { container } = stand(<MailPapers letter="A" />, {
    entries,
    answers: { '/mailbox': { from: null } },
  })
  await waitFor(() => expect(container.textContent).toBe(''))
})

test('mail is offered to whom the firm lets send it, and to no apprentice', async () => {
  const answers = { '/mailbox': { from: 'heating@firm.example' } }
  stand(<MailPapers letter="A" />, { answers })
  await screen.findByText('from heating@firm.example')
  expect(screen.getByRole('button', { name: 'Send it' })).toBeTruthy()
  cleanup()
  stand(<MailPapers letter="A" />, { answers, person: apprentice })
  await screen.findByText('from heating@firm.example')
  expect(screen.queryByRole('button', { name: 'Send it' })).toBeNull()
})

const notified = (part: Partial<BodyOf<'notified'>>): BodyOf<'notified'> => ({
  ...{ kind: 'notified', revision: 'A', office: 'The office', outcome: 'accepted' },
  ...part,
})
test.each([
  [notified({ number: 'N-77' }), 'Taken, number N-77.', undefined],
  [
    notified({ outcome: 'refused', reasons: ['The address is missing.'] }),
    'Refused: The address is missing.',
    'Send it again',
  ],
  [
    notified({ outcome: 'unanswered' }),
    'No answer. It may have arrived: sent again it is the same notice.',
    'Send it again',
  ],
])('what the office answered is said, and what can be done: %#', async (body, says, offers) => {
  stand(<NoticeToOffice letter="A" />, {
    entries: [body],
    answers: { '/office': { name: 'The office' } },
  })
  await screen.findByText(says)
  expect(screen.queryByRole('button')?.textContent ?? undefined).toBe(offers)
})

test('a link is made for somebody by name and for a time, shown once, and taken back', async () => {
  const link = {
    ...{ id: 'guest-1', name: 'Mill Trust', by: 'lead', madeAt: '2026-11-20T10:00:00.000Z' },
    ...{ until: '2999-01-01T10:00:00.000Z', revokedAt: null },
  }
  const over = { ...link, id: 'guest-2', name: 'Old Trust', until: '2020-01-01T10:00:00.000Z' }
  const answers: Record<string, unknown> = { '/guests': [link, over] }
  stand(<Guests />, { answers })
  await screen.findByText('Mill Trust')
  // One that is over has nothing to take back.
  expect(screen.getAllByRole('button', { name: /^Take it back/ })).toHaveLength(1)
  expect(screen.getByText(/was open until/)).toBeTruthy()
  press('Make a link')
  expect(screen.getByRole('alert').textContent).toContain('at least 2 characters')
  expect(sent).toEqual([])
  fireEvent.change(screen.getByLabelText('Who it is for'), { target: { value: 'New Trust' } })
  answers['/guests'] = { token: 'secret-token', until: '2999-01-01T10:00:00.000Z' }
  press('Make a link')
  await waitFor(() =>
    expect(screen.getByLabelText<HTMLInputElement>('The link').value).toMatch(
      /\/guest#secret-token$/,
    ),
  )
  expect(sent[0]).toMatchObject({
    url: '/api/jobs/job/guests',
    body: { by: 'lead', name: 'New Trust', days: 30 },
  })
  press('Take it back: Mill Trust')
  await waitFor(() => expect(sent[1]?.url).toBe('/api/jobs/job/guests/guest-1/revoke'))
})

test('an apprentice is offered no link to give', () => {
  const { container } = stand(<Guests />, { person: apprentice })
  expect(container.textContent).toBe('')
})

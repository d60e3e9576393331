/** @jest-environment jsdom */
import type { Backups, KeptBackup, Staff } from '@hestian/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { WhoProvider } from '../job/WhoContext'
import { BackupsPage } from './BackupsPage'

globalThis.AbortSignal.timeout ??= () => new AbortController().signal
const person: Staff = {
  ...{ id: 'lead', name: 'Lead Person', role: 'owner' },
  ...{ holds: [], units: {}, standing: 'in' },
}
const backup = (more: Partial<KeptBackup> = {}): KeptBackup => ({
  name: 'hestian-2026-11-24T09-00-00Z.zip',
  at: new Date().toISOString(),
  askedAs: 'action-1',
  bytes: 2_400_000,
  jobs: 4,
  evidence: 9,
  faults: [],
  ...more,
})

interface Answers {
  readonly kept?: readonly KeptBackup[]
  readonly post?: { readonly status: number; readonly body: object }
}
const posted: unknown[] = []

/** The page over a server that answers so. */
function page({ kept = [], post }: Answers, who: string | undefined = 'lead') {
  posted.length = 0
  const session = { person: who ? person : null, firstRun: false, demo: [] }
  const backups: Backups = { folder: '/srv/hestian/backups', keeps: 7, kept: [...kept] }
  const answer = (status: number, body: object) =>
    Promise.resolve({
      ok: status < 300,
      status,
      headers: new Headers(),
      text: () => Promise.resolve(JSON.stringify(body)),
    })
  globalThis.fetch = ((url: string, init: RequestInit) => {
    if (init.method === 'POST') {
      posted.push(JSON.parse(init.body as string))
      return answer(post?.status ?? 201, post?.body ?? backup())
    }
    if (url.endsWith('/session')) return answer(200, session)
    return answer(200, url.endsWith('/people') ? [person] : backups)
  }) as unknown as typeof fetch
  render(
    <QueryClientProvider
      client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}
    >
      <MemoryRouter>
        <WhoProvider>
          <BackupsPage />
        </WhoProvider>
      </MemoryRouter>
    </QueryClientProvider>,
  )
}
afterEach(cleanup)
const head = async (text: RegExp) =>
  expect((await screen.findByText(text, { selector: 'h1, h1 *' })).closest('h1')?.textContent)

test('while there is none it says so first', async () => {
  page({})
  ;(await head(/no backup/)).toBe('There is no backup yet.')
})

test('each one that was tried is listed with what it holds, and can be fetched', async () => {
  page({ kept: [backup()] })
  expect(await screen.findByText(/4 jobs, 9 photographs and papers, 2\.4 MB/)).toBeTruthy()
  expect(screen.getByRole('link', { name: /^Fetch/ }).getAttribute('href')).toBe(
    '/api/backups/hestian-2026-11-24T09-00-00Z.zip',
  )
  expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/^Last backup .*, tried\.$/)
})

test('an old one is said to be old', async () => {
  page({ kept: [backup({ at: '2026-01-02T09:00:00.000Z' })] })
  ;(await head(/^2 Jan/)).toMatch(/that is a while ago/)
})

test('what was not sound before is the first thing said, and named', async () => {
  page({ kept: [backup({ faults: ['The photograph or paper abc is missing.'] })] })
  expect(await screen.findByText('The photograph or paper abc is missing.')).toBeTruthy()
  expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/1 that was not sound/)
})

test('one is made by a press, under an id of its own, and says what was read back', async () => {
  page({})
  await screen.findByText('Lead Person')
  fireEvent.click(screen.getByRole('button', { name: 'Back up now' }))
  expect((await screen.findByRole('status')).textContent).toBe(
    'Made, put back and read: 4 jobs, 9 photographs and papers.',
  )
  expect(posted).toMatchObject([{ by: 'lead', id: expect.stringMatching(/.{8,}/) }])
})

test('one that could not be made says why', async () => {
  page({
    post: { status: 507, body: { code: 'disk-full', says: 'The disk of the server is full.' } },
  })
  await screen.findByText('Lead Person')
  fireEvent.click(screen.getByRole('button', { name: 'Back up now' }))
  expect((await screen.findByRole('alert')).textContent).toBe('The disk of the server is full.')
})

test('nobody makes one without a name', async () => {
  page({}, undefined)
  await screen.findByText(/There is/)
  fireEvent.click(screen.getByRole('button', { name: 'Back up now' }))
  expect(posted).toEqual([])
})

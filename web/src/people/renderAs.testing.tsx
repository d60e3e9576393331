import type { Staff } from '@hestian/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { render } from '@testing-library/react'
import type { ReactNode } from 'react'
import { MemoryRouter } from 'react-router'
import { WhoProvider } from '../job/WhoContext'

globalThis.AbortSignal.timeout ??= () => new AbortController().signal

export interface Sent {
  readonly url: string
  readonly body: unknown
}

/**
 * A page of a firm of one, who is signed in; what it asks beside people and session is answered by
 * `answer`. Gives what it sent.
 */
export function renderAs(
  person: Staff,
  page: ReactNode,
  answer: (url: string) => unknown = () => ({}),
): readonly Sent[] {
  const sent: Sent[] = []
  const answerOf = (url: string): unknown => {
    if (url.endsWith('/session')) return { person, firstRun: false, demo: [] }
    return url.endsWith('/people') ? [person] : answer(url)
  }
  globalThis.fetch = (async (url: string, { body }: RequestInit = {}) => {
    if (body) sent.push({ url, body: JSON.parse(body as string) as unknown })
    const text = JSON.stringify(await answerOf(url))
    return { ok: true, status: 200, headers: new Headers(), text: () => Promise.resolve(text) }
  }) as unknown as typeof fetch
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <WhoProvider>{page}</WhoProvider>
      </MemoryRouter>
    </QueryClientProvider>,
  )
  return sent
}

export const owner = (part: Partial<Staff> = {}): Staff => ({
  ...{ id: 'lead', name: 'Lead Person', role: 'owner', units: {}, standing: 'in', holds: [] },
  ...part,
})

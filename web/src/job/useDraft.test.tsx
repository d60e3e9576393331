/** @jest-environment jsdom */
import type { JobState } from '@hestian/core'
import { blankDocument } from '@hestian/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook } from '@testing-library/react'
import type { ReactNode } from 'react'
import { keptDraft } from './keptDraft'
import { useDraft } from './useDraft'

// The browser has it, the simulated one does not.
globalThis.structuredClone = <T,>(value: T): T => JSON.parse(JSON.stringify(value)) as T

const document = blankDocument({ name: 'A house', address: '', practice: 'uk-ireland' })
const state: JobState = {
  id: 'job',
  number: '0401',
  document,
  saveNumber: 1,
  frozen: null,
  importedAt: null,
  revisions: [],
  records: [],
  samples: {},
}
const address = (text: string) => [{ path: ['site', 'address'], value: text }]
const notes = (text: string) => [{ path: ['site', 'notes'], value: text }]

interface Sent {
  readonly document: typeof document
  readonly saveNumber: number
}
let sent: Sent[]
let reply: (body: Sent) => { readonly status: number; readonly json: unknown } | 'away'

beforeEach(() => {
  jest.useFakeTimers()
  localStorage.clear()
  sent = []
  reply = ({ saveNumber }) => ({ status: 200, json: { saveNumber: saveNumber + 1 } })
  globalThis.fetch = jest.fn(async (_url: unknown, init?: { body?: unknown }) => {
    const body = JSON.parse(String(init?.body)) as Sent
    sent.push(body)
    const answer = reply(body)
    if (answer === 'away') throw new TypeError('fetch failed')
    const text = async () => JSON.stringify(answer.json)
    const headers = { get: () => null } as unknown as Headers
    return { ok: answer.status < 300, status: answer.status, headers, text } as Response
  })
  AbortSignal.timeout = () => new AbortController().signal
})
afterEach(() => jest.useRealTimers())

const tab = () => {
  const client = new QueryClient()
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  )
  return renderHook(() => useDraft(state, 'lead'), { wrapper })
}
const later = (ms: number) => act(async () => jest.advanceTimersByTimeAsync(ms))

test('what is typed is kept at once, saved shortly after, and then no longer kept', async () => {
  const { result } = tab()
  act(() => result.current.edit(address('1 Lane')))
  expect(keptDraft('job')?.document.site.address).toBe('1 Lane')
  await later(600)
  expect(sent.map((one) => one.document.site.address)).toEqual(['1 Lane'])
  expect(result.current.save).toBe('saved')
  expect(keptDraft('job')).toBeUndefined()
})

test('it does not say that it is saved before it was sent', async () => {
  const { result } = tab()
  act(() => result.current.edit(address('1 Lane')))
  expect(result.current.save).toBe('saving')
  await act(() => result.current.flush())
  expect(result.current.save).toBe('saved')
  act(() => result.current.edit(address('2 Lane')))
  expect(result.current.save).toBe('saving')
  act(() => result.current.undo())
  expect(result.current.save).toBe('saved')
})

test('who asks for a save while one is under way has both sent', async () => {
  const { result } = tab()
  act(() => result.current.edit(address('1 Lane')))
  await act(async () => {
    const first = result.current.flush()
    result.current.edit(address('2 Lane'))
    await first
    expect(await result.current.flush()).toBe(true)
  })
  expect(sent.map((one) => one.document.site.address)).toEqual(['1 Lane', '2 Lane'])
})

test('what is undone before it was saved does not come back with the next page', async () => {
  const { result, unmount } = tab()
  act(() => result.current.edit(address('1 Lane')))
  act(() => result.current.undo())
  unmount()
  expect(keptDraft('job')).toBeUndefined()
  expect(tab().result.current.document.site.address).toBe('')
})

test('what is undone after it was saved is a change again, kept and sent', async () => {
  const { result } = tab()
  act(() => result.current.edit(address('1 Lane')))
  await later(600)
  act(() => result.current.undo())
  expect(keptDraft('job')?.document.site.address).toBe('')
  await later(600)
  expect(sent.map((one) => one.document.site.address)).toEqual(['1 Lane', ''])
})

test('what another tab keeps is not forgotten by a page on which nothing was typed', async () => {
  const first = tab()
  act(() => first.result.current.edit(address('9 Lane')))
  const text = localStorage.getItem('draft:job') ?? ''
  first.unmount()
  localStorage.setItem('draft:job', text.replace('9 Lane', '10 Lane'))
  tab().unmount()
  expect(keptDraft('job')?.document.site.address).toBe('10 Lane')
})

test('without a server it waits, survives the page, and is sent when the server is there', async () => {
  reply = () => 'away'
  const first = tab()
  act(() => first.result.current.edit(address('2 Lane')))
  await later(600)
  expect(first.result.current.save).toBe('waiting')
  first.unmount()
  const again = tab()
  expect(again.result.current.document.site.address).toBe('2 Lane')
  reply = ({ saveNumber }) => ({ status: 200, json: { saveNumber: saveNumber + 1 } })
  await later(4000)
  expect(again.result.current.save).toBe('saved')
  expect(sent.at(-1)?.document.site.address).toBe('2 Lane')
})

test('what was kept over a reload is sent at once: what is done next may rest on it', async () => {
  const first = tab()
  act(() => first.result.current.edit(address('4 Lane')))
  first.unmount()
  expect(sent).toEqual([])
  const again = tab()
  await later(10)
  expect(sent.map((one) => one.document.site.address)).toEqual(['4 Lane'])
  act(() => again.result.current.edit(address('5 Lane')))
  await later(10)
  expect(sent).toHaveLength(1)
})

test('a refusal keeps what was typed and its sentence, until it is changed', async () => {
  reply = () => ({ status: 400, json: { code: 'not-understood', says: 'That cannot be.' } })
  const { result } = tab()
  act(() => result.current.edit(address('3 Lane')))
  await later(600)
  expect(result.current).toMatchObject({ save: 'refused', says: 'That cannot be.' })
  expect(keptDraft('job')?.document.site.address).toBe('3 Lane')
  reply = ({ saveNumber }) => ({ status: 200, json: { saveNumber: saveNumber + 1 } })
  act(() => result.current.edit(address('3a Lane')))
  await later(600)
  expect(result.current.save).toBe('saved')
})

const stale = (theirs: typeof document) => ({
  status: 409,
  json: {
    code: 'stale-save',
    says: 'Somebody saved.',
    current: { document: theirs, saveNumber: 5 },
  },
})
const site = (part: Partial<typeof document.site>) => ({
  ...document,
  site: { ...document.site, ...part },
})

test('a stale save of another place is merged by itself and sent on theirs', async () => {
  reply = ({ saveNumber }) =>
    saveNumber === 1
      ? stale(site({ notes: 'theirs' }))
      : { status: 200, json: { saveNumber: saveNumber + 1 } }
  const { result } = tab()
  act(() => result.current.edit(address('4 Lane')))
  await later(600)
  await later(4000)
  expect(result.current.save).toBe('saved')
  expect(sent.at(-1)).toMatchObject({
    saveNumber: 5,
    document: { site: { address: '4 Lane', notes: 'theirs' } },
  })
})

test('a stale save of the same place is asked about; theirs taken, mine is one undo away', async () => {
  reply = ({ saveNumber }) =>
    saveNumber === 1
      ? stale(site({ address: 'theirs' }))
      : { status: 200, json: { saveNumber: saveNumber + 1 } }
  const { result } = tab()
  act(() => result.current.edit(address('mine')))
  await later(600)
  expect(result.current.save).toBe('conflict')
  expect(result.current.conflict?.conflicts).toMatchObject([
    { path: ['site', 'address'], mine: 'mine', theirs: 'theirs' },
  ])
  act(() => result.current.settle('reload'))
  expect(result.current.document.site.address).toBe('theirs')
  act(() => result.current.undo())
  expect(result.current.document.site.address).toBe('mine')
})

test('two tabs share one draft: what both typed is kept, whichever is closed first', async () => {
  reply = () => 'away'
  const [here, there] = [tab(), tab()]
  const hears = () => {
    const newValue = localStorage.getItem('draft:job')
    act(() => {
      dispatchEvent(new StorageEvent('storage', { key: 'draft:job', newValue }))
    })
  }
  act(() => here.result.current.edit(address('5 Lane')))
  hears()
  expect(there.result.current.document.site.address).toBe('5 Lane')
  act(() => there.result.current.edit(notes('from there')))
  hears()
  expect(here.result.current.document.site.notes).toBe('from there')
  here.unmount()
  there.unmount()
  expect(keptDraft('job')?.document.site).toMatchObject({ address: '5 Lane', notes: 'from there' })
})

test('a browser without room says so, and the draft is saved all the same', async () => {
  const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError')
  })
  reply = () => 'away'
  const { result } = tab()
  act(() => result.current.edit(address('6 Lane')))
  await later(600)
  expect(result.current.says).toMatch(/no room left/)
  full.mockRestore()
  reply = ({ saveNumber }) => ({ status: 200, json: { saveNumber: saveNumber + 1 } })
  await later(4000)
  expect(result.current.save).toBe('saved')
})

/** @jest-environment jsdom */
import type { JobDocument, JobRecord, RecordBody } from '@hestian/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { exchangeJob } from '../../../core/src/solve/sequenceJobs.testing'
import { JobStand } from '../job/jobStand.testing'
import { pathOf } from './drawnPath'
import { HandoverPage } from './HandoverPage'

// There is no canvas here: the browser journeys draw on one.
jest.mock('signature_pad', () => ({
  __esModule: true,
  default: class {
    addEventListener = () => undefined
    removeEventListener = () => undefined
    off = () => undefined
    clear = () => undefined
  },
}))

beforeEach(() => sessionStorage.clear())
afterEach(() => {
  cleanup()
  jest.restoreAllMocks()
})

const kept = (body: RecordBody, id = 'record-1'): JobRecord => ({
  id,
  at: '2026-11-20T10:00:00Z',
  by: 'lead',
  body,
})
const page = (
  job: JobDocument = house(),
  more: {
    readonly entries?: readonly JobRecord[]
    readonly frozen?: boolean
  } = {},
) =>
  render(
    <QueryClientProvider
      client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}
    >
      <JobStand job={job} {...more}>
        <HandoverPage />
      </JobStand>
    </QueryClientProvider>,
  )
const row = (item: string): HTMLElement => {
  const found = document.querySelector<HTMLElement>(`[data-place="leaving.${item}"]`)
  if (!found) throw new Error(`no row ${item}`)
  return found
}

test('the first thing that nobody has said is open; done, the next one is', () => {
  page()
  expect(within(row('back-on')).getByRole('button', { name: 'Done' })).toBeTruthy()
  fireEvent.click(within(row('back-on')).getByRole('button', { name: 'Done' }))
  expect(row('back-on').dataset.open).toBeUndefined()
  expect(within(row('back-on')).getByText(/lead, 20|lead, \d/)).toBeTruthy()
  expect(row('seals').dataset.open).toBe('true')
})

test('Enter where a photograph is chosen does not say that it was taken', () => {
  page()
  fireEvent.click(within(row('photographed')).getByRole('button', { name: /^Open/ }))
  const field = within(row('photographed')).getByLabelText('Photographs of it')
  const opened = jest.spyOn(HTMLInputElement.prototype, 'click').mockImplementation(() => undefined)
  fireEvent.keyDown(field, { key: 'Enter' })
  expect(opened).toHaveBeenCalledTimes(1)
  expect(row('photographed').dataset.open).toBe('true')
  expect(within(row('photographed')).getByRole('button', { name: 'Done' })).toHaveProperty(
    'disabled',
    true,
  )
})

test('what has to be written down is waited for', () => {
  page(house())
  fireEvent.click(within(row('settings')).getByRole('button', { name: /^Open/ }))
  const done = within(row('settings')).getByRole('button', { name: 'Done' })
  expect(done).toHaveProperty('disabled', true)
  fireEvent.change(within(row('settings')).getByRole('textbox'), { target: { value: 'none' } })
  expect(done).toHaveProperty('disabled', false)
  fireEvent.click(done)
  expect(within(row('settings')).getByText(/^none\./)).toBeTruthy()
})

test('not done takes a reason, and shows it', () => {
  page()
  fireEvent.click(within(row('alarm')).getByRole('button', { name: /^Open/ }))
  fireEvent.click(within(row('alarm')).getByRole('button', { name: 'Not done, and why' }))
  fireEvent.change(within(row('alarm')).getByRole('textbox'), { target: { value: 'sold out' } })
  fireEvent.click(within(row('alarm')).getByRole('button', { name: 'Record why' }))
  expect(within(row('alarm')).getByText(/Not done: sold out/)).toBeTruthy()
})

test('a photograph is waited for, or the reason why there is none', () => {
  page()
  fireEvent.click(within(row('photographed')).getByRole('button', { name: /^Open/ }))
  expect(within(row('photographed')).getByRole('button', { name: 'Done' })).toHaveProperty(
    'disabled',
    true,
  )
  expect(screen.getByText(/It takes a photograph/)).toBeTruthy()
})

test('a small job asks none of it and tells its household nothing', () => {
  page(exchangeJob('uk-ireland', 'relief-valve', 'boiler'))
  expect(screen.queryByText('Before you leave')).toBeNull()
  expect(screen.queryByText('For whoever lives here')).toBeNull()
  expect(screen.getByText('3 papers are due')).toBeTruthy()
  expect(screen.getByRole('button', { name: /Work record on one page/ })).toBeTruthy()
})

test('what the household is told is typed here and read back as they will read it', () => {
  page()
  const field = screen.getByRole('textbox', { name: 'Where the water is shut' })
  fireEvent.change(field, { target: { value: 'under the sink' } })
  fireEvent.blur(field)
  expect(screen.getByText('Water: under the sink')).toBeTruthy()
  expect(screen.getByText(/answers not known yet/)).toBeTruthy()
})

test('papers that are not due say why, and those with a hole say which', () => {
  page()
  expect(screen.getByText('No test is recorded.')).toBeTruthy()
  expect(screen.getByText(/Where gas is shut is not said\. Where water/)).toBeTruthy()
  expect(screen.queryByRole('button', { name: 'PDF: Test certificates' })).toBeNull()
  expect(screen.getByRole('button', { name: 'PDF: Service plan' })).toBeTruthy()
})

test('a paper that the server cannot make says so, and can be tried again', async () => {
  const refused = {
    ok: false,
    json: () => Promise.resolve({ code: 'busy', says: 'No worker is free.' }),
  }
  const away = jest.fn().mockRejectedValueOnce(new Error('gone')).mockResolvedValueOnce(refused)
  const nothing = new Promise(() => undefined)
  globalThis.fetch = ((url: string) =>
    url.endsWith('.pdf') || url.includes('.pdf?') ? away(url) : nothing) as typeof fetch
  globalThis.AbortSignal.timeout ??= () => new AbortController().signal
  page()
  fireEvent.click(screen.getByRole('button', { name: 'PDF: Service plan' }))
  expect((await screen.findByRole('alert')).textContent).toMatch(/The server does not answer/)
  fireEvent.click(screen.getByRole('button', { name: 'PDF: Service plan' }))
  expect((await screen.findByText(/could not make it/)).textContent).toMatch(
    /Nothing of the job is lost/,
  )
  expect(away).toHaveBeenCalledTimes(2)
})

test('what was typed for it outlives a reload until it is given', () => {
  page(house(), { frozen: true })
  const field = () => screen.getByRole('textbox', { name: /Name of whoever receives/ })
  fireEvent.change(field(), { target: { value: 'Iris Fen' } })
  cleanup()
  page(house(), { frozen: true })
  expect(field()).toHaveProperty('value', 'Iris Fen')
})

test('what is signed is received by name; before that nothing is', () => {
  page()
  expect(screen.queryByText('Received')).toBeNull()
  cleanup()
  page(house(), { frozen: true })
  const give = screen.getByRole('button', { name: 'Received' })
  expect(give).toHaveProperty('disabled', true)
  fireEvent.change(screen.getByRole('textbox', { name: /Name of whoever receives/ }), {
    target: { value: 'Iris Fenwick' },
  })
  fireEvent.click(give)
  expect(screen.getByText('Iris Fenwick')).toBeTruthy()
})

test('what a registration office answered to what is signed is read back, and a refusal can be sent again', () => {
  const told = { kind: 'notified', revision: 'A', office: 'office.test' } as const
  const refused = { ...told, outcome: 'refused' as const, reasons: ['Make is missing.'] }
  page(house(), { frozen: true, entries: [kept(refused)] })
  expect(screen.getByText('Refused: Make is missing.')).toBeTruthy()
  expect(screen.getByRole('button', { name: 'Send it again' })).toBeTruthy()
  cleanup()
  const taken = { ...told, outcome: 'accepted' as const, number: 'N-000007' }
  page(house(), { frozen: true, entries: [kept(refused), kept(taken, 'record-2')] })
  expect(screen.getByText('Taken, number N-000007.')).toBeTruthy()
  expect(screen.queryByRole('button', { name: /Send/ })).toBeNull()
})

test('who received an earlier revision did not receive this one', () => {
  const body = { kind: 'received', revision: 'B', name: 'Somebody Before' } as const
  page(house(), { frozen: true, entries: [kept(body)] })
  expect(screen.queryByText('Somebody Before')).toBeNull()
})

describe('a drawn signature', () => {
  const stroke = (count: number) => Array.from({ length: count }, (_, i) => ({ x: i / 10, y: 50 }))
  test('is kept as lines', () => {
    expect(
      pathOf([
        [
          { x: 1, y: 2 },
          { x: 3.06, y: 4 },
        ],
        [{ x: -5, y: 9 }],
      ]),
    ).toBe('M1.0 2.0L3.1 4.0M0.0 9.0')
    expect(pathOf([])).toBe('')
  })
  test('of very many points is thinned until it can be kept, and keeps its ends', () => {
    const path = pathOf([stroke(8000)])
    expect(path.length).toBeLessThan(12_000)
    expect(path.startsWith('M0.0 50.0')).toBe(true)
    expect(path.endsWith('L799.9 50.0')).toBe(true)
  })
})

/** @jest-environment jsdom */
import type { BodyOf, Instrument, RecordBody } from '@hestian/core'
import { instrumentKinds } from '@hestian/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand } from '../job/jobStand.testing'
import { button, field, press, type } from '../ui/hands.testing'
import { HandTestsPage } from './HandTestsPage'

globalThis.AbortSignal.timeout ??= () => new AbortController().signal

beforeEach(() => sessionStorage.clear())
afterEach(cleanup)

interface Standing {
  readonly at?: string
  readonly frozen?: boolean
  readonly isSignedIn?: boolean
  readonly instruments?: readonly Instrument[]
}
function open({ at = '/', frozen = false, isSignedIn = true, instruments = [] }: Standing = {}) {
  const recorded: RecordBody[] = []
  globalThis.fetch = ((url: string) =>
    Promise.resolve({
      ...{ ok: true, status: 200, headers: new Headers() },
      text: () => Promise.resolve(JSON.stringify(url.endsWith('/instruments') ? instruments : [])),
    })) as unknown as typeof fetch
  render(
    <QueryClientProvider client={new QueryClient()}>
      <JobStand
        job={house()}
        at={at}
        frozen={frozen}
        onRecord={(body) => {
          if (isSignedIn) recorded.push(body)
          return isSignedIn
        }}
      >
        <HandTestsPage />
      </JobStand>
    </QueryClientProvider>,
  )
  return recorded
}
const form = () => screen.getByRole('form')
const confirmAll = () =>
  within(form())
    .getAllByRole('checkbox')
    .forEach((one) => fireEvent.click(one))
const measured = (records: readonly RecordBody[]) =>
  records.filter((one): one is BodyOf<'measured'> => one.kind === 'measured')
/** Opens the pressure at the burner, read as one types it. */
function burner(read: string) {
  press(/^Read: Burner pressure/)
  type('The maker’s, at maximum, mbar', '12.5')
  type('Read at maximum, mbar', read)
  type('Tolerance the maker gives, mbar', '0.5')
}

test('a reading says what it waits for, figure by figure and thing by thing, and is recorded as typed', () => {
  const records = open()
  press(/^Read: Burner pressure/)
  expect(button(/waits for 3 figures/).disabled).toBe(true)
  type('The maker’s, at maximum, mbar', '12.5')
  type('Read at maximum, mbar', '12.3')
  expect(button(/waits for one figure/).disabled).toBe(true)
  type('Tolerance the maker gives, mbar', '0.5 mbar')
  expect(button(/waits for 3 things to confirm/).disabled).toBe(true)
  confirmAll()
  type('Instrument and its number', ' Gauge, no. 7 ')
  press('Record it')
  const [made] = measured(records)
  expect(made?.reading).toBe('burner-pressure')
  expect(made?.values.max_Pa).toBeCloseTo(1230, 6)
  expect(made?.values.tolerance_Pa).toBeCloseTo(50, 6)
  expect(made?.typed.tolerance_Pa).toBe('0.5 mbar')
  expect(made?.instrument).toBe('Gauge, no. 7')
  expect(made?.confirmed).toHaveLength(3)
})

test('what it comes to is said before it is recorded, and stands afterwards with who read it', () => {
  open()
  burner('12.3')
  expect(within(form()).getByText(/At maximum 12\.3/)).toBeTruthy()
  confirmAll()
  press('Record it')
  expect(screen.queryByRole('form')).toBeNull()
  expect(screen.getByRole('button', { name: /^Read again: Burner pressure/ })).toBeTruthy()
  expect(screen.getByRole('link', { name: 'certificate (PDF)' }).getAttribute('href')).toMatch(
    /^\/api\/jobs\/job\/hand-tests\/made-\d+\/certificate\.pdf$/,
  )
})

test('a failure is recorded at once: nothing has to be confirmed for it', () => {
  const records = open()
  burner('15')
  expect(button('Record it').disabled).toBe(false)
  press('Record it')
  expect(measured(records)[0]?.confirmed).toEqual([])
  expect(screen.getByRole('heading', { level: 2 }).textContent).toMatch(/^1 to put right/)
})

test('a figure that is not understood says what is accepted, and holds the record', () => {
  const records = open()
  burner('twelve')
  expect(button(/waits for a figure that is not understood/).disabled).toBe(true)
  expect(within(form()).getByRole('textbox', { name: 'Read at maximum, mbar' })).toHaveProperty(
    'ariaInvalid',
    'true',
  )
  fireEvent.submit(form())
  expect(records).toEqual([])
})

test('what is typed outlives the page until it is recorded', () => {
  open()
  burner('12.3')
  cleanup()
  open()
  press(/^Read: Burner pressure/)
  expect(screen.getByRole('textbox', { name: 'Read at maximum, mbar' })).toHaveProperty(
    'value',
    '12.3',
  )
  confirmAll()
  press('Record it')
  press(/^Read again: Burner pressure/)
  expect(screen.getByRole('textbox', { name: 'Read at maximum, mbar' })).toHaveProperty('value', '')
})

test('where nobody has said who is at work nothing is recorded, and what was typed stays', () => {
  const records = open({ isSignedIn: false })
  burner('15')
  press('Record it')
  expect(records).toEqual([])
  expect(screen.getByRole('textbox', { name: 'Read at maximum, mbar' })).toHaveProperty(
    'value',
    '15',
  )
})

test('a gauge of the firm goes with the reading, by its number and how its calibration stands', async () => {
  const gauge: Instrument = {
    ...{ id: 'gauge-0001', name: 'Manometer', serial: '4711', kind: instrumentKinds[0] },
    ...{ step_Pa: 10, most_Pa: 15000, accuracy: '', calibratedUntil: '2020-01-31', retired: false },
  }
  open({ instruments: [gauge, { ...gauge, id: 'gauge-0002', name: 'Old one', retired: true }] })
  press(/^Read: Burner pressure/)
  await waitFor(() => expect(button(/or one of the firm’s/)).toBeTruthy())
  press(/or one of the firm’s/)
  expect(screen.queryByRole('option', { name: /Old one/ })).toBeNull()
  fireEvent.click(screen.getByRole('option', { name: /Manometer, no\. 4711, / }))
  expect(field('Instrument and its number').value).toMatch(/^Manometer, no\. 4711, .*2020/)
})
test('a step that asked for a test opens it, and the way back to the step stands above', () => {
  const scrolled: Element[] = []
  Element.prototype.scrollIntoView = function (this: Element) {
    scrolled.push(this)
  }
  open({ at: '/?open=by-hand.burner-pressure.boiler&from=start.boiler.burner' })
  expect(form().getAttribute('aria-label')).toMatch(/urner/)
  expect(scrolled.map((one) => one.getAttribute('data-place'))).toContain(
    'by-hand.burner-pressure.boiler',
  )
  expect(
    screen.getByRole('link', { name: 'Back to the step that waits for it' }).getAttribute('href'),
  ).toBe('/jobs/job/steps?step=start.boiler.burner')
})

test('of a signed job nothing is read', () => {
  open({ frozen: true })
  expect(screen.queryByRole('button', { name: /^Read/ })).toBeNull()
})

/** @jest-environment jsdom */
import 'fake-indexeddb/auto'
import type { JobDocument, JobState, Staff, Ticket } from '@hestian/core'
import { blankDocument } from '@hestian/core'
import { act, screen, waitFor } from '@testing-library/react'
import { owner, renderAs } from '../people/renderAs.testing'
import { SheetBoundary } from '../shell/SheetBoundary'
import { outbox } from '../sync/outbox'
import { WorkerHere } from '../work/workerHere.testing'
import { press } from '../ui/hands.testing'
import { useDesign, useJobActions, useReadBy, useSending, useStanding } from './JobContext'
import { JobProvider } from './JobProvider'

Object.assign(globalThis, { Worker: WorkerHere })
globalThis.EventSource = class {
  close = () => undefined
} as unknown as typeof EventSource

const document = blankDocument({ name: 'A house', address: '', practice: 'uk-ireland' })
const blank: JobState = {
  ...{ id: 'job', number: '0401', document, saveNumber: 1, frozen: null, importedAt: null },
  ...{ revisions: [], records: [], samples: {} },
}

/** How the server answers what is done on site. */
let onSite: () => unknown
/** Whether each act on site was allowed, and shown by the time it was over. */
let done: boolean[]
/** How often each part was drawn. */
let drawn: Record<string, number>
const count = (part: string) => {
  drawn[part] = (drawn[part] ?? 0) + 1
}

function Typed() {
  const { draft } = useDesign()
  count('design')
  return <p>{`${draft.document.site.address}, ${draft.save}`}</p>
}

function Records() {
  const { state, judgement } = useStanding()
  count('standing')
  return (
    <>
      <p>{`${state.records.length} records`}</p>
      <p>{`${judgement.visits.length} visits`}</p>
    </>
  )
}

function Worker() {
  const { nameOf, show, person } = useReadBy()
  count('readBy')
  return (
    <>
      <p>{`${nameOf('lead')}, ${show(2e4, 'gas-pressure')}`}</p>
      <p>{`tickets: ${person?.tickets.join(', ') ?? ''}`}</p>
    </>
  )
}

function Sent() {
  const { refusal } = useSending()
  count('sending')
  return <p>{refusal ?? 'Nothing refused'}</p>
}

function Hands() {
  const { edit, perform, record } = useJobActions()
  count('actions')
  const looked = { answer: 'no', basis: 'measured', from: 'Seen' } as const
  return (
    <>
      <button onClick={() => edit([{ path: ['site', 'address'], value: '1 Lane' }])}>Type</button>
      <button
        onClick={() => {
          const visit = perform({ do: 'visit-begin', with: '' }, 'A visit begun')
          void visit.then((isBegun) =>
            done.push(isBegun && screen.queryByText('1 visits') !== null),
          )
        }}
      >
        Begin a visit
      </button>
      <button
        onClick={() =>
          record({ kind: 'looked', field: 'survey.looked.freezing', ...looked }) && undefined
        }
      >
        Record
      </button>
    </>
  )
}

const parts = (
  <>
    <Typed />
    <Records />
    <Worker />
    <Sent />
    <Hands />
  </>
)

/** A job that is open before somebody who came in. */
async function open(state: JobState = blank, person: Staff = owner()) {
  done = []
  drawn = {}
  const sent = renderAs(
    person,
    <JobProvider state={state} meanwhile="is solved">
      {parts}
    </JobProvider>,
    (url) => (url.endsWith('/draft') ? { saveNumber: 2 } : onSite()),
  )
  await screen.findByText(/^Lead Person/)
  drawn = {}
  return sent
}

beforeEach(() => {
  localStorage.clear()
  onSite = () => ({})
})
// The queue is one for all pages of a browser.
afterEach(() => waitFor(() => expect(outbox.snapshot()).toEqual([])))

test('typing draws what shows what is typed, and neither who reads it nor what can be done', async () => {
  await open()
  press('Type')
  expect(screen.getByText('1 Lane, saving')).toBeTruthy()
  await screen.findByText('1 Lane, saved')
  expect(drawn.design).toBeGreaterThan(0)
  expect(drawn.actions).toBeUndefined()
  expect(drawn.readBy).toBeUndefined()
  expect(drawn.sending).toBeUndefined()
})

test('what is recorded draws the records, and not what is typed', async () => {
  await open()
  press('Record')
  await screen.findByText('1 records')
  expect(drawn.standing).toBeGreaterThan(0)
  expect(drawn.design).toBeUndefined()
  expect(drawn.readBy).toBeUndefined()
})

test('what is recorded right after typing reaches the server after what was typed', async () => {
  const sent = await open()
  act(() => {
    press('Type')
    press('Record')
  })
  await waitFor(() => expect(sent).toHaveLength(2))
  expect(sent.map(({ url }) => url)).toEqual(['/api/jobs/job/draft', '/api/jobs/job/records'])
})

test('a signed revision is not edited, and says why and what to do', async () => {
  const sent = await open({ ...blank, frozen: 'A' })
  press('Type')
  expect(screen.getByText(/^Revision A is signed and frozen. Start a new revision/)).toBeTruthy()
  expect(screen.getByText(', saved')).toBeTruthy()
  expect(sent).toEqual([])
})

test('whoever may not work on site records nothing, and hears why', async () => {
  const sent = await open(blank, owner({ role: 'reader' }))
  press('Record')
  expect(await screen.findByText(/may/)).toBeTruthy()
  expect(screen.getByText('0 records')).toBeTruthy()
  expect(sent).toEqual([])
})

test('a ticket counts to the end of its last day, and not the day after', async () => {
  const dayFromNow = (days: number) =>
    new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)
  const held = (ticket: Ticket, until: string) => ({
    ...{ ticket, until, practice: null, number: '7', issuer: 'A board' },
  })
  await open(
    blank,
    owner({ holds: [held('gas-boiler', dayFromNow(0)), held('electrical', dayFromNow(-1))] }),
  )
  expect(screen.getByText('tickets: gas-boiler')).toBeTruthy()
})

/** The server takes its time over what is done on site, until it is told to answer. */
function slowly(): () => void {
  let answer: (body: object) => void = () => undefined
  onSite = () => new Promise((answered) => (answer = answered))
  return () => answer({})
}

test('pressed twice, an act on site is done once, and both hear of it once it is shown', async () => {
  const arrive = slowly()
  const sent = await open()
  act(() => {
    press('Begin a visit')
    press('Begin a visit')
  })
  expect(done).toEqual([])
  await waitFor(() => expect(done).toEqual([true, true]))
  expect(screen.getByText('1 records')).toBeTruthy()
  expect(screen.getByText('Nothing refused')).toBeTruthy()
  await waitFor(() => expect(sent.map(({ url }) => url)).toEqual(['/api/jobs/job/visits']))
  arrive()
})

test('an act right after another is judged with it', async () => {
  const arrive = slowly()
  await open()
  press('Begin a visit')
  await waitFor(() => expect(done).toEqual([true]))
  press('Begin a visit')
  await waitFor(() => expect(done).toEqual([true, false]))
  expect(screen.getByText(/A visit goes on already/)).toBeTruthy()
  arrive()
})

test('what goes wrong in the working out is said in the place of the job', async () => {
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined)
  const broken = { ...blank, document: { ...document, heating: 7 } as unknown as JobDocument }
  drawn = {}
  renderAs(
    owner(),
    <SheetBoundary name="This job" resetOn={[]}>
      <JobProvider state={broken} meanwhile="is solved">
        {parts}
      </JobProvider>
    </SheetBoundary>,
    () => ({}),
  )
  expect(await screen.findByText(/This job cannot be shown/)).toBeTruthy()
  quiet.mockRestore()
})

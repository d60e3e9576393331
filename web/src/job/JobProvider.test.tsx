/** @jest-environment jsdom */
import 'fake-indexeddb/auto'
import type { JobState, Staff } from '@hestian/core'
import { blankDocument } from '@hestian/core'
import { act, screen, waitFor } from '@testing-library/react'
import { owner, renderAs } from '../people/renderAs.testing'
import { outbox } from '../sync/outbox'
import { press } from '../ui/hands.testing'
import { useDesign, useJobActions, useReadBy, useSending, useStanding } from './JobContext'
import { JobProvider } from './JobProvider'

globalThis.structuredClone = <T,>(value: T): T => JSON.parse(JSON.stringify(value)) as T
globalThis.EventSource = class {
  close = () => undefined
} as unknown as typeof EventSource

const document = blankDocument({ name: 'A house', address: '', practice: 'uk-ireland' })
const blank: JobState = {
  ...{ id: 'job', number: '0401', document, saveNumber: 1, frozen: null, importedAt: null },
  ...{ revisions: [], records: [], samples: {} },
}

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
  const { state } = useStanding()
  count('standing')
  return <p>{`${state.records.length} records`}</p>
}

function Worker() {
  const { nameOf, show } = useReadBy()
  count('readBy')
  return <p>{`${nameOf('lead')}, ${show(2e4, 'gas-pressure')}`}</p>
}

function Sent() {
  const { refusal } = useSending()
  count('sending')
  return <p>{refusal ?? 'Nothing refused'}</p>
}

function Hands() {
  const { edit, record } = useJobActions()
  count('actions')
  const looked = { answer: 'no', basis: 'measured', from: 'Seen' } as const
  return (
    <>
      <button onClick={() => edit([{ path: ['site', 'address'], value: '1 Lane' }])}>Type</button>
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
  drawn = {}
  const sent = renderAs(person, <JobProvider state={state}>{parts}</JobProvider>, (url) =>
    url.endsWith('/draft') ? { saveNumber: 2 } : {},
  )
  await screen.findByText(/^Lead Person/)
  drawn = {}
  return sent
}

beforeEach(() => localStorage.clear())
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

/** @jest-environment jsdom */
import type { JobDocument, SheetId } from '@hestian/core'
import { blankDocument, practiceNames, sheetIds } from '@hestian/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, render } from '@testing-library/react'
import { Suspense } from 'react'
import { demoJobs } from '../../../demo/src/index'
import { mutateDocument, seeded } from '../../../scripts/hold/mutateDocument'
import { JobStand } from '../job/jobStand.testing'
import { fetchAllPages, pageOf } from './pages'

// There is no canvas here: the browser journeys draw on one.
jest.mock('signature_pad', () => ({ __esModule: true, default: class {} }))
jest.mock('../heat/lateCharts', () => ({ DayChart: () => null, OptionsChart: () => null }))

globalThis.Worker = class {
  postMessage = () => undefined
  terminate = () => undefined
} as unknown as typeof Worker
globalThis.fetch = (() => new Promise(() => undefined)) as unknown as typeof fetch
beforeAll(fetchAllPages)
afterEach(cleanup)

/** What a page of a job says, as it would be read aloud. */
async function saidBy(sheet: SheetId | 'walk', job: JobDocument): Promise<string> {
  const Page = pageOf(sheet)
  await act(async () => {
    render(
      <QueryClientProvider client={new QueryClient()}>
        <JobStand job={job}>
          <Suspense fallback="is fetched">
            <Page />
          </Suspense>
        </JobStand>
      </QueryClientProvider>,
    )
    await Promise.resolve()
  })
  return document.body.textContent
}

const seeds = (process.env.PAGE_SEEDS ?? '1').split(',').map(Number)
const blanks = practiceNames.map(
  (practice) =>
    [`a blank job, ${practice}`, blankDocument({ name: 'Job', address: '', practice })] as const,
)
const changed = seeds.flatMap((seed) =>
  Object.entries(demoJobs()).map(
    ([name, { document }], i) =>
      [
        `${name}, changed by hand or fault ${seed}`,
        mutateDocument(document, seeded(seed * 10 + i)),
      ] as const,
  ),
)
const jobs: readonly (readonly [string, JobDocument])[] = [...blanks, ...changed]

test.each(jobs)(
  '%s: every page is drawn, and none says what no person would',
  async (_, job) => {
    const wrong: string[] = []
    // Two rows under one key are one row to whoever changes them.
    const complained = jest.spyOn(console, 'error').mockImplementation((...said: unknown[]) => {
      if (String(said[0]).includes('same key')) wrong.push(said.map(String).join(' ').slice(0, 120))
    })
    for (const sheet of [...sheetIds, 'walk'] as const) {
      const said = await saidBy(sheet, job)
      const [odd] = /.{0,60}(NaN|Infinity|undefined|\[object|\{[a-z]).{0,60}/.exec(said) ?? []
      if (odd !== undefined || said.includes('is fetched')) wrong.push(`${sheet}: ${odd ?? said}`)
      cleanup()
    }
    complained.mockRestore()
    expect(wrong).toEqual([])
  },
  240_000,
)

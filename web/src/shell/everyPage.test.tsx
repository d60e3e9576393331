/** @jest-environment jsdom */
import type { JobDocument, SheetId } from '@hestian/core'
import { blankDocument, practiceNames, sheetIds } from '@hestian/core'
import { cleanup } from '@testing-library/react'
import { demoJobs } from '../../../demo/src/index'
import { mutateDocument, seeded } from '../../../scripts/hold/mutateDocument'
import { fetchAllPages } from './pages'
import { openPage } from './pageStand.testing'

// There is no canvas here: the browser journeys draw on one.
jest.mock('signature_pad', () => ({ __esModule: true, default: class {} }))
jest.mock('../heat/lateCharts', () => ({ DayChart: () => null, OptionsChart: () => null }))

beforeAll(fetchAllPages)
afterEach(cleanup)

/** What a page of a job says, as it would be read aloud. */
async function saidBy(sheet: SheetId | 'walk', job: JobDocument): Promise<string> {
  await openPage(sheet, job)
  return document.body.textContent
}

/** Rows of a table that have not as many cells as it has columns: read aloud under another head. */
function unevenRows(): readonly string[] {
  return [...document.querySelectorAll<HTMLElement>('[role=table]')].flatMap((table) => {
    const columns = table.querySelectorAll('thead th, thead td').length
    const rows = [...table.querySelectorAll('tr[data-place]')]
    return rows
      .filter((row) => columns > 0 && row.children.length !== columns)
      .map((row) => `${table.ariaLabel}, ${row.children.length} cells of ${columns}`)
  })
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
      wrong.push(...unevenRows().map((row) => `${sheet}: ${row}`))
      cleanup()
    }
    complained.mockRestore()
    expect(wrong).toEqual([])
  },
  240_000,
)

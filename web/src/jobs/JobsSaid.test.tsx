/** @jest-environment jsdom */
import type { BoardPage } from '@hestian/core'
import { cleanup, render } from '@testing-library/react'
import { JobsSaid } from './JobsSaid'

afterEach(cleanup)
const board = (part: Partial<BoardPage>): BoardPage => ({
  ...{ rows: [], total: 0, page: 1, size: 25, byStage: {}, free_bytes: null, lowSpace: false },
  ...{ jobs: 0, withOff: 0, archived: 0, archivedWithOff: 0, unreadable: 0 },
  ...part,
})
const said = (part: Partial<BoardPage>, putAway = false) =>
  render(<JobsSaid data={board(part)} isPending={false} putAway={putAway} />).container.textContent

test.each([
  [{}, 'No jobs yet. Start one.'],
  [{ jobs: 1 }, '1 job, nothing off on any site.'],
  [{ jobs: 4, withOff: 1 }, '4 jobs, 1 with something off on site.'],
  // Nothing is known of what cannot be read, and what is put away is still off.
  [{ jobs: 4, unreadable: 1 }, '4 jobs; 1 cannot be read.'],
  [{ jobs: 4, archived: 2, archivedWithOff: 1 }, '4 jobs; put away with something off: 1.'],
  [
    { jobs: 4, withOff: 2, archivedWithOff: 1, unreadable: 3 },
    '4 jobs, 2 with something off on site; put away with something off: 1; 3 cannot be read.',
  ],
  [{ archived: 1, archivedWithOff: 1 }, '0 jobs; put away with something off: 1.'],
])('%j says: %s', (part, says) => expect(said(part)).toBe(says))

test('the jobs that were put away say on how many of their sites something is off', () => {
  expect(said({ archived: 3 }, true)).toBe('3 put away.')
  expect(said({ archived: 3, archivedWithOff: 1 }, true)).toBe(
    '3 put away, 1 with something off on site.',
  )
})

test('nothing is said of jobs that were not fetched', () => {
  const of = (isPending: boolean) =>
    render(<JobsSaid data={undefined} isPending={isPending} putAway={false} />).container
      .textContent
  expect(of(true)).toBe('Fetching the jobs …')
  expect(of(false)).toBe('The server does not answer; trying again.')
})

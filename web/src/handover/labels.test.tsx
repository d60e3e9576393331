/** @jest-environment jsdom */
import type { JobDocument } from '@hestian/core'
import { labelsOf, showIn, solve } from '@hestian/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { button, choose, field, press, write } from '../ui/hands.testing'
import { Labels } from './Labels'

afterEach(cleanup)
function open(job: JobDocument) {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <JobStand job={job}>
        <Labels />
      </JobStand>
    </QueryClientProvider>,
  )
}
const club = () => demoJob('kestrel-weir')
const labels = (job = club()) => {
  const solution = solve(job)
  return labelsOf(solution, [], showIn(solution.practice.units))
}
/** What the paper of the labels is asked for with. */
async function query(): Promise<URLSearchParams> {
  let asked = ''
  globalThis.fetch = ((url: string) => {
    asked = url
    return Promise.reject(new TypeError('fetch failed'))
  }) as unknown as typeof fetch
  await act(async () => {
    press(/^The labels, PDF/)
    await Promise.resolve()
  })
  await waitFor(() => expect(button(/^The labels, PDF/).disabled).toBe(false))
  return new URL(asked, 'http://localhost').searchParams
}
const tick = (name: RegExp) => fireEvent.click(screen.getByRole('checkbox', { name }))

test('every label of the job is there, with its lines, and all are printed', async () => {
  open(club())
  const all = labels()
  expect(screen.getAllByRole('checkbox')).toHaveLength(all.length)
  expect(screen.getByText(`${all.length} of ${all.length}`)).toBeTruthy()
  const spaced = (text: string) => text.replace(/\s/g, ' ')
  for (const { title, lines } of all)
    for (const text of [title, ...lines])
      expect(spaced(document.body.textContent)).toContain(spaced(text))
  expect((await query()).get('only')).toBeNull()
  expect((await query()).get('from')).toBe('1')
})

test('one left out is not printed; put in again, all are', async () => {
  open(club())
  tick(/^Gas shuts here/)
  const only = (await query()).get('only')?.split(',') ?? []
  expect(only).toEqual(
    labels()
      .map(({ id }) => id)
      .filter((id) => id !== 'shut-gas'),
  )
  expect(screen.getByText(`${only.length} of ${only.length + 1}`)).toBeTruthy()
  tick(/^Gas shuts here/)
  expect((await query()).get('only')).toBeNull()
})

test('with none chosen there is no paper', async () => {
  open(club())
  for (const box of screen.getAllByRole('checkbox')) fireEvent.click(box)
  expect(screen.queryByRole('button', { name: /^The labels, PDF/ })).toBeNull()
  expect(document.body.textContent).toMatch(/Labels0 of/)
})

test('the sheet is the practice’s paper until another is chosen', async () => {
  open(club())
  expect((await query()).get('sheet')).toBe('24-a4')
  choose(/^(.* )?Sheet of labels$/, '8 on A4, 99 × 67.7 mm')
  expect((await query()).get('sheet')).toBe('8-a4')
  cleanup()
  open(demoJob('juniper-ridge'))
  expect((await query()).get('sheet')).toBe('30-letter')
})

test.each([
  ['3', '3'],
  ['0', '1'],
  ['99', '24'],
])('a sheet begun goes on at its %s. label: %s', async (typed, from) => {
  open(club())
  write('First label that is still on it', typed)
  expect((await query()).get('from')).toBe(from)
})

test('a smaller sheet begins at its last label where the count was beyond it', async () => {
  open(club())
  write('First label that is still on it', '20')
  choose(/Sheet of labels$/, '8 on A4, 99 × 67.7 mm')
  expect((await query()).get('from')).toBe('8')
  expect(field('First label that is still on it')).toBeTruthy()
  expect(button(/Sheet of labels$/)).toBeTruthy()
})

test('where something shuts that nobody wrote down is left to be written by hand', async () => {
  const job = club()
  const { handover } = job
  open({
    ...job,
    handover: { ...handover, shutOffs: { ...handover.shutOffs, gas: ' ', water: 'Kitchen' } },
  })
  expect(screen.getByRole('checkbox', { name: /^Gas shuts here\s*Where: _+/ })).toBeTruthy()
  expect(screen.getByRole('checkbox', { name: /^Water shuts here\s*Kitchen/ })).toBeTruthy()
})

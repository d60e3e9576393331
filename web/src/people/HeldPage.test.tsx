/** @jest-environment jsdom */
import type { Held, HeldInJob } from '@hestian/core'
import { cleanup, screen } from '@testing-library/react'
import { HeldPage } from './HeldPage'
import { owner, renderAs } from './renderAs.testing'
import { press, type } from '../ui/hands.testing'

afterEach(cleanup)
const job: HeldInJob = {
  ...{ id: 'job-one', number: '0421', name: 'Mill House', address: '', signed: ['A'] },
  texts: [{ where: 'The design', text: 'Iris Fenwick has the key' }],
  ...{ photographs: [], testRuns: false },
}
const held = (part: Partial<Held>): Held => ({
  ...{ words: 'Iris Fenwick', at: '2026-11-29T08:00:00.000Z' },
  ...{ jobs: [], unreadable: [], elsewhere: [] },
  ...part,
})
async function look(found: Held) {
  const sent = renderAs(owner(), <HeldPage />, (url) => (url.endsWith('/held') ? found : {}))
  await screen.findByLabelText('Name, address or number')
  type('Name, address or number', 'Iris Fenwick')
  press('Look it up')
  await screen.findByText(/is held of|stands in/)
  return sent
}
const head = () => screen.getByRole('heading', { level: 1 }).textContent

test.each([
  ['nothing', {}, 'Nothing is held of Iris Fenwick.'],
  // What cannot be read may hold it.
  [
    'nothing, with a job that cannot be read',
    { unreadable: ['0417'] },
    'In what can be read, nothing is held of Iris Fenwick.',
  ],
  ['one job', { jobs: [job] }, 'Iris Fenwick stands in one job.'],
  [
    'two jobs and a list',
    {
      jobs: [job, { ...job, id: 'job-two' }],
      elsewhere: [{ where: 'People of the firm', text: 'Iris Fenwick' }],
    },
    'Iris Fenwick stands in 2 jobs and in the firm’s own lists.',
  ],
] as const)('%s is said first', async (_, found, says) => {
  await look(held(found as unknown as Partial<Held>))
  expect(head()).toBe(says)
})

test('is erased with a reason and the number of the job, and with nothing less', async () => {
  const sent = await look(held({ jobs: [job] }))
  press('Erase it from job 0421')
  screen.getByText(/keeps the SHA-256 it was signed with/)
  press('Erase it for good')
  expect(screen.getByRole('alert').textContent).toContain('Say why')
  type('Why; without a name', 'asked for it')
  type('Its number, to be sure', '0422')
  press('Erase it for good')
  expect(screen.getByRole('alert').textContent).toContain('0421')
  expect(sent.filter(({ url }) => url.endsWith('/erase'))).toEqual([])
  type('Its number, to be sure', '0421')
  press('Erase it for good')
  await screen.findByText('Erase it from job 0421')
  expect(sent.find(({ url }) => url.endsWith('/jobs/job-one/erase'))?.body).toMatchObject({
    ...{ by: 'lead', words: 'Iris Fenwick', place: false, photographs: false },
    reason: 'asked for it',
  })
})

test('while a test runs it is not offered', async () => {
  await look(held({ jobs: [{ ...job, testRuns: true }] }))
  screen.getByText(/A test of this job is running/)
  expect(screen.queryByRole('button', { name: /Erase/ })).toBeNull()
})

test('whoever is not the owner is told who answers', async () => {
  renderAs(owner({ role: 'lead' }), <HeldPage />)
  expect(await screen.findByText('The owner')).toBeTruthy()
  expect(screen.queryByLabelText('Name, address or number')).toBeNull()
})

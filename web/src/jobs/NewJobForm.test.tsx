/** @jest-environment jsdom */
import { cleanup, screen, waitFor } from '@testing-library/react'
import { useWho } from '../job/WhoContext'
import { owner, renderAs } from '../people/renderAs.testing'
import { field, press, type } from '../ui/hands.testing'
import { NewJobForm } from './NewJobForm'

beforeEach(() => sessionStorage.clear())
afterEach(cleanup)

const Who = () => <p>{useWho().person?.name}</p>
const page = async () => {
  const sent = renderAs(
    owner(),
    <>
      <NewJobForm onClose={() => undefined} />
      <Who />
    </>,
  )
  await screen.findByText('Lead Person')
  return sent
}
const made = (sent: Awaited<ReturnType<typeof page>>) =>
  sent.filter(({ url }) => url.endsWith('/jobs'))

test('a job wants a name, and nothing else', async () => {
  const sent = await page()
  press('Begin')
  expect(screen.getByText('The job needs a name.')).toBeTruthy()
  type('Name of the job', '   ')
  press('Begin')
  expect(made(sent)).toEqual([])
  type('Name of the job', ' Mill House ')
  press('Begin')
  await waitFor(() => expect(made(sent)).toHaveLength(1))
  expect(made(sent)[0]?.body).toMatchObject({
    ...{ name: 'Mill House', address: '', practice: 'uk-ireland', by: 'lead' },
    // This device keeps no clock of a place there.
    timeZone: null,
  })
})

test('too long a name is said with what it has and what it may have', async () => {
  const sent = await page()
  type('Name of the job', 'x'.repeat(121))
  expect(screen.getByText('At most 120 characters; this has 121.')).toBeTruthy()
  press('Begin')
  expect(made(sent)).toEqual([])
})

test('what was typed and not begun is there after a reload', async () => {
  await page()
  type('Name of the job', 'Mill House')
  cleanup()
  await page()
  expect(field('Name of the job').value).toBe('Mill House')
})

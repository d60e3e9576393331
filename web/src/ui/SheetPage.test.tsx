/** @jest-environment jsdom */
import { cleanup, screen } from '@testing-library/react'
import { demoJob } from '../job/demoJob.testing'
import { fetchPage } from '../shell/pages'
import { openPage } from '../shell/pageStand.testing'
import { choose, press } from './hands.testing'

beforeAll(() => fetchPage('gas'))
afterEach(cleanup)

test('what was said of the whole sheet goes with the answer it was said of', async () => {
  await openPage('gas', demoJob('juniper-ridge'))
  expect(screen.getAllByText(/thin air|altitude|above the sea/i).length).toBeGreaterThan(0)
  press(/^Second regulator to A/)
  choose(/A regulator at the far end$/, 'A line regulator')
  expect(screen.getByRole('heading', { level: 2 }).textContent).toMatch(/waits for/)
})

/** @jest-environment jsdom */
import { cleanup, render, screen } from '@testing-library/react'
import { renderToString } from 'react-dom/server'
import { demoJob } from '../job/demoJob.testing'
import { fetchPage } from '../shell/pages'
import { openPage } from '../shell/pageStand.testing'
import { JobStand } from '../job/jobStand.testing'
import { choose, press } from './hands.testing'
import { SheetPage } from './SheetPage'

beforeAll(() => fetchPage('gas'))
afterEach(cleanup)

test('what was said of the whole sheet goes with the answer it was said of', async () => {
  await openPage('gas', demoJob('juniper-ridge'))
  expect(screen.getAllByText(/thin air|altitude|above the sea/i).length).toBeGreaterThan(0)
  press(/^Second regulator to A/)
  choose(/A regulator at the far end$/, 'A line regulator')
  expect(screen.getByRole('heading', { level: 2 }).textContent).toMatch(/waits for/)
})

test('the answer is drawn first, and the rest with the next stroke', () => {
  const sheet = (
    <JobStand job={demoJob('juniper-ridge')}>
      <SheetPage sheet="gas">
        <p>The answer</p>
        <p>What it is drawn with</p>
        <p>What it rests on</p>
      </SheetPage>
    </JobStand>
  )
  const first = renderToString(sheet)
  expect(first).toContain('The answer')
  expect(first).not.toContain('What it rests on')
  render(sheet)
  expect(screen.getByText('What it rests on').textContent).toBe('What it rests on')
})

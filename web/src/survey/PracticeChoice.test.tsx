/** @jest-environment jsdom */
import type { JobDocument } from '@hestian/core'
import { practiceChange } from '@hestian/core'
import { cleanup, render, screen, within } from '@testing-library/react'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { choose, press } from '../ui/hands.testing'
import { WorkerHere } from '../work/workerHere.testing'
import { PracticeChoice } from './PracticeChoice'

let after: JobDocument
afterEach(cleanup)

function open(worker: unknown) {
  Object.assign(globalThis, { Worker: worker })
  after = demoJob('kestrel-weir')
  render(
    <JobStand job={after} onEdit={(_, next) => (after = next)}>
      <PracticeChoice />
    </JobStand>,
  )
}

test('what another practice would change is said before it is taken, and left it changes nothing', async () => {
  open(WorkerHere)
  choose(/Practice$/, 'North America')
  const dialog = within(await screen.findByRole('dialog'))
  expect(after.practice).toBe('uk-ireland')
  const rows = dialog.getAllByRole('listitem').map(({ textContent }) => textContent)
  const { answers, go } = practiceChange(after, 'north-america')
  expect(answers.length).toBeGreaterThan(0)
  for (const { what, from, to } of answers) expect(rows).toContain(`${what}: ${from} becomes ${to}`)
  for (const gone of go) expect(rows).toContain(gone)
  press('Leave it')
  expect(screen.queryByRole('dialog')).toBeNull()
  expect(after.practice).toBe('uk-ireland')
  choose(/Practice$/, 'Australia and New Zealand')
  await screen.findByRole('dialog', { name: 'Change of practice' })
  press('Take Australia and New Zealand')
  expect(after.practice).toBe('australia-new-zealand')
})

test('where it cannot be worked out, that is said and nothing is taken', async () => {
  open(
    class extends WorkerHere {
      override postMessage() {
        queueMicrotask(() => this.onerror?.())
      }
    },
  )
  choose(/Practice$/, 'North America')
  expect((await screen.findByRole('alert')).textContent).toMatch(/could not be worked out/)
  expect(screen.queryByRole('dialog')).toBeNull()
})

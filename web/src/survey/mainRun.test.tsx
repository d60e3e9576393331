/** @jest-environment jsdom */
import type { JobDocument, RecordBody } from '@hestian/core'
import { pointFlow_m3_s } from '@hestian/core'
import { cleanup, render, screen } from '@testing-library/react'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { choose, enter, field, press, write } from '../ui/hands.testing'
import { MainRun } from './MainRun'

beforeEach(() => sessionStorage.clear())
afterEach(cleanup)

const ferry = () => demoJob('saltbush-ferry')
const unread = (): JobDocument => {
  const job = ferry()
  return { ...job, survey: { ...job.survey, mainPoints: [] } }
}
function open(job: JobDocument) {
  let last = job
  const recorded: RecordBody[] = []
  render(
    <JobStand
      job={job}
      onEdit={(_, document) => {
        last = document
      }}
      onRecord={(body) => {
        recorded.push(body)
        return true
      }}
    >
      <MainRun />
    </JobStand>,
  )
  return { points: () => last.survey.mainPoints, recorded }
}
const curve = () => screen.queryByRole('button', { name: 'Save the drawing' })

test('before anything is read it says how, and draws nothing', () => {
  open(unread())
  expect(screen.getByText(/Two points at different flows make a curve\./)).toBeTruthy()
  expect(curve()).toBeNull()
})

test('a pressure and a timed container make a flow, each recorded as it was typed', () => {
  const { points, recorded } = open(unread())
  press('Add a running point')
  expect(points()[0]?.name).toBe('Kitchen tap')
  enter('Pressure running at Kitchen tap', '250 kPa', 'Measured')
  enter('Container at Kitchen tap', '9 L', 'Measured')
  const [point] = points()
  expect(point && pointFlow_m3_s(point)).toBeUndefined()
  enter('Filled in at Kitchen tap', '30 s', 'Measured')
  expect(screen.getByText(/^= 18\.0?\sL\/min$/)).toBeTruthy()
  expect(points()[0]?.gauge_Pa?.value).toBeCloseTo(250000, 3)
  const typed = recorded.flatMap((one) => (one.kind === 'reading' ? [one.typed] : []))
  expect(typed).toEqual(['250 kPa', '9 L', '30 s'])
})

test('a flow cup is read as a flow, and what was timed before stays', () => {
  const { points } = open(unread())
  press('Add a running point')
  enter('Container at Kitchen tap', '9 L', 'Measured')
  choose(/How the flow at Kitchen tap was measured/, 'Flow cup')
  enter('Flow at Kitchen tap', '12 L/min', 'Measured')
  expect(points()[0]?.flow_m3_s?.value).toBeCloseTo(0.0002, 9)
  expect(points()[0]?.container_m3?.value).toBeCloseTo(0.009, 9)
  expect(screen.getByText(/^= 12(\.0)?\sL\/min$/)).toBeTruthy()
})

test('a point makes a curve with the pressure at rest, and none without it', () => {
  const job = ferry()
  expect(job.survey.mainPoints).toHaveLength(1)
  open(job)
  expect(curve()).not.toBeNull()
  for (const { name } of job.survey.mainPoints) press(`Remove ${name}`)
  expect(curve()).toBeNull()
  cleanup()
  open({ ...job, survey: { ...job.survey, coldMainStaticGauge_Pa: null } })
  expect(curve()).toBeNull()
})

test('a point is named as one likes, and six are enough', () => {
  const { points } = open(unread())
  for (let i = 0; i < 6; i++) press('Add a running point')
  expect(screen.queryByRole('button', { name: 'Add a running point' })).toBeNull()
  expect(new Set(points().map(({ id }) => id)).size).toBe(6)
  write('Name of running point 2', ' By the gate ')
  expect(points()[1]?.name).toBe('By the gate')
  expect(field('Name of running point 1').value).toBe('Kitchen tap')
})

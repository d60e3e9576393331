/** @jest-environment jsdom */
import type { JudgedTest, Sample } from '@hestian/core'
import { cleanup, render, screen } from '@testing-library/react'
import { planOf } from '../../../core/src/bench/gas-tightness/manyRuns.testing'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand } from '../job/jobStand.testing'
import { button, field, press, type } from '../ui/hands.testing'
import { EyeClock, TypeReading } from './TypeReading'

const pumped_ms = Date.UTC(2026, 10, 24, 9)
let samples: Sample[]
let mayType: boolean
beforeEach(() => {
  ;[samples, mayType] = [[], true]
  sessionStorage.clear()
  jest.useFakeTimers({ now: pumped_ms + 30_000 })
})
afterEach(() => {
  cleanup()
  jest.useRealTimers()
})

const testOf = (kind: 'digital' | 'water-gauge', read: readonly Sample[] = []): JudgedTest => {
  const plan = planOf('uk-ireland', 'natural gas', 0.01, 10)
  return {
    testId: 'test-one',
    run: {
      plan: { ...plan, gauge: { ...plan.gauge, kind } },
      ...{ reading: 'typed', settleFrom_ms: pumped_ms, settledBefore_ms: [], endedEarly: false },
      samples: read,
    },
  } as unknown as JudgedTest
}
const page = (test: JudgedTest) =>
  render(
    <JobStand job={house()} onSample={(_, sample) => mayType && samples.push(sample) > 0}>
      <EyeClock test={test} />
      <TypeReading test={test} />
    </JobStand>,
  )
const waits = () => button(/^Record/)

test('a figure in any unit is recorded at the time of the press', () => {
  page(testOf('digital'))
  expect(waits().disabled).toBe(true)
  type('The gauge reads', '20 mbar')
  expect(screen.getByText(/^Understood: /)).toBeTruthy()
  press(/^Record 20/)
  expect(samples).toEqual([{ at_ms: pumped_ms + 30_000, gauge_Pa: 2000 }])
  expect(field('The gauge reads').value).toBe('')
})

test('the legs of a water gauge add, and one alone is not taken', () => {
  page(testOf('water-gauge'))
  type('Left leg, from its zero', '10 mbar')
  expect(screen.getByText(/One leg alone is not the pressure/)).toBeTruthy()
  expect(waits().disabled).toBe(true)
  type('Right leg, from its zero', '10.2 mbar')
  press(/^Record/)
  expect(samples[0]?.gauge_Pa).toBeCloseTo(2020, 6)
})

test.each([
  ['nothing is no figure', '', false],
  ['words are none', 'about twenty', false],
  ['a length is none', '3 m', false],
  ['a bare number is in the unit shown', '20', true],
])('%s', (_, text, isTaken) => {
  page(testOf('digital'))
  type('The gauge reads', text)
  expect(waits().disabled).toBe(!isTaken)
})

test('minutes since pumping say when it was read; what is no such time is not taken', () => {
  page(testOf('digital'))
  type('The gauge reads', '20 mbar')
  for (const wrong of ['-1', '1500', 'noon']) {
    type('Minutes since pumping', wrong)
    expect(waits().disabled).toBe(true)
    expect(screen.getByText('Minutes, from 0 to 1500.')).toBeTruthy()
  }
  type('Minutes since pumping', '1,5')
  press(/^Record/)
  expect(samples[0]?.at_ms).toBe(pumped_ms + 90_000)
})

test('the temperature by the pipe goes with it, and stays for the next reading', () => {
  page(testOf('digital'))
  type('Temperature by the pipe', 'warm')
  type('The gauge reads', '20 mbar')
  expect(waits().disabled).toBe(true)
  type('Temperature by the pipe', '16 C')
  press(/^Record/)
  expect(samples[0]?.temp_K).toBeCloseTo(289.15, 6)
  expect(field('Temperature by the pipe').value).toBe('16 C')
})

test('what was not taken stays, over a reload too', () => {
  mayType = false
  page(testOf('digital'))
  type('The gauge reads', '20 mbar')
  press(/^Record/)
  expect(field('The gauge reads').value).toBe('20 mbar')
  cleanup()
  page(testOf('digital'))
  expect(field('The gauge reads').value).toBe('20 mbar')
})

test.each([
  ['settling', 30_000, [], /Settling/],
  ['settled', 61_000, [], /Read the gauge now:.*the start/],
  ['held', 70_000, [61_000], /Holding/],
  ['at the end', 182_000, [61_000], /Read the gauge now:.*the end/],
  ['late', 300_000, [61_000], /late: read it all the same/],
] as const)('%s, the clock says what to do', (_, now_ms, read_ms, says) => {
  jest.setSystemTime(pumped_ms + now_ms)
  page(
    testOf(
      'digital',
      read_ms.map((ms) => ({ at_ms: pumped_ms + ms, gauge_Pa: 2000 })),
    ),
  )
  expect(document.body.textContent).toMatch(says)
})

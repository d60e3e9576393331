import { replayGrace_ms } from '../gauges/replay'
import { catchingUp } from './catchingUp'

const run = (last_s: number, seconds: readonly number[], now: () => number = () => 0) => {
  const isCaughtUp = catchingUp(last_s * 1000, now)
  return seconds.map((second) => isCaughtUp({ at_ms: second * 1000 }))
}

test('a line without a break is judged as it comes', () =>
  expect(run(10, [11, 12, 13])).toEqual([true, true, true]))
test('what the gauge sends again in order is judged as it comes', () =>
  expect(run(10, [11, 12, 13, 14, 60])).toEqual([true, true, true, true, false]))
test('live samples ahead of the memory wait until it has come', () => {
  expect(run(10, [200, 201, 11, 12, 13, 200, 201, 202, 203])).toEqual([
    false,
    false,
    false,
    false,
    false,
    false,
    false,
    true,
    true,
  ])
})
test('a gauge without a memory is waited for, and then taken as it is', () => {
  let time_ms = 0
  const isCaughtUp = catchingUp(10_000, () => time_ms)
  expect(isCaughtUp({ at_ms: 200_000 })).toBe(false)
  time_ms = replayGrace_ms - 1
  expect(isCaughtUp({ at_ms: 201_000 })).toBe(false)
  time_ms = replayGrace_ms
  expect(isCaughtUp({ at_ms: 202_000 })).toBe(true)
})
test('a second break is waited for again', () =>
  expect(run(10, [100, 11, 100, 101, 300, 102, 301])).toEqual([
    false,
    false,
    false,
    true,
    false,
    false,
    true,
  ]))

import { planOf } from './manyRuns.testing'
import type { Sample, TightnessRun } from './run'
import { typedAsk } from './typedClock'

const plan = planOf('uk-ireland', 'natural gas', 0.01, 25)
/** Settling from 0 to 60 s, then two minutes. */
const asks = (now_s: number, ...read_s: readonly number[]) => {
  const samples = read_s.map((at_s): Sample => ({ at_ms: at_s * 1000, gauge_Pa: 2000 }))
  const run: TightnessRun = {
    plan,
    reading: 'typed',
    settleFrom_ms: 0,
    settledBefore_ms: [],
    endedEarly: false,
    samples,
  }
  const { asks, left_s } = typedAsk(run, now_s * 1000)
  return `${asks} ${left_s}`
}

test.each([
  ['pumped just now', asks(0), 'settle 60'],
  ['nearly settled', asks(59), 'settle 1'],
  ['settled: the start is due', asks(60), 'read-start 0'],
  ['the start is late', asks(75), 'read-start -15'],
  ['a reading of settling is no start', asks(61, 10), 'read-start -1'],
  ['the start was read', asks(65, 60), 'hold 115'],
  ['read a little soon, it counts', asks(65, 40), 'hold 95'],
  ['the end may be read a little soon', asks(177, 60), 'read-end 3'],
  ['read late at the start, the end is as much later', asks(185, 90), 'hold 25'],
  ['the end is late', asks(300, 60), 'read-end -120'],
])('%s', (_, got, expected) => expect(got).toBe(expected))

import fc from 'fast-check'
import { sources } from '../../answer/sources'
import type { Sample, TightnessPlan, TightnessRun } from './gasTightness'
import { allowance_Pa, judgeTightness } from './gasTightness'
import {
  correctedLeak,
  leakRate_m3_s,
  naTestDuration_s,
  naTestPressure_Pa,
  thermalChange_Pa,
  timeToSee_s,
} from './leak'

const plan = (change: Partial<TightnessPlan> = {}): TightnessPlan => ({
  testGauge_Pa: 2000,
  stabilise_s: 60,
  test_s: 120,
  volume_m3: 0.01,
  atmosphere_Pa: 101325,
  permittedLeak_m3_s: 0.0014 / 3600,
  permittedLeakSource: sources.up1,
  perceptible_Pa: 25,
  gauge: { kind: 'digital', resolution_Pa: 10 },
  methodSource: sources.up1,
  ...change,
})
/** A run sampled each second whose pressure and temperature move evenly over the test window. */
const run = (
  moves: {
    fall_Pa?: number
    warm_K?: number
    until_s?: number
    without?: [number, number]
    noTemp?: boolean
    startGauge_Pa?: number
  },
  change: Partial<TightnessPlan> = {},
  more: Partial<TightnessRun> = {},
): TightnessRun => {
  const given = plan(change)
  const end_s = moves.until_s ?? given.stabilise_s + given.test_s
  const samples = Array.from({ length: end_s + 1 }, (_, t): Sample => {
    const part = Math.min(1, Math.max(0, (t - given.stabilise_s - 3) / (given.test_s - 6)))
    return {
      at_ms: t * 1000,
      gauge_Pa: (moves.startGauge_Pa ?? 2000) - (moves.fall_Pa ?? 0) * part,
      ...(moves.noTemp ? {} : { temp_K: 288 + (moves.warm_K ?? 0) * part }),
    }
  }).filter(
    (sample) =>
      !moves.without ||
      sample.at_ms < moves.without[0] * 1000 ||
      sample.at_ms > moves.without[1] * 1000,
  )
  return { plan: given, reading: 'streamed', settleFrom_ms: 0, endedEarly: false, samples, ...more }
}
const outcome = (...args: Parameters<typeof run>) => {
  const verdict = judgeTightness(run(...args))
  return 'because' in verdict
    ? `${verdict.outcome}: ${verdict.because}`
    : `${verdict.outcome}: ${verdict.phase}`
}

test('a pipe that stands still passes', () => expect(outcome({})).toBe('passed: within-allowance'))
test('a fall past the allowance that cooling does not explain fails', () =>
  expect(outcome({ fall_Pa: 90 })).toBe('failed: fell'))
test('a fall that cooling explains cannot tell, and never passes', () =>
  expect(outcome({ fall_Pa: 90, warm_K: -0.26 })).toBe('cannot-tell: temperature'))
test('half explained by cooling is still a fail', () =>
  expect(outcome({ fall_Pa: 140, warm_K: -0.2 })).toBe('failed: fell'))
test('warming with no fall could hide a leak', () =>
  expect(outcome({ fall_Pa: 0, warm_K: 0.2 })).toBe('cannot-tell: temperature'))
test('no temperature, no pass', () =>
  expect(outcome({ noTemp: true })).toBe('cannot-tell: temperature'))
test('a fall fails even with no temperature read', () =>
  expect(outcome({ noTemp: true, fall_Pa: 90 })).toBe('failed: fell'))
test('a gap longer than ten intervals can hide a top-up', () => {
  expect(outcome({ without: [90, 98] })).toBe('passed: within-allowance')
  expect(outcome({ without: [90, 99] })).toBe('cannot-tell: gap')
})
test('a gap before the test window does not matter', () =>
  expect(outcome({ without: [10, 40] })).toBe('passed: within-allowance'))
test('a gauge of 1 mbar cannot prove what this rule asks in a large pipe, and says how long it would take', () => {
  const verdict = judgeTightness(
    run({}, { volume_m3: 0.1, gauge: { kind: 'digital', resolution_Pa: 100 } }),
  )
  expect(verdict).toMatchObject({
    outcome: 'cannot-tell',
    because: 'gauge',
    wouldTell: expect.stringMatching(/\d+ min/),
  })
})
test('a rise that warming does not explain is not a pass', () =>
  expect(outcome({ fall_Pa: -80 })).toBe('cannot-tell: rose'))
test('a pipe that was never at test pressure is not passed', () =>
  expect(outcome({ startGauge_Pa: 600 })).toBe('cannot-tell: pressure-off'))
test('ended early it cannot tell; while it runs it has no verdict', () => {
  expect(outcome({ until_s: 100 }, {}, { endedEarly: true })).toBe('cannot-tell: ended-early')
  expect(outcome({ until_s: 30 })).toBe('running: stabilising')
  expect(outcome({ until_s: 100 })).toBe('running: testing')
})
test('typed by hand: two readings a test apart and a temperature are enough', () => {
  const typed = (samples: Sample[]) =>
    judgeTightness({
      plan: plan({ gauge: { kind: 'water-gauge', resolution_Pa: 25 } }),
      reading: 'typed',
      settleFrom_ms: 0,
      endedEarly: false,
      samples,
    })
  expect(
    typed([
      { at_ms: 60_000, gauge_Pa: 2000, temp_K: 288 },
      { at_ms: 180_000, gauge_Pa: 1990, temp_K: 288 },
    ]).outcome,
  ).toBe('passed')
  expect(
    typed([
      { at_ms: 60_000, gauge_Pa: 2000 },
      { at_ms: 180_000, gauge_Pa: 2000 },
    ]).outcome,
  ).toBe('cannot-tell')
  expect(
    typed([
      { at_ms: 60_000, gauge_Pa: 2000, temp_K: 288 },
      { at_ms: 180_000, gauge_Pa: 1900, temp_K: 288 },
    ]).outcome,
  ).toBe('failed')
  expect(
    typed([
      { at_ms: 150_000, gauge_Pa: 2000, temp_K: 288 },
      { at_ms: 180_000, gauge_Pa: 2000, temp_K: 288 },
    ]),
  ).toMatchObject({ because: 'duration' })
})
test('a perceptible movement is 0.25 mbar on a water gauge, twice the resolution of a digital one', () => {
  expect(allowance_Pa(plan({ gauge: { kind: 'water-gauge', resolution_Pa: 10 } }))).toBe(25)
  expect(allowance_Pa(plan({ gauge: { kind: 'digital', resolution_Pa: 1 } }))).toBe(2)
})
test('temperature never turns a raw fall beyond the allowance into a pass', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 21, max: 400, noNaN: true }),
      fc.double({ min: -2, max: 2, noNaN: true }),
      (fall_Pa, warm_K) => {
        expect(judgeTightness(run({ fall_Pa, warm_K })).outcome).not.toBe('passed')
      },
    ),
    { numRuns: 60 },
  ))
test('a greater fall never makes a verdict better', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 200, noNaN: true }),
      fc.double({ min: 0, max: 100, noNaN: true }),
      fc.double({ min: -0.3, max: 0.3, noNaN: true }),
      (fall_Pa, more, warm_K) => {
        const rank = { failed: 0, 'cannot-tell': 1, passed: 2, running: 3 }
        expect(
          rank[judgeTightness(run({ fall_Pa: fall_Pa + more, warm_K })).outcome],
        ).toBeLessThanOrEqual(rank[judgeTightness(run({ fall_Pa, warm_K })).outcome])
      },
    ),
    { numRuns: 60 },
  ))

// Domain 3.11: at 20 mbar 1 K is about 3.5 mbar; 10 L, 1 mbar, 5 min is 0.12 L/h.
test('a kelvin is worth 3.5 mbar at 20 mbar', () =>
  expect(
    thermalChange_Pa({
      startGauge_Pa: 2000,
      startTemp_K: 291,
      endTemp_K: 292,
      atmosphere_Pa: 101325,
    }),
  ).toBeCloseTo(355, 0))
test('10 L falling 1 mbar in 5 min leaks 0.12 L/h', () =>
  expect(
    leakRate_m3_s({ volume_m3: 0.01, fall_Pa: 100, duration_s: 300, atmosphere_Pa: 101325 }) *
      3.6e6,
  ).toBeCloseTo(0.118, 3))
test('time to see a leak turns the leak rate round', () =>
  expect(
    timeToSee_s({
      volume_m3: 0.01,
      step_Pa: 100,
      leak_m3_s: leakRate_m3_s({
        volume_m3: 0.01,
        fall_Pa: 100,
        duration_s: 300,
        atmosphere_Pa: 101325,
      }),
      atmosphere_Pa: 101325,
    }),
  ).toBeCloseTo(300))
test('a tight pipe that only cooled has no leak after correction', () => {
  const tight = correctedLeak({
    volume_m3: 0.04,
    duration_s: 600,
    referenceTemp_K: 288.15,
    start: { gauge_Pa: 3000, temp_K: 291, atmosphere_Pa: 101300 },
    end: { gauge_Pa: (104300 * 290) / 291 - 101300, temp_K: 290, atmosphere_Pa: 101300 },
  })
  expect(tight.fall_Pa).toBeCloseTo(0, 6)
})
// NFPA 54 8.1.4, as remembered.
test('North America tests at one and a half times working, 3 psi at least', () => {
  expect(naTestPressure_Pa(1743)).toBeCloseTo(3 * 6894.757, 0)
  expect(naTestPressure_Pa(2 * 6894.757 * 10)).toBeCloseTo(30 * 6894.757, 0)
  expect(naTestDuration_s({ volume_m3: 30, dwelling: false })).toBe(5400)
  expect(naTestDuration_s({ volume_m3: 30, dwelling: true })).toBe(600)
})

import fc from 'fast-check'
import { sources } from '../../answer/sources'
import { leakRegression } from '../../methods/test/leakRegression'
import type { FiguresVerdict } from './byTheFigures'
import { judgeByTheFigures, tenthKelvin_Pa } from './byTheFigures'
import { judgeTightness } from './gasTightness'
import { manyRuns } from './manyRuns.testing'
import { seeded, simulatedRun } from './simulatedRun.testing'
import type { Sample, TightnessPlan, TightnessRun } from './run'
import { practices } from '../../practice/practices'
import { showIn } from '../../units/format'
import { figuresSentence, ruleSentence } from './sentence'
import { fillingHeat_Pa } from './settled'
import {
  correctedLeak,
  leakRate_m3_s,
  naTestDuration_s,
  naTestPressure_Pa,
  thermalChange_Pa,
  timeToSee_s,
} from '../../methods/test/trappedGas'

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
  return {
    plan: given,
    reading: 'streamed',
    settleFrom_ms: 0,
    settledBefore_ms: [],
    endedEarly: false,
    samples,
    ...more,
  }
}
/** The verdict on a run that is over. */
const over = (...args: Parameters<typeof run>) => {
  const verdict = judgeTightness(run(...args))
  if (verdict.outcome === 'running') throw new Error('the run is not over')
  return verdict
}
const said = (...args: Parameters<typeof run>) => {
  const verdict = over(...args)
  return {
    clears: verdict.outcome,
    rule: verdict.rule.because,
    figures: verdict.byFigures.outcome,
  }
}

test('a pipe that stands still passes both ways', () =>
  expect(said({})).toEqual({ clears: 'passed', rule: 'within-allowance', figures: 'passed' }))

// By the rule: raw readings in its own window, whatever the temperature did.
describe('by the rule', () => {
  test.each([
    ['a fall of just the allowance counts as none', { fall_Pa: 25 }, 'within-allowance'],
    ['a fall past it fails', { fall_Pa: 25.1 }, 'fell'],
    ['cooling explains nothing to the rule', { fall_Pa: 90, warm_K: -0.26 }, 'fell'],
    ['warming with no fall passes', { warm_K: 0.2 }, 'within-allowance'],
    ['it needs no temperature', { noTemp: true }, 'within-allowance'],
    ['a rise past the allowance is no pass', { fall_Pa: -80 }, 'rose'],
    ['a pipe that never was at its pressure', { startGauge_Pa: 600 }, 'pressure-off'],
    ['a gap of nine intervals', { without: [90, 98] as [number, number] }, 'within-allowance'],
    ['a gap longer than ten can hide a top-up', { without: [90, 99] as [number, number] }, 'gap'],
    ['a gap while it settles', { without: [10, 40] as [number, number] }, 'within-allowance'],
  ])('%s', (_, moves, because) => expect(said(moves)).toMatchObject({ rule: because }))
  test('the allowance is the practice’s, whatever the gauge shows', () => {
    const fine = { gauge: { kind: 'digital', resolution_Pa: 1 } } as const
    expect(said({ fall_Pa: 20 }, fine).rule).toBe('within-allowance')
    expect(said({ fall_Pa: 30 }, fine).rule).toBe('fell')
  })
  test('a gauge whose step is larger than the allowance cannot tell, unless it fell by more than a step as well', () => {
    const coarse = { gauge: { kind: 'digital', resolution_Pa: 100 } } as const
    expect(said({}, coarse).rule).toBe('gauge')
    expect(said({ fall_Pa: 100 }, coarse).rule).toBe('gauge')
    expect(said({ fall_Pa: 130 }, coarse).rule).toBe('fell')
  })
})

describe('by the figures', () => {
  test('cooling that explains the fall is taken out, though what the sensor did not see stays in the interval', () => {
    const { byFigures } = over({ fall_Pa: 90, warm_K: -0.26 })
    expect(Math.abs(byFigures.shown?.leak_m3_s ?? 1)).toBeLessThan(0.03 * plan().permittedLeak_m3_s)
    expect(byFigures.outcome).toBe('passed')
  })
  test('warming that hides a leak shows it', () => {
    // 0.6 K in two minutes is worth 213 Pa; the gauge stands still, so that much leaked.
    const shown = over({ warm_K: 0.6 }).byFigures.shown
    expect((shown?.leak_m3_s ?? 0) * 3.6e6).toBeCloseTo(
      (((0.01 * 215) / 101325 / 114) * 3.6e6) as number,
      1,
    )
  })
  test('a leak that is surely above the permitted one stops what the rule passed', () => {
    // A spring gauge in tenths of a psi counts 345 Pa as none; in 100 L over ten minutes 0.6 L/h is
    // worth 101 Pa.
    const spring = {
      perceptible_Pa: 345,
      volume_m3: 0.1,
      test_s: 600,
      permittedLeak_m3_s: 0.0006 / 3600,
    }
    const verdict = over(
      { fall_Pa: 340 },
      { ...spring, gauge: { kind: 'digital', resolution_Pa: 1 } },
    )
    expect(verdict.rule.outcome).toBe('passed')
    expect(verdict.byFigures.outcome).toBe('failed')
    expect(verdict.outcome).toBe('failed')
  })
  test('figures that cannot tell do not take the rule’s pass away', () =>
    expect(said({}, { volume_m3: 0.1 })).toEqual({
      clears: 'passed',
      rule: 'within-allowance',
      figures: 'cannot-tell',
    }))
  test('without a temperature it says what it assumed', () => {
    expect(over({ noTemp: true }).byFigures.assumedChange_K).toBe(0.5)
    expect(over({}).byFigures.assumedChange_K).toBeUndefined()
  })
  test('a tenth of a kelvin is worth 35 Pa near 20 mbar', () =>
    expect(tenthKelvin_Pa(plan())).toBeCloseTo(35.9, 1))
  test('the interval holds the leak that is there', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 900, noNaN: true }),
        fc.double({ min: -0.3, max: 0.3, noNaN: true }),
        (fall_Pa, warm_K) => {
          const shown = over({ fall_Pa, warm_K }).byFigures.shown
          const true_m3_s = (0.01 * (fall_Pa + (103325 * warm_K) / 288)) / 101325 / 114
          if (!shown) return
          // As at the mean pressure of the window, by which it is scaled.
          const at_m3_s = true_m3_s * (2000 / (2000 - fall_Pa / 2))
          expect(shown.low_m3_s).toBeLessThanOrEqual(at_m3_s * 1.02 + 1e-9)
          expect(shown.high_m3_s).toBeGreaterThanOrEqual(at_m3_s * 0.98 - 1e-9)
        },
      ),
      { numRuns: 80 },
    ))
})

describe('settling', () => {
  const settling = (lost_Pa: (at_s: number) => number, more: Partial<TightnessRun> = {}) => {
    const whole = run({})
    return {
      ...whole,
      samples: whole.samples.map((sample) => ({
        ...sample,
        gauge_Pa: sample.gauge_Pa - lost_Pa(sample.at_ms / 1000),
      })),
      ...more,
    }
  }
  const phase = (made: TightnessRun, later_s = 0) => {
    const verdict = judgeTightness({
      ...made,
      samples: made.samples.filter(({ at_ms }) => at_ms <= 70_000 + 1000 * later_s),
    })
    return 'phase' in verdict ? verdict.phase : verdict.rule
  }
  test('filling to 20 mbar at once warms the air by what 5.8 mbar are worth', () =>
    expect(fillingHeat_Pa({ testGauge_Pa: 2000, atmosphere_Pa: 101325 })).toBeCloseTo(580, -1))
  test('warmth of filling that goes is no leak', () =>
    expect(phase(settling((s) => 300 * (1 - Math.exp(-s / 8))))).toBe('testing'))
  test('more than filling explains asks for one more pump', () =>
    expect(phase(settling((s) => Math.min(s, 50) * 18))).toBe('unsettled'))
  test('so does a steady fall at its end', () =>
    expect(phase(settling((s) => s * 1.5))).toBe('unsettled'))
  /**
   * A run that settled before, for so long, losing so much a second; then was pumped up and settled
   * again.
   */
  const again = (firstFor_s: number, first_Pa_s: number, then_Pa_s: number) => {
    const made = settling((s) => Math.min(s, 50) * then_Pa_s)
    const before = made.samples
      .filter(({ at_ms }) => at_ms < firstFor_s * 1000)
      .map(({ at_ms, ...rest }) => ({
        ...rest,
        at_ms: at_ms - firstFor_s * 1000,
        gauge_Pa: 2000 - Math.min(at_ms / 1000, 50) * first_Pa_s,
      }))
    const shift = (at_ms: number) => at_ms + firstFor_s * 1000
    return phase(
      {
        ...made,
        settledBefore_ms: [0],
        settleFrom_ms: firstFor_s * 1000,
        samples: [...before, ...made.samples].map((sample) => ({
          ...sample,
          at_ms: shift(sample.at_ms),
        })),
      },
      firstFor_s,
    )
  }
  const wouldNotHold = { outcome: 'failed', because: 'would-not-hold' }
  test.each([
    ['the second time it has failed: it would not hold', [61, 18, 18], wouldNotHold],
    ['pumped up too soon the first time, it gets another', [20, 18, 18], 'unsettled'],
    ['it held the first time: the second is asked about', [61, 0, 18], 'unsettled'],
    ['it held the second time', [61, 18, 0], 'testing'],
  ] as const)('%s', (_, [firstFor_s, first_Pa_s, then_Pa_s], expected) =>
    expect(again(firstFor_s, first_Pa_s, then_Pa_s)).toEqual(expected),
  )
})

test('ended early it cannot tell; while it runs it has no verdict', () => {
  const early = judgeTightness(run({ until_s: 100 }, {}, { endedEarly: true }))
  expect(early).toMatchObject({ outcome: 'cannot-tell', rule: { because: 'ended-early' } })
  expect(judgeTightness(run({ until_s: 30 }))).toMatchObject({ phase: 'stabilising' })
  expect(judgeTightness(run({ until_s: 100 }))).toMatchObject({ phase: 'testing' })
})
test('typed by hand: two readings a test apart are enough for the rule, and too few for the figures', () => {
  const typed = (...readings: readonly (readonly [at_s: number, gauge_Pa: number])[]) =>
    judgeTightness({
      plan: plan({ gauge: { kind: 'water-gauge', resolution_Pa: 25 } }),
      reading: 'typed',
      settleFrom_ms: 0,
      settledBefore_ms: [],
      endedEarly: false,
      samples: readings.map(([at_s, gauge_Pa]) => ({ at_ms: at_s * 1000, gauge_Pa })),
    })
  expect(typed([60, 2000], [180, 1990])).toMatchObject({
    outcome: 'passed',
    byFigures: { outcome: 'cannot-tell' },
  })
  expect(typed([60, 2000], [180, 1900]).outcome).toBe('failed')
  expect(typed([150, 2000], [180, 2000])).toMatchObject({ rule: { because: 'duration' } })
})
test('a greater fall never makes a verdict better', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 200, noNaN: true }),
      fc.double({ min: 0, max: 100, noNaN: true }),
      fc.double({ min: -0.3, max: 0.3, noNaN: true }),
      (fall_Pa, more, warm_K) => {
        const rank = { failed: 0, 'cannot-tell': 1, passed: 2 }
        expect(rank[over({ fall_Pa: fall_Pa + more, warm_K }).outcome]).toBeLessThanOrEqual(
          rank[over({ fall_Pa, warm_K }).outcome],
        )
      },
    ),
    { numRuns: 60 },
  ))

describe('in words', () => {
  const show = showIn(practices['uk-ireland'].units)
  const told = (...args: Parameters<typeof run>) => {
    const { plan, ...rest } = run(...args)
    const verdict = judgeTightness({ plan, ...rest })
    if (verdict.outcome === 'running') throw new Error('the run is not over')
    return [
      ruleSentence(verdict.rule, verdict.figures, plan, show),
      figuresSentence(verdict.byFigures, plan, show),
    ].map((text) => text.replace(/[\u00a0\u202f]/g, ' '))
  }
  test('a pipe that stood says what counts as none, and how small a leak could be seen', () => {
    const [rule, figures] = told({})
    expect(rule).toBe('Stood still for 2 min; 0.25 mbar counts as none.')
    expect(figures).toMatch(/^At most 0\.\d+ L\/h of air leaks; 1\.40 L\/h is permitted/)
    expect(figures).toMatch(/A change of 0\.1 K is worth 0\.36 mbar here\.$/)
  })
  test('a gauge too coarse for the rule says by how much', () => {
    const [rule] = told({}, { gauge: { kind: 'digital', resolution_Pa: 100 } })
    expect(rule).toMatch(/It shows steps of 1\.00 mbar; 0\.25 mbar are to be seen\.$/)
  })
  test('without a temperature it says what it assumed', () =>
    expect(told({ noTemp: true })[1]).toMatch(/a change of 0\.5 K is assumed/))
  test('a leak is told by its least', () =>
    expect(told({ fall_Pa: 900 })[1]).toMatch(/^At least \d/))
})

// What the interval is made of, one at a time: a tight pipe must stay inside it.
describe('the interval', () => {
  const still = {
    ...{ leak_m3_s: 0, noise_Pa: 0, rate_Hz: 1, drift_K_s: 0, sees: 1, barometer_Pa_s: 0 },
    pumpHeat_K: 0,
  }
  const fine = { gauge: { kind: 'digital', resolution_Pa: 0.01 } } as const
  const shown = (change: Partial<TightnessPlan>, happens: Partial<typeof still>) => {
    const run = simulatedRun(
      { plan: plan({ ...fine, ...change }), ...still, ...happens },
      seeded(3),
    )
    return judgeByTheFigures(run)
  }
  const holdsNothing = ({ shown }: FiguresVerdict) =>
    expect([(shown?.low_m3_s ?? 1) <= 0, (shown?.high_m3_s ?? -1) >= 0]).toEqual([true, true])
  test.each([-1, 1])('holds what a sensor does not see that sees a third (%s)', (way) =>
    holdsNothing(shown({}, { drift_K_s: (way * 0.9) / 180, sees: 1 / 3 })),
  )
  test.each([-1, 1])('holds a barometer that moves by 2 hPa in an hour (%s)', (way) =>
    holdsNothing(shown({ test_s: 3600 }, { barometer_Pa_s: (way * 199) / 3600 })),
  )
  test('is that of Student for 99.8 in a hundred, where nothing but noise is there', () => {
    const noisy = simulatedRun(
      { plan: plan(fine), ...still, noise_Pa: 30, rate_Hz: 0.2 },
      seeded(5),
    )
    const { shown } = judgeByTheFigures(noisy)
    const inside = noisy.samples.filter(({ at_ms }) => at_ms >= 60_000)
    const alone = leakRegression({
      readings: inside.map(({ at_ms, gauge_Pa, temp_K = 0 }) => ({
        ...{ at_s: at_ms / 1000, gauge_Pa, temp_K, atmosphere_Pa: 101325 },
      })),
      volume_m3: 0.01,
      referenceTemp_K: 288.15,
      confidence: 0.998,
    })
    const width = (one: { low_m3_s: number; high_m3_s: number } | undefined) =>
      (one?.high_m3_s ?? 0) - (one?.low_m3_s ?? 0)
    expect(width(shown)).toBeGreaterThan(0.99 * width(alone))
    expect(width(shown)).toBeLessThan(1.8 * width(alone))
  })
  test('counts neighbours of a fast gauge as one reading', () =>
    expect(shown({}, { noise_Pa: 3, rate_Hz: 10 }).shown?.blocks).toBeLessThanOrEqual(25))
  test('says nothing of a pipe that is half empty by then', () => {
    const small = { testGauge_Pa: 14000, volume_m3: 0.0025, stabilise_s: 900, test_s: 900 }
    const empty = shown(small, { leak_m3_s: 3 * plan().permittedLeak_m3_s })
    expect(empty).toMatchObject({ outcome: 'cannot-tell' })
    expect(empty.shown).toBeUndefined()
  })
})

describe('with a barometer beside the gauge', () => {
  const moving = (withIt: boolean, leak_m3_s = 0, seed = 1) => {
    const made = simulatedRun(
      {
        plan: plan({ test_s: 600, volume_m3: 0.02, gauge: { kind: 'digital', resolution_Pa: 1 } }),
        ...{ leak_m3_s, noise_Pa: 1, rate_Hz: 1, drift_K_s: 0, sees: 1, pumpHeat_K: 0 },
        barometer_Pa_s: 0.3,
      },
      seeded(seed),
    )
    return {
      ...made,
      samples: made.samples.map((sample) => ({
        ...sample,
        ...(withIt ? { baro_Pa: 101325 + (0.3 * sample.at_ms) / 1000 } : {}),
      })),
    }
  }
  const leakOf = (withIt: boolean) => judgeByTheFigures(moving(withIt)).shown
  test('air that rises is no leak, and the interval is narrower', () => {
    const [with_, without] = [leakOf(true), leakOf(false)]
    // 0.3 Pa/s on 20 L look like 0.06 mL/s; read beside the gauge they are gone.
    expect(without?.leak_m3_s).toBeCloseTo((0.3 * 0.02) / 101325, 8)
    expect(Math.abs(with_?.leak_m3_s ?? 1)).toBeLessThan(0.1 * (without?.leak_m3_s ?? 0))
    expect(with_?.smallest_m3_s).toBeLessThan(without?.smallest_m3_s ?? 0)
  })
  test('one that drops out once is not trusted', () => {
    const broken = moving(true)
    const samples = broken.samples.map(({ baro_Pa, ...sample }, i) =>
      i === 300 || baro_Pa === undefined ? sample : { ...sample, baro_Pa },
    )
    expect(judgeByTheFigures({ ...broken, samples }).shown?.smallest_m3_s).toBeCloseTo(
      leakOf(false)?.smallest_m3_s ?? 0,
      9,
    )
  })
})

// The whole table, 2,000 runs a row, is printed by `npm run bench`.
describe('over many runs', () => {
  const tally = (leak: 'none' | 'above', resolution_Pa: number) =>
    manyRuns({
      seed: 7,
      runs: 150,
      practice: 'uk-ireland',
      stage: 'natural gas',
      resolution_Pa,
      leak,
    })
  test.each([1, 10, 100])('on a gauge of %s Pa the figures err on no side', (resolution_Pa) => {
    expect(tally('above', resolution_Pa).figures.passed).toBe(0)
    expect(tally('above', resolution_Pa).cleared).toBe(0)
    expect(tally('none', resolution_Pa).figures.failed).toBe(0)
  })
  test.each(['strength', 'existing'] as const)(
    'of %s: no leak is cleared, no tight pipe failed',
    (stage) => {
      const of = (leak: 'none' | 'above') =>
        manyRuns({
          ...{ seed: 11, runs: 100, practice: 'uk-ireland', stage, resolution_Pa: 10 },
          leak,
        })
      expect(of('above').figures.passed).toBe(0)
      expect(of('none').figures.failed).toBe(0)
      expect(of('none').cleared).toBeGreaterThan(60)
    },
  )
  test('a finer gauge gives no fewer right verdicts', () => {
    const right = [1, 10, 100].map((step) => tally('none', step).figures.passed)
    expect(right[0]).toBeGreaterThanOrEqual(right[1] ?? 0)
    expect(right[1]).toBeGreaterThan(right[2] ?? 0)
  })
})

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

import type { PracticeName } from '../../practice/practiceNames'
import type { Source } from '../../answer/sources'
import { permittedFall_Pa } from '../../methods/test/testRules'
import { leakRate_m3_s } from '../../methods/test/trappedGas'
import { practices } from '../../practice/practices'
import { testGauge_Pa } from './plan'
import { judgeTightness } from './gasTightness'
import type { TightnessPlan } from './run'
import { seeded, simulatedRun } from './simulatedRun.testing'

/** How many runs ended how, by the rule and by the figures. */
export interface Tally {
  readonly runs: number
  readonly rule: Readonly<Record<'passed' | 'failed' | 'cannot-tell', number>>
  readonly figures: Readonly<Record<'passed' | 'failed' | 'cannot-tell', number>>
  /** Both together: what clears. */
  readonly cleared: number
}

export type StageOfTest = 'natural gas' | 'propane' | 'elevated' | 'strength' | 'existing'

/** What a practice tests gas pipe for, each with a rule of its own. */
export const stagesOfTest = (name: PracticeName): readonly StageOfTest[] => {
  const { strength, existing } = practices[name].tightness
  return [
    ...(['natural gas', 'propane', 'elevated'] as const),
    ...(strength ? (['strength'] as const) : []),
    ...(existing ? (['existing'] as const) : []),
  ]
}

interface Pipe {
  readonly volume_m3: number
  readonly resolution_Pa: number
}
const working_Pa = 2000
const atmosphere_Pa = 101325

/** A rule that permits a fall, as the leak that falls so far in its time. */
const byFall = (
  { volume_m3, resolution_Pa }: Pipe,
  fall_Pa: number,
  rule: { readonly stabilise_s: number; readonly test_s: number; readonly source: Source },
  gauge_Pa: number,
): TightnessPlan => ({
  testGauge_Pa: gauge_Pa,
  stabilise_s: rule.stabilise_s,
  test_s: rule.test_s,
  volume_m3,
  atmosphere_Pa,
  permittedLeak_m3_s: leakRate_m3_s({ volume_m3, fall_Pa, duration_s: rule.test_s, atmosphere_Pa }),
  permittedLeakSource: rule.source,
  perceptible_Pa: fall_Pa,
  gauge: { kind: 'digital', resolution_Pa },
  methodSource: rule.source,
})

/**
 * What a meter of an older house may show with its appliances on, Pa: `test.permitted-fall` of the
 * shared reference.
 */
const olderFall_Pa = permittedFall_Pa('diaphragm-meter-U6-G4', 0.028) ?? 0

/** The plan of a stage of a practice, for a pipe of this volume and a gauge of this step. */
export function planOf(
  name: PracticeName,
  stage: StageOfTest,
  volume_m3: number,
  resolution_Pa: number,
): TightnessPlan {
  const { tightness } = practices[name]
  const { strength, existing } = tightness
  const pipe = { volume_m3, resolution_Pa }
  if (stage === 'strength' && strength) {
    const gauge_Pa = Math.max(strength.least_Pa, strength.factor * working_Pa)
    return byFall(
      pipe,
      Math.max(strength.fallRatio * gauge_Pa, strength.perceptible_Pa),
      strength,
      gauge_Pa,
    )
  }
  if (stage === 'existing' && existing)
    return byFall(pipe, olderFall_Pa, existing, existing.gauge_Pa)
  const staged = { elevated: tightness.elevated, propane: tightness.propane } as const
  const { source, ...rest } = staged[stage as keyof typeof staged] ?? tightness
  return {
    testGauge_Pa: testGauge_Pa(rest.pressure, stage === 'elevated' ? 14000 : working_Pa),
    stabilise_s: rest.stabilise_s,
    test_s: rest.test_s,
    volume_m3,
    atmosphere_Pa,
    permittedLeak_m3_s: rest.permittedLeak_m3_s,
    permittedLeakSource: source,
    perceptible_Pa: rest.perceptible_Pa,
    gauge: { kind: 'digital', resolution_Pa },
    methodSource: source,
  }
}

/**
 * Many runs over volume, noise, drift, sensor and barometer, all drawn from a seed; the same draw
 * for the same seed whatever the gauge.
 */
export function manyRuns({
  seed,
  runs,
  practice,
  stage,
  resolution_Pa,
  leak,
}: {
  readonly seed: number
  readonly runs: number
  readonly practice: PracticeName
  readonly stage: StageOfTest
  readonly resolution_Pa: number
  /** None, or 1.05 to 5 times the permitted leak. */
  readonly leak: 'none' | 'above'
}): Tally {
  const none = () => ({ passed: 0, failed: 0, 'cannot-tell': 0 })
  const [rule, figures] = [none(), none()]
  let cleared = 0
  for (let i = 0; i < runs; i++) {
    const random = seeded(seed * 1_000_003 + i)
    const between = (low: number, high: number) => low + (high - low) * random()
    const plan = planOf(practice, stage, 10 ** between(-2.6, -1.3), resolution_Pa)
    const long_s = plan.stabilise_s + plan.test_s
    const drawn = {
      noise_Pa: between(0, 4),
      rate_Hz: random() < 0.5 ? 1 : 2,
      // Up to three tenths of a kelvin over the test, either way.
      drift_K_s: between(-0.3, 0.3) / long_s,
      sees: random() < 0.5 ? 1 / 3 : 1,
      barometer_Pa_s: between(-200, 200) / 3600,
      pumpHeat_K: between(0, 0.3),
      leak_m3_s: leak === 'none' ? 0 : between(1.05, 5) * plan.permittedLeak_m3_s,
    }
    const verdict = judgeTightness(simulatedRun({ plan, ...drawn }, random))
    if (verdict.outcome === 'running') {
      // It would be pumped up again; by then it fails.
      rule['cannot-tell']++
      figures['cannot-tell']++
      continue
    }
    rule[verdict.rule.outcome]++
    figures[verdict.byFigures.outcome]++
    if (verdict.outcome === 'passed') cleared++
  }
  return { runs, rule, figures, cleared }
}

import { practices } from '../../practice/practices'
import type { PracticeName } from '../../practice/practiceNames'
import { elasticRise_Pa_K } from '../../methods/test/liquidFull'
import { seeded } from '../gas-tightness/simulatedRun.testing'
import type { Given } from './spec'
import { byTheFigures } from './waterTest'

/** How many runs the figures told how. */
export type WaterTally = Record<'passed' | 'failed' | 'cannot-tell', number>

const copper = { bore_m: 0.0202, wall_m: 0.0009, modulus_Pa: 120e9 } as const

/**
 * Metal pipe full of water over many runs: tight, or falling 1.05 to 5 times what counts as none;
 * drifting up to three tenths of a kelvin, seen whole or by a third; read to a step. All drawn from
 * a seed.
 */
export function waterRuns({
  seed,
  runs,
  practice,
  step_Pa,
  leak,
}: {
  readonly seed: number
  readonly runs: number
  readonly practice: PracticeName
  readonly step_Pa: number
  readonly leak: 'none' | 'above'
}): WaterTally {
  const { least_Pa, metal_s } = practices[practice].waterTest
  const perKelvin_Pa = elasticRise_Pa_K({
    ...{ temp_K: 288.15, wall: copper, growth_1_K: 16.6e-6, ends: 'hoop-only', poisson: 0.34 },
  })
  const tally: WaterTally = { passed: 0, failed: 0, 'cannot-tell': 0 }
  for (let i = 0; i < runs; i++) {
    const random = seeded(seed * 1_000_003 + i)
    const between = (low: number, high: number) => low + (high - low) * random()
    const drift_K = between(-0.3, 0.3)
    const sees = random() < 0.5 ? 1 / 3 : 1
    const fall_Pa = leak === 'none' ? 0 : between(1.05, 5) * 1e4
    const rounded = (pressure_Pa: number) => Math.round(pressure_Pa / step_Pa) * step_Pa
    const start_Pa = least_Pa + between(0, 1e5)
    const given: Given = {
      start_Pa: rounded(start_Pa),
      end_Pa: rounded(start_Pa - fall_Pa + drift_K * perKelvin_Pa),
      held_s: metal_s,
      startTemp_K: 288.15,
      endTemp_K: Math.round((288.15 + sees * drift_K) * 100) / 100,
    }
    tally[byTheFigures(given)]++
  }
  return tally
}

import type { Sample, TightnessPlan, TightnessRun } from './run'

/** A pipe, a gauge and a room, made up: what happens to them while a test runs. */
export interface SimulatedRun {
  readonly plan: TightnessPlan
  /** At the test pressure, m³/s at 101 325 Pa. */
  readonly leak_m3_s: number
  /** Spread of one reading of the gauge, Pa. */
  readonly noise_Pa: number
  /** Samples a second. */
  readonly rate_Hz: number
  /** How fast the gas warms, K/s, and the share of it that the sensor sees. */
  readonly drift_K_s: number
  readonly sees: number
  readonly barometer_Pa_s: number
  /** Warmth of pumping at the start, K, gone by the twelfth of a minute. */
  readonly pumpHeat_K: number
}

/** Numbers from 0 to 1 that come the same for a seed. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
}

/** Spread like readings of an instrument, by Box and Muller. */
export const bell = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())

const start_K = 288.15
const heatLasts_s = 12

/**
 * The run as a gauge and a sensor would have it: the gas law with a leak that flows by the
 * pressure, read to a step.
 */
export function simulatedRun(
  { plan, leak_m3_s, noise_Pa, rate_Hz, drift_K_s, sees, barometer_Pa_s, pumpHeat_K }: SimulatedRun,
  random: () => number,
): TightnessRun {
  const { testGauge_Pa, atmosphere_Pa, volume_m3, gauge } = plan
  const step_s = 1 / rate_Hz
  const samples: Sample[] = []
  // Air as pressure times volume over temperature.
  let air = ((testGauge_Pa + atmosphere_Pa) * volume_m3) / (start_K + pumpHeat_K)
  const end_s = plan.stabilise_s + plan.test_s
  for (let i = 0; i * step_s <= end_s + step_s / 2; i++) {
    const at_s = i * step_s
    const warm_K = drift_K_s * at_s
    const temp_K = start_K + warm_K + pumpHeat_K * Math.exp(-at_s / heatLasts_s)
    const around_Pa = atmosphere_Pa + barometer_Pa_s * at_s
    const gauge_Pa = (air * temp_K) / volume_m3 - around_Pa
    const read_Pa = gauge_Pa + noise_Pa * bell(random)
    samples.push({
      at_ms: Math.round(at_s * 1000),
      gauge_Pa: Math.round(read_Pa / gauge.resolution_Pa) * gauge.resolution_Pa,
      temp_K: Math.round((start_K + sees * warm_K + 0.005 * bell(random)) * 100) / 100,
    })
    air -= (101325 / temp_K) * leak_m3_s * (Math.max(0, gauge_Pa) / testGauge_Pa) * step_s
  }
  return {
    plan,
    reading: 'streamed',
    settleFrom_ms: 0,
    settledBefore_ms: [],
    endedEarly: false,
    samples,
  }
}

import { expectAbove0, expectNotNegative } from '../../answer/expect'
import { standardAtmosphere_Pa } from '../../units/units'

/**
 * Air lost through a leak, m³/s at the surrounding pressure, from a fall of pressure in a fixed
 * volume. Source: sources.idealGas.
 */
export function leakRate_m3_s(trapped: {
  readonly volume_m3: number
  readonly fall_Pa: number
  readonly duration_s: number
  readonly atmosphere_Pa: number
}): number {
  const { volume_m3, fall_Pa, duration_s, atmosphere_Pa } = trapped
  expectAbove0({ duration_s, atmosphere_Pa })
  expectNotNegative({ volume_m3 })
  return (volume_m3 * fall_Pa) / (atmosphere_Pa * duration_s)
}

/** Time in which a leak moves the gauge by one step, s. All above 0. Source: sources.idealGas. */
export function timeToSee_s(trapped: {
  readonly volume_m3: number
  readonly step_Pa: number
  readonly leak_m3_s: number
  readonly atmosphere_Pa: number
}): number {
  expectAbove0({ ...trapped })
  return (trapped.volume_m3 * trapped.step_Pa) / (trapped.atmosphere_Pa * trapped.leak_m3_s)
}

/**
 * What temperature alone does to the gauge of a tight pipe, Pa (negative on cooling). Gauge in,
 * kelvin. Source: sources.idealGas.
 */
export function thermalChange_Pa(trapped: {
  readonly startGauge_Pa: number
  readonly startTemp_K: number
  readonly endTemp_K: number
  readonly atmosphere_Pa: number
}): number {
  expectAbove0({
    startTemp_K: trapped.startTemp_K,
    endTemp_K: trapped.endTemp_K,
    atmosphere_Pa: trapped.atmosphere_Pa,
  })
  return (
    (trapped.startGauge_Pa + trapped.atmosphere_Pa) * (trapped.endTemp_K / trapped.startTemp_K - 1)
  )
}

export interface TrappedState {
  readonly gauge_Pa: number
  readonly temp_K: number
  readonly atmosphere_Pa: number
}

/**
 * A test corrected for temperature and barometer: the reading a tight pipe would end on, the fall
 * that a leak explains (negative for an apparent gain) and the leak in m³/s at a reference
 * temperature and 101 325 Pa. Source: sources.idealGas.
 */
export function correctedLeak(test: {
  readonly volume_m3: number
  readonly start: TrappedState
  readonly end: TrappedState
  readonly duration_s: number
  readonly referenceTemp_K: number
}) {
  const { start, end } = test
  expectAbove0({ duration_s: test.duration_s, startTemp_K: start.temp_K, endTemp_K: end.temp_K })
  const tightGauge_Pa =
    ((start.gauge_Pa + start.atmosphere_Pa) * end.temp_K) / start.temp_K - end.atmosphere_Pa
  const fall_Pa = tightGauge_Pa - end.gauge_Pa
  const leak_m3_s =
    ((test.volume_m3 * fall_Pa) / (standardAtmosphere_Pa * test.duration_s)) *
    (test.referenceTemp_K / end.temp_K)
  return { tightGauge_Pa, fall_Pa, leak_m3_s }
}

/**
 * What air under pressure can do when it is let go at once, J: the work of its expansion to the
 * surroundings without taking warmth in. Volume of the pipe, gauge pressure. Source:
 * sources.idealGas.
 */
export function storedEnergy_J({
  volume_m3,
  gauge_Pa,
  atmosphere_Pa,
}: {
  readonly volume_m3: number
  readonly gauge_Pa: number
  readonly atmosphere_Pa: number
}): number {
  expectAbove0({ volume_m3, atmosphere_Pa })
  expectNotNegative({ gauge_Pa })
  const ratio = atmosphere_Pa / (gauge_Pa + atmosphere_Pa)
  return ((gauge_Pa + atmosphere_Pa) * volume_m3 * (1 - ratio ** (0.4 / 1.4))) / 0.4
}

/**
 * North American test pressure, gauge Pa: 1.5 times working, at least 3 psi. Source:
 * sources.nfpa54Test.
 */
export const naTestPressure_Pa = (workingGauge_Pa: number): number =>
  Math.max(1.5 * workingGauge_Pa, 3 * 6894.757293168361)

/**
 * North American test duration, s: 10 min for a dwelling or under 10 ft³, else 30 min per 500 ft³
 * begun, at most 24 h. Source: sources.nfpa54Test.
 */
export function naTestDuration_s({
  volume_m3,
  dwelling,
}: {
  readonly volume_m3: number
  readonly dwelling: boolean
}): number {
  const volume_ft3 = volume_m3 / 0.028316846592
  if (dwelling || volume_ft3 < 10 * (1 - 1e-9)) return 600
  return Math.min(86400, 1800 * Math.ceil(volume_ft3 / 500 - 1e-9))
}

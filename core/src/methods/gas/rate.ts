import { atMost, expectAbove0 } from '../../answer/expect'

/**
 * What a meter says a burner takes: gas volume over time. Gross W, and the flow; volume, time and
 * heat above 0, else RangeError. Without a correction. Source: sources.idealGas.
 */
export function clockedInput({
  volume_m3,
  time_s,
  grossHeat_J_m3,
  correction = 1,
}: {
  readonly volume_m3: number
  readonly time_s: number
  readonly grossHeat_J_m3: number
  readonly correction?: number
}): { readonly flow_m3_s: number; readonly gross_W: number } {
  expectAbove0({ volume_m3, time_s, grossHeat_J_m3, correction })
  return {
    flow_m3_s: volume_m3 / time_s,
    gross_W: (volume_m3 * correction * grossHeat_J_m3) / time_s,
  }
}

/**
 * Reference volume for a metered one, a ratio: pressures absolute, kelvin, ideal gas. Source:
 * sources.idealGas.
 */
export const meterCorrection = ({
  gasGauge_Pa,
  atmosphere_Pa,
  gasTemp_K,
  referenceAbs_Pa,
  referenceTemp_K,
}: {
  readonly gasGauge_Pa: number
  readonly atmosphere_Pa: number
  readonly gasTemp_K: number
  readonly referenceAbs_Pa: number
  readonly referenceTemp_K: number
}): number => ((atmosphere_Pa + gasGauge_Pa) / referenceAbs_Pa) * (referenceTemp_K / gasTemp_K)

/** Wobbe index, J/m³, from a heating value and relative density above 0. Source: sources.en437. */
export const wobbe_J_m3 = (heat_J_m3: number, relativeDensity: number): number =>
  heat_J_m3 / Math.sqrt(relativeDensity)

interface TestGas {
  readonly net_J_m3: number
  readonly gross_J_m3: number
  readonly relativeDensity: number
  readonly nominal_Pa: number
  readonly least_Pa: number
  readonly most_Pa: number
}
const gas = (
  net: number,
  gross: number,
  relativeDensity: number,
  [nominal, least, most]: readonly [number, number, number],
): TestGas => ({
  net_J_m3: net * 1e6,
  gross_J_m3: gross * 1e6,
  relativeDensity,
  nominal_Pa: nominal * 100,
  least_Pa: least * 100,
  most_Pa: most * 100,
})
const [second, low, butane, propane] = [
  [20, 17, 25],
  [25, 20, 30],
  [29, 25, 35],
  [37, 25, 45],
] as const
/**
 * Test gases: heat at 15 °C and 1013.25 mbar, density relative to air, and test pressures, gauge.
 * Source: sources.en437.
 */
export const testGases: Readonly<Record<string, TestGas>> = {
  G20: gas(34.02, 37.78, 0.555, second),
  G21: gas(41.01, 45.28, 0.684, second),
  G222: gas(28.53, 31.86, 0.443, second),
  G23: gas(31.46, 34.95, 0.586, second),
  G25: gas(29.25, 32.49, 0.612, low),
  G26: gas(33.36, 36.91, 0.678, low),
  G27: gas(27.89, 30.98, 0.629, low),
  G30: gas(116.09, 125.81, 2.075, butane),
  G31: gas(88, 95.65, 1.55, propane),
  G32: gas(82.78, 88.52, 1.476, propane),
}

/** Working pressures of a natural gas supply in the UK, gauge Pa. Source: sources.meterRange. */
export function workingPressureUk({
  meterGauge_Pa,
  applianceGauge_Pa,
}: {
  readonly meterGauge_Pa: number
  readonly applianceGauge_Pa: number
}): { readonly drop_Pa: number; readonly meter: boolean; readonly drop: boolean } {
  const drop_Pa = meterGauge_Pa - applianceGauge_Pa
  return {
    drop_Pa,
    meter: meterGauge_Pa >= 1900 - 0.001 && meterGauge_Pa <= 2300 + 0.001,
    drop: atMost(drop_Pa, 100),
  }
}

/**
 * How far a regulator rises when nothing burns, Pa and as a share of the running pressure. Running
 * above 0, else RangeError. Source: sources.arithmetic.
 */
export function lockUp({
  staticGauge_Pa,
  runningGauge_Pa,
}: {
  readonly staticGauge_Pa: number
  readonly runningGauge_Pa: number
}): { readonly rise_Pa: number; readonly riseRatio: number } {
  expectAbove0({ runningGauge_Pa })
  return {
    rise_Pa: staticGauge_Pa - runningGauge_Pa,
    riseRatio: (staticGauge_Pa - runningGauge_Pa) / runningGauge_Pa,
  }
}

/**
 * Input of an injector on another gas or at another pressure, W: with the Wobbe index, and the root
 * of the gauge pressure. All above 0. Source: sources.en437.
 */
export const scaledInput_W = ({
  input_W,
  fromWobbe_J_m3,
  toWobbe_J_m3,
  fromGauge_Pa,
  toGauge_Pa,
}: {
  readonly input_W: number
  readonly fromWobbe_J_m3: number
  readonly toWobbe_J_m3: number
  readonly fromGauge_Pa: number
  readonly toGauge_Pa: number
}): number => input_W * (toWobbe_J_m3 / fromWobbe_J_m3) * Math.sqrt(toGauge_Pa / fromGauge_Pa)

/**
 * Energy that a bill counts for a metered volume, J. Source: sources.idealGas with the bill's own
 * factor.
 */
export const billedEnergy_J = (volume_m3: number, factor: number, grossHeat_J_m3: number): number =>
  volume_m3 * factor * grossHeat_J_m3

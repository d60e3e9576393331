import { atMost } from '../../answer/expect'

/**
 * Membrane safety valves on heating, set 2.5 or 3 bar: inlet, m, and the boiler output it serves,
 * W. Source: sources.membraneTable.
 */
const membrane: readonly (readonly [number, number])[] = [
  [0.015, 50e3],
  [0.02, 100e3],
  [0.025, 200e3],
  [0.032, 350e3],
  [0.04, 600e3],
  [0.05, 900e3],
]
/**
 * Valves on potable heaters: inlet, m, the store, m³, and the heater, W. Source:
 * sources.potableReliefTable.
 */
const potable: readonly (readonly [number, number, number])[] = [
  [0.015, 0.2, 75e3],
  [0.02, 1, 150e3],
  [0.025, 5, 250e3],
]

/**
 * Smallest inlet for a boiler output, m; undefined past the last row or at a setting the table does
 * not cover. Source: sources.membraneTable.
 */
export function membraneInlet_m(output_W: number, setGauge_Pa: number): number | undefined {
  const covered = [2.5e5, 3e5].some((set) => Math.abs(setGauge_Pa - set) < 1)
  return covered ? membrane.find(([, most]) => atMost(output_W, most))?.[0] : undefined
}

/**
 * Smallest inlet for a store and its heater, m; both must fit; undefined past the last row. Source:
 * sources.potableReliefTable.
 */
export const potableInlet_m = ({
  store_m3,
  heater_W,
}: {
  readonly store_m3: number
  readonly heater_W: number
}): number | undefined =>
  potable.find(([, volume, power]) => atMost(store_m3, volume) && atMost(heater_W, power))?.[0]

/** Hottest that a temperature relief may open at, K: 210 °F. Source: sources.asmeHlw. */
export const temperatureReliefMost_K = (210 - 32) / 1.8 + 273.15

/**
 * A temperature and pressure valve held against its heater: capacity in W, pressures gauge,
 * temperature in K. Source: sources.asmeHlw.
 */
export function temperaturePressureHolds({
  input_W,
  capacity_W,
  setGauge_Pa,
  maxWorkingGauge_Pa,
  openTemp_K,
}: {
  readonly input_W: number
  readonly capacity_W: number
  readonly setGauge_Pa: number
  readonly maxWorkingGauge_Pa: number
  readonly openTemp_K: number
}): { readonly capacity: boolean; readonly pressure: boolean; readonly temperature: boolean } {
  return {
    capacity: atMost(input_W, capacity_W),
    pressure: atMost(setGauge_Pa, maxWorkingGauge_Pa),
    temperature: atMost(openTemp_K, temperatureReliefMost_K),
  }
}

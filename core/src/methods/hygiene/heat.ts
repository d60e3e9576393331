import { expectAbove0 } from '../../answer/expect'

/** A store that stands and cools. */
export interface StandingStore {
  readonly volume_m3: number
  readonly density_kg_m3: number
  readonly specificHeat_J_kgK: number
  /** W/K to its surroundings. */
  readonly loss_W_K: number
}

/**
 * Time constant of a mixed store, s. All above 0, else RangeError. Source: Newton cooling,
 * published equation.
 */
export function coolingConstant_s(store: StandingStore): number {
  const { volume_m3, density_kg_m3, specificHeat_J_kgK, loss_W_K } = store
  expectAbove0({ volume_m3, density_kg_m3, specificHeat_J_kgK, loss_W_K })
  return (density_kg_m3 * volume_m3 * specificHeat_J_kgK) / loss_W_K
}

/**
 * Time until a mixed store has cooled from one temperature to another, s; undefined where it never
 * gets there. Source: {@link coolingConstant_s}.
 */
export function coolingTime_s(
  store: StandingStore,
  temps: { readonly startTemp_K: number; readonly endTemp_K: number; readonly airTemp_K: number },
): number | undefined {
  const over = (temps.startTemp_K - temps.airTemp_K) / (temps.endTemp_K - temps.airTemp_K)
  return over >= 1 && Number.isFinite(over) ? coolingConstant_s(store) * Math.log(over) : undefined
}

/** Temperature of a mixed store after a time, K. Source: {@link coolingConstant_s}. */
export const cooledStore_K = (
  store: StandingStore,
  { startTemp_K, airTemp_K }: { readonly startTemp_K: number; readonly airTemp_K: number },
  after_s: number,
): number => airTemp_K + (startTemp_K - airTemp_K) * Math.exp(-after_s / coolingConstant_s(store))

/** Readings below this count nothing. Source: ISO 15883-1, from memory. */
const counts_K = 338.15
const reference_K = 353.15

/**
 * A0 of a heat treatment, seconds at 80 °C: it compares one treatment with another and proves
 * nothing of a pipe. Source: ISO 15883-1, equation from memory.
 */
export const a0_s = (
  profile: readonly { readonly temp_K: number; readonly duration_s: number }[],
  z_K = 10,
): number =>
  profile.reduce(
    (sum, { temp_K, duration_s }) =>
      temp_K >= counts_K - 1e-9 ? sum + 10 ** ((temp_K - reference_K) / z_K) * duration_s : sum,
    0,
  )

/** The same as seconds at another temperature. Source: {@link a0_s}. */
export const equivalentTime_s = (a0: number, temp_K: number, z_K = 10): number =>
  a0 * 10 ** ((reference_K - temp_K) / z_K)

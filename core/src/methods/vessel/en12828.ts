import { celsius } from '../water/water'

const headPerMetre_Pa_m = 9810

/**
 * Expansion coefficient by the standard's table (fit rounded to 0.01 %), a ratio. 30 to 130 °C; no
 * densities here. Source: sources.en12828.
 */
export const en12828Coefficient = (maxTemp_K: number): number =>
  Math.round((0.31 + 3.9e-4 * celsius(maxTemp_K) ** 2) * 100) / 1e4

/** Water reserve, m³: half a per cent of the system, at least 3 L. Source: sources.en12828. */
export const waterReserve_m3 = (system_m3: number): number => Math.max(0.005 * system_m3, 0.003)

/**
 * Final pressure, gauge Pa: 0.5 bar under a relief set up to 5 bar, a tenth under above. Source:
 * sources.en12828.
 */
export const finalGauge_Pa = (reliefSetGauge_Pa: number): number =>
  reliefSetGauge_Pa <= 5e5 * (1 + 1e-6) ? reliefSetGauge_Pa - 50000 : 0.9 * reliefSetGauge_Pa

/**
 * Initial pressure (charge), gauge Pa: head of the highest point over the vessel, margin, and
 * vapour pressure above 100 °C. Source: sources.en12828.
 */
export const initialGauge_Pa = ({
  height_m,
  margin_Pa,
  vapourGauge_Pa = 0,
}: {
  readonly height_m: number
  readonly margin_Pa: number
  readonly vapourGauge_Pa?: number
}): number => headPerMetre_Pa_m * height_m + margin_Pa + vapourGauge_Pa

export interface En12828Inputs {
  readonly system_m3: number
  readonly expansionFraction: number
  readonly initialGauge_Pa: number
  readonly finalGauge_Pa: number
  readonly atmosphere_Pa: number
}

/**
 * Smallest vessel, m³. Undefined when the final pressure is not above the initial: there is no such
 * vessel, and that must be said. Pressures gauge, atmosphere absolute. Source: sources.en12828.
 */
export function en12828Size({
  system_m3,
  expansionFraction,
  initialGauge_Pa: p0,
  finalGauge_Pa: pe,
  atmosphere_Pa: pa,
}: En12828Inputs): number | undefined {
  if (pe <= p0) return undefined
  return ((system_m3 * expansionFraction + waterReserve_m3(system_m3)) * (pe + pa)) / (pe - p0)
}

/**
 * Cold filling window of a real vessel, gauge Pa: least keeps the water reserve, greatest keeps the
 * hot pressure under final. `least` is undefined when the vessel is smaller than the reserve alone.
 * Least above greatest: the vessel is too small. Source: sources.en12828.
 */
export function fillWindow({
  vessel_m3,
  ...inputs
}: En12828Inputs & { readonly vessel_m3: number }): {
  readonly leastGauge_Pa: number | undefined
  readonly greatestGauge_Pa: number
} {
  const {
    system_m3,
    expansionFraction,
    initialGauge_Pa: p0,
    finalGauge_Pa: pe,
    atmosphere_Pa: pa,
  } = inputs
  const reserve_m3 = waterReserve_m3(system_m3)
  const expansion_m3 = system_m3 * expansionFraction
  return {
    leastGauge_Pa:
      vessel_m3 > reserve_m3 ? (vessel_m3 * (p0 + pa)) / (vessel_m3 - reserve_m3) - pa : undefined,
    greatestGauge_Pa: (pe + pa) / (1 + (expansion_m3 * (pe + pa)) / (vessel_m3 * (p0 + pa))) - pa,
  }
}

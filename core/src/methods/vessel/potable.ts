import { expansionFraction } from '../water/water'

/**
 * A heater that holds less needs no vessel: pipes and hoses give as much. Common practice, no
 * source.
 */
export const leastStore_m3 = 0.015

/**
 * Potable vessel and the growth it takes, m³. Gauge pressures; undefined size when the greatest is
 * not above the charge. Rigid shell. Source: DIN 4807-5 method.
 */
export function potableVessel({
  store_m3,
  coldTemp_K,
  hotTemp_K,
  chargeGauge_Pa,
  maxGauge_Pa,
  atmosphere_Pa,
}: {
  readonly store_m3: number
  readonly coldTemp_K: number
  readonly hotTemp_K: number
  readonly chargeGauge_Pa: number
  readonly maxGauge_Pa: number
  readonly atmosphere_Pa: number
}): { readonly expansion_m3: number; readonly vessel_m3: number | undefined } {
  const expansion_m3 =
    store_m3 * expansionFraction({ fillTemp_K: coldTemp_K, maxTemp_K: hotTemp_K })
  if (maxGauge_Pa <= chargeGauge_Pa) return { expansion_m3, vessel_m3: undefined }
  return {
    expansion_m3,
    vessel_m3:
      expansion_m3 / (1 - (chargeGauge_Pa + atmosphere_Pa) / (maxGauge_Pa + atmosphere_Pa)),
  }
}

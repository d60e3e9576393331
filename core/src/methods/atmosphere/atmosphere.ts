import { foot_m, standardAtmosphere_Pa } from '../../units/units'

/**
 * Atmospheric pressure, absolute Pa, at an elevation in m below 11 000, else RangeError. Source:
 * sources.standardAtmosphere.
 */
export function atmosphereAt_Pa(elevation_m: number): number {
  if (!(elevation_m < 11000) || !(elevation_m > -5000))
    throw new RangeError(`elevation_m is ${elevation_m}; it must be -5000 to 11000`)
  return standardAtmosphere_Pa * (1 - 2.25577e-5 * elevation_m) ** 5.25588
}

/**
 * Part of its sea-level input an appliance may have: 4 % less per 1 000 ft above sea level once
 * past 2 000 ft. Source: sources.nfpa54Altitude.
 */
export function altitudeFactor(elevation_m: number): number {
  const feet = elevation_m / foot_m
  return feet <= 2000 * (1 + 1e-9) ? 1 : Math.max(0, 1 - (0.04 * feet) / 1000)
}

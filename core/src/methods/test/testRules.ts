import { expectAbove0 } from '../../answer/expect'

/** Meters by which the permitted fall of an existing British installation is given. */
export const permittedFallMeters = [
  'diaphragm-meter-U6-G4',
  'ultrasonic-meter-E6',
  'diaphragm-meter-U16-G10',
] as const
export type PermittedFallMeter = (typeof permittedFallMeters)[number]

const permittedFalls_Pa: Readonly<Record<PermittedFallMeter, number>> = {
  'diaphragm-meter-U6-G4': 400,
  'ultrasonic-meter-E6': 800,
  'diaphragm-meter-U16-G10': 100,
}

/**
 * Fall that an existing British domestic installation may show in two minutes with its appliances
 * connected, natural gas, no smell of gas, Pa; undefined for pipe above 28 mm, which the table does
 * not cover. Source: sources.up1.
 */
export const permittedFall_Pa = (
  meter: PermittedFallMeter,
  largestPipe_m: number,
): number | undefined => (largestPipe_m > 0.028 + 1e-9 ? undefined : permittedFalls_Pa[meter])

const mbar_Pa = 100
/**
 * Factor F3 of LR = F3 × movement × volume / minutes, m³/h per mbar m³/min. Source: sources.up1.
 */
export const leakRateFactor = (atmosphere_Pa: number): number => {
  expectAbove0({ atmosphere_Pa })
  return (60 * mbar_Pa) / atmosphere_Pa
}

/** Factor F1 of minutes = F1 × smallest movement × volume, min per mbar m³. Source: sources.up1. */
export const durationFactor = ({
  atmosphere_Pa,
  permittedLeak_m3_s,
}: {
  readonly atmosphere_Pa: number
  readonly permittedLeak_m3_s: number
}): number => {
  expectAbove0({ permittedLeak_m3_s })
  return leakRateFactor(atmosphere_Pa) / (permittedLeak_m3_s * 3600)
}

/**
 * By what a place multiplies the design pressure of a pipe for its test with water. Source:
 * sources.hydrostatic.
 */
export const hydrostaticFactors = {
  'en806-4': 1.1,
  'uk-water-regulations': 1.5,
  'asme-iv-hg-510': 1.5,
  'asme-b31.9': 1.5,
} as const
export type HydrostaticRule = keyof typeof hydrostaticFactors

/** Test pressure of a pipe with water, gauge Pa. Source: sources.hydrostatic. */
export const hydrostaticGauge_Pa = (designGauge_Pa: number, rule: HydrostaticRule): number => {
  expectAbove0({ designGauge_Pa })
  return designGauge_Pa * hydrostaticFactors[rule]
}

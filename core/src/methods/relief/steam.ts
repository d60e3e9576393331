import { expectAbove0, expectNotNegative } from '../../answer/expect'
import { circleArea_m2 } from '../hydraulics/friction'
import { psi_Pa } from '../../units/units'
import { latentHeat_J_kg, saturatedSteam, saturationTemp_K } from '../water/water'

/** What a relief valve opens to: its setting, and how far above it the capacity is counted. */
export interface Relieving {
  readonly setGauge_Pa: number
  /** Share of the gauge setting; 0.1 for a tenth. */
  readonly overpressure: number
  readonly atmosphere_Pa: number
}

/** Overpressure that a rated capacity is counted at. Source: common practice, no source. */
export const usualOverpressure = 0.1

/** Relieving pressure, absolute Pa: the overpressure multiplies the gauge setting only. */
export const relievingAbs_Pa = ({ setGauge_Pa, overpressure, atmosphere_Pa }: Relieving): number =>
  setGauge_Pa * (1 + overpressure) + atmosphere_Pa

/**
 * Steam a power makes at the relieving pressure, kg/s, with its boiling point, K, and heat of
 * evaporation, J/kg. Power 0 or more, else RangeError. Source: sources.if97.
 */
export function steamOfPower(
  power_W: number,
  relieving: Relieving,
): { readonly steam_kg_s: number; readonly boilingTemp_K: number; readonly latent_J_kg: number } {
  expectNotNegative({ power_W })
  const boilingTemp_K = saturationTemp_K(relievingAbs_Pa(relieving))
  const latent_J_kg = latentHeat_J_kg(boilingTemp_K)
  return { steam_kg_s: power_W / latent_J_kg, boilingTemp_K, latent_J_kg }
}

/**
 * Napier's coefficient in SI, kg/s per m² and Pa, from lb/h per in² and psi. Source:
 * sources.napier.
 */
export const napierSi = (coefficient_lb_h_in2_psi: number): number =>
  (coefficient_lb_h_in2_psi * 0.45359237) / 3600 / (0.0254 ** 2 * psi_Pa)
const napier = napierSi(51.5)

/**
 * Steam through a valve, kg/s; the coefficient holds all derating. Area and coefficient above 0,
 * else RangeError. Source: sources.napier.
 */
export function napierSteam_kg_s({
  area_m2,
  coefficient,
  ...relieving
}: Relieving & { readonly area_m2: number; readonly coefficient: number }): number {
  expectAbove0({ area_m2, coefficient })
  return napier * area_m2 * relievingAbs_Pa(relieving) * coefficient
}

/**
 * Flow area that carries so much steam, m². Coefficient above 0, else RangeError. Source:
 * sources.napier.
 */
export function napierArea_m2({
  steam_kg_s,
  coefficient,
  ...relieving
}: Relieving & { readonly steam_kg_s: number; readonly coefficient: number }): number {
  expectAbove0({ coefficient })
  return steam_kg_s / (napier * relievingAbs_Pa(relieving) * coefficient)
}

/**
 * The function of the isentropic exponent, exponent above 1, else RangeError. Source:
 * sources.iso4126.
 */
export function functionOfExponent(exponent: number): number {
  expectAbove0({ exponentAbove1: exponent - 1 })
  return 3.948 * Math.sqrt(exponent * (2 / (exponent + 1)) ** ((exponent + 1) / (exponent - 1)))
}

/** Isentropic exponent of saturated steam in this form. Source: sources.iso4126, usual figure. */
export const steamExponent = 1.135

/**
 * Saturated steam through a valve at critical flow, kg/s, and the power it carries away, W. Bore
 * and coefficient above 0, else RangeError. Source: sources.iso4126.
 */
export function iso4126Steam({
  bore_m,
  coefficient,
  exponent = steamExponent,
  ...relieving
}: Relieving & {
  readonly bore_m: number
  readonly coefficient: number
  readonly exponent?: number
}): { readonly steam_kg_s: number; readonly power_W: number } {
  expectAbove0({ bore_m, coefficient })
  const abs_Pa = relievingAbs_Pa(relieving)
  const boiling_K = saturationTemp_K(abs_Pa)
  const { specificVolume_m3_kg } = saturatedSteam(boiling_K)
  const steam_kg_s =
    (0.2883 *
      functionOfExponent(exponent) *
      circleArea_m2(bore_m) *
      1e6 *
      coefficient *
      Math.sqrt(abs_Pa / 1e5 / specificVolume_m3_kg)) /
    3600
  return { steam_kg_s, power_W: steam_kg_s * latentHeat_J_kg(boiling_K) }
}

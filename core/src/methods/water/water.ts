import { remembered } from './remembered'
import { zeroCelsius_K } from '../../units/units'
import type { Term } from './if97Coefficients'
import {
  region1,
  region2Ideal,
  region2Residual,
  saturation,
  viscosityDilute,
  viscosityResidual,
} from './if97Coefficients'

const gasConstant_kJ_kgK = 0.461526

export interface LiquidWater {
  readonly specificVolume_m3_kg: number
  readonly density_kg_m3: number
  readonly enthalpy_J_kg: number
  readonly specificHeat_J_kgK: number
  readonly soundSpeed_m_s: number
  /** Isothermal compressibility, 1/Pa. */
  readonly compressibility_1_Pa: number
  /** Volumetric expansion at constant pressure, 1/K. Negative from 0 to 4 °C. */
  readonly expansion_1_K: number
}

const refuseOutside = (name: string, value: number, least: number, most: number) => {
  if (!(value >= least && value <= most))
    throw new RangeError(`${name} is ${value}; it must be ${least} to ${most}`)
}

/**
 * Properties of liquid water, IF97 region 1. Temperature 273.15 to 623.15 K; pressure absolute,
 * from saturation to 100 MPa, else RangeError. A pressure below saturation is raised to saturation.
 * Source: sources.if97.
 */
export function liquidWater({
  temp_K,
  pressureAbs_Pa,
}: {
  readonly temp_K: number
  readonly pressureAbs_Pa: number
}): LiquidWater {
  refuseOutside('temp_K', temp_K, 273.15, 623.15)
  refuseOutside('pressureAbs_Pa', pressureAbs_Pa, 0, 1e8)
  const p_MPa = Math.max(pressureAbs_Pa, saturationAbs_Pa(temp_K)) / 1e6
  const pi = p_MPa / 16.53
  const tau = 1386 / temp_K
  const a = 7.1 - pi
  const b = tau - 1.222
  const sum = (term: (i: number, j: number, n: number) => number) =>
    region1.reduce((total, [i, j, n]) => total + term(i, j, n), 0)
  const g_p = sum((i, j, n) => -n * i * a ** (i - 1) * b ** j)
  const g_pp = sum((i, j, n) => n * i * (i - 1) * a ** (i - 2) * b ** j)
  const g_t = sum((i, j, n) => n * a ** i * j * b ** (j - 1))
  const g_tt = sum((i, j, n) => n * a ** i * j * (j - 1) * b ** (j - 2))
  const g_pt = sum((i, j, n) => -n * i * a ** (i - 1) * j * b ** (j - 1))
  const rt = gasConstant_kJ_kgK * temp_K
  const specificVolume_m3_kg = (rt / (1000 * p_MPa)) * pi * g_p
  return {
    specificVolume_m3_kg,
    density_kg_m3: 1 / specificVolume_m3_kg,
    enthalpy_J_kg: 1000 * rt * tau * g_t,
    specificHeat_J_kgK: -1000 * gasConstant_kJ_kgK * tau ** 2 * g_tt,
    soundSpeed_m_s: Math.sqrt(
      (1000 * rt * g_p ** 2) / ((g_p - tau * g_pt) ** 2 / (tau ** 2 * g_tt) - g_pp),
    ),
    compressibility_1_Pa: ((-pi * g_pp) / (g_p * p_MPa)) * 1e-6,
    expansion_1_K: (1 - (tau * g_pt) / g_p) / temp_K,
  }
}

/**
 * Vapour pressure of water, absolute, Pa. 273.15 to 647.096 K, else RangeError. Source:
 * sources.if97, region 4.
 */
export function saturationAbs_Pa(temp_K: number): number {
  refuseOutside('temp_K', temp_K, 273.15, 647.096)
  const [n1, n2, n3, n4, n5, n6, n7, n8, n9, n10] = saturation
  const th = temp_K + n9 / (temp_K - n10)
  const a = th ** 2 + n1 * th + n2
  const b = n3 * th ** 2 + n4 * th + n5
  const c = n6 * th ** 2 + n7 * th + n8
  return 1e6 * ((2 * c) / (-b + Math.sqrt(b ** 2 - 4 * a * c))) ** 4
}

/**
 * Boiling temperature, K, at an absolute pressure of 611.213 Pa to 22.064 MPa, else RangeError.
 * Source: sources.if97, region 4.
 */
export function saturationTemp_K(pressureAbs_Pa: number): number {
  refuseOutside('pressureAbs_Pa', pressureAbs_Pa, 611.2, 22.064e6)
  const [n1, n2, n3, n4, n5, n6, n7, n8, n9, n10] = saturation
  const be = (pressureAbs_Pa / 1e6) ** 0.25
  const e = be ** 2 + n3 * be + n6
  const f = n1 * be ** 2 + n4 * be + n7
  const g = n2 * be ** 2 + n5 * be + n8
  const d = (2 * g) / (-f - Math.sqrt(f ** 2 - 4 * e * g))
  return (n10 + d - Math.sqrt((n10 + d) ** 2 - 4 * (n9 + n10 * d))) / 2
}

/**
 * Saturated liquid at a temperature of 273.15 to 623.15 K: region 1 at its vapour pressure. Source:
 * sources.if97.
 */
export const saturatedLiquid: (temp_K: number) => LiquidWater = remembered((temp_K) =>
  liquidWater({ temp_K, pressureAbs_Pa: saturationAbs_Pa(temp_K) }),
)

/**
 * Saturated steam, IF97 region 2 at the vapour pressure: specific volume m³/kg and enthalpy J/kg.
 * 273.16 to 623.15 K. Source: sources.if97.
 */
export const saturatedSteam: (temp_K: number) => {
  readonly specificVolume_m3_kg: number
  readonly enthalpy_J_kg: number
} = remembered((temp_K) => {
  const p_MPa = saturationAbs_Pa(temp_K) / 1e6
  const tau = 540 / temp_K
  const b = tau - 0.5
  const residual = (term: (row: Term) => number) =>
    region2Residual.reduce((total, row) => total + term(row), 0)
  const g_p = 1 / p_MPa + residual(([i, j, n]) => n * i * p_MPa ** (i - 1) * b ** j)
  const ideal = region2Ideal.reduce((total, [j, n]) => total + n * j * tau ** (j - 1), 0)
  const g_t = ideal + residual(([i, j, n]) => n * p_MPa ** i * j * b ** (j - 1))
  const rt = gasConstant_kJ_kgK * temp_K
  return {
    specificVolume_m3_kg: (rt / (1000 * p_MPa)) * p_MPa * g_p,
    enthalpy_J_kg: 1000 * rt * tau * g_t,
  }
})

/** Heat to evaporate water at a temperature, J/kg. 273.16 to 623.15 K. Source: sources.if97. */
export const latentHeat_J_kg = (temp_K: number): number =>
  saturatedSteam(temp_K).enthalpy_J_kg - saturatedLiquid(temp_K).enthalpy_J_kg

/**
 * Dynamic viscosity, Pa·s, from temperature and density (both above 0), without the critical
 * enhancement. Source: sources.viscosity.
 */
export function viscosity_Pas({
  temp_K,
  density_kg_m3,
}: {
  readonly temp_K: number
  readonly density_kg_m3: number
}): number {
  const t = temp_K / 647.096
  const r = density_kg_m3 / 322
  const dilute =
    (100 * Math.sqrt(t)) / viscosityDilute.reduce((total, h, i) => total + h / t ** i, 0)
  const residual = Math.exp(
    r *
      viscosityResidual.reduce(
        (total, [i, j, h]) => total + h * (1 / t - 1) ** i * (r - 1) ** j,
        0,
      ),
  )
  return dilute * residual * 1e-6
}

/**
 * Density of heating water, kg/m³, at one atmosphere or its own vapour pressure, whichever is more.
 * 273.15 to 623.15 K. Source: sources.if97.
 */
export const waterDensity_kg_m3: (temp_K: number) => number = remembered(
  (temp_K) =>
    liquidWater({ temp_K, pressureAbs_Pa: Math.max(101325, saturationAbs_Pa(temp_K)) })
      .density_kg_m3,
)

/**
 * Part by which water grows from fill to hottest, ratio of densities less one (0 to about 0.1;
 * slightly negative below 4 °C). Not the EN 12828 table, which is a rounded convention. Source:
 * sources.if97.
 */
export const expansionFraction = ({
  fillTemp_K,
  maxTemp_K,
}: {
  readonly fillTemp_K: number
  readonly maxTemp_K: number
}): number => waterDensity_kg_m3(fillTemp_K) / waterDensity_kg_m3(maxTemp_K) - 1

/** Degrees Celsius of a temperature in kelvin. */
export const celsius = (temp_K: number): number => temp_K - zeroCelsius_K

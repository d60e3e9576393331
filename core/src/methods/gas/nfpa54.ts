import { expectAbove0, expectNotNegative } from '../../answer/expect'
import { cubicFoot_m3, foot_m, inch_m, inchWater_Pa, psi_Pa } from '../../units/units'

const cfh = (flow_m3_s: number) => (flow_m3_s * 3600) / cubicFoot_m3
const flowOfCfh_m3_s = (figure: number) => (figure * cubicFoot_m3) / 3600

/**
 * Constant of the equation for a gas: relative density, absolute temperature, viscosity; all above
 * 0. Source: sources.nfpa54Low.
 */
export function crOfGas(gas: {
  readonly relativeDensity: number
  readonly temp_K: number
  readonly viscosity_Pas: number
}): number {
  expectAbove0({ ...gas })
  return (
    0.00354 *
    gas.relativeDensity *
    gas.temp_K *
    1.8 *
    ((gas.viscosity_Pas * 1000) / gas.relativeDensity) ** 0.152
  )
}

/**
 * Flow a pipe passes below 1.5 psi, m³/s, for a drop in Pa over a length with fittings. All above
 * 0. Source: sources.nfpa54Low.
 */
export function lowCapacity_m3_s(run: {
  readonly bore_m: number
  readonly length_m: number
  readonly drop_Pa: number
  readonly cr: number
}): number {
  expectAbove0({ ...run })
  return flowOfCfh_m3_s(
    (19.17 *
      (run.bore_m / inch_m) *
      (run.drop_Pa / inchWater_Pa / (run.cr * (run.length_m / foot_m))) ** 0.206) **
      (1 / 0.381),
  )
}

/** Bore that passes a flow below 1.5 psi, m. All above 0. Source: sources.nfpa54Low. */
export function lowBore_m(run: {
  readonly flow_m3_s: number
  readonly length_m: number
  readonly drop_Pa: number
  readonly cr: number
}): number {
  expectAbove0({ ...run })
  return (
    (cfh(run.flow_m3_s) ** 0.381 /
      (19.17 * (run.drop_Pa / inchWater_Pa / (run.cr * (run.length_m / foot_m))) ** 0.206)) *
    inch_m
  )
}

/**
 * Drop below 1.5 psi, Pa, along a length with fittings; none at no flow. Bore and Cr above 0.
 * Source: sources.nfpa54Low.
 */
export function lowDrop_Pa(run: {
  readonly flow_m3_s: number
  readonly bore_m: number
  readonly length_m: number
  readonly cr: number
}): number {
  // Asked for thousands of times by a choice of sizes: the sentence is made only where it is
  // needed.
  if (!(run.bore_m > 0 && run.cr > 0 && run.flow_m3_s >= 0 && run.length_m >= 0)) {
    expectAbove0({ bore_m: run.bore_m, cr: run.cr })
    expectNotNegative({ flow_m3_s: run.flow_m3_s, length_m: run.length_m })
  }
  return (
    run.cr *
    (run.length_m / foot_m) *
    (cfh(run.flow_m3_s) ** 0.381 / (19.17 * (run.bore_m / inch_m))) ** (1 / 0.206) *
    inchWater_Pa
  )
}

/**
 * Flow at 1.5 psi and above, m³/s, between absolute pressures; 0 when the outlet is not below the
 * inlet. Source: sources.nfpa54Low.
 */
export function highCapacity_m3_s(run: {
  readonly bore_m: number
  readonly length_m: number
  readonly inletAbs_Pa: number
  readonly outletAbs_Pa: number
  readonly cr: number
  readonly y: number
}): number {
  expectAbove0({ ...run })
  const squares = (run.inletAbs_Pa / psi_Pa) ** 2 - (run.outletAbs_Pa / psi_Pa) ** 2
  if (squares <= 0) return 0
  return flowOfCfh_m3_s(
    (18.93 *
      (run.bore_m / inch_m) *
      ((squares * run.y) / (run.cr * (run.length_m / foot_m))) ** 0.206) **
      (1 / 0.381),
  )
}

/**
 * What a pipe loses at 1.5 psi and above, as the difference of the squares of absolute pressure,
 * Pa²; none at no flow. Bore, Cr and Y above 0. Source: sources.nfpa54High.
 */
export function highSquares_Pa2(run: {
  readonly flow_m3_s: number
  readonly bore_m: number
  readonly length_m: number
  readonly cr: number
  readonly y: number
}): number {
  expectAbove0({ bore_m: run.bore_m, cr: run.cr, y: run.y })
  expectNotNegative({ flow_m3_s: run.flow_m3_s, length_m: run.length_m })
  return (
    ((run.cr * (run.length_m / foot_m)) / run.y) *
    (cfh(run.flow_m3_s) ** 0.381 / (18.93 * (run.bore_m / inch_m))) ** (1 / 0.206) *
    psi_Pa ** 2
  )
}

/** Equivalent lengths of screwed fittings over the bore. Source: sources.nfpa54Fittings. */
export const lengthOverBore = { elbow45: 14, elbow: 30, branchTee: 60 } as const

/**
 * Equivalent length of fittings, m, from their length-to-bore ratio and the true bore. Source:
 * sources.nfpa54Fittings.
 */
export const equivalentLength_m = (ratio: number, bore_m: number): number => ratio * bore_m

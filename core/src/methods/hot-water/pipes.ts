import { expectAbove0, expectNotNegative } from '../../answer/expect'
import { flowForRise_m3_s } from './heating'
import { circleArea_m2 } from '../hydraulics/friction'

export interface LaggedPipe {
  readonly outsideDiameter_m: number
  /** 0 for a bare pipe. */
  readonly insulation_m: number
  readonly conductivity_W_mK: number
  readonly surfaceCoefficient_W_m2K: number
}

/**
 * Heat lost by a metre of pipe, W/m: lagging and surface in series, water film and wall neglected.
 * Diameter and coefficients above 0, insulation 0 or more, else RangeError. Source:
 * sources.pipeLoss.
 */
export function pipeLoss_W_m(
  pipe: LaggedPipe,
  { waterTemp_K, airTemp_K }: { readonly waterTemp_K: number; readonly airTemp_K: number },
): number {
  expectAbove0({
    outsideDiameter_m: pipe.outsideDiameter_m,
    conductivity_W_mK: pipe.conductivity_W_mK,
    surfaceCoefficient_W_m2K: pipe.surfaceCoefficient_W_m2K,
  })
  expectNotNegative({ insulation_m: pipe.insulation_m })
  const inner_m = pipe.outsideDiameter_m / 2
  const outer_m = inner_m + pipe.insulation_m
  const lagging = Math.log(outer_m / inner_m) / (2 * Math.PI * pipe.conductivity_W_mK)
  return (
    (waterTemp_K - airTemp_K) /
    (lagging + 1 / (2 * Math.PI * outer_m * pipe.surfaceCoefficient_W_m2K))
  )
}

/**
 * Flow that keeps a secondary return within a temperature drop. Loss 0 or more, drop above 0, else
 * RangeError; mass flow needs the specific heat, volume flow the density too; the US rule of 500
 * gives volume alone. Source: sources.heatBalance.
 */
export function loopFlow({
  loss_W,
  drop_K,
  density_kg_m3,
  specificHeat_J_kgK,
}: {
  readonly loss_W: number
  readonly drop_K: number
  readonly density_kg_m3?: number
  readonly specificHeat_J_kgK?: number
}): { readonly flow_m3_s?: number; readonly flow_kg_s?: number } {
  expectAbove0({ drop_K })
  expectNotNegative({ loss_W })
  if (specificHeat_J_kgK === undefined)
    return { flow_m3_s: flowForRise_m3_s({ power_W: loss_W, rise_K: drop_K, rule: 'us' }) }
  const flow_kg_s = loss_W / (specificHeat_J_kgK * drop_K)
  return density_kg_m3 === undefined
    ? { flow_kg_s }
    : { flow_kg_s, flow_m3_s: flow_kg_s / density_kg_m3 }
}

/** Longest wait for hot water at an outlet, s. Source: sources.en806Wait. */
export const longestWait_s = 30

/**
 * Water standing in a dead leg, m³, and the seconds until it has run off at a flow (plug flow).
 * Flow above 0, else RangeError. Source: sources.arithmetic.
 */
export function deadLeg(
  segments: readonly { readonly bore_m: number; readonly length_m: number }[],
  flow_m3_s: number,
): { readonly volume_m3: number; readonly wait_s: number } {
  expectAbove0({ flow_m3_s })
  const volume_m3 = segments.reduce(
    (sum, { bore_m, length_m }) => sum + circleArea_m2(bore_m) * length_m,
    0,
  )
  return { volume_m3, wait_s: volume_m3 / flow_m3_s }
}

import { expectAbove0 } from '../../answer/expect'
import type { PipeSize } from '../materials/pipes'
import type { Fluid } from '../hydraulics/friction'
import { frictionDrop } from '../hydraulics/friction'

/** Loss of a bend in a heating pipe. Common practice, no source. */
export const heatingBendLoss = 0.9

/**
 * Flow that carries a heat at a temperature difference, m³/s. Power 0 or more, the rest above 0,
 * else RangeError. Source: sources.heatBalance.
 */
export function flowForHeat_m3_s({
  power_W,
  difference_K,
  density_kg_m3,
  specificHeat_J_kgK,
}: {
  readonly power_W: number
  readonly difference_K: number
  readonly density_kg_m3: number
  readonly specificHeat_J_kgK: number
}): number {
  expectAbove0({ difference_K, density_kg_m3, specificHeat_J_kgK })
  return power_W / (density_kg_m3 * specificHeat_J_kgK * difference_K)
}

export interface PipeLimits {
  readonly velocity_m_s: number
  readonly gradient_Pa_m: number
}

interface Sized {
  readonly size: PipeSize
  readonly velocity_m_s: number
  readonly gradient_Pa_m: number
}

const inSize = (size: PipeSize, flow_m3_s: number, roughness_m: number, fluid: Fluid): Sized => {
  const { drop_Pa, velocity_m_s } = frictionDrop(
    { bore_m: size.bore_m, length_m: 1, flow_m3_s, roughness_m },
    fluid,
  )
  return { size, velocity_m_s, gradient_Pa_m: drop_Pa }
}

/**
 * Smallest size of a catalogue within both limits at a flow; the largest where none is, for a
 * finding to say so. Source: sources.colebrook; limits: the practice's.
 */
export function smallestWithin(
  sizes: readonly PipeSize[],
  flow_m3_s: number,
  roughness_m: number,
  fluid: Fluid,
  limits: PipeLimits,
): Sized {
  const all = sizes.map((size) => inSize(size, flow_m3_s, roughness_m, fluid))
  const fits =
    all.find(
      (one) =>
        one.velocity_m_s <= limits.velocity_m_s * (1 + 1e-9) &&
        one.gradient_Pa_m <= limits.gradient_Pa_m * (1 + 1e-9),
    ) ?? all[all.length - 1]
  if (!fits) throw new RangeError('sizes is empty; a catalogue has at least one size')
  return fits
}

/** Loss of a part at another flow than the one its maker states: with the square. Flows above 0. */
export const partLoss_Pa = (drop_Pa: number, atFlow_m3_s: number, flow_m3_s: number): number =>
  drop_Pa * (flow_m3_s / atFlow_m3_s) ** 2

/**
 * Flow through a balancing valve that loses 1 bar, m³/s: what its scale is set by. Flow and surplus
 * above 0. Source: sources.arithmetic.
 */
export const valveSetting_m3_s = (flow_m3_s: number, surplus_Pa: number): number =>
  flow_m3_s / Math.sqrt(surplus_Pa / 1e5)

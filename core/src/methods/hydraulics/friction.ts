import { expectAbove0, expectNotNegative } from '../../answer/expect'

/**
 * Reynolds number up to which flow counts as laminar. Source: common practice, no source; the texts
 * give 2 000 to 2 320.
 */
export const laminarReynolds = 2300

/** Darcy friction factor of laminar flow, 64/Re. Reynolds above 0. */
export const laminarFactor = (reynolds: number): number => 64 / reynolds

/**
 * Darcy friction factor after Swamee and Jain; up to 3 % from Colebrook–White. Reynolds above 0.
 * Source: sources.swameeJain.
 */
export const swameeJain = ({
  reynolds,
  roughnessRatio,
}: {
  readonly reynolds: number
  readonly roughnessRatio: number
}): number => 0.25 / Math.log10(roughnessRatio / 3.7 + 5.74 / reynolds ** 0.9) ** 2

/**
 * Darcy friction factor after Colebrook–White, Newton on 1/√f to 1e-9. Reynolds above 0, roughness
 * ratio 0 to 0.05, else RangeError. Valid for turbulent flow. Source: sources.colebrook.
 */
export function colebrook({
  reynolds,
  roughnessRatio,
}: {
  readonly reynolds: number
  readonly roughnessRatio: number
}): number {
  expectAbove0({ reynolds })
  expectNotNegative({ roughnessRatio })
  return colebrookRoot(reynolds, roughnessRatio) ** -2
}

const perDecade = 2 / Math.LN10

/** 1/√f of smooth pipes at the flows of a house: two steps from here are mostly enough. */
const commonRoot = 7

/**
 * 1/√f after Colebrook–White for a caller who has looked at what it passes; `near` is a figure to
 * begin from, where one is at hand. Halley to 1e-9: a logarithm a step is all it costs. It closes
 * in from wherever it begins above 0, since the left side rises and bends one way.
 */
export function colebrookRoot(reynolds: number, roughnessRatio: number, near = 0): number {
  const a = 2.51 / reynolds
  const b = roughnessRatio / 3.7
  let x = near > 0 ? near : commonRoot
  for (let i = 0; i < 50; i++) {
    const inside = b + a * x
    const bend = a / inside
    const slope = 1 + perDecade * bend
    const newton = (x + perDecade * Math.log(inside)) / slope
    // Far below the root the bend says too much of the way: no step is more than twice Newton's.
    const step = newton / Math.max(0.5, 1 + (newton * perDecade * bend * bend) / (2 * slope))
    x -= step
    // What is still wrong after a step is its cube times the bend's, and a factor below 1.
    const left = step * bend
    if (Math.abs(left * left * left) < 1e-9 * x) break
  }
  return x
}

export interface Fluid {
  readonly density_kg_m3: number
  readonly viscosity_Pas: number
}

export interface Run {
  readonly bore_m: number
  readonly length_m: number
  readonly flow_m3_s: number
  readonly roughness_m: number
  /** Sum of the loss coefficients of its fittings; 0 when absent. */
  readonly lossCoefficient?: number
}

export const circleArea_m2 = (bore_m: number): number => (Math.PI / 4) * bore_m ** 2

/**
 * Pressure lost along a run: Darcy–Weisbach, Colebrook–White above Reynolds 2 300 and 64/Re below,
 * no drop at no flow. Bore and fluid above 0; length, flow, roughness and loss 0 or more, else
 * RangeError. Source: sources.colebrook.
 */
export function frictionDrop(
  run: Run,
  fluid: Fluid,
): {
  readonly drop_Pa: number
  readonly velocity_m_s: number
  readonly reynolds: number
  readonly factor: number
} {
  expectAbove0({
    bore_m: run.bore_m,
    density_kg_m3: fluid.density_kg_m3,
    viscosity_Pas: fluid.viscosity_Pas,
  })
  expectNotNegative({
    length_m: run.length_m,
    flow_m3_s: run.flow_m3_s,
    roughness_m: run.roughness_m,
    lossCoefficient: run.lossCoefficient ?? 0,
  })
  const velocity_m_s = run.flow_m3_s / circleArea_m2(run.bore_m)
  const reynolds = (fluid.density_kg_m3 * velocity_m_s * run.bore_m) / fluid.viscosity_Pas
  // Below this 64/Re runs out of numbers; the drop has long been nothing.
  if (reynolds < 1e-12) return { drop_Pa: 0, velocity_m_s, reynolds, factor: 0 }
  const factor =
    reynolds <= laminarReynolds
      ? laminarFactor(reynolds)
      : colebrook({ reynolds, roughnessRatio: run.roughness_m / run.bore_m })
  const dynamic_Pa = (fluid.density_kg_m3 * velocity_m_s ** 2) / 2
  return {
    drop_Pa: ((factor * run.length_m) / run.bore_m + (run.lossCoefficient ?? 0)) * dynamic_Pa,
    velocity_m_s,
    reynolds,
    factor,
  }
}

import { expectAbove0, expectNotNegative } from '../../answer/expect'
import { standardAtmosphere_Pa } from '../../units/units'

/** J/(mol K), exact by definition. */
const gasConstant_J_molK = 8.314462618

export interface IdealGas {
  readonly exponent: number
  readonly molarMass_kg_mol: number
}

export interface AdiabaticPipe {
  readonly gas: IdealGas
  readonly bore_m: number
  readonly length_m: number
  /** Darcy, constant along the pipe. */
  readonly friction: number
  readonly lossCoefficient: number
  /** Of the reservoir it leaves, absolute. */
  readonly upstreamAbs_Pa: number
  readonly upstreamTemp_K: number
  readonly backAbs_Pa: number
}

export interface AdiabaticFlow {
  readonly choked: boolean
  readonly flow_kg_s: number
  readonly inletMach: number
  readonly exitMach: number
  readonly exitAbs_Pa: number
  /** Back pressure below which the flow grows no more, absolute. */
  readonly criticalAbs_Pa: number
}

/** Friction length from a Mach number to the speed of sound. */
const lengthToSound = (mach: number, g: number): number =>
  (1 - mach ** 2) / (g * mach ** 2) +
  ((g + 1) / (2 * g)) * Math.log(((g + 1) * mach ** 2) / (2 + (g - 1) * mach ** 2))

/** Pressure at a Mach number over that at the speed of sound. */
const overSonic = (mach: number, g: number): number =>
  Math.sqrt((g + 1) / (2 + (g - 1) * mach ** 2)) / mach

/** Where a function that falls with the Mach number reaches a value, below the speed of sound. */
function machWhere(falls: (mach: number) => number, value: number): number {
  let [low, high] = [1e-9, 1]
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2
    if (falls(middle) > value) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/**
 * Flow of an ideal gas through a pipe with friction and no heat exchange, from a reservoir to a
 * back pressure: sonic at its end where that is low enough. Absolute pressures; all above 0, else
 * RangeError. Source: adiabatic flow with friction (Fanno), published equation.
 */
export function adiabaticFlow(pipe: AdiabaticPipe): AdiabaticFlow {
  const { gas, bore_m, length_m, friction, lossCoefficient, upstreamAbs_Pa, upstreamTemp_K } = pipe
  const { exponent: g, molarMass_kg_mol } = gas
  expectAbove0({ bore_m, length_m, friction, upstreamAbs_Pa, upstreamTemp_K, molarMass_kg_mol })
  expectNotNegative({ lossCoefficient, backAbs_Pa: pipe.backAbs_Pa })
  const resistance = (friction * length_m) / bore_m + lossCoefficient
  const inletOf = (mach: number) => {
    const t = 1 + ((g - 1) / 2) * mach ** 2
    return { abs_Pa: upstreamAbs_Pa * t ** (-g / (g - 1)), temp_K: upstreamTemp_K / t }
  }
  const sonic = machWhere((mach) => lengthToSound(mach, g), resistance)
  const criticalAbs_Pa = inletOf(sonic).abs_Pa / overSonic(sonic, g)
  const choked = criticalAbs_Pa >= pipe.backAbs_Pa
  const exitOf = (mach: number) =>
    machWhere((exit) => lengthToSound(exit, g), lengthToSound(mach, g) - resistance)
  const exitAbs = (mach: number) =>
    (inletOf(mach).abs_Pa * overSonic(exitOf(mach), g)) / overSonic(mach, g)
  const inletMach = choked ? sonic : slowerThan(sonic, exitAbs, pipe.backAbs_Pa)
  const { abs_Pa, temp_K } = inletOf(inletMach)
  const area_m2 = (Math.PI / 4) * bore_m ** 2
  const specific = gasConstant_J_molK / molarMass_kg_mol
  return {
    choked,
    flow_kg_s: abs_Pa * area_m2 * inletMach * Math.sqrt(g / (specific * temp_K)),
    inletMach,
    exitMach: choked ? 1 : exitOf(inletMach),
    exitAbs_Pa: choked ? criticalAbs_Pa : pipe.backAbs_Pa,
    criticalAbs_Pa,
  }
}

/**
 * The inlet Mach number, below the choking one, at which the end comes to the back pressure: the
 * slower, the higher the end.
 */
function slowerThan(sonic: number, exitAbs: (mach: number) => number, backAbs_Pa: number): number {
  let [low, high] = [1e-9, sonic]
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2
    if (exitAbs(middle) > backAbs_Pa) low = middle
    else high = middle
  }
  return (low + high) / 2
}

export interface OrificeFlow {
  readonly criticalRatio: number
  readonly choked: boolean
  readonly flow_kg_s: number
  /** At 15 °C and 101 325 Pa. */
  readonly reference_m3_s: number
}

/**
 * Flow of an ideal gas through a hole. Absolute pressures; all above 0, else RangeError. Source:
 * isentropic nozzle flow, published equation.
 */
export function orificeFlow(hole: {
  readonly gas: IdealGas
  readonly diameter_m: number
  readonly coefficient: number
  readonly upstreamAbs_Pa: number
  readonly downstreamAbs_Pa: number
  readonly temp_K: number
}): OrificeFlow {
  const { gas, diameter_m, coefficient, upstreamAbs_Pa, downstreamAbs_Pa, temp_K } = hole
  const { exponent: g, molarMass_kg_mol } = gas
  expectAbove0({ diameter_m, coefficient, upstreamAbs_Pa, downstreamAbs_Pa, temp_K })
  const specific = gasConstant_J_molK / molarMass_kg_mol
  const criticalRatio = (2 / (g + 1)) ** (g / (g - 1))
  const ratio = downstreamAbs_Pa / upstreamAbs_Pa
  const r = Math.max(ratio, criticalRatio)
  const flow_kg_s =
    coefficient *
    (Math.PI / 4) *
    diameter_m ** 2 *
    upstreamAbs_Pa *
    Math.sqrt(
      Math.max(0, ((2 * g) / ((g - 1) * specific * temp_K)) * (r ** (2 / g) - r ** ((g + 1) / g))),
    )
  return {
    criticalRatio,
    choked: ratio <= criticalRatio,
    flow_kg_s,
    reference_m3_s: (flow_kg_s * specific * 288.15) / standardAtmosphere_Pa,
  }
}

/**
 * Flow through a small round hole, incompressible: laminar while its Reynolds number allows, else
 * by a smooth wall. All above 0, else RangeError. Source: Hagen and Poiseuille, Blasius, with end
 * losses.
 */
export function smallLeak(hole: {
  readonly diameter_m: number
  readonly length_m: number
  readonly density_kg_m3: number
  readonly viscosity_Pas: number
  readonly difference_Pa: number
  readonly lossCoefficient: number
}): {
  readonly regime: 'laminar' | 'turbulent'
  readonly velocity_m_s: number
  readonly reynolds: number
  readonly flow_m3_s: number
} {
  const { diameter_m, length_m, density_kg_m3, viscosity_Pas, difference_Pa } = hole
  expectAbove0({ diameter_m, length_m, density_kg_m3, viscosity_Pas, difference_Pa })
  const ends = (hole.lossCoefficient * density_kg_m3) / 2
  const wall = (32 * viscosity_Pas * length_m) / diameter_m ** 2
  const laminar_m_s =
    ends > 0
      ? (-wall + Math.sqrt(wall ** 2 + 4 * ends * difference_Pa)) / (2 * ends)
      : difference_Pa / wall
  const reynoldsOf = (velocity_m_s: number) =>
    (density_kg_m3 * velocity_m_s * diameter_m) / viscosity_Pas
  const area_m2 = (Math.PI / 4) * diameter_m ** 2
  const answer = (regime: 'laminar' | 'turbulent', velocity_m_s: number) => ({
    regime,
    velocity_m_s,
    reynolds: reynoldsOf(velocity_m_s),
    flow_m3_s: velocity_m_s * area_m2,
  })
  if (reynoldsOf(laminar_m_s) <= 2300) return answer('laminar', laminar_m_s)
  const lost_Pa = (velocity_m_s: number) =>
    (((0.3164 * reynoldsOf(velocity_m_s) ** -0.25 * length_m) / diameter_m + hole.lossCoefficient) *
      density_kg_m3 *
      velocity_m_s ** 2) /
    2
  let [low, high] = [0, 1e4]
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2
    if (lost_Pa(middle) < difference_Pa) low = middle
    else high = middle
  }
  return answer('turbulent', (low + high) / 2)
}

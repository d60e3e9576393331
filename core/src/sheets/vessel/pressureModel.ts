import { plainWater } from '../../methods/fluid/glycol'
import type { CyclePlan } from '../../methods/plant/heatingCycle'
import { usualCycle } from '../../methods/plant/heatingCycle'
import type { CurvePoint, SealedCircuit, VesselNow } from '../../methods/plant/sealedCircuit'
import { pressureCurve, tempAtGauge_K, usualGive_1_Pa } from '../../methods/plant/sealedCircuit'
import { otherVessels, realExpansion_m3, reliefLiftsGauge_Pa } from '../../methods/vessel/sizing'
import type { VesselAnswer } from './answer'

/** What could be wrong with a circuit that was designed well. All nought is the design itself. */
export interface WhatIf {
  readonly chargeLost_Pa: number
  /** Share of the separate vessel's volume behind a torn diaphragm. */
  readonly waterloggedRatio: number
  readonly creep_m3_s: number
  readonly isolated: boolean
  readonly trappedAir_m3: number
  readonly higherFill_Pa: number
}

export const asDesigned: WhatIf = {
  chargeLost_Pa: 0,
  waterloggedRatio: 0,
  creep_m3_s: 0,
  isolated: false,
  trappedAir_m3: 0,
  higherFill_Pa: 0,
}
export const isAsDesigned = (whatIf: WhatIf): boolean =>
  !whatIf.isolated && Object.values(whatIf).every((value) => value === 0 || value === false)

/**
 * A designed vessel and its circuit as the pressure model takes it, with a fault put in. Faults sit
 * in the separate vessel, or in the built-in one where it is alone.
 */
export function circuitModel(
  { inputs, need, fitted_m3, fillAtVesselGauge_Pa }: VesselAnswer,
  whatIf: WhatIf = asDesigned,
): SealedCircuit {
  const sound = [
    ...(fitted_m3 > 0 ? [{ volume_m3: fitted_m3, chargeGauge_Pa: need.chargeGauge_Pa }] : []),
    ...otherVessels(inputs),
  ]
  const vessels = sound.map((vessel, i): VesselNow =>
    i > 0
      ? { ...vessel, waterlogged_m3: 0, isolated: false }
      : {
          volume_m3: vessel.volume_m3,
          chargeGauge_Pa: Math.max(0, vessel.chargeGauge_Pa - whatIf.chargeLost_Pa),
          waterlogged_m3: vessel.volume_m3 * whatIf.waterloggedRatio,
          isolated: whatIf.isolated,
        },
  )
  return {
    system_m3: inputs.system_m3,
    fluid: inputs.fluid ?? plainWater,
    fillTemp_K: inputs.fillTemp_K,
    fillGauge_Pa: Math.max(0, fillAtVesselGauge_Pa + whatIf.higherFill_Pa),
    vessels,
    trappedAir_m3: whatIf.trappedAir_m3,
    atmosphere_Pa: inputs.atmosphere_Pa,
    pipeGrowth_1_K: 0,
    growthFactor: 1,
    give_1_Pa: usualGive_1_Pa,
  }
}

export interface PressureView {
  readonly curve: readonly CurvePoint[]
  /** The same design without the fault, and by the method's own expansion. */
  readonly design: readonly CurvePoint[]
  readonly method: readonly CurvePoint[]
  readonly reliefGauge_Pa: number
  readonly finalGauge_Pa: number
  /** Under it the highest point has no pressure of its own left. */
  readonly leastGauge_Pa: number
  /** Temperature at which the relief opens; undefined when it stays shut. */
  readonly reliefOpens_K: number | undefined
  readonly hotGauge_Pa: number
}

/**
 * Pressure against temperature of a designed vessel, with a fault put in. Gauge, at the vessel.
 * Sources: sources.gasLaw, sources.if97.
 */
export function pressureView(answer: VesselAnswer, whatIf: WhatIf): PressureView {
  const { inputs, need } = answer
  const model = circuitModel(answer, whatIf)
  const sound = circuitModel(answer)
  const reliefGauge_Pa = reliefLiftsGauge_Pa(inputs)
  const curve = pressureCurve(model, inputs.maxTemp_K)
  const real_m3 = realExpansion_m3(inputs)
  return {
    curve,
    design: isAsDesigned(whatIf) ? curve : pressureCurve(sound, inputs.maxTemp_K),
    method: pressureCurve(
      { ...sound, give_1_Pa: 0, growthFactor: real_m3 > 0 ? need.expansion_m3 / real_m3 : 1 },
      inputs.maxTemp_K,
    ),
    reliefGauge_Pa,
    finalGauge_Pa: need.finalGauge_Pa,
    leastGauge_Pa: need.staticHead_Pa,
    reliefOpens_K: tempAtGauge_K(model, reliefGauge_Pa, inputs.maxTemp_K),
    hotGauge_Pa: curve[curve.length - 1]?.gauge_Pa ?? 0,
  }
}

/**
 * A designed vessel with a fault, put through three heating cycles. The creeping feed comes from
 * the main at its static pressure.
 */
export const cycleOf = (answer: VesselAnswer, whatIf: WhatIf, mainGauge_Pa: number): CyclePlan => ({
  ...usualCycle,
  circuit: circuitModel(answer, whatIf),
  maxTemp_K: answer.inputs.maxTemp_K,
  reliefSetGauge_Pa: reliefLiftsGauge_Pa(answer.inputs),
  creep_m3_s: whatIf.creep_m3_s,
  mainGauge_Pa,
})

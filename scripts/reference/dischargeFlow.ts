import { adiabaticFlow, orificeFlow, smallLeak } from '@hestian/core'
import type { Inputs, Kind } from './inputs'
import { num, opt } from './inputs'

const gasIn = (i: Inputs) => ({
  exponent: num(i, 'isentropic_exponent'),
  molarMass_kg_mol: num(i, 'molar_mass_kg_per_mol'),
})

/** Cases of flow through holes. */
export const dischargeFlow: Readonly<Record<string, Kind>> = {
  'discharge-flow.fanno': (i) => {
    const flow = adiabaticFlow({
      gas: gasIn(i),
      bore_m: num(i, 'inside_diameter_m'),
      length_m: num(i, 'length_m'),
      friction: num(i, 'friction_factor'),
      lossCoefficient: opt(i, 'loss_coefficient_sum') ?? 0,
      upstreamAbs_Pa: num(i, 'upstream_stagnation_pressure_abs_Pa'),
      upstreamTemp_K: num(i, 'upstream_stagnation_temperature_K'),
      backAbs_Pa: num(i, 'back_pressure_abs_Pa'),
    })
    return {
      choked: flow.choked,
      mass_flow_kg_per_s: flow.flow_kg_s,
      inlet_mach: flow.inletMach,
      exit_mach: flow.exitMach,
      exit_pressure_abs_Pa: flow.exitAbs_Pa,
      critical_back_pressure_abs_Pa: flow.criticalAbs_Pa,
    }
  },
  'discharge-flow.gas-orifice': (i) => {
    const temp_K = num(i, 'upstream_temperature_K')
    const gas = gasIn(i)
    const flow = orificeFlow({
      gas,
      diameter_m: num(i, 'hole_diameter_m'),
      coefficient: num(i, 'discharge_coefficient'),
      upstreamAbs_Pa: num(i, 'upstream_pressure_abs_Pa'),
      downstreamAbs_Pa: num(i, 'downstream_pressure_abs_Pa'),
      temp_K,
    })
    return {
      critical_pressure_ratio: flow.criticalRatio,
      choked: flow.choked,
      mass_flow_kg_per_s: flow.flow_kg_s,
      flow_reference_m3_per_s: flow.reference_m3_s,
    }
  },
  'discharge-flow.small-leak': (i) => {
    const density = num(i, 'density_kg_per_m3')
    const leak = smallLeak({
      diameter_m: num(i, 'hole_diameter_m'),
      length_m: num(i, 'hole_length_m'),
      density_kg_m3: density,
      viscosity_Pas: num(i, 'dynamic_viscosity_Pa_s'),
      difference_Pa: num(i, 'pressure_difference_Pa'),
      lossCoefficient: opt(i, 'loss_coefficient_sum') ?? 0,
    })
    return {
      regime: leak.regime,
      velocity_m_per_s: leak.velocity_m_s,
      reynolds: leak.reynolds,
      flow_m3_per_s: leak.flow_m3_s,
      mass_flow_kg_per_s: leak.flow_m3_s * density,
    }
  },
}

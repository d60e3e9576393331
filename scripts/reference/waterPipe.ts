import type { WaterPipe } from '@hestian/core'
import {
  colebrook,
  frictionDrop,
  laminarFactor,
  liquidWater,
  swameeJain,
  viscosity_Pas,
  copperForUnits_m,
  fixtureUnits,
  flowForRise_m3_s,
  hunterFlow_m3_s,
  loadingUnits,
  peakFlow_m3_s,
  sumOfUnits,
  hazenWilliams_m,
  hazenWilliamsUs_Pa,
  solveWaterTree,
  sourceNode,
} from '@hestian/core'
import type { Inputs, Got, Kind } from './inputs'
import { num, opt, kelvin, waterFigures, otherRun } from './inputs'

function hunter(inputs: Inputs, curve: 'flush-tank' | 'flushometer'): Got {
  const fixtures = inputs.fixtures as { kind: string; count: number }[] | undefined
  const units = fixtures ? sumOfUnits(fixtureUnits, fixtures) : num(inputs, 'fixture_units')
  return {
    fixture_units: fixtures ? units : undefined,
    flow_m3_per_s: hunterFlow_m3_s(
      units,
      inputs.predominant === 'flushometer' ? 'flushometer' : curve,
    ),
  }
}

const hwRun = (inputs: Inputs) => ({
  ...otherRun(inputs),
  flow_m3_s: num(inputs, 'flow_m3_per_s'),
  roughnessC: num(inputs, 'hazen_williams_c'),
})

interface RefPipe {
  from: string
  to: string
  length_m: number
  inside_diameter_m: number
  roughness_m?: number
  hazen_williams_c?: number
  loss_coefficient?: number
}

/**
 * A case gives heads over a datum and heights of nodes; core takes gauge pressure at the source and
 * the rise of each pipe.
 */
function waterNetwork(inputs: Inputs): Got {
  const [reservoir] = inputs.reservoirs as { id: string; head_m: number }[]
  const nodes = inputs.nodes as { id: string; elevation_m: number; demand_m3_per_s: number }[]
  const density_kg_m3 = 1000
  const head_Pa = density_kg_m3 * 9.80665
  const height = (id: string) => nodes.find((node) => node.id === id)?.elevation_m ?? 0
  const pipes = (inputs.pipes as RefPipe[]).map((pipe): WaterPipe => ({
    id: pipe.to,
    from: pipe.from === reservoir?.id ? sourceNode : pipe.from,
    length_m: pipe.length_m,
    bore_m: pipe.inside_diameter_m,
    roughness_m: pipe.roughness_m ?? 0,
    roughnessC: pipe.hazen_williams_c,
    lossCoefficient: pipe.loss_coefficient ?? 0,
    rise_m: height(pipe.to) - height(pipe.from),
    draw_m3_s: nodes.find((node) => node.id === pipe.to)?.demand_m3_per_s ?? 0,
  }))
  const fluid = {
    density_kg_m3,
    viscosity_Pas: (opt(inputs, 'kinematic_viscosity_m2_per_s') ?? 1e-6) * density_kg_m3,
  }
  const states = solveWaterTree(
    pipes,
    () => (reservoir?.head_m ?? 0) * head_Pa,
    fluid,
    inputs.formula === 'hazen-williams' ? 'hazen-williams' : 'engine',
  )
  return Object.fromEntries(
    states.map((state) => [`pressure_head_${state.id}_m`, state.farGauge_Pa / head_Pa]),
  )
}

/** Cases of water pipes. */
export const waterPipe: Readonly<Record<string, Kind>> = {
  'water-pipe.hazen-williams': (i) => ({ head_loss_m: hazenWilliams_m(hwRun(i)) }),
  'water-pipe.hazen-williams-us': (i) => ({ pressure_drop_Pa: hazenWilliamsUs_Pa(hwRun(i)) }),
  'water-pipe.network': waterNetwork,

  'water-pipe.colebrook': (i) => ({
    friction_factor: colebrook({
      reynolds: num(i, 'reynolds'),
      roughnessRatio: num(i, 'relative_roughness'),
    }),
  }),
  'water-pipe.swamee-jain': (i) => ({
    friction_factor: swameeJain({
      reynolds: num(i, 'reynolds'),
      roughnessRatio: num(i, 'relative_roughness'),
    }),
  }),
  'water-pipe.laminar': (i) => ({ friction_factor: laminarFactor(num(i, 'reynolds')) }),
  'water-pipe.darcy-drop': (i) => {
    const { density_kg_m3 } = liquidWater({ temp_K: kelvin(i), pressureAbs_Pa: 101325 })
    const drop = frictionDrop(
      {
        bore_m: num(i, 'inside_diameter_m'),
        length_m: num(i, 'length_m'),
        flow_m3_s: num(i, 'flow_m3_per_s'),
        roughness_m: num(i, 'roughness_m'),
        lossCoefficient: opt(i, 'loss_coefficient_sum'),
      },
      { density_kg_m3, viscosity_Pas: viscosity_Pas({ temp_K: kelvin(i), density_kg_m3 }) },
    )
    return {
      friction_factor: drop.factor,
      pressure_drop_Pa: drop.drop_Pa,
      reynolds: drop.reynolds,
      velocity_m_per_s: drop.velocity_m_s,
    }
  },

  'water-pipe.flow-for-heat': (i) => {
    const given =
      opt(i, 'density_kg_per_m3') !== undefined && opt(i, 'specific_heat_J_per_kgK') !== undefined
    const flow = flowForRise_m3_s({
      power_W: num(i, 'power_W'),
      rise_K: num(i, 'temperature_difference_K'),
      ...(given ? waterFigures(i) : { rule: 'us' as const }),
    })
    return {
      flow_m3_per_s: flow,
      mass_flow_kg_per_s: given ? flow * num(i, 'density_kg_per_m3') : undefined,
    }
  },
  'water-pipe.hunter-tank': (i) => hunter(i, 'flush-tank'),
  'water-pipe.hunter-valve': (i) => hunter(i, 'flushometer'),
  'water-pipe.en806-loading-unit': (i) => ({
    loading_units: sumOfUnits(loadingUnits, [{ kind: String(i.fixture), count: 1 }]),
  }),
  'water-pipe.en806-loading-sum': (i) => {
    const units = sumOfUnits(
      loadingUnits,
      Object.entries(i.fixtures as Record<string, number>).map(([kind, count]) => ({
        kind,
        count,
      })),
    )
    return { loading_units: units, outside_diameter_m: copperForUnits_m(units) }
  },
  'water-pipe.din1988-peak': (i) => ({
    peak_flow_m3_per_s: peakFlow_m3_s(num(i, 'sum_flow_m3_per_s'), {
      a: num(i, 'a'),
      b: num(i, 'b'),
      c: num(i, 'c'),
    }),
  }),
}

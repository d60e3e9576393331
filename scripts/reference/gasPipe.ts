import {
  crOfGas,
  effectiveLength_m,
  equivalentLength_m,
  highCapacity_m3_s,
  inOrder,
  longestLength_m,
  lowBore_m,
  lowCapacity_m3_s,
  lowDrop_Pa,
  nextSize,
  sizeNamed,
  sumAlong,
  sumBeyond,
  tableFlow_m3_s,
  atMost,
  tabledFlow_m3_s,
  tabledHeat_W,
  renouardLow_Pa,
  renouardMediumAbs_Pa,
  poleFlow_m3_s,
  spitzglassFlow_m3_s,
  carriedFlow_m3_s,
  circleArea_m2,
} from '@hestian/core'
import type { Inputs, Got, Kind } from './inputs'
import { num, opt, atm, otherRun } from './inputs'

const gasRun = (inputs: Inputs) => ({ length_m: num(inputs, 'length_m'), cr: num(inputs, 'cr') })

interface RefSegment {
  id: string
  from: string
  to: string
  length_m?: number
  effective_length_m?: number
  inside_diameter_m?: number
  elbow_count?: number
  branch_tee_count?: number
  tee_count?: number
}

interface RefAppliance {
  node: string
  input_gross_W: number
}

/** A case names nodes; core names a branch by its far end. */
function treeOf(inputs: Inputs) {
  const segments = inputs.segments as RefSegment[]
  const appliances = inputs.appliances as RefAppliance[]
  const heating =
    opt(inputs, 'heating_value_gross_J_per_m3') ?? num(inputs, 'calorific_value_gross_J_per_m3')
  const ends = new Set(segments.map((segment) => segment.to))
  const branches = segments.map((segment) => ({
    ...segment,
    name: segment.id,
    id: segment.to,
    from: ends.has(segment.from) ? segment.from : 'meter',
    length_m: segment.effective_length_m ?? segment.length_m ?? 0,
    load_W: appliances
      .filter((appliance) => appliance.node === segment.to)
      .reduce((sum, appliance) => sum + appliance.input_gross_W, 0),
  }))
  const { ordered } = inOrder(branches)
  const flows = new Map(
    [...sumBeyond(ordered, (branch) => branch.load_W)].map(([id, heat]) => [id, heat / heating]),
  )
  return { branches, ordered, flows, appliances }
}

function treeLongestLength(inputs: Inputs): Got {
  const { branches, flows } = treeOf(inputs)
  const longest = longestLength_m(branches)
  const cr = opt(inputs, 'cr')
  const drop_Pa = num(inputs, 'pressure_drop_allowed_Pa')
  const each = branches.map((branch): [string, string | number | undefined] => {
    const flow = flows.get(branch.id) ?? 0
    if (cr !== undefined)
      return [
        `size_${branch.name}`,
        nextSize(
          'steel-schedule-40',
          lowBore_m({ flow_m3_s: flow, length_m: longest, drop_Pa, cr }),
        )?.name,
      ]
    const size = [0.015, 0.022, 0.028, 0.035].find(
      (outsideDiameter_m) =>
        flow <= (tableFlow_m3_s({ outsideDiameter_m, length_m: longest }) ?? 0),
    )
    return [`outside_diameter_${branch.name}_m`, size]
  })
  return {
    [cr === undefined ? 'longest_effective_length_m' : 'longest_length_m']: longest,
    ...Object.fromEntries(each),
  }
}

function treeSegmentDrop(inputs: Inputs): Got {
  const { branches, ordered, flows, appliances } = treeOf(inputs)
  const elbow = opt(inputs, 'elbow_length_to_diameter') ?? 30
  const tee = opt(inputs, 'tee_length_to_diameter') ?? 60
  const bore = (branch: RefSegment) => branch.inside_diameter_m ?? 0
  const lengths = new Map(
    branches.map((branch) => [
      branch.id,
      branch.length_m +
        equivalentLength_m(
          (branch.elbow_count ?? 0) * elbow +
            (branch.branch_tee_count ?? branch.tee_count ?? 0) * tee,
          bore(branch),
        ),
    ]),
  )
  const drops = new Map(
    branches.map((branch) => [
      branch.id,
      lowDrop_Pa({
        flow_m3_s: flows.get(branch.id) ?? 0,
        bore_m: bore(branch),
        length_m: lengths.get(branch.id) ?? 0,
        cr: num(inputs, 'cr'),
      }),
    ]),
  )
  const along = sumAlong(ordered, (branch) => drops.get(branch.id) ?? 0)
  const worst = Math.max(...appliances.map((appliance) => along.get(appliance.node) ?? 0))
  return {
    ...Object.fromEntries(
      branches.flatMap((branch) => [
        [`drop_${branch.name}_Pa`, drops.get(branch.id)],
        [`effective_length_${branch.name}_m`, lengths.get(branch.id)],
      ]),
    ),
    ...Object.fromEntries([...along].map(([node, drop]) => [`drop_to_${node}_Pa`, drop])),
    worst_drop_Pa: worst,
    within_allowance: atMost(worst, num(inputs, 'pressure_drop_allowed_Pa')),
  }
}

const tableRun = (inputs: Inputs) => ({
  size: String(inputs.nominal_size),
  length_m: num(inputs, 'length_m'),
  drop_Pa: num(inputs, 'pressure_drop_Pa'),
})

/** A table's figure, or where it lists no such size or drop, the equation's. */
const tableOr = (inputs: Inputs, name: 'steel-natural-gas' | 'copper-natural-gas') =>
  tabledFlow_m3_s(name, tableRun(inputs)) ??
  lowCapacity_m3_s({
    bore_m: num(inputs, 'inside_diameter_m'),
    length_m: num(inputs, 'length_m'),
    drop_Pa: num(inputs, 'pressure_drop_Pa'),
    cr: 0.6094,
  })

/** Cases of gas pipes. */
export const gasPipe: Readonly<Record<string, Kind>> = {
  'gas-pipe.table-sch40-ng': (i) => ({ flow_m3_per_s: tableOr(i, 'steel-natural-gas') }),
  'gas-pipe.table-copper-ng': (i) => ({ flow_m3_per_s: tableOr(i, 'copper-natural-gas') }),
  'gas-pipe.table-sch40-propane': (i) => ({
    heat_W:
      tabledHeat_W(tableRun(i)) ??
      lowCapacity_m3_s({ ...otherRun(i), drop_Pa: num(i, 'pressure_drop_Pa'), cr: 1.2462 }) *
        num(i, 'heating_value_gross_J_per_m3'),
  }),
  'gas-pipe.renouard-low': (i) => ({
    pressure_drop_Pa: renouardLow_Pa({
      ...otherRun(i),
      flow_m3_s: num(i, 'flow_m3_per_s'),
      relativeDensity: num(i, 'corrected_relative_density'),
    }),
  }),
  'gas-pipe.renouard-medium': (i) => ({
    outlet_pressure_abs_Pa: renouardMediumAbs_Pa({
      ...otherRun(i),
      flow_m3_s: num(i, 'flow_m3_per_s'),
      relativeDensity: num(i, 'corrected_relative_density'),
      inletAbs_Pa: num(i, 'inlet_pressure_abs_Pa'),
    }),
  }),
  'gas-pipe.pole': (i) => ({
    flow_m3_per_s: poleFlow_m3_s({
      ...otherRun(i),
      drop_Pa: num(i, 'pressure_drop_Pa'),
      relativeDensity: num(i, 'relative_density'),
    }),
  }),
  'gas-pipe.spitzglass-low': (i) => ({
    flow_m3_per_s: spitzglassFlow_m3_s({
      ...otherRun(i),
      drop_Pa: num(i, 'pressure_drop_Pa'),
      relativeDensity: num(i, 'relative_density'),
    }),
  }),
  'gas-pipe.velocity': (i) => ({
    velocity_m_per_s:
      carriedFlow_m3_s(num(i, 'flow_reference_m3_per_s'), {
        meterGauge_Pa: num(i, 'pressure_gauge_Pa'),
        atmosphere_Pa: atm(i),
      }) / circleArea_m2(num(i, 'inside_diameter_m')),
  }),

  'gas-pipe.nfpa54-cr': (i) => ({
    cr: crOfGas({
      relativeDensity: num(i, 'relative_density'),
      temp_K: num(i, 'temperature_K'),
      viscosity_Pas: num(i, 'dynamic_viscosity_Pa_s'),
    }),
  }),
  'gas-pipe.schedule40-inside-diameter': (i) => ({
    inside_diameter_m: sizeNamed('steel-schedule-40', String(i.nominal_size))?.bore_m,
  }),
  'gas-pipe.nfpa54-low-capacity': (i) => ({
    flow_m3_per_s: lowCapacity_m3_s({
      ...gasRun(i),
      bore_m: num(i, 'inside_diameter_m'),
      drop_Pa: num(i, 'pressure_drop_Pa'),
    }),
  }),
  'gas-pipe.nfpa54-low-diameter': (i) => {
    const bore = lowBore_m({
      ...gasRun(i),
      flow_m3_s: num(i, 'flow_m3_per_s'),
      drop_Pa: num(i, 'pressure_drop_Pa'),
    })
    return {
      inside_diameter_m: bore,
      next_schedule40_size: nextSize('steel-schedule-40', bore)?.name,
    }
  },
  'gas-pipe.nfpa54-low-drop': (i) => ({
    pressure_drop_Pa: lowDrop_Pa({
      ...gasRun(i),
      flow_m3_s: num(i, 'flow_m3_per_s'),
      bore_m: num(i, 'inside_diameter_m'),
    }),
  }),
  'gas-pipe.nfpa54-high-capacity': (i) => ({
    flow_m3_per_s: highCapacity_m3_s({
      ...gasRun(i),
      bore_m: num(i, 'inside_diameter_m'),
      inletAbs_Pa: num(i, 'inlet_pressure_abs_Pa'),
      outletAbs_Pa: num(i, 'outlet_pressure_abs_Pa'),
      y: num(i, 'y'),
    }),
  }),
  'gas-pipe.equivalent-length': (i) => ({
    equivalent_length_m: equivalentLength_m(
      num(i, 'length_to_diameter'),
      num(i, 'inside_diameter_m'),
    ),
  }),
  'gas-pipe.bs6891-table': (i) => ({
    flow_m3_per_s: tableFlow_m3_s({
      outsideDiameter_m: num(i, 'outside_diameter_m'),
      length_m: num(i, 'length_m'),
    }),
  }),
  'gas-pipe.bs6891-fittings': (i) => ({
    effective_length_m: effectiveLength_m({
      pipe_m: num(i, 'pipe_length_m'),
      elbows: opt(i, 'elbow_count'),
      tees: opt(i, 'tee_count'),
      bends: opt(i, 'bend_count'),
    }),
  }),
  'gas-pipe.bs6891-multi-segment-fittings': (i) => {
    const length_m = effectiveLength_m({
      pipe_m: num(i, 'pipe_length_m'),
      elbows: opt(i, 'elbow_count'),
      tees: opt(i, 'tee_count'),
      bends: opt(i, 'bend_count'),
    })
    const flow = num(i, 'input_gross_W') / num(i, 'calorific_value_gross_J_per_m3')
    const table = tableFlow_m3_s({ outsideDiameter_m: num(i, 'outside_diameter_m'), length_m })
    return {
      effective_length_m: length_m,
      flow_m3_per_s: flow,
      table_flow_m3_per_s: table,
      passes: table !== undefined && table >= flow,
    }
  },
  'gas-pipe.tree-longest-length': treeLongestLength,
  'gas-pipe.tree-segment-drop': treeSegmentDrop,
}

import {
  a0_s,
  acceptanceFactor,
  airRatio,
  co2FromO2,
  co2Most,
  coAirFree,
  condensedShare,
  coPerHeat_kg_J,
  coRatio,
  dewPoint,
  flueLossNet,
  waterPerHeat_kg_J,
  adiabaticFlow,
  cooledStore_K,
  cooledTo_K,
  coolingConstant_s,
  coolingTime_s,
  equivalentTime_s,
  flowForDrop_kg_s,
  layeredLoss_W_mK,
  orificeFlow,
  simpleFlowForDrop_kg_s,
  smallLeak,
  altitudeFactor,
  atmosphereAt_Pa,
  closedAirTank_m3,
  colebrook,
  correctedLeak,
  crOfGas,
  diaphragmTank_m3,
  effectiveLength_m,
  en12828Coefficient,
  en12828Size,
  equivalentLength_m,
  expansionFraction,
  fillOfHeight_Pa,
  fillWindow,
  finalGauge_Pa,
  forecastHotPressure,
  frictionDrop,
  headOfPressure_m,
  highCapacity_m3_s,
  initialGauge_Pa,
  inOrder,
  laminarFactor,
  latentHeat_J_kg,
  durationFactor,
  elasticRise_Pa_K,
  hydrostaticGauge_Pa,
  leakRate_m3_s,
  leakRateFactor,
  leakRegression,
  liquidLost_m3,
  permittedFall_Pa,
  pumpIn,
  rigidRise_Pa_K,
  liquidWater,
  longestLength_m,
  lowBore_m,
  lowCapacity_m3_s,
  lowDrop_Pa,
  naTestDuration_s,
  naTestPressure_Pa,
  netExpansion_m3,
  nextSize,
  pipeVolume_m3,
  potableVessel,
  pressureOfHead_Pa,
  saturatedLiquid,
  saturationAbs_Pa,
  saturationTemp_K,
  sealedTableVessel_m3,
  sizeNamed,
  sumAlong,
  sumBeyond,
  swameeJain,
  tableFlow_m3_s,
  thermalChange_Pa,
  timeToSee_s,
  topGauge_Pa,
  viscosity_Pas,
  waterHeld_m3,
  waterReserve_m3,
  zeroCelsius_K,
  atMost,
  copperForUnits_m,
  deadLeg,
  firstHour_m3,
  fixtureUnits,
  flowForRise_m3_s,
  hunterFlow_m3_s,
  loadingUnits,
  longestWait_s,
  loopFlow,
  mixedDraw_m3,
  mixingRatio,
  peakFlow_m3_s,
  pipeLoss_W_m,
  recoveryUs_m3_s,
  reheatTime_s,
  scaldTime_s,
  storeForPeak,
  sumOfUnits,
  toSi,
  freezingTemp_K,
  requiredSteam_kg_s,
  reliefHolds,
  secondValveGauge_Pa,
  napierArea_m2,
  napierSi,
  napierSteam_kg_s,
  relievingAbs_Pa,
  steamOfPower,
  functionOfExponent,
  iso4126Steam,
  membraneInlet_m,
  potableInlet_m,
  temperaturePressureHolds,
  leastD1_m,
  d2Row,
  d2For,
  tabledFlow_m3_s,
  tabledHeat_W,
  renouardLow_Pa,
  renouardMediumAbs_Pa,
  poleFlow_m3_s,
  spitzglassFlow_m3_s,
  carriedFlow_m3_s,
  hazenWilliams_m,
  hazenWilliamsUs_Pa,
  solveWaterTree,
  sourceNode,
  clockedInput,
  meterCorrection,
  wobbe_J_m3,
  testGases,
  workingPressureUk,
  lockUp,
  scaledInput_W,
  billedEnergy_J,
  circleArea_m2,
  fromSi,
  btu_J,
} from '@hestian/core'

import type {
  FluidKind,
  HydrostaticRule,
  PermittedFallMeter,
  PipeWall,
  UnitName,
  ValveOutlet,
  WaterPipe,
} from '@hestian/core'

export type Inputs = Readonly<Record<string, unknown>>
export type Got = Readonly<Record<string, number | string | boolean | undefined>>
/** Maps a case's names and units to core and back. It computes nothing. */
export type Kind = (inputs: Inputs) => Got

const num = (inputs: Inputs, key: string): number => {
  const value = inputs[key]
  if (typeof value !== 'number') throw new Error(`input ${key} is missing`)
  return value
}
const opt = (inputs: Inputs, key: string): number | undefined =>
  typeof inputs[key] === 'number' ? inputs[key] : undefined
const kelvin = (inputs: Inputs, key = 'temperature_degC'): number =>
  num(inputs, key) + zeroCelsius_K
const atm = (inputs: Inputs): number => opt(inputs, 'atmospheric_pressure_Pa') ?? 101325
const tempOf = (inputs: Inputs): number => opt(inputs, 'temperature_K') ?? kelvin(inputs)
const waterAt = (inputs: Inputs) =>
  liquidWater({ temp_K: tempOf(inputs), pressureAbs_Pa: num(inputs, 'pressure_abs_Pa') })
const absOf = (inputs: Inputs, name: string): number =>
  opt(inputs, `${name}_abs_Pa`) ?? num(inputs, `${name}_gauge_Pa`) + atm(inputs)

const wallOf = (inputs: Inputs): PipeWall => ({
  bore_m: num(inputs, 'inside_diameter_m'),
  wall_m: num(inputs, 'wall_thickness_m'),
  modulus_Pa: num(inputs, 'elastic_modulus_Pa'),
})

const handbook = (inputs: Inputs) =>
  netExpansion_m3({
    system_m3: num(inputs, 'system_volume_m3'),
    fillTemp_K: kelvin(inputs, 'fill_temperature_degC'),
    maxTemp_K: kelvin(inputs, 'max_temperature_degC'),
    pipeExpansion_1_K: num(inputs, 'pipe_linear_expansion_per_K'),
    coldVolume_m3_kg: opt(inputs, 'specific_volume_cold_m3_per_kg'),
    hotVolume_m3_kg: opt(inputs, 'specific_volume_hot_m3_per_kg'),
  })
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

const waterFigures = (inputs: Inputs) => ({
  density_kg_m3: num(inputs, 'density_kg_per_m3'),
  specificHeat_J_kgK: num(inputs, 'specific_heat_J_per_kgK'),
})
const coolingPipe = (pipe: Inputs) => ({
  length_m: num(pipe, 'length_m'),
  coefficient_W_mK: num(pipe, 'loss_coefficient_W_per_mK'),
  airTemp_K: kelvin(pipe, 'air_temperature_degC'),
})
const gasIn = (i: Inputs) => ({
  exponent: num(i, 'isentropic_exponent'),
  molarMass_kg_mol: num(i, 'molar_mass_kg_per_mol'),
})
const lossOf = (pipe: Inputs, air: Inputs) =>
  pipeLoss_W_m(
    {
      outsideDiameter_m: num(pipe, 'outside_diameter_m'),
      insulation_m: opt(pipe, 'insulation_thickness_m') ?? 0,
      conductivity_W_mK: opt(pipe, 'insulation_conductivity_W_per_mK') ?? 0.035,
      surfaceCoefficient_W_m2K:
        opt(pipe, 'surface_coefficient_W_per_m2K') ?? num(air, 'surface_coefficient_W_per_m2K'),
    },
    {
      waterTemp_K: kelvin(air, 'water_temperature_degC'),
      airTemp_K: kelvin(air, 'air_temperature_degC'),
    },
  )
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

const relieving = (inputs: Inputs) => ({
  setGauge_Pa: num(inputs, 'set_pressure_gauge_Pa'),
  overpressure: num(inputs, 'overpressure_fraction'),
  atmosphere_Pa: atm(inputs),
})
const outlet = (inputs: Inputs) => String(inputs.valve_outlet) as ValveOutlet

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
const otherRun = (inputs: Inputs) => ({
  bore_m: num(inputs, 'inside_diameter_m'),
  length_m: num(inputs, 'length_m'),
})
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

/** A case names units in words. */
const unitWords: Readonly<Record<string, readonly [UnitName, string]>> = {
  psi: ['psi', ''],
  mbar: ['mbar', ''],
  'ounce-force per square inch': ['ozIn2', ''],
  'inch of water column (conventional, 249.089 Pa)': ['inwc', ''],
  'thousand Btu/h (International Table)': ['kBtuH', 'power_W'],
  'US gallon per minute': ['gpm', 'flow_m3_per_s'],
  'cubic foot per hour': ['cfh', 'flow_m3_per_s'],
}
function conversion(inputs: Inputs): Got {
  const value = num(inputs, 'value')
  if (inputs.unit === 'psi gauge to absolute at 14.696 psi')
    return { pressure_abs_Pa: toSi(value, 'psi') + 101325 }
  if (inputs.unit === 'therm (100 000 Btu IT)') return { energy_J: value * 1e5 * btu_J }
  const [unit, key] = unitWords[String(inputs.unit)] ?? []
  if (!unit) throw new Error(`the unit ${String(inputs.unit)} is not known here`)
  const si = toSi(value, unit)
  return key
    ? { [key]: si }
    : {
        pressure_Pa: si,
        pressure_mbar: fromSi(si, 'mbar'),
        pressure_inwc: fromSi(si, 'inwc'),
        pressure_psi: fromSi(si, 'psi'),
      }
}

const trapped = (inputs: Inputs) => ({
  volume_m3: num(inputs, 'volume_m3'),
  atmosphere_Pa: atm(inputs),
})

export const kinds: Readonly<Record<string, Kind>> = {
  'water.if97-region1': (i) => {
    const w = waterAt(i)
    return {
      enthalpy_J_per_kg: w.enthalpy_J_kg,
      specific_heat_J_per_kgK: w.specificHeat_J_kgK,
      specific_volume_m3_per_kg: w.specificVolume_m3_kg,
      speed_of_sound_m_per_s: w.soundSpeed_m_s,
    }
  },
  'water.saturation-pressure': (i) => ({ saturation_pressure_abs_Pa: saturationAbs_Pa(tempOf(i)) }),
  'water.saturation-temperature': (i) => ({
    saturation_temperature_K: saturationTemp_K(num(i, 'pressure_abs_Pa')),
  }),
  'water.viscosity-iapws': (i) => ({
    dynamic_viscosity_Pa_s: viscosity_Pas({
      temp_K: num(i, 'temperature_K'),
      density_kg_m3: num(i, 'density_kg_per_m3'),
    }),
  }),
  'water.density': (i) => ({ density_kg_per_m3: waterAt(i).density_kg_m3 }),
  'water.specific-volume-saturated': (i) => ({
    specific_volume_m3_per_kg: saturatedLiquid(tempOf(i)).specificVolume_m3_kg,
  }),
  'water.latent-heat': (i) => ({ latent_heat_J_per_kg: latentHeat_J_kg(tempOf(i)) }),
  'water.specific-heat': (i) => ({ specific_heat_J_per_kgK: waterAt(i).specificHeat_J_kgK }),
  'water.viscosity': (i) => ({
    dynamic_viscosity_Pa_s: viscosity_Pas({
      temp_K: tempOf(i),
      density_kg_m3: waterAt(i).density_kg_m3,
    }),
  }),
  'water.compressibility': (i) => ({
    isothermal_compressibility_per_Pa: waterAt(i).compressibility_1_Pa,
  }),
  'water.thermal-expansion': (i) => ({ volumetric_expansion_per_K: waterAt(i).expansion_1_K }),
  'water.expansion-fraction': (i) => ({
    expansion_fraction: expansionFraction({
      fillTemp_K: kelvin(i, 'fill_temperature_degC'),
      maxTemp_K: kelvin(i, 'max_temperature_degC'),
    }),
  }),

  'expansion.en12828-coefficient': (i) => ({
    expansion_fraction: en12828Coefficient(kelvin(i, 'max_temperature_degC')),
  }),
  'expansion.en12828-water-reserve': (i) => ({
    water_reserve_m3: waterReserve_m3(num(i, 'system_volume_m3')),
  }),
  'expansion.en12828-final-pressure': (i) => ({
    final_pressure_gauge_Pa: finalGauge_Pa(num(i, 'safety_valve_set_gauge_Pa')),
  }),
  'expansion.en12828-initial-pressure': (i) => ({
    initial_pressure_gauge_Pa: initialGauge_Pa({
      height_m: num(i, 'static_height_m'),
      margin_Pa: num(i, 'margin_Pa'),
      vapourGauge_Pa: opt(i, 'vapour_pressure_gauge_Pa'),
    }),
  }),
  'expansion.en12828-size': (i) => {
    const system_m3 = num(i, 'system_volume_m3')
    const fraction =
      opt(i, 'expansion_fraction') ?? en12828Coefficient(kelvin(i, 'max_temperature_degC'))
    const final = finalGauge_Pa(num(i, 'safety_valve_set_gauge_Pa'))
    const initial = initialGauge_Pa({
      height_m: num(i, 'static_height_m'),
      margin_Pa: num(i, 'margin_Pa'),
      vapourGauge_Pa: opt(i, 'vapour_pressure_gauge_Pa'),
    })
    return {
      expansion_volume_m3: fraction * system_m3,
      final_pressure_gauge_Pa: final,
      initial_pressure_gauge_Pa: initial,
      water_reserve_m3: waterReserve_m3(system_m3),
      vessel_volume_min_m3: en12828Size({
        system_m3,
        expansionFraction: fraction,
        initialGauge_Pa: initial,
        finalGauge_Pa: final,
        atmosphere_Pa: atm(i),
      }),
    }
  },
  'expansion.en12828-fill-pressure': (i) => {
    const window = fillWindow({
      system_m3: num(i, 'system_volume_m3'),
      expansionFraction:
        opt(i, 'expansion_fraction') ?? en12828Coefficient(kelvin(i, 'max_temperature_degC')),
      initialGauge_Pa: num(i, 'initial_pressure_gauge_Pa'),
      finalGauge_Pa: num(i, 'final_pressure_gauge_Pa'),
      atmosphere_Pa: atm(i),
      vessel_m3: num(i, 'vessel_volume_m3'),
    })
    return {
      fill_pressure_min_gauge_Pa: window.leastGauge_Pa,
      fill_pressure_max_gauge_Pa: window.greatestGauge_Pa,
    }
  },
  'expansion.handbook-diaphragm': (i) => {
    const net = handbook(i)
    const pressures = { minAbs_Pa: absOf(i, 'min_pressure'), maxAbs_Pa: absOf(i, 'max_pressure') }
    return {
      net_expansion_m3: net,
      acceptance_factor: acceptanceFactor(pressures),
      tank_volume_m3: diaphragmTank_m3(net, pressures),
    }
  },
  'expansion.handbook-closed-air-tank': (i) => ({
    tank_volume_m3: closedAirTank_m3(handbook(i), {
      minAbs_Pa: absOf(i, 'min_pressure'),
      maxAbs_Pa: absOf(i, 'max_pressure'),
      atmosphere_Pa: atm(i),
    }),
  }),
  'expansion.acceptance-factor': (i) => ({
    acceptance_factor: acceptanceFactor({
      minAbs_Pa: absOf(i, 'min_pressure'),
      maxAbs_Pa: absOf(i, 'max_pressure'),
    }),
  }),
  'expansion.bs-sealed-table': (i) => ({
    vessel_volume_m3: sealedTableVessel_m3({
      system_m3: num(i, 'system_volume_m3'),
      chargeGauge_Pa: num(i, 'vessel_charge_gauge_Pa'),
      initialGauge_Pa: num(i, 'initial_pressure_gauge_Pa'),
      reliefSetGauge_Pa: num(i, 'safety_valve_set_gauge_Pa'),
    }),
  }),
  'expansion.potable': (i) => {
    const { expansion_m3, vessel_m3 } = potableVessel({
      store_m3: num(i, 'storage_volume_m3'),
      coldTemp_K: kelvin(i, 'cold_temperature_degC'),
      hotTemp_K: kelvin(i, 'hot_temperature_degC'),
      chargeGauge_Pa: num(i, 'charge_pressure_gauge_Pa'),
      maxGauge_Pa: num(i, 'max_pressure_gauge_Pa'),
      atmosphere_Pa: atm(i),
    })
    return { expansion_volume_m3: expansion_m3, vessel_volume_m3: vessel_m3 }
  },
  'expansion.existing-vessel': (i) => {
    const vessels = [
      { volume_m3: num(i, 'vessel_volume_m3'), chargeGauge_Pa: num(i, 'vessel_charge_gauge_Pa') },
    ]
    const fillGauge_Pa = num(i, 'fill_pressure_gauge_Pa')
    const expansion_m3 =
      num(i, 'system_volume_m3') *
      expansionFraction({
        fillTemp_K: kelvin(i, 'fill_temperature_degC'),
        maxTemp_K: kelvin(i, 'max_temperature_degC'),
      })
    const forecast = forecastHotPressure({
      vessels,
      fillGauge_Pa,
      expansion_m3,
      atmosphere_Pa: atm(i),
    })
    const limit = num(i, 'safety_valve_set_gauge_Pa') - num(i, 'margin_below_valve_Pa')
    return {
      water_in_vessel_cold_m3: waterHeld_m3(vessels, fillGauge_Pa, atm(i)),
      final_pressure_gauge_Pa: forecast.outcome === 'settles' ? forecast.hotGauge_Pa : undefined,
      adequate: forecast.outcome === 'settles' && atMost(forecast.hotGauge_Pa, limit),
    }
  },

  'fill.head-to-pressure': (i) => ({ pressure_Pa: pressureOfHead_Pa(num(i, 'height_m')) }),
  'fill.pressure-to-head': (i) => ({ height_m: headOfPressure_m(num(i, 'pressure_Pa')) }),
  'fill.fill-pressure': (i) => ({
    fill_pressure_gauge_Pa: fillOfHeight_Pa({
      height_m: num(i, 'height_m'),
      margin_Pa: num(i, 'margin_Pa'),
      density_kg_m3: opt(i, 'density_kg_per_m3'),
      fillTemp_K:
        opt(i, 'fill_temperature_degC') === undefined
          ? undefined
          : kelvin(i, 'fill_temperature_degC'),
    }),
  }),
  'fill.top-pressure': (i) => {
    const top = topGauge_Pa({
      readingGauge_Pa: num(i, 'gauge_reading_Pa'),
      height_m: num(i, 'height_m'),
      density_kg_m3: num(i, 'density_kg_per_m3'),
    })
    return { top_pressure_gauge_Pa: top, margin_kept: atMost(num(i, 'margin_Pa'), top) }
  },

  'glycol.freezing-point': (i) => {
    const temp_K = freezingTemp_K({
      kind: String(i.glycol) as FluidKind,
      massFraction: num(i, 'mass_fraction'),
    })
    return { freezing_point_degC: temp_K === undefined ? undefined : temp_K - zeroCelsius_K }
  },

  'relief.asme4-required-steam': (i) => ({
    required_steam_kg_per_s: requiredSteam_kg_s(num(i, 'boiler_output_W')),
  }),
  'relief.capacity-check': (i) => {
    const holds = reliefHolds({
      protects_W: num(i, 'boiler_output_W'),
      capacity_W: num(i, 'valve_capacity_W'),
      setGauge_Pa: num(i, 'valve_set_gauge_Pa'),
      maxWorkingGauge_Pa: num(i, 'max_working_pressure_gauge_Pa'),
    })
    return {
      capacity_ok: holds.capacity,
      setting_ok: holds.setting,
      acceptable: holds.capacity && holds.setting,
    }
  },
  'relief.asme4-second-valve': (i) => ({
    second_valve_set_max_gauge_Pa: secondValveGauge_Pa(num(i, 'max_working_pressure_gauge_Pa')),
  }),
  'relief.napier-capacity': (i) => ({
    relieving_pressure_abs_Pa: relievingAbs_Pa(relieving(i)),
    steam_flow_kg_per_s: napierSteam_kg_s({
      ...relieving(i),
      area_m2: num(i, 'flow_area_m2'),
      coefficient: num(i, 'coefficient'),
    }),
  }),
  'relief.napier-coefficient-si': (i) => ({
    coefficient_kg_per_s_m2_Pa: napierSi(num(i, 'coefficient_lb_per_h_in2_psi')),
  }),
  'relief.napier-required-area': (i) => {
    const steam_kg_s = requiredSteam_kg_s(num(i, 'boiler_output_W'))
    return {
      required_steam_kg_per_s: steam_kg_s,
      flow_area_m2: napierArea_m2({
        ...relieving(i),
        steam_kg_s,
        coefficient: num(i, 'coefficient'),
      }),
    }
  },
  'relief.steam-from-power': (i) => {
    const made = steamOfPower(num(i, 'power_W'), relieving(i))
    return {
      saturation_temperature_degC: made.boilingTemp_K - zeroCelsius_K,
      latent_heat_J_per_kg: made.latent_J_kg,
      steam_flow_kg_per_s: made.steam_kg_s,
    }
  },
  'relief.iso4126-function-of-k': (i) => ({
    factor_C: functionOfExponent(num(i, 'isentropic_exponent')),
  }),
  'relief.iso4126-steam': (i) => {
    const through = iso4126Steam({
      ...relieving(i),
      bore_m: num(i, 'bore_m'),
      coefficient: num(i, 'derated_coefficient'),
      exponent: opt(i, 'isentropic_exponent'),
    })
    return { steam_flow_kg_per_s: through.steam_kg_s, relievable_power_W: through.power_W }
  },
  'relief.membrane-valve-table': (i) => ({
    inlet_nominal_diameter_m: membraneInlet_m(
      num(i, 'boiler_output_W'),
      num(i, 'set_pressure_gauge_Pa'),
    ),
  }),
  'relief.potable-valve-table': (i) => ({
    inlet_nominal_diameter_m: potableInlet_m({
      store_m3: num(i, 'storage_volume_m3'),
      heater_W: num(i, 'heater_power_W'),
    }),
  }),
  'relief.tp-valve': (i) => {
    const [temp_F, psi] = [opt(i, 'temperature_degF'), opt(i, 'pressure_psi')]
    if (temp_F !== undefined && psi !== undefined)
      return {
        temperature_degC: toSi(temp_F, 'F') - zeroCelsius_K,
        pressure_gauge_Pa: toSi(psi, 'psi'),
      }
    const holds = temperaturePressureHolds({
      input_W: num(i, 'heater_input_W'),
      capacity_W: num(i, 'valve_capacity_W'),
      setGauge_Pa: num(i, 'valve_set_gauge_Pa'),
      maxWorkingGauge_Pa: num(i, 'max_working_pressure_gauge_Pa'),
      openTemp_K: kelvin(i, 'valve_temperature_degC'),
    })
    return {
      capacity_ok: holds.capacity,
      pressure_ok: holds.pressure,
      temperature_ok: holds.temperature,
      acceptable: holds.capacity && holds.pressure && holds.temperature,
    }
  },
  'relief.discharge-pipe-row': (i) => {
    const row = d2Row(outlet(i), num(i, 'd2_outside_diameter_m'))
    return {
      d1_outside_diameter_min_m: leastD1_m(outlet(i)),
      d2_length_max_m: row?.straight_m,
      bend_equivalent_length_m: row?.bend_m,
    }
  },
  'relief.discharge-pipe-size': (i) => {
    const size = d2For({
      outlet: outlet(i),
      straight_m: num(i, 'd2_straight_length_m'),
      bends: num(i, 'elbow_count'),
    })
    return {
      d2_outside_diameter_m: size?.outsideDiameter_m,
      permitted_straight_length_m: size?.permitted_m,
      within_table: size !== undefined,
    }
  },

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

  'water-pipe.hazen-williams': (i) => ({ head_loss_m: hazenWilliams_m(hwRun(i)) }),
  'water-pipe.hazen-williams-us': (i) => ({ pressure_drop_Pa: hazenWilliamsUs_Pa(hwRun(i)) }),
  'water-pipe.network': waterNetwork,

  'gas-rate.clock-metric': (i) => {
    const heat = {
      gross: num(i, 'calorific_value_gross_J_per_m3'),
      net: opt(i, 'calorific_value_net_J_per_m3'),
    }
    const corrected =
      opt(i, 'gas_pressure_gauge_Pa') !== undefined && opt(i, 'gas_temperature_degC') !== undefined
    const correction = corrected
      ? meterCorrection({
          gasGauge_Pa: num(i, 'gas_pressure_gauge_Pa'),
          atmosphere_Pa: atm(i),
          gasTemp_K: kelvin(i, 'gas_temperature_degC'),
          referenceAbs_Pa: opt(i, 'reference_pressure_abs_Pa') ?? 101325,
          referenceTemp_K: (opt(i, 'reference_temperature_degC') ?? 15) + zeroCelsius_K,
        })
      : 1
    const { gross_W } = clockedInput({
      volume_m3: num(i, 'volume_m3'),
      time_s: num(i, 'duration_s'),
      grossHeat_J_m3: heat.gross,
      correction,
    })
    return {
      correction_factor: corrected ? correction : undefined,
      heat_input_gross_W: gross_W,
      heat_input_net_W: heat.net === undefined ? undefined : gross_W * (heat.net / heat.gross),
    }
  },
  'gas-rate.clock-imperial': (i) => {
    const { flow_m3_s, gross_W } = clockedInput({
      volume_m3: num(i, 'volume_m3'),
      time_s: num(i, 'duration_s'),
      grossHeat_J_m3: num(i, 'calorific_value_gross_J_per_m3'),
    })
    return { flow_m3_per_s: flow_m3_s, heat_input_gross_W: gross_W }
  },
  'gas-rate.wobbe': (i) => ({
    wobbe_net_J_per_m3: wobbe_J_m3(
      num(i, 'calorific_value_net_J_per_m3'),
      num(i, 'relative_density'),
    ),
    wobbe_gross_J_per_m3: wobbe_J_m3(
      num(i, 'calorific_value_gross_J_per_m3'),
      num(i, 'relative_density'),
    ),
  }),
  'gas-rate.net-gross': (i) => {
    const ratio = num(i, 'calorific_value_gross_J_per_m3') / num(i, 'calorific_value_net_J_per_m3')
    const [net, gross] = [opt(i, 'heat_input_net_W'), opt(i, 'heat_input_gross_W')]
    return {
      ratio_gross_net: ratio,
      heat_input_gross_W: net === undefined ? gross : net * ratio,
      heat_input_net_W: gross === undefined ? net : gross / ratio,
    }
  },
  'gas-rate.billing-energy': (i) => ({
    energy_J: billedEnergy_J(
      num(i, 'volume_m3'),
      num(i, 'correction_factor'),
      num(i, 'calorific_value_gross_J_per_m3'),
    ),
  }),
  'gas-rate.test-pressures': (i) => {
    const gas = testGases[String(i.test_gas)]
    return { nominal_Pa: gas?.nominal_Pa, minimum_Pa: gas?.least_Pa, maximum_Pa: gas?.most_Pa }
  },
  'gas-rate.working-pressure-uk': (i) => {
    const held = workingPressureUk({
      meterGauge_Pa: num(i, 'meter_working_gauge_Pa'),
      applianceGauge_Pa: num(i, 'appliance_working_gauge_Pa'),
    })
    return {
      meter_ok: held.meter,
      drop_Pa: held.drop_Pa,
      drop_ok: held.drop,
      acceptable: held.meter && held.drop,
    }
  },
  'gas-rate.lockup': (i) => {
    const rise = lockUp({
      staticGauge_Pa: num(i, 'static_gauge_Pa'),
      runningGauge_Pa: num(i, 'running_gauge_Pa'),
    })
    return { rise_Pa: rise.rise_Pa, rise_fraction: rise.riseRatio }
  },
  'gas-rate.injector-scaling': (i) => ({
    heat_input_gross_new_W: scaledInput_W({
      input_W: num(i, 'heat_input_gross_W'),
      fromWobbe_J_m3: num(i, 'wobbe_gross_initial_J_per_m3'),
      toWobbe_J_m3: num(i, 'wobbe_gross_new_J_per_m3'),
      fromGauge_Pa: num(i, 'pressure_gauge_initial_Pa'),
      toGauge_Pa: num(i, 'pressure_gauge_new_Pa'),
    }),
  }),
  'gas-rate.conversion': conversion,

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

  'test.gas-leak-rate': (i) => ({
    leak_flow_m3_per_s: leakRate_m3_s({
      ...trapped(i),
      fall_Pa: num(i, 'pressure_drop_Pa'),
      duration_s: num(i, 'duration_s'),
    }),
  }),
  'test.gas-smallest-leak': (i) => ({
    smallest_leak_m3_per_s: leakRate_m3_s({
      ...trapped(i),
      fall_Pa: num(i, 'gauge_resolution_Pa'),
      duration_s: num(i, 'duration_s'),
    }),
  }),
  'test.gas-test-duration': (i) => ({
    duration_s: timeToSee_s({
      ...trapped(i),
      step_Pa: num(i, 'gauge_resolution_Pa'),
      leak_m3_s: num(i, 'leak_flow_m3_per_s'),
    }),
  }),
  'test.gas-temperature': (i) => {
    const change = thermalChange_Pa({
      startGauge_Pa: num(i, 'pressure_gauge_Pa'),
      startTemp_K: kelvin(i, 'initial_temperature_degC'),
      endTemp_K: kelvin(i, 'final_temperature_degC'),
      atmosphere_Pa: atm(i),
    })
    return {
      pressure_change_Pa: change,
      final_pressure_gauge_Pa: num(i, 'pressure_gauge_Pa') + change,
    }
  },
  'test.gas-corrected-leak': (i) => {
    const leak = correctedLeak({
      volume_m3: num(i, 'volume_m3'),
      duration_s: num(i, 'duration_s'),
      referenceTemp_K: kelvin(i, 'reference_temperature_degC'),
      start: {
        gauge_Pa: num(i, 'initial_pressure_gauge_Pa'),
        temp_K: kelvin(i, 'initial_temperature_degC'),
        atmosphere_Pa: num(i, 'initial_atmospheric_pressure_Pa'),
      },
      end: {
        gauge_Pa: num(i, 'final_pressure_gauge_Pa'),
        temp_K: kelvin(i, 'final_temperature_degC'),
        atmosphere_Pa: num(i, 'final_atmospheric_pressure_Pa'),
      },
    })
    return {
      tight_final_pressure_gauge_Pa: leak.tightGauge_Pa,
      drop_due_to_leak_Pa: leak.fall_Pa,
      leak_flow_reference_m3_per_s: leak.leak_m3_s,
    }
  },
  'test.nfpa54-test-pressure': (i) => ({
    test_pressure_min_gauge_Pa: naTestPressure_Pa(num(i, 'max_working_pressure_gauge_Pa')),
  }),
  'test.nfpa54-duration': (i) => ({
    duration_min_s: naTestDuration_s({
      volume_m3: num(i, 'pipe_volume_m3'),
      dwelling: i.single_family_dwelling === true,
    }),
  }),
  'test.up1-leak-rate-factor': (i) => ({
    factor_m3_per_h_per_mbar_m3_per_min: leakRateFactor(num(i, 'atmospheric_pressure_Pa')),
  }),
  'test.up1-duration-factor': (i) => ({
    factor_min_per_mbar_m3: durationFactor({
      atmosphere_Pa: num(i, 'atmospheric_pressure_Pa'),
      permittedLeak_m3_s: num(i, 'permitted_leak_m3_per_s'),
    }),
  }),
  'test.up1b-permitted-drop': (i) => ({
    pressure_drop_permitted_Pa: permittedFall_Pa(
      i.meter as PermittedFallMeter,
      num(i, 'pipe_outside_diameter_max_m'),
    ),
  }),
  'test.liquid-temperature-rigid': (i) => ({
    pressure_change_per_K_Pa_per_K: rigidRise_Pa_K(kelvin(i, 'temperature_degC')),
  }),
  'test.liquid-temperature-elastic': (i) => ({
    pressure_change_per_K_Pa_per_K: elasticRise_Pa_K({
      temp_K: kelvin(i, 'temperature_degC'),
      wall: wallOf(i),
      growth_1_K: num(i, 'linear_expansion_per_K'),
      ends: i.end_condition as 'hoop-only' | 'closed-free',
      poisson: num(i, 'poisson_ratio'),
    }),
  }),
  'test.liquid-leak': (i) => {
    const lost_m3 = liquidLost_m3({
      volume_m3: num(i, 'volume_m3'),
      wall: wallOf(i),
      fall_Pa: num(i, 'pressure_drop_Pa'),
      temp_K: kelvin(i, 'temperature_degC'),
    })
    return { volume_lost_m3: lost_m3, leak_flow_m3_per_s: lost_m3 / num(i, 'duration_s') }
  },
  'test.hydrostatic-pump-in': (i) => {
    const { withoutAir_m3, forAir_m3 } = pumpIn({
      volume_m3: num(i, 'volume_m3'),
      wall: wallOf(i),
      temp_K: kelvin(i, 'temperature_degC'),
      fromGauge_Pa: num(i, 'initial_pressure_gauge_Pa'),
      toGauge_Pa: num(i, 'final_pressure_gauge_Pa'),
      atmosphere_Pa: num(i, 'atmospheric_pressure_Pa'),
      airShare: num(i, 'air_volume_fraction_initial'),
    })
    return { water_volume_no_air_m3: withoutAir_m3, extra_volume_due_to_air_m3: forAir_m3 }
  },
  'test.hydrostatic-pressure': (i) => ({
    test_pressure_min_gauge_Pa: hydrostaticGauge_Pa(
      num(i, 'design_pressure_gauge_Pa'),
      i.rule as HydrostaticRule,
    ),
  }),
  'test.leak-regression': (i) => {
    const rows = i.samples as readonly Inputs[]
    const leak = leakRegression({
      readings: rows.map((row) => ({
        at_s: num(row, 'time_s'),
        gauge_Pa: num(row, 'pressure_gauge_Pa'),
        temp_K: kelvin(row, 'temperature_degC'),
        atmosphere_Pa: opt(row, 'atmospheric_pressure_Pa') ?? num(i, 'atmospheric_pressure_Pa'),
      })),
      volume_m3: num(i, 'volume_m3'),
      referenceTemp_K: kelvin(i, 'reference_temperature_degC'),
      confidence: num(i, 'confidence'),
    })
    return {
      slope_uncorrected_Pa_per_s: leak.slopeUncorrected_Pa_s,
      slope_corrected_Pa_per_s: leak.slopeCorrected_Pa_s,
      slope_standard_error_Pa_per_s: leak.slopeError_Pa_s,
      student_t: leak.studentT,
      leak_flow_reference_m3_per_s: leak.leak_m3_s,
      leak_low_m3_per_s: leak.low_m3_s,
      leak_high_m3_per_s: leak.high_m3_s,
      leak_shown: leak.isShown,
    }
  },
  'test.pipe-volume': (i) => ({
    volume_m3: pipeVolume_m3(num(i, 'inside_diameter_m'), num(i, 'length_m')),
  }),

  'gas-rate.altitude-derate': (i) => {
    const factor = altitudeFactor(num(i, 'altitude_m'))
    return { derate_factor: factor, input_derated_W: factor * num(i, 'input_W') }
  },
  'gas-rate.standard-atmosphere': (i) => ({
    atmospheric_pressure_Pa: atmosphereAt_Pa(num(i, 'altitude_m')),
  }),
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

  'hot-water.reheat': (i) => ({
    time_s: reheatTime_s({
      volume_m3: num(i, 'volume_m3'),
      coldTemp_K: kelvin(i, 'cold_temperature_degC'),
      hotTemp_K: kelvin(i, 'hot_temperature_degC'),
      power_W: num(i, 'power_W'),
      efficiencyRatio: num(i, 'efficiency'),
      standingLoss_W: num(i, 'standing_loss_W'),
      ...waterFigures(i),
    }),
  }),
  'hot-water.instantaneous': (i) => ({
    flow_m3_per_s: flowForRise_m3_s({
      power_W: num(i, 'power_W'),
      rise_K: num(i, 'temperature_rise_K'),
      efficiencyRatio: opt(i, 'efficiency') ?? 1,
      ...(opt(i, 'density_kg_per_m3') === undefined ? { rule: 'us' as const } : waterFigures(i)),
    }),
  }),
  'combustion.co-ratio': (i) => {
    const ratio = coRatio(num(i, 'co_volume_fraction'), num(i, 'co2_volume_fraction'))
    const limit = opt(i, 'ratio_limit')
    return { ratio, below_limit: limit === undefined ? undefined : ratio < limit }
  },
  'combustion.siegert': (i) => {
    const o2 = opt(i, 'o2_volume_fraction')
    return {
      flue_loss_fraction_net: flueLossNet(
        {
          flueTemp_K: kelvin(i, 'flue_temperature_degC'),
          airTemp_K: kelvin(i, 'air_temperature_degC'),
        },
        o2 === undefined ? { co2: num(i, 'co2_volume_fraction') } : { o2 },
        { a1: opt(i, 'a1') ?? 0, a2: opt(i, 'a2') ?? 0, b: num(i, 'b') },
      ),
    }
  },
  'combustion.co2-max': (i) => {
    const { co2, air_m3_m3 } = co2Most(
      { carbon: num(i, 'carbon_atoms'), hydrogen: num(i, 'hydrogen_atoms') },
      num(i, 'air_oxygen_fraction'),
    )
    return { co2_max_volume_fraction: co2, air_stoichiometric_m3_per_m3: air_m3_m3 }
  },
  'combustion.co2-from-o2': (i) => ({
    co2_volume_fraction: co2FromO2(
      num(i, 'o2_volume_fraction'),
      num(i, 'co2_max_volume_fraction'),
      num(i, 'air_oxygen_fraction'),
    ),
  }),
  'combustion.excess-air': (i) => ({
    air_ratio: airRatio(num(i, 'o2_volume_fraction'), num(i, 'air_oxygen_fraction')),
  }),
  'combustion.co-air-free': (i) => {
    const free = coAirFree(
      num(i, 'co_volume_fraction'),
      num(i, 'o2_volume_fraction'),
      num(i, 'air_oxygen_fraction'),
    )
    const limit = opt(i, 'limit_volume_fraction')
    return {
      co_air_free_volume_fraction: free,
      within_limit: limit === undefined ? undefined : atMost(free, limit),
    }
  },
  'combustion.co-mg-per-kWh': (i) => ({
    co_kg_per_J: coPerHeat_kg_J(
      coAirFree(
        num(i, 'co_volume_fraction'),
        opt(i, 'o2_volume_fraction') ?? 0,
        num(i, 'air_oxygen_fraction'),
      ),
      num(i, 'air_oxygen_fraction'),
      {
        molarMassCo_kg_mol: num(i, 'molar_mass_co_kg_per_mol'),
        molarVolume_m3_mol: num(i, 'molar_volume_m3_per_mol'),
        netHeat_J_m3: num(i, 'calorific_value_net_J_per_m3'),
      },
    ),
  }),
  'combustion.dew-point': (i) => {
    const { vapour, temp_K } = dewPoint(
      num(i, 'air_ratio'),
      num(i, 'air_oxygen_fraction'),
      num(i, 'pressure_abs_Pa'),
    )
    return { water_vapour_fraction: vapour, dew_point_degC: temp_K - zeroCelsius_K }
  },
  'combustion.condensate': (i) => {
    const water = opt(i, 'water_mol_per_mol_fuel')
    const each = opt(i, 'condensate_m3_per_J')
    if (each !== undefined) return { condensate_m3_per_s: num(i, 'heat_input_W') * each }
    if (water !== undefined)
      return {
        condensate_kg_per_J: waterPerHeat_kg_J(
          water,
          num(i, 'molar_mass_water_kg_per_mol'),
          opt(i, 'heat_of_combustion_gross_J_per_mol') ??
            num(i, 'heat_of_combustion_net_J_per_mol'),
        ),
      }
    const share = condensedShare(num(i, 'air_ratio'), num(i, 'air_oxygen_fraction'), {
      flueTemp_K: kelvin(i, 'flue_temperature_degC'),
      abs_Pa: num(i, 'pressure_abs_Pa'),
    })
    return { condensed_fraction: share }
  },
  'combustion.efficiency-net-to-gross': (i) => {
    const [net, gross] = [
      num(i, 'calorific_value_net_J_per_m3'),
      num(i, 'calorific_value_gross_J_per_m3'),
    ]
    const given = opt(i, 'efficiency_net')
    if (given !== undefined) return { efficiency_gross: (given * net) / gross }
    const input = num(i, 'output_W') / num(i, 'gas_flow_m3_per_s')
    return { efficiency_net: input / net, efficiency_gross: input / gross }
  },
  'hygiene.pipe-loss': (i) => {
    const pipe = {
      bore_m: num(i, 'inside_diameter_m'),
      outside_m: num(i, 'outside_diameter_m'),
      surface_W_m2K: num(i, 'surface_coefficient_W_per_m2K'),
      wall_W_mK: opt(i, 'wall_conductivity_W_per_mK'),
      film_W_m2K:
        opt(i, 'water_film_coefficient_W_per_m2K') ?? opt(i, 'film_coefficient_W_per_m2K'),
      lagging_m: opt(i, 'insulation_thickness_m') ?? 0,
      lagging_W_mK: opt(i, 'insulation_conductivity_W_per_mK'),
    }
    const air_degC = num(i, 'air_temperature_degC')
    const each = layeredLoss_W_mK(pipe)
    const loss = each * (num(i, 'water_temperature_degC') - air_degC)
    return {
      heat_loss_per_length_W_per_m: loss,
      loss_coefficient_W_per_mK: each,
      surface_temperature_degC:
        air_degC + loss / (Math.PI * (pipe.outside_m + 2 * pipe.lagging_m) * pipe.surface_W_m2K),
    }
  },
  'hygiene.loop-return-temperature': (i) => {
    const start = kelvin(i, 'flow_temperature_degC')
    const flow = num(i, 'mass_flow_kg_per_s')
    const heat = num(i, 'specific_heat_J_per_kgK')
    const segments = i.segments as Inputs[]
    const after = (count: number) =>
      cooledTo_K(start, flow, heat, segments.slice(0, count).map(coolingPipe))
    const end = after(segments.length)
    return {
      return_temperature_degC: end - zeroCelsius_K,
      heat_loss_W: flow * heat * (start - end),
      ...(segments.length > 1
        ? Object.fromEntries(
            segments.map((one, at) => [
              `temperature_${String(one.id)}_degC`,
              after(at + 1) - zeroCelsius_K,
            ]),
          )
        : {}),
    }
  },
  'hygiene.loop-flow': (i) => {
    const start = kelvin(i, 'flow_temperature_degC')
    const drop = num(i, 'temperature_drop_K')
    const heat = num(i, 'specific_heat_J_per_kgK')
    const pipes = (i.segments as Inputs[]).map(coolingPipe)
    const flow = flowForDrop_kg_s(start, drop, heat, pipes)
    return {
      mass_flow_kg_per_s: flow,
      flow_m3_per_s: flow === undefined ? undefined : flow / num(i, 'density_kg_per_m3'),
      mass_flow_simple_kg_per_s: simpleFlowForDrop_kg_s(start, drop, heat, pipes),
    }
  },
  'hygiene.stagnant-volume': (i) => {
    const { volume_m3 } = deadLeg(
      (i.segments as Inputs[]).map((one) => ({
        bore_m: num(one, 'inside_diameter_m'),
        length_m: num(one, 'length_m'),
      })),
      opt(i, 'flow_m3_per_s') ?? 1,
    )
    const limit = opt(i, 'volume_limit_m3')
    const daily = opt(i, 'daily_draw_m3')
    const flow = opt(i, 'flow_m3_per_s') ?? opt(i, 'flush_flow_m3_per_s')
    return {
      volume_m3,
      within_limit: limit === undefined ? undefined : atMost(volume_m3, limit),
      exchanges_per_day: daily === undefined ? undefined : daily / volume_m3,
      flush_time_s:
        flow === undefined ? undefined : ((opt(i, 'exchanges') ?? 1) * volume_m3) / flow,
    }
  },
  'hygiene.tank-decay': (i) => {
    const daily = opt(i, 'standing_loss_J_per_day')
    const loss =
      opt(i, 'loss_coefficient_W_per_K') ??
      (daily === undefined ? NaN : daily / 86400 / num(i, 'standing_loss_temperature_difference_K'))
    const store = {
      volume_m3: num(i, 'volume_m3'),
      density_kg_m3: num(i, 'density_kg_per_m3'),
      specificHeat_J_kgK: num(i, 'specific_heat_J_per_kgK'),
      loss_W_K: loss,
    }
    const temps = {
      startTemp_K: kelvin(i, 'start_temperature_degC'),
      airTemp_K: kelvin(i, 'air_temperature_degC'),
    }
    const after = opt(i, 'time_s')
    return {
      loss_coefficient_W_per_K: loss,
      time_constant_s: coolingConstant_s(store),
      time_s:
        opt(i, 'end_temperature_degC') === undefined
          ? undefined
          : coolingTime_s(store, { ...temps, endTemp_K: kelvin(i, 'end_temperature_degC') }),
      temperature_degC:
        after === undefined ? undefined : cooledStore_K(store, temps, after) - zeroCelsius_K,
    }
  },
  'hygiene.a0': (i) => {
    const z = opt(i, 'z_K') ?? 10
    const a0 = a0_s(
      (i.profile as Inputs[]).map((one) => ({
        temp_K: kelvin(one, 'temperature_degC'),
        duration_s: num(one, 'duration_s'),
      })),
      z,
    )
    return {
      a0_s: a0,
      equivalent_time_s:
        opt(i, 'equivalent_temperature_degC') === undefined
          ? undefined
          : equivalentTime_s(a0, kelvin(i, 'equivalent_temperature_degC'), z),
    }
  },
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
  'hot-water.recovery-us': (i) => ({
    flow_m3_per_s: recoveryUs_m3_s({
      power_W: num(i, 'power_W'),
      rise_K: num(i, 'temperature_rise_K'),
      efficiencyRatio: opt(i, 'efficiency') ?? 1,
    }),
  }),
  'hot-water.mixing': (i) => {
    const ratio = mixingRatio({
      hotTemp_K: kelvin(i, 'hot_temperature_degC'),
      coldTemp_K: kelvin(i, 'cold_temperature_degC'),
      mixedTemp_K: kelvin(i, 'mixed_temperature_degC'),
    })
    const flow = num(i, 'mixed_flow_kg_per_s')
    return {
      hot_fraction: ratio,
      hot_flow_kg_per_s: ratio === undefined ? undefined : ratio * flow,
      cold_flow_kg_per_s: ratio === undefined ? undefined : (1 - ratio) * flow,
    }
  },
  'hot-water.mixed-draw': (i) => ({
    mixed_volume_m3: mixedDraw_m3({
      store_m3: num(i, 'storage_volume_m3'),
      usableRatio: num(i, 'usable_fraction'),
      hotTemp_K: kelvin(i, 'hot_temperature_degC'),
      coldTemp_K: kelvin(i, 'cold_temperature_degC'),
      mixedTemp_K: kelvin(i, 'mixed_temperature_degC'),
    }),
  }),
  'hot-water.first-hour': (i) => ({
    first_hour_volume_m3: firstHour_m3({
      store_m3: num(i, 'storage_volume_m3'),
      usableRatio: num(i, 'usable_fraction'),
      recovery_m3_s: num(i, 'recovery_flow_m3_per_s'),
    }),
  }),
  'hot-water.pipe-heat-loss': (i) => {
    const each = lossOf(i, i)
    return { heat_loss_per_length_W_per_m: each, heat_loss_W: each * num(i, 'length_m') }
  },
  'hot-water.loop-flow': (i) => {
    const segments = i.segments as Inputs[] | undefined
    const loss =
      opt(i, 'loop_loss_W') ??
      (segments ?? []).reduce(
        (sum, segment) => sum + lossOf(segment, i) * num(segment, 'length_m'),
        0,
      )
    const flow = loopFlow({
      loss_W: loss,
      drop_K: num(i, 'temperature_drop_K'),
      density_kg_m3: opt(i, 'density_kg_per_m3'),
      specificHeat_J_kgK: opt(i, 'specific_heat_J_per_kgK'),
    })
    return {
      flow_m3_per_s: flow.flow_m3_s,
      mass_flow_kg_per_s: flow.flow_kg_s,
      heat_loss_W: segments ? loss : undefined,
    }
  },
  'hot-water.scald-time': (i) => ({ time_s: scaldTime_s(kelvin(i)) }),
  'hot-water.dead-leg': (i) => {
    const { volume_m3, wait_s } = deadLeg(
      (i.segments as Inputs[]).map((segment) => ({
        bore_m: num(segment, 'inside_diameter_m'),
        length_m: num(segment, 'length_m'),
      })),
      num(i, 'flow_m3_per_s'),
    )
    return {
      volume_m3,
      time_s: wait_s,
      within_limit: atMost(wait_s, opt(i, 'time_limit_s') ?? longestWait_s),
    }
  },
  'hot-water.storage-for-peak': (i) => {
    const peak = storeForPeak({
      mixed_m3: num(i, 'mixed_volume_m3'),
      duration_s: num(i, 'duration_s'),
      power_W: num(i, 'power_W'),
      usableRatio: num(i, 'usable_fraction'),
      hotTemp_K: kelvin(i, 'hot_temperature_degC'),
      coldTemp_K: kelvin(i, 'cold_temperature_degC'),
      mixedTemp_K: kelvin(i, 'mixed_temperature_degC'),
      ...waterFigures(i),
    })
    return {
      hot_volume_needed_m3: peak?.needed_m3,
      hot_volume_produced_m3: peak?.made_m3,
      storage_volume_m3: peak?.store_m3,
    }
  },
  'hot-water.pipe-content': (i) => ({
    volume_per_length_m3_per_m: pipeVolume_m3(num(i, 'inside_diameter_m'), 1),
  }),
}

import {
  acceptanceFactor, altitudeFactor, atmosphereAt_Pa, closedAirTank_m3, colebrook, correctedLeak, crOfGas, diaphragmTank_m3, effectiveLength_m, en12828Coefficient,
  en12828Size, equivalentLength_m, expansionFraction, fillOfHeight_Pa, fillWindow, finalGauge_Pa, forecastHotPressure, frictionDrop, headOfPressure_m, highCapacity_m3_s, initialGauge_Pa, inOrder, laminarFactor,
  latentHeat_J_kg, leakRate_m3_s, liquidWater, longestLength_m, lowBore_m, lowCapacity_m3_s, lowDrop_Pa, naTestDuration_s, naTestPressure_Pa, netExpansion_m3, nextSize, pipeVolume_m3, potableVessel,
  pressureOfHead_Pa, saturatedLiquid, saturationAbs_Pa, saturationTemp_K, sealedTableVessel_m3, sizeNamed, sumAlong, sumBeyond, swameeJain, tableFlow_m3_s, thermalChange_Pa, timeToSee_s, topGauge_Pa, viscosity_Pas, waterHeld_m3, waterReserve_m3,
  zeroCelsius_K, atMost,
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
const opt = (inputs: Inputs, key: string): number | undefined => (typeof inputs[key] === 'number' ? inputs[key] : undefined)
const kelvin = (inputs: Inputs, key = 'temperature_degC'): number => num(inputs, key) + zeroCelsius_K
const atm = (inputs: Inputs): number => opt(inputs, 'atmospheric_pressure_Pa') ?? 101325
const tempOf = (inputs: Inputs): number => opt(inputs, 'temperature_K') ?? kelvin(inputs)
const waterAt = (inputs: Inputs) => liquidWater({ temp_K: tempOf(inputs), pressureAbs_Pa: num(inputs, 'pressure_abs_Pa') })
const absOf = (inputs: Inputs, name: string): number => opt(inputs, `${name}_abs_Pa`) ?? num(inputs, `${name}_gauge_Pa`) + atm(inputs)

const handbook = (inputs: Inputs) => netExpansion_m3({
  system_m3: num(inputs, 'system_volume_m3'), fillTemp_K: kelvin(inputs, 'fill_temperature_degC'), maxTemp_K: kelvin(inputs, 'max_temperature_degC'), pipeExpansion_1_K: num(inputs, 'pipe_linear_expansion_per_K'),
  coldVolume_m3_kg: opt(inputs, 'specific_volume_cold_m3_per_kg'), hotVolume_m3_kg: opt(inputs, 'specific_volume_hot_m3_per_kg'),
})
const gasRun = (inputs: Inputs) => ({ length_m: num(inputs, 'length_m'), cr: num(inputs, 'cr') })

interface RefSegment { id: string; from: string; to: string; length_m?: number; effective_length_m?: number; inside_diameter_m?: number; elbow_count?: number; branch_tee_count?: number; tee_count?: number }
interface RefAppliance { node: string; input_gross_W: number }

/** A case names nodes; core names a branch by its far end. */
function treeOf(inputs: Inputs) {
  const segments = inputs.segments as RefSegment[]
  const appliances = inputs.appliances as RefAppliance[]
  const heating = opt(inputs, 'heating_value_gross_J_per_m3') ?? num(inputs, 'calorific_value_gross_J_per_m3')
  const ends = new Set(segments.map((segment) => segment.to))
  const branches = segments.map((segment) => ({
    ...segment, name: segment.id, id: segment.to, from: ends.has(segment.from) ? segment.from : 'meter', length_m: segment.effective_length_m ?? segment.length_m ?? 0,
    load_W: appliances.filter((appliance) => appliance.node === segment.to).reduce((sum, appliance) => sum + appliance.input_gross_W, 0),
  }))
  const { ordered } = inOrder(branches)
  const flows = new Map([...sumBeyond(ordered, (branch) => branch.load_W)].map(([id, heat]) => [id, heat / heating]))
  return { branches, ordered, flows, appliances }
}

function treeLongestLength(inputs: Inputs): Got {
  const { branches, flows } = treeOf(inputs)
  const longest = longestLength_m(branches)
  const cr = opt(inputs, 'cr')
  const drop_Pa = num(inputs, 'pressure_drop_allowed_Pa')
  const each = branches.map((branch): [string, string | number | undefined] => {
    const flow = flows.get(branch.id) ?? 0
    if (cr !== undefined) return [`size_${branch.name}`, nextSize('steel-schedule-40', lowBore_m({ flow_m3_s: flow, length_m: longest, drop_Pa, cr }))?.name]
    const size = [0.015, 0.022, 0.028, 0.035].find((outsideDiameter_m) => flow <= (tableFlow_m3_s({ outsideDiameter_m, length_m: longest }) ?? 0))
    return [`outside_diameter_${branch.name}_m`, size]
  })
  return { [cr === undefined ? 'longest_effective_length_m' : 'longest_length_m']: longest, ...Object.fromEntries(each) }
}

function treeSegmentDrop(inputs: Inputs): Got {
  const { branches, ordered, flows, appliances } = treeOf(inputs)
  const elbow = opt(inputs, 'elbow_length_to_diameter') ?? 30
  const tee = opt(inputs, 'tee_length_to_diameter') ?? 60
  const bore = (branch: RefSegment) => branch.inside_diameter_m ?? 0
  const lengths = new Map(branches.map((branch) => [branch.id, branch.length_m + equivalentLength_m((branch.elbow_count ?? 0) * elbow + (branch.branch_tee_count ?? branch.tee_count ?? 0) * tee, bore(branch))]))
  const drops = new Map(branches.map((branch) => [branch.id, lowDrop_Pa({ flow_m3_s: flows.get(branch.id) ?? 0, bore_m: bore(branch), length_m: lengths.get(branch.id) ?? 0, cr: num(inputs, 'cr') })]))
  const along = sumAlong(ordered, (branch) => drops.get(branch.id) ?? 0)
  const worst = Math.max(...appliances.map((appliance) => along.get(appliance.node) ?? 0))
  return {
    ...Object.fromEntries(branches.flatMap((branch) => [[`drop_${branch.name}_Pa`, drops.get(branch.id)], [`effective_length_${branch.name}_m`, lengths.get(branch.id)]])),
    ...Object.fromEntries([...along].map(([node, drop]) => [`drop_to_${node}_Pa`, drop])),
    worst_drop_Pa: worst, within_allowance: atMost(worst, num(inputs, 'pressure_drop_allowed_Pa')),
  }
}

const trapped = (inputs: Inputs) => ({ volume_m3: num(inputs, 'volume_m3'), atmosphere_Pa: atm(inputs) })

export const kinds: Readonly<Record<string, Kind>> = {
  'water.if97-region1': (i) => { const w = waterAt(i); return { enthalpy_J_per_kg: w.enthalpy_J_kg, specific_heat_J_per_kgK: w.specificHeat_J_kgK, specific_volume_m3_per_kg: w.specificVolume_m3_kg, speed_of_sound_m_per_s: w.soundSpeed_m_s } },
  'water.saturation-pressure': (i) => ({ saturation_pressure_abs_Pa: saturationAbs_Pa(tempOf(i)) }),
  'water.saturation-temperature': (i) => ({ saturation_temperature_K: saturationTemp_K(num(i, 'pressure_abs_Pa')) }),
  'water.viscosity-iapws': (i) => ({ dynamic_viscosity_Pa_s: viscosity_Pas({ temp_K: num(i, 'temperature_K'), density_kg_m3: num(i, 'density_kg_per_m3') }) }),
  'water.density': (i) => ({ density_kg_per_m3: waterAt(i).density_kg_m3 }),
  'water.specific-volume-saturated': (i) => ({ specific_volume_m3_per_kg: saturatedLiquid(tempOf(i)).specificVolume_m3_kg }),
  'water.latent-heat': (i) => ({ latent_heat_J_per_kg: latentHeat_J_kg(tempOf(i)) }),
  'water.specific-heat': (i) => ({ specific_heat_J_per_kgK: waterAt(i).specificHeat_J_kgK }),
  'water.viscosity': (i) => ({ dynamic_viscosity_Pa_s: viscosity_Pas({ temp_K: tempOf(i), density_kg_m3: waterAt(i).density_kg_m3 }) }),
  'water.compressibility': (i) => ({ isothermal_compressibility_per_Pa: waterAt(i).compressibility_1_Pa }),
  'water.thermal-expansion': (i) => ({ volumetric_expansion_per_K: waterAt(i).expansion_1_K }),
  'water.expansion-fraction': (i) => ({ expansion_fraction: expansionFraction({ fillTemp_K: kelvin(i, 'fill_temperature_degC'), maxTemp_K: kelvin(i, 'max_temperature_degC') }) }),

  'expansion.en12828-coefficient': (i) => ({ expansion_fraction: en12828Coefficient(kelvin(i, 'max_temperature_degC')) }),
  'expansion.en12828-water-reserve': (i) => ({ water_reserve_m3: waterReserve_m3(num(i, 'system_volume_m3')) }),
  'expansion.en12828-final-pressure': (i) => ({ final_pressure_gauge_Pa: finalGauge_Pa(num(i, 'safety_valve_set_gauge_Pa')) }),
  'expansion.en12828-initial-pressure': (i) => ({ initial_pressure_gauge_Pa: initialGauge_Pa({ height_m: num(i, 'static_height_m'), margin_Pa: num(i, 'margin_Pa'), vapourGauge_Pa: opt(i, 'vapour_pressure_gauge_Pa') }) }),
  'expansion.en12828-size': (i) => {
    const system_m3 = num(i, 'system_volume_m3')
    const fraction = opt(i, 'expansion_fraction') ?? en12828Coefficient(kelvin(i, 'max_temperature_degC'))
    const final = finalGauge_Pa(num(i, 'safety_valve_set_gauge_Pa'))
    const initial = initialGauge_Pa({ height_m: num(i, 'static_height_m'), margin_Pa: num(i, 'margin_Pa'), vapourGauge_Pa: opt(i, 'vapour_pressure_gauge_Pa') })
    return { expansion_volume_m3: fraction * system_m3, final_pressure_gauge_Pa: final, initial_pressure_gauge_Pa: initial, water_reserve_m3: waterReserve_m3(system_m3), vessel_volume_min_m3: en12828Size({ system_m3, expansionFraction: fraction, initialGauge_Pa: initial, finalGauge_Pa: final, atmosphere_Pa: atm(i) }) }
  },
  'expansion.en12828-fill-pressure': (i) => {
    const window = fillWindow({ system_m3: num(i, 'system_volume_m3'), expansionFraction: opt(i, 'expansion_fraction') ?? en12828Coefficient(kelvin(i, 'max_temperature_degC')), initialGauge_Pa: num(i, 'initial_pressure_gauge_Pa'), finalGauge_Pa: num(i, 'final_pressure_gauge_Pa'), atmosphere_Pa: atm(i), vessel_m3: num(i, 'vessel_volume_m3') })
    return { fill_pressure_min_gauge_Pa: window.leastGauge_Pa, fill_pressure_max_gauge_Pa: window.greatestGauge_Pa }
  },
  'expansion.handbook-diaphragm': (i) => {
    const net = handbook(i)
    const pressures = { minAbs_Pa: absOf(i, 'min_pressure'), maxAbs_Pa: absOf(i, 'max_pressure') }
    return { net_expansion_m3: net, acceptance_factor: acceptanceFactor(pressures), tank_volume_m3: diaphragmTank_m3(net, pressures) }
  },
  'expansion.handbook-closed-air-tank': (i) => ({ tank_volume_m3: closedAirTank_m3(handbook(i), { minAbs_Pa: absOf(i, 'min_pressure'), maxAbs_Pa: absOf(i, 'max_pressure'), atmosphere_Pa: atm(i) }) }),
  'expansion.acceptance-factor': (i) => ({ acceptance_factor: acceptanceFactor({ minAbs_Pa: absOf(i, 'min_pressure'), maxAbs_Pa: absOf(i, 'max_pressure') }) }),
  'expansion.bs-sealed-table': (i) => ({ vessel_volume_m3: sealedTableVessel_m3({ system_m3: num(i, 'system_volume_m3'), chargeGauge_Pa: num(i, 'vessel_charge_gauge_Pa'), initialGauge_Pa: num(i, 'initial_pressure_gauge_Pa'), reliefSetGauge_Pa: num(i, 'safety_valve_set_gauge_Pa') }) }),
  'expansion.potable': (i) => {
    const { expansion_m3, vessel_m3 } = potableVessel({ store_m3: num(i, 'storage_volume_m3'), coldTemp_K: kelvin(i, 'cold_temperature_degC'), hotTemp_K: kelvin(i, 'hot_temperature_degC'), chargeGauge_Pa: num(i, 'charge_pressure_gauge_Pa'), maxGauge_Pa: num(i, 'max_pressure_gauge_Pa'), atmosphere_Pa: atm(i) })
    return { expansion_volume_m3: expansion_m3, vessel_volume_m3: vessel_m3 }
  },
  'expansion.existing-vessel': (i) => {
    const vessels = [{ volume_m3: num(i, 'vessel_volume_m3'), chargeGauge_Pa: num(i, 'vessel_charge_gauge_Pa') }]
    const fillGauge_Pa = num(i, 'fill_pressure_gauge_Pa')
    const expansion_m3 = num(i, 'system_volume_m3') * expansionFraction({ fillTemp_K: kelvin(i, 'fill_temperature_degC'), maxTemp_K: kelvin(i, 'max_temperature_degC') })
    const forecast = forecastHotPressure({ vessels, fillGauge_Pa, expansion_m3, atmosphere_Pa: atm(i) })
    const limit = num(i, 'safety_valve_set_gauge_Pa') - num(i, 'margin_below_valve_Pa')
    return { water_in_vessel_cold_m3: waterHeld_m3(vessels, fillGauge_Pa, atm(i)), final_pressure_gauge_Pa: forecast.outcome === 'settles' ? forecast.hotGauge_Pa : undefined, adequate: forecast.outcome === 'settles' && atMost(forecast.hotGauge_Pa, limit) }
  },

  'fill.head-to-pressure': (i) => ({ pressure_Pa: pressureOfHead_Pa(num(i, 'height_m')) }),
  'fill.pressure-to-head': (i) => ({ height_m: headOfPressure_m(num(i, 'pressure_Pa')) }),
  'fill.fill-pressure': (i) => ({ fill_pressure_gauge_Pa: fillOfHeight_Pa({ height_m: num(i, 'height_m'), margin_Pa: num(i, 'margin_Pa'), density_kg_m3: opt(i, 'density_kg_per_m3'), fillTemp_K: opt(i, 'fill_temperature_degC') === undefined ? undefined : kelvin(i, 'fill_temperature_degC') }) }),
  'fill.top-pressure': (i) => { const top = topGauge_Pa({ readingGauge_Pa: num(i, 'gauge_reading_Pa'), height_m: num(i, 'height_m'), density_kg_m3: num(i, 'density_kg_per_m3') }); return { top_pressure_gauge_Pa: top, margin_kept: atMost(num(i, 'margin_Pa'), top) } },

  'gas-pipe.nfpa54-cr': (i) => ({ cr: crOfGas({ relativeDensity: num(i, 'relative_density'), temp_K: num(i, 'temperature_K'), viscosity_Pas: num(i, 'dynamic_viscosity_Pa_s') }) }),
  'gas-pipe.schedule40-inside-diameter': (i) => ({ inside_diameter_m: sizeNamed('steel-schedule-40', String(i.nominal_size))?.bore_m }),
  'gas-pipe.nfpa54-low-capacity': (i) => ({ flow_m3_per_s: lowCapacity_m3_s({ ...gasRun(i), bore_m: num(i, 'inside_diameter_m'), drop_Pa: num(i, 'pressure_drop_Pa') }) }),
  'gas-pipe.nfpa54-low-diameter': (i) => { const bore = lowBore_m({ ...gasRun(i), flow_m3_s: num(i, 'flow_m3_per_s'), drop_Pa: num(i, 'pressure_drop_Pa') }); return { inside_diameter_m: bore, next_schedule40_size: nextSize('steel-schedule-40', bore)?.name } },
  'gas-pipe.nfpa54-low-drop': (i) => ({ pressure_drop_Pa: lowDrop_Pa({ ...gasRun(i), flow_m3_s: num(i, 'flow_m3_per_s'), bore_m: num(i, 'inside_diameter_m') }) }),
  'gas-pipe.nfpa54-high-capacity': (i) => ({ flow_m3_per_s: highCapacity_m3_s({ ...gasRun(i), bore_m: num(i, 'inside_diameter_m'), inletAbs_Pa: num(i, 'inlet_pressure_abs_Pa'), outletAbs_Pa: num(i, 'outlet_pressure_abs_Pa'), y: num(i, 'y') }) }),
  'gas-pipe.equivalent-length': (i) => ({ equivalent_length_m: equivalentLength_m(num(i, 'length_to_diameter'), num(i, 'inside_diameter_m')) }),
  'gas-pipe.bs6891-table': (i) => ({ flow_m3_per_s: tableFlow_m3_s({ outsideDiameter_m: num(i, 'outside_diameter_m'), length_m: num(i, 'length_m') }) }),
  'gas-pipe.bs6891-fittings': (i) => ({ effective_length_m: effectiveLength_m({ pipe_m: num(i, 'pipe_length_m'), elbows: opt(i, 'elbow_count'), tees: opt(i, 'tee_count'), bends: opt(i, 'bend_count') }) }),
  'gas-pipe.bs6891-multi-segment-fittings': (i) => {
    const length_m = effectiveLength_m({ pipe_m: num(i, 'pipe_length_m'), elbows: opt(i, 'elbow_count'), tees: opt(i, 'tee_count'), bends: opt(i, 'bend_count') })
    const flow = num(i, 'input_gross_W') / num(i, 'calorific_value_gross_J_per_m3')
    const table = tableFlow_m3_s({ outsideDiameter_m: num(i, 'outside_diameter_m'), length_m })
    return { effective_length_m: length_m, flow_m3_per_s: flow, table_flow_m3_per_s: table, passes: table !== undefined && table >= flow }
  },
  'gas-pipe.tree-longest-length': treeLongestLength,
  'gas-pipe.tree-segment-drop': treeSegmentDrop,

  'water-pipe.colebrook': (i) => ({ friction_factor: colebrook({ reynolds: num(i, 'reynolds'), roughnessRatio: num(i, 'relative_roughness') }) }),
  'water-pipe.swamee-jain': (i) => ({ friction_factor: swameeJain({ reynolds: num(i, 'reynolds'), roughnessRatio: num(i, 'relative_roughness') }) }),
  'water-pipe.laminar': (i) => ({ friction_factor: laminarFactor(num(i, 'reynolds')) }),
  'water-pipe.darcy-drop': (i) => {
    const { density_kg_m3 } = liquidWater({ temp_K: kelvin(i), pressureAbs_Pa: 101325 })
    const drop = frictionDrop({ bore_m: num(i, 'inside_diameter_m'), length_m: num(i, 'length_m'), flow_m3_s: num(i, 'flow_m3_per_s'), roughness_m: num(i, 'roughness_m'), lossCoefficient: opt(i, 'loss_coefficient_sum') }, { density_kg_m3, viscosity_Pas: viscosity_Pas({ temp_K: kelvin(i), density_kg_m3 }) })
    return { friction_factor: drop.factor, pressure_drop_Pa: drop.drop_Pa, reynolds: drop.reynolds, velocity_m_per_s: drop.velocity_m_s }
  },

  'test.gas-leak-rate': (i) => ({ leak_flow_m3_per_s: leakRate_m3_s({ ...trapped(i), fall_Pa: num(i, 'pressure_drop_Pa'), duration_s: num(i, 'duration_s') }) }),
  'test.gas-smallest-leak': (i) => ({ smallest_leak_m3_per_s: leakRate_m3_s({ ...trapped(i), fall_Pa: num(i, 'gauge_resolution_Pa'), duration_s: num(i, 'duration_s') }) }),
  'test.gas-test-duration': (i) => ({ duration_s: timeToSee_s({ ...trapped(i), step_Pa: num(i, 'gauge_resolution_Pa'), leak_m3_s: num(i, 'leak_flow_m3_per_s') }) }),
  'test.gas-temperature': (i) => {
    const change = thermalChange_Pa({ startGauge_Pa: num(i, 'pressure_gauge_Pa'), startTemp_K: kelvin(i, 'initial_temperature_degC'), endTemp_K: kelvin(i, 'final_temperature_degC'), atmosphere_Pa: atm(i) })
    return { pressure_change_Pa: change, final_pressure_gauge_Pa: num(i, 'pressure_gauge_Pa') + change }
  },
  'test.gas-corrected-leak': (i) => {
    const leak = correctedLeak({
      volume_m3: num(i, 'volume_m3'), duration_s: num(i, 'duration_s'), referenceTemp_K: kelvin(i, 'reference_temperature_degC'),
      start: { gauge_Pa: num(i, 'initial_pressure_gauge_Pa'), temp_K: kelvin(i, 'initial_temperature_degC'), atmosphere_Pa: num(i, 'initial_atmospheric_pressure_Pa') },
      end: { gauge_Pa: num(i, 'final_pressure_gauge_Pa'), temp_K: kelvin(i, 'final_temperature_degC'), atmosphere_Pa: num(i, 'final_atmospheric_pressure_Pa') },
    })
    return { tight_final_pressure_gauge_Pa: leak.tightGauge_Pa, drop_due_to_leak_Pa: leak.fall_Pa, leak_flow_reference_m3_per_s: leak.leak_m3_s }
  },
  'test.nfpa54-test-pressure': (i) => ({ test_pressure_min_gauge_Pa: naTestPressure_Pa(num(i, 'max_working_pressure_gauge_Pa')) }),
  'test.nfpa54-duration': (i) => ({ duration_min_s: naTestDuration_s({ volume_m3: num(i, 'pipe_volume_m3'), dwelling: i.single_family_dwelling === true }) }),
  'test.pipe-volume': (i) => ({ volume_m3: pipeVolume_m3(num(i, 'inside_diameter_m'), num(i, 'length_m')) }),

  'gas-rate.altitude-derate': (i) => { const factor = altitudeFactor(num(i, 'altitude_m')); return { derate_factor: factor, input_derated_W: factor * num(i, 'input_W') } },
  'gas-rate.standard-atmosphere': (i) => ({ atmospheric_pressure_Pa: atmosphereAt_Pa(num(i, 'altitude_m')) }),
  'hot-water.pipe-content': (i) => ({ volume_per_length_m3_per_m: pipeVolume_m3(num(i, 'inside_diameter_m'), 1) }),
}

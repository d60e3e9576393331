import {
  pipeVolume_m3,
  atMost,
  deadLeg,
  firstHour_m3,
  flowForRise_m3_s,
  longestWait_s,
  loopFlow,
  mixedDraw_m3,
  mixingRatio,
  pipeLoss_W_m,
  recoveryUs_m3_s,
  reheatTime_s,
  scaldTime_s,
  storeForPeak,
} from '@hestian/core'
import type { Inputs, Kind } from './inputs'
import { num, opt, kelvin, waterFigures } from './inputs'

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

/** Cases of hot water. */
export const hotWater: Readonly<Record<string, Kind>> = {
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

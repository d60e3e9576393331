import {
  a0_s,
  cooledStore_K,
  cooledTo_K,
  coolingConstant_s,
  coolingTime_s,
  equivalentTime_s,
  flowForDrop_kg_s,
  layeredLoss_W_mK,
  simpleFlowForDrop_kg_s,
  zeroCelsius_K,
  atMost,
  deadLeg,
} from '@hestian/core'
import type { Inputs, Kind } from './inputs'
import { num, opt, kelvin } from './inputs'

const coolingPipe = (pipe: Inputs) => ({
  length_m: num(pipe, 'length_m'),
  coefficient_W_mK: num(pipe, 'loss_coefficient_W_per_mK'),
  airTemp_K: kelvin(pipe, 'air_temperature_degC'),
})

/** Cases of hygiene. */
export const hygiene: Readonly<Record<string, Kind>> = {
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
}

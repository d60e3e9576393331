import {
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
  zeroCelsius_K,
  atMost,
} from '@hestian/core'
import type { Kind } from './inputs'
import { num, opt, kelvin } from './inputs'

/** Cases of flue gas. */
export const combustion: Readonly<Record<string, Kind>> = {
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
}

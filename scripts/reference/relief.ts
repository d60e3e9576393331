import type { ValveOutlet } from '@hestian/core'
import {
  zeroCelsius_K,
  toSi,
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
} from '@hestian/core'
import type { Inputs, Kind } from './inputs'
import { num, opt, kelvin, atm } from './inputs'

const relieving = (inputs: Inputs) => ({
  setGauge_Pa: num(inputs, 'set_pressure_gauge_Pa'),
  overpressure: num(inputs, 'overpressure_fraction'),
  atmosphere_Pa: atm(inputs),
})

const outlet = (inputs: Inputs) => String(inputs.valve_outlet) as ValveOutlet

/** Cases of relief. */
export const relief: Readonly<Record<string, Kind>> = {
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
}

import type { UnitName } from '@hestian/core'
import {
  altitudeFactor,
  atmosphereAt_Pa,
  zeroCelsius_K,
  toSi,
  clockedInput,
  meterCorrection,
  wobbe_J_m3,
  testGases,
  workingPressureUk,
  lockUp,
  scaledInput_W,
  billedEnergy_J,
  fromSi,
  btu_J,
} from '@hestian/core'
import type { Inputs, Got, Kind } from './inputs'
import { num, opt, kelvin, atm } from './inputs'

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

/** Cases of gas rate and pressures. */
export const gasRate: Readonly<Record<string, Kind>> = {
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

  'gas-rate.altitude-derate': (i) => {
    const factor = altitudeFactor(num(i, 'altitude_m'))
    return { derate_factor: factor, input_derated_W: factor * num(i, 'input_W') }
  },
  'gas-rate.standard-atmosphere': (i) => ({
    atmospheric_pressure_Pa: atmosphereAt_Pa(num(i, 'altitude_m')),
  }),
}

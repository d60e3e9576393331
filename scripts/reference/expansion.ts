import type { FluidKind } from '@hestian/core'
import {
  acceptanceFactor,
  closedAirTank_m3,
  diaphragmTank_m3,
  en12828Coefficient,
  en12828Size,
  expansionFraction,
  fillOfHeight_Pa,
  fillWindow,
  finalGauge_Pa,
  forecastHotPressure,
  headOfPressure_m,
  initialGauge_Pa,
  netExpansion_m3,
  potableVessel,
  pressureOfHead_Pa,
  sealedTableVessel_m3,
  topGauge_Pa,
  waterHeld_m3,
  waterReserve_m3,
  zeroCelsius_K,
  atMost,
  freezingTemp_K,
} from '@hestian/core'
import type { Inputs, Kind } from './inputs'
import { num, opt, kelvin, atm } from './inputs'

const absOf = (inputs: Inputs, name: string): number =>
  opt(inputs, `${name}_abs_Pa`) ?? num(inputs, `${name}_gauge_Pa`) + atm(inputs)

const handbook = (inputs: Inputs) =>
  netExpansion_m3({
    system_m3: num(inputs, 'system_volume_m3'),
    fillTemp_K: kelvin(inputs, 'fill_temperature_degC'),
    maxTemp_K: kelvin(inputs, 'max_temperature_degC'),
    pipeExpansion_1_K: num(inputs, 'pipe_linear_expansion_per_K'),
    coldVolume_m3_kg: opt(inputs, 'specific_volume_cold_m3_per_kg'),
    hotVolume_m3_kg: opt(inputs, 'specific_volume_hot_m3_per_kg'),
  })

/** Cases of vessels, fill and glycol. */
export const expansion: Readonly<Record<string, Kind>> = {
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
}

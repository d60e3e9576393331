import type { HydrostaticRule, PermittedFallMeter, PipeWall } from '@hestian/core'
import {
  correctedLeak,
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
  naTestDuration_s,
  naTestPressure_Pa,
  pipeVolume_m3,
  thermalChange_Pa,
  timeToSee_s,
} from '@hestian/core'
import type { Inputs, Kind } from './inputs'
import { num, opt, kelvin, atm } from './inputs'

const wallOf = (inputs: Inputs): PipeWall => ({
  bore_m: num(inputs, 'inside_diameter_m'),
  wall_m: num(inputs, 'wall_thickness_m'),
  modulus_Pa: num(inputs, 'elastic_modulus_Pa'),
})

const trapped = (inputs: Inputs) => ({
  volume_m3: num(inputs, 'volume_m3'),
  atmosphere_Pa: atm(inputs),
})

/** Cases of pressure tests. */
export const pressureTest: Readonly<Record<string, Kind>> = {
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
}

import {
  expansionFraction,
  latentHeat_J_kg,
  liquidWater,
  saturatedLiquid,
  saturationAbs_Pa,
  saturationTemp_K,
  viscosity_Pas,
} from '@hestian/core'
import type { Inputs, Kind } from './inputs'
import { num, opt, kelvin } from './inputs'

const tempOf = (inputs: Inputs): number => opt(inputs, 'temperature_K') ?? kelvin(inputs)

const waterAt = (inputs: Inputs) =>
  liquidWater({ temp_K: tempOf(inputs), pressureAbs_Pa: num(inputs, 'pressure_abs_Pa') })

/** Cases of water. */
export const water: Readonly<Record<string, Kind>> = {
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
}

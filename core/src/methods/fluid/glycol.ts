import { remembered } from '../water/remembered'
import {
  celsius,
  liquidWater,
  saturationAbs_Pa,
  viscosity_Pas,
  waterDensity_kg_m3,
} from '../water/water'
import { zeroCelsius_K } from '../../units/units'
import type { FluidKind } from './fluidKinds'

/** What runs in a circuit: water, or glycol in water by mass. */
export interface HeatingFluid {
  readonly kind: FluidKind
  readonly massFraction: number
}
export const plainWater: HeatingFluid = { kind: 'water', massFraction: 0 }

/** Mass fractions that freezing points (0 to 0.6) and properties (0 to 0.5) are tabled for. */
export const glycolLimits = { freezing: 0.6, properties: 0.5 } as const

const percents = [0, 5, 10, 15, ...Array.from({ length: 41 }, (_, i) => 20 + i)]
/** Freezing points, °F, at `percents`. Source: sources.glycolFreezing. */
const freezing_F: Readonly<Record<Exclude<FluidKind, 'water'>, readonly number[]>> = {
  'ethylene-glycol': [
    32, 29.4, 26.2, 22.2, 17.9, 16.8, 15.9, 14.9, 13.7, 12.7, 11.4, 10.4, 9.2, 8, 6.7, 5.4, 4.2,
    2.9, 1.4, -0.2, -1.5, -3, -4.5, -6.4, -8.1, -9.8, -11.7, -13.5, -15.5, -17.5, -19.8, -21.6,
    -23.9, -26.7, -28.9, -31.2, -33.6, -36.2, -38.8, -42, -44.7, -47.5, -50, -52.7, -54.9,
  ],
  'propylene-glycol': [
    32, 29.1, 26.1, 22.9, 19.2, 18.3, 17.6, 16.6, 15.6, 14.7, 13.7, 12.6, 11.5, 10.4, 9.2, 7.9, 6.6,
    5.3, 3.9, 2.4, 0.8, -0.8, -2.4, -4.2, -6, -7.8, -9.8, -11.8, -13.9, -16.1, -18.3, -20.7, -23.1,
    -25.7, -28.3, -31, -33.8, -36.7, -39.7, -42.8, -46, -49.3, -52.7, -56.2, -59.9,
  ],
}

/**
 * Where between the entries of a rising list a value stands: the lower index and the share of the
 * way. Ends are held.
 */
function between(list: readonly number[], value: number): readonly [number, number] {
  const i = Math.min(
    list.length - 2,
    Math.max(
      0,
      list.findIndex((entry) => entry > value) === -1
        ? list.length - 2
        : list.findIndex((entry) => entry > value) - 1,
    ),
  )
  const [low = 0, high = 1] = [list[i], list[i + 1]]
  return [i, Math.min(1, Math.max(0, (value - low) / (high - low)))]
}
const mix = (a: number, b: number, share: number) => a + (b - a) * share

/**
 * Freezing point, K; undefined outside 0 to 60 % by mass. Not the burst protection. Linear between
 * rows. Source: sources.glycolFreezing.
 */
export function freezingTemp_K({ kind, massFraction }: HeatingFluid): number | undefined {
  if (kind === 'water') return zeroCelsius_K
  if (massFraction < 0 || massFraction > glycolLimits.freezing + 1e-9) return undefined
  const rows = freezing_F[kind]
  const [i, share] = between(percents, massFraction * 100)
  return (mix(rows[i] ?? 32, rows[i + 1] ?? 32, share) - 32) / 1.8 + zeroCelsius_K
}

const temps_C = [0, 20, 40, 60, 80, 100]
const fractions = [0, 0.2, 0.3, 0.4, 0.5]
interface Rows {
  readonly density: readonly (readonly number[])[]
  readonly heat: readonly (readonly number[])[]
  readonly viscosity: readonly (readonly number[])[]
}
/**
 * At 20, 30, 40 and 50 % and `temps_C`: density kg/m³, heat capacity kJ/(kg K), viscosity mPa s.
 * Source: sources.glycolProperties.
 */
const tables: Readonly<Record<Exclude<FluidKind, 'water'>, Rows>> = {
  'ethylene-glycol': {
    density: [
      [1029, 1024, 1016, 1006, 994, 980],
      [1045, 1039, 1030, 1018.5, 1005.5, 991],
      [1061, 1053.5, 1042.5, 1029.5, 1015.5, 1000],
      [1076, 1067, 1054.5, 1040.5, 1025.5, 1009],
    ],
    heat: [
      [3.78, 3.82, 3.86, 3.9, 3.93, 3.96],
      [3.59, 3.65, 3.7, 3.75, 3.79, 3.83],
      [3.4, 3.47, 3.54, 3.6, 3.66, 3.71],
      [3.2, 3.28, 3.37, 3.45, 3.52, 3.59],
    ],
    viscosity: [
      [2.9, 1.65, 1.05, 0.73, 0.54, 0.42],
      [3.9, 2.1, 1.3, 0.88, 0.65, 0.5],
      [5.4, 2.8, 1.67, 1.1, 0.79, 0.6],
      [7.6, 3.8, 2.2, 1.4, 0.98, 0.73],
    ],
  },
  'propylene-glycol': {
    density: [
      [1021, 1015, 1005, 994, 981, 966],
      [1032, 1024, 1013, 1000, 986, 970],
      [1042, 1032, 1019, 1004, 988.5, 971.5],
      [1052, 1040, 1025, 1009, 992, 974],
    ],
    heat: [
      [3.96, 3.99, 4.03, 4.06, 4.08, 4.1],
      [3.81, 3.86, 3.9, 3.94, 3.97, 4],
      [3.65, 3.71, 3.77, 3.82, 3.86, 3.9],
      [3.47, 3.55, 3.62, 3.68, 3.74, 3.79],
    ],
    viscosity: [
      [3.6, 1.9, 1.15, 0.77, 0.56, 0.43],
      [5.9, 2.7, 1.48, 0.93, 0.65, 0.49],
      [9.9, 4, 2, 1.18, 0.78, 0.57],
      [17, 6.1, 2.75, 1.52, 0.96, 0.67],
    ],
  },
}

export interface Properties {
  readonly density_kg_m3: number
  readonly specificHeat_J_kgK: number
  readonly viscosity_Pas: number
}

const waterProperties: (temp_K: number) => Properties = remembered((temp_K) => {
  const water = liquidWater({ temp_K, pressureAbs_Pa: Math.max(101325, saturationAbs_Pa(temp_K)) })
  return {
    density_kg_m3: water.density_kg_m3,
    specificHeat_J_kgK: water.specificHeat_J_kgK,
    viscosity_Pas: viscosity_Pas({ temp_K, density_kg_m3: water.density_kg_m3 }),
  }
})

/**
 * Density, heat capacity and viscosity of what runs in a circuit. Glycol is read from the tables
 * between 0 and 100 °C and up to 50 % by mass, its ends held; below 20 % it is drawn straight to
 * water. Sources: sources.if97, sources.glycolProperties.
 */
export function fluidAt(fluid: HeatingFluid, temp_K: number): Properties {
  if (fluid.kind === 'water' || fluid.massFraction <= 0) return waterProperties(temp_K)
  const rows = tables[fluid.kind]
  const [row, share] = between(fractions, fluid.massFraction)
  const [column, along] = between(temps_C, celsius(temp_K))
  const water = row === 0 ? waterProperties(Math.min(373.1, Math.max(273.16, temp_K))) : undefined
  const read = (
    table: readonly (readonly number[])[],
    ofWater: number | undefined,
    scale: number,
  ) => {
    const at = (i: number) =>
      mix(table[i - 1]?.[column] ?? 0, table[i - 1]?.[column + 1] ?? 0, along) * scale
    return mix(ofWater ?? at(row), at(row + 1), share)
  }
  return {
    density_kg_m3: read(rows.density, water?.density_kg_m3, 1),
    specificHeat_J_kgK: read(rows.heat, water?.specificHeat_J_kgK, 1000),
    viscosity_Pas: read(rows.viscosity, water?.viscosity_Pas, 1e-3),
  }
}

/** Density of what runs in a circuit, kg/m³. Sources: sources.if97, sources.glycolProperties. */
export const fluidDensity_kg_m3 = (fluid: HeatingFluid, temp_K: number): number =>
  fluid.kind === 'water' ? waterDensity_kg_m3(temp_K) : fluidAt(fluid, temp_K).density_kg_m3

/**
 * How much of its volume a fluid grows by between two temperatures, a ratio. Sources: sources.if97,
 * sources.glycolProperties.
 */
export const fluidGrowth = (
  fluid: HeatingFluid,
  { fillTemp_K, maxTemp_K }: { readonly fillTemp_K: number; readonly maxTemp_K: number },
): number => fluidDensity_kg_m3(fluid, fillTemp_K) / fluidDensity_kg_m3(fluid, maxTemp_K) - 1

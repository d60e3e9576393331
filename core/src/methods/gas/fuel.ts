import type { Source } from '../../answer/sources'

export type Fuel = 'natural-gas' | 'propane'

export interface FuelGas {
  readonly name: string
  /** Gross heat per m³ at 15 °C and 101 325 Pa. */
  readonly grossHeat_J_m3: number
  /** Gross over net heat. */
  readonly grossOverNet: number
  readonly relativeDensity: number
  readonly viscosity_Pas: number
  /** Constant of the North American equation. */
  readonly cr: number
  /** Compressibility factor of its form for elevated pressure. */
  readonly y: number
  readonly source: Source
}

const heatSetting: Source = {
  basis: 'assumed',
  says: 'Heating value: a setting of the practice; the supplier states the real one',
}

/**
 * Natural gas differs by place; the North American figure is 1 000 Btu/ft³, the low end of the 1
 * 000 to 1 030 in use.
 */
const natural = (grossHeat_J_m3: number, relativeDensity: number): FuelGas => ({
  name: 'natural gas',
  grossHeat_J_m3,
  grossOverNet: 1.11,
  relativeDensity,
  viscosity_Pas: 1.08e-5,
  cr: 0.6094,
  y: 0.9992,
  source: heatSetting,
})

/** EN 437 G31 for heat, NFPA 54 for Cr: both as remembered. */
const propane = (grossHeat_J_m3: number, relativeDensity: number): FuelGas => ({
  name: 'propane',
  grossHeat_J_m3,
  grossOverNet: 1.087,
  relativeDensity,
  viscosity_Pas: 0.8e-5,
  cr: 1.2462,
  y: 0.991,
  source: heatSetting,
})

export const fuelGases = {
  'north-america': { 'natural-gas': natural(37258945.81, 0.6), propane: propane(93147364.5, 1.5) },
  'uk-ireland': { 'natural-gas': natural(39.3e6, 0.58), propane: propane(95.65e6, 1.55) },
  'australia-new-zealand': { 'natural-gas': natural(38.5e6, 0.6), propane: propane(95.65e6, 1.55) },
} as const satisfies Record<string, Record<Fuel, FuelGas>>

/** Density of dry air at 15 °C and 101 325 Pa; relative densities refer to it. */
export const airDensity_kg_m3 = 1.2255

/** Gross heat input of a plate that says net, or the same when it says gross. */
export const grossInput_W = (input_W: number, said: 'gross' | 'net', gas: FuelGas): number =>
  said === 'net' ? input_W * gas.grossOverNet : input_W

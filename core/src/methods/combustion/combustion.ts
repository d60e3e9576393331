import { expectAbove0, expectNotNegative } from '../../answer/expect'
import { saturationAbs_Pa, saturationTemp_K } from '../water/water'

// Fractions by volume of dry flue gas, 0 to 1. `airOxygen` is 0.2095, or 0.209 where air-free
// figures are told so.

/** What the air holds that is no oxygen, for each part of oxygen. */
const inertOf = (airOxygen: number): number => (1 - airOxygen) / airOxygen

/**
 * CO over CO2; CO2 above 0, else RangeError. Source: common practice (BS 7967: 0.004 at
 * commissioning, from memory).
 */
export function coRatio(co: number, co2: number): number {
  expectNotNegative({ co })
  expectAbove0({ co2 })
  return co / co2
}

export interface SiegertFigures {
  readonly a1: number
  readonly a2: number
  readonly b: number
}

/**
 * Heat that leaves with dry flue gas as a share of the net input, by its oxygen or its CO2. Source:
 * Siegert, German 1. BImSchV, figures from memory.
 */
export function flueLossNet(
  { flueTemp_K, airTemp_K }: { readonly flueTemp_K: number; readonly airTemp_K: number },
  measured: { readonly o2: number } | { readonly co2: number },
  { a1, a2, b }: SiegertFigures,
): number {
  const over = 'o2' in measured ? a2 / (21 - 100 * measured.o2) : a1 / (100 * measured.co2)
  return ((flueTemp_K - airTemp_K) * (over + b)) / 100
}

/** Most CO2 that a fuel CcHh can give, and the air it needs, m³/m³. Source: stoichiometry. */
export function co2Most(
  { carbon, hydrogen }: { readonly carbon: number; readonly hydrogen: number },
  airOxygen: number,
): { readonly co2: number; readonly air_m3_m3: number } {
  expectAbove0({ carbon, airOxygen })
  const oxygen = carbon + hydrogen / 4
  return { co2: carbon / (carbon + inertOf(airOxygen) * oxygen), air_m3_m3: oxygen / airOxygen }
}

/** CO2 that goes with a reading of oxygen. Source: dry-gas balance. */
export const co2FromO2 = (o2: number, most: number, airOxygen: number): number =>
  (most * (airOxygen - o2)) / airOxygen

/**
 * Air over what the gas needs, of natural gas as methane, from oxygen in dry flue gas; oxygen below
 * that of air, else RangeError. Source: dry-gas balance.
 */
export function airRatio(o2: number, airOxygen: number): number {
  expectNotNegative({ o2 })
  expectAbove0({ oxygenLeft: airOxygen - o2 })
  return 1 + (o2 * (1 + 2 * inertOf(airOxygen))) / ((2 / airOxygen) * (airOxygen - o2))
}

/** CO as it would be without the excess air. Source: dry-gas balance; limits are told air-free. */
export const coAirFree = (co: number, o2: number, airOxygen: number): number =>
  (co * airOxygen) / (airOxygen - o2)

/**
 * CO for each joule of net heat, kg/J, of methane. Source: dry-gas balance (EN 15502-1 prints 1.074
 * mg/kWh per ppm, from memory).
 */
export const coPerHeat_kg_J = (
  coFree: number,
  airOxygen: number,
  gas: {
    readonly molarMassCo_kg_mol: number
    readonly molarVolume_m3_mol: number
    readonly netHeat_J_m3: number
  },
): number =>
  (coFree * (gas.molarMassCo_kg_mol / gas.molarVolume_m3_mol) * (1 + 2 * inertOf(airOxygen))) /
  gas.netHeat_J_m3

/** Dry flue gas for each mol of methane. */
const dryGas_mol = (ratio: number, airOxygen: number): number =>
  1 + 2 * inertOf(airOxygen) + ((ratio - 1) * 2) / airOxygen

/**
 * Share of water vapour in the flue gas of methane, and where it condenses, K, at an absolute
 * pressure. Source: stoichiometry, IAPWS-IF97.
 */
export function dewPoint(
  ratio: number,
  airOxygen: number,
  abs_Pa: number,
): { readonly vapour: number; readonly temp_K: number } {
  expectAbove0({ ratio, airOxygen, abs_Pa })
  const vapour = 2 / (2 + dryGas_mol(ratio, airOxygen))
  return { vapour, temp_K: saturationTemp_K(vapour * abs_Pa) }
}

/**
 * Share of the water of methane that condenses when the flue gas leaves saturated at a temperature.
 * Source: {@link dewPoint}.
 */
export function condensedShare(
  ratio: number,
  airOxygen: number,
  { flueTemp_K, abs_Pa }: { readonly flueTemp_K: number; readonly abs_Pa: number },
): number {
  const steam_Pa = saturationAbs_Pa(flueTemp_K)
  if (steam_Pa >= abs_Pa) return 0
  const kept = (dryGas_mol(ratio, airOxygen) * steam_Pa) / (abs_Pa - steam_Pa)
  return Math.max(0, 2 - kept) / 2
}

/** Water that a joule of heat can give at most, kg/J. Source: stoichiometry. */
export const waterPerHeat_kg_J = (
  water_mol: number,
  molarMassWater_kg_mol: number,
  heat_J_mol: number,
): number => (water_mol * molarMassWater_kg_mol) / heat_J_mol

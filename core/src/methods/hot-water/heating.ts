import { expectAbove0, expectNotNegative } from '../../answer/expect'
import { btu_J, usGallon_m3 } from '../../units/units'

/**
 * Heat that a volume of water takes per kelvin at the trade's round figures: 4 180 J/(kg K) and 1
 * kg/L. Source: sources.trade.
 */
export const tradeSpecificHeat_J_kgK = 4180
export const tradeDensity_kg_m3 = 1000

export interface WaterFigures {
  readonly density_kg_m3?: number
  readonly specificHeat_J_kgK?: number
}

const heat_J_m3K = ({
  density_kg_m3 = tradeDensity_kg_m3,
  specificHeat_J_kgK = tradeSpecificHeat_J_kgK,
}: WaterFigures): number => density_kg_m3 * specificHeat_J_kgK

/**
 * Seconds to heat a store: m·c·dT over the net power. Volume above 0, hot above cold, else
 * RangeError; efficiency 0 to 1, standing loss in W held constant. Undefined when the loss eats the
 * power and it never gets there. Source: sources.heatBalance.
 */
export function reheatTime_s({
  volume_m3,
  coldTemp_K,
  hotTemp_K,
  power_W,
  efficiencyRatio = 1,
  standingLoss_W = 0,
  ...water
}: WaterFigures & {
  readonly volume_m3: number
  readonly coldTemp_K: number
  readonly hotTemp_K: number
  readonly power_W: number
  readonly efficiencyRatio?: number
  readonly standingLoss_W?: number
}): number | undefined {
  expectAbove0({ volume_m3, rise_K: hotTemp_K - coldTemp_K })
  expectNotNegative({ power_W, standingLoss_W })
  const net_W = power_W * efficiencyRatio - standingLoss_W
  return net_W > 0 ? (volume_m3 * heat_J_m3K(water) * (hotTemp_K - coldTemp_K)) / net_W : undefined
}

/**
 * Flow that a power heats through a rise, m³/s. Rise above 0, else RangeError. `rule` 'us' is the
 * trade's 500: Btu/h = 500 gpm °F. Source: sources.heatBalance; the 500 sources.trade.
 */
export function flowForRise_m3_s({
  power_W,
  rise_K,
  efficiencyRatio = 1,
  rule = 'heat-balance',
  ...water
}: WaterFigures & {
  readonly power_W: number
  readonly rise_K: number
  readonly efficiencyRatio?: number
  readonly rule?: 'heat-balance' | 'us'
}): number {
  expectAbove0({ rise_K })
  expectNotNegative({ power_W, efficiencyRatio })
  if (rule === 'us')
    return (((power_W * efficiencyRatio * 3600) / btu_J / (500 * rise_K * 1.8)) * usGallon_m3) / 60
  return (power_W * efficiencyRatio) / (heat_J_m3K(water) * rise_K)
}

/**
 * Power that a flow needs for a rise, W: the inverse of {@link flowForRise_m3_s}. Source:
 * sources.heatBalance.
 */
export const powerForFlow_W = (
  flow_m3_s: number,
  rise_K: number,
  water: WaterFigures = {},
): number => flow_m3_s * heat_J_m3K(water) * rise_K

/**
 * Recovery by the North American rule, m³/s: gal/h = Btu/h over 8.33 °F. Rise above 0, else
 * RangeError. Source: sources.trade.
 */
export function recoveryUs_m3_s({
  power_W,
  rise_K,
  efficiencyRatio = 1,
}: {
  readonly power_W: number
  readonly rise_K: number
  readonly efficiencyRatio?: number
}): number {
  expectAbove0({ rise_K })
  const gallons_h = (power_W * efficiencyRatio * 3600) / btu_J / (8.33 * rise_K * 1.8)
  return (gallons_h * usGallon_m3) / 3600
}

/**
 * Volume given in the first hour, m³: the usable part of the store and an hour's recovery. Source:
 * sources.trade.
 */
export const firstHour_m3 = ({
  store_m3,
  usableRatio,
  recovery_m3_s,
}: {
  readonly store_m3: number
  readonly usableRatio: number
  readonly recovery_m3_s: number
}): number => store_m3 * usableRatio + recovery_m3_s * 3600

/**
 * How a mixed flow is made of hot and cold, by mass; the hot part 0 to 1. Undefined when the mixed
 * temperature does not lie between the two. Source: sources.heatBalance.
 */
export function mixingRatio({
  hotTemp_K,
  coldTemp_K,
  mixedTemp_K,
}: {
  readonly hotTemp_K: number
  readonly coldTemp_K: number
  readonly mixedTemp_K: number
}): number | undefined {
  if (!(hotTemp_K > coldTemp_K) || mixedTemp_K < coldTemp_K || mixedTemp_K > hotTemp_K)
    return undefined
  return (mixedTemp_K - coldTemp_K) / (hotTemp_K - coldTemp_K)
}

/**
 * Mixed water in a full store with nothing reheated, m³ (the V40 form of EN 16147 and EN 12897).
 * Source: sources.heatBalance.
 */
export function mixedDraw_m3({
  store_m3,
  usableRatio,
  ...temps
}: {
  readonly store_m3: number
  readonly usableRatio: number
  readonly hotTemp_K: number
  readonly coldTemp_K: number
  readonly mixedTemp_K: number
}): number | undefined {
  const ratio = mixingRatio(temps)
  return ratio ? (store_m3 * usableRatio) / ratio : undefined
}

/**
 * Store that a peak needs beside its heater: hot water wanted, made meanwhile, and the store for
 * the rest, m³. Not above 0: the heater alone is enough. Undefined when the mixed temperature is
 * not between cold and hot. Source: sources.heatBalance.
 */
export function storeForPeak({
  mixed_m3,
  duration_s,
  power_W,
  usableRatio,
  hotTemp_K,
  coldTemp_K,
  mixedTemp_K,
  ...water
}: WaterFigures & {
  readonly mixed_m3: number
  readonly duration_s: number
  readonly power_W: number
  readonly usableRatio: number
  readonly hotTemp_K: number
  readonly coldTemp_K: number
  readonly mixedTemp_K: number
}):
  { readonly needed_m3: number; readonly made_m3: number; readonly store_m3: number } | undefined {
  expectAbove0({ usableRatio })
  const ratio = mixingRatio({ hotTemp_K, coldTemp_K, mixedTemp_K })
  if (ratio === undefined) return undefined
  const needed_m3 = mixed_m3 * ratio
  const made_m3 =
    flowForRise_m3_s({ power_W, rise_K: hotTemp_K - coldTemp_K, ...water }) * duration_s
  return { needed_m3, made_m3, store_m3: (needed_m3 - made_m3) / usableRatio }
}

/**
 * Seconds that a draw lasts when heat goes in meanwhile: from a fully mixed store (least) to
 * perfect layers (most).
 */
export interface DrawBand {
  readonly least_s: number
  readonly most_s: number
}

/**
 * How long a mixed draw lasts on a store that is being heated: between a fully mixed store, which
 * ends when it has fallen to the mixed temperature, and perfect layers, which give all their heat
 * above cold. Infinity when the heater keeps up. Source: sources.heatBalance.
 */
export function drawBand({
  store_m3,
  power_W,
  mixed_m3_s,
  hotTemp_K,
  coldTemp_K,
  mixedTemp_K,
  ...water
}: WaterFigures & {
  readonly store_m3: number
  readonly power_W: number
  readonly mixed_m3_s: number
  readonly hotTemp_K: number
  readonly coldTemp_K: number
  readonly mixedTemp_K: number
}): DrawBand {
  expectNotNegative({ store_m3, power_W, mixed_m3_s })
  const short_W = powerForFlow_W(mixed_m3_s, mixedTemp_K - coldTemp_K, water) - power_W
  if (short_W <= 0) return { least_s: Infinity, most_s: Infinity }
  const perKelvin_J = store_m3 * heat_J_m3K(water)
  return {
    least_s: (perKelvin_J * Math.max(0, hotTemp_K - mixedTemp_K)) / short_W,
    most_s: (perKelvin_J * Math.max(0, hotTemp_K - coldTemp_K)) / short_W,
  }
}

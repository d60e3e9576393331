import type { DrawBand } from './heating'
import { drawBand, flowForRise_m3_s, powerForFlow_W, reheatTime_s } from './heating'
import type { StoreModel } from './store'
import { simulateReheat } from './drawOff'

/**
 * An option's figures with everything known that its comparison needs; whole option, not one unit.
 */
export interface OptionFigures {
  readonly input_W: number
  readonly hotWater_W: number
  readonly heating_W: number
  readonly leastOutput_W: number
  /** 0 without a store. */
  readonly store_m3: number
  /** Coil rating; undefined where no coil stands between burner and water. */
  readonly coil_W: number | undefined
  readonly standingLoss_W: number
  readonly burnerInStore: boolean
}

export interface ComparisonConditions {
  readonly coldTemp_K: number
  readonly warmTemp_K?: number
  readonly storeTemp_K: number
  readonly mixedTemp_K: number
  /** Mixed flow wanted at once. */
  readonly wanted_m3_s: number
  readonly shower_m3_s: number
  readonly flowTemp_K: number
  readonly roomTemp_K: number
  readonly load_W: number
}

/** How long a draw lasts, where the heater alone does not keep up with it. */
export type Lasting = 'as-long-as-wanted' | DrawBand

export interface Comparison {
  /** Power that reaches the water: the least of boiler and coil. */
  readonly power_W: number
  readonly limitedBy: 'boiler' | 'coil'
  /** Hot flow at the store's temperature from the coldest inlet. */
  readonly hot_m3_s: number
  readonly mixed_m3_s: number
  readonly mixedSummer_m3_s?: number
  readonly reheat_s?: number
  readonly simulatedReheat?: {
    readonly took_s: number
    readonly top_K: number
    readonly bottom_K: number
  }
  readonly draw: Lasting
  readonly twoShowers: Lasting
  readonly standing_J_day: number
  /** Heat that two showers take from the coldest inlet. */
  readonly twoShowers_W: number
  /** Part of the heat load below which it starts and stops. */
  readonly cyclesBelowRatio?: number
}

/**
 * Layers and step of the comparison's reheat, coarse enough to run while one types; the page's own
 * run is finer.
 */
const comparedNodes = 20
const comparedStep_s = 10

type SimulatedReheat = ReturnType<typeof simulateReheat>
const remembered = new Map<string, SimulatedReheat>()
const mostRemembered = 64

/**
 * The same store reheats the same: a job is solved at every keystroke, and few of them touch its
 * stores.
 */
function rememberedReheat(
  store: StoreModel,
  boiler_W: number,
  fromTemp_K: number,
): SimulatedReheat {
  const key = JSON.stringify([store, boiler_W, fromTemp_K])
  if (!remembered.has(key)) {
    if (remembered.size >= mostRemembered) remembered.clear()
    remembered.set(key, simulateReheat(store, boiler_W, fromTemp_K, comparedStep_s))
  }
  return remembered.get(key)
}

/**
 * Bore of the cold inlet of a store that nobody has read, a pipe of 25 mm with its bend. Assumed.
 */
const usualInlet_m = 0.025

/**
 * A store of an option as the simulation takes it. Heights of coil and sensor: assumed, the maker's
 * drawing wins.
 */
export const storeModelOf = (
  figures: OptionFigures,
  conditions: ComparisonConditions,
  nodes: number,
  loopLoss_W = 0,
): StoreModel => ({
  volume_m3: figures.store_m3,
  nodes,
  setTemp_K: conditions.storeTemp_K,
  plume: 'rises',
  hysteresis_K: 5,
  sensorHeight: 0.35,
  standingLoss_W: figures.standingLoss_W,
  roomTemp_K: conditions.roomTemp_K,
  coldTemp_K: conditions.coldTemp_K,
  inlet: { bore_m: usualInlet_m },
  heater: figures.burnerInStore
    ? { kind: 'burner', power_W: figures.hotWater_W, height: 0 }
    : {
        kind: 'coil',
        rating_W: figures.coil_W ?? Infinity,
        fromHeight: 0.02,
        toHeight: 0.6,
        flowTemp_K: conditions.flowTemp_K,
        boiler_W: figures.hotWater_W,
      },
  ...(loopLoss_W > 0
    ? {
        loop: {
          loss_W: loopLoss_W,
          flow_m3_s: flowForRise_m3_s({ power_W: loopLoss_W, rise_K: 5 }),
          returnHeight: 0.7,
        },
      }
    : {}),
})

/**
 * What an option gives on the coldest water. Closed forms beside one simulated reheat. Sources:
 * sources.heatBalance, sources.layeredStore.
 */
export function compareOption(
  figures: OptionFigures,
  conditions: ComparisonConditions,
): Comparison {
  const { coldTemp_K, storeTemp_K, mixedTemp_K, wanted_m3_s, shower_m3_s, warmTemp_K, load_W } =
    conditions
  const coil_W = figures.coil_W ?? Infinity
  const power_W = Math.min(figures.hotWater_W, coil_W)
  const rise_K = Math.max(0.1, mixedTemp_K - coldTemp_K)
  const drawn = (mixed_m3_s: number): Lasting => {
    const band = drawBand({
      store_m3: figures.store_m3,
      power_W,
      mixed_m3_s,
      hotTemp_K: storeTemp_K,
      coldTemp_K,
      mixedTemp_K,
    })
    return Number.isFinite(band.most_s) ? band : 'as-long-as-wanted'
  }
  const hasStore = figures.store_m3 > 0 && storeTemp_K > coldTemp_K
  const reheat_s = hasStore
    ? reheatTime_s({
        volume_m3: figures.store_m3,
        coldTemp_K,
        hotTemp_K: storeTemp_K,
        power_W,
        standingLoss_W: figures.standingLoss_W,
      })
    : undefined
  const simulatedReheat =
    hasStore && power_W > 0
      ? rememberedReheat(
          storeModelOf(figures, conditions, comparedNodes),
          figures.hotWater_W,
          coldTemp_K,
        )
      : undefined
  return {
    power_W,
    limitedBy: coil_W < figures.hotWater_W ? 'coil' : 'boiler',
    hot_m3_s:
      storeTemp_K > coldTemp_K
        ? flowForRise_m3_s({ power_W, rise_K: storeTemp_K - coldTemp_K })
        : 0,
    mixed_m3_s: flowForRise_m3_s({ power_W, rise_K }),
    ...(warmTemp_K !== undefined && warmTemp_K < mixedTemp_K
      ? { mixedSummer_m3_s: flowForRise_m3_s({ power_W, rise_K: mixedTemp_K - warmTemp_K }) }
      : {}),
    ...(reheat_s === undefined ? {} : { reheat_s }),
    ...(simulatedReheat ? { simulatedReheat } : {}),
    draw: drawn(wanted_m3_s),
    twoShowers: drawn(2 * shower_m3_s),
    standing_J_day: figures.standingLoss_W * 86400,
    twoShowers_W: powerForFlow_W(2 * shower_m3_s, rise_K),
    ...(load_W > 0 && figures.leastOutput_W > 0
      ? { cyclesBelowRatio: figures.leastOutput_W / load_W }
      : {}),
  }
}

import { tradeDensity_kg_m3, tradeSpecificHeat_J_kgK } from './heating'
import type { StoreEnergy, StoreModel } from './store'
import { Store } from './store'

export interface DrawOutlet {
  readonly id: string
  readonly name: string
  /** Mixed flow with the tap open. */
  readonly flow_m3_s: number
  /** Temperature wanted at the outlet. */
  readonly wantedTemp_K: number
}

export interface DrawEvent {
  readonly outletId: string
  readonly start_s: number
  readonly duration_s: number
  /** How many of the outlet; one when absent. */
  readonly open?: number
}

/** Where the hot water comes from: a store, or a heater that heats it as it runs. */
export type HotSource =
  | {
      readonly kind: 'store'
      readonly store: StoreModel
      readonly startTemp_K: number
      readonly boiler_W: number
    }
  | {
      readonly kind: 'instantaneous'
      readonly power_W: number
      readonly setTemp_K: number
      readonly coldTemp_K: number
      readonly leastFlow_m3_s: number
    }

export interface DrawOffModel {
  readonly source: HotSource
  readonly outlets: readonly DrawOutlet[]
  readonly events: readonly DrawEvent[]
  readonly length_s: number
  readonly step_s: number
  /** Below it the water at an outlet is of no use. */
  readonly usableTemp_K: number
  /** What the main gives with all of it running; flows are cut in proportion past it. */
  readonly mainLimit_m3_s?: number
  /** Heat the building takes meanwhile, and whether hot water goes first. */
  readonly heating: { readonly load_W: number; readonly priority: boolean }
}

export interface OutletSample {
  readonly temp_K: number
  readonly flow_m3_s: number
}

export interface DrawSample {
  readonly at_s: number
  readonly top_K: number
  readonly middle_K: number
  readonly bottom_K: number
  readonly power_W: number
  /** In the order of the model's outlets; undefined while shut. */
  readonly outlets: readonly (OutletSample | undefined)[]
}

export interface Reheat {
  readonly from_s: number
  readonly took_s: number
  readonly topAbove_K: number
}

export interface DrawOffResult {
  readonly samples: readonly DrawSample[]
  /**
   * By outlet: when it first ran below the usable temperature, after how long open, and its
   * coldest.
   */
  readonly outlets: readonly {
    readonly id: string
    readonly fellAt_s?: number
    readonly ran_s: number
    readonly ranUsable_s: number
    readonly coldest_K?: number
    readonly hottestSource_K: number
    /** Least part of its own flow that the main left it. */ readonly leastFlowRatio: number
  }[]
  readonly reheats: readonly Reheat[]
  readonly hottestTop_K: number
  /** Greatest difference of top and bottom at the end of a reheat. */
  readonly greatestLayer_K: number
  /** Time the building went without heat because hot water was first. */
  readonly heatingWaits_s: number
  readonly energy: StoreEnergy
  readonly balanceError: number
}

const heat_J_m3K = tradeDensity_kg_m3 * tradeSpecificHeat_J_kgK
const mostSamples = 1400

/**
 * Runs a pattern of draws on a source of hot water, second by second. Outlets mix to what they
 * want, or run at the source's temperature when that is lower. `tell` hears how far it is, 0 to 1.
 * Source: sources.layeredStore, sources.heatBalance.
 */
export function simulateDraws(model: DrawOffModel, tell?: (share: number) => void): DrawOffResult {
  const store =
    model.source.kind === 'store'
      ? new Store(model.source.store, model.source.startTemp_K)
      : undefined
  const cold_K =
    model.source.kind === 'store' ? model.source.store.coldTemp_K : model.source.coldTemp_K
  const started_J = store?.stored_J ?? 0
  const steps = Math.ceil(model.length_s / model.step_s)
  const every = Math.max(1, Math.ceil(steps / mostSamples))
  const openAt = openings(model, steps)
  const outlets = model.outlets.map(() => ({
    fellAt_s: undefined as number | undefined,
    ran_s: 0,
    ranUsable_s: 0,
    coldest_K: undefined as number | undefined,
    hottestSource_K: 0,
    leastFlowRatio: 1,
  }))
  const samples: DrawSample[] = []
  const reheats: Reheat[] = []
  let [direct_J, directDrawn_J, hottestTop_K, greatestLayer_K, heatingWaits_s] = [
    0,
    0,
    store?.top_K ?? 0,
    0,
    0,
  ]
  let firingSince: number | undefined
  for (let step = 0; step < steps; step++) {
    const at_s = step * model.step_s
    const running = openAt(step)
    const wanted_m3_s = running.reduce(
      (sum, [i, open]) => sum + open * (model.outlets[i]?.flow_m3_s ?? 0),
      0,
    )
    const cut =
      model.mainLimit_m3_s !== undefined && wanted_m3_s > model.mainLimit_m3_s
        ? model.mainLimit_m3_s / wanted_m3_s
        : 1
    const source_K = store ? store.top_K : instantTemp_K(model, running, cut)
    let hot_m3_s = 0
    const now = new Array<OutletSample | undefined>(model.outlets.length)
    for (const [i, open] of running) {
      const outlet = model.outlets[i]
      const tally = outlets[i]
      if (!outlet || !tally) continue
      const ratio =
        source_K <= outlet.wantedTemp_K ? 1 : (outlet.wantedTemp_K - cold_K) / (source_K - cold_K)
      const temp_K = Math.min(source_K, outlet.wantedTemp_K)
      hot_m3_s += Math.max(0, ratio) * open * outlet.flow_m3_s * cut
      now[i] = { temp_K, flow_m3_s: open * outlet.flow_m3_s * cut }
      tally.ran_s += model.step_s
      tally.leastFlowRatio = Math.min(tally.leastFlowRatio, cut)
      if (temp_K >= model.usableTemp_K) tally.ranUsable_s += model.step_s
      else tally.fellAt_s ??= at_s
      tally.coldest_K = Math.min(tally.coldest_K ?? Infinity, temp_K)
      tally.hottestSource_K = Math.max(tally.hottestSource_K, source_K)
    }
    let power_W = hot_m3_s * heat_J_m3K * (source_K - cold_K)
    if (store && model.source.kind === 'store') {
      const free_W = model.heating.priority
        ? model.source.boiler_W
        : Math.max(0, model.source.boiler_W - model.heating.load_W)
      power_W = store.advance(model.step_s, hot_m3_s, free_W).power_W
      if (power_W > 0 && model.heating.priority && model.heating.load_W > 0)
        heatingWaits_s += model.step_s
      hottestTop_K = Math.max(hottestTop_K, store.top_K)
      if (store.isFiring) firingSince ??= at_s
      else if (firingSince !== undefined) {
        reheats.push({
          from_s: firingSince,
          took_s: at_s - firingSince,
          topAbove_K: store.top_K - store.bottom_K,
        })
        greatestLayer_K = Math.max(greatestLayer_K, store.top_K - store.bottom_K)
        firingSince = undefined
      }
    } else {
      direct_J += power_W * model.step_s
      directDrawn_J += power_W * model.step_s
      hottestTop_K = Math.max(hottestTop_K, running.length > 0 ? source_K : 0)
    }
    if (step % every === 0) {
      const middle = store?.temps_K[Math.floor(store.model.nodes / 2)] ?? source_K
      samples.push({
        at_s,
        top_K: store?.top_K ?? source_K,
        middle_K: middle,
        bottom_K: store?.bottom_K ?? source_K,
        power_W,
        outlets: now,
      })
      tell?.(step / steps)
    }
  }
  const energy = store
    ? store.energies
    : { heated_J: direct_J, drawn_J: directDrawn_J, lost_J: 0, loop_J: 0 }
  const gained_J = store ? store.stored_J - started_J : 0
  const out_J = energy.drawn_J + energy.lost_J + energy.loop_J + gained_J
  return {
    samples,
    reheats,
    hottestTop_K,
    greatestLayer_K,
    heatingWaits_s,
    energy,
    balanceError: Math.abs(energy.heated_J - out_J) / Math.max(energy.heated_J, energy.drawn_J, 1),
    outlets: outlets.map(({ fellAt_s, coldest_K, ...tally }, i) => ({
      id: model.outlets[i]?.id ?? '',
      ...tally,
      ...(fellAt_s === undefined ? {} : { fellAt_s }),
      ...(coldest_K === undefined ? {} : { coldest_K }),
    })),
  }
}

type Running = readonly (readonly [outlet: number, open: number])[]

/**
 * Which outlets are open at a step and how many of each, found by events and not by trying each
 * one.
 */
function openings(model: DrawOffModel, steps: number): (step: number) => Running {
  const changes = new Map<number, [number, number][]>()
  const index = new Map(model.outlets.map((outlet, i) => [outlet.id, i]))
  const change = (step: number, outlet: number, by: number) =>
    changes.set(step, [...(changes.get(step) ?? []), [outlet, by]])
  for (const event of model.events) {
    const outlet = index.get(event.outletId)
    if (outlet === undefined) continue
    const from = Math.round(event.start_s / model.step_s)
    change(from, outlet, event.open ?? 1)
    change(
      Math.min(steps, from + Math.round(event.duration_s / model.step_s)),
      outlet,
      -(event.open ?? 1),
    )
  }
  const open = new Array<number>(model.outlets.length).fill(0)
  let now: Running = []
  return (step) => {
    const here = changes.get(step)
    if (here) {
      for (const [outlet, by] of here) open[outlet] = (open[outlet] ?? 0) + by
      now = open.flatMap((count, i) => (count > 0 ? [[i, count] as const] : []))
    }
    return now
  }
}

/**
 * What a heater without a store gives: its setting, or what its power makes of the hot flow; cold
 * below its least flow.
 */
function instantTemp_K(model: DrawOffModel, running: Running, cut: number): number {
  if (model.source.kind !== 'instantaneous') return 0
  const { power_W, setTemp_K, coldTemp_K, leastFlow_m3_s } = model.source
  const sumOf = (each: (outlet: DrawOutlet) => number) =>
    running.reduce((sum, [i, open]) => {
      const outlet = model.outlets[i]
      return outlet ? sum + open * cut * each(outlet) : sum
    }, 0)
  const heat_W = sumOf(
    (outlet) =>
      outlet.flow_m3_s * heat_J_m3K * (Math.min(outlet.wantedTemp_K, setTemp_K) - coldTemp_K),
  )
  const all_m3_s = sumOf((outlet) => outlet.flow_m3_s)
  if (all_m3_s < leastFlow_m3_s) return coldTemp_K
  // It holds its setting while the heat asked for is there; past it the mixing valves are full hot
  // and the temperature falls.
  return heat_W <= power_W ? setTemp_K : coldTemp_K + power_W / (all_m3_s * heat_J_m3K)
}

/**
 * Reheats a cold store with nothing drawn, to the setting at the sensor: seconds, and how much
 * hotter the top is than the bottom then. Undefined when it is not reached within a day.
 */
export function simulateReheat(
  store: StoreModel,
  boiler_W: number,
  fromTemp_K: number,
  step_s = 1,
): { readonly took_s: number; readonly top_K: number; readonly bottom_K: number } | undefined {
  const tank = new Store(store, fromTemp_K)
  for (let at_s = 0; at_s < 86400; at_s += step_s) {
    tank.advance(step_s, 0, boiler_W)
    if (!tank.isFiring && at_s > 0)
      return { took_s: at_s, top_K: tank.top_K, bottom_K: tank.bottom_K }
  }
  return undefined
}

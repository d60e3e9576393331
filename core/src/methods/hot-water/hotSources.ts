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

export interface Reheat {
  readonly from_s: number
  readonly took_s: number
  readonly topAbove_K: number
}

/** Which outlets are open, by their place in the model, and how many of each. */
export type Running = readonly (readonly [outlet: number, open: number])[]

/** What a source was seen to do by the end of a run. */
export interface Seen {
  readonly reheats: readonly Reheat[]
  readonly hottestTop_K: number
  /** Greatest difference of top and bottom at the end of a reheat. */
  readonly greatestLayer_K: number
  /** Time the building went without heat because hot water was first. */
  readonly heatingWaits_s: number
  readonly energy: StoreEnergy
  /** Heat it holds more than at the start. */
  readonly gained_J: number
}

/** A source while a pattern of draws runs on it, step by step. */
export interface RunningSource {
  readonly coldTemp_K: number
  /** What it gives to those that are open, their flows cut to that part. */
  temp_K(running: Running, cut: number): number
  /** A step with so much hot water drawn at that temperature; the power that goes in, W. */
  advance(at_s: number, draw: Draw): number
  /** Its temperatures now; of a heater without a store, all what it gives. */
  layers(source_K: number): {
    readonly top_K: number
    readonly middle_K: number
    readonly bottom_K: number
  }
  seen(): Seen
}

interface Draw {
  readonly hot_m3_s: number
  readonly source_K: number
  readonly running: Running
}

const heat_J_m3K = tradeDensity_kg_m3 * tradeSpecificHeat_J_kgK

interface SourceOf<K extends HotSource['kind']> {
  readonly source: Extract<HotSource, { readonly kind: K }>
  readonly step_s: number
}

/** A store whose boiler also heats the building, or lets it wait. */
class StoreSource implements RunningSource {
  readonly #store: Store
  readonly #free_W: number
  readonly #waits: boolean
  readonly #step_s: number
  readonly #started_J: number
  readonly #reheats: Reheat[] = []
  #hottestTop_K: number
  #greatestLayer_K = 0
  #heatingWaits_s = 0
  #firingSince_s: number | undefined

  constructor(
    { source, step_s }: SourceOf<'store'>,
    heating: { readonly load_W: number; readonly priority: boolean },
  ) {
    this.#store = new Store(source.store, source.startTemp_K)
    this.#free_W = heating.priority
      ? source.boiler_W
      : Math.max(0, source.boiler_W - heating.load_W)
    this.#waits = heating.priority && heating.load_W > 0
    this.#step_s = step_s
    this.#started_J = this.#store.stored_J
    this.#hottestTop_K = this.#store.top_K
  }

  get coldTemp_K() {
    return this.#store.model.coldTemp_K
  }

  temp_K() {
    return this.#store.top_K
  }

  advance(at_s: number, { hot_m3_s }: Draw) {
    const store = this.#store
    const { power_W } = store.advance(this.#step_s, hot_m3_s, this.#free_W)
    if (power_W > 0 && this.#waits) this.#heatingWaits_s += this.#step_s
    this.#hottestTop_K = Math.max(this.#hottestTop_K, store.top_K)
    if (store.isFiring) this.#firingSince_s ??= at_s
    else if (this.#firingSince_s !== undefined) {
      const topAbove_K = store.top_K - store.bottom_K
      this.#reheats.push({
        from_s: this.#firingSince_s,
        took_s: at_s - this.#firingSince_s,
        topAbove_K,
      })
      this.#greatestLayer_K = Math.max(this.#greatestLayer_K, topAbove_K)
      this.#firingSince_s = undefined
    }
    return power_W
  }

  layers(source_K: number) {
    const { top_K, bottom_K, temps_K, model } = this.#store
    return { top_K, middle_K: temps_K[Math.floor(model.nodes / 2)] ?? source_K, bottom_K }
  }

  seen() {
    return {
      reheats: this.#reheats,
      hottestTop_K: this.#hottestTop_K,
      greatestLayer_K: this.#greatestLayer_K,
      heatingWaits_s: this.#heatingWaits_s,
      energy: this.#store.energies,
      gained_J: this.#store.stored_J - this.#started_J,
    }
  }
}

/** A heater without a store: its setting, or what its power makes of the hot flow. */
class InstantSource implements RunningSource {
  readonly #source: Extract<HotSource, { readonly kind: 'instantaneous' }>
  readonly #step_s: number
  readonly #outlets: readonly DrawOutlet[]
  #drawn_J = 0
  #hottestTop_K = 0

  constructor({ source, step_s }: SourceOf<'instantaneous'>, outlets: readonly DrawOutlet[]) {
    this.#source = source
    this.#step_s = step_s
    this.#outlets = outlets
  }

  get coldTemp_K() {
    return this.#source.coldTemp_K
  }

  temp_K(running: Running, cut: number) {
    const { power_W, setTemp_K, coldTemp_K, leastFlow_m3_s } = this.#source
    const sumOf = (each: (outlet: DrawOutlet) => number) =>
      running.reduce((sum, [i, open]) => {
        const outlet = this.#outlets[i]
        return outlet ? sum + open * cut * each(outlet) : sum
      }, 0)
    const heat_W = sumOf(
      (outlet) =>
        outlet.flow_m3_s * heat_J_m3K * (Math.min(outlet.wantedTemp_K, setTemp_K) - coldTemp_K),
    )
    const all_m3_s = sumOf((outlet) => outlet.flow_m3_s)
    // Below its least flow it does not light.
    if (all_m3_s < leastFlow_m3_s) return coldTemp_K
    // It holds its setting while the heat asked for is there; past it the mixing valves are full
    // hot and the temperature falls.
    return heat_W <= power_W ? setTemp_K : coldTemp_K + power_W / (all_m3_s * heat_J_m3K)
  }

  advance(_at_s: number, { hot_m3_s, source_K, running }: Draw) {
    const power_W = hot_m3_s * heat_J_m3K * (source_K - this.coldTemp_K)
    this.#drawn_J += power_W * this.#step_s
    if (running.length > 0) this.#hottestTop_K = Math.max(this.#hottestTop_K, source_K)
    return power_W
  }

  layers(source_K: number) {
    return { top_K: source_K, middle_K: source_K, bottom_K: source_K }
  }

  seen() {
    return {
      reheats: [],
      hottestTop_K: this.#hottestTop_K,
      greatestLayer_K: 0,
      heatingWaits_s: 0,
      energy: { heated_J: this.#drawn_J, drawn_J: this.#drawn_J, lost_J: 0, loop_J: 0 },
      gained_J: 0,
    }
  }
}

/** The source of a model, ready to run from its start. */
export function runningSource(model: {
  readonly source: HotSource
  readonly step_s: number
  readonly outlets: readonly DrawOutlet[]
  readonly heating: { readonly load_W: number; readonly priority: boolean }
}): RunningSource {
  const { source, step_s, heating, outlets } = model
  return source.kind === 'store'
    ? new StoreSource({ source, step_s }, heating)
    : new InstantSource({ source, step_s }, outlets)
}

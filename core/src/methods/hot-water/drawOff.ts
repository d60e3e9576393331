import type { DrawOutlet, HotSource, Running, Seen } from './hotSources'
import { runningSource } from './hotSources'
import type { StoreModel } from './store'
import { Store } from './store'

export interface DrawEvent {
  readonly outletId: string
  readonly start_s: number
  readonly duration_s: number
  /** How many of the outlet; one when absent. */
  readonly open?: number
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

export interface DrawOffResult extends Omit<Seen, 'gained_J'> {
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
  readonly balanceError: number
}

const mostSamples = 1400

/**
 * Runs a pattern of draws on a source of hot water, second by second. Outlets mix to what they
 * want, or run at the source's temperature when that is lower. `tell` hears how far it is, 0 to 1.
 * Source: sources.layeredStore, sources.heatBalance.
 */
export function simulateDraws(model: DrawOffModel, tell?: (share: number) => void): DrawOffResult {
  const source = runningSource(model)
  const steps = Math.ceil(model.length_s / model.step_s)
  const every = Math.max(1, Math.ceil(steps / mostSamples))
  const openAt = openings(model, steps)
  const tallies = model.outlets.map((): Tally => ({
    ran_s: 0,
    ranUsable_s: 0,
    hottestSource_K: 0,
    leastFlowRatio: 1,
  }))
  const samples: DrawSample[] = []
  for (let step = 0; step < steps; step++) {
    const at_s = step * model.step_s
    const running = openAt(step)
    const cut = leftByMain(model, running)
    const source_K = source.temp_K(running, cut)
    let hot_m3_s = 0
    const outlets = new Array<OutletSample | undefined>(model.outlets.length)
    for (const [i, open] of running) {
      const outlet = model.outlets[i]
      const tally = tallies[i]
      if (!outlet || !tally) continue
      const temp_K = Math.min(source_K, outlet.wantedTemp_K)
      hot_m3_s += hotRatio(outlet, source_K, source.coldTemp_K) * open * outlet.flow_m3_s * cut
      outlets[i] = { temp_K, flow_m3_s: open * outlet.flow_m3_s * cut }
      count(tally, model, { at_s, temp_K, source_K, cut })
    }
    const power_W = source.advance(at_s, { hot_m3_s, source_K, running })
    if (step % every === 0) {
      samples.push({ at_s, ...source.layers(source_K), power_W, outlets })
      tell?.(step / steps)
    }
  }
  const { gained_J, ...seen } = source.seen()
  const { heated_J, drawn_J, lost_J, loop_J } = seen.energy
  const out_J = drawn_J + lost_J + loop_J + gained_J
  return {
    ...seen,
    samples,
    balanceError: Math.abs(heated_J - out_J) / Math.max(heated_J, drawn_J, 1),
    outlets: tallies.map((tally, i) => ({ id: model.outlets[i]?.id ?? '', ...tally })),
  }
}

type Tally = { -readonly [K in keyof Tallied]: Tallied[K] }
type Tallied = Omit<DrawOffResult['outlets'][number], 'id'>

/** The part of the wanted flow that the main gives with all of it running. */
function leftByMain({ outlets, mainLimit_m3_s }: DrawOffModel, running: Running): number {
  if (mainLimit_m3_s === undefined) return 1
  const wanted_m3_s = running.reduce(
    (sum, [i, open]) => sum + open * (outlets[i]?.flow_m3_s ?? 0),
    0,
  )
  return wanted_m3_s > mainLimit_m3_s ? mainLimit_m3_s / wanted_m3_s : 1
}

/** How much of a mixed flow is hot; all of it where the source is no hotter than is wanted. */
const hotRatio = ({ wantedTemp_K }: DrawOutlet, source_K: number, cold_K: number): number =>
  source_K <= wantedTemp_K ? 1 : Math.max(0, (wantedTemp_K - cold_K) / (source_K - cold_K))

function count(
  tally: Tally,
  { step_s, usableTemp_K }: DrawOffModel,
  {
    at_s,
    temp_K,
    source_K,
    cut,
  }: {
    readonly at_s: number
    readonly temp_K: number
    readonly source_K: number
    readonly cut: number
  },
): void {
  tally.ran_s += step_s
  tally.leastFlowRatio = Math.min(tally.leastFlowRatio, cut)
  if (temp_K >= usableTemp_K) tally.ranUsable_s += step_s
  else tally.fellAt_s ??= at_s
  tally.coldest_K = Math.min(tally.coldest_K ?? Infinity, temp_K)
  tally.hottestSource_K = Math.max(tally.hottestSource_K, source_K)
}

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

import type { OutletKind } from './outletKinds'
import { fixtureUnits, hunterFlow_m3_s, oneSideRatio, sumOfUnits } from './hunter'
import { loadingUnits, peakFlow_m3_s } from './loadingUnits'

/** What draws: so many of a kind, their mixed flow where it was measured. */
export interface DemandOutlet {
  readonly id: string
  readonly kind: OutletKind
  readonly count: number
  readonly flow_m3_s: { readonly value: number } | null
}

/** One draw of a scenario: so many of an outlet opened at a time, for a time. */
export interface DemandDraw {
  readonly outletId: string
  readonly open: number
  readonly start_s: number
  readonly duration_s: number
}

/** How an outlet is called in the two tables. */
const inTables: Readonly<
  Record<OutletKind, { readonly hunter: string; readonly loading: string }>
> = {
  shower: { hunter: 'shower-private', loading: 'shower' },
  bath: { hunter: 'bathtub-private', loading: 'bath-domestic' },
  washbasin: { hunter: 'lavatory-private', loading: 'washbasin' },
  'kitchen-sink': { hunter: 'kitchen-sink-private', loading: 'kitchen-sink-domestic' },
  'garden-tap': { hunter: 'service-sink', loading: 'garden-tap' },
  wc: { hunter: 'wc-flush-tank-private', loading: 'wc-cistern' },
  'washing-machine': { hunter: 'clothes-washer-private', loading: 'washing-machine-domestic' },
  dishwasher: { hunter: 'dishwasher', loading: 'dishwasher-domestic' },
}

/**
 * Mixed flow of an outlet that nobody has measured, m³/s. Assumed: ordinary fittings at ordinary
 * pressure.
 */
export const usualFlow_m3_s: Readonly<Record<OutletKind, number>> = {
  shower: 9 / 60000,
  bath: 16 / 60000,
  washbasin: 5 / 60000,
  'kitchen-sink': 7 / 60000,
  'garden-tap': 12 / 60000,
  wc: 8 / 60000,
  'washing-machine': 10 / 60000,
  dishwasher: 8 / 60000,
}

export const outletFlow_m3_s = (outlet: DemandOutlet): number =>
  outlet.flow_m3_s?.value ?? usualFlow_m3_s[outlet.kind]

/**
 * Units of one outlet in a table, hot and cold together. Sources: sources.hunter,
 * sources.en806Units.
 */
export const unitsOfOutlet = (kind: OutletKind, table: 'hunter' | 'loading-units'): number =>
  (table === 'hunter'
    ? fixtureUnits[inTables[kind].hunter]
    : loadingUnits[inTables[kind].loading]) ?? 0

export type Simultaneous =
  | { readonly by: 'hunter' | 'loading-units'; readonly units: number; readonly flow_m3_s: number }
  | { readonly by: 'scenario'; readonly at_s: number; readonly flow_m3_s: number }
  /** Outside the table, with how many units there are. */
  | { readonly by: 'not-covered'; readonly units: number }

/**
 * Water drawn at once by the table of the practice, m³/s. Never more than all outlets together.
 * Sources: sources.hunter, sources.en806Units with sources.din1988.
 */
export function simultaneousByUnits(
  outlets: readonly DemandOutlet[],
  table: 'hunter' | 'loading-units',
): Simultaneous {
  const all_m3_s = outlets.reduce((sum, outlet) => sum + outlet.count * outletFlow_m3_s(outlet), 0)
  if (table === 'hunter') {
    const units = sumOfUnits(
      fixtureUnits,
      outlets.map((outlet) => ({ kind: inTables[outlet.kind].hunter, count: outlet.count })),
    )
    const flow_m3_s = hunterFlow_m3_s(units)
    return flow_m3_s === undefined
      ? { by: 'not-covered', units }
      : { by: 'hunter', units, flow_m3_s: Math.min(flow_m3_s, all_m3_s) }
  }
  const units = sumOfUnits(
    loadingUnits,
    outlets.map((outlet) => ({ kind: inTables[outlet.kind].loading, count: outlet.count })),
  )
  return { by: 'loading-units', units, flow_m3_s: Math.min(peakFlow_m3_s(units * 1e-4), all_m3_s) }
}

/**
 * What a heater is asked for at once, as mixed water, m³/s. By fixture units its hot side counts
 * three quarters of each fixture and comes at the heater's own temperature, so that mixed down it
 * is more; by loading units the mixed flow stands as the table has it. Temperatures rise from cold
 * over mixed to hot, else RangeError. Never more than all outlets together. Sources:
 * sources.hunter, sources.hotShare.
 */
export function heaterDemandByUnits(
  outlets: readonly DemandOutlet[],
  table: 'hunter' | 'loading-units',
  temps: { readonly coldTemp_K: number; readonly mixedTemp_K: number; readonly hotTemp_K: number },
): Simultaneous {
  const both = simultaneousByUnits(outlets, table)
  if (both.by !== 'hunter') return both
  const { coldTemp_K, mixedTemp_K, hotTemp_K } = temps
  if (!(coldTemp_K < mixedTemp_K && mixedTemp_K <= hotTemp_K))
    throw new RangeError(`mixedTemp_K is ${mixedTemp_K}; it must be ${coldTemp_K} to ${hotTemp_K}`)
  const units = both.units * oneSideRatio
  const hot_m3_s = hunterFlow_m3_s(units) ?? both.flow_m3_s
  const mixed_m3_s = (hot_m3_s * (hotTemp_K - coldTemp_K)) / (mixedTemp_K - coldTemp_K)
  const all_m3_s = outlets.reduce((sum, outlet) => sum + outlet.count * outletFlow_m3_s(outlet), 0)
  return { by: 'hunter', units, flow_m3_s: Math.min(mixed_m3_s, all_m3_s) }
}

/** The greatest flow that a scenario draws at any moment, m³/s, and when. */
export function simultaneousByScenario(
  outlets: readonly DemandOutlet[],
  draws: readonly DemandDraw[],
): Simultaneous {
  const flowOf = new Map(outlets.map((outlet) => [outlet.id, outletFlow_m3_s(outlet)]))
  const moments = draws.map((draw) => draw.start_s)
  const at = (moment: number) =>
    draws
      .filter((draw) => draw.start_s <= moment && moment < draw.start_s + draw.duration_s)
      .reduce((sum, draw) => sum + draw.open * (flowOf.get(draw.outletId) ?? 0), 0)
  const best = moments
    .map((moment) => ({ at_s: moment, flow_m3_s: at(moment) }))
    .sort((a, b) => b.flow_m3_s - a.flow_m3_s)[0]
  return { by: 'scenario', at_s: best?.at_s ?? 0, flow_m3_s: best?.flow_m3_s ?? 0 }
}

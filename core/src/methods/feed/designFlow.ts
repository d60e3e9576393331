import { hunterFlow_m3_s, oneSideRatio } from '../demand/hunter'
import { peakFlow_m3_s } from '../demand/loadingUnits'
import type { TreeShape } from '../network/treeShape'
import type { Branch } from '../network/tree'

export type Side = 'hot' | 'cold'

/** Outlets of one kind at the end of a pipe, by what each draws there. */
export interface EndDraw {
  /** The place of the pipe in its tree. */
  readonly at: number
  readonly outletId: string
  readonly side: Side
  readonly count: number
  /** What one of them draws on this side, m³/s. */
  readonly each_m3_s: number
  /** Units of one of them in the practice's table, hot and cold together. */
  readonly units: number
  /** It has a pipe on both sides. */
  readonly mixed: boolean
}

/** Outlets open at one moment of a scenario: how many by outlet. */
export type Moment = ReadonlyMap<string, number>

export type DesignBy =
  | { readonly by: 'all-open' }
  | { readonly by: 'scenario'; readonly moments: readonly Moment[] }
  | { readonly by: 'hunter' | 'loading-units' }

export interface DesignFlows {
  readonly flow_m3_s: Float64Array
  /** Units beyond each pipe, where the practice counts units. */
  readonly units: Float64Array
  /** Pipes whose units lie outside the table: their outlets are taken together. */
  readonly uncovered: readonly number[]
}

/**
 * The flow each pipe is designed for, m³/s: all outlets beyond it at once, the greatest moment of a
 * scenario, or the practice's table of units. Units never ask more than all outlets together, nor
 * less than the largest single one beyond. Sources: sources.continuity, sources.hunter with
 * sources.hotShare, sources.en806Units with sources.din1988.
 */
export function designFlows(
  shape: TreeShape<Branch>,
  ends: readonly EndDraw[],
  design: DesignBy,
): DesignFlows {
  const count = shape.ordered.length
  const beyond: EndDraw[][] = Array.from({ length: count }, () => [])
  for (const end of ends)
    for (let at = end.at; at >= 0; at = shape.parent[at] ?? -1) beyond[at]?.push(end)
  const flow = new Float64Array(count)
  const units = new Float64Array(count)
  const uncovered: number[] = []
  beyond.forEach((mine, i) => {
    const together_m3_s = mine.reduce((sum, end) => sum + end.count * end.each_m3_s, 0)
    if (design.by === 'all-open') {
      flow[i] = together_m3_s
      return
    }
    if (design.by === 'scenario') {
      flow[i] = Math.max(0, ...design.moments.map((moment) => openFlow_m3_s(mine, moment)))
      return
    }
    units[i] = unitsOf(mine, design.by)
    const asked_m3_s =
      design.by === 'hunter' ? hunterFlow_m3_s(units[i]) : peakFlow_m3_s(units[i] * 1e-4)
    if (asked_m3_s === undefined && together_m3_s > 0) uncovered.push(i)
    flow[i] = Math.min(together_m3_s, Math.max(asked_m3_s ?? together_m3_s, largestOf_m3_s(mine)))
  })
  return { flow_m3_s: flow, units, uncovered }
}

/** Both sides of an outlet beyond one pipe, by outlet. */
function byOutlet(ends: readonly EndDraw[]): ReadonlyMap<
  string,
  {
    readonly hot: number
    readonly cold: number
    readonly units: number
    readonly mixed: boolean
    readonly hotEach_m3_s: number
    readonly coldEach_m3_s: number
  }
> {
  const found = new Map<
    string,
    {
      hot: number
      cold: number
      units: number
      mixed: boolean
      hotEach_m3_s: number
      coldEach_m3_s: number
    }
  >()
  for (const end of ends) {
    const one = found.get(end.outletId) ?? {
      hot: 0,
      cold: 0,
      units: end.units,
      mixed: end.mixed,
      hotEach_m3_s: 0,
      coldEach_m3_s: 0,
    }
    one[end.side] += end.count
    one[`${end.side}Each_m3_s`] = end.each_m3_s
    found.set(end.outletId, one)
  }
  return found
}

function unitsOf(ends: readonly EndDraw[], table: 'hunter' | 'loading-units'): number {
  let sum = 0
  for (const { hot, cold, units, mixed } of byOutlet(ends).values()) {
    if (!mixed) {
      sum += units * Math.max(hot, cold)
      continue
    }
    // Where hot and cold of a fixture both come this way it counts once; one side alone counts
    // three quarters in fixture units, whole in loading units.
    sum +=
      units * (Math.min(hot, cold) + Math.abs(hot - cold) * (table === 'hunter' ? oneSideRatio : 1))
  }
  return sum
}

const largestOf_m3_s = (ends: readonly EndDraw[]): number =>
  Math.max(
    0,
    ...[...byOutlet(ends).values()].map(
      (one) => (one.hot > 0 ? one.hotEach_m3_s : 0) + (one.cold > 0 ? one.coldEach_m3_s : 0),
    ),
  )

function openFlow_m3_s(ends: readonly EndDraw[], moment: Moment): number {
  let sum_m3_s = 0
  for (const [outletId, one] of byOutlet(ends)) {
    const open = moment.get(outletId) ?? 0
    sum_m3_s +=
      Math.min(open, one.hot) * one.hotEach_m3_s + Math.min(open, one.cold) * one.coldEach_m3_s
  }
  return sum_m3_s
}

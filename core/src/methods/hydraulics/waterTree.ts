import type { Branch } from '../network/tree'
import { meterNode } from '../network/tree'
import { treeShape } from '../network/treeShape'
import { gravity_m_s2 } from '../../units/units'
import { expectAbove0, expectNotNegative } from '../../answer/expect'
import type { Fluid } from './friction'
import {
  circleArea_m2,
  colebrookRoot,
  frictionDrop,
  laminarFactor,
  laminarReynolds,
} from './friction'
import { hazenWilliams_m } from './hazenWilliams'
import { engineFactor } from './networkFriction'

/**
 * Where a tree of water pipes begins: the same name as the gas meter's, so that both trees are one
 * model.
 */
export const sourceNode = meterNode

export interface WaterPipe extends Branch {
  readonly length_m: number
  readonly bore_m: number
  readonly roughness_m: number
  /** Hazen and Williams' C, for that formula alone. */
  readonly roughnessC?: number
  /** Sum of the loss coefficients of its fittings. */
  readonly lossCoefficient: number
  /** How much higher its far end lies than its near one; negative down. */
  readonly rise_m: number
  /** Drawn at its far end, m³/s. */
  readonly draw_m3_s: number
}

/** Ours, the older formula beside it, and what network engines use, for comparing with them. */
export type WaterFormula = 'colebrook' | 'hazen-williams' | 'engine'

export interface WaterState {
  readonly id: string
  readonly flow_m3_s: number
  readonly velocity_m_s: number
  /** Friction and fittings; height is not among it. */
  readonly drop_Pa: number
  readonly farGauge_Pa: number
}

/**
 * Friction and fittings of a pipe at a flow, Pa. Sources: sources.colebrook, sources.hazenWilliams,
 * sources.networkEngine.
 */
export function waterDrop_Pa(
  pipe: Pick<WaterPipe, 'length_m' | 'bore_m' | 'roughness_m' | 'roughnessC' | 'lossCoefficient'>,
  flow_m3_s: number,
  fluid: Fluid,
  formula: WaterFormula,
): { readonly drop_Pa: number; readonly velocity_m_s: number } {
  const { bore_m, length_m, roughness_m, lossCoefficient } = pipe
  if (formula === 'colebrook')
    return frictionDrop({ bore_m, length_m, roughness_m, lossCoefficient, flow_m3_s }, fluid)
  const velocity_m_s = flow_m3_s / circleArea_m2(bore_m)
  const dynamic_Pa = (fluid.density_kg_m3 * velocity_m_s ** 2) / 2
  if (formula === 'hazen-williams')
    return {
      velocity_m_s,
      drop_Pa:
        hazenWilliams_m(
          { flow_m3_s, bore_m, length_m, roughnessC: pipe.roughnessC ?? 150 },
          'network',
        ) *
          fluid.density_kg_m3 *
          gravity_m_s2 +
        lossCoefficient * dynamic_Pa,
    }
  const reynolds = (fluid.density_kg_m3 * velocity_m_s * bore_m) / fluid.viscosity_Pas
  const factor = reynolds > 0 ? engineFactor({ reynolds, roughnessRatio: roughness_m / bore_m }) : 0
  return { velocity_m_s, drop_Pa: ((factor * length_m) / bore_m + lossCoefficient) * dynamic_Pa }
}

/** Source of a tree: a fixed pressure, or one that falls with what is drawn. Gauge Pa. */
export type WaterSource = (flow_m3_s: number) => number

/** A tree laid out once and solved many times, with other draws each time. */
export interface WaterNetwork {
  readonly ordered: readonly WaterPipe[]
  /** Pipe by pipe in order, as the last `solve` left them. */
  readonly flow_m3_s: Float64Array
  readonly velocity_m_s: Float64Array
  readonly drop_Pa: Float64Array
  readonly farGauge_Pa: Float64Array
  /** Solves with these draws, one by pipe in order. */
  readonly solve: (draws_m3_s: ArrayLike<number>) => void
  /** The pipes from the source to the far end of one, as places in order. */
  readonly wayTo: (place: number) => readonly number[]
  /** Drop of a pipe at a flow, without solving anything. */
  readonly dropAt_Pa: (place: number, flow_m3_s: number) => number
}

/**
 * The figures are looked at one by one first: naming them for a sentence costs more than solving
 * the pipe.
 */
function expectPipe({ bore_m, length_m, roughness_m, lossCoefficient }: WaterPipe): void {
  const isFinite = Number.isFinite(bore_m + length_m + roughness_m + lossCoefficient)
  if (isFinite && bore_m > 0 && length_m >= 0 && roughness_m >= 0 && lossCoefficient >= 0) return
  expectAbove0({ bore_m })
  expectNotNegative({ length_m, roughness_m, lossCoefficient })
}

/**
 * Lays a tree out for solving again and again. Bores above 0; lengths, draws and losses 0 or more,
 * else RangeError. Sources: sources.continuity, sources.colebrook, sources.hazenWilliams,
 * sources.networkEngine.
 */
export function waterNetwork(
  pipes: readonly WaterPipe[],
  source: WaterSource,
  fluid: Fluid,
  formula: WaterFormula = 'colebrook',
): WaterNetwork {
  const { ordered, parent, roots } = treeShape(pipes)
  const { density_kg_m3, viscosity_Pas } = fluid
  expectAbove0({ density_kg_m3, viscosity_Pas })
  const count = ordered.length
  const array = () => new Float64Array(count)
  const [flow, velocity, drop, gauge] = [array(), array(), array(), array()]
  // Lists that grow by numbers are as fast as typed arrays to read, and much sooner made.
  const area_m2: number[] = []
  const rise_Pa: number[] = []
  const loss: number[] = []
  const reynoldsPerFlow: number[] = []
  const dynamicPerSquare: number[] = []
  const slenderness: number[] = []
  const roughness: number[] = []
  /**
   * 1/√f of each pipe as it was last: with other draws it is near, and the next is found sooner.
   */
  const rootBefore: number[] = []
  for (const pipe of ordered) {
    expectPipe(pipe)
    const { bore_m } = pipe
    const area = circleArea_m2(bore_m)
    area_m2.push(area)
    rise_Pa.push(density_kg_m3 * gravity_m_s2 * pipe.rise_m)
    loss.push(pipe.lossCoefficient)
    reynoldsPerFlow.push((density_kg_m3 * bore_m) / (viscosity_Pas * area))
    dynamicPerSquare.push(density_kg_m3 / (2 * area * area))
    slenderness.push(pipe.length_m / bore_m)
    roughness.push(pipe.roughness_m / bore_m)
    rootBefore.push(0)
  }
  /** The figures of {@link waterDrop_Pa}. */
  const dropAt = (i: number, flow_m3_s: number): number => {
    if (!(flow_m3_s >= 0)) throw new RangeError(`flow_m3_s is ${flow_m3_s}; it must be 0 or more`)
    if (formula === 'hazen-williams')
      return waterDrop_Pa(ordered[i] as WaterPipe, flow_m3_s, fluid, formula).drop_Pa
    const reynolds = (reynoldsPerFlow[i] as number) * flow_m3_s
    if (reynolds < 1e-12) return 0
    let factor: number
    if (formula === 'engine')
      factor = engineFactor({ reynolds, roughnessRatio: roughness[i] as number })
    else if (reynolds <= laminarReynolds) factor = laminarFactor(reynolds)
    else {
      const root = colebrookRoot(reynolds, roughness[i] as number, rootBefore[i] as number)
      rootBefore[i] = root
      factor = 1 / (root * root)
    }
    return (
      (factor * (slenderness[i] as number) + (loss[i] as number)) *
      (dynamicPerSquare[i] as number) *
      flow_m3_s *
      flow_m3_s
    )
  }
  const solve = (draws_m3_s: ArrayLike<number>) => {
    for (let i = 0; i < count; i++) flow[i] = draws_m3_s[i] as number
    for (let i = count - 1; i >= 0; i--) {
      const up = parent[i] as number
      if (up >= 0) flow[up] = (flow[up] as number) + (flow[i] as number)
    }
    let total_m3_s = 0
    for (const root of roots) total_m3_s += flow[root] as number
    const atSource_Pa = source(total_m3_s)
    for (let i = 0; i < count; i++) {
      const up = parent[i] as number
      const lost_Pa = dropAt(i, flow[i] as number)
      velocity[i] = (flow[i] as number) / (area_m2[i] as number)
      drop[i] = lost_Pa
      gauge[i] = (up < 0 ? atSource_Pa : (gauge[up] as number)) - lost_Pa - (rise_Pa[i] as number)
    }
  }
  const wayTo = (place: number) => {
    const way: number[] = []
    for (let at = place; at >= 0; at = parent[at] as number) way.unshift(at)
    return way
  }
  return {
    ordered,
    flow_m3_s: flow,
    velocity_m_s: velocity,
    drop_Pa: drop,
    farGauge_Pa: gauge,
    solve,
    wayTo,
    dropAt_Pa: dropAt,
  }
}

/**
 * Flow, speed and pressure at the far end of every pipe that hangs on the source, with what is
 * drawn given. A flow of a pipe is the sum of the draws at and beyond its far end. Bores above 0;
 * lengths, draws and losses 0 or more, else RangeError. Sources: sources.continuity,
 * sources.colebrook.
 */
export function solveWaterTree(
  pipes: readonly WaterPipe[],
  source: WaterSource,
  fluid: Fluid,
  formula: WaterFormula = 'colebrook',
): readonly WaterState[] {
  const network = waterNetwork(pipes, source, fluid, formula)
  network.solve(network.ordered.map((pipe) => pipe.draw_m3_s))
  return statesOf(network)
}

/** The pipes of a solved network, each with its own figures. */
export const statesOf = ({
  ordered,
  flow_m3_s,
  velocity_m_s,
  drop_Pa,
  farGauge_Pa,
}: WaterNetwork): readonly WaterState[] =>
  ordered.map(({ id }, i) => ({
    id,
    flow_m3_s: flow_m3_s[i] ?? 0,
    velocity_m_s: velocity_m_s[i] ?? 0,
    drop_Pa: drop_Pa[i] ?? 0,
    farGauge_Pa: farGauge_Pa[i] ?? 0,
  }))

/**
 * An open outlet: gives its flow at the pressure it wants or more, and less in the root of the
 * pressure below that.
 */
export interface OpenOutlet {
  /** The pipe at whose far end it stands. */
  readonly pipeId: string
  readonly flow_m3_s: number
  readonly wantedGauge_Pa: number
}

const mostRounds = 400
/** Rounds end when no outlet's flow moves by more than this share of what it wants. */
const settled = 1e-6
const mostSteps = 60

/**
 * The flows that outlets really give when the supply cannot carry all they want, with the state of
 * the tree. Outlets are openings: below the pressure they want, flow goes with its root. One outlet
 * after the other is brought to balance with the rest held: each has just one such flow, since
 * drawing more leaves it less, and it is closed in on from both sides along its own way. At most
 * 400 rounds to one in a million; `converged` says whether it got there. Wanted pressures above 0.
 * Sources: sources.continuity, sources.colebrook.
 */
export function realFlows(
  pipes: readonly WaterPipe[],
  outlets: readonly OpenOutlet[],
  source: WaterSource,
  fluid: Fluid,
  formula: WaterFormula = 'colebrook',
): {
  readonly flows_m3_s: readonly number[]
  readonly states: readonly WaterState[]
  readonly converged: boolean
  readonly rounds: number
} {
  const network = waterNetwork(pipes, source, fluid, formula)
  const place = new Map(network.ordered.map((pipe, i) => [pipe.id, i]))
  const flows = outlets.map((outlet) => (place.has(outlet.pipeId) ? outlet.flow_m3_s : 0))
  const ways = outlets.map((outlet) => {
    const at = place.get(outlet.pipeId)
    return at === undefined ? [] : network.wayTo(at)
  })
  const heights_Pa = ways.map((way) =>
    way.reduce(
      (sum, at) => sum + fluid.density_kg_m3 * gravity_m_s2 * (network.ordered[at]?.rise_m ?? 0),
      0,
    ),
  )
  const through = new Float64Array(network.ordered.length)
  let total_m3_s = 0
  ways.forEach((way, i) => {
    total_m3_s += flows[i] ?? 0
    for (const at of way) through[at] = (through[at] as number) + (flows[i] ?? 0)
  })
  const finish = (rounds: number, converged: boolean) => {
    const draws = new Float64Array(network.ordered.length)
    outlets.forEach((outlet, i) => {
      const at = place.get(outlet.pipeId)
      if (at !== undefined) draws[at] = (draws[at] as number) + (flows[i] ?? 0)
    })
    network.solve(draws)
    return { flows_m3_s: flows, states: statesOf(network), converged, rounds }
  }
  for (let rounds = 1; rounds <= mostRounds; rounds++) {
    let moved = 0
    outlets.forEach(({ flow_m3_s, wantedGauge_Pa }, i) => {
      const way = ways[i] ?? []
      if (way.length === 0 || flow_m3_s <= 0) return
      const before = flows[i] ?? 0
      /** By how much the pressure that is left would make it give more than it draws. */
      const over = (drawn_m3_s: number) => {
        let gauge_Pa = source(total_m3_s - before + drawn_m3_s) - (heights_Pa[i] ?? 0)
        for (const at of way)
          gauge_Pa -= network.dropAt_Pa(
            at,
            Math.max(0, (through[at] as number) - before + drawn_m3_s),
          )
        return (
          flow_m3_s * Math.sqrt(Math.min(1, Math.max(0, gauge_Pa) / wantedGauge_Pa)) - drawn_m3_s
        )
      }
      const after = over(flow_m3_s) >= 0 ? flow_m3_s : rootBetween(over, flow_m3_s)
      flows[i] = after
      total_m3_s += after - before
      for (const at of way) through[at] = (through[at] as number) - before + after
      moved = Math.max(moved, Math.abs(after - before) / flow_m3_s)
    })
    if (moved < settled) return finish(rounds, true)
  }
  return finish(mostRounds, false)
}

/**
 * Where a function that falls from 0 or above at 0 to below 0 at `high` passes 0: halving, helped
 * by the chord (Illinois).
 */
function rootBetween(falls: (x: number) => number, high: number): number {
  let [a, fa, b, fb] = [0, falls(0), high, falls(high)]
  if (fa <= 0) return 0
  for (let step = 0, side = 0; step < mostSteps && b - a > 1e-10 * high; step++) {
    const x = step % 8 === 7 ? (a + b) / 2 : (a * fb - b * fa) / (fb - fa)
    const fx = falls(x)
    if (fx === 0) return x
    if (fx > 0) {
      a = x
      fa = fx
      if (side === 1) fb /= 2
      side = 1
    } else {
      b = x
      fb = fx
      if (side === -1) fa /= 2
      side = -1
    }
  }
  return (a + b) / 2
}

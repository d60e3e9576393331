import type { Branch } from '../network/tree'
import { inOrder, meterNode, sumBeyond } from '../network/tree'
import { gravity_m_s2 } from '../units/units'
import type { Fluid } from './friction'
import { circleArea_m2, frictionDrop } from './friction'
import { hazenWilliams_m } from './hazenWilliams'
import { engineFactor } from './networkFriction'

/** Where a tree of water pipes begins: the same name as the gas meter's, so that both trees are one model. */
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

/** Friction and fittings of a pipe at a flow, Pa. Sources: sources.colebrook, sources.hazenWilliams, sources.networkEngine. */
export function waterDrop_Pa(pipe: Pick<WaterPipe, 'length_m' | 'bore_m' | 'roughness_m' | 'roughnessC' | 'lossCoefficient'>, flow_m3_s: number, fluid: Fluid, formula: WaterFormula): { readonly drop_Pa: number; readonly velocity_m_s: number } {
  const { bore_m, length_m, roughness_m, lossCoefficient } = pipe
  if (formula === 'colebrook') return frictionDrop({ bore_m, length_m, roughness_m, lossCoefficient, flow_m3_s }, fluid)
  const velocity_m_s = flow_m3_s / circleArea_m2(bore_m)
  const dynamic_Pa = (fluid.density_kg_m3 * velocity_m_s ** 2) / 2
  if (formula === 'hazen-williams') return { velocity_m_s, drop_Pa: hazenWilliams_m({ flow_m3_s, bore_m, length_m, roughnessC: pipe.roughnessC ?? 150 }, 'network') * fluid.density_kg_m3 * gravity_m_s2 + lossCoefficient * dynamic_Pa }
  const reynolds = (fluid.density_kg_m3 * velocity_m_s * bore_m) / fluid.viscosity_Pas
  const factor = reynolds > 0 ? engineFactor({ reynolds, roughnessRatio: roughness_m / bore_m }) : 0
  return { velocity_m_s, drop_Pa: ((factor * length_m) / bore_m + lossCoefficient) * dynamic_Pa }
}

/** Source of a tree: a fixed pressure, or one that falls with what is drawn. Gauge Pa. */
export type WaterSource = (flow_m3_s: number) => number

/**
 * Flow, speed and pressure at the far end of every pipe that hangs on the source, with what is drawn given. A flow of a pipe is the sum of the
 * draws at and beyond its far end. Bores above 0; lengths, draws and losses 0 or more, else RangeError. Sources: sources.continuity, sources.colebrook.
 */
export function solveWaterTree(pipes: readonly WaterPipe[], source: WaterSource, fluid: Fluid, formula: WaterFormula = 'colebrook'): readonly WaterState[] {
  const { ordered } = inOrder(pipes)
  const flows = sumBeyond(ordered, (pipe) => pipe.draw_m3_s)
  const total_m3_s = ordered.filter((pipe) => pipe.from === sourceNode).reduce((sum, pipe) => sum + (flows.get(pipe.id) ?? 0), 0)
  const gauges = new Map<string, number>([[sourceNode, source(total_m3_s)]])
  return ordered.map((pipe): WaterState => {
    const flow_m3_s = flows.get(pipe.id) ?? 0
    const { drop_Pa, velocity_m_s } = waterDrop_Pa(pipe, flow_m3_s, fluid, formula)
    const farGauge_Pa = (gauges.get(pipe.from) ?? 0) - drop_Pa - fluid.density_kg_m3 * gravity_m_s2 * pipe.rise_m
    gauges.set(pipe.id, farGauge_Pa)
    return { id: pipe.id, flow_m3_s, velocity_m_s, drop_Pa, farGauge_Pa }
  })
}

/** An open outlet: gives its flow at the pressure it wants or more, and less in the root of the pressure below that. */
export interface OpenOutlet {
  /** The pipe at whose far end it stands. */
  readonly pipeId: string
  readonly flow_m3_s: number
  readonly wantedGauge_Pa: number
}

const mostRounds = 400
/** Rounds end when no outlet's flow moves by more than this share of what it wants. */
const settled = 1e-7
const halvings = 40

/**
 * The flows that outlets really give when the supply cannot carry all they want, with the state of the tree. Outlets are openings: below the
 * pressure they want, flow goes with its root. One outlet after the other is brought to balance with the rest held, by halving: each has just
 * one such flow, since drawing more leaves it less. At most 400 rounds to one in ten million; `converged` says whether it got there. Wanted
 * pressures above 0. Sources: sources.continuity, sources.colebrook.
 */
export function realFlows(pipes: readonly WaterPipe[], outlets: readonly OpenOutlet[], source: WaterSource, fluid: Fluid, formula: WaterFormula = 'colebrook'): { readonly flows_m3_s: readonly number[]; readonly states: readonly WaterState[]; readonly converged: boolean; readonly rounds: number } {
  const flows = outlets.map((outlet) => outlet.flow_m3_s)
  const solve = () => {
    const at = new Map<string, number>()
    outlets.forEach((outlet, i) => at.set(outlet.pipeId, (at.get(outlet.pipeId) ?? 0) + (flows[i] ?? 0)))
    return solveWaterTree(pipes.map((pipe) => ({ ...pipe, draw_m3_s: at.get(pipe.id) ?? 0 })), source, fluid, formula)
  }
  /** What the pressure at an outlet would make it give, with it drawing a flow and the others as they are. */
  const given = (i: number, { pipeId, flow_m3_s, wantedGauge_Pa }: OpenOutlet, drawn_m3_s: number) => {
    flows[i] = drawn_m3_s
    const gauge_Pa = solve().find((state) => state.id === pipeId)?.farGauge_Pa ?? 0
    return flow_m3_s * Math.sqrt(Math.min(1, Math.max(0, gauge_Pa) / wantedGauge_Pa))
  }
  for (let rounds = 1; rounds <= mostRounds; rounds++) {
    let moved = 0
    outlets.forEach((outlet, i) => {
      const before = flows[i] ?? 0
      let [low, high] = [0, outlet.flow_m3_s]
      if (given(i, outlet, high) < high) for (let step = 0; step < halvings; step++) { const middle = (low + high) / 2; if (given(i, outlet, middle) > middle) low = middle; else high = middle }
      flows[i] = high
      if (outlet.flow_m3_s > 0) moved = Math.max(moved, Math.abs(high - before) / outlet.flow_m3_s)
    })
    if (moved < settled) return { flows_m3_s: flows, states: solve(), converged: true, rounds }
  }
  return { flows_m3_s: flows, states: solve(), converged: false, rounds: mostRounds }
}

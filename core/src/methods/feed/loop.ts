import { expectAbove0, expectNotNegative } from '../../answer/expect'
import type { Branch } from '../network/tree'
import { meterNode } from '../network/tree'
import { treeShape } from '../network/treeShape'

/**
 * A pipe that hot water goes round through: out as a branch of the tree that begins at the heater,
 * or back as a return from the end of one.
 */
export interface LoopPipe extends Branch {
  /** Heat it loses while the water goes round, W. */
  readonly loss_W: number
}

export interface LoopReturnPipe {
  readonly id: string
  /** The pipe at whose far end it begins. */
  readonly at: string
  readonly loss_W: number
}

export interface LoopState {
  readonly flow_m3_s: number
  readonly endTemp_K: number
}

export interface LoopAnswer {
  readonly loss_W: number
  readonly flow_m3_s: number
  /** Of all returns together, where they meet at the heater. */
  readonly backTemp_K: number
  readonly pipes: ReadonlyMap<string, LoopState>
  readonly returns: ReadonlyMap<string, LoopState>
}

export interface LoopWater {
  readonly density_kg_m3: number
  readonly specificHeat_J_kgK: number
}

/**
 * The flow a secondary return goes round with, and the temperature at the end of each pipe. The
 * pump's flow carries all that is lost within the drop; at every tee it parts in proportion to the
 * heat lost beyond. Losses are taken at the flow temperature, so heat closes: what leaves the
 * heater less what comes back is what is lost. Losses 0 or more, drop above 0, else RangeError;
 * pipes that no return leads back from are still. Source: sources.loopBalance.
 */
export function solveLoop(
  pipes: readonly LoopPipe[],
  returns: readonly LoopReturnPipe[],
  {
    flowTemp_K,
    drop_K,
    water,
  }: { readonly flowTemp_K: number; readonly drop_K: number; readonly water: LoopWater },
): LoopAnswer {
  expectAbove0({ drop_K, ...water })
  for (const { loss_W } of [...pipes, ...returns]) expectNotNegative({ loss_W })
  const { ordered } = treeShape(pipes)
  const ids = new Set(ordered.map((pipe) => pipe.id))
  const back = returns.filter((one) => ids.has(one.at))
  const beyond = new Map<string, number>()
  const goes = new Set<string>()
  for (const one of back) {
    goes.add(one.at)
    beyond.set(one.at, (beyond.get(one.at) ?? 0) + one.loss_W)
  }
  for (const pipe of [...ordered].reverse()) {
    if (!goes.has(pipe.id)) continue
    beyond.set(pipe.id, (beyond.get(pipe.id) ?? 0) + pipe.loss_W)
    if (pipe.from !== meterNode) {
      goes.add(pipe.from)
      beyond.set(pipe.from, (beyond.get(pipe.from) ?? 0) + (beyond.get(pipe.id) ?? 0))
    }
  }
  const circulated = ordered.filter((pipe) => goes.has(pipe.id))
  const loss_W =
    circulated.reduce((sum, pipe) => sum + pipe.loss_W, 0) +
    back.reduce((sum, one) => sum + one.loss_W, 0)
  const carried_J_m3K = water.density_kg_m3 * water.specificHeat_J_kgK
  const flow_m3_s = loss_W / (carried_J_m3K * drop_K)
  const states = new Map<string, LoopState>()
  /**
   * What parts at a node: its share of the flow by the heat lost on each way. A node where nothing
   * is lost parts evenly.
   */
  const part = (from: string, branch_W: number): number => {
    const ways = [
      ...circulated.filter((pipe) => pipe.from === from).map((pipe) => beyond.get(pipe.id) ?? 0),
      ...back.filter((one) => one.at === from).map((one) => one.loss_W),
    ]
    const all_W = ways.reduce((sum, way) => sum + way, 0)
    return all_W > 0 ? branch_W / all_W : 1 / Math.max(1, ways.length)
  }
  const cooled = (start: LoopState, flow: number, lost_W: number): LoopState => ({
    flow_m3_s: flow,
    endTemp_K: flow > 0 ? start.endTemp_K - lost_W / (flow * carried_J_m3K) : start.endTemp_K,
  })
  const heater: LoopState = { flow_m3_s, endTemp_K: flowTemp_K }
  const at = (id: string) => (id === meterNode ? heater : (states.get(id) ?? heater))
  for (const pipe of circulated) {
    const start = at(pipe.from)
    states.set(
      pipe.id,
      cooled(start, start.flow_m3_s * part(pipe.from, beyond.get(pipe.id) ?? 0), pipe.loss_W),
    )
  }
  const returned = new Map(
    back.map((one): [string, LoopState] => {
      const start = at(one.at)
      return [one.id, cooled(start, start.flow_m3_s * part(one.at, one.loss_W), one.loss_W)]
    }),
  )
  const heat = [...returned.values()].reduce(
    (sum, state) => sum + state.flow_m3_s * state.endTemp_K,
    0,
  )
  return {
    loss_W,
    flow_m3_s,
    backTemp_K: flow_m3_s > 0 ? heat / flow_m3_s : flowTemp_K,
    pipes: states,
    returns: returned,
  }
}

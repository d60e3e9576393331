import type { Branch } from '../network/tree'
import { inOrder, meterNode } from '../network/tree'
import { chooseSizes } from './chooseSizes'
import type { PipeToSize, Price } from './chooseSizes'
import type { LowGasMethod } from './methodNames'
import { elevated_Pa, methodAt } from './methodNames'
import type { GasConditions, PipeState, SizedPipe } from './network'
import { branchFlows, solveGasTree } from './network'
import type { PipeSize } from '../materials/pipes'

/** What a line regulator loses itself where nobody has read it. Assumed. */
export const usualRegulatorDrop_Pa = 500

/** Supply of a tree that may hold regulators on the line. */
export interface StagedSupply extends Omit<GasConditions, 'method'> {
  readonly method: LowGasMethod
  /** Share of the load that burns at once, by a declared rule; 1 is everything. */
  readonly shareRatio: number
}

/** A regulator at the far end of a pipe. */
export interface Regulator {
  readonly outGauge_Pa: number
  readonly drop_Pa: number
}

export interface Regulated {
  readonly regulator?: Regulator
}

/** Pipes between the meter or a regulator and the next ones: one pressure, one equation. */
export interface Stage<B extends Branch> {
  /** `meter`, or the pipe whose regulator it hangs on. */
  readonly root: string
  /** As a tree of its own: those that leave from its root leave from `meter`. */
  readonly pipes: readonly B[]
  readonly conditions: GasConditions
}

/** The stages of a tree, the meter's first. Each pipe is in one. */
export function stagesOf<B extends Branch & Regulated>(
  pipes: readonly B[],
  supply: StagedSupply,
): readonly Stage<B>[] {
  const { ordered } = inOrder(pipes)
  const byId = new Map(ordered.map((pipe) => [pipe.id, pipe]))
  const rootOf = new Map<string, string>()
  const found = new Map<string, B[]>([[meterNode, []]])
  for (const pipe of ordered) {
    const feeder = byId.get(pipe.from)
    const root = feeder?.regulator ? feeder.id : (rootOf.get(pipe.from) ?? meterNode)
    rootOf.set(pipe.id, root)
    const mine = found.get(root) ?? []
    mine.push(pipe.from === root ? { ...pipe, from: meterNode } : pipe)
    found.set(root, mine)
  }
  return [...found].map(([root, mine]) => {
    const meterGauge_Pa = byId.get(root)?.regulator?.outGauge_Pa ?? supply.meterGauge_Pa
    return {
      root,
      pipes: mine,
      conditions: {
        gas: supply.gas,
        atmosphere_Pa: supply.atmosphere_Pa,
        meterGauge_Pa,
        method: methodAt(supply.method, meterGauge_Pa),
      },
    }
  })
}

export interface StagedState extends PipeState {
  readonly root: string
  readonly conditions: GasConditions
}

/**
 * Flow, drop and pressure of every pipe, each in its stage. Drops count from where the stage
 * begins.
 */
export function solveStages(
  pipes: readonly (SizedPipe & Regulated)[],
  supply: StagedSupply,
): readonly StagedState[] {
  const flows = branchFlows(pipes, supply.gas, supply.shareRatio)
  const states = new Map(
    stagesOf(pipes, supply).flatMap(({ root, conditions, pipes: mine }) =>
      solveGasTree(mine, conditions, flows).map((state): [string, StagedState] => [
        state.id,
        { ...state, root, conditions },
      ]),
    ),
  )
  return inOrder(pipes).ordered.flatMap((pipe) => states.get(pipe.id) ?? [])
}

/**
 * Cheapest sizes, stage by stage: what a stage costs does not touch another, since its flows and
 * its first pressure are its own. Undefined where even the largest do not do.
 */
export function chooseStages(
  pipes: readonly (PipeToSize & Regulated)[],
  supply: StagedSupply,
  price?: Price,
): ReadonlyMap<string, PipeSize> | undefined {
  const flows = branchFlows(pipes, supply.gas, supply.shareRatio)
  const chosen: (readonly [string, PipeSize])[] = []
  for (const { pipes: mine, conditions } of stagesOf(pipes, supply)) {
    const sizes = chooseSizes(mine, conditions, price, flows)
    if (!sizes) return undefined
    chosen.push(...sizes)
  }
  return new Map(chosen)
}

/** Whether a pressure is one for which the table and the low-pressure allowance were made. */
export const isElevated = (gauge_Pa: number): boolean => gauge_Pa >= elevated_Pa * (1 - 1e-9)

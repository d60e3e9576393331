import type { GasConditions, SizedPipe } from './network'
import { branchFlows, pipeDrop_Pa } from './network'
import type { PipeSize } from './pipes'
import { materials } from './pipes'
import type { Branch } from './tree'
import { inOrder } from './tree'

/** A pipe whose size may be fixed (existing, or chosen by hand) or free. */
export interface PipeToSize extends Omit<SizedPipe, 'size'> {
  readonly fixed?: PipeSize
  /** Greatest drop from the meter to its far end; undefined where nothing is fed. */
  readonly dropAllowed_Pa?: number
  /** A second verdict, such as a table, may ask for more than the drop does. */
  readonly leastBore_m?: number
}

interface Choice {
  readonly cost: number
  /** Drop that may still stand before this subtree: the least slack of any appliance in it. */
  readonly slack_Pa: number
  readonly bore_m: number
  /** The pipe this choice sizes, and the choices it stands on; read back only for the one that wins. */
  readonly pick?: readonly [string, PipeSize]
  readonly parts: readonly Choice[]
}

/** Cost of a pipe for the choice: metal, taken as bore times length. Assumed; prices come with the materials list. */
const pipeCost = (size: PipeSize, length_m: number) => size.bore_m * Math.max(length_m, 0.1)

/**
 * Sizes for the free pipes of a gas tree: the least metal such that every appliance keeps its pressure with all burning and no branch
 * is larger than its feeder. Exact: keeps, per subtree, every choice that no other beats in cost, slack and bore at once (Pareto front).
 * Undefined when even the largest catalogue sizes do not do. Drops by {@link pipeDrop_Pa}, additive along a path.
 */
export function chooseSizes(pipes: readonly PipeToSize[], conditions: GasConditions): ReadonlyMap<string, PipeSize> | undefined {
  const flows = branchFlows(pipes, conditions.gas)
  const { ordered } = inOrder(pipes)
  const fronts = new Map<string, readonly Choice[]>()
  for (const pipe of [...ordered].reverse()) {
    const below = joinFronts(ordered.filter((child) => child.from === pipe.id).map((child) => fronts.get(child.id) ?? []))
    const free: readonly PipeSize[] = materials[pipe.material].sizes
    const catalogue = pipe.fixed ? [pipe.fixed] : free.filter((size) => size.bore_m >= (pipe.leastBore_m ?? 0) * (1 - 1e-9))
    const choices = catalogue.flatMap((size) => {
      const drop_Pa = pipeDrop_Pa(pipe, size, flows.get(pipe.id) ?? 0, conditions)
      return below
        .filter((choice) => choice.bore_m <= size.bore_m * (1 + 1e-9) || pipe.fixed !== undefined)
        .map((choice): Choice => ({
          cost: choice.cost + (pipe.fixed ? 0 : pipeCost(size, pipe.length_m)),
          slack_Pa: Math.min(choice.slack_Pa, pipe.dropAllowed_Pa ?? Infinity) - drop_Pa,
          bore_m: size.bore_m,
          pick: [pipe.id, size], parts: [choice],
        }))
    })
    fronts.set(pipe.id, paretoFront(choices.filter((choice) => choice.slack_Pa >= -1e-9)))
  }
  const roots = ordered.filter((pipe) => pipe.from === 'meter').map((pipe) => fronts.get(pipe.id) ?? [])
  const best = joinFronts(roots)[0]
  return best && new Map(picksOf(best))
}

function picksOf(choice: Choice): [string, PipeSize][] {
  const picks: [string, PipeSize][] = []
  const waiting: Choice[] = [choice]
  for (let one = waiting.pop(); one; one = waiting.pop()) {
    if (one.pick) picks.push([one.pick[0], one.pick[1]])
    waiting.push(...one.parts)
  }
  return picks
}

/** All ways of taking one choice of each subtree, beaten ones left out; the empty join is one free choice. Cheapest first. */
function joinFronts(fronts: readonly (readonly Choice[])[]): readonly Choice[] {
  const nothing: Choice = { cost: 0, slack_Pa: Infinity, bore_m: 0, parts: [] }
  return fronts.reduce<readonly Choice[]>(
    (joined, front) => paretoFront(joined.flatMap((a) => front.map((b) => ({
      cost: a.cost + b.cost, slack_Pa: Math.min(a.slack_Pa, b.slack_Pa), bore_m: Math.max(a.bore_m, b.bore_m), parts: [a, b],
    })))),
    [nothing],
  )
}

function paretoFront(choices: readonly Choice[]): readonly Choice[] {
  const sorted = [...choices].sort((a, b) => a.cost - b.cost || b.slack_Pa - a.slack_Pa || a.bore_m - b.bore_m)
  const kept: Choice[] = []
  for (const choice of sorted) {
    if (!kept.some((other) => other.slack_Pa >= choice.slack_Pa && other.bore_m <= choice.bore_m)) kept.push(choice)
  }
  return kept
}

/** Metal in a sized tree, the figure that {@link chooseSizes} makes least. */
export const treeCost = (pipes: readonly (Branch & { readonly length_m: number; readonly size: PipeSize })[]): number =>
  pipes.reduce((sum, pipe) => sum + pipeCost(pipe.size, pipe.length_m), 0)


import type { GasConditions, SizedPipe } from './network'
import { branchFlows, pipeDrop_Pa } from './network'
import type { PipeSize } from './pipes'
import { materials } from './pipes'
import type { Branch } from './tree'
import { inOrder, meterNode } from './tree'

/** A pipe whose size may be fixed (existing, or chosen by hand) or free. */
export interface PipeToSize extends Omit<SizedPipe, 'size'> {
  readonly fixed?: PipeSize
  /** Greatest drop from the meter to its far end; undefined where nothing is fed. */
  readonly dropAllowed_Pa?: number
  /** A second verdict, such as a table or a speed, may ask for more than the drop does. */
  readonly leastBore_m?: number
}

/** One way of sizing a subtree: what it costs, and the drop that may still stand before it. */
interface Choice {
  readonly cost: number
  readonly slack_Pa: number
  /** The pipe this choice sizes, and what it stands on; read back only for the one that wins. */
  readonly pipe: number
  readonly size: number
  readonly under: Choice | undefined
  /** The other side, where two subtrees join. */
  readonly beside: Choice | undefined
}

/** Choices that no other beats in cost and slack: dearer as the slack grows. */
type Front = readonly Choice[]

/** What a pipe of a size costs; metal, taken as bore times length, where no prices are given. */
export type Price = (pipe: Pick<PipeToSize, 'id' | 'material' | 'length_m'>, size: PipeSize) => number
const metal: Price = (pipe, size) => size.bore_m * Math.max(pipe.length_m, 0.1)

/**
 * Sizes for the free pipes of a gas tree: the cheapest such that every appliance keeps its pressure with all burning and no branch is larger
 * than its feeder. Exact: per subtree and size of its first pipe it keeps every choice that no other beats in cost and slack. Slack joins by
 * the least of both sides, so two fronts join in the sum of their lengths, not the product; choices that even the largest pipes before them
 * cannot save are dropped, and slack beyond what the smallest pipes before them could use is cut, which loses no solution. Proof in docs/size-choice.md.
 * Undefined when even the largest catalogue sizes do not do. Drops by {@link pipeDrop_Pa}, additive along a path.
 */
export function chooseSizes(pipes: readonly PipeToSize[], conditions: GasConditions, price: Price = metal): ReadonlyMap<string, PipeSize> | undefined {
  const flows = branchFlows(pipes, conditions.gas)
  const { ordered } = inOrder(pipes)
  const sizes = ordered.map((pipe) => sizesOf(pipe, flows.get(pipe.id) ?? 0, conditions, price))
  const before = dropsBefore(ordered, sizes)
  const children = new Map<string, number[]>()
  ordered.forEach((pipe, i) => { const beside = children.get(pipe.from); if (beside) beside.push(i); else children.set(pipe.from, [i]) })
  /** Per pipe and size, the front of all choices whose first pipe is that size or smaller. */
  const upTo: Front[][] = ordered.map(() => [])
  const below = (id: string, bore_m: number): Front | undefined => {
    let joined: Front | undefined
    for (const child of children.get(id) ?? []) {
      const at = (sizes[child] ?? []).findLastIndex(({ size }) => size.bore_m <= bore_m * (1 + 1e-9))
      const front = upTo[child]?.[at] ?? []
      joined = joined ? join(joined, front) : front
    }
    return joined
  }
  for (let i = ordered.length - 1; i >= 0; i--) {
    const pipe = ordered[i] as PipeToSize
    const { least_Pa, most_Pa } = before[i] ?? { least_Pa: 0, most_Pa: Infinity }
    let all: Front = []
    upTo[i] = (sizes[i] ?? []).map(({ size, drop_Pa, cost }, at) => {
      const under = below(pipe.id, pipe.fixed ? Infinity : size.bore_m)
      const front: Choice[] = []
      const add = (choice: Choice | undefined) => {
        const slack_Pa = Math.min(choice?.slack_Pa ?? Infinity, pipe.dropAllowed_Pa ?? Infinity) - drop_Pa
        const last = front[front.length - 1]
        const kept_Pa = Math.min(slack_Pa, most_Pa)
        if (slack_Pa >= least_Pa - 1e-9 && (!last || kept_Pa > last.slack_Pa)) front.push({ cost: (choice?.cost ?? 0) + cost, slack_Pa: kept_Pa, pipe: i, size: at, under: choice, beside: undefined })
      }
      if (under) for (const choice of under) add(choice)
      else add(undefined)
      return (all = merge(all, front))
    })
  }
  const best = below(meterNode, Infinity)?.[0]
  if (!best) return undefined
  return new Map(picksOf(best).map(({ pipe, size }): [string, PipeSize] => [(ordered[pipe] as PipeToSize).id, (sizes[pipe]?.[size] as SizeHere).size]))
}

interface SizeHere { readonly size: PipeSize; readonly drop_Pa: number; readonly cost: number }

function sizesOf(pipe: PipeToSize, flow_m3_s: number, conditions: GasConditions, price: Price): readonly SizeHere[] {
  const free: readonly PipeSize[] = materials[pipe.material].sizes
  const catalogue = pipe.fixed ? [pipe.fixed] : free.filter((size) => size.bore_m >= (pipe.leastBore_m ?? 0) * (1 - 1e-9))
  return [...catalogue].sort((a, b) => a.bore_m - b.bore_m).map((size) => ({ size, drop_Pa: pipeDrop_Pa(pipe, size, flow_m3_s, conditions), cost: pipe.fixed ? 0 : price(pipe, size) }))
}

/** Least and most drop that the pipes before each one can make: what a choice must leave, and what it need not leave more than. */
function dropsBefore(ordered: readonly PipeToSize[], sizes: readonly (readonly SizeHere[])[]): readonly { readonly least_Pa: number; readonly most_Pa: number }[] {
  const to = new Map<string, { least_Pa: number; most_Pa: number }>([[meterNode, { least_Pa: 0, most_Pa: 0 }]])
  return ordered.map((pipe, i) => {
    const start = to.get(pipe.from) ?? { least_Pa: 0, most_Pa: Infinity }
    const drops = (sizes[i] ?? []).map((one) => one.drop_Pa)
    to.set(pipe.id, { least_Pa: start.least_Pa + Math.min(...drops), most_Pa: start.most_Pa + Math.max(...drops) })
    return start
  })
}

/** Two subtrees together: for every slack that either can have, the cheapest of each that has it. */
function join(a: Front, b: Front): Front {
  const joined: Choice[] = []
  let [i, j] = [0, 0]
  // Fronts run from cheap and little slack to dear and much: the pair is always the first of each side that still has the slack asked for.
  for (let one = a[i], other = b[j]; one && other; one = a[i], other = b[j]) {
    joined.push({ cost: one.cost + other.cost, slack_Pa: Math.min(one.slack_Pa, other.slack_Pa), pipe: -1, size: 0, under: one, beside: other })
    if (one.slack_Pa <= other.slack_Pa) i += 1
    if (other.slack_Pa <= one.slack_Pa) j += 1
  }
  return joined
}

/** Two fronts of the same subtree as one: those that no choice of either beats, cheapest first. */
function merge(a: Front, b: Front): Front {
  if (a.length === 0) return b
  const kept: Choice[] = []
  let most_Pa = -Infinity
  let [i, j] = [0, 0]
  while (i < a.length || j < b.length) {
    const [one, other] = [a[i], b[j]]
    const takeFirst = !other || (one !== undefined && (one.cost < other.cost || (one.cost === other.cost && one.slack_Pa >= other.slack_Pa)))
    const next = (takeFirst ? one : other) as Choice
    if (takeFirst) i += 1
    else j += 1
    if (next.slack_Pa > most_Pa) { kept.push(next); most_Pa = next.slack_Pa }
  }
  return kept
}

function picksOf(choice: Choice): Choice[] {
  const picks: Choice[] = []
  const waiting: Choice[] = [choice]
  for (let one = waiting.pop(); one; one = waiting.pop()) {
    if (one.pipe >= 0) picks.push(one)
    if (one.under) waiting.push(one.under)
    if (one.beside) waiting.push(one.beside)
  }
  return picks
}

/** What a sized tree costs, the figure that {@link chooseSizes} makes least. */
export const treeCost = (pipes: readonly (Branch & Pick<PipeToSize, 'material' | 'length_m'> & { readonly size: PipeSize })[], price: Price = metal): number =>
  pipes.reduce((sum, pipe) => sum + price(pipe, pipe.size), 0)

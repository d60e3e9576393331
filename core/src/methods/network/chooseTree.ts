import { lastWithin, sizeBounds } from './sizeBounds'
import type { SizeBounds } from './sizeBounds'
import type { Branch } from './tree'
import type { TreeShape } from './treeShape'
import { treeShape } from './treeShape'

/**
 * A size that a pipe may take: what it costs, and what it loses at the flow that is designed for,
 * in any measure that adds along a path.
 */
export interface Offer {
  readonly bore_m: number
  readonly cost: number
  readonly drop: number
}

/** A pipe with the sizes it may take, smallest bore first; one of them where it stays as it is. */
export interface OfferedPipe extends Branch {
  readonly offers: readonly Offer[]
  /** It stays as it is, and what leaves from it may be larger. */
  readonly fixed: boolean
  /** Greatest drop from the source to its far end; undefined where nothing is fed. */
  readonly allowed?: number
}

/** One way of sizing a subtree: what it costs, and the drop that may still stand before it. */
interface Choice {
  readonly cost: number
  readonly slack: number
  /**
   * The pipe this choice sizes, and what it stands on; read back only for the one that wins. -1
   * where two subtrees join.
   */
  readonly pipe: number
  readonly offer: number
  readonly under: Choice | undefined
  readonly beside: Choice | undefined
}

/** Choices that no other beats in cost and slack: dearer as the slack grows. */
type Front = readonly Choice[]

/**
 * First guess of how far the cheapest choice lies over its bound, and how the guess grows while
 * nothing is found under it.
 */
const firstGap = 0.001
const gapGrows = 3

/**
 * The cheapest offers of a tree such that no allowance is passed and no branch is larger than its
 * feeder, as an index of offers by pipe id; undefined when even the largest do not do. Exact. Per
 * subtree and offer of its first pipe it keeps every choice that no other beats in cost and slack;
 * slack joins by the least of both sides, so two fronts join in the sum of their lengths. A choice
 * that {@link sizeBounds} shows to be no part of anything within a gap of the bound is dropped; the
 * gap grows until something is found, and that is then the cheapest of all. Drops 0 or more.
 * Source: docs/size-choice.md, with the proof.
 */
export function chooseTree(
  pipes: readonly OfferedPipe[],
  progress?: (tried: number) => void,
): ReadonlyMap<string, number> | undefined {
  const before = remembered.find((one) => sameOffers(one.pipes, pipes))
  if (before) return before.picks
  const picks = choose(pipes, progress)
  remembered.unshift({ pipes, picks })
  remembered.length = Math.min(remembered.length, mostRemembered)
  return picks
}

/**
 * The last trees and what was chosen: a name that changes, or anything elsewhere in a job, asks for
 * the same choice again.
 */
const remembered: {
  readonly pipes: readonly OfferedPipe[]
  readonly picks: ReadonlyMap<string, number> | undefined
}[] = []
const mostRemembered = 6

const sameOffers = (a: readonly OfferedPipe[], b: readonly OfferedPipe[]): boolean =>
  a.length === b.length &&
  a.every((one, i) => {
    const other = b[i]
    return (
      other !== undefined &&
      one.id === other.id &&
      one.from === other.from &&
      one.fixed === other.fixed &&
      one.allowed === other.allowed &&
      one.offers.length === other.offers.length &&
      one.offers.every((offer, k) => {
        const beside = other.offers[k]
        return (
          beside !== undefined &&
          offer.bore_m === beside.bore_m &&
          offer.cost === beside.cost &&
          offer.drop === beside.drop
        )
      })
    )
  })

function choose(
  pipes: readonly OfferedPipe[],
  progress?: (tried: number) => void,
): ReadonlyMap<string, number> | undefined {
  const shape = treeShape(pipes)
  const before = dropsBefore(shape)
  if (
    shape.ordered.length === 0 ||
    shape.ordered.some((pipe) => pipe.offers.length === 0) ||
    !largestDo(shape)
  )
    return shape.ordered.length === 0 ? new Map() : undefined
  const bounds = sizeBounds(shape)
  const dearest = shape.ordered.reduce(
    (sum, pipe) => sum + Math.max(...pipe.offers.map((offer) => offer.cost)),
    0,
  )
  for (let [gap, tried] = [firstGap, 1]; ; gap *= gapGrows, tried += 1) {
    progress?.(tried)
    const most =
      Math.min(
        bounds.least + gap * Math.max(Math.abs(bounds.least), 1e-9 * dearest, Number.MIN_VALUE),
        dearest,
      ) *
      (1 + 1e-9)
    const best = fronts(shape, before, bounds, most)
    if (best)
      return new Map(
        picksOf(best).map(({ pipe, offer }): [string, number] => [
          (shape.ordered[pipe] as OfferedPipe).id,
          offer,
        ]),
      )
    if (most >= dearest) return undefined
  }
}

/**
 * The cheapest choice of the whole tree that costs no more than `most`; undefined where there is
 * none.
 */
function fronts(
  { ordered, below, roots }: TreeShape<OfferedPipe>,
  before: Before,
  bounds: SizeBounds,
  most: number,
): Choice | undefined {
  /**
   * Per pipe and offer, the front of all choices whose first pipe is that offer or a smaller one.
   */
  const upTo: Front[][] = ordered.map(() => [])
  const joinedWithin = (children: readonly number[], bore_m: number): Front | undefined => {
    let joined: Front | undefined
    for (const child of children) {
      const front = upTo[child]?.[lastWithin(ordered[child] as OfferedPipe, bore_m)] ?? []
      joined = joined ? join(joined, front) : front
    }
    return joined
  }
  for (let i = ordered.length - 1; i >= 0; i--) {
    const pipe = ordered[i] as OfferedPipe
    const [least, widest, weight, outside] = [
      before.least[i] as number,
      before.most[i] as number,
      bounds.weight[i] as number,
      bounds.outside[i] as Float64Array,
    ]
    const children = below[i] ?? []
    let all: Front = []
    let lastUnder:
      | { readonly fronts: readonly (Front | undefined)[]; readonly joined: Front | undefined }
      | undefined
    upTo[i] = pipe.offers.map(({ bore_m, drop, cost }, at) => {
      const bore = pipe.fixed ? Infinity : bore_m
      const from = children.map(
        (child) => upTo[child]?.[lastWithin(ordered[child] as OfferedPipe, bore)],
      )
      // Where the wider feeder lets nothing new in, what joins below it is the same.
      const under = lastUnder?.fronts.every((front, c) => front === from[c])
        ? lastUnder.joined
        : joinedWithin(children, bore)
      lastUnder = { fronts: from, joined: under }
      const front: Choice[] = []
      const rest = outside[at] as number
      let widestKept = -Infinity
      const add = (under: Choice | undefined) => {
        const slack = Math.min(under?.slack ?? Infinity, pipe.allowed ?? Infinity) - drop
        const kept = Math.min(slack, widest)
        const sum = (under?.cost ?? 0) + cost
        if (slack < least - 1e-9 || kept <= widestKept || sum + rest - weight * kept > most) return
        front.push({ cost: sum, slack: kept, pipe: i, offer: at, under, beside: undefined })
        widestKept = kept
      }
      if (under) for (const choice of under) add(choice)
      else add(undefined)
      return (all = merge(all, front))
    })
  }
  const best = joinedWithin(roots, Infinity)?.[0]
  return best && best.cost <= most ? best : undefined
}

interface Before {
  readonly least: Float64Array
  readonly most: Float64Array
}

/**
 * Least and most drop that the pipes before each one can make: what a choice must leave, and what
 * it need not leave more than.
 */
function dropsBefore({ ordered, parent }: TreeShape<OfferedPipe>): Before {
  const [least, most] = [new Float64Array(ordered.length), new Float64Array(ordered.length)]
  ordered.forEach((_, i) => {
    const up = parent[i] ?? -1
    if (up < 0) return
    const drops = ordered[up]?.offers.map((offer) => offer.drop) ?? []
    least[i] = (least[up] ?? 0) + Math.min(...drops)
    most[i] = (most[up] ?? 0) + Math.max(...drops)
  })
  return { least, most }
}

/** Whether any choice at all can keep the allowances, the feeder rule left out: quick to say no. */
function largestDo(shape: TreeShape<OfferedPipe>): boolean {
  const { least } = dropsBefore(shape)
  return shape.ordered.every(
    (pipe, i) =>
      pipe.allowed === undefined ||
      (least[i] ?? 0) + Math.min(...pipe.offers.map((offer) => offer.drop)) <= pipe.allowed + 1e-9,
  )
}

/**
 * Two subtrees together: for every slack that either can have, the cheapest of each that has it.
 */
function join(a: Front, b: Front): Front {
  const joined: Choice[] = []
  let [i, j] = [0, 0]
  // Fronts run from cheap and little slack to dear and much: the pair is always the first of each
  // side that still has the slack asked for.
  for (let one = a[i], other = b[j]; one && other; one = a[i], other = b[j]) {
    const slack = Math.min(one.slack, other.slack)
    joined.push({
      cost: one.cost + other.cost,
      slack,
      pipe: -1,
      offer: 0,
      under: one,
      beside: other,
    })
    if (one.slack <= slack) i += 1
    if (other.slack <= slack) j += 1
  }
  return joined
}

/** Two fronts of the same subtree as one: those that no choice of either beats, cheapest first. */
function merge(a: Front, b: Front): Front {
  if (a.length === 0) return b
  if (b.length === 0) return a
  const kept: Choice[] = []
  let widest = -Infinity
  let [i, j] = [0, 0]
  while (i < a.length || j < b.length) {
    const [one, other] = [a[i], b[j]]
    const takeFirst =
      !other ||
      (one !== undefined &&
        (one.cost < other.cost || (one.cost === other.cost && one.slack >= other.slack)))
    const next = (takeFirst ? one : other) as Choice
    if (takeFirst) i += 1
    else j += 1
    if (next.slack > widest) {
      kept.push(next)
      widest = next.slack
    }
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

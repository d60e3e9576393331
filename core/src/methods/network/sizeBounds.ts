import type { OfferedPipe } from './chooseTree'
import type { TreeShape } from './treeShape'

/** What a choice of sizes costs at least, told by prices on drop. */
export interface SizeBounds {
  /** Nothing that keeps every allowance costs less. */
  readonly least: number
  /** Price on a unit of drop on the way to each pipe: the sum of those of all it feeds. */
  readonly weight: Float64Array
  /**
   * Least that all outside the subtree of a pipe costs when it takes an offer, before its weight
   * times the slack left to it is taken off.
   */
  readonly outside: readonly Float64Array[]
}

const mostRounds = 150
/**
 * A step aims this share past the bound; it is halved, from the best prices so far, after so many
 * rounds without better ones, down to its least.
 */
const aim = 0.03
const patience = 3
const leastStep = 2e-3

/**
 * Last offer of a pipe that may leave from one of that bore; -1 where none may. Feeder rule: no
 * branch is larger than its feeder.
 */
export const lastWithin = ({ offers }: OfferedPipe, bore_m: number): number => {
  let last = offers.length - 1
  while (last >= 0 && (offers[last]?.bore_m ?? 0) > bore_m * (1 + 1e-9)) last -= 1
  return last
}

/**
 * A lower bound to the cost of sizing a tree, and to that of what stands outside each subtree.
 * Every allowance is given a price on its drop, and the sizes that are cheapest under those prices
 * are found exactly, feeder rule and all; that costs no more than any choice that keeps the
 * allowances. Prices rise where an allowance is passed and fall where some is left (subgradient
 * steps); the best round is kept. Any prices give a true bound, better ones a sharper one. Source:
 * docs/size-choice.md.
 */
export function sizeBounds(shape: TreeShape<OfferedPipe>): SizeBounds {
  const tree = flatten(shape)
  const { count, parent, start, fed, allowed } = tree
  const price = new Float64Array(count)
  const best = new Float64Array(count)
  const dropTo = new Float64Array(count)
  const pick = new Int32Array(count)
  let least = -Infinity
  for (let round = 0, step = 1, stalled = 0; round < mostRounds; round++) {
    const bound = cheapest(tree, price)
    if (bound > least) {
      least = bound
      best.set(price)
      stalled = 0
    } else if (++stalled >= patience) {
      step /= 2
      stalled = 0
      price.set(best)
      if (step < leastStep) break
      continue
    }
    let square = 0
    for (let i = 0; i < count; i++) {
      const up = parent[i] as number
      const k =
        (start[i] as number) +
        (tree.which[
          up < 0
            ? (start[i + 1] as number) - 1
            : (start[i] as number) +
              (tree.lets[(tree.from[i] as number) + (pick[up] as number)] as number)
        ] as number)
      pick[i] = k - (start[i] as number)
      dropTo[i] = (up < 0 ? 0 : (dropTo[up] as number)) + (tree.drop[k] as number)
    }
    for (const i of fed) {
      const over = (dropTo[i] as number) - (allowed[i] as number)
      if (over > 0 || (price[i] as number) > 0) square += over * over
    }
    if (square === 0) break
    const length = (step * aim * Math.abs(least)) / square
    for (const i of fed)
      price[i] = Math.max(
        0,
        (price[i] as number) + length * ((dropTo[i] as number) - (allowed[i] as number)),
      )
  }
  cheapest(tree, best)
  return { least, weight: tree.weight, outside: outside(tree, best) }
}

/**
 * A tree with its offers laid out one after the other: those of pipe `i` from `start[i]` to
 * `start[i + 1]`.
 */
interface FlatTree {
  readonly count: number
  readonly parent: Int32Array
  readonly below: readonly (readonly number[])[]
  readonly roots: readonly number[]
  readonly start: Int32Array
  readonly cost: Float64Array
  readonly drop: Float64Array
  /** Pipes with an allowance, and it. */
  readonly fed: readonly number[]
  readonly allowed: Float64Array
  /**
   * Per pipe and offer of its feeder: the last of its offers that it lets in, -1 for none. Those of
   * pipe `i` from `from[i]`.
   */
  readonly lets: Int32Array
  readonly from: Int32Array
  readonly weight: Float64Array
  /** Cheapest subtree with each offer; with that or a smaller one; and which that is. */
  readonly own: Float64Array
  readonly upTo: Float64Array
  readonly which: Int32Array
}

function flatten({ ordered, parent, below, roots }: TreeShape<OfferedPipe>): FlatTree {
  const start = new Int32Array(ordered.length + 1)
  ordered.forEach((pipe, i) => {
    start[i + 1] = (start[i] as number) + pipe.offers.length
  })
  const total = start[ordered.length] as number
  const letsFrom = new Int32Array(ordered.length + 1)
  ordered.forEach((_, i) => {
    letsFrom[i + 1] = (letsFrom[i] as number) + (ordered[parent[i] ?? -1]?.offers.length ?? 0)
  })
  const offers = ordered.flatMap((pipe) => pipe.offers)
  return {
    count: ordered.length,
    parent,
    below,
    roots,
    start,
    cost: Float64Array.from(offers, (offer) => offer.cost),
    drop: Float64Array.from(offers, (offer) => offer.drop),
    fed: ordered.flatMap((pipe, i) => (pipe.allowed === undefined ? [] : [i])),
    allowed: Float64Array.from(ordered, (pipe) => pipe.allowed ?? 0),
    lets: Int32Array.from(
      ordered.flatMap((pipe, i) => {
        const up = ordered[parent[i] ?? -1]
        return up
          ? up.offers.map((offer) =>
              up.fixed ? pipe.offers.length - 1 : lastWithin(pipe, offer.bore_m),
            )
          : []
      }),
    ),
    from: letsFrom,
    weight: new Float64Array(ordered.length),
    own: new Float64Array(total),
    upTo: new Float64Array(total),
    which: new Int32Array(total),
  }
}

/**
 * Least cost of the tree under prices on drop, less what the allowances give back; fills `weight`,
 * `own`, `upTo` and `which`.
 */
function cheapest(tree: FlatTree, price: Float64Array): number {
  const { count, below, roots, start, cost, drop, fed, allowed, weight, own, upTo, which } = tree
  for (let i = count - 1; i >= 0; i--) {
    const [first, end, children] = [
      start[i] as number,
      start[i + 1] as number,
      below[i] as readonly number[],
    ]
    let heavy = price[i] as number
    for (let c = 0; c < children.length; c++) heavy += weight[children[c] as number] as number
    weight[i] = heavy
    for (let k = first; k < end; k++) own[k] = (cost[k] as number) + heavy * (drop[k] as number)
    for (let c = 0; c < children.length; c++) {
      const child = children[c] as number
      const [rows, lets] = [start[child] as number, (tree.from[child] as number) - first]
      for (let k = first; k < end; k++) {
        const last = tree.lets[lets + k] as number
        own[k] = last < 0 ? Infinity : (own[k] as number) + (upTo[rows + last] as number)
      }
    }
    for (let k = first, least = Infinity, at = 0; k < end; k++) {
      if ((own[k] as number) < least) {
        least = own[k] as number
        at = k - first
      }
      upTo[k] = least
      which[k] = at
    }
  }
  let sum = 0
  for (const root of roots) sum += upTo[(start[root + 1] as number) - 1] as number
  for (const i of fed) sum -= (price[i] as number) * (allowed[i] as number)
  return sum
}

/**
 * From the source outwards: least cost of all but a subtree, by the offer its first pipe takes,
 * less what the allowances outside it give back.
 */
function outside(tree: FlatTree, price: Float64Array): readonly Float64Array[] {
  const { count, parent, roots, start, allowed, own, upTo } = tree
  const given = Float64Array.from(allowed, (most, i) => most * (price[i] as number))
  for (let i = count - 1; i >= 0; i--) {
    const up = parent[i] as number
    if (up >= 0) given[up] = (given[up] as number) + (given[i] as number)
  }
  const givenBack = roots.reduce((sum, root) => sum + (given[root] as number), 0)
  const whole = (i: number) => upTo[(start[i + 1] as number) - 1] as number
  const all = roots.reduce((sum, root) => sum + whole(root), 0)
  const rows: Float64Array[] = []
  for (let i = 0; i < count; i++) {
    const up = parent[i] as number
    const mine = new Float64Array((start[i + 1] as number) - (start[i] as number)).fill(
      up < 0 ? all - whole(i) : Infinity,
    )
    rows.push(mine)
    if (up < 0) continue
    rows[up]?.forEach((rest, k) => {
      const most = tree.lets[(tree.from[i] as number) + k] as number
      if (most < 0) return
      const least =
        rest +
        (own[(start[up] as number) + k] as number) -
        (upTo[(start[i] as number) + most] as number)
      for (let j = 0; j <= most; j++) if (least < (mine[j] as number)) mine[j] = least
    })
  }
  return rows.map((row, i) => row.map((cost) => cost - (givenBack - (given[i] as number))))
}

import type { Branch } from './tree'
import { inOrder, meterNode } from './tree'

/** A branch in its place of the outline. */
export interface OutlinePlace<B extends Branch> {
  readonly branch: B
  /** How far it stands in: what branches off stands one in from the run it leaves. */
  readonly depth: number
  /** It leads back to the source. */
  readonly reached: boolean
}

/**
 * A tree as an outline: down the run, and at each tee first what branches off, one step in, then
 * the run goes on at its own step. The run is the way with most beyond it. What does not lead back
 * to the source stands at the end.
 */
export function outlineOf<B extends Branch>(branches: readonly B[]): readonly OutlinePlace<B>[] {
  const { ordered, unreached } = inOrder(branches)
  const below = new Map<string, B[]>()
  const weight = new Map<string, number>()
  for (const branch of ordered) {
    const beside = below.get(branch.from)
    if (beside) beside.push(branch)
    else below.set(branch.from, [branch])
  }
  for (const branch of [...ordered].reverse())
    weight.set(branch.from, (weight.get(branch.from) ?? 0) + 1 + (weight.get(branch.id) ?? 0))
  const places: OutlinePlace<B>[] = []
  // A stack of its own: a run of 600 pipes is no reason to run out of the engine's.
  const waiting: { readonly branch: B; readonly depth: number }[] = []
  const push = (from: string, depth: number) => {
    const children = below.get(from) ?? []
    const run = children.reduce<B | undefined>(
      (most, one) =>
        most === undefined || (weight.get(one.id) ?? 0) > (weight.get(most.id) ?? 0) ? one : most,
      undefined,
    )
    if (run) waiting.push({ branch: run, depth })
    for (const branch of [...children].reverse())
      if (branch !== run) waiting.push({ branch, depth: depth + 1 })
  }
  push(meterNode, 0)
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    places.push({ ...next, reached: true })
    push(next.branch.id, next.depth)
  }
  return [...places, ...unreached.map((branch) => ({ branch, depth: 0, reached: false }))]
}

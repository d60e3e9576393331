import type { Branch } from './tree'
import { inOrder, meterNode } from './tree'

/** A tree as places in a list: what a computation that walks it many times needs. */
export interface TreeShape<B extends Branch> {
  /** Each after the one it leaves. */
  readonly ordered: readonly B[]
  /** Place of the branch it leaves, -1 at the source. */
  readonly parent: Int32Array
  /** Places of those that leave from its far end. */
  readonly below: readonly (readonly number[])[]
  /** Places of those that leave from the source. */
  readonly roots: readonly number[]
}

/** The shape of a tree; branches that do not lead back to the source are left out. */
export function treeShape<B extends Branch>(branches: readonly B[]): TreeShape<B> {
  const { ordered } = inOrder(branches)
  const at = new Map(ordered.map((branch, i) => [branch.id, i]))
  const parent = Int32Array.from(ordered, (branch) =>
    branch.from === meterNode ? -1 : (at.get(branch.from) ?? -1),
  )
  const below: number[][] = ordered.map(() => [])
  const roots: number[] = []
  parent.forEach((up, i) => {
    ;(up < 0 ? roots : (below[up] ?? roots)).push(i)
  })
  return { ordered, parent, below, roots }
}

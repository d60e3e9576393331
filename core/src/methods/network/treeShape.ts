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

/**
 * How a tree hangs together, without its branches: where each stood in the list, and the rest of
 * {@link TreeShape}.
 */
interface Layout extends Omit<TreeShape<Branch>, 'ordered'> {
  readonly ids: readonly string[]
  readonly froms: readonly string[]
  readonly order: Int32Array
}

/**
 * Trees that are typed in keep their shape from one key to the next: the last few layouts are kept.
 */
const kept = 8
let layouts: readonly Layout[] = []

const isLayoutOf = ({ ids, froms }: Layout, branches: readonly Branch[]): boolean => {
  if (ids.length !== branches.length) return false
  for (let i = 0; i < ids.length; i++)
    if (ids[i] !== branches[i]?.id || froms[i] !== branches[i]?.from) return false
  return true
}

/**
 * The shape of a tree; branches that do not lead back to the source are left out. Laid out once
 * while ids and froms stay the same.
 */
export function treeShape<B extends Branch>(branches: readonly B[]): TreeShape<B> {
  const known = layouts.find((layout) => isLayoutOf(layout, branches))
  const layout = known ?? layOut(branches)
  if (layouts[0] !== layout)
    layouts = [layout, ...layouts.filter((one) => one !== layout)].slice(0, kept)
  const { order, parent, below, roots } = layout
  const ordered: B[] = []
  for (const place of order) ordered.push(branches[place] as B)
  return { ordered, parent, below, roots }
}

function layOut(branches: readonly Branch[]): Layout {
  const { ordered } = inOrder(branches)
  const placed = new Map(branches.map((branch, i) => [branch, i]))
  const at = new Map(ordered.map((branch, i) => [branch.id, i]))
  const parent = Int32Array.from(ordered, (branch) =>
    branch.from === meterNode ? -1 : (at.get(branch.from) ?? -1),
  )
  const below: number[][] = ordered.map(() => [])
  const roots: number[] = []
  parent.forEach((up, i) => {
    ;(up < 0 ? roots : (below[up] ?? roots)).push(i)
  })
  return {
    ids: branches.map(({ id }) => id),
    froms: branches.map(({ from }) => from),
    order: Int32Array.from(ordered, (branch) => placed.get(branch) ?? 0),
    parent,
    below,
    roots,
  }
}

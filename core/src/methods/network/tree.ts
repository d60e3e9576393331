/** A pipe between a node and the next one downstream; its far end is the node of the same name. */
export interface Branch {
  readonly id: string
  /** `meter` or the id of the branch it leaves from. */
  readonly from: string
}

export const meterNode = 'meter'

/**
 * Branches reachable from the meter, each after the one it leaves; those that are not (an orphan, a
 * ring) come apart.
 */
export function inOrder<B extends Branch>(
  branches: readonly B[],
): { readonly ordered: readonly B[]; readonly unreached: readonly B[] } {
  const children = new Map<string, B[]>()
  for (const branch of branches) {
    const beside = children.get(branch.from)
    if (beside) beside.push(branch)
    else children.set(branch.from, [branch])
  }
  const ordered: B[] = []
  const waiting = [...(children.get(meterNode) ?? [])]
  const seen = new Set<string>()
  // The list grows while it is walked: breadth first, in the order given.
  for (const branch of waiting) {
    if (seen.has(branch.id)) continue
    seen.add(branch.id)
    ordered.push(branch)
    for (const next of children.get(branch.id) ?? []) waiting.push(next)
  }
  return { ordered, unreached: branches.filter((branch) => !seen.has(branch.id)) }
}

/**
 * Sum over a branch and everything downstream of it. Branches in order, as {@link inOrder} gives
 * them.
 */
export function sumBeyond<B extends Branch>(
  ordered: readonly B[],
  own: (branch: B) => number,
): ReadonlyMap<string, number> {
  const sums = new Map(ordered.map((branch) => [branch.id, own(branch)]))
  for (const branch of [...ordered].reverse()) {
    if (branch.from !== meterNode)
      sums.set(branch.from, (sums.get(branch.from) ?? 0) + (sums.get(branch.id) ?? 0))
  }
  return sums
}

/** Sum from the meter to the far end of each branch. Branches in order. */
export function sumAlong<B extends Branch>(
  ordered: readonly B[],
  own: (branch: B) => number,
): ReadonlyMap<string, number> {
  const sums = new Map<string, number>([[meterNode, 0]])
  for (const branch of ordered) sums.set(branch.id, (sums.get(branch.from) ?? 0) + own(branch))
  return sums
}

/** The branches from the meter to the far end of one. */
export function pathTo<B extends Branch>(branches: readonly B[], id: string): readonly B[] {
  const path: B[] = []
  const byId = new Map(branches.map((branch) => [branch.id, branch]))
  for (
    let branch = byId.get(id);
    branch && path.length <= branches.length;
    branch = byId.get(branch.from)
  )
    path.unshift(branch)
  return path
}

/** A branch and everything downstream of it, by id. */
export function beyondOf(branches: readonly Branch[], id: string): ReadonlySet<string> {
  const children = new Map<string, string[]>()
  for (const branch of branches) {
    const beside = children.get(branch.from)
    if (beside) beside.push(branch.id)
    else children.set(branch.from, [branch.id])
  }
  const found = new Set<string>()
  const waiting = [id]
  for (const next of waiting)
    if (!found.has(next)) {
      found.add(next)
      waiting.push(...(children.get(next) ?? []))
    }
  return found
}

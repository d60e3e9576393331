/** A place where both sides changed the same value since they parted. */
export interface Conflict {
  readonly path: readonly (string | number)[]
  readonly mine: unknown
  readonly theirs: unknown
}

type Branch = Record<string, unknown>

/**
 * Three-way merge of two documents that grew from one base. Rows with an `id` are matched by it; a
 * value with a basis is one value. Where only one side changed, that side is taken; where both did,
 * `mine` is kept in the result and the place is listed.
 */
export function mergeDocuments<T>(
  base: T,
  mine: T,
  theirs: T,
): { readonly merged: T; readonly conflicts: readonly Conflict[] } {
  const conflicts: Conflict[] = []
  const merged = mergeValue(base, mine, theirs, [], conflicts) as T
  return { merged, conflicts }
}

function mergeValue(
  base: unknown,
  mine: unknown,
  theirs: unknown,
  path: readonly (string | number)[],
  conflicts: Conflict[],
): unknown {
  if (same(mine, theirs) || same(base, theirs)) return mine
  if (same(base, mine)) return theirs
  if (isRows(mine) && isRows(theirs) && (isRows(base) || base === undefined))
    return mergeRows((base ?? []) as Row[], mine, theirs, path, conflicts)
  if (isBranch(mine) && isBranch(theirs) && isBranch(base) && !('basis' in mine)) {
    const keys = [...new Set([...Object.keys(theirs), ...Object.keys(mine)])]
    return Object.fromEntries(
      keys.map((key) => [
        key,
        mergeValue(base[key], mine[key], theirs[key], [...path, key], conflicts),
      ]),
    )
  }
  conflicts.push({ path, mine, theirs })
  return mine
}

type Row = Branch & { id: string }

function mergeRows(
  base: readonly Row[],
  mine: readonly Row[],
  theirs: readonly Row[],
  path: readonly (string | number)[],
  conflicts: Conflict[],
): Row[] {
  const find = (rows: readonly Row[], id: string) => rows.find((row) => row.id === id)
  const mergeOne = (id: string): Row | undefined => {
    const [was, here, there] = [find(base, id), find(mine, id), find(theirs, id)]
    if (here && there) {
      const at = [...path, mine.findIndex((row) => row.id === id)]
      return mergeValue(was, here, there, at, conflicts) as Row
    }
    const left = here ?? there
    if (!was || !left) return left
    // One side removed a row that the other changed: the change is kept, so that nothing typed is
    // lost, and listed.
    if (same(was, left)) return undefined
    conflicts.push({ path: [...path, id], mine: here, theirs: there })
    return left
  }
  return mergedOrder(base, mine, theirs, path, conflicts).flatMap((id) => mergeOne(id) ?? [])
}

const idsOf = (rows: readonly Row[]): readonly string[] => rows.map((row) => row.id)

/**
 * The order of the rows of both sides, which is the way of the water or the gas and means
 * something. Whoever moved rows sets their order; what only the other side has stands behind the
 * row it stood behind there. Where both moved rows, differently, it is asked about.
 */
function mergedOrder(
  base: readonly Row[],
  mine: readonly Row[],
  theirs: readonly Row[],
  path: readonly (string | number)[],
  conflicts: Conflict[],
): readonly string[] {
  const [was, here, there] = [idsOf(base), idsOf(mine), idsOf(theirs)]
  const shared = was.filter((id) => here.includes(id) && there.includes(id))
  const orderIn = (ids: readonly string[]) => ids.filter((id) => shared.includes(id)).join(' ')
  const before = shared.join(' ')
  const iMoved = orderIn(here) !== before
  const theyMoved = orderIn(there) !== before
  if (iMoved && theyMoved && orderIn(here) !== orderIn(there))
    conflicts.push({ path: [...path, 'order'], mine: namesOf(mine), theirs: namesOf(theirs) })
  return iMoved ? woven(here, there) : woven(there, here)
}

/** One order with what only another has put in, each behind the row it follows there. */
function woven(backbone: readonly string[], other: readonly string[]): readonly string[] {
  const order = [...backbone]
  other.forEach((id, i) => {
    if (order.includes(id)) return
    const follows = other.slice(0, i).findLast((one) => order.includes(one))
    order.splice(follows === undefined ? 0 : order.indexOf(follows) + 1, 0, id)
  })
  return order
}

const namesOf = (rows: readonly Row[]): string =>
  rows.map((row) => (typeof row.name === 'string' ? row.name : row.id)).join(', ')

const isBranch = (value: unknown): value is Branch =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const isRows = (value: unknown): value is Row[] =>
  Array.isArray(value) && value.every((row) => isBranch(row) && typeof row.id === 'string')

/** Equality by content, keys in any order. */
export function same(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((value, i) => same(value, b[i]))
  if (!isBranch(a) || !isBranch(b)) return false
  const keys = new Set([...Object.keys(a), ...Object.keys(b)])
  return [...keys].every((key) => same(a[key], b[key]))
}

/** JSON of a value with the keys of every object in order; undefined for what JSON leaves out. */
function inKeyOrder(value: unknown): string | undefined {
  if (Array.isArray(value)) {
    let text = '['
    for (let i = 0; i < value.length; i++)
      text += (i > 0 ? ',' : '') + (inKeyOrder(value[i]) ?? 'null')
    return `${text}]`
  }
  if (!isBranch(value)) return JSON.stringify(value)
  let text = ''
  for (const key of Object.keys(value).sort()) {
    const part = inKeyOrder(value[key])
    if (part !== undefined) text += `${text === '' ? '' : ','}"${key}":${part}`
  }
  return `{${text}}`
}

/**
 * A short fingerprint of anything JSON can hold, keys in any order: changes when the content does.
 * Not for security.
 */
export function fingerprint(value: unknown): string {
  const text = inKeyOrder(value) ?? ''
  let [h1, h2] = [0xdeadbeef, 0x41c6ce57]
  for (let i = 0; i < text.length; i++) {
    h1 = Math.imul(h1 ^ text.charCodeAt(i), 2654435761)
    h2 = Math.imul(h2 ^ text.charCodeAt(i), 1597334677)
  }
  h1 = Math.imul(h1 ^ (h1 >>> 16), 2246822507) ^ Math.imul(h2 ^ (h2 >>> 13), 3266489909)
  h2 = Math.imul(h2 ^ (h2 >>> 16), 2246822507) ^ Math.imul(h1 ^ (h1 >>> 13), 3266489909)
  return (h2 >>> 0).toString(16).padStart(8, '0') + (h1 >>> 0).toString(16).padStart(8, '0')
}

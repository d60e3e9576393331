import { JobDocument, ranges } from '@hestian/core'

/** Numbers between 0 and 1 from a seed: a run can be repeated from what it printed. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
}

/**
 * Values at which formulas break: the limits of every measure, next to nothing, next to each other.
 */
const edges: readonly number[] = [
  ...new Set(
    Object.values(ranges).flatMap(({ hard, usual, least = 0 }) => [...hard, ...usual, least]),
  ),
  ...[
    0, 5e-324, 1e-300, 1e-12, 1e-9, 1e-6, 1e-3, 0.5, 1, 2, 3, 10, 199, 200, 273.14, 273.15, 263.15,
    283.15, 373.15,
  ],
  ...[1e3, 1e4, 1e5, 101_325, 2e5, 3e5, 1e6],
]

type Slot = { readonly holder: Record<string | number, unknown>; readonly key: string | number }

function slotsOf(value: unknown, found: Slot[] = []): Slot[] {
  if (typeof value !== 'object' || value === null) return found
  const holder = value as Record<string | number, unknown>
  for (const key of Object.keys(holder)) {
    if (key === 'version' || key === 'hash') continue
    found.push({ holder, key })
    slotsOf(holder[key], found)
  }
  return found
}

/**
 * A document with a few things changed as a hand, a file or a fault might change them: an edge put
 * for a number, a value taken away, rows doubled, dropped or turned round, words swapped. Only what
 * the schema accepts comes back.
 */
export function mutateDocument(document: JobDocument, random: () => number): JobDocument {
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)] as T
  let mutated = document
  for (let left = 1 + Math.floor(random() * 6); left > 0;) {
    const copy = structuredClone(mutated)
    mutateOne(copy, pick, random)
    const read = JobDocument.safeParse(copy)
    if (!read.success) continue
    mutated = read.data
    left--
  }
  return mutated
}

function mutateOne(
  copy: JobDocument,
  pick: <T>(from: readonly T[]) => T,
  random: () => number,
): void {
  const slots = slotsOf(copy)
  const numbers = slots.filter(({ holder, key }) => typeof holder[key] === 'number')
  // Most of a document is words; it is numbers that formulas break on.
  const { holder, key } = pick(random() < 0.6 ? numbers : slots)
  const value = holder[key]
  if (typeof value === 'number') {
    const near = value * (1 + (random() - 0.5) * 1e-9)
    holder[key] = pick([pick(edges), pick(edges), value * 10, value / 10, near, value * random()])
  } else if (typeof value === 'boolean') holder[key] = !value
  else if (Array.isArray(value)) mutateRows(value as unknown[], pick, random)
  else if (typeof value === 'object' && value !== null) holder[key] = null
  else if (typeof value === 'string') {
    // Another word that stands somewhere in the document: often one of the same list.
    const words = slots
      .map((slot) => slot.holder[slot.key])
      .filter((one) => typeof one === 'string')
    holder[key] = pick(words)
  } else
    holder[key] = { value: pick(edges), basis: pick(['measured', 'read', 'assumed']), from: '' }
}

function mutateRows(
  rows: unknown[],
  pick: <T>(from: readonly T[]) => T,
  random: () => number,
): void {
  const act = pick(['double', 'drop', 'reverse'] as const)
  if (act === 'reverse') rows.reverse()
  else if (act === 'drop') rows.splice(Math.floor(random() * rows.length), 1)
  else if (rows.length > 0) {
    const row = structuredClone(pick(rows)) as Record<string, unknown>
    if (typeof row === 'object' && row !== null && 'id' in row)
      row.id = `${String(row.id)}-b`.slice(0, 60)
    rows.push(row)
  }
}

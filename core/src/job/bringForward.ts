import type { z } from 'zod'

type Branch = Record<string | number, unknown>
type Issue = z.core.$ZodIssue

const isBranch = (value: unknown): value is Branch => typeof value === 'object' && value !== null

/** The longest that notes may be; what no longer fits is cut, never refused. */
const longestNotes = 2000

/**
 * A stored document without the values that were once accepted and can no longer be: each becomes
 * 'not looked at', and the notes of the site say what it was. Undefined where anything else is
 * wrong with it.
 */
export function withoutImpossible(raw: unknown, issues: readonly Issue[]): unknown {
  if (!isBranch(raw)) return undefined
  const copy = structuredClone(raw)
  const said: string[] = []
  for (const { path, message } of issues) {
    const place = placeOf(copy, path)
    if (!place) return undefined
    const was = place.holder[place.key]
    if (was === null) continue
    said.push(`${place.name} was ${wordsOf(was)} and ${message}`)
    place.holder[place.key] = null
  }
  if (isBranch(copy.site)) {
    const notes = typeof copy.site.notes === 'string' ? copy.site.notes : ''
    const note = `Taken out when this job was opened, because it cannot be: ${said.join('; ')}.`
    copy.site.notes = [notes, note].filter(Boolean).join('\n').slice(0, longestNotes)
  }
  return copy
}

/** The value with a basis, or the bare quantity, that an issue speaks of. */
function placeOf(
  root: Branch,
  path: readonly PropertyKey[],
): { readonly holder: Branch; readonly key: string | number; readonly name: string } | undefined {
  const known = path.findIndex((key) => key === 'value' || key === 'between')
  const whole = known > 0 ? path.slice(0, known) : path
  const key = whole[whole.length - 1]
  if (typeof key !== 'string' && typeof key !== 'number') return undefined
  if (known < 0 && !/_[A-Za-z0-9_]+$/.test(String(key))) return undefined
  let holder: unknown = root
  for (const step of whole.slice(0, -1))
    holder = isBranch(holder) ? holder[step as string | number] : undefined
  return isBranch(holder) && isImpossible(holder[key])
    ? { holder, key, name: whole.join('.') }
    : undefined
}

/** Only a number of the right shape was ever accepted; anything else is damage. */
const isImpossible = (value: unknown): boolean =>
  value === null ||
  typeof value === 'number' ||
  (isBranch(value) && typeof value.value === 'number' && typeof value.basis === 'string')

const wordsOf = (value: unknown): string => (isBranch(value) ? String(value.value) : String(value))

/** Rows that stand under one id twice, told apart: the later one gets a name of its own. */
export function withUniqueIds(value: unknown): unknown {
  if (Array.isArray(value)) {
    const taken = new Set<string>()
    return value.map((row: unknown) => {
      const whole = withUniqueIds(row)
      if (!isBranch(whole) || typeof whole.id !== 'string') return whole
      let id = whole.id
      for (let i = 2; taken.has(id); i++) id = `${whole.id.slice(0, 55)}-${i}`
      taken.add(id)
      return id === whole.id ? whole : { ...whole, id }
    })
  }
  if (!isBranch(value)) return value
  return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, withUniqueIds(part)]))
}

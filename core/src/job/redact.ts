import type { z } from 'zod'

/** What is taken out of what is stored, and what stands there instead. */
export interface Redaction {
  /**
   * Names, addresses, numbers as they are written, whatever their case and the white space between.
   */
  readonly words: readonly string[]
  readonly instead: string
  readonly photographs: boolean
}

/**
 * Texts that name a thing to the program, by their key: nobody's name is in them, and a job falls
 * apart without them.
 */
const forTheProgram: ReadonlySet<string> = new Set([
  ...['id', 'by', 'at', 'kind', 'hash', 'type', 'replaces', 'recordId', 'drawn', 'sha256'],
  ...['field', 'item', 'stepId', 'testId', 'gaugeId', 'optionId', 'target', 'test', 'pipe'],
  ...['sheet', 'restsOn', 'on', 'revision', 'snag', 'off', 'visit', 'unsafe', 'step', 'state'],
  ...['guards', 'joints', 'confirmed', 'ticketsHeld', 'practice', 'basis', 'outcome', 'answer'],
])

/** Finds any of the words, each as a whole; without words it finds nothing. */
export function mentionOf(words: readonly string[]): RegExp {
  const any = words
    .map((text) => text.trim().split(/\s+/).map(escaped).join('\\s+'))
    .filter((text) => text !== '')
    .sort((a, b) => b.length - a.length)
  return any.length === 0
    ? /(?!)/gu
    : new RegExp(`(?<![\\p{L}\\p{N}])(?:${any.join('|')})(?![\\p{L}\\p{N}])`, 'giu')
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&')

const isPart = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Every text for people in a value that holds one of the words, as it stands, each once. */
export function textsWith(value: unknown, words: readonly string[]): readonly string[] {
  const mention = mentionOf(words)
  const found = new Set<string>()
  const look = (one: unknown, key: string): void => {
    if (typeof one === 'string') {
      if (!forTheProgram.has(key) && one.search(mention) >= 0) found.add(one)
    } else if (Array.isArray(one)) for (const part of one) look(part, key)
    else if (isPart(one)) for (const [name, part] of Object.entries(one)) look(part, name)
  }
  look(value, '')
  return [...found]
}

/**
 * The value without the words; a drawn signature goes with the name under it, photographs where
 * that is asked.
 */
export function redact(value: unknown, redaction: Redaction): unknown {
  const { words, instead, photographs } = redaction
  const mention = mentionOf(words)
  const without = (one: unknown, key: string): unknown => {
    if (typeof one === 'string')
      return forTheProgram.has(key) ? one : one.replace(mention, () => instead)
    if (Array.isArray(one))
      return photographs && key === 'photos' ? [] : one.map((part: unknown) => without(part, key))
    if (!isPart(one)) return one
    const named = typeof one.name === 'string' && one.name.search(mention) >= 0
    return Object.fromEntries(
      Object.entries(one)
        .filter(([name]) => !(named && name === 'drawn'))
        .map(([name, part]) => [name, without(part, name)]),
    )
  }
  return without(value, '')
}

/**
 * The same of something that has a schema: what the schema will not take (a text that became too
 * long, a word that was one of a list) is replaced as a whole, or stays as it was where it must be
 * one of a few. Throws where the value did not fit its schema before.
 */
export function redactAs<S extends z.ZodType>(
  schema: S,
  value: z.output<S>,
  redaction: Redaction,
): z.output<S> {
  let now = redact(value, redaction)
  for (;;) {
    const read = schema.safeParse(now)
    if (read.success) return read.data
    const path = read.error.issues[0]?.path ?? []
    const before = at(value, path)
    const stands = at(now, path)
    if (stands === before) throw new Error(`it does not fit its schema at ${path.join('.')}`)
    now = put(now, path, stands === redaction.instead ? before : redaction.instead)
  }
}

type Path = readonly PropertyKey[]

const at = (value: unknown, path: Path): unknown =>
  path.reduce<unknown>((part, key) => (part as Record<PropertyKey, unknown> | null)?.[key], value)

function put(value: unknown, path: Path, leaf: unknown): unknown {
  const [key, ...rest] = path
  if (key === undefined) return leaf
  if (Array.isArray(value))
    return value.map((part: unknown, i) => (i === key ? put(part, rest, leaf) : part))
  const part = value as Record<PropertyKey, unknown>
  return { ...part, [key]: put(part[key], rest, leaf) }
}

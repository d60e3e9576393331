import type { RefusalCode } from '@hestian/core'
import { Refused } from '@hestian/core'
import type { ZodType } from 'zod'
import { away } from './away'
import { reach } from './reach'
import { keptHeader } from './keptHeader'
import { signedOut } from './signedOut'

/** A request that was turned down, or that never arrived (`offline`). */
export class ApiError extends Error {
  constructor(
    readonly code: RefusalCode | 'offline',
    says: string,
    readonly current?: unknown,
  ) {
    super(says)
  }
}

/** A request that has no answer by then counts as not arrived. */
const patience_ms = 20_000
/** For a whole job with its photographs. */
const longPatience_ms = 300_000
const offline = 'The server does not answer. What you typed is kept here and sent when it does.'

/** What an answer must be: a schema, or where one that is fetched on use comes from. */
export type Answer<T> = ZodType<T> | (() => Promise<ZodType<T>>)

interface How {
  /** For what may take minutes. */
  readonly patient?: boolean
  /** Whether a copy kept from before will do where the server does not answer. */
  readonly takesKept?: boolean
}

/**
 * The only fetch: sends JSON, checks the answer against the contract, turns everything else into an
 * {@link ApiError}.
 */
export async function call<T>(
  method: 'GET' | 'POST' | 'PUT',
  path: string,
  answer: Answer<T>,
  body?: unknown,
  { patient = false, takesKept = true }: How = {},
): Promise<T> {
  // Asked for beside the answer, so that neither waits for the other.
  const schema = typeof answer === 'function' ? answer() : Promise.resolve(answer)
  schema.catch(() => undefined)
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method,
      signal: AbortSignal.timeout(patient ? longPatience_ms : patience_ms),
      ...(body === undefined ? {} : bodyOf(body)),
    })
  } catch {
    reach.lost()
    throw new ApiError('offline', offline)
  }
  const kept = response.headers.get(keptHeader)
  away.set(kept ?? undefined)
  if (kept === null) reach.back()
  if (kept && !takesKept) throw new ApiError('offline', offline)
  const text = await response.text()
  const json = readJson(text)
  if (response.ok) return (await schema).parse(json)
  const refused = Refused.safeParse(json)
  if (refused.success && refused.data.code === 'not-signed-in') signedOut.tell()
  if (refused.success)
    throw new ApiError(refused.data.code, refused.data.says, refused.data.current)
  throw new ApiError('offline', offline)
}

/** A file goes as it is, anything else as JSON. */
const bodyOf = (body: unknown): { body: BodyInit; headers: Record<string, string> } =>
  body instanceof Blob
    ? { body, headers: { 'content-type': body.type } }
    : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }

const readJson = (text: string): unknown => {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

/** An id for a record or an action, made here so that sending it twice stores it once. */
export const newId = (): string =>
  crypto.randomUUID?.() ??
  `id-${Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('')}`

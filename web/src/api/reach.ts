import { away } from './away'

/**
 * Since when the server was not reached, as an instant of this device; undefined while it answers.
 */
let lostAt: string | undefined
const listeners = new Set<() => void>()

const set = (next: string | undefined): void => {
  if ((next === undefined) === (lostAt === undefined)) return
  lostAt = next
  for (const listener of listeners) listener()
}

/**
 * Whether the server is out of reach, as far as anything that was sent to it tells: what lets in
 * danger is then looked at again.
 */
export const reach = {
  /** A request had no answer. */
  lost: (): void => set(new Date().toISOString()),
  /** The server itself answered. */
  back: (): void => set(undefined),
  /**
   * Since when it is out of reach; a kept copy in its place counts from when it was seen to be one.
   */
  since: (): string | undefined => lostAt,
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener)
    return () => listeners.delete(listener)
  },
}

// An answer out of the kept copy is no answer of the server.
away.subscribe(() => (away.since() === undefined ? reach.back() : reach.lost()))

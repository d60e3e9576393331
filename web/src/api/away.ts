/** Since when what is shown is a kept copy; undefined while the server answers. */
let since: string | undefined
const listeners = new Set<() => void>()

export const away = {
  since: (): string | undefined => since,
  set: (next: string | undefined): void => {
    if (next === since) return
    since = next
    for (const listener of listeners) listener()
  },
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener)
    return () => listeners.delete(listener)
  },
}

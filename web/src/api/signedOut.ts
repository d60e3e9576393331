const listeners = new Set<() => void>()

/**
 * Told whenever the server answers that nobody is signed in: the session ended while a page was
 * open.
 */
export const signedOut = {
  tell: (): void => {
    for (const listener of listeners) listener()
  },
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener)
    return () => listeners.delete(listener)
  },
}

/**
 * Lets so many pieces of work in at a time, in the order they came; what one throws is its caller's
 * and holds nobody up.
 */
export function turnstile(places = 1): <T>(work: () => Promise<T>) => Promise<T> {
  let inside = 0
  const waiting: (() => void)[] = []
  const enter = (): Promise<void> => {
    if (inside < places) {
      inside++
      return Promise.resolve()
    }
    return new Promise((done) => waiting.push(done))
  }
  const leave = (): void => {
    const next = waiting.shift()
    if (next) next()
    else inside--
  }
  return async (work) => {
    await enter()
    try {
      return await work()
    } finally {
      leave()
    }
  }
}

/** Entries kept; past them all are forgotten, so that nothing grows. */
const most = 2000

/**
 * A pure function of one number that remembers what it gave: the formulations are long, and a page
 * asks for the same temperature many times.
 */
export function remembered<T>(compute: (value: number) => T): (value: number) => T {
  const kept = new Map<number, T>()
  return (value) => {
    const before = kept.get(value)
    if (before !== undefined) return before
    const result = compute(value)
    if (kept.size >= most) kept.clear()
    kept.set(value, result)
    return result
  }
}

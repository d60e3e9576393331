import { answers } from './answers'
import type { Answered, Asked } from './asked'

/**
 * Something on its way from one thread to another: a copy of data, a function refused. What the
 * simulated browser clones by belongs to another realm, where nothing is a plain object of this one.
 */
export function carried<T>(message: T): T {
  const copies = new Map<unknown, unknown>()
  const copy = (value: unknown): unknown => {
    if (typeof value === 'function') throw new TypeError(`not data: ${value.name}`)
    if (typeof value !== 'object' || value === null) return value
    const known = copies.get(value)
    if (known !== undefined) return known
    const list = Array.isArray(value) ? [] : {}
    const made = value instanceof Map ? new Map() : list
    copies.set(value, made)
    if (value instanceof Map) {
      for (const [key, one] of value) (made as Map<unknown, unknown>).set(copy(key), copy(one))
    } else for (const [key, one] of Object.entries(value)) Object.assign(made, { [key]: copy(one) })
    return made
  }
  return copy(message) as T
}

/** A worker in the thread of the tests: what it is told and what it answers are copied all the same. */
export class WorkerHere {
  onmessage: ((event: { readonly data: Answered }) => void) | undefined
  onerror: (() => void) | undefined
  #isEnded = false
  readonly #answersTo = answers()

  postMessage(asked: Asked): void {
    const data = carried(asked)
    queueMicrotask(() =>
      this.#answersTo(data, (message) => {
        if (!this.#isEnded) this.onmessage?.({ data: carried(message) })
      }),
    )
  }

  terminate(): void {
    this.#isEnded = true
  }
}

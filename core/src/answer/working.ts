import type { Show } from '../units/format'
import type { Source } from './sources'

/**
 * One line of arithmetic that can be opened: symbols, the figures put in, the result, and where the
 * formula comes from.
 */
export interface Working {
  readonly title: string
  /** The formula in symbols, as its source writes it. */
  readonly formula: string
  /** The same with `{key}` where a figure goes; each key names an entry of `figures`. */
  readonly put: string
  /** SI, the unit in each key's suffix. */
  readonly figures: Readonly<Record<string, number>>
  /** The entry of `figures` that is the result. */
  readonly result: string
  readonly source: Source
  readonly circuit: 'water' | 'gas'
}

/** A working as it is read: the figures put in and the result, in the job's units. */
export function writeOut(
  working: Working,
  show: Show,
): { readonly put: string; readonly result: string } {
  const figure = (key: string) => {
    const value = working.figures[key]
    return value === undefined ? key : show.key(key, value, working.circuit)
  }
  return {
    put: working.put.replace(/\{(\w+)\}/g, (_, key: string) => figure(key)),
    result: figure(working.result),
  }
}

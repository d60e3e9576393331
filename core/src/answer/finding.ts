import type { Source } from './sources'

/** `stop` must not go on; `fix` is due before handover; `note` informs. */
export type Severity = 'stop' | 'fix' | 'note'

/** A value to write into the design document at a path: what a one-press remedy does. */
export interface Edit {
  readonly path: readonly (string | number)[]
  readonly value: unknown
}

export interface Remedy {
  /** `use 28 mm`: starts lower case, follows the word Fix. */
  readonly label: string
  readonly edits: readonly Edit[]
}

/**
 * What a calculation found; its sentence is made from this in `wording.ts`, in the words of the
 * practice.
 */
export interface Finding<Id extends string = string> {
  /** Each subject lists its own, with their words, in its `wording.ts`. */
  readonly id: Id
  readonly severity: Severity
  /** The place in the document it speaks of, as a dotted path. */
  readonly place: string
  /** SI, the unit in each key's suffix. */
  readonly figures?: Readonly<Record<string, number>>
  /** Names from the document that the sentence uses. */
  readonly names?: readonly string[]
  readonly source: Source
  readonly remedy?: Remedy
}

/** What tells a finding from another: two of one key read the same. */
export const findingKey = ({ id, place, figures, names }: Finding): string =>
  JSON.stringify([id, place, figures, names])

export const severityWords = { stop: 'Stop', fix: 'Fix', note: 'Note' } as const

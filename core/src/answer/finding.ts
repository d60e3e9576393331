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

/** What a calculation found; its sentence is made from this in `wording.ts`, in the words of the practice. */
export interface Finding {
  readonly id: FindingId
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

export const findingIds = [
  'relief-above-weakest', 'no-room-under-relief', 'vessel-too-small', 'fill-outside-window', 'forecast-eats-margin',
  'forecast-past-relief', 'forecast-no-air-left', 'charge-as-delivered', 'built-in-charge-differs', 'content-assumed', 'sized-on-flow-temperature', 'factory-fill-too-low',
  'high-site', 'relief-assumed', 'no-catalogue-size', 'temperature-order',
  'gas-drop-over-allowance', 'gas-below-minimum', 'gas-table-stricter', 'gas-table-not-covered', 'gas-working-assumed', 'gas-length-assumed',
  'gas-branch-over-feeder', 'gas-appliance-unfed', 'gas-minimum-unknown', 'gas-altitude', 'gas-working-part-load', 'gas-setting-unsourced',
  'test-limit-unknown', 'inputs-conflict',
] as const

export type FindingId = (typeof findingIds)[number]

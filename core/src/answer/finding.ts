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
  'gas-branch-over-feeder', 'gas-load-on-branch', 'gas-appliance-unfed', 'gas-minimum-unknown', 'gas-altitude', 'gas-working-part-load', 'gas-setting-unsourced',
  'gas-maker-table', 'gas-regulator-starved', 'gas-regulator-vent', 'gas-regulator-locks', 'gas-stages-unusual', 'gas-no-shut-off', 'gas-end-open', 'gas-no-trap', 'gas-rigid-where-it-shakes', 'gas-not-bonded', 'gas-diversified', 'gas-derated', 'gas-too-fast',
  'water-outlet-starved', 'water-outlet-unfed', 'water-too-fast', 'water-no-size', 'water-main-assumed', 'water-wait-long', 'water-will-not-fire', 'water-mixer-uneven', 'water-make-up-open', 'water-make-up-unguarded', 'water-make-up-no-reducing', 'water-loop-bare', 'water-loop-undecided', 'water-loop-fast', 'water-main-past-measured', 'water-branch-over-feeder', 'water-units-not-covered', 'water-dead-main',
  'test-limit-unknown', 'inputs-conflict',
  'main-too-high', 'main-running-above-static', 'main-points-disagree', 'main-not-run', 'main-closed', 'main-cannot-tell', 'incoming-not-coldest', 'stop-valve-fails',
  'gas-static-to-working', 'gas-meter-range', 'gas-meter-too-small', 'gas-smell', 'draught-failed', 'draught-cannot-tell', 'draught-not-tried', 'relief-out-of-reach', 'relief-blocked',
  'vehicle-path', 'ignition-low', 'pan-wanted', 'straps-wanted', 'frost', 'corrosive-air', 'clearance-short', 'combustion-air-short', 'flue-unsound', 'no-drain', 'drain-pumped', 'supply-shared', 'no-drip-loop',
  'supply-not-live', 'papers-missing', 'part-old', 'part-age-unknown', 'inspected-unsafe', 'inspected-look-again',
  'heat-estimated', 'option-short-of-hot-water', 'option-short-of-heat', 'option-main-cannot', 'option-meter-cannot', 'option-cycles', 'option-coil-limits', 'option-store-layers', 'demand-not-covered', 'heating-output-high',
  'outlet-scalds', 'store-breeds', 'store-below-outlet', 'mixing-refused', 'one-option-only', 'chosen-gone',
  'circuit-can-freeze', 'glycol-not-covered', 'glycol-freezes', 'glycol-figures', 'pipe-too-fast', 'pipe-too-steep', 'pump-none-does', 'pump-too-small', 'pump-turned-down', 'boiler-least-flow', 'zone-sings', 'part-loss-assumed', 'nothing-catches-dirt', 'content-wide',
  'vessel-can-be-shut', 'vessel-on-zone', 'vessel-after-pump', 'vessel-from-above', 'vessel-hangs-on-pipe', 'vessel-place-open', 'near-the-boil', 'vessel-over-acceptance', 'vessel-below-relief', 'charge-below-head', 'feed-to-be-set', 'preset-suits',
  'relief-above-store', 'expansion-above-temperature', 'temperature-relief-hot', 'store-reliefs-assumed', 'supply-leaves-no-room', 'next-to-no-water', 'potable-vessel-small', 'potable-charge-off', 'inlet-order', 'inlet-reversed', 'inlet-valve-between', 'inlet-not-there',
  'cut-out-resets', 'cut-out-none', 'cut-out-hot', 'immersion-no-cut-out', 'mixers-unbalanced', 'supply-falls', 'unvented-ticket',
  'relief-above-part', 'relief-capacity-unknown', 'relief-capacity-short', 'relief-generic', 'relief-probe-cold', 'relief-probe-open', 'relief-lever-blocked', 'relief-can-be-shut', 'relief-not-like', 'relief-wrong-kind',
  'discharge-none', 'discharge-reduced', 'discharge-level', 'discharge-uphill', 'discharge-not-for-heat', 'discharge-sags', 'discharge-valve', 'discharge-trap', 'discharge-capped', 'discharge-threaded', 'discharge-no-air-gap', 'tundish-hidden',
  'd1-too-long', 'd1-too-small', 'no-drop-after-tundish', 'd2-not-larger', 'd2-too-long', 'd2-past-table', 'discharge-end-high', 'discharge-end-low', 'discharge-end-hidden', 'discharge-end-unsafe', 'discharge-crawl-space', 'discharge-bucket', 'discharge-freezes',
  'discharge-back-pressure', 'discharge-cannot-carry', 'discharge-not-measured',
  'pan-left-out', 'pan-left-out-because', 'pan-not-decided', 'pan-drains-nowhere', 'pan-takes-acid',
] as const

export type FindingId = (typeof findingIds)[number]

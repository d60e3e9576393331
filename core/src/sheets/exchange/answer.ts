import type { Appliance, Part } from '../../job/document'
import type { Exchange } from '../../job/workDocument'
import type { Measure } from '../../units/measure'

/** What each point of a match is called, as it heads a row. */
export const pointNames = {
  set: 'Set pressure',
  temperature: 'Opening temperature',
  capacity: 'Capacity',
  volume: 'Volume',
  working: 'Maximum working pressure',
  connection: 'Connection',
} as const

/** One point of the match: the new part held against the plant, then against the old part. */
export interface MatchPoint {
  readonly id: keyof typeof pointNames
  readonly measure: Measure
  readonly old?: number
  readonly fresh?: number
  /** What the plant or the relief behind it asks, and who says so. */
  readonly asks?: { readonly value: number; readonly of: string; readonly way: 'most' | 'least' }
  /** Undefined while a figure of it is not read. */
  readonly fits: boolean | undefined
  readonly like: boolean | undefined
}

/** A safety part exchanged, as far as its figures are known. */
export interface ExchangeAnswer {
  readonly exchange: Exchange
  readonly plant: Appliance
  readonly old: Part
  readonly fresh: Part
  readonly points: readonly MatchPoint[]
  /** What the plant sees while the new relief lifts at its setting, gauge. */
  readonly seenGauge_Pa?: number
}

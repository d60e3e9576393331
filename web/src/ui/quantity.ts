import type { Evidence, Known, Measure, SiteBasis } from '@hestian/core'

export interface Entry {
  readonly si: number
  readonly typed: string
  readonly basis: SiteBasis
  readonly from: string
  /** Range of an assumption, SI. */
  readonly between?: readonly [number, number]
  readonly photos: readonly Evidence[]
}

/** An entry as the document holds it. */
export const knownOf = ({ si, basis, from, between }: Entry, recordId?: string): Known => ({
  value: si,
  basis,
  from,
  ...(recordId ? { recordId } : {}),
  ...(basis === 'assumed' && between ? { between: [between[0], between[1]] } : {}),
})

export interface QuantityProps {
  readonly label: string
  readonly place: string
  readonly measure: Measure
  readonly value: Known
  readonly onUse: (entry: Entry) => void
  readonly onClear?: () => void
  /** Keeps a reading without writing it into the design. */
  readonly onRecordOnly?: (entry: Entry) => void
  readonly why?: string
  readonly how?: string
  /** A photograph may be taken with the reading. */
  readonly photos?: boolean
  /** What stands in place of a value that is not there yet. */
  readonly empty?: string
}

export const rowId = (place: string) => `row-${place}`
export const basisWords: Readonly<Record<SiteBasis, string>> = {
  measured: 'measured',
  read: 'read',
  assumed: 'assumed',
}

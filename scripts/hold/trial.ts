/**
 * What a trial found: how much it tried, and how much was lost, doubled, thrown or hung. All but
 * the first should be 0.
 */
export interface Tally {
  readonly tried: string
  readonly lost: number
  readonly doubled: number
  readonly thrown: number
  readonly hung: number
  /** Figures that are not faults. */
  readonly beside?: string
  /** The first faults in words. */
  readonly says?: readonly string[]
}

export interface Trial {
  readonly name: string
  readonly run: (seed: number) => Promise<Tally>
}

export const faultsOf = ({ lost, doubled, thrown, hung }: Tally): number =>
  lost + doubled + thrown + hung

export const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms))

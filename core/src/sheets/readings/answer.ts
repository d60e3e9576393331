import type { ClosedConclusion } from '../../methods/supply/closedSystem'
import type { MainCurve, RunningPoint } from '../../methods/supply/mainCurve'

export interface ReadingsAnswer {
  readonly staticToWorking_Pa: number | undefined
  readonly points: readonly (RunningPoint & { readonly id: string })[]
  readonly curve: MainCurve | undefined
  readonly closing: ClosedConclusion
  /** Coldest incoming water: what hot water is designed on. */
  readonly coldTemp_K: number | undefined
  /** Everything that burns, gross, at the heating value of the practice. */
  readonly load_m3_s: number
}

import type { Source } from '../answer/sources'
import type { Building } from './buildings'
import type { Practice } from './practices'

export interface SafeOutlet {
  /** Hotter than this where people wash is mixed down. */
  readonly temp_K: number
  readonly source: Source
}

/** The hottest that may run where people wash in a building; one whose use nobody has said counts as a dwelling. */
export const safeOutlet = ({ hotWater }: Practice, building: Building | null): SafeOutlet =>
  (building && hotWater.safeOutletIn?.[building]) ?? {
    temp_K: hotWater.safeOutletTemp_K,
    source: hotWater.safeOutletSource,
  }

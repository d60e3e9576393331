import type { Source } from '../answer/sources'
import type { Building } from './buildings'
import type { Practice } from './practice'

export interface SafeOutlet {
  /** Hotter than this where people wash is mixed down. */
  readonly temp_K: number
  readonly source: Source
}

/**
 * The hottest that may run where people wash in a building; one whose use nobody has said counts as
 * a dwelling. An older consent counts only where somebody has said that there is one, and never
 * where people are frail or small.
 */
export const safeOutlet = (
  { hotWater }: Practice,
  {
    building,
    olderConsent,
  }: { readonly building: Building | null; readonly olderConsent: 'yes' | 'no' | null },
): SafeOutlet =>
  (building && hotWater.safeOutletIn?.[building]) ??
  (olderConsent === 'yes' ? hotWater.olderConsent : undefined) ?? {
    temp_K: hotWater.safeOutletTemp_K,
    source: hotWater.safeOutletSource,
  }

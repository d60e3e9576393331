import { hygieneTemp_K } from '../methods/hot-water/scald'
import type { JobDocument } from './document'
import type { Practice } from '../practice/practice'
import { sideOf } from '../practice/schools'

/** The store's setting on this job: typed, or the practice's own by the school it takes. */
export function storeSetting_K(
  { hotWater, schools, practice: name }: JobDocument,
  practice: Practice,
): number {
  if (hotWater?.storeTemp_K) return hotWater.storeTemp_K.value
  return sideOf('hotWaterTemperature', name, schools) === 'a'
    ? Math.max(practice.hotWater.storeTemp_K, hygieneTemp_K)
    : Math.min(practice.hotWater.storeTemp_K, practice.hotWater.safeOutletTemp_K + 1e-9)
}

import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import { sideOf } from '../../practice/schools'
import { fitted } from '../../job/asked'

/** Whether something has to stand under the heater, and why. */
export interface PanNeed {
  readonly wanted: boolean
  readonly because:
    | 'over-living-space'
    | 'always'
    | 'not-over-living-space'
    | 'instantaneous-none'
    | 'nothing-to-leak'
    | 'not-looked'
}

/** Drain pan by location, kind of heater and the schools chosen. Source: sources.trade. */
export function panNeed(document: JobDocument, practice: Practice): PanNeed {
  const heaters = fitted(document.appliances).filter(
    (one) =>
      one.kind === 'storage-heater' ||
      one.kind === 'indirect-cylinder' ||
      one.kind === 'instantaneous-heater',
  )
  if (heaters.length === 0) return { wanted: false, because: 'nothing-to-leak' }
  const onlyInstant = heaters.every((one) => one.kind === 'instantaneous-heater')
  if (onlyInstant && sideOf('instantaneousPan', practice.name, document.schools) === 'b')
    return { wanted: false, because: 'instantaneous-none' }
  if (sideOf('safetyPan', practice.name, document.schools) === 'a')
    return { wanted: true, because: 'always' }
  const below = document.survey.looked.livingBelow?.answer
  if (below === undefined) return { wanted: false, because: 'not-looked' }
  return below === 'yes'
    ? { wanted: true, because: 'over-living-space' }
    : { wanted: false, because: 'not-over-living-space' }
}

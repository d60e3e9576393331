import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practices'
import { placeFindings } from './findings'
import type { Sheet } from '../../answer/sheet'
import { surveySheet, asked, unlooked } from '../surveySheet'

export function placeSheet(
  document: JobDocument,
  practice: Practice,
): Sheet<{ readonly draught: 'passed' | 'failed' | 'cannot-tell' | 'not-needed' | 'not-tried' }> {
  const { findings, draught } = placeFindings(document, practice)
  const { looked, ignitionHeight_m } = document.survey
  const missing = [
    ...unlooked(document, ['place', 'air', 'services']),
    ...(looked.location?.answer === 'garage' && looked.airSource?.answer !== 'sealed'
      ? asked(document, ['ignitionHeight_m'])
      : []),
  ]
  return surveySheet(
    missing,
    { draught },
    {
      looked,
      draught: document.survey.draught,
      ignitionHeight_m,
      schools: document.schools.safetyPan,
    },
    findings,
  )
}

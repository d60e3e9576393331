import { placeWordings } from './wording'
import { sheetSpec } from '../sheetSpec'
import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import { placeFindings } from './findings'
import type { Sheet } from '../../answer/sheet'
import { surveySheet, asked, unlooked } from '../surveySheet'

export function placeSheet(
  document: JobDocument,
  practice: Practice,
): Sheet<{ readonly draught: 'passed' | 'failed' | 'cannot-tell' | 'not-needed' | 'not-tried' }> {
  const { findings, draught } = placeFindings(document, practice)
  const { looked } = document.survey
  const missing = [
    ...unlooked(document, ['place', 'air', 'services']),
    ...(looked.location?.answer === 'garage' && looked.airSource?.answer !== 'sealed'
      ? asked(document, ['ignitionHeight_m'])
      : []),
  ]
  return surveySheet(missing, { draught }, findings)
}

export const placeSpec = sheetSpec()({
  id: 'place',
  wordings: placeWordings,
  place: 'survey.looked',
  inputs: ({ survey, schools }) => [
    survey.looked,
    survey.draught,
    survey.ignitionHeight_m,
    schools.safetyPan,
  ],
  beside: ({ appliances, hotWater }) => [appliances, hotWater !== null],
  solve: placeSheet,
})

import { platesWordings } from './wording'
import { sheetSpec } from '../sheetSpec'
import type { JobDocument } from '../../job/document'
import { burnsGas, plateFields } from '../../job/fields'
import { partFindings } from './findings'
import type { Sheet } from '../../answer/sheet'
import { surveySheet } from '../surveySheet'

export function platesSheet(document: JobDocument): Sheet<{ readonly burners: number }> {
  const here = document.appliances.filter((appliance) => appliance.stay !== 'goes')
  const missing =
    document.appliances.length === 0
      ? [{ place: 'appliances', what: 'An appliance' }]
      : document.appliances.flatMap((appliance, i) =>
          appliance.stay === 'goes'
            ? []
            : plateFields
                .filter(
                  (field) =>
                    field.needed &&
                    field.kinds.includes(appliance.kind) &&
                    appliance[field.key] === null,
                )
                .map((field) => ({
                  place: `appliances.${i}.${field.key}`,
                  what: `${field.label} of ${appliance.name}`,
                })),
        )
  return surveySheet(
    missing,
    { burners: here.filter((appliance) => burnsGas(appliance.kind)).length },
    partFindings(document),
  )
}

export const platesSpec = sheetSpec()({
  id: 'plates',
  wordings: platesWordings,
  place: 'appliances',
  inputs: ({ appliances, parts }) => [appliances, parts],
  beside: ({ survey }) => [survey.visitedOn],
  solve: platesSheet,
})

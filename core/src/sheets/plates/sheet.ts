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
  const plates = document.appliances.map(({ papers: _papers, photos: _photos, ...plate }) => plate)
  return surveySheet(
    missing,
    { burners: here.filter((appliance) => burnsGas(appliance.kind)).length },
    { plates, parts: document.parts },
    partFindings(document),
  )
}

import type { Field, SurveyKey } from '@hestian/core'
import { ofKind } from '@hestian/core'
import { useDesign, useJobActions, useStanding } from './JobContext'
import type { Entry, QuantityProps } from '../ui/quantity'
import { knownOf } from '../ui/quantity'

/**
 * A question of the survey as its editor takes it. What is measured or read becomes a record, and
 * using it writes its value and the record's id into the design.
 */
export function useReading(field: Field & { readonly key: SurveyKey }): QuantityProps {
  const { draft } = useDesign()
  const { state } = useStanding()
  const { edit, record } = useJobActions()
  const place = `survey.${field.key}`
  const readings = ofKind(state.records, 'reading').filter((one) => one.body.field === place)
  const keep = (entry: Entry) =>
    entry.basis === 'assumed'
      ? undefined
      : record({
          kind: 'reading',
          field: place,
          si: entry.si,
          typed: entry.typed,
          basis: entry.basis,
          instrument: entry.from,
          ...(entry.photos.length > 0 ? { photos: [...entry.photos] } : {}),
        })
  const use = (entry: Entry) => {
    const recordId = keep(entry)
    if (entry.basis !== 'assumed' && !recordId) return
    edit([{ path: ['survey', field.key], value: knownOf(entry, recordId) }])
  }
  return {
    label: field.label,
    place,
    measure: field.measure,
    value: draft.document.survey[field.key],
    how: field.how,
    photos: true,
    why:
      readings.length > 0
        ? `${field.why} ${readings.length === 1 ? 'One reading is' : `${readings.length} readings are`} recorded, the last ${readings[readings.length - 1]?.body.typed}.`
        : field.why,
    onUse: use,
    onRecordOnly: keep,
    onClear: () => edit([{ path: ['survey', field.key], value: null }]),
  }
}

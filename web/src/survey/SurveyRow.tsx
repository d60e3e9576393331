import type { Field, SurveyKey } from '@hestian/core'
import { ofKind } from '@hestian/core'
import { useJob } from '../job/JobContext'
import type { Entry } from '../ui/QuantityRow'
import { QuantityRow } from '../ui/QuantityRow'

/** A question of the survey. What is measured or read becomes a record, and using it writes its value and the record's id into the design. */
export function SurveyRow({ field }: { readonly field: Field & { readonly key: SurveyKey } }) {
  const { draft, edit, record, state } = useJob()
  const place = `survey.${field.key}`
  const readings = ofKind(state.records, 'reading').filter((one) => one.body.field === place)
  const keep = (entry: Entry) => (entry.basis === 'assumed' ? Promise.resolve(undefined) : record({ kind: 'reading', field: place, si: entry.si, typed: entry.typed, basis: entry.basis, instrument: entry.from }))
  const use = async (entry: Entry) => {
    const recordId = await keep(entry)
    edit([{ path: ['survey', field.key], value: { value: entry.si, basis: entry.basis, from: entry.from, ...(recordId ? { recordId } : {}) } }])
  }
  return (
    <QuantityRow
      label={field.label} place={place} measure={field.measure} value={draft.document.survey[field.key]} how={field.how}
      why={readings.length > 0 ? `${field.why} ${readings.length === 1 ? 'One reading is' : `${readings.length} readings are`} recorded, the last ${readings[readings.length - 1]?.body.typed}.` : field.why}
      onUse={(entry) => void use(entry)} onRecordOnly={(entry) => void keep(entry)} onClear={() => edit([{ path: ['survey', field.key], value: null }])}
    />
  )
}

import type { Practice, RecordBody } from '@hestian/core'
import { inWords, lookQuestions, surveyFields } from '@hestian/core'
import type { Outgoing } from './outbox'

type Words = Practice['words']

/** What waits to be sent, by a name that whoever recorded it knows. */
export const outgoingName = (entry: Outgoing, words: Words): string =>
  entry.kind === 'evidence'
    ? entry.type === 'application/pdf'
      ? 'A paper'
      : 'A photograph'
    : inWords(recordName(entry.record.body), words)

function recordName(body: RecordBody): string {
  switch (body.kind) {
    case 'reading':
      return `Reading: ${labelOf(body.field)}, ${body.typed}`
    case 'looked':
      return `Seen: ${labelOf(body.field)}, ${body.answer}`
    case 'draught':
      return 'The draught trial'
    case 'inspected':
      return `Inspection: ${body.item}, ${body.verdict}`
    case 'snag':
      return `Snag: ${body.what}`
    case 'snag-done':
      return 'A snag that is done'
    case 'chosen-option':
      return `Choice: ${body.name}`
    case 'off':
      return `On the off strip: ${body.name}`
    default:
      return 'A record'
  }
}

const labelOf = (field: string): string => {
  const key = field.split('.').pop() ?? field
  const label =
    surveyFields.find((one) => one.key === key)?.label ??
    lookQuestions.find((one) => one.key === key)?.label
  return label ?? key
}

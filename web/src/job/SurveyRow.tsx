import type { Field, SurveyKey } from '@hestian/core'
import { QuantityRow } from '../ui/QuantityRow'
import { useReading } from './useReading'

/** A question of the survey that is answered with a figure. */
export function SurveyRow({ field }: { readonly field: Field & { readonly key: SurveyKey } }) {
  return <QuantityRow {...useReading(field)} />
}

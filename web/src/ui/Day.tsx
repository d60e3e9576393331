import { parseDate } from '@internationalized/date'
import { DateField, DateInput, DateSegment, Label } from 'react-aria-components'
import styled from 'styled-components'

export interface DayProps {
  readonly label: string
  readonly value: string | null
  readonly onChange: (day: string | null) => void
}

/** A day, typed part by part. */
export function Day({ label, value, onChange }: DayProps) {
  return (
    <Field
      value={value ? parseDate(value) : null}
      onChange={(day) => onChange(day ? day.toString() : null)}
      granularity="day"
      shouldForceLeadingZeros
    >
      <Label>{label}</Label>
      <DateInput>{(segment) => <DateSegment segment={segment} />}</DateInput>
    </Field>
  )
}

const Field = styled(DateField)`
  display: flex;
  gap: 8px;
  align-items: center;
  label {
    font-size: var(--small);
    color: var(--ink-2);
  }
  .react-aria-DateInput {
    display: inline-flex;
    min-height: 36px;
    align-items: center;
    border-bottom: 1.5px solid var(--ink);
    padding: 2px 4px;
    font-feature-settings: 'tnum';
  }
  .react-aria-DateSegment {
    padding: 2px;
    outline: none;
  }
  .react-aria-DateSegment[data-placeholder] {
    color: var(--pencil);
  }
  .react-aria-DateSegment[data-focused] {
    background: var(--select);
    outline: 2px solid var(--ink);
  }
`

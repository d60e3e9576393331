import { lazy, Suspense } from 'react'
import styled from 'styled-components'
import type { DayProps } from './Day'

const Fetched = lazy(async () => {
  try {
    return { default: (await import('./Day')).Day }
  } catch {
    return { default: PlainDay }
  }
})

/** Where the calendar cannot be fetched: the browser's own. */
function PlainDay({ label, value, onChange }: DayProps) {
  return (
    <label>
      {label}
      <input
        type="date"
        value={value ?? ''}
        onChange={({ target }) => onChange(target.value === '' ? null : target.value)}
      />
    </label>
  )
}

/**
 * A day, typed part by part. The calendar's arithmetic is heavy: it is fetched after the page, and
 * meanwhile the day stands as a text.
 */
export const Day = (props: DayProps) => (
  <Suspense
    fallback={
      <Room>
        {props.label} {props.value ?? 'no day yet'}
      </Room>
    }
  >
    <Fetched {...props} />
  </Suspense>
)

const Room = styled.span`
  min-height: 40px;
  font-size: var(--small);
  color: var(--ink-2);
`

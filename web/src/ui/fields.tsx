import { useEffect, useState } from 'react'
import { Input, Label, TextArea, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { phone } from './phone'

interface InlineTextProps {
  readonly label: string
  readonly value: string
  readonly onCommit: (text: string) => void
  readonly maxLength: number
  /** Shows the label above; otherwise it is only said. */
  readonly labelled?: boolean
  readonly required?: boolean
  /** Fewer characters than this say nothing. */
  readonly least?: number
  /** Wraps instead of running off its end. */
  readonly lines?: boolean
}

/** A line of text, taken when one leaves it or presses Enter. */
export function InlineText({
  label,
  value,
  onCommit,
  maxLength,
  labelled,
  required,
  least = 1,
  lines,
}: InlineTextProps) {
  const [text, setText] = useState(value)
  const [says, setSays] = useState<string>()
  useEffect(() => setText(value), [value])
  const commit = () => {
    if (required && text.trim() === '') return setSays('This needs a name; the last one is kept.')
    if (required && text.trim().length < least)
      return setSays(`At least ${least} characters; the last one is kept until it is longer.`)
    if (text.length > maxLength)
      return setSays(
        `At most ${maxLength} characters; this has ${text.length}. The last one is kept until it is shorter.`,
      )
    setSays(undefined)
    if (text !== value) onCommit(text)
  }
  return (
    <Line
      value={text}
      onChange={setText}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') {
          if (lines) event.preventDefault()
          commit()
        }
      }}
      isInvalid={says !== undefined}
      {...(labelled ? {} : { 'aria-label': label })}
    >
      {labelled && <Label>{label}</Label>}
      {lines ? <TextArea rows={1} /> : <Input />}
      {says && <small role="alert">{says}</small>}
    </Line>
  )
}

interface InlineCountProps {
  readonly label: string
  readonly value: number
  readonly onCommit: (count: number) => void
  readonly labelled?: boolean
}

/** A whole number from 0 to 200. */
export function InlineCount({ label, value, onCommit, labelled }: InlineCountProps) {
  const [text, setText] = useState(String(value))
  const [says, setSays] = useState<string>()
  useEffect(() => setText(String(value)), [value])
  const commit = () => {
    const count = Number(text.trim())
    if (!/^\d{1,3}$/.test(text.trim()) || count > 200) return setSays('A whole number, 0 to 200.')
    setSays(undefined)
    if (count !== value) onCommit(count)
  }
  return (
    <Line
      data-count
      value={text}
      onChange={setText}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit()
      }}
      isInvalid={says !== undefined}
      {...(labelled ? {} : { 'aria-label': label })}
    >
      {labelled && <Label>{label}</Label>}
      <Input inputMode="numeric" />
      {says && <small role="alert">{says}</small>}
    </Line>
  )
}

const Line = styled(TextField)`
  display: grid;
  gap: 2px;
  min-width: 0;
  label {
    font: 400 var(--small)/20px var(--text);
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 35px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    padding: 3px 4px;
    font: 450 var(--plain)/20px var(--text);
    border-radius: 0;
  }
  textarea {
    width: 100%;
    field-sizing: content;
    resize: none;
    min-height: 35px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    padding: 6px 4px;
    font: 450 var(--plain)/20px var(--text);
    border-radius: 0;
    &:hover {
      background: var(--select);
    }
  }
  &[data-count] input {
    width: 64px;
    text-align: right;
    font-feature-settings: 'tnum';
  }
  input:hover {
    background: var(--select);
  }
  small {
    color: var(--stop);
    font-size: var(--note);
    line-height: 17px;
  }
  &[data-invalid] input {
    border-color: var(--stop);
  }
  @media (pointer: coarse) {
    input {
      min-height: 48px;
    }
  }
`
/** Rows of a small table that become stacked on a phone. */
export const Rows = styled.ul`
  display: grid;
`
export const RowGrid = styled.li<{ $columns: string }>`
  display: grid;
  grid-template-columns: ${({ $columns }) => $columns};
  gap: 12px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 0.8px solid var(--hair);
  ${phone} {
    grid-template-columns: 1fr auto;
    > button:last-child {
      grid-column: 1 / -1;
      justify-self: end;
    }
  }
`

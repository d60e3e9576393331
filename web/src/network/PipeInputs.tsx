import { parseQuantity } from '@hestian/core'
import { useState } from 'react'
import { useDesign } from '../job/JobContext'
import type { PipeOps } from './usePipes'

/** The name of a pipe as one types it. */
export function NameInput({
  name,
  fresh,
  onUse,
  onLeft,
  onEscape,
}: {
  readonly name: string
  readonly fresh: boolean
  readonly onUse: (text: string) => void
  readonly onLeft: (text: string) => void
  readonly onEscape: () => void
}) {
  const [text, setText] = useState(name)
  return (
    <input
      aria-label="Name of the pipe"
      autoFocus
      value={text}
      maxLength={120}
      onFocus={(event) => {
        if (!fresh) event.currentTarget.select()
      }}
      onChange={(event) => setText(event.target.value)}
      onClick={(event) => event.stopPropagation()}
      onBlur={() => onLeft(text)}
      onKeyDown={(event) => {
        event.stopPropagation()
        if (event.key === 'Enter' || event.key === 'Tab') {
          event.preventDefault()
          onUse(text)
        } else if (event.key === 'Escape') onEscape()
      }}
    />
  )
}

interface LengthInputProps {
  readonly id: string
  readonly text: string
  readonly fresh: boolean
  readonly ops: PipeOps
  readonly done: (id: string) => void
  readonly left: (id: string, what: 'length') => void
  readonly says: string | undefined
  readonly onSays: (says: string | undefined) => void
}

/**
 * A length as one types it; what cannot be understood gets its sentence under the row and stays.
 */
export function LengthInput(props: LengthInputProps) {
  const { id, text: first, fresh, ops, done, left, says, onSays } = props
  const { solution } = useDesign()
  const [text, setText] = useState(first)
  const use = (then: () => void) => {
    if (text.trim() === '' || (text === first && !fresh)) return then()
    const parsed = parseQuantity(text, 'length', solution.practice.units.length)
    if (parsed.outcome !== 'understood') return onSays(parsed.says)
    if (!(parsed.si > 0)) return onSays('A pipe has some length: more than nothing.')
    ops.setLength(id, { value: parsed.si, basis: 'measured', from: 'Tape' })
    then()
  }
  return (
    <input
      aria-label="Length of the pipe"
      aria-invalid={says !== undefined}
      autoFocus
      value={text}
      onFocus={(event) => {
        onSays(undefined)
        if (!fresh) event.currentTarget.select()
      }}
      onChange={(event) => {
        setText(event.target.value)
        onSays(undefined)
      }}
      onClick={(event) => event.stopPropagation()}
      onBlur={() => {
        if (says === undefined) use(() => left(id, 'length'))
      }}
      onKeyDown={(event) => {
        event.stopPropagation()
        if (event.key === 'Enter' || event.key === 'Tab') {
          event.preventDefault()
          use(() => done(id))
        } else if (event.key === 'Escape') done(id)
      }}
    />
  )
}

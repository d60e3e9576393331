import { useEffect, useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { Choice } from '../ui/Choice'
import { NotesHere } from '../ui/SheetPage'

type Stay = 'new' | 'stays' | 'goes'
const stays = [
  { id: 'new', text: 'New here' },
  { id: 'stays', text: 'There, stays' },
  { id: 'goes', text: 'There, goes' },
] as const

interface Props {
  readonly name: string
  readonly stay: Stay
  readonly year: number | null
  readonly place: string
  readonly onStay: (stay: Stay) => void
  readonly onYear: (year: number | null) => void
}

/** Whether something is new, stays or goes, and the year on its plate. */
export function StayAndYear({ name, stay, year, place, onStay, onYear }: Props) {
  const [text, setText] = useState(year === null ? '' : String(year))
  const [says, setSays] = useState<string>()
  useEffect(() => setText(year === null ? '' : String(year)), [year])
  const commit = () => {
    const typed = text.trim()
    if (typed !== '' && !/^(19|20)\d\d$/.test(typed))
      return setSays('A year of four figures, 1900 to 2099, or nothing.')
    setSays(undefined)
    const next = typed === '' ? null : Number(typed)
    if (next !== year) onYear(next)
  }
  return (
    <Row data-place={place}>
      <Choice labelled label={`${name} is`} value={stay} options={stays} onChoose={onStay} />
      <TextField
        value={text}
        onChange={setText}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit()
        }}
        isInvalid={says !== undefined}
      >
        <Label>Year made</Label>
        <Input inputMode="numeric" maxLength={4} placeholder="on the plate" />
        {says && <small role="alert">{says}</small>}
      </TextField>
      <NotesHere place={place} />
    </Row>
  )
}

const Row = styled.div`
  display: flex;
  gap: 12px 24px;
  flex-wrap: wrap;
  padding: 6px 0 10px;
  > div {
    width: 190px;
  }
  label {
    display: block;
    font-size: var(--small);
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 35px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    padding: 3px 4px;
    font-feature-settings: 'tnum';
    border-radius: 0;
  }
  small {
    color: var(--stop);
    font-size: var(--note);
  }
  @media (pointer: coarse) {
    input {
      min-height: 48px;
    }
  }
`

import { useMemo, useState } from 'react'
import { Heading, Label, TextArea, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useKeptText } from '../job/useKeptText'
import { Button } from '../ui/Button'
import { fromCsv } from './csv'
import type { TableIoProps } from './TableIo'

/**
 * Reads pipes pasted or from a file, and says what is understood before anything changes. Fetched
 * when it is opened.
 */
export function TableReader<S>({
  columns,
  count,
  read,
  onUse,
  close,
}: TableIoProps<S> & { readonly close: () => void }) {
  const [text, setText] = useKeptText('pasted-table')
  const [from, setFrom] = useState('Pasted')
  const understood = useMemo(() => {
    if (text.trim() === '') return undefined
    return read(fromCsv(columns, text), from)
  }, [text, from, columns, read])
  const take = () => {
    if (understood?.ok) {
      onUse(understood.segments)
      setText('')
      close()
    }
  }
  return (
    <Box>
      <Heading slot="title">Pipes from a table</Heading>
      <p>
        The first line names the columns: {columns.join(', ')}. Tabs, commas or semicolons between
        them. A length takes any unit; a size left empty is chosen by Hestian.
      </p>
      <TextField
        value={text}
        onChange={(next) => {
          setText(next)
          setFrom('Pasted')
        }}
      >
        <Label>Paste the rows here</Label>
        <TextArea rows={9} spellCheck="false" />
      </TextField>
      <label>
        <span>or read a file</span>{' '}
        <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          onChange={(event) => {
            const file = event.target.files?.[0]
            if (file)
              void file.text().then((written) => {
                setText(written.slice(0, 400_000))
                setFrom(file.name.slice(0, 100))
              })
          }}
        />
      </label>
      {understood && !understood.ok && (
        <Wrong role="alert">
          {understood.says.slice(0, 8).map((one) => (
            <li key={one}>{one}</li>
          ))}
          {understood.says.length > 8 && <li>and {understood.says.length - 8} more</li>}
        </Wrong>
      )}
      {understood?.ok && (
        <p role="status">
          <b>{understood.segments.length}</b> {understood.segments.length === 1 ? 'pipe' : 'pipes'}{' '}
          understood
          {count > 0
            ? `; they take the place of the ${count} that stand here. Undo brings those back`
            : ''}
          .
        </p>
      )}
      <Actions>
        <Button onPress={close}>Leave it</Button>
        <Button look={understood?.ok ? 'go' : 'wait'} isDisabled={!understood?.ok} onPress={take}>
          Use these pipes
        </Button>
      </Actions>
    </Box>
  )
}

const Box = styled.div`
  padding: 18px 22px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  h2 {
    font: 650 23px/28px var(--head);
    margin: 0;
  }
  p {
    color: var(--ink-2);
  }
  label {
    font: 400 var(--small)/20px var(--text);
    color: var(--ink-2);
  }
  textarea {
    width: 100%;
    min-width: 0;
    box-sizing: border-box;
    font: 450 var(--small)/21px var(--text);
    font-feature-settings: 'tnum';
    background: var(--sheet);
    border: 1.2px solid var(--rule);
    padding: 8px;
    white-space: pre;
    overflow: auto;
  }
`
const Wrong = styled.ul`
  color: var(--ink);
  background: var(--stop-wash);
  padding: 8px 12px 8px 28px;
  list-style: square;
  font-size: var(--small);
`
const Actions = styled.div`
  display: flex;
  gap: 12px;
  justify-content: flex-end;
  flex-wrap: wrap;
`

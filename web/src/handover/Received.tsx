import { ofKind } from '@hestian/core'
import { useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Drawing, Drawn } from './Drawing'

/** Who received what was signed: a typed name, and drawn lines where they like to. */
export function Received({ letter }: { readonly letter: string }) {
  const { state } = useStanding()
  const { record } = useJobActions()
  const { nameOf, dates } = useReadBy()
  const [name, setName] = useKeptText(`received:${letter}`)
  const [drawn, setDrawn] = useState('')
  const done = ofKind(state.records, 'received').filter(({ body }) => body.revision === letter)
  const isNamed = name.trim().length >= 2
  const give = () => {
    if (!isNamed) return
    const made = record({
      kind: 'received',
      revision: letter,
      name: name.trim(),
      ...(drawn === '' ? {} : { drawn }),
    })
    // Nobody has said who is working: what was typed and drawn stays until somebody has.
    if (made === undefined) return
    setName('')
    setDrawn('')
  }
  return (
    <section aria-labelledby="received-head">
      <SectionHead id="received-head">Received</SectionHead>
      {done.map(({ id, at, by, body }) => (
        <Line key={id}>
          <b>{body.name}</b>
          {body.drawn && <Drawn path={body.drawn} name={body.name} />}
          <small>
            before {nameOf(by)}, {dates.dayTime(at)}
          </small>
        </Line>
      ))}
      {done.length === 0 && (
        <Form
          onSubmit={(event) => {
            event.preventDefault()
            give()
          }}
        >
          <Prose>
            Whoever lives here signs that they have it. A name is enough; the lines may be left out.
          </Prose>
          <TextField value={name} onChange={setName} maxLength={120}>
            <Label>Name of whoever receives it</Label>
            <Input autoComplete="off" />
          </TextField>
          <Drawing onDrawn={setDrawn} />
          <Button type="submit" isDisabled={!isNamed}>
            Received
          </Button>
        </Form>
      )}
    </section>
  )
}

const Form = styled.form`
  display: grid;
  gap: 12px;
  max-width: 520px;
  label {
    display: block;
    font-size: var(--small);
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 48px;
    background: transparent;
    border: 0;
    border-bottom: 2px solid var(--ink);
    font: 450 var(--large)/28px var(--text);
    padding: 4px;
  }
  canvas {
    display: block;
    border: 1px solid var(--rule);
    border-radius: 4px;
    background: var(--sheet);
    color: var(--ink);
    touch-action: none;
  }
  > button {
    justify-self: start;
  }
`
const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  padding: 6px 0;
  svg {
    width: 180px;
    height: 60px;
  }
  small {
    color: var(--ink-2);
  }
`

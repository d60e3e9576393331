import type { BodyOf } from '@hestian/core'
import { burnsGas, fitted, leakMadeSafe, ofKind, smellOfGas } from '@hestian/core'
import { useState } from 'react'
import { Checkbox, CheckboxGroup, Input, Label, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy, useStanding } from './JobContext'
import { useKeptText } from './useKeptText'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Mark } from '../ui/icons'
import { phone } from '../ui/phone'

type How = BodyOf<'made-safe'>['how']
const hows: readonly { readonly id: How; readonly text: string }[] = [
  { id: 'meter-shut', text: 'Meter valve shut' },
  { id: 'valve-shut', text: 'A valve before it shut' },
  { id: 'capped', text: 'Capped' },
  { id: 'disconnected', text: 'Disconnected and capped' },
  { id: 'repaired', text: 'Repaired at once' },
]
const howWords = Object.fromEntries(hows.map(({ id, text }) => [id, text]))

/** A leak made safe: recorded at once, apart from its mending, and put on the off strip. */
export function MadeSafe() {
  const { solution } = useDesign()
  const { state, frozen } = useStanding()
  const { record } = useJobActions()
  const { nameOf, dates } = useReadBy()
  const made = ofKind(state.records, 'made-safe')
  const [again, setAgain] = useState(false)
  const [where, setWhere] = useKeptText('made-safe-where')
  const [without, setWithout] = useKeptText('made-safe-without')
  const [how, setHow] = useState<How | null>(null)
  const [unlit, setUnlit] = useState<readonly string[]>([])
  const burners = fitted(solution.document.appliances).filter(({ kind }) => burnsGas(kind))
  const [says, setSays] = useState<string>()
  const keep = () => {
    if (where.trim().length < 3) return setSays('Say where it leaked.')
    if (!how) return setSays('Say how it was made safe.')
    const id = record({ kind: 'made-safe', where: where.trim(), how, without: without.trim() })
    if (!id) return
    if (how !== 'repaired')
      record({
        kind: 'off',
        name: without.trim() === '' ? 'Gas' : `Gas: ${without.trim()}`.slice(0, 200),
        state: how === 'meter-shut' || how === 'valve-shut' ? 'shut' : 'disconnected',
        where: where.trim().slice(0, 200),
        because: leakMadeSafe,
      })
    for (const name of unlit)
      record({
        kind: 'off',
        name: name.slice(0, 200),
        state: 'unlit',
        where: where.trim().slice(0, 200),
        because: leakMadeSafe,
      })
    setUnlit([])
    setWhere('')
    setWithout('')
    setSays(undefined)
    setAgain(false)
  }
  return (
    <section data-place="list.made-safe">
      <SectionHead>
        Made safe<small>not the same as mended</small>
      </SectionHead>
      <Prose>
        <b>Smell of gas:</b> {smellOfGas(solution.practice)} Never look for a leak with a flame.
      </Prose>
      {made.map(({ id, body, at, by }) => (
        <Made key={id}>
          <Mark kind="pass" size={20} />
          <span>
            <b>{howWords[body.how]}</b>: {body.where}
            {body.without && `; without gas: ${body.without}`}
            <small>
              {nameOf(by)}, {dates.dayTime(at)}
            </small>
          </span>
        </Made>
      ))}
      {!frozen && (made.length === 0 || again) ? (
        <Form
          aria-label="Made safe"
          onSubmit={(event) => {
            event.preventDefault()
            keep()
          }}
        >
          <TextField value={where} onChange={setWhere} maxLength={400}>
            <Label>Where it leaked</Label>
            <Input autoComplete="off" />
          </TextField>
          <Choice
            labelled
            label="How it was made safe"
            value={how}
            options={hows}
            onChoose={setHow}
          />
          <TextField value={without} onChange={setWithout} maxLength={400}>
            <Label>What is without gas now</Label>
            <Input autoComplete="off" placeholder="nothing, or what" />
          </TextField>
          {burners.length > 0 && (
            <CheckboxGroup value={[...unlit]} onChange={setUnlit}>
              <Label>Went out with it: each is to be lit again, and seen burning</Label>
              {burners.map(({ id, name }) => (
                <Burner key={id} value={name}>
                  <Mark kind={unlit.includes(name) ? 'pass' : 'not-yet'} size={20} />
                  {name}
                </Burner>
              ))}
            </CheckboxGroup>
          )}
          <div>
            <Button type="submit" look="go">
              Record it made safe
            </Button>
            <small role="alert">{says}</small>
          </div>
        </Form>
      ) : (
        !frozen && (
          <Button look="text" onPress={() => setAgain(true)}>
            Another leak
          </Button>
        )
      )}
    </section>
  )
}

const Made = styled.div`
  display: flex;
  gap: 12px;
  padding: 8px 4px;
  border-bottom: 0.8px solid var(--hair);
  small {
    display: block;
    color: var(--ink-2);
    font-size: var(--small);
  }
`
const Burner = styled(Checkbox)`
  && {
    display: flex;
    gap: 10px;
    align-items: center;
    min-height: 44px;
    cursor: pointer;
    color: var(--ink);
    font-size: var(--plain);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--ink);
  }
`
const Form = styled.form`
  display: grid;
  grid-template-columns: 1.4fr 1fr 1fr;
  gap: 10px 20px;
  padding: 8px 0 14px;
  align-items: end;
  label {
    display: block;
    font: 400 var(--small)/20px var(--text);
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 35px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    border-radius: 0;
    padding: 3px 4px;
  }
  > .react-aria-CheckboxGroup {
    grid-column: 1 / -1;
  }
  > div:last-child {
    grid-column: 1 / -1;
    display: flex;
    gap: 16px;
    align-items: center;
  }
  small {
    color: var(--stop);
    font-size: var(--small);
  }
  ${phone} {
    grid-template-columns: 1fr;
    input {
      min-height: 48px;
    }
  }
`

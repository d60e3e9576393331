import type { Draw } from '@hestian/core'
import { usualScenario } from '@hestian/core'
import { useEffect, useState } from 'react'
import { Input, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useDesign, useJobActions } from '../job/JobContext'
import { Drop } from '../ui/Drop'
import { Prose } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { InlineCount } from '../ui/fields'
import { phone } from '../ui/phone'

const hhmm = (seconds: number) =>
  `${String(Math.floor(seconds / 3600)).padStart(2, '0')}:${String(Math.floor((seconds % 3600) / 60)).padStart(2, '0')}`

/** The pattern of a day: what is opened when, for how long. */
export function Scenario() {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { hotWater } = draft.document
  if (!hotWater) return null
  const { scenario, outlets } = hotWater
  const set = (draws: readonly Draw[]) =>
    edit([
      { path: ['hotWater', 'scenario'], value: [...draws].sort((a, b) => a.start_s - b.start_s) },
    ])
  const change = (id: string, part: Partial<Draw>) =>
    set(scenario.map((draw) => (draw.id === id ? { ...draw, ...part } : draw)))
  const add = () => {
    const first = outlets[0]
    if (first)
      set([
        ...scenario,
        {
          id: newId(),
          outletId: first.id,
          open: 1,
          start_s: scenario[scenario.length - 1]?.start_s ?? 25200,
          duration_s: 600,
        },
      ])
  }
  if (outlets.length === 0)
    return <Prose>The pattern of the day opens the outlets above: add one first.</Prose>
  return (
    <>
      <Rows>
        {scenario.map((draw) => (
          <li key={draw.id}>
            <Time
              label={`Opened at, ${hhmm(draw.start_s)}`}
              text={hhmm(draw.start_s)}
              read={readTime}
              says="An hour and minutes, as in 07:15."
              onCommit={(start_s) => change(draw.id, { start_s })}
            />
            <InlineCount
              label={`How many open at ${hhmm(draw.start_s)}`}
              value={draw.open}
              onCommit={(open) => change(draw.id, { open: Math.max(1, open) })}
            />
            <Choice
              label={`What is opened at ${hhmm(draw.start_s)}`}
              value={draw.outletId}
              options={outlets.map((outlet) => ({ id: outlet.id, text: outlet.name }))}
              onChoose={(outletId) => change(draw.id, { outletId })}
            />
            <span>
              for{' '}
              <Time
                label={`Minutes open from ${hhmm(draw.start_s)}`}
                text={String(Math.round(draw.duration_s / 6) / 10)}
                read={readMinutes}
                says="Minutes, above 0 and at most 1440."
                onCommit={(duration_s) => change(draw.id, { duration_s })}
              />{' '}
              min
            </span>
            <Drop
              name={`the draw at ${hhmm(draw.start_s)}`}
              onPress={() => set(scenario.filter((one) => one.id !== draw.id))}
            />
          </li>
        ))}
      </Rows>
      <Actions>
        <Button look="text" onPress={add}>
          Add a draw
        </Button>
        {scenario.length === 0 && (
          <Button
            look="text"
            onPress={() =>
              set(usualScenario(draft.document).map((draw) => ({ id: newId(), ...draw })))
            }
          >
            Begin with a usual day
          </Button>
        )}
      </Actions>
    </>
  )
}

const readTime = (text: string): number | undefined => {
  const match = /^(\d{1,2})[:.h ]?(\d{2})?$/.exec(text.trim())
  const [hours, minutes] = [Number(match?.[1]), Number(match?.[2] ?? 0)]
  return match && hours < 24 && minutes < 60 ? hours * 3600 + minutes * 60 : undefined
}
const readMinutes = (text: string): number | undefined => {
  const minutes = Number(text.trim().replace(',', '.'))
  return minutes > 0 && minutes <= 1440 ? Math.max(1, Math.round(minutes * 60)) : undefined
}

interface TimeProps {
  readonly label: string
  readonly text: string
  readonly read: (text: string) => number | undefined
  readonly says: string
  readonly onCommit: (seconds: number) => void
}

function Time({ label, text, read, says, onCommit }: TimeProps) {
  const [typed, setTyped] = useState(text)
  const [wrong, setWrong] = useState(false)
  useEffect(() => setTyped(text), [text])
  const commit = () => {
    const seconds = read(typed)
    setWrong(seconds === undefined)
    if (seconds !== undefined && typed !== text) onCommit(seconds)
  }
  return (
    <Small
      value={typed}
      onChange={setTyped}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit()
      }}
      isInvalid={wrong}
      aria-label={label}
    >
      <Input inputMode="numeric" />
      {wrong && <small role="alert">{says}</small>}
    </Small>
  )
}

const Rows = styled.ul`
  li {
    display: grid;
    grid-template-columns: 84px 64px minmax(0, 1fr) 150px 32px;
    gap: 12px;
    align-items: center;
    padding: 3px 0;
    border-bottom: 0.8px solid var(--hair);
    > span {
      display: flex;
      gap: 6px;
      align-items: center;
      font-size: var(--small);
      color: var(--ink-2);
    }
  }
  ${phone} {
    li {
      grid-template-columns: 70px 56px minmax(0, 1fr) 32px;
      > span {
        grid-column: 1 / 4;
      }
    }
  }
`
const Small = styled(TextField)`
  input {
    width: 70px;
    min-height: 35px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    padding: 3px 4px;
    font-feature-settings: 'tnum';
    border-radius: 0;
  }
  small {
    display: block;
    color: var(--stop);
    font-size: var(--note);
    line-height: 17px;
  }
  @media (pointer: coarse) {
    input {
      min-height: 48px;
    }
  }
`
const Actions = styled.div`
  display: flex;
  gap: 24px;
  padding: 4px 0;
`

import type { Measure, SessionState, Staff, UnitName } from '@hestian/core'
import { ranges, units } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import styled from 'styled-components'
import { z } from 'zod'
import { ApiError, call } from '../api/client'
import { Choice } from '../ui/Choice'

const offered: readonly { readonly measure: Measure; readonly name: string }[] = [
  { measure: 'water-pressure', name: 'Water pressure' },
  { measure: 'gas-pressure', name: 'Gas pressure' },
  { measure: 'temperature', name: 'Temperature' },
  { measure: 'length', name: 'Length' },
  { measure: 'power', name: 'Power' },
  { measure: 'small-volume', name: 'Volume' },
  { measure: 'water-flow', name: 'Water flow' },
  { measure: 'gas-flow', name: 'Gas flow' },
  { measure: 'hardness', name: 'Hardness' },
]
const jobs = 'as the job'

/**
 * The units one person reads in. Entries take any unit all the same, and nothing that is stored
 * changes.
 */
export function OwnUnits({ person }: { readonly person: Staff }) {
  const client = useQueryClient()
  const [says, setSays] = useState<string>()
  const own = person.units
  const set = async (measure: Measure, unit: UnitName | undefined) => {
    const next = Object.fromEntries(
      Object.entries({
        ...own,
        [measure]: unit,
        ...(measure === 'small-volume' ? { volume: unit } : {}),
      }).filter(([, one]) => one !== undefined),
    )
    client.setQueryData<SessionState>(['session'], (state) =>
      state?.person ? { ...state, person: { ...state.person, units: next } } : state,
    )
    try {
      await call('PUT', `/people/${person.id}/units`, z.unknown(), next)
      setSays(undefined)
    } catch (error) {
      setSays(error instanceof ApiError ? error.message : 'That could not be kept.')
    }
    await client.invalidateQueries({ queryKey: ['session'] })
  }
  return (
    <Frame>
      <summary>Units {person.name.split(' ')[0]} reads in</summary>
      <ul>
        {offered.map(({ measure, name }) => {
          const fitting = (Object.keys(units) as UnitName[]).filter(
            (unit) => units[unit].kind === ranges[measure].kind,
          )
          return (
            <li key={measure}>
              <span>{name}</span>
              <Choice<UnitName | typeof jobs>
                label={`${name} shown in`}
                value={own[measure] ?? jobs}
                options={[
                  { id: jobs, text: jobs },
                  ...fitting.map((unit) => ({ id: unit, text: units[unit].symbol })),
                ]}
                onChoose={(unit) => void set(measure, unit === jobs ? undefined : unit)}
              />
            </li>
          )
        })}
      </ul>
      {says && <p role="alert">{says}</p>}
    </Frame>
  )
}

const Frame = styled.details`
  padding: 8px;
  summary {
    cursor: pointer;
    font: 650 var(--small)/22px var(--head);
    min-height: 40px;
    padding: 9px 0;
  }
  li {
    display: grid;
    grid-template-columns: 1fr 130px;
    gap: 10px;
    align-items: center;
    font-size: var(--small);
  }
  p {
    color: var(--stop);
    font-size: var(--note);
  }
`

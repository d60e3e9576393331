import { OpenSession } from '@hestian/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import styled from 'styled-components'
import { z } from 'zod'
import { ApiError, call } from '../api/client'
import { Button } from '../ui/Button'
import { dayTime } from '../ui/dates'
import { DoneForm } from '../ui/DoneRow'
import { SecretField } from '../ui/SecretField'
import { enter } from './enter'
import { OwnPasskeys } from './OwnPasskeys'

/** Where one is signed in, each to be ended; the devices that sign one in; and another password. */
export function OwnSessions() {
  const [isOpen, setOpen] = useState(false)
  return (
    <Frame onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>Sessions, passkeys, password</summary>
      {isOpen && <Sessions />}
      {isOpen && <OwnPasskeys />}
      {isOpen && <Password />}
    </Frame>
  )
}

function Sessions() {
  const client = useQueryClient()
  const [says, setSays] = useState<string>()
  const { data = [] } = useQuery({
    queryKey: ['sessions'],
    queryFn: () => call('GET', '/sessions', z.array(OpenSession)),
  })
  const end = async (id: string) => {
    setSays(await enter(`/sessions/${id}/end`, {}))
    await client.invalidateQueries({ queryKey: ['sessions'] })
  }
  return (
    <ul aria-label="Open sessions">
      {data.map((one) => (
        <li key={one.id}>
          <span>
            {one.isThis ? <b>This one</b> : 'Another'}, used {dayTime(one.seenAt)}
            <small>{one.from}</small>
          </span>
          {!one.isThis && (
            <Button
              look="text"
              aria-label={`End it: used ${dayTime(one.seenAt)}`}
              onPress={() => void end(one.id)}
            >
              End it
            </Button>
          )}
        </li>
      ))}
      {says && <p role="alert">{says}</p>}
    </ul>
  )
}

function Password() {
  const [old, setOld] = useState('')
  const [password, setPassword] = useState('')
  const [says, setSays] = useState<string>()
  const change = async () => {
    try {
      await call('PUT', '/password', z.unknown(), { old, password })
      setOld('')
      setPassword('')
      setSays('Changed. Every other session of yours has ended.')
    } catch (error) {
      setSays(error instanceof ApiError ? error.message : 'It was not changed. Try again.')
    }
  }
  return (
    <DoneForm
      aria-label="Another password"
      onSubmit={(event) => {
        event.preventDefault()
        void change()
      }}
    >
      <SecretField
        label="Password now"
        value={old}
        onChange={setOld}
        autoComplete="current-password"
      />
      <SecretField
        label="New password"
        value={password}
        onChange={setPassword}
        autoComplete="new-password"
        hint="At least 10 characters; three words one can remember are good."
      />
      {says && <p role="status">{says}</p>}
      <Button type="submit" isDisabled={old === '' || password === ''}>
        Change it
      </Button>
    </DoneForm>
  )
}

const Frame = styled.details`
  padding: 0 8px 8px;
  summary {
    cursor: pointer;
    font: 650 var(--small)/22px var(--head);
    min-height: 40px;
    padding: 9px 0;
  }
  li {
    display: flex;
    justify-content: space-between;
    gap: 10px;
    padding: 6px 0;
    border-bottom: 0.8px solid var(--hair);
    font-size: var(--small);
  }
  small {
    display: block;
    color: var(--ink-2);
    font-size: var(--note);
    overflow-wrap: anywhere;
  }
  li button {
    flex: none;
  }
  section {
    padding-top: 14px;
  }
  form {
    display: grid;
    gap: 8px;
    padding-top: 10px;
  }
`

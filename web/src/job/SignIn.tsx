import type { SessionState } from '@hestian/core'
import { isRole, roleWords } from '@hestian/core'
import { useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { Button } from '../ui/Button'
import { DoneForm } from '../ui/DoneRow'
import { SecretField } from '../ui/SecretField'
import { TextLine } from '../ui/TextLine'
import { enter } from './enter'
import { hasPasskeys, signInByPasskey } from './passkeys'

interface SignInProps {
  readonly door: SessionState
  /** Whose session ended, where one did. */
  readonly name?: string
  readonly onIn: () => Promise<void>
}

/** Name and password, or a passkey; in the demo its people, by a press. */
export function SignIn({ door, name: given = '', onIn }: SignInProps) {
  const [name, setName] = useState(given)
  const [password, setPassword] = useState('')
  const [says, setSays] = useState<string>()
  const [busy, setBusy] = useState(false)
  const go = async (entering: Promise<string | undefined>) => {
    setBusy(true)
    const refused = await entering
    setSays(refused)
    if (refused === undefined) await onIn()
    setBusy(false)
  }
  const isTyped = name.trim() !== '' && password !== ''
  return (
    <>
      {door.demo.length > 0 && (
        <People aria-label="People of the demo">
          {door.demo.map((one) => (
            <li key={one.id}>
              <One
                isDisabled={busy}
                onPress={() => void go(enter('/session/demo', { personId: one.id }))}
              >
                <b>{one.name}</b>
                <span>{isRole(one.role) ? roleWords[one.role] : one.role}</span>
              </One>
            </li>
          ))}
        </People>
      )}
      <DoneForm
        onSubmit={(event) => {
          event.preventDefault()
          if (isTyped) void go(enter('/session', { name, password }))
          else setSays('Type your name and your password.')
        }}
      >
        <TextLine label="Name" value={name} onChange={setName} autoComplete="username" />
        <SecretField
          label="Password"
          value={password}
          onChange={setPassword}
          autoComplete="current-password"
        />
        {says && <p role="alert">{says}</p>}
        <Button type="submit" look={door.demo.length > 0 ? 'line' : 'go'} isDisabled={busy}>
          Sign in
        </Button>
        {hasPasskeys() && (
          <Button look="text" isDisabled={busy} onPress={() => void go(signInByPasskey())}>
            With a passkey of this device
          </Button>
        )}
      </DoneForm>
    </>
  )
}

const People = styled.ul`
  max-width: 520px;
  margin-bottom: 14px;
  border-top: 1.5px solid var(--ink);
`
const One = styled(AriaButton)`
  display: grid;
  width: 100%;
  min-height: 52px;
  padding: 8px 2px;
  border: 0;
  border-bottom: 0.8px solid var(--hair);
  background: none;
  color: var(--ink);
  text-align: left;
  font: 400 var(--plain)/20px var(--text);
  cursor: pointer;
  span {
    color: var(--ink-2);
    font-size: var(--note);
  }
  &[data-hovered],
  &[data-focus-visible] {
    background: var(--select);
  }
`

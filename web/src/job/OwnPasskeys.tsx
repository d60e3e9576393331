import { Passkey } from '@hestian/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { z } from 'zod'
import { call } from '../api/client'
import { Button } from '../ui/Button'
import { dayTime } from '../ui/dates'
import { DoneForm } from '../ui/DoneRow'
import { TextLine } from '../ui/TextLine'
import { enter } from './enter'
import { hasPasskeys, makePasskey } from './passkeys'

/**
 * The devices that sign one in without a password, each to be removed; and this one, to be added.
 */
export function OwnPasskeys() {
  const client = useQueryClient()
  const [name, setName] = useState('')
  const [says, setSays] = useState<string>()
  const { data = [] } = useQuery({
    queryKey: ['passkeys'],
    queryFn: () => call('GET', '/passkeys', z.array(Passkey)),
  })
  const act = async (acting: Promise<string | undefined>, done: string) => {
    const refused = await acting
    setSays(refused ?? done)
    if (refused === undefined) setName('')
    await client.invalidateQueries({ queryKey: ['passkeys'] })
  }
  return (
    <section aria-label="Passkeys">
      <b>Passkeys</b>
      <ul aria-label="Devices with a passkey">
        {data.map((one) => (
          <li key={one.id}>
            <span>
              {one.name}
              <small>
                {one.usedAt
                  ? `used ${dayTime(one.usedAt)}`
                  : `made ${dayTime(one.madeAt)}, not used yet`}
              </small>
            </span>
            <Button
              look="text"
              aria-label={`Remove the passkey of ${one.name}`}
              onPress={() =>
                void act(enter(`/passkeys/${one.id}/remove`, {}), `${one.name} signs in no more.`)
              }
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      {hasPasskeys() ? (
        <DoneForm
          aria-label="A passkey of this device"
          onSubmit={(event) => {
            event.preventDefault()
            void act(makePasskey(name), 'This device signs you in from now on.')
          }}
        >
          <TextLine label="This device, by a name" value={name} onChange={setName} />
          <Button type="submit" isDisabled={name.trim() === ''}>
            Add a passkey of this device
          </Button>
        </DoneForm>
      ) : (
        <small>
          Passkeys want the name of the server and HTTPS: this browser makes none at this address.
          On the server’s own machine, open it as localhost.
        </small>
      )}
      {says && <p role="status">{says}</p>}
    </section>
  )
}

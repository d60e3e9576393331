import type { Staff } from '@hestian/core'
import { Link } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import styled from 'styled-components'
import { z } from 'zod'
import { ApiError, call } from '../api/client'
import { Button } from '../ui/Button'
import { dayOf } from '../ui/dates'
import { GivenLink } from '../ui/GivenLink'

/** The link that lets somebody choose a password, and the end of their time here. */
export function LinkFor({ staff: { id, name, standing } }: { readonly staff: Staff }) {
  const client = useQueryClient()
  const [link, setLink] = useState<Link>()
  const [leaving, setLeaving] = useState(false)
  const [says, setSays] = useState<string>()
  const tried = async (work: () => Promise<void>) => {
    try {
      await work()
      setSays(undefined)
      await client.invalidateQueries({ queryKey: ['people'] })
    } catch (error) {
      setSays(error instanceof ApiError ? error.message : 'That could not be sent. Try again.')
    }
  }
  return (
    <Frame>
      {link ? (
        <GivenLink
          href={`${location.origin}/invitation#${link.token}`}
          says={`Give it to ${name} yourself: whoever has it comes in as them. It opens once, until ${dayOf(link.until)}, and is not shown again.${standing === 'in' ? ' Once it is used, their sessions and passkeys from before are over.' : ''}`}
        />
      ) : (
        <Button
          onPress={() =>
            void tried(async () =>
              setLink(await call('POST', `/people/${id}/invitation`, Link, {})),
            )
          }
        >
          {standing === 'in' ? 'Link for a new password' : 'Link to come in'}
        </Button>
      )}
      {leaving ? (
        <p>
          {name} is out at once, on every device. Their name stays under what they recorded.{' '}
          <Button
            onPress={() =>
              void tried(async () => {
                await call('POST', `/people/${id}/let-go`, z.unknown(), {})
              })
            }
          >
            Yes, they left
          </Button>{' '}
          <Button look="text" onPress={() => setLeaving(false)}>
            They stay
          </Button>
        </p>
      ) : (
        <Button look="text" onPress={() => setLeaving(true)}>
          {name} left the firm
        </Button>
      )}
      {says && <p role="alert">{says}</p>}
    </Frame>
  )
}

const Frame = styled.div`
  display: grid;
  gap: 8px;
  justify-items: start;
  margin-top: 12px;
  padding-top: 10px;
  border-top: 0.8px solid var(--hair);
  p[role='alert'] {
    color: var(--stop);
  }
`

import type { GuestJob } from '@hestian/core'
import { GuestJob as GuestJobSchema } from '@hestian/core'
import { useQuery } from '@tanstack/react-query'
import styled from 'styled-components'
import { ApiError, call } from '../api/client'
import { enter } from '../job/enter'
import { dayOf } from '../ui/dates'
import { Mark } from '../ui/icons'
import { Bare } from '../ui/FirmPage'

/** Opens the link that came with the address, once, and reads the job it is for. */
async function guestJob(): Promise<GuestJob> {
  const token = location.hash.slice(1)
  if (token !== '') {
    const refused = await enter('/guest', { token })
    if (refused !== undefined) throw new ApiError('link-over', refused)
    history.replaceState(null, '', '/guest')
  }
  return call('GET', '/guest', GuestJobSchema)
}

/** One job for somebody outside the firm: how far it is, and its papers when it is signed. */
export function GuestPage() {
  const { data, error } = useQuery({ queryKey: ['guest'], queryFn: guestJob })
  if (!data)
    return (
      <Bare>
        <h1>{error ? error.message : 'Opening the link …'}</h1>
      </Bare>
    )
  return (
    <Bare>
      <h1>
        {data.name}: {data.signed === null ? <b>not signed yet.</b> : <b>signed.</b>}
      </h1>
      <p>
        Job {data.number}
        {data.address && `, ${data.address}`}.{' '}
        {data.signed === null
          ? `The work goes on; it waits for ${data.waits}.`
          : `Revision ${data.signed} was signed by the installer.`}
      </p>
      <Papers aria-label="Papers">
        {data.papers.map(({ id, name }) => (
          <li key={id}>
            <Mark kind={data.signed === null ? 'not-yet' : 'pass'} size={18} />
            {data.signed === null ? (
              <span>{name}, when it is signed</span>
            ) : (
              <a href={`/api/guest/papers.pdf?papers=${id}`}>{name}</a>
            )}
          </li>
        ))}
      </Papers>
      <p>
        {data.guest} was given this link until {dayOf(data.until)}. It shows this one job, and
        nothing can be changed by it. What is said here does not replace the papers, nor what local
        code and the makers ask for.
      </p>
    </Bare>
  )
}

const Papers = styled.ul`
  margin: 16px 0;
  border-top: 1.5px solid var(--ink);
  li {
    display: flex;
    gap: 10px;
    align-items: center;
    min-height: 48px;
    border-bottom: 0.8px solid var(--hair);
  }
  a {
    color: var(--ink);
  }
`

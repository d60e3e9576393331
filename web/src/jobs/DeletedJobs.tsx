import { DeletedJob } from '@hestian/core'
import { useQuery } from '@tanstack/react-query'
import styled from 'styled-components'
import { z } from 'zod'
import { call } from '../api/client'
import { useWho } from '../job/WhoContext'
import { dayTime } from '../ui/dates'

/** Jobs that were deleted for good: that they were, by whom, and why. */
export function DeletedJobs() {
  const { people } = useWho()
  const { data = [] } = useQuery({
    queryKey: ['deleted'],
    queryFn: () => call('GET', '/deleted-jobs', z.array(DeletedJob)),
  })
  if (data.length === 0) return null
  return (
    <Frame aria-label="Deleted for good">
      <h2>Deleted for good</h2>
      <ul>
        {data.map(({ id, number, at, by, reason }) => (
          <li key={id}>
            job {number}, {dayTime(at)}, {people.find((one) => one.id === by)?.name ?? by}: {reason}
          </li>
        ))}
      </ul>
    </Frame>
  )
}

const Frame = styled.section`
  margin-top: 24px;
  color: var(--ink-2);
  h2 {
    font: 650 var(--plain)/25px var(--head);
    border-bottom: 0.8px solid var(--hair);
  }
  li {
    padding: 6px 0;
    overflow-wrap: anywhere;
  }
`

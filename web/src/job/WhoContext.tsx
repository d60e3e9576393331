import type { SessionState, Staff } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { createContext, useContext, useEffect, useState } from 'react'
import { usePeople, useSession } from '../api/queries'
import { signedOut } from '../api/signedOut'
import { outbox } from '../sync/outbox'

interface Who {
  readonly people: readonly Staff[]
  /**
   * Who is signed in; who was, where the session ended while the page was open: what they do is
   * kept.
   */
  readonly person: Staff | undefined
  /** Nobody is signed in, and what can be done about it; undefined while that is not known. */
  readonly door: SessionState | undefined
  /** The session ended under the page. */
  readonly ended: boolean
  /** Asks everything again, as whoever signed in just now, and sends what waited for them. */
  readonly cameIn: () => Promise<void>
  /** Opens the way in: something needs a name. */
  readonly ask: () => void
  readonly asking: boolean
  readonly setAsking: (open: boolean) => void
}

const Context = createContext<Who | undefined>(undefined)

export function useWho(): Who {
  const who = useContext(Context)
  if (!who) throw new Error('useWho outside WhoProvider')
  return who
}

/** Who is signed in: carried by every record and signature from this browser. */
export function WhoProvider({ children }: { readonly children: ReactNode }) {
  const client = useQueryClient()
  const door = useSession().data
  const [last, setLast] = useState<Staff>()
  const [asking, setAsking] = useState(false)
  const now = door?.person
  if (now && now !== last) setLast(now)
  const person = now ?? last
  const people = usePeople(person !== undefined).data ?? []
  useEffect(
    () => signedOut.subscribe(() => void client.invalidateQueries({ queryKey: ['session'] })),
    [client],
  )
  const cameIn = async () => {
    setAsking(false)
    await client.invalidateQueries()
    await outbox.cameIn()
  }
  return (
    <Context.Provider
      value={{
        ...{ people, person, door, cameIn, asking, setAsking },
        ended: last !== undefined && door?.person === null,
        ask: () => setAsking(true),
      }}
    >
      {children}
    </Context.Provider>
  )
}

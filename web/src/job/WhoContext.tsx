import type { Person } from '@hestian/core'
import type { ReactNode } from 'react'
import { createContext, useContext, useState } from 'react'
import { usePeople } from '../api/queries'

interface Who {
  readonly people: readonly Person[]
  readonly person: Person | undefined
  readonly choose: (id: string) => void
  /** Opens the choice: something needs a name. */
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

const remembered = () => {
  try {
    return localStorage.getItem('who') ?? undefined
  } catch {
    return undefined
  }
}

/** Who is working: chosen once, carried by every record and signature from this browser. */
export function WhoProvider({ children }: { readonly children: ReactNode }) {
  const people = usePeople().data ?? []
  const [id, setId] = useState(remembered)
  const [asking, setAsking] = useState(false)
  const choose = (next: string) => {
    localStorage.setItem('who', next)
    setId(next)
    setAsking(false)
  }
  return (
    <Context.Provider
      value={{
        people,
        person: people.find((one) => one.id === id),
        choose,
        ask: () => setAsking(true),
        asking,
        setAsking,
      }}
    >
      {children}
    </Context.Provider>
  )
}

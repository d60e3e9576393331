import type { ReactNode } from 'react'
import { createContext, useContext, useMemo, useState } from 'react'
import styled from 'styled-components'

interface Asking {
  /**
   * The working asked for: its title, or the figure it ends in; `n` counts the asking, so that the
   * same may be asked for again.
   */
  readonly wanted: { readonly of: string; readonly n: number } | undefined
  readonly ask: (of: string) => void
}

const Context = createContext<Asking>({ wanted: undefined, ask: () => undefined })

/** Lets numbers on a page open their working in its fold. */
export function WorkedProvider({ children }: { readonly children: ReactNode }) {
  const [wanted, setWanted] = useState<Asking['wanted']>()
  const asking = useMemo(
    (): Asking => ({
      wanted,
      ask: (of) => setWanted((before) => ({ of, n: (before?.n ?? 0) + 1 })),
    }),
    [wanted],
  )
  return <Context.Provider value={asking}>{children}</Context.Provider>
}

export const useWanted = () => useContext(Context).wanted

/** A computed number: pressed, it opens the line of arithmetic it comes from. */
export function Worked({ of, children }: { readonly of: string; readonly children: ReactNode }) {
  const { ask } = useContext(Context)
  return (
    <Press type="button" title="Show the working" onClick={() => ask(of)}>
      {children}
    </Press>
  )
}

const Press = styled.button`
  border: 0;
  background: none;
  padding: 0;
  margin: 0;
  font: inherit;
  letter-spacing: inherit;
  color: inherit;
  cursor: pointer;
  text-decoration: underline dotted var(--rule) 1.5px;
  text-underline-offset: 0.22em;
  text-align: inherit;
  &:hover {
    background: var(--select);
  }
  &:focus-visible {
    outline: 3px solid var(--ink);
    outline-offset: 2px;
  }
`

import type { Person } from '@hestian/core'
import { ticketWords } from '@hestian/core'
import type { ReactNode } from 'react'
import { createContext, useContext, useState } from 'react'
import {
  Button as AriaButton,
  Dialog,
  DialogTrigger,
  ListBox,
  ListBoxItem,
  Popover,
} from 'react-aria-components'
import styled from 'styled-components'
import { usePeople } from '../api/queries'
import { OwnUnits } from './OwnUnits'

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

const held = (person: Person) =>
  person.tickets.length > 0
    ? person.tickets.map((ticket) => ticketWords[ticket]).join(', ')
    : 'no tickets'

export function WhoIsWorking() {
  const { people, person, choose, asking, setAsking } = useWho()
  return (
    <DialogTrigger isOpen={asking} onOpenChange={setAsking}>
      <Trigger data-none={person ? undefined : true}>
        {person ? person.name : 'Who is working?'}
      </Trigger>
      <Pop placement="bottom end">
        <Dialog aria-label="Who is working">
          <Title>Who is working?</Title>
          <ListBox
            aria-label="Who is working"
            selectionMode="single"
            selectedKeys={person ? [person.id] : []}
            onSelectionChange={(keys) => {
              const [key] = [...(keys as Set<string>)]
              if (key) choose(key)
            }}
            autoFocus
          >
            {people.map((one) => (
              <Item key={one.id} id={one.id} textValue={one.name}>
                <b>{one.name}</b>
                <span>
                  {one.role}; {held(one)}
                </span>
              </Item>
            ))}
          </ListBox>
          {person && <OwnUnits person={person} />}
        </Dialog>
      </Pop>
    </DialogTrigger>
  )
}

const Trigger = styled(AriaButton)`
  border: 0;
  background: none;
  padding: 0 16px;
  height: 100%;
  min-height: 44px;
  cursor: pointer;
  font: 400 15px/20px var(--text);
  white-space: nowrap;
  &[data-none] {
    color: var(--ember-ink);
    font-weight: 650;
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  &[data-hovered] {
    background: var(--sunk);
  }
  @media (max-width: 720px) {
    padding: 0 8px;
    max-width: 96px;
    overflow: hidden;
    text-overflow: ellipsis;
    &[data-none] {
      max-width: none;
    }
  }
`
const Pop = styled(Popover)`
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  padding: 12px;
  min-width: 290px;
  max-width: calc(100vw - 24px);
  max-height: 86dvh;
  overflow: auto;
`
const Title = styled.h2`
  font: 650 17px/20px var(--head);
  padding: 0 8px 8px;
  border-bottom: 1.5px solid var(--ink);
`
const Item = styled(ListBoxItem)`
  display: grid;
  padding: 8px;
  min-height: 48px;
  cursor: pointer;
  border-bottom: 0.8px solid var(--hair);
  span {
    color: var(--ink-2);
    font-size: 14px;
  }
  &[data-selected],
  &[data-hovered],
  &[data-focused] {
    background: var(--select);
  }
`

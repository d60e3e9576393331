import type { Person } from '@hestian/core'
import { ticketWords } from '@hestian/core'
import type { RefObject } from 'react'
import { Dialog, ListBox, ListBoxItem, Popover } from 'react-aria-components'
import styled from 'styled-components'
import { OwnUnits } from './OwnUnits'
import { useWho } from './WhoContext'

const held = (person: Person) =>
  person.tickets.length > 0
    ? person.tickets.map((ticket) => ticketWords[ticket]).join(', ')
    : 'no tickets'

/** The people of the firm to choose from, and the units the chosen one reads in. Fetched when first opened. */
export function WhoMenu({ trigger }: { readonly trigger: RefObject<HTMLButtonElement | null> }) {
  const { people, person, choose, asking, setAsking } = useWho()
  return (
    <Pop triggerRef={trigger} isOpen={asking} onOpenChange={setAsking} placement="bottom end">
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
  )
}

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
  font: 650 var(--lead)/20px var(--head);
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
    font-size: var(--note);
  }
  &[data-selected],
  &[data-hovered],
  &[data-focused] {
    background: var(--select);
  }
`

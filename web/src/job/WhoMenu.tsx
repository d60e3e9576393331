import type { Staff } from '@hestian/core'
import { isRole, roleWords, ticketWords } from '@hestian/core'
import type { RefObject } from 'react'
import { Dialog, ListBox, ListBoxItem, Popover } from 'react-aria-components'
import { Link } from 'react-router'
import styled from 'styled-components'
import { Button } from '../ui/Button'
import { today } from '../ui/dates'
import { enter, leave } from './enter'
import { OwnUnits } from './OwnUnits'
import { OwnSessions } from './OwnSessions'
import { useWho } from './WhoContext'

/** What somebody is, and the tickets that are on file, with those that ran out. */
export function whatOf({ role, holds }: Pick<Staff, 'role' | 'holds'>): string {
  const good = holds.filter(({ until }) => until === null || until >= today())
  const words = [...new Set(good.map(({ ticket }) => ticketWords[ticket]))]
  const is = isRole(role) ? roleWords[role] : 'not of this firm'
  return `${is}; ${words.length > 0 ? words.join(', ') : 'no tickets that hold'}`
}

/**
 * Who is signed in, the way out, the units and sessions that are theirs; in the demo its other
 * people.
 */
export function WhoMenu({ trigger }: { readonly trigger: RefObject<HTMLButtonElement | null> }) {
  const { person, door, cameIn, asking, setAsking } = useWho()
  const change = async (id: string) => {
    if ((await enter('/session/demo', { personId: id })) === undefined) await cameIn()
  }
  return (
    <Pop triggerRef={trigger} isOpen={asking} onOpenChange={setAsking} placement="bottom end">
      <Dialog aria-label="Who is signed in">
        {person && (
          <>
            <Title>{person.name}</Title>
            <p>{whatOf(person)}</p>
          </>
        )}
        {door && door.demo.length > 0 && (
          <>
            <h3>In the demo one changes hands by a press</h3>
            <ListBox
              aria-label="People of the demo"
              onAction={(key) => void change(String(key))}
              autoFocus
            >
              {door.demo.map((one) => (
                <Item key={one.id} id={one.id} textValue={one.name}>
                  <b>{one.name}</b>
                  <span>
                    {isRole(one.role) ? roleWords[one.role] : one.role}
                    {one.id === person?.id && ', signed in'}
                  </span>
                </Item>
              ))}
            </ListBox>
          </>
        )}
        {person && <OwnUnits person={person} />}
        {person && <OwnSessions />}
        <Last>
          <Link to="/people" onClick={() => setAsking(false)}>
            People of the firm
          </Link>
          <Button look="text" onPress={() => void leave()}>
            Sign out
          </Button>
        </Last>
      </Dialog>
    </Pop>
  )
}

const Pop = styled(Popover)`
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  padding: 12px;
  min-width: 290px;
  max-width: min(420px, calc(100vw - 24px));
  max-height: 86dvh;
  overflow: auto;
  p {
    padding: 4px 8px 8px;
    color: var(--ink-2);
    font-size: var(--small);
  }
  h3 {
    padding: 8px 8px 4px;
    border-top: 0.8px solid var(--hair);
    color: var(--ink-2);
    font: 400 var(--note)/18px var(--text);
  }
`
const Title = styled.h2`
  font: 650 var(--lead)/20px var(--head);
  padding: 0 8px;
`
const Last = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 4px 20px;
  padding: 8px;
  border-top: 1.5px solid var(--ink);
  a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
    color: var(--ink);
  }
`
const Item = styled(ListBoxItem)`
  display: grid;
  padding: 6px 8px;
  min-height: 44px;
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

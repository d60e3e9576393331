import type { HeldTicket, Staff } from '@hestian/core'
import { isRole, may, practiceLabels, roleWords, ticketWords } from '@hestian/core'
import { useState } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useWho } from '../job/WhoContext'
import { WhoIsWorking } from '../job/WhoIsWorking'
import { Button } from '../ui/Button'
import { today } from '../ui/dates'
import { DoneHead, DoneRow } from '../ui/DoneRow'
import { FirmHead, FirmPage } from '../ui/FirmPage'
import { Mark } from '../ui/icons'
import { AddPerson } from './AddPerson'
import { LinkFor } from './LinkFor'
import { StaffForm } from './StaffForm'

const day_ms = 86_400_000
/** How long before its end a ticket is shown to run out. */
const soonDays = 60

/** How a ticket stands on a day: held, soon over, over. */
function ticketStands({ until, number }: HeldTicket, now_ms: number): 'pass' | 'fix' | 'stop' {
  // Of one that was a bare word in an older list nothing is known.
  if (until === null) return number === '' ? 'fix' : 'pass'
  if (until < today(now_ms)) return 'stop'
  return Date.parse(until) - now_ms < soonDays * day_ms ? 'fix' : 'pass'
}

const ticketUntil = (ticket: HeldTicket, now_ms: number): string => {
  if (ticket.until === null)
    return ticket.number === '' ? 'nothing written down of its paper' : 'no last day on its paper'
  return ticketStands(ticket, now_ms) === 'stop'
    ? `ran out on ${ticket.until}`
    : `until ${ticket.until}`
}

/**
 * Who works here: what each is, which tickets are on file, and for the owner the way to change
 * that.
 */
export function PeoplePage() {
  const { people, person } = useWho()
  const [now_ms] = useState(Date.now)
  const [adding, setAdding] = useState(false)
  const mine = people.filter(({ role }) => isRole(role))
  const others = people.filter(({ role }) => !isRole(role))
  const manages = person !== undefined && may(person, 'firm')
  const over = mine.flatMap(({ name, holds }) =>
    holds.filter((one) => ticketStands(one, now_ms) === 'stop').map(() => name),
  )
  return (
    <FirmPage who={<WhoIsWorking />}>
      <Head people={mine} over={[...new Set(over)]} now_ms={now_ms} />
      <p>
        Tickets decide who may sign what, by the place of the job and the day it is done. Hestian
        knows what is written down here, and no register: look there before you rely on it.
      </p>
      <FirmHead>
        Of the firm<small>{manages ? 'you manage them' : 'the owner manages them'}</small>
      </FirmHead>
      <ul aria-label="People of the firm">
        {mine.map((one) => (
          <Row key={one.id} staff={one} manages={manages} now_ms={now_ms} />
        ))}
      </ul>
      {manages &&
        (adding ? (
          <AddPerson onDone={() => setAdding(false)} />
        ) : (
          <Button look="go" onPress={() => setAdding(true)}>
            Add somebody
          </Button>
        ))}
      {manages && (
        <p>
          Somebody asks what you keep of them, or wants to be erased:{' '}
          <Link to="/people/held">what is held of somebody</Link>.
        </p>
      )}
      {others.length > 0 && (
        <>
          <FirmHead>
            Names in old records<small>they cannot sign in</small>
          </FirmHead>
          <ul aria-label="Names in old records">
            {others.map((one) => (
              <Row key={one.id} staff={one} manages={manages} now_ms={now_ms} />
            ))}
          </ul>
        </>
      )}
    </FirmPage>
  )
}

function Head({
  people,
  over,
  now_ms,
}: {
  readonly people: readonly Staff[]
  readonly over: readonly string[]
  readonly now_ms: number
}) {
  return (
    <h1>
      <b>{people.length === 1 ? 'One person' : `${people.length} people`}</b>
      {over.length === 0 ? (
        <>, {ticketsSay(people, now_ms)}.</>
      ) : (
        <>
          ; {over.length === 1 ? 'a ticket of ' : 'tickets of '}
          <b>{over.join(' and ')}</b> ran out.
        </>
      )}
    </h1>
  )
}

/** No ticket, or one of which nothing is known, is not a ticket that holds. */
function ticketsSay(people: readonly Staff[], now_ms: number): string {
  const all = people.flatMap(({ holds }) => holds)
  if (all.length === 0) return 'no ticket on file'
  return all.every((one) => ticketStands(one, now_ms) === 'pass')
    ? 'every ticket on file holds'
    : 'some tickets run out soon, or little is known of them'
}

const standingWords: Readonly<Record<Staff['standing'], string>> = {
  in: 'signs in',
  invited: 'invited, not come in yet',
  out: 'cannot sign in',
}

function roleSays(role: string): string {
  if (isRole(role)) return roleWords[role]
  return role === 'gone' ? 'Left the firm' : 'Not of this firm'
}

/** A tick is for tickets that hold, not for a name. */
function markOf({ holds }: Staff, now_ms: number): 'pass' | 'fix' | 'note' {
  if (holds.length === 0) return 'note'
  return holds.every((one) => ticketStands(one, now_ms) === 'pass') ? 'pass' : 'fix'
}

function Row({
  staff,
  manages,
  now_ms,
}: {
  readonly staff: Staff
  readonly manages: boolean
  readonly now_ms: number
}) {
  const { door } = useWho()
  const [open, setOpen] = useState(false)
  const { name, role, holds, standing } = staff
  const comes = door?.demo.some(({ id }) => id === staff.id)
    ? 'in by a press'
    : standingWords[standing]
  return (
    <DoneRow data-open={open || undefined}>
      <Mark kind={markOf(staff, now_ms)} size={22} />
      <div>
        <DoneHead>
          <b>{name}</b>
          {manages && !open && (
            <Button look="text" aria-label={`Change: ${name}`} onPress={() => setOpen(true)}>
              Change
            </Button>
          )}
        </DoneHead>
        <small>
          {roleSays(role)}; {comes}
        </small>
        {!open && <Tickets holds={holds} now_ms={now_ms} />}
        {open && (
          <>
            <StaffForm staff={staff} onDone={() => setOpen(false)} />
            {isRole(role) && <LinkFor staff={staff} />}
          </>
        )}
      </div>
    </DoneRow>
  )
}

/** Tickets of one place that end on one day stand on one line. */
function grouped(holds: readonly HeldTicket[]): readonly (readonly HeldTicket[])[] {
  const groups = new Map<string, HeldTicket[]>()
  for (const one of holds) {
    const key = `${one.practice} ${one.until}`
    groups.set(key, [...(groups.get(key) ?? []), one])
  }
  return [...groups.values()]
}

const placeOf = ({ practice }: HeldTicket): string =>
  practice === null ? 'Everywhere' : practiceLabels[practice]

function Tickets({
  holds,
  now_ms,
}: {
  readonly holds: readonly HeldTicket[]
  readonly now_ms: number
}) {
  if (holds.length === 0) return <small>No tickets on file.</small>
  return (
    <TicketList>
      {grouped(holds).map((group) => {
        const [first] = group
        if (!first) return null
        return (
          <li key={`${first.practice} ${first.until}`} data-stands={ticketStands(first, now_ms)}>
            <b>{placeOf(first)}</b>, {ticketUntil(first, now_ms)}:{' '}
            {group
              .map(({ ticket, number }) => `${ticketWords[ticket]}${number ? ` ${number}` : ''}`)
              .join(', ')}
          </li>
        )
      })}
    </TicketList>
  )
}

const TicketList = styled.ul`
  margin-top: 4px;
  color: var(--ink-2);
  font-size: var(--note);
  li {
    padding: 2px 0;
    max-width: 80ch;
  }
  b {
    font-weight: 650;
  }
  li[data-stands='stop'] {
    color: var(--stop);
  }
  li[data-stands='fix'] {
    color: var(--ember-ink);
  }
`

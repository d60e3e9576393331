import type { HeldTicket, Staff } from '@hestian/core'
import {
  ChangeStaff,
  isRole,
  practiceLabels,
  practiceNames,
  tickets,
  ticketWords,
} from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import styled from 'styled-components'
import { z } from 'zod'
import { ApiError, call } from '../api/client'
import { useKeptText } from '../job/useKeptText'
import { Button } from '../ui/Button'
import { Day } from '../ui/Day'
import { DoneForm } from '../ui/DoneRow'
import { Choice } from '../ui/Choice'
import { TextLine } from '../ui/TextLine'
import { roleOptions } from './AddPerson'

const ticketOptions = tickets.map((id) => ({ id, text: ticketWords[id] }))
const placeOptions = [
  { id: 'everywhere' as const, text: 'Everywhere' },
  ...practiceNames.map((id) => ({ id, text: practiceLabels[id] })),
]

const blank: HeldTicket = { ticket: 'gas', practice: null, number: '', issuer: '', until: null }

/** What was changed and not kept yet, as far as it can be read; what stands otherwise. */
function changedSoFar(kept: string, { role, holds }: Staff): ChangeStaff {
  try {
    return ChangeStaff.parse(JSON.parse(kept))
  } catch {
    return { role: isRole(role) ? role : 'apprentice', holds }
  }
}

/** What somebody is, and their tickets as their papers say them. */
export function StaffForm({
  staff,
  onDone,
}: {
  readonly staff: Staff
  readonly onDone: () => void
}) {
  const client = useQueryClient()
  const [kept, setKept] = useKeptText(`staff:${staff.id}`)
  const [{ role, holds }, setChanged] = useState(() => changedSoFar(kept, staff))
  const [says, setSays] = useState<string>()
  const set = (part: Partial<ChangeStaff>) => {
    const changed = { role, holds, ...part }
    setChanged(changed)
    setKept(JSON.stringify(changed))
  }
  const change = (at: number, part: Partial<HeldTicket>) =>
    set({ holds: holds.map((one, i) => (i === at ? { ...one, ...part } : one)) })
  const leave = () => {
    setKept('')
    onDone()
  }
  const keep = async () => {
    try {
      await call('PUT', `/people/${staff.id}`, z.unknown(), { role, holds })
      await client.invalidateQueries({ queryKey: ['people'] })
      await client.invalidateQueries({ queryKey: ['session'] })
      leave()
    } catch (error) {
      setSays(error instanceof ApiError ? error.message : 'It was not kept. Try again.')
    }
  }
  return (
    <DoneForm
      aria-label={`Change ${staff.name}`}
      onSubmit={(event) => {
        event.preventDefault()
        void keep()
      }}
    >
      <Choice
        labelled
        label="What they are"
        value={role}
        options={roleOptions}
        onChoose={(one) => set({ role: one })}
      />
      {holds.map((one, i) => (
        <OneTicket
          // A ticket has no name of its own: its place in the list is what it is known by.
          key={i}
          held={one}
          onChange={(part) => change(i, part)}
          onDrop={() => set({ holds: holds.filter((_, at) => at !== i) })}
        />
      ))}
      <Button look="text" onPress={() => set({ holds: [...holds, blank] })}>
        Add a ticket
      </Button>
      {says && <p role="alert">{says}</p>}
      <div>
        <Button type="submit" look="go">
          Keep it
        </Button>{' '}
        <Button look="text" onPress={leave}>
          Leave it
        </Button>
      </div>
    </DoneForm>
  )
}

function OneTicket({
  held,
  onChange,
  onDrop,
}: {
  readonly held: HeldTicket
  readonly onChange: (part: Partial<HeldTicket>) => void
  readonly onDrop: () => void
}) {
  return (
    <Ticket>
      <legend>{ticketWords[held.ticket]}</legend>
      <Choice
        label="Ticket"
        value={held.ticket}
        options={ticketOptions}
        onChoose={(ticket) => onChange({ ticket })}
      />
      <Choice
        label="Where it counts"
        value={held.practice ?? 'everywhere'}
        options={placeOptions}
        onChoose={(place) => onChange({ practice: place === 'everywhere' ? null : place })}
      />
      <TextLine
        label="Number"
        value={held.number}
        maxLength={60}
        onChange={(number) => onChange({ number })}
      />
      <TextLine label="Issued by" value={held.issuer} onChange={(issuer) => onChange({ issuer })} />
      <Day label="Last day" value={held.until} onChange={(until) => onChange({ until })} />
      <Button look="text" aria-label={`Take off: ${ticketWords[held.ticket]}`} onPress={onDrop}>
        Take off
      </Button>
    </Ticket>
  )
}

const Ticket = styled.fieldset`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 8px 18px;
  align-items: end;
  justify-items: start;
  padding: 8px 0 12px;
  border: 0;
  border-bottom: 0.8px solid var(--hair);
  legend {
    font: 650 var(--small)/22px var(--head);
  }
`

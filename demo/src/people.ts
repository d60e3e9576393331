import type { HeldTicket, Person, Ticket } from '@hestian/core'
import { practiceNames, tickets } from '@hestian/core'

/** An invented register: one number in each place the firm works in. */
const held = (letters: string, until: string | null, ...kinds: Ticket[]): HeldTicket[] =>
  practiceNames.flatMap((practice, place) =>
    kinds.map((ticket, i) => ({
      ...{ ticket, practice, issuer: 'Register of Heating Trades (invented)', until },
      number: `${letters}-${place + 1}${i + 1}07`,
    })),
  )

const all: readonly Ticket[] = [...tickets]

/** Invented people of an invented firm, with their tickets. */
export const firm: readonly (Pick<Person, 'id' | 'name' | 'role'> & {
  readonly tickets: HeldTicket[]
})[] = [
  {
    ...{ id: 'maren-oduya', name: 'Maren Oduya', role: 'owner' },
    tickets: held('MO', '2029-04-30', ...all),
  },
  {
    ...{ id: 'tobias-lindqvarn', name: 'Tobias Lindqvarn', role: 'lead' },
    tickets: [
      ...held('TL', '2028-09-30', 'gas', 'gas-boiler', 'gas-heater'),
      // Nobody saw in time that it ran out.
      ...held('TL-U', '2026-05-31', 'unvented'),
    ],
  },
  { id: 'isla-penhallick', name: 'Isla Penhallick', role: 'apprentice', tickets: [] },
  { id: 'rufus-ambleside', name: 'Rufus Ambleside', role: 'office', tickets: [] },
]

/** The same as a job's file names them. */
export const people: readonly Person[] = firm.map(({ tickets, ...person }) => ({
  ...person,
  tickets: all.filter((one) => tickets.some(({ ticket }) => ticket === one)),
}))

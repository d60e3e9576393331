import type { Measure } from '../units/measure'
import type { UnitName } from '../units/units'

/** What a person may sign. Which step needs which is a rule of the practice. */
export const tickets = ['gas', 'unvented', 'electrical'] as const
export type Ticket = (typeof tickets)[number]

export const ticketWords: Readonly<Record<Ticket, string>> = {
  gas: 'gas ticket',
  unvented: 'unvented hot water ticket',
  electrical: 'electrical ticket',
}

export interface Person {
  readonly id: string
  readonly name: string
  readonly role: string
  readonly tickets: readonly Ticket[]
  /** Units this person reads in, where they are not the job's. */
  readonly units?: Readonly<Partial<Record<Measure, UnitName | undefined>>>
}

/** The tickets of those asked for that a person does not hold. */
export const lacking = (
  person: Pick<Person, 'tickets'>,
  needed: readonly Ticket[],
): readonly Ticket[] => needed.filter((ticket) => !person.tickets.includes(ticket))

import type { Measure } from '../units/measure'
import type { UnitName } from '../units/units'
import type { PracticeName } from './practiceNames'

/**
 * What a person may sign. Gas goes by what it burns in: pipework and its tests, boilers, water
 * heaters. Which step needs which is a rule of the practice; that a firm's people hold tickets by
 * such classes is common practice, no source. Soldering and brazing want a firm's or an insurer's
 * leave, and a preventer with a relief port a tester of its own, in more places than not (as
 * remembered; local rules say).
 */
export const tickets = [
  'gas',
  'gas-boiler',
  'gas-heater',
  'unvented',
  'electrical',
  'flame',
  'backflow',
] as const
export type Ticket = (typeof tickets)[number]

export const ticketWords: Readonly<Record<Ticket, string>> = {
  gas: 'gas ticket',
  'gas-boiler': 'gas ticket for boilers',
  'gas-heater': 'gas ticket for water heaters',
  unvented: 'unvented hot water ticket',
  electrical: 'electrical ticket',
  flame: 'flame work ticket',
  backflow: 'backflow testing ticket',
}

/** A ticket as its paper says it. */
export interface HeldTicket {
  readonly ticket: Ticket
  /** Where it counts; null counts in every practice. */
  readonly practice: PracticeName | null
  readonly number: string
  readonly issuer: string
  /** The last day it holds; null where its paper names none. */
  readonly until: string | null
}

/** Somebody at work on a job: what they may sign there, on that day. */
export interface Person {
  readonly id: string
  readonly name: string
  readonly role: string
  readonly tickets: readonly Ticket[]
  /** Tickets they held there and that ran out before, with their last day. */
  readonly ranOut?: Readonly<Partial<Record<Ticket, string>>>
  /** Units this person reads in, where they are not the job's. */
  readonly units?: Readonly<Partial<Record<Measure, UnitName | undefined>>>
}

/**
 * The tickets of somebody that count in a practice on a day (YYYY-MM-DD, or an instant), and those
 * that ran out before it.
 */
export function ticketsOn(
  holds: readonly HeldTicket[],
  practice: PracticeName,
  at: string,
): Pick<Person, 'tickets' | 'ranOut'> {
  const day = at.slice(0, 10)
  const here = holds.filter((one) => one.practice === null || one.practice === practice)
  const isGood = ({ until }: HeldTicket) => until === null || until >= day
  const good = tickets.filter((ticket) => here.some((one) => one.ticket === ticket && isGood(one)))
  const ranOut: Partial<Record<Ticket, string>> = {}
  for (const { ticket, until } of here)
    if (until !== null && !good.includes(ticket) && until > (ranOut[ticket] ?? ''))
      ranOut[ticket] = until
  return Object.keys(ranOut).length > 0 ? { tickets: good, ranOut } : { tickets: good }
}

/**
 * The tickets of somebody that count in a practice on a day, each in a line as its paper says it.
 */
export const papersOn = (
  holds: readonly HeldTicket[],
  practice: PracticeName,
  at: string,
): readonly string[] =>
  holds
    .filter(
      (one) =>
        (one.practice === null || one.practice === practice) &&
        (one.until === null || one.until >= at.slice(0, 10)),
    )
    .map(({ ticket, number, issuer, until }) =>
      [
        `${ticketWords[ticket]}${number ? ` ${number}` : ''}`,
        ...(issuer ? [issuer] : []),
        ...(until === null ? [] : [`until ${until}`]),
      ]
        .join(', ')
        .slice(0, 200),
    )
    .slice(0, 20)

/** The tickets of those asked for that a person does not hold. */
export const lacking = (
  person: Pick<Person, 'tickets'>,
  needed: readonly Ticket[],
): readonly Ticket[] => needed.filter((ticket) => !person.tickets.includes(ticket))

/**
 * Why somebody may not sign, as a clause with their name: *Isla has no gas ticket*, or that it ran
 * out and when.
 */
export function lackingSays(
  { name, ranOut = {} }: Pick<Person, 'name' | 'ranOut'>,
  missing: readonly Ticket[],
): string {
  const gone = missing.filter((ticket) => ranOut[ticket] !== undefined)
  if (gone.length > 0)
    return gone
      .map(
        (ticket, i) =>
          `${i === 0 ? `${name}’s` : 'the'} ${ticketWords[ticket]} ran out on ${ranOut[ticket]}`,
      )
      .join(' and ')
  return `${name} has no ${missing.map((one) => ticketWords[one]).join(' and no ')}`
}

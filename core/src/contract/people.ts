import { z } from 'zod'
import { roles } from '../practice/permissions'
import type { PracticeName } from '../practice/practiceNames'
import { practiceNames } from '../practice/practiceNames'
import type { Person } from '../practice/tickets'
import { tickets, ticketsOn } from '../practice/tickets'
import { OwnUnits, wireId } from './board'

// Who works here, how they come in, and for how long: no document, no record.

export const HeldTicketSchema = z.object({
  ticket: z.enum(tickets),
  practice: z.enum(practiceNames).nullable(),
  number: z.string().trim().max(60, 'at most 60 characters'),
  issuer: z.string().trim().max(120, 'at most 120 characters'),
  until: z.iso.date('a day, as in 2027-05-31').nullable(),
})

/**
 * `in` signs in; `invited` has a link that waits; `out` cannot: their name stands in old records.
 */
export const Staff = z.object({
  id: wireId,
  name: z.string().min(1).max(120),
  /** One of the roles; anything else may do nothing. */
  role: z.string().max(60),
  holds: z.array(HeldTicketSchema),
  units: OwnUnits,
  standing: z.enum(['in', 'invited', 'out']),
})
export type Staff = z.infer<typeof Staff>

/** Somebody of the firm at work in a practice on a day. */
export const atWork = ({ holds, ...staff }: Staff, practice: PracticeName, at: string): Person => ({
  ...{ id: staff.id, name: staff.name, role: staff.role, units: staff.units },
  ...ticketsOn(holds, practice, at),
})

const personName = z
  .string()
  .trim()
  .min(2, 'a name of at least 2 characters')
  .max(120, 'at most 120 characters')
const password = z
  .string()
  .min(10, 'at least 10 characters: three words one can remember are good')
  .max(200, 'at most 200 characters')
const secret = z.string().min(1).max(200)

export const SignIn = z.object({ name: z.string().trim().min(1).max(120), password: secret })
export const FirstRun = z.object({ code: secret, name: personName, password })
export const AcceptInvitation = z.object({ token: secret, password })
export const ChangePassword = z.object({ old: secret, password })
export const DemoSignIn = z.object({ personId: wireId })

/** Who is signed in, and what can be done where nobody is. */
export const SessionState = z.object({
  person: Staff.nullable(),
  /** Nobody can sign in yet: the first owner is made with the code that the server printed. */
  firstRun: z.boolean(),
  /** Who is let in by a press: of the demo, and on this machine only. */
  demo: z.array(z.object({ id: wireId, name: z.string(), role: z.string() })),
})
export type SessionState = z.infer<typeof SessionState>

export const OpenSession = z.object({
  id: wireId,
  madeAt: z.iso.datetime(),
  seenAt: z.iso.datetime(),
  until: z.iso.datetime(),
  /** What the browser calls itself, and from where it came. */
  from: z.string(),
  /** It is the one that asks. */
  isThis: z.boolean(),
})
export type OpenSession = z.infer<typeof OpenSession>

export const SessionParams = z.object({ sessionId: wireId })

export const NewStaff = z.object({ id: wireId, name: personName, role: z.enum(roles) })
export const ChangeStaff = z.object({
  role: z.enum(roles),
  holds: z.array(HeldTicketSchema).max(40, 'at most 40 tickets'),
})
export type ChangeStaff = z.infer<typeof ChangeStaff>
export const Link = z.object({ token: z.string(), until: z.iso.datetime() })
export type Link = z.infer<typeof Link>

export const NewGuest = z.object({
  id: wireId,
  by: wireId,
  name: personName,
  days: z.number().int().min(1, 'at least a day').max(365, 'at most 365 days'),
})
export const GuestLink = z.object({
  id: wireId,
  name: z.string(),
  by: z.string(),
  madeAt: z.iso.datetime(),
  until: z.iso.datetime(),
  revokedAt: z.iso.datetime().nullable(),
})
export type GuestLink = z.infer<typeof GuestLink>
export const GuestParams = z.object({ jobId: wireId, guestId: wireId })
export const OpenGuest = z.object({ token: secret })

/** What a guest sees of the one job: where it is, how far it is, and which papers they may take. */
export const GuestJob = z.object({
  number: z.string(),
  name: z.string(),
  address: z.string(),
  signed: z.string().nullable(),
  waits: z.string(),
  papers: z.array(z.object({ id: z.string(), name: z.string() })),
  guest: z.string(),
  until: z.iso.datetime(),
})
export type GuestJob = z.infer<typeof GuestJob>

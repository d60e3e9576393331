import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { HeldTicket, Ticket } from '@hestian/core'
import { HeldTicketSchema, tickets } from '@hestian/core'
import { z } from 'zod'
import { UnusableFolder } from '../db/unusableFolder'

/**
 * A bare word was all that was kept of a ticket before: it counts everywhere, and nothing is known
 * of its paper.
 */
const bare = (ticket: Ticket): HeldTicket => ({
  ...{ ticket, practice: null, number: '', issuer: '', until: null },
})

/** Tickets as they are kept and as people.json may write them. */
export const ListedTickets = z.array(z.union([z.enum(tickets).transform(bare), HeldTicketSchema]))

const listed = z.object({
  id: z.string().regex(/^[\w-]{1,60}$/, 'letters, digits, - and _'),
  name: z.string().min(1).max(120),
  role: z.string().max(60),
  tickets: ListedTickets,
})
export interface ListedPerson {
  readonly id: string
  readonly name: string
  readonly role: string
  readonly tickets: readonly (Ticket | HeldTicket)[]
}

/**
 * The firm's people and their tickets, as `people.json` in the data folder names them: read at
 * every start, those who are not here yet are added. Tickets are the firm's to give: an imported
 * job brings names along, never tickets. Nobody where there is no such file.
 */
export function readPeopleFile(folder: string): readonly ListedPerson[] {
  const path = join(folder, 'people.json')
  if (!existsSync(path)) return []
  try {
    return z.array(listed).parse(JSON.parse(readFileSync(path, 'utf8')))
  } catch (error) {
    const says = error instanceof z.ZodError ? z.prettifyError(error) : String(error)
    throw new UnusableFolder(
      `${path} cannot be understood (${says}). It is a list of { "id", "name", "role", "tickets" }. Mend it, or take it away.`,
    )
  }
}

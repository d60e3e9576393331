import type { HeldTicket, Person, Staff } from '@hestian/core'

const paperOf = (ticket: HeldTicket['ticket']): HeldTicket => ({
  ...{ ticket, practice: null, number: '', issuer: '', until: null },
})

/** People as the firm keeps them, each with tickets that hold everywhere and always. */
export const asStaff = (people: readonly Person[]): readonly Staff[] =>
  people.map(({ id, name, role, tickets }) => ({
    ...{ id, name, role, units: {}, standing: 'in' as const },
    holds: tickets.map(paperOf),
  }))

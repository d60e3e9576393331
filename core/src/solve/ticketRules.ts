import type { JobDocument } from '../job/document'
import { burnsGas, gasTicketFor } from '../job/fields'
import type { SheetId } from './sheetIds'
import { fitted } from '../job/asked'
import { practices } from '../practice/practices'
import type { Ticket } from '../practice/tickets'

/** Tickets that proving a sheet needs. */
export const ticketsToCheck = (sheet: SheetId): readonly Ticket[] =>
  sheet === 'tightness' || sheet === 'steps' ? ['gas'] : []

/** Tickets that the handover signature needs, by what was installed and where. */
export function ticketsToSign(document: JobDocument): readonly Ticket[] {
  const kinds = fitted(document.appliances).map((appliance) => appliance.kind)
  return [
    ...new Set(
      kinds.some(burnsGas) ? ['gas' as const, ...kinds.filter(burnsGas).map(gasTicketFor)] : [],
    ),
    ...(practices[document.practice].unventedTicket && kinds.includes('indirect-cylinder')
      ? ['unvented' as const]
      : []),
  ]
}

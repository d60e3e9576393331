import { demoJobs } from '../../../demo/src/index'
import type { JobFile } from '../contract/api'
import { burnsGas, gasTicketFor } from '../job/fields'
import { Site } from './onSite.testing'
import { ticketsToSign } from './ticketRules'

const documentOf = (name: string) => (demoJobs()[name] as JobFile).document

test('a step that lets gas in at an appliance wants the ticket for its class, not that for pipework', () => {
  let seen = 0
  for (const name of Object.keys(demoJobs())) {
    const document = documentOf(name)
    const sequences = new Site(document).judge().work.sequences
    for (const { id, kind } of document.appliances.filter((one) => burnsGas(one.kind)))
      for (const { sequence } of sequences.filter((one) => one.sequence.id.endsWith(`.${id}`)))
        for (const { ticket } of sequence.steps)
          if (ticket?.startsWith('gas')) {
            expect(ticket).toBe(gasTicketFor(kind))
            seen++
          }
  }
  expect(seen).toBeGreaterThan(5)
})
test('boilers and water heaters are classes of their own; anything else goes by the ticket for pipework', () => {
  expect(gasTicketFor('boiler')).toBe('gas-boiler')
  expect(gasTicketFor('storage-heater')).toBe('gas-heater')
  expect(gasTicketFor('instantaneous-heater')).toBe('gas-heater')
  expect(gasTicketFor('cooktop')).toBe('gas')
})
test('a handover wants the ticket of everything that burns gas in it, once each', () => {
  const needed = ticketsToSign(documentOf('kestrel-weir'))
  expect(needed).toEqual(expect.arrayContaining(['gas', 'gas-boiler']))
  expect(new Set(needed).size).toBe(needed.length)
})

import type { JobDocument } from '@hestian/core'
import { blankAppliance, blankDocument, blankExchange, blankPart } from '@hestian/core'
import { plate, taped } from './parts'

/**
 * A scout hut whose boiler relief weeps: one valve exchanged, its cause put right. All figures
 * invented.
 */
export function thornfieldScoutHut(): JobDocument {
  const job = blankDocument({
    name: 'Thornfield Scout Hut',
    address: '48 Mill Lane, Thornfield',
    practice: 'north-america',
    timeZone: 'America/Chicago',
  })
  job.site.building = 'other'
  job.site.notes =
    'Boiler in the closet behind the kitchen. Puddle under the relief after every meeting.'
  job.survey.visitedOn = '2026-11-19'
  job.appliances = [
    {
      ...blankAppliance({ id: 'boiler', name: 'Hut boiler', kind: 'boiler' }),
      input_W: plate(105, 'kBtuH'),
      output_W: plate(87, 'kBtuH'),
      maxWorkingGauge_Pa: plate(50, 'psi'),
      stay: 'stays',
      madeYear: 2009,
      maker: { make: 'Corrie Hearth', model: 'CH-105', serial: '0907-4415', year: null },
    },
  ]
  const valve = (id: string, name: string) =>
    blankPart({ id, name, kind: 'relief-valve', circuit: 'heating' })
  job.parts = [
    {
      ...valve('old-relief', 'Old relief valve'),
      setGauge_Pa: plate(30, 'psi'),
      capacity_W: plate(325, 'kBtuH'),
      stay: 'goes',
      madeYear: 2009,
    },
    {
      ...valve('new-relief', 'New relief valve'),
      setGauge_Pa: plate(30, 'psi'),
      capacity_W: plate(535, 'kBtuH'),
      madeYear: 2026,
      maker: { make: 'Larkspur Valve', model: 'LV-30 3/4', serial: 'B2231', year: null },
    },
  ]
  job.work = {
    kinds: ['safety-part-exchanged'],
    exchange: {
      ...blankExchange({
        part: 'relief-valve',
        plantId: 'boiler',
        oldId: 'old-relief',
        newId: 'new-relief',
      }),
      plantBelow_m: taped(1.5, 'ft'),
      connection: 'same',
      between: 'nothing',
      endSafe: 'yes',
      cause: 'vessel',
      causeSays: 'Tank flat, no air at its valve, no water either; pumped to 12 psi and held',
      causeDone: 'yes',
    },
  }
  return job
}

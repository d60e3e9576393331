import type { JobFile, Person } from '@hestian/core'
import { juniperRidge, kestrelWeir, saltbushFerry, thornfieldScoutHut } from './documents'
import { kestrelSaid, saltbushSaid } from './handover'
import { psi_Pa } from '@hestian/core'
import { History } from './history'
import { people } from './people'

const apprentice = people[2] as Person

/**
 * The demo jobs, made by the rules of the app from invented documents. The files in demo/jobs are
 * these, written out.
 */
export const demoJobs = (): Readonly<Record<string, JobFile>> =>
  structuredClone((made ??= makeJobs()))
let made: Readonly<Record<string, JobFile>> | undefined

function kestrel(): History {
  const history = new History(
    'kestrel-weir',
    { ...kestrelWeir(), handover: kestrelSaid },
    '2026-11-03T08:40:00Z',
  )
    .readings(apprentice)
    .prove('work', 'site', 'readings', 'plates', 'place')
    .later(2600)
    .prove('heat', 'circuit', 'vessel', 'safety', 'relief', 'gas', 'water')
    .later(12900)
  history
    .measured(
      'water-test-metal',
      '',
      {
        working_Pa: '3 bar',
        start_Pa: '10.5 bar',
        end_Pa: '10.45 bar',
        held_s: '2 h',
        startTemp_K: '15 C',
        endTemp_K: '15 C',
      },
      'Test pump gauge',
    )
    .tightness({ fall_Pa: 90, repaired: 'olive at the range cock remade, soaped again' })
    .tightness({ fall_Pa: 0 })
    .prove('tightness')
    .later(1500)
    .stepsUntil('heating.link-off')
  return history
}

function juniper(): History {
  const history = new History('juniper-ridge', juniperRidge(), '2026-11-16T15:10:00Z')
    .readings(apprentice)
    .inspect(apprentice, {
      'drip-loop': {
        verdict: 'look-again',
        note: 'Cord of the pump runs straight down',
        snag: 'Hang the pump cord in a loop below its socket',
      },
      discharge: {
        verdict: 'look-again',
        note: 'Boiler relief narrowed to 1/2 in on its way, and it rises once',
        snag: 'Run the discharge of the boiler relief anew, full size, falling',
      },
      'co-alarm': { verdict: 'not-inspected', note: '', because: 'no power in the bunkhouse yet' },
    })
    .prove('work', 'site', 'readings', 'plates', 'place', 'inspection')
  return history
}

function saltbush(): History {
  const history = new History(
    'saltbush-ferry',
    { ...saltbushFerry(), handover: saltbushSaid },
    '2026-11-12T22:05:00Z',
  )
    .readings(apprentice)
    .prove('work', 'site', 'readings', 'plates', 'place', 'heat', 'safety', 'relief', 'gas')
    .later(3000)
  history
    .tightness({ fall_Pa: 0 })
    .prove('tightness')
    .later(60)
    .stepsUntil('gas-heater.heater.tap-temp', {
      tests: {
        flushing: { run_s: '10 min', water: 'clear' },
        disinfection: {
          dose_kg_m3: '50 mg/L',
          held_s: '6 h',
          left_kg_m3: '38 mg/L',
          after_kg_m3: '0.4 mg/L',
        },
        purge: {
          volume_m3: '9 L',
          purged_m3: '50 L',
          time_s: '60 s',
          bore_m: '20 mm',
        },
        'gas-pressure': { static_Pa: '1.32 kPa', working_Pa: '1.17 kPa', meter_Pa: '1.24 kPa' },
        'gas-rate': { volume_m3: '50 L', time_s: '229 s' },
        'combustion-high': { o2: '5.2 %', co: '38 ppm' },
      },
    })
    .tickUntil('back-on', {
      'flame-work': { text: 'Three joints above the heater, the last flame out at 10:20' },
    })
    .left({
      seals: '',
      settings: 'Thermostat from the factory’s mark to 60 °C; nothing else',
      aerators: '',
      labels: '',
    })
  return history
}

function thornfield(): History {
  const history = new History('thornfield-scout-hut', thornfieldScoutHut(), '2026-11-19T14:20:00Z')
    .prove('work', 'exchange')
    .tickUntil('back-on', {})
    .stepsUntil('exchange.hot-read', {
      readings: { 'exchange.let-down': 0, 'exchange.cold-read': 12 * psi_Pa },
    })
  return history
}

const makeJobs = (): Readonly<Record<string, JobFile>> => ({
  'thornfield-scout-hut': thornfield().file('0426'),
  'kestrel-weir': kestrel().file('0417'),
  'juniper-ridge': juniper().file('0423'),
  'saltbush-ferry': saltbush().file('0421'),
})

export { people }

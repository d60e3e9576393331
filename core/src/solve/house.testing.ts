import type { JobDocument } from '../job/document'
import type { Known } from '../job/known'
import { blankGasEnd, blankGasSegment } from '../job/gasDocument'
import { blankHeating } from '../job/pressureDocument'
import { blankAppliance, blankDocument } from '../job/document'
import { practices, type PracticeName } from '../practice/practices'

/** A value read from a plate. */
export const read = (value: number): Known => ({ value, basis: 'read', from: 'Plate' })

/** A small house with everything read. */
export function house(practice: PracticeName = 'uk-ireland'): JobDocument {
  const job = blankDocument({ name: 'Test house', address: '1 Lane', practice })
  job.survey = {
    ...job.survey,
    elevation_m: read(20),
    coldMainStaticGauge_Pa: read(3.5e5),
    incomingTemp_K: read(283.15),
    fillTemp_K: read(283.15),
    maxFlowTemp_K: read(348.15),
    highLimitTemp_K: read(358.15),
    topEmitterHeight_m: read(5),
    gasStaticGauge_Pa: read(2200),
    gasWorkingGauge_Pa: read(2050),
    gasLoad: 'full',
  }
  job.appliances = [
    {
      ...blankAppliance({ id: 'boiler', name: 'Boiler', kind: 'boiler' }),
      input_W: read(30000),
      maxWorkingGauge_Pa: read(3e5),
      water_m3: read(0.004),
      minInletGauge_Pa: read(1700),
      maxTestGauge_Pa: read(5000),
    },
  ]
  job.heating = {
    ...blankHeating('boiler'),
    zones: [
      {
        id: 'all',
        name: 'House',
        heatZoneId: null,
        load_W: read(12000),
        difference_K: null,
        alone: false,
      },
    ],
    emitters: [
      {
        id: 'rads',
        name: 'Radiators',
        zoneId: 'all',
        type: null,
        loadEach_W: null,
        count: 10,
        waterEach_m3: read(0.008),
      },
    ],
    reliefSetGauge_Pa: read(3e5),
  }
  job.gas = {
    ...job.gas,
    meterMaxTestGauge_Pa: read(7500),
    segments: [
      {
        ...blankGasSegment({
          id: 'a',
          name: 'Meter to boiler',
          from: 'meter',
          material: practices[practice].gas.material,
        }),
        length_m: read(8),
        elbows: 3,
        applianceId: 'boiler',
        end: { ...blankGasEnd, shutOff: 'yes', trap: 'yes', connector: 'rigid' },
      },
    ],
    bonded: 'yes',
  }
  return job
}

import type { JobDocument } from '../job/document'
import type { Known } from '../job/known'
import { blankGasEnd, blankGasSegment } from '../job/gasDocument'
import type { GasSegment } from '../job/gasDocument'
import { blankHeating } from '../job/pressureDocument'
import { blankAppliance, blankDocument } from '../job/document'
import { type PracticeName } from '../practice/practiceNames'
import { practices } from '../practice/practices'
import { inchWater_Pa, psi_Pa } from '../units/units'

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
      maxInletGauge_Pa: read(5000),
      condensing: 'yes',
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
    system: 'sealed',
    boilerAfterPump: 'no',
    position: { side: 'suction', between: 'nothing', from: 'below', carriedBy: 'bracket' },
    vesselMaxWorkingGauge_Pa: read(6e5),
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

/** Two pounds from the meter, a line regulator, then a boiler and a range at 8 in wc. */
export function twoPounds(practice: PracticeName = 'north-america'): JobDocument {
  const job = house(practice)
  job.survey = {
    ...job.survey,
    gasWorkingGauge_Pa: read(2 * psi_Pa),
    gasStaticGauge_Pa: read(2.1 * psi_Pa),
  }
  job.appliances = [
    ...job.appliances,
    {
      ...blankAppliance({ id: 'range', name: 'Range', kind: 'cooktop' }),
      input_W: read(19000),
      minInletGauge_Pa: read(6 * inchWater_Pa),
      maxTestGauge_Pa: read(5000),
    },
  ]
  const pipe = (id: string, from: string, change: Partial<GasSegment>): GasSegment => ({
    ...blankGasSegment({ id, name: id, from, material: practices[practice].gas.material }),
    length_m: read(9),
    end: { ...blankGasEnd, shutOff: 'yes', trap: 'yes', connector: 'flexible' },
    ...change,
  })
  job.gas = {
    ...job.gas,
    segments: [
      pipe('first', 'meter', {
        length_m: read(18),
        regulator: {
          outGauge_Pa: read(8 * inchWater_Pa),
          drop_Pa: read(500),
          most_m3_s: read(0.004),
          vent: 'outside',
        },
      }),
      pipe('to-boiler', 'first', { applianceId: 'boiler' }),
      pipe('to-range', 'first', { applianceId: 'range' }),
    ],
  }
  return job
}

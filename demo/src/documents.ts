import type { JobDocument, Known, SiteBasis } from '@hestian/core'
import { blankAppliance, blankDocument, blankHeating, toSi } from '@hestian/core'
import type { UnitName } from '@hestian/core'

const known = (figure: number, unit: UnitName, basis: SiteBasis, from: string): Known => ({ value: Math.round(toSi(figure, unit) * 1e9) / 1e9, basis, from })
const plate = (figure: number, unit: UnitName) => known(figure, unit, 'read', 'Plate')
const manual = (figure: number, unit: UnitName) => known(figure, unit, 'read', 'Manual')
const taped = (figure: number, unit: UnitName) => known(figure, unit, 'measured', 'Tape')
const guessed = (figure: number, unit: UnitName) => known(figure, unit, 'assumed', 'Guess')
const gauge = (figure: number, unit: UnitName) => known(figure, unit, 'measured', 'Gauge')

type Segment = JobDocument['gas']['segments'][number]
const segment = (id: string, name: string, from: string, length_m: Known, more: Partial<Segment>): Segment =>
  ({ id, name, from, length_m, elbows: 0, branchTees: 0, material: 'copper-en1057', size: null, applianceId: null, ...more })

/** A rowing club's boathouse: boiler, indirect cylinder, three zones, a galley and a drying cabinet. All figures invented. */
export function kestrelWeir(): JobDocument {
  const job = blankDocument({ name: 'Kestrel Weir Rowing Club', address: 'The Boathouse, Weir Lane, Kestrel Weir', practice: 'uk-ireland' })
  job.site.notes = 'Plant room behind the changing rooms. Key with the bosun.'
  job.survey = {
    ...job.survey,
    elevation_m: known(38, 'm', 'read', 'Map'), coldMainStaticGauge_Pa: gauge(4.1, 'bar'), incomingTemp_K: known(9, 'C', 'measured', 'Thermometer'), fillTemp_K: known(10, 'C', 'measured', 'Thermometer'),
    maxFlowTemp_K: known(75, 'C', 'read', 'Boiler setting'), highLimitTemp_K: manual(90, 'C'), topEmitterHeight_m: taped(7.4, 'm'),
    gasStaticGauge_Pa: gauge(22.6, 'mbar'), gasWorkingGauge_Pa: gauge(20.9, 'mbar'), gasLoad: 'full',
  }
  job.appliances = [
    { ...blankAppliance({ id: 'boiler', name: 'System boiler', kind: 'boiler' }), input_W: plate(46.2, 'kW'), inputSaid: 'net', output_W: plate(45, 'kW'), maxWorkingGauge_Pa: plate(4, 'bar'), water_m3: manual(6.2, 'L'), builtInVessel_m3: manual(12, 'L'), builtInChargeGauge_Pa: gauge(0.75, 'bar'), minInletGauge_Pa: plate(18, 'mbar'), maxTestGauge_Pa: manual(50, 'mbar') },
    { ...blankAppliance({ id: 'cylinder', name: '300 L cylinder', kind: 'indirect-cylinder' }), maxWorkingGauge_Pa: plate(6, 'bar'), water_m3: plate(300, 'L') },
    { ...blankAppliance({ id: 'range', name: 'Galley range', kind: 'cooktop' }), input_W: plate(11, 'kW'), minInletGauge_Pa: plate(17, 'mbar'), maxTestGauge_Pa: manual(15, 'mbar') },
    { ...blankAppliance({ id: 'cabinet', name: 'Drying cabinet', kind: 'other-gas' }), input_W: plate(6, 'kW'), minInletGauge_Pa: plate(17, 'mbar'), maxTestGauge_Pa: manual(50, 'mbar') },
  ]
  job.heating = {
    ...blankHeating('boiler'),
    emitters: [
      { id: 'crew', name: 'Crew hall radiators', zone: 'Crew hall', count: 6, waterEach_m3: manual(8.5, 'L') },
      { id: 'changing', name: 'Changing room radiators', zone: 'Changing rooms', count: 8, waterEach_m3: manual(5.5, 'L') },
      { id: 'workshop', name: 'Workshop panels', zone: 'Workshop', count: 3, waterEach_m3: manual(11, 'L') },
      { id: 'coil', name: 'Cylinder coil', zone: 'Hot water', count: 1, waterEach_m3: manual(12, 'L') },
    ],
    pipes: [
      { id: 'mains', name: 'Plant room and headers', material: 'copper-en1057', size: '28 mm', length_m: taped(46, 'm') },
      { id: 'zones', name: 'Zone flow and return', material: 'copper-en1057', size: '22 mm', length_m: taped(74, 'm') },
      { id: 'tails', name: 'Radiator tails', material: 'copper-en1057', size: '15 mm', length_m: guessed(60, 'm') },
    ],
    reliefSetGauge_Pa: known(3, 'bar', 'read', 'Valve tag'), weakParts: [{ id: 'pump', name: 'Pump', maxWorkingGauge_Pa: plate(10, 'bar') }], deliveredChargeGauge_Pa: known(1.5, 'bar', 'read', 'Label on the vessel'),
  }
  job.gas = {
    meterMaxTestGauge_Pa: plate(75, 'mbar'),
    segments: [
      segment('a', 'Meter to A', 'meter', taped(6.8, 'm'), { elbows: 3, size: '35 mm' }),
      segment('b', 'A to B', 'a', taped(4.1, 'm'), { elbows: 1, size: '28 mm' }),
      segment('to-boiler', 'B to boiler', 'b', taped(3.4, 'm'), { elbows: 2, size: '28 mm', applianceId: 'boiler' }),
      segment('to-range', 'A to galley range', 'a', taped(5.6, 'm'), { elbows: 2, branchTees: 1, applianceId: 'range' }),
      segment('to-cabinet', 'B to drying cabinet', 'b', taped(2.7, 'm'), { elbows: 2, branchTees: 1, applianceId: 'cabinet' }),
    ],
  }
  return job
}

/** A bunkhouse at an observatory: propane, high and cold, a boiler and an instantaneous heater. All figures invented. */
export function juniperRidge(): JobDocument {
  const job = blankDocument({ name: 'Juniper Ridge Observatory', address: 'Staff bunkhouse, 1 Dome Road, Juniper Ridge', practice: 'north-america' })
  job.site.seismic = true
  job.site.notes = 'Strap the heater at upper and lower third. Road closed after snow.'
  job.survey = {
    ...job.survey, fuel: 'propane',
    elevation_m: known(7200, 'ft', 'read', 'Map'), coldMainStaticGauge_Pa: gauge(58, 'psi'), incomingTemp_K: known(41, 'F', 'measured', 'Thermometer'), fillTemp_K: known(45, 'F', 'measured', 'Thermometer'),
    maxFlowTemp_K: known(180, 'F', 'read', 'Boiler setting'), highLimitTemp_K: manual(200, 'F'), topEmitterHeight_m: taped(17, 'ft'),
    gasStaticGauge_Pa: gauge(13.2, 'inwc'), gasWorkingGauge_Pa: gauge(11.4, 'inwc'), gasLoad: 'full',
  }
  job.appliances = [
    { ...blankAppliance({ id: 'boiler', name: 'Boiler', kind: 'boiler' }), input_W: plate(80, 'kBtuH'), output_W: plate(68, 'kBtuH'), maxWorkingGauge_Pa: plate(30, 'psi'), water_m3: manual(2.6, 'usGal'), minInletGauge_Pa: plate(8, 'inwc'), maxTestGauge_Pa: manual(14, 'inwc') },
    { ...blankAppliance({ id: 'heater', name: 'Instantaneous heater', kind: 'instantaneous-heater' }), input_W: plate(199, 'kBtuH'), output_W: plate(185, 'kBtuH'), maxWorkingGauge_Pa: plate(150, 'psi'), water_m3: manual(0.4, 'usGal'), minInletGauge_Pa: plate(8, 'inwc'), maxTestGauge_Pa: manual(14, 'inwc') },
  ]
  job.heating = {
    ...blankHeating('boiler'),
    emitters: [
      { id: 'bunks', name: 'Bunk room baseboard', zone: 'Bunks', count: 6, waterEach_m3: manual(0.45, 'usGal') },
      { id: 'common', name: 'Common room radiators', zone: 'Common room', count: 4, waterEach_m3: guessed(2.6, 'usGal') },
    ],
    pipes: [{ id: 'loops', name: 'Zone loops', material: 'copper-type-k', size: '3/4', length_m: guessed(240, 'ft') }],
    reliefSetGauge_Pa: plate(30, 'psi'), deliveredChargeGauge_Pa: known(12, 'psi', 'read', 'Label on the tank'),
  }
  job.gas = {
    meterMaxTestGauge_Pa: plate(10, 'psi'),
    segments: [
      segment('a', 'Second regulator to A', 'meter', taped(22, 'ft'), { elbows: 3, material: 'steel-schedule-40' }),
      segment('to-heater', 'A to heater', 'a', taped(12, 'ft'), { elbows: 2, material: 'steel-schedule-40', applianceId: 'heater' }),
      segment('to-boiler', 'A to boiler', 'a', taped(9, 'ft'), { elbows: 1, branchTees: 1, material: 'steel-schedule-40', applianceId: 'boiler' }),
    ],
  }
  return job
}

/** A ferry kiosk with a flat above: a storage heater outdoors and a cooktop, no heating circuit. All figures invented. */
export function saltbushFerry(): JobDocument {
  const job = blankDocument({ name: 'Saltbush Ferry Kiosk', address: 'Jetty Road, Saltbush Ferry', practice: 'australia-new-zealand' })
  job.site.notes = 'Heater stands outdoors on the river side. Salt air.'
  job.survey = {
    ...job.survey, elevation_m: known(6, 'm', 'read', 'Map'), coldMainStaticGauge_Pa: gauge(460, 'kPa'), incomingTemp_K: known(17, 'C', 'measured', 'Thermometer'),
    gasStaticGauge_Pa: gauge(1.32, 'kPa'), gasWorkingGauge_Pa: gauge(1.24, 'kPa'), gasLoad: 'full',
  }
  job.appliances = [
    { ...blankAppliance({ id: 'heater', name: '170 L storage heater', kind: 'storage-heater' }), input_W: plate(30, 'MJh'), output_W: plate(24, 'MJh'), maxWorkingGauge_Pa: plate(1000, 'kPa'), water_m3: plate(170, 'L'), minInletGauge_Pa: plate(1.13, 'kPa'), maxTestGauge_Pa: manual(3.5, 'kPa') },
    { ...blankAppliance({ id: 'cooktop', name: 'Kiosk cooktop', kind: 'cooktop' }), input_W: plate(36, 'MJh'), minInletGauge_Pa: plate(1, 'kPa'), maxTestGauge_Pa: manual(3.5, 'kPa') },
  ]
  job.gas = {
    meterMaxTestGauge_Pa: plate(7, 'kPa'),
    segments: [
      segment('a', 'Meter to tee', 'meter', taped(5.2, 'm'), { elbows: 2 }),
      segment('to-heater', 'Tee to heater', 'a', taped(3.1, 'm'), { elbows: 2, applianceId: 'heater' }),
      segment('to-cooktop', 'Tee to cooktop', 'a', taped(4.4, 'm'), { elbows: 3, branchTees: 1, applianceId: 'cooktop' }),
    ],
  }
  return job
}

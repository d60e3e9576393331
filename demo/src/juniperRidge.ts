import type { JobDocument, Known } from '@hestian/core'
import {
  blankAppliance,
  blankDischarge,
  blankDocument,
  blankHeating,
  blankHotWater,
  blankPart,
  blankRelief,
  blankSafety,
} from '@hestian/core'
import { papersOf, photo } from './evidence'
import type { Water } from './parts'
import {
  known,
  plate,
  manual,
  taped,
  guessed,
  gauge,
  cup,
  sheet,
  bucket,
  outlet,
  option,
  looked,
  live,
  segment,
  waterPipe,
  at,
  joined,
  heatZone,
  heatPipe,
  passing,
  run,
} from './parts'

/**
 * A bunkhouse at an observatory: propane, high and cold, a boiler and an instantaneous heater. All
 * figures invented.
 */
// eslint-disable-next-line max-lines-per-function -- a design, part after part, as it was taken down
export function juniperRidge(): JobDocument {
  const job = blankDocument({
    name: 'Juniper Ridge Observatory',
    address: 'Staff bunkhouse, 1 Dome Road, Juniper Ridge',
    practice: 'north-america',
    timeZone: 'America/Denver',
  })
  job.site.building = 'other'
  job.work = { ...job.work, kinds: ['heating-new', 'instantaneous-heater', 'inspection-only'] }
  job.site.notes = 'Strap the heater at upper and lower third. Road closed after snow.'
  job.holdPoints = [
    { id: 'hold-bunks', name: 'the bunks are built over the pipes', test: 'water-test-metal' },
  ]
  job.survey = {
    ...job.survey,
    fuel: 'propane',
    elevation_m: known(7200, 'ft', 'read', 'Map'),
    coldMainStaticGauge_Pa: gauge(58, 'psi'),
    incomingTemp_K: known(41, 'F', 'measured', 'Thermometer'),
    fillTemp_K: known(45, 'F', 'measured', 'Thermometer'),
    maxFlowTemp_K: known(180, 'F', 'read', 'Boiler setting'),
    highLimitTemp_K: manual(200, 'F'),
    topEmitterHeight_m: taped(17, 'ft'),
    gasStaticGauge_Pa: gauge(13.2, 'inwc'),
    gasWorkingGauge_Pa: gauge(11.4, 'inwc'),
    gasLoad: 'full',
    gasDistance_m: taped(34, 'ft'),
    visitedOn: '2026-11-16',
    topOutletHeight_m: taped(14, 'ft'),
    incomingColdestTemp_K: known(37, 'F', 'read', 'Well log'),
    incomingWarmestTemp_K: known(52, 'F', 'read', 'Well log'),
    hardness_kg_m3: known(6, 'gpg', 'measured', 'Drop test'),
    mainPoints: [
      bucket('hose', 'Hose bib', gauge(41, 'psi'), known(5, 'usGal', 'read', 'Bucket mark'), 34),
      bucket(
        'sink',
        'Bunkhouse sink',
        gauge(52, 'psi'),
        known(2, 'usGal', 'read', 'Bucket mark'),
        27,
      ),
    ],
    supplies: { water: live, gas: live, power: { state: 'not-yet', expected: '2026-12-02' } },
    inspecting: true,
    looked: looked(job, {
      mainStopValve: 'works',
      mainReducingValve: 'yes',
      mainCheckValve: 'no',
      mainBackflowPreventer: 'yes',
      mainMeterCheck: 'no',
      gasSmell: 'no',
      location: 'utility',
      livingBelow: 'no',
      shakes: 'yes',
      freezing: 'yes',
      corrosiveAir: 'no',
      serviceClearance: 'kept',
      combustibles: 'kept',
      reliefReach: 'yes',
      airSource: 'sealed',
      openFlued: 'no',
      flueRoute: 'clear',
      drain: 'gravity',
      powerIsolator: 'own',
      dripLoop: 'no',
    }),
  }
  job.parts = [
    {
      ...blankPart({
        id: 'old-relief',
        name: 'Relief valve on the boiler',
        kind: 'relief-valve',
        circuit: 'heating',
      }),
      setGauge_Pa: plate(30, 'psi'),
      capacity_W: plate(300, 'kBtuH'),
      madeYear: 2014,
    },
    {
      ...blankPart({
        id: 'old-tank',
        name: 'Old expansion tank, cut off',
        kind: 'expansion-vessel',
        circuit: 'heating',
      }),
      volume_m3: plate(2, 'usGal'),
      chargeGauge_Pa: gauge(0, 'psi'),
      madeYear: null,
    },
  ]
  job.heat = {
    ...job.heat,
    flowTemp_K: known(180, 'F', 'read', 'Boiler setting'),
    compensation: 'weather',
    zones: [
      {
        id: 'bunks',
        name: 'Bunks',
        heat: { by: 'typed', load_W: known(31, 'kBtuH', 'read', 'Loss sheet') },
      },
      {
        id: 'common',
        name: 'Common room',
        heat: { by: 'estimate', area_m2: taped(520, 'ft2'), age: '1976-1995' },
      },
    ],
    options: [
      option('one', 'Boiler and one instantaneous heater', 'combination', {
        input_W: plate(199, 'kBtuH'),
        hotWater_W: plate(185, 'kBtuH'),
        heating_W: plate(68, 'kBtuH'),
        leastOutput_W: plate(16, 'kBtuH'),
        leastFlow_m3_s: sheet(0.5, 'gpm'),
        space: 'Wall of the mechanical room',
      }),
      option('two', 'Boiler and two instantaneous in cascade', 'cascade', {
        units: 2,
        input_W: plate(199, 'kBtuH'),
        hotWater_W: plate(185, 'kBtuH'),
        heating_W: plate(68, 'kBtuH'),
        leastOutput_W: plate(16, 'kBtuH'),
        leastFlow_m3_s: sheet(0.5, 'gpm'),
        space: 'Two walls, two vents',
      }),
      option('store', '75 gal storage heater', 'storage-heater', {
        input_W: sheet(76, 'kBtuH'),
        hotWater_W: sheet(61, 'kBtuH'),
        heating_W: plate(68, 'kBtuH'),
        store_m3: sheet(75, 'usGal'),
        standingLoss_W: sheet(350, 'BtuH'),
        space: 'A 26 in circle of floor, straps at two heights',
      }),
    ],
    chosen: { optionId: 'one', because: 'One wall is free; the staff wash one after the other' },
  }
  job.hotWater = {
    ...blankHotWater,
    storeTemp_K: known(120, 'F', 'read', 'Setting agreed'),
    wantedGauge_Pa: sheet(20, 'psi'),
    outlets: [
      outlet('showers', 'Showers', 'shower', 3, cup(2, 'gpm'), 'no'),
      outlet('basins', 'Lavatories', 'washbasin', 4, cup(1.2, 'gpm'), 'no'),
      outlet(
        'kitchen',
        'Kitchen sink',
        'kitchen-sink',
        1,
        known(1.8, 'gpm', 'assumed', 'Usual'),
        'no',
      ),
    ],
    scenario: [
      { id: '1', outletId: 'showers', open: 1, start_s: 57600, duration_s: 720 },
      { id: '2', outletId: 'showers', open: 1, start_s: 58500, duration_s: 720 },
      { id: '3', outletId: 'kitchen', open: 1, start_s: 70200, duration_s: 900 },
    ],
  }
  job.appliances = [
    {
      ...blankAppliance({ id: 'boiler', name: 'Boiler', kind: 'boiler' }),
      input_W: plate(80, 'kBtuH'),
      output_W: plate(68, 'kBtuH'),
      maxWorkingGauge_Pa: plate(30, 'psi'),
      water_m3: manual(2.6, 'usGal'),
      builtInVessel_m3: manual(4.4, 'usGal'),
      builtInChargeGauge_Pa: gauge(12, 'psi'),
      minInletGauge_Pa: plate(8, 'inwc'),
      maxInletGauge_Pa: plate(14, 'inwc'),
      condensing: 'no',
      maxTestGauge_Pa: manual(14, 'inwc'),
      stay: 'stays',
      madeYear: 2014,
      papers: papersOf('bunkhouse boiler'),
    },
    {
      ...blankAppliance({
        id: 'heater',
        name: 'Instantaneous heater',
        kind: 'instantaneous-heater',
      }),
      input_W: plate(199, 'kBtuH'),
      output_W: plate(185, 'kBtuH'),
      maxWorkingGauge_Pa: plate(150, 'psi'),
      water_m3: manual(0.4, 'usGal'),
      minInletGauge_Pa: plate(8, 'inwc'),
      maxInletGauge_Pa: plate(14, 'inwc'),
      maxTestGauge_Pa: manual(14, 'inwc'),
      madeYear: 2026,
      papers: { ...papersOf('instantaneous heater'), installation: null },
      photos: [photo('plate-instantaneous-heater.png')],
    },
  ]
  job.heating = {
    ...blankHeating('boiler'),
    system: 'sealed',
    boilerAfterPump: 'no',
    fluid: {
      kind: 'propylene-glycol',
      massFraction: known(30, 'percent', 'measured', 'Refractometer'),
      coldestTemp_K: known(10, 'F', 'read', 'Weather log'),
    },
    zones: [heatZone('bunks', 'Bunks', 'bunks'), heatZone('common', 'Common room', 'common')],
    emitters: [
      {
        id: 'bunks',
        name: 'Bunk room baseboard',
        zoneId: 'bunks',
        type: 'baseboard',
        count: 6,
        loadEach_W: null,
        waterEach_m3: manual(0.45, 'usGal'),
      },
      {
        id: 'common',
        name: 'Common room radiators',
        zoneId: 'common',
        type: 'column',
        count: 4,
        loadEach_W: null,
        waterEach_m3: guessed(2.6, 'usGal'),
      },
    ],
    pipes: [
      heatPipe('header', 'Boiler and header', '1', taped(30, 'ft'), {
        material: 'copper-type-k',
        bends: 8,
      }),
      heatPipe('bunks', 'Bunk loop', '3/4', guessed(120, 'ft'), {
        material: 'copper-type-k',
        bends: 14,
        zoneId: 'bunks',
      }),
      heatPipe('common', 'Common room loop', '3/4', guessed(90, 'ft'), {
        material: 'copper-type-k',
        bends: 10,
        zoneId: 'common',
      }),
    ],
    parts: [
      passing('boiler', 'Boiler', 'boiler', sheet(1.2, 'psi'), sheet(7, 'gpm')),
      passing('air', 'Air separator', 'separator', sheet(0.1, 'psi'), sheet(7, 'gpm')),
    ],
    position: { side: 'delivery', between: 'nothing', from: 'above', carriedBy: 'pipe' },
    feedSetGauge_Pa: known(12, 'psi', 'read', 'Cap of the valve'),
    dayTemp_K: known(38, 'F', 'measured', 'Thermometer'),
    reliefSetGauge_Pa: plate(30, 'psi'),
    deliveredChargeGauge_Pa: known(12, 'psi', 'read', 'Label on the tank'),
  }
  job.hotWater.safety = {
    ...blankSafety,
    reducingGauge_Pa: known(55, 'psi', 'read', 'Cap of the valve'),
    temperatureReliefGauge_Pa: plate(150, 'psi'),
    temperatureReliefTemp_K: plate(210, 'F'),
    balancedCold: 'after-reducing',
  }
  job.reliefs = [
    {
      ...blankRelief({ id: 'rv-boiler', name: 'Relief valve on the boiler', guards: 'heating' }),
      outlet: 'G3/4',
      capacity_W: known(300, 'kBtuH', 'read', 'Tag'),
      lever: 'clear',
      valveBetween: 'no',
      discharge: {
        ...blankDischarge,
        end: 'floor',
        endHeight_m: taped(31, 'in'),
        endThread: 'threaded',
        endVisible: 'yes',
        endSafe: 'yes',
        endFreezes: 'no',
        pieces: run('b', [
          ['copper', '3/4', 0.5, 'down'],
          'bend',
          ['pex', '1/2', 1.4, 'level'],
          'bend',
          ['pvc', '3/4', 0.6, 'up'],
          'bend',
          ['pvc', '3/4', 0.9, 'falling'],
          'bend',
          ['pvc', '3/4', 1.1, 'down'],
        ]),
      },
    },
    {
      ...blankRelief({
        id: 'rv-heater',
        name: 'Relief valve of the heater',
        guards: 'temperature',
      }),
      outlet: 'G3/4',
      capacity_W: known(210, 'kBtuH', 'read', 'Tag'),
      probe: 'in-hottest',
      lever: 'clear',
      valveBetween: 'no',
      discharge: {
        ...blankDischarge,
        end: 'floor',
        endHeight_m: taped(4, 'in'),
        endThread: 'plain',
        endVisible: 'yes',
        endSafe: 'yes',
        endFreezes: 'no',
        pieces: run('i', [
          ['copper', '3/4', 0.3, 'falling'],
          'bend',
          ['copper', '3/4', 1.2, 'down'],
        ]),
      },
    },
  ]
  job.pan = { fitted: 'yes', runsTo: 'drain', condensate: 'separate', because: '' }
  job.gas = {
    ...job.gas,
    meterMaxTestGauge_Pa: plate(10, 'psi'),
    segments: [
      segment('a', 'Second regulator to A', 'meter', taped(22, 'ft'), {
        elbows: 3,
        material: 'steel-schedule-40',
      }),
      segment('to-heater', 'A to heater', 'a', taped(12, 'ft'), {
        elbows: 2,
        material: 'steel-schedule-40',
        applianceId: 'heater',
        end: { ...joined('rigid'), trap: 'no' },
      }),
      segment('to-boiler', 'A to boiler', 'a', taped(9, 'ft'), {
        elbows: 1,
        branchTees: 1,
        material: 'steel-schedule-40',
        applianceId: 'boiler',
        end: joined('flexible', sheet(0.1, 'inwc')),
      }),
    ],
    bonded: 'yes',
    containers: {
      count: 2,
      diameter_m: taped(30, 'in'),
      length_m: taped(66, 'in'),
      leastFull: known(20, 'percent', 'read', 'Supplier fills then'),
      coldestTemp_K: known(10, 'F', 'read', 'Weather log'),
      changeover: 'by-itself',
    },
  }
  const lay = (
    id: string,
    name: string,
    from: string,
    feet: Known,
    rise: Known,
    more: Partial<Water>,
  ): Water => waterPipe(id, name, from, feet, rise, { material: 'copper-type-l', ...more })
  job.water = {
    ...job.water,
    segments: [
      lay('main', 'Well room to A', 'meter', taped(26, 'ft'), taped(4, 'ft'), { elbows: 5 }),
      lay('to-heater', 'A to heater', 'main', taped(6, 'ft'), taped(3, 'ft'), {
        elbows: 3,
        end: { kind: 'heater' },
      }),
      lay('cold-bath', 'A to bath house, cold', 'main', taped(32, 'ft'), taped(2, 'ft'), {
        elbows: 4,
        branchTees: 1,
      }),
      lay('cold-showers', 'Showers, cold', 'cold-bath', taped(9, 'ft'), taped(4, 'ft'), {
        elbows: 3,
        end: at('showers', 3),
      }),
      lay('cold-basins', 'Lavatories, cold', 'cold-bath', taped(11, 'ft'), taped(1, 'ft'), {
        elbows: 4,
        branchTees: 1,
        end: at('basins', 4),
      }),
      lay('hot-bath', 'Heater to bath house, hot', 'to-heater', taped(38, 'ft'), taped(1, 'ft'), {
        elbows: 5,
      }),
      lay('hot-showers', 'Showers, hot', 'hot-bath', taped(9, 'ft'), taped(2, 'ft'), {
        elbows: 3,
        end: at('showers', 3),
      }),
      lay('hot-basins', 'Lavatories, hot', 'hot-bath', taped(11, 'ft'), taped(-1, 'ft'), {
        elbows: 4,
        branchTees: 1,
        end: at('basins', 4),
      }),
      lay(
        'hot-kitchen',
        'Heater to kitchen, hot',
        'to-heater',
        guessed(18, 'ft'),
        taped(-2, 'ft'),
        { elbows: 5, branchTees: 1, end: at('kitchen', 1) },
      ),
    ],
    designBy: 'scenario',
    heaterDrop_Pa: sheet(9, 'psi'),
    heaterAtFlow_m3_s: sheet(6, 'gpm'),
    makeUp: {
      device: 'backflow-preventer',
      reducing: 'yes',
      feedStays: 'shut',
      feed_m3_s: null,
      bypass_m3_s: null,
    },
    heaterLeast_m3_s: sheet(0.5, 'gpm'),
  }
  return job
}

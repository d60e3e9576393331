import type { JobDocument } from '@hestian/core'
import {
  blankAppliance,
  blankDischarge,
  blankDocument,
  blankHotWater,
  blankRelief,
  blankSafety,
} from '@hestian/core'
import { papersOf, photo } from './evidence'
import {
  known,
  plate,
  manual,
  taped,
  gauge,
  cup,
  sheet,
  bucket,
  outlet,
  option,
  looked,
  allLive,
  segment,
  joined,
  inlet,
  run,
} from './parts'

/**
 * A ferry kiosk with a flat above: a storage heater outdoors and a cooktop, no heating circuit. All
 * figures invented.
 */
// eslint-disable-next-line max-lines-per-function -- a design, part after part, as it was taken down
export function saltbushFerry(): JobDocument {
  const job = blankDocument({
    name: 'Saltbush Ferry Kiosk',
    address: 'Jetty Road, Saltbush Ferry',
    practice: 'australia-new-zealand',
    timeZone: 'Australia/Adelaide',
  })
  job.site.building = 'other'
  job.work = { ...job.work, kinds: ['storage-heater-exchanged'] }
  job.site.notes = 'Heater stands outdoors on the river side. Salt air.'
  job.survey = {
    ...job.survey,
    elevation_m: known(6, 'm', 'read', 'Map'),
    coldMainStaticGauge_Pa: gauge(460, 'kPa'),
    incomingTemp_K: known(17, 'C', 'measured', 'Thermometer'),
    gasStaticGauge_Pa: gauge(1.32, 'kPa'),
    gasWorkingGauge_Pa: gauge(1.24, 'kPa'),
    gasLoad: 'full',
    gasMeter_m3_s: plate(6, 'm3h'),
    gasDistance_m: taped(8.3, 'm'),
    visitedOn: '2026-11-12',
    topOutletHeight_m: taped(3.4, 'm'),
    incomingColdestTemp_K: known(12, 'C', 'read', 'Water company'),
    incomingWarmestTemp_K: known(24, 'C', 'read', 'Water company'),
    hardness_kg_m3: known(80, 'mgL', 'read', 'Water company'),
    mainPoints: [
      bucket('jetty', 'Jetty tap', gauge(310, 'kPa'), known(10, 'L', 'read', 'Bucket mark'), 29),
    ],
    supplies: allLive,
    looked: looked(job, {
      mainStopValve: 'works',
      mainReducingValve: 'yes',
      mainCheckValve: 'yes',
      mainBackflowPreventer: 'no',
      mainMeterCheck: 'yes',
      gasSmell: 'no',
      location: 'outdoors',
      vehiclePath: 'no',
      livingBelow: 'no',
      shakes: 'no',
      freezing: 'no',
      corrosiveAir: 'yes',
      serviceClearance: 'kept',
      combustibles: 'kept',
      reliefReach: 'yes',
      airSource: 'sealed',
      openFlued: 'no',
      flueRoute: 'clear',
      drain: 'gravity',
      powerIsolator: 'own',
      dripLoop: 'yes',
    }),
  }
  job.schools = {
    ...job.schools,
    simultaneousUse: {
      side: 'b',
      because: 'The kiosk shuts before the flat showers',
      basis: 'chosen',
    },
  }
  job.heat = {
    ...job.heat,
    options: [
      option('store', '170 L storage heater', 'storage-heater', {
        input_W: plate(30, 'MJh'),
        hotWater_W: plate(24, 'MJh'),
        store_m3: plate(170, 'L'),
        standingLoss_W: sheet(95, 'W'),
        space: 'Slab on the river side',
      }),
      option('flow', '26 L/min continuous flow heater', 'combination', {
        input_W: sheet(199, 'MJh'),
        hotWater_W: sheet(165, 'MJh'),
        leastOutput_W: sheet(12, 'MJh'),
        leastFlow_m3_s: sheet(2.7, 'Lmin'),
        space: 'Outside wall',
      }),
    ],
    chosen: { optionId: 'store', because: 'The gas meter and its pipe stay as they are' },
  }
  job.hotWater = {
    ...blankHotWater,
    storeTemp_K: known(60, 'C', 'read', 'Setting agreed'),
    wantedGauge_Pa: sheet(100, 'kPa'),
    outlets: [
      outlet('shower', 'Flat shower', 'shower', 1, cup(8, 'Lmin'), 'yes'),
      outlet('basin', 'Flat basin', 'washbasin', 1, cup(4, 'Lmin'), 'yes'),
      outlet('sink', 'Kiosk sink', 'kitchen-sink', 1, cup(7, 'Lmin'), 'refused'),
    ],
    scenario: [
      { id: '1', outletId: 'shower', open: 1, start_s: 21600, duration_s: 480 },
      { id: '2', outletId: 'sink', open: 1, start_s: 32400, duration_s: 600 },
      { id: '3', outletId: 'sink', open: 1, start_s: 54000, duration_s: 900 },
      { id: '4', outletId: 'shower', open: 1, start_s: 72000, duration_s: 600 },
    ],
  }
  job.appliances = [
    {
      ...blankAppliance({ id: 'heater', name: '170 L storage heater', kind: 'storage-heater' }),
      input_W: plate(30, 'MJh'),
      output_W: plate(24, 'MJh'),
      maxWorkingGauge_Pa: plate(1000, 'kPa'),
      water_m3: plate(170, 'L'),
      minInletGauge_Pa: plate(1.13, 'kPa'),
      maxInletGauge_Pa: plate(3, 'kPa'),
      maxTestGauge_Pa: manual(3.5, 'kPa'),
      madeYear: 2026,
      papers: papersOf('170 L storage heater'),
      photos: [photo('plate-storage-heater.png')],
    },
    {
      ...blankAppliance({ id: 'cooktop', name: 'Kiosk cooktop', kind: 'cooktop' }),
      input_W: plate(36, 'MJh'),
      minInletGauge_Pa: plate(1, 'kPa'),
      maxInletGauge_Pa: plate(2.5, 'kPa'),
      maxTestGauge_Pa: manual(3.5, 'kPa'),
      stay: 'stays',
      madeYear: 2021,
      papers: papersOf('kiosk cooktop'),
    },
  ]
  job.hotWater.safety = {
    ...blankSafety,
    reducingGauge_Pa: known(350, 'kPa', 'read', 'Marked on the valve'),
    expansionReliefGauge_Pa: plate(850, 'kPa'),
    temperatureReliefGauge_Pa: plate(1000, 'kPa'),
    temperatureReliefTemp_K: plate(99, 'C'),
    inlet: inlet([
      'stop-valve',
      'strainer',
      'reducing-valve',
      'check-valve',
      'expansion-relief',
      'vessel',
      'store',
    ]),
    balancedCold: 'after-reducing',
    cutOut: 'by-hand',
    cutOutTemp_K: plate(82, 'C'),
    immersion: 'none',
  }
  job.reliefs = [
    {
      ...blankRelief({ id: 'rv-cold', name: 'Expansion valve', guards: 'expansion' }),
      outlet: 'G1/2',
      capacity_W: known(25, 'kW', 'read', 'Tag'),
      lever: 'clear',
      valveBetween: 'no',
      discharge: {
        ...blankDischarge,
        end: 'outside',
        endHeight_m: taped(200, 'mm'),
        endThread: 'plain',
        endVisible: 'yes',
        endSafe: 'yes',
        endFreezes: 'no',
        pieces: run('c', [['copper', '15 mm', 0.8, 'down']]),
      },
    },
    {
      ...blankRelief({ id: 'rv-hot', name: 'PTR valve', guards: 'temperature' }),
      outlet: 'G1/2',
      capacity_W: known(10, 'kW', 'read', 'Tag'),
      probe: 'in-hottest',
      lever: 'clear',
      valveBetween: 'no',
      discharge: {
        ...blankDischarge,
        end: 'outside',
        endHeight_m: taped(250, 'mm'),
        endThread: 'plain',
        endVisible: 'yes',
        endSafe: 'yes',
        endFreezes: 'no',
        pieces: run('t', [
          ['copper', '15 mm', 0.3, 'falling'],
          'bend',
          ['copper', '15 mm', 1.1, 'down'],
        ]),
      },
    },
  ]
  job.pan = { fitted: 'no', runsTo: null, condensate: 'none', because: '' }
  job.gas = {
    ...job.gas,
    meterMaxTestGauge_Pa: plate(7, 'kPa'),
    segments: [
      segment('a', 'Meter to tee', 'meter', taped(5.2, 'm'), { elbows: 2 }),
      segment('to-heater', 'Tee to heater', 'a', taped(3.1, 'm'), {
        elbows: 2,
        applianceId: 'heater',
        end: joined('rigid'),
      }),
      segment('to-cooktop', 'Tee to cooktop', 'a', taped(4.4, 'm'), {
        elbows: 3,
        branchTees: 1,
        applianceId: 'cooktop',
        end: joined('flexible', sheet(4, 'Pa')),
      }),
    ],
    bonded: 'yes',
  }
  return job
}

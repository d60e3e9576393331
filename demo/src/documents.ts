import type {
  CircuitPart,
  DischargePiece,
  GasEnd,
  HeatingPipe,
  HeatingZone,
  HeatOption,
  InletKind,
  JobDocument,
  Known,
  LookKey,
  MainPoint,
  OptionKind,
  Outlet,
  SiteBasis,
} from '@hestian/core'
import {
  blankAppliance,
  blankDischarge,
  blankDocument,
  blankExchange,
  blankGasEnd,
  blankGasSegment,
  blankHeating,
  blankHotWater,
  blankLoop,
  blankOption,
  blankPart,
  blankRelief,
  blankSafety,
  blankWaterSegment,
  toSi,
} from '@hestian/core'
import type { UnitName } from '@hestian/core'
import { papersOf, photo } from './evidence'

const known = (figure: number, unit: UnitName, basis: SiteBasis, from: string): Known => ({
  value: Math.round(toSi(figure, unit) * 1e9) / 1e9,
  basis,
  from,
})
const plate = (figure: number, unit: UnitName) => known(figure, unit, 'read', 'Plate')
const manual = (figure: number, unit: UnitName) => known(figure, unit, 'read', 'Manual')
const taped = (figure: number, unit: UnitName) => known(figure, unit, 'measured', 'Tape')
const guessed = (figure: number, unit: UnitName) => known(figure, unit, 'assumed', 'Guess')
const gauge = (figure: number, unit: UnitName) => known(figure, unit, 'measured', 'Gauge')

const cup = (figure: number, unit: UnitName) => known(figure, unit, 'measured', 'Flow cup')
const sheet = (figure: number, unit: UnitName) => known(figure, unit, 'read', "Maker's sheet")

/** A running point by a timed container. */
const bucket = (
  id: string,
  name: string,
  gauge_Pa: Known,
  container_m3: Known,
  seconds: number,
): MainPoint => ({
  id,
  name,
  gauge_Pa,
  by: 'container',
  container_m3,
  filled_s: known(seconds, 's', 'measured', 'Stopwatch'),
  flow_m3_s: null,
})
const outlet = (
  id: string,
  name: string,
  kind: Outlet['kind'],
  count: number,
  flow_m3_s: Known,
  tempered: Outlet['tempered'],
): Outlet => ({ id, name, kind, count, flow_m3_s, temp_K: null, tempered })
const option = (
  id: string,
  name: string,
  kind: OptionKind,
  more: Partial<HeatOption>,
): HeatOption => ({ ...blankOption({ id, name, kind }), ...more })

/** Answers by looking, each as it was seen on the day. */
const looked = (
  job: JobDocument,
  answers: Partial<Record<LookKey, string>>,
): JobDocument['survey']['looked'] =>
  ({
    ...job.survey.looked,
    ...Object.fromEntries(
      Object.entries(answers).map(([key, answer]) => [
        key,
        { answer, basis: 'measured', from: 'Seen' },
      ]),
    ),
  }) as JobDocument['survey']['looked']

const live = { state: 'live' as const }
const allLive = { water: live, gas: live, power: live }

type Segment = JobDocument['gas']['segments'][number]
const segment = (
  id: string,
  name: string,
  from: string,
  length_m: Known,
  more: Partial<Segment>,
): Segment => ({
  ...blankGasSegment({ id, name, from, material: 'copper-en1057' }),
  length_m,
  ...more,
})

type Water = JobDocument['water']['segments'][number]
const waterPipe = (
  id: string,
  name: string,
  from: string,
  length_m: Known,
  rise_m: Known,
  more: Partial<Water>,
): Water => ({
  ...blankWaterSegment({ id, name, from, material: 'copper-en1057' }),
  length_m,
  rise_m,
  ...more,
})
const at = (outletId: string, count: number): Water['end'] => ({ kind: 'outlet', outletId, count })
/** What stands before an appliance that is connected as it should be. */
const joined = (connector: 'rigid' | 'flexible', connectorDrop_Pa: Known = null): GasEnd => ({
  ...blankGasEnd,
  shutOff: 'yes',
  trap: 'yes',
  connector,
  connectorDrop_Pa,
})

const heatZone = (id: string, name: string, heatZoneId: string | null): HeatingZone => ({
  id,
  name,
  heatZoneId,
  load_W: null,
  difference_K: null,
  alone: false,
})
const heatPipe = (
  id: string,
  name: string,
  size: string | null,
  length_m: Known,
  more: Partial<HeatingPipe>,
): HeatingPipe => ({
  id,
  name,
  material: 'copper-en1057',
  size,
  length_m,
  run_m: null,
  bends: 0,
  zoneId: null,
  carries: 'all',
  ...more,
})
const passing = (
  id: string,
  name: string,
  kind: CircuitPart['kind'],
  drop_Pa: Known,
  atFlow_m3_s: Known,
  water_m3: Known = null,
  zoneId: string | null = null,
): CircuitPart => ({ id, name, kind, zoneId, drop_Pa, atFlow_m3_s, water_m3 })
const inlet = (kinds: readonly InletKind[]) =>
  kinds.map((kind) => ({ id: kind, kind, reversed: false, maker: null }))

type PipePiece = Extract<DischargePiece, { kind: 'pipe' }>
/** A discharge run, pipes by material, size, length in m and how they run. */
const run = (
  prefix: string,
  pieces: readonly (
    | 'bend'
    | 'tundish'
    | readonly [PipePiece['material'], PipePiece['size'], number, PipePiece['runs']]
  )[],
): DischargePiece[] =>
  pieces.map((piece, i) =>
    piece === 'bend'
      ? { id: `${prefix}${i}`, kind: 'bend' }
      : piece === 'tundish'
        ? { id: `${prefix}${i}`, kind: 'tundish', visible: 'yes' }
        : {
            id: `${prefix}${i}`,
            kind: 'pipe',
            material: piece[0],
            size: piece[1],
            length_m: taped(piece[2], 'm'),
            runs: piece[3],
          },
  )

/**
 * A rowing club's boathouse: boiler, indirect cylinder, three zones, a galley and a drying cabinet.
 * All figures invented.
 */
export function kestrelWeir(): JobDocument {
  const job = blankDocument({
    name: 'Kestrel Weir Rowing Club',
    address: 'The Boathouse, Weir Lane, Kestrel Weir',
    practice: 'uk-ireland',
  })
  job.site.building = 'other'
  job.work = { ...job.work, kinds: ['heating-new', 'stored-hot-water'] }
  job.site.notes = 'Plant room behind the changing rooms. Key with the bosun.'
  job.holdPoints = [
    { id: 'hold-boards', name: 'the changing room wall is boarded', test: 'water-test-metal' },
  ]
  job.survey = {
    ...job.survey,
    elevation_m: known(38, 'm', 'read', 'Map'),
    coldMainStaticGauge_Pa: gauge(4.1, 'bar'),
    incomingTemp_K: known(9, 'C', 'measured', 'Thermometer'),
    fillTemp_K: known(10, 'C', 'measured', 'Thermometer'),
    maxFlowTemp_K: known(75, 'C', 'read', 'Boiler setting'),
    highLimitTemp_K: manual(90, 'C'),
    topEmitterHeight_m: taped(7.4, 'm'),
    gasStaticGauge_Pa: gauge(22.6, 'mbar'),
    gasWorkingGauge_Pa: gauge(20.9, 'mbar'),
    gasLoad: 'full',
    gasMeter_m3_s: plate(10, 'm3h'),
    gasDistance_m: taped(14.3, 'm'),
    visitedOn: '2026-11-03',
    topOutletHeight_m: taped(3.2, 'm'),
    incomingColdestTemp_K: known(5, 'C', 'read', 'Water company'),
    incomingWarmestTemp_K: known(17, 'C', 'read', 'Water company'),
    hardness_kg_m3: known(240, 'mgL', 'measured', 'Drop test'),
    mainPoints: [
      bucket('galley', 'Galley tap', gauge(3.45, 'bar'), known(10, 'L', 'read', 'Bucket mark'), 33),
      bucket('hose', 'Boat hose tap', gauge(2.3, 'bar'), known(20, 'L', 'read', 'Bucket mark'), 34),
    ],
    supplies: allLive,
    looked: looked(job, {
      mainStopValve: 'works',
      mainReducingValve: 'no',
      mainCheckValve: 'yes',
      mainBackflowPreventer: 'no',
      mainMeterCheck: 'no',
      mainStreetCheck: 'no',
      gasSmell: 'no',
      location: 'utility',
      livingBelow: 'no',
      shakes: 'no',
      freezing: 'no',
      corrosiveAir: 'no',
      serviceClearance: 'kept',
      combustibles: 'kept',
      reliefReach: 'none',
      airSource: 'sealed',
      openFlued: 'no',
      flueRoute: 'clear',
      drain: 'gravity',
      powerIsolator: 'own',
      dripLoop: 'no-cord',
    }),
  }
  job.parts = [
    {
      ...blankPart({
        id: 'old-vessel',
        name: 'Old vessel, red',
        kind: 'expansion-vessel',
        circuit: 'heating',
      }),
      volume_m3: plate(18, 'L'),
      chargeGauge_Pa: gauge(0.2, 'bar'),
      madeYear: 2009,
      stay: 'goes',
    },
  ]
  job.appliances = [
    {
      ...blankAppliance({ id: 'boiler', name: 'System boiler', kind: 'boiler' }),
      input_W: plate(46.2, 'kW'),
      inputSaid: 'net',
      output_W: plate(45, 'kW'),
      maxWorkingGauge_Pa: plate(4, 'bar'),
      water_m3: manual(6.2, 'L'),
      builtInVessel_m3: manual(12, 'L'),
      builtInChargeGauge_Pa: gauge(0.75, 'bar'),
      minInletGauge_Pa: plate(18, 'mbar'),
      maxInletGauge_Pa: plate(30, 'mbar'),
      condensing: 'yes',
      maxTestGauge_Pa: manual(50, 'mbar'),
      madeYear: 2026,
      papers: papersOf('system boiler'),
      photos: [photo('plate-system-boiler.png')],
    },
    {
      ...blankAppliance({ id: 'cylinder', name: '300 L cylinder', kind: 'indirect-cylinder' }),
      maxWorkingGauge_Pa: plate(6, 'bar'),
      water_m3: plate(300, 'L'),
      madeYear: 2026,
      papers: papersOf('300 L cylinder'),
    },
    {
      ...blankAppliance({ id: 'range', name: 'Galley range', kind: 'cooktop' }),
      input_W: plate(11, 'kW'),
      minInletGauge_Pa: plate(17, 'mbar'),
      maxInletGauge_Pa: plate(25, 'mbar'),
      maxTestGauge_Pa: manual(15, 'mbar'),
      stay: 'stays',
      madeYear: 2017,
      papers: papersOf('galley range'),
    },
    {
      ...blankAppliance({ id: 'cabinet', name: 'Drying cabinet', kind: 'other-gas' }),
      input_W: plate(6, 'kW'),
      minInletGauge_Pa: plate(17, 'mbar'),
      maxInletGauge_Pa: plate(25, 'mbar'),
      maxTestGauge_Pa: manual(50, 'mbar'),
      stay: 'stays',
      madeYear: 2019,
      papers: papersOf('drying cabinet'),
    },
  ]
  job.schools = {
    ...job.schools,
    simultaneousUse: {
      side: 'b',
      because: 'Whole crews come off the water together',
      basis: 'chosen',
    },
  }
  job.heat = {
    ...job.heat,
    flowTemp_K: known(75, 'C', 'read', 'Boiler setting'),
    heatingSet_W: known(36, 'kW', 'read', 'Boiler menu'),
    compensation: 'weather',
    zones: [
      {
        id: 'crew',
        name: 'Crew hall',
        heat: { by: 'typed', load_W: known(13.5, 'kW', 'read', 'Loss sheet') },
      },
      {
        id: 'changing',
        name: 'Changing rooms',
        heat: { by: 'typed', load_W: known(10.2, 'kW', 'read', 'Loss sheet') },
      },
      {
        id: 'workshop',
        name: 'Workshop',
        heat: { by: 'estimate', area_m2: taped(80, 'm2'), age: '1976-1995' },
      },
    ],
    options: [
      option('cylinder', '45 kW with 300 L cylinder', 'system-cylinder', {
        input_W: plate(51.3, 'kW'),
        hotWater_W: plate(45, 'kW'),
        heating_W: plate(45, 'kW'),
        leastOutput_W: plate(9, 'kW'),
        store_m3: sheet(300, 'L'),
        coil_W: sheet(34, 'kW'),
        standingLoss_W: sheet(78, 'W'),
        space: 'Plant room wall and a 600 mm square of floor',
      }),
      option('combi', '42 kW combination', 'combination', {
        input_W: sheet(47, 'kW'),
        hotWater_W: sheet(42, 'kW'),
        heating_W: sheet(35, 'kW'),
        leastOutput_W: sheet(6, 'kW'),
        leastFlow_m3_s: sheet(2.5, 'Lmin'),
        space: 'Plant room wall only',
      }),
      option('pair', '45 kW with 500 L cylinder', 'system-cylinder', {
        input_W: plate(51.3, 'kW'),
        hotWater_W: plate(45, 'kW'),
        heating_W: plate(45, 'kW'),
        leastOutput_W: plate(9, 'kW'),
        store_m3: sheet(500, 'L'),
        coil_W: sheet(48, 'kW'),
        standingLoss_W: sheet(104, 'W'),
        space: 'Does not pass the plant room door',
      }),
    ],
    chosen: {
      optionId: 'cylinder',
      because: 'Four showers at once for a crew; the 500 L does not pass the door',
    },
  }
  job.hotWater = {
    ...blankHotWater,
    storeTemp_K: known(60, 'C', 'read', 'Setting agreed'),
    wantedGauge_Pa: sheet(1, 'bar'),
    loopLoss_W: guessed(180, 'W'),
    safety: {
      ...blankSafety,
      reducingGauge_Pa: known(3, 'bar', 'read', 'Marked on the valve'),
      reducingFall_Pa: sheet(0.4, 'bar'),
      expansionReliefGauge_Pa: plate(5, 'bar'),
      temperatureReliefGauge_Pa: plate(6, 'bar'),
      temperatureReliefTemp_K: plate(95, 'C'),
      inlet: inlet([
        'stop-valve',
        'strainer',
        'reducing-valve',
        'balanced-cold',
        'check-valve',
        'vessel',
        'expansion-relief',
        'store',
      ]),
      balancedCold: 'after-reducing',
      cutOut: 'by-hand',
      cutOutTemp_K: plate(85, 'C'),
      immersion: 'own-cut-out',
      immersion_W: plate(3, 'kW'),
    },
    outlets: [
      outlet('showers-a', 'Showers, home crew', 'shower', 2, cup(8.5, 'Lmin'), 'yes'),
      outlet('showers-b', 'Showers, visitors', 'shower', 2, cup(8, 'Lmin'), 'yes'),
      outlet('basins', 'Basins', 'washbasin', 4, cup(5, 'Lmin'), 'yes'),
      outlet('galley', 'Galley sink', 'kitchen-sink', 1, cup(9, 'Lmin'), 'refused'),
    ],
    scenario: [
      { id: 'hands', outletId: 'basins', open: 2, start_s: 30600, duration_s: 240 },
      ...[0, 1, 2].flatMap((crew) => [
        {
          id: `a${crew}`,
          outletId: 'showers-a',
          open: 2,
          start_s: 36000 + crew * 900,
          duration_s: 600,
        },
        {
          id: `b${crew}`,
          outletId: 'showers-b',
          open: 2,
          start_s: 36120 + crew * 900,
          duration_s: 480,
        },
      ]),
      { id: 'wash', outletId: 'galley', open: 1, start_s: 48600, duration_s: 900 },
      { id: 'late', outletId: 'showers-a', open: 2, start_s: 66600, duration_s: 1200 },
    ],
  }
  job.heating = {
    ...blankHeating('boiler'),
    system: 'sealed',
    boilerAfterPump: 'no',
    zones: [
      heatZone('crew', 'Crew hall', 'crew'),
      heatZone('changing', 'Changing rooms', 'changing'),
      heatZone('workshop', 'Workshop', 'workshop'),
      { ...heatZone('store', 'Hot water', null), load_W: sheet(34, 'kW'), alone: true },
    ],
    emitters: [
      {
        id: 'crew',
        name: 'Crew hall radiators',
        zoneId: 'crew',
        type: 'panel-double',
        count: 6,
        loadEach_W: null,
        waterEach_m3: manual(8.5, 'L'),
      },
      {
        id: 'changing',
        name: 'Changing room radiators',
        zoneId: 'changing',
        type: 'panel-double',
        count: 8,
        loadEach_W: null,
        waterEach_m3: manual(5.5, 'L'),
      },
      {
        id: 'workshop',
        name: 'Workshop panels',
        zoneId: 'workshop',
        type: 'panel-single',
        count: 3,
        loadEach_W: null,
        waterEach_m3: manual(11, 'L'),
      },
      {
        id: 'coil',
        name: 'Cylinder coil',
        zoneId: 'store',
        type: 'coil',
        count: 1,
        loadEach_W: null,
        waterEach_m3: manual(12, 'L'),
      },
    ],
    pipes: [
      heatPipe('mains', 'Plant room and headers', '35 mm', taped(32, 'm'), {
        run_m: taped(24, 'm'),
        bends: 6,
      }),
      heatPipe('to-store', 'To the cylinder', '28 mm', taped(14, 'm'), {
        bends: 6,
        zoneId: 'store',
      }),
      heatPipe('crew', 'Crew hall, flow and return', '22 mm', taped(30, 'm'), {
        bends: 8,
        zoneId: 'crew',
      }),
      heatPipe('changing', 'Changing rooms, flow and return', '22 mm', taped(26, 'm'), {
        bends: 6,
        zoneId: 'changing',
      }),
      heatPipe('workshop', 'Workshop, flow and return', null, taped(18, 'm'), {
        bends: 6,
        zoneId: 'workshop',
      }),
      heatPipe('tails-crew', 'Radiator tails, crew hall', '15 mm', guessed(24, 'm'), {
        run_m: guessed(6, 'm'),
        bends: 4,
        zoneId: 'crew',
        carries: 'one-emitter',
      }),
      heatPipe('tails-changing', 'Radiator tails, changing rooms', '15 mm', guessed(32, 'm'), {
        run_m: guessed(6, 'm'),
        bends: 4,
        zoneId: 'changing',
        carries: 'one-emitter',
      }),
    ],
    parts: [
      passing('boiler', 'System boiler', 'boiler', sheet(140, 'mbar'), sheet(32, 'Lmin')),
      passing(
        'filter',
        'Magnetic filter',
        'filter',
        sheet(25, 'mbar'),
        sheet(30, 'Lmin'),
        sheet(0.8, 'L'),
      ),
      passing(
        'coil-loss',
        'Cylinder coil',
        'coil',
        sheet(90, 'mbar'),
        sheet(25, 'Lmin'),
        null,
        'store',
      ),
      passing('valve-crew', 'Zone valve, crew hall', 'zone-valve', null, null, null, 'crew'),
    ],
    boilerLeastFlow_m3_s: manual(4.5, 'Lmin'),
    position: { side: 'suction', between: 'lockable', from: 'below', carriedBy: 'bracket' },
    vesselMaxWorkingGauge_Pa: plate(3, 'bar'),
    vesselAcceptance: known(60, 'percent', 'read', "Maker's sheet"),
    dayTemp_K: known(9, 'C', 'measured', 'Thermometer'),
    reliefSetGauge_Pa: known(3, 'bar', 'read', 'Valve tag'),
    weakParts: [
      {
        id: 'pump',
        name: 'Pump',
        maxWorkingGauge_Pa: plate(10, 'bar'),
        aboveFill_m: taped(0.4, 'm'),
        afterPump: 'no',
      },
    ],
    deliveredChargeGauge_Pa: known(1.5, 'bar', 'read', 'Label on the vessel'),
  }
  job.reliefs = [
    {
      ...blankRelief({ id: 'rv-heating', name: 'Safety valve at the boiler', guards: 'heating' }),
      outlet: 'G3/4',
      capacity_W: known(90, 'kW', 'read', 'Tag'),
      lever: 'clear',
      valveBetween: 'no',
      discharge: {
        ...blankDischarge,
        end: 'drain',
        endHeight_m: taped(60, 'mm'),
        endThread: 'plain',
        endVisible: 'yes',
        endSafe: 'yes',
        endFreezes: 'no',
        pieces: run('h', [
          ['copper', '22 mm', 0.45, 'down'],
          'tundish',
          ['copper', '28 mm', 0.5, 'down'],
          'bend',
          ['copper', '28 mm', 1.6, 'falling'],
          'bend',
          ['copper', '28 mm', 0.4, 'down'],
        ]),
      },
    },
    {
      ...blankRelief({ id: 'rv-cold', name: 'Expansion valve', guards: 'expansion' }),
      outlet: 'G1/2',
      capacity_W: known(60, 'kW', 'read', 'Tag'),
      lever: 'clear',
      valveBetween: 'no',
      discharge: {
        ...blankDischarge,
        end: 'drain',
        endHeight_m: taped(60, 'mm'),
        endThread: 'plain',
        endVisible: 'yes',
        endSafe: 'yes',
        endFreezes: 'no',
        pieces: run('c', [
          ['copper', '15 mm', 0.4, 'down'],
          'tundish',
          ['copper', '22 mm', 0.4, 'down'],
          'bend',
          ['copper', '22 mm', 1.2, 'falling'],
        ]),
      },
    },
    {
      ...blankRelief({
        id: 'rv-hot',
        name: 'Temperature and pressure valve',
        guards: 'temperature',
      }),
      outlet: 'G3/4',
      capacity_W: known(55, 'kW', 'read', 'Tag'),
      probe: 'in-hottest',
      lever: 'clear',
      valveBetween: 'no',
      discharge: {
        ...blankDischarge,
        end: 'outside',
        endHeight_m: taped(70, 'mm'),
        endThread: 'plain',
        endVisible: 'yes',
        endSafe: 'yes',
        endFreezes: 'no',
        pieces: run('t', [
          ['copper', '22 mm', 0.5, 'down'],
          'tundish',
          ['copper', '28 mm', 0.45, 'down'],
          'bend',
          ['copper', '28 mm', 4.2, 'falling'],
          'bend',
          ['copper', '28 mm', 1.5, 'down'],
        ]),
      },
    },
  ]
  job.pan = {
    fitted: 'no',
    runsTo: null,
    condensate: 'separate',
    because: 'Plant room floor falls to a gully',
  }
  job.gas = {
    ...job.gas,
    meterMaxTestGauge_Pa: plate(75, 'mbar'),
    meterDrop_Pa: sheet(0.6, 'mbar'),
    segments: [
      segment('a', 'Meter to A', 'meter', taped(6.8, 'm'), { elbows: 3, size: '35 mm' }),
      segment('b', 'A to B', 'a', taped(4.1, 'm'), { elbows: 1, size: '28 mm' }),
      segment('to-boiler', 'B to boiler', 'b', taped(3.4, 'm'), {
        elbows: 2,
        size: '28 mm',
        applianceId: 'boiler',
        end: joined('rigid'),
      }),
      segment('to-range', 'A to galley range', 'a', taped(5.6, 'm'), {
        elbows: 2,
        branchTees: 1,
        applianceId: 'range',
        end: joined('flexible', sheet(0.1, 'mbar')),
      }),
      segment('to-cabinet', 'B to drying cabinet', 'b', taped(2.7, 'm'), {
        elbows: 2,
        branchTees: 1,
        applianceId: 'cabinet',
        end: joined('rigid'),
      }),
    ],
    bonded: 'yes',
  }
  job.water = {
    ...job.water,
    segments: [
      waterPipe('main', 'Stopcock to A', 'meter', taped(6.5, 'm'), taped(0.8, 'm'), {
        elbows: 4,
        partDrop_Pa: sheet(120, 'mbar'),
        partFlow_m3_s: sheet(30, 'Lmin'),
      }),
      waterPipe('to-store', 'A to cylinder', 'main', taped(2.4, 'm'), taped(-0.4, 'm'), {
        elbows: 3,
        end: { kind: 'heater' },
      }),
      waterPipe('make-up', 'A to filling link', 'main', taped(1.2, 'm'), null, {
        elbows: 2,
        branchTees: 1,
        size: '15 mm',
        end: { kind: 'make-up' },
      }),
      waterPipe('cold-b', 'A to B, cold', 'main', taped(7, 'm'), taped(1, 'm'), {
        elbows: 2,
        branchTees: 1,
      }),
      waterPipe(
        'cold-home',
        'B to home showers, cold',
        'cold-b',
        taped(3.2, 'm'),
        taped(0.5, 'm'),
        { elbows: 3, branchTees: 1, end: at('showers-a', 2) },
      ),
      waterPipe('cold-c', 'B to C, cold', 'cold-b', taped(4.5, 'm'), null, { elbows: 1 }),
      waterPipe(
        'cold-visitors',
        'C to visitors, cold',
        'cold-c',
        taped(2.8, 'm'),
        taped(0.5, 'm'),
        { elbows: 3, branchTees: 1, end: at('showers-b', 2) },
      ),
      waterPipe('cold-basins', 'C to basins, cold', 'cold-c', taped(3.6, 'm'), taped(-0.1, 'm'), {
        elbows: 4,
        end: at('basins', 4),
      }),
      waterPipe('cold-galley', 'A to galley, cold', 'main', guessed(11, 'm'), taped(2.4, 'm'), {
        elbows: 6,
        branchTees: 1,
        end: at('galley', 1),
      }),
      waterPipe('hot-d', 'Cylinder to D, hot', 'to-store', taped(3, 'm'), taped(1.6, 'm'), {
        elbows: 3,
      }),
      waterPipe('hot-e', 'D to E, hot', 'hot-d', taped(7.5, 'm'), null, { elbows: 2 }),
      waterPipe('hot-home', 'E to home showers, hot', 'hot-e', taped(3, 'm'), taped(0.3, 'm'), {
        elbows: 3,
        branchTees: 1,
        end: at('showers-a', 2),
      }),
      waterPipe('hot-f', 'E to F, hot', 'hot-e', taped(4.5, 'm'), null, { elbows: 1 }),
      waterPipe('hot-visitors', 'F to visitors, hot', 'hot-f', taped(2.8, 'm'), taped(0.3, 'm'), {
        elbows: 3,
        branchTees: 1,
        end: at('showers-b', 2),
      }),
      waterPipe('hot-basins', 'F to basins, hot', 'hot-f', taped(3.4, 'm'), taped(-0.3, 'm'), {
        elbows: 4,
        end: at('basins', 4),
      }),
      waterPipe('hot-galley', 'D to galley, hot', 'hot-d', guessed(12, 'm'), taped(1.6, 'm'), {
        elbows: 6,
        branchTees: 1,
        end: at('galley', 1),
      }),
    ],
    heaterDrop_Pa: sheet(80, 'mbar'),
    heaterAtFlow_m3_s: sheet(30, 'Lmin'),
    loop: {
      ...blankLoop,
      returns: [
        {
          id: 'back',
          name: 'Return from F',
          at: 'hot-f',
          length_m: taped(14, 'm'),
          material: 'copper-en1057',
          size: null,
        },
        {
          id: 'back-galley',
          name: 'Return from the galley',
          at: 'hot-galley',
          length_m: guessed(13, 'm'),
          material: 'copper-en1057',
          size: '15 mm',
        },
      ],
      lagging_m: sheet(19, 'mm'),
    },
    makeUp: {
      device: 'backflow-preventer',
      reducing: 'yes',
      feedStays: 'shut',
      feed_m3_s: known(6, 'Lmin', 'measured', 'Bucket'),
      bypass_m3_s: null,
    },
  }
  return job
}

/**
 * A bunkhouse at an observatory: propane, high and cold, a boiler and an instantaneous heater. All
 * figures invented.
 */
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

/**
 * A ferry kiosk with a flat above: a storage heater outdoors and a cooktop, no heating circuit. All
 * figures invented.
 */
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

import { juniperRidge, kestrelWeir, saltbushFerry } from '../../../demo/src/documents'
import { JobDocument } from '../job/document'
import { applyEdits } from '../job/edits'
import { blankGasSegment } from '../job/gasDocument'
import { house, read, twoPounds } from './house.testing'
import type { FindingId } from './wording'

/*
 * Every finding there is: a job that shows it, and a near neighbour that does not. An id without a case fails the run.
 * A row changes one value of a sound job, at its dotted path: to the first value the finding is there, to the second it is not. Where a
 * finding has a limit, the two stand one hundredth to either side of it. The limits themselves are checked against their sources beside
 * the methods; here it is seen that each is asked at all.
 */
export const asItIs = Symbol('the job as it is')

const kestrel = kestrelWeir()
const juniper = juniperRidge()
const saltbush = saltbushFerry()
const uk = house('uk-ireland')
const us = house('north-america')
const stages = twoPounds()

type OneValue = readonly [
  id: FindingId,
  job: JobDocument,
  path: string,
  shows: unknown,
  quiet: unknown,
]

// prettier-ignore -- one row, one finding: it is read down the columns
export const oneValue: readonly OneValue[] = [
  ['water-freezes', kestrel, 'survey.incomingTemp_K.value', 270.4, 275.9],
  ['relief-above-weakest', kestrel, 'appliances.0.maxWorkingGauge_Pa.value', 297000, 303000],
  ['no-room-under-relief', uk, 'survey.maxFlowTemp_K.value', 407.4, 399.3],
  ['vessel-too-small', uk, 'heating.vesselSize_m3', 0, asItIs],
  ['fill-outside-window', kestrel, 'heating.fillGauge_Pa', read(0), asItIs],
  ['forecast-eats-margin', kestrel, 'survey.topEmitterHeight_m.value', 6.308, 6.435],
  ['forecast-past-relief', kestrel, 'heating.vesselSize_m3', 0, asItIs],
  ['forecast-no-air-left', kestrel, 'heating.fillGauge_Pa', read(1000000), asItIs],
  ['charge-as-delivered', uk, 'heating.deliveredChargeGauge_Pa', read(330), asItIs],
  ['built-in-charge-differs', kestrel, 'appliances.0.kind', asItIs, 'instantaneous-heater'],
  ['content-assumed', uk, 'appliances.0.water_m3.basis', 'assumed', asItIs],
  ['factory-fill-too-low', us, 'survey.topEmitterHeight_m.value', 10, asItIs],
  ['high-site', juniper, 'survey.elevation_m.value', 606, 594],
  ['relief-assumed', kestrel, 'heating.reliefSetGauge_Pa.basis', 'assumed', asItIs],
  ['no-catalogue-size', uk, 'appliances.0.water_m3.value', 6.693, 6.561],
  ['gas-drop-over-allowance', us, 'gas.segments.0.size', '1/2', asItIs],
  ['gas-below-minimum', juniper, 'appliances.0.minInletGauge_Pa.value', 2843, 2786],
  ['gas-table-stricter', kestrel, 'appliances.0.input_W.value', 53150, 52090],
  ['gas-table-not-covered', kestrel, 'gas.segments.0.length_m.value', 19.7, 19.31],
  ['gas-working-assumed', kestrel, 'survey.gasWorkingGauge_Pa.basis', 'assumed', asItIs],
  ['gas-length-assumed', kestrel, 'gas.segments.0.length_m.basis', 'assumed', asItIs],
  ['gas-branch-over-feeder', kestrel, 'gas.segments.2.size', '35 mm', asItIs],
  ['gas-appliance-unfed', kestrel, 'gas.segments.2.applianceId', null, asItIs],
  ['gas-minimum-unknown', kestrel, 'appliances.0.minInletGauge_Pa', null, asItIs],
  ['gas-altitude', juniper, 'survey.elevation_m.value', 615.7, 603.5],
  ['gas-working-part-load', kestrel, 'survey.gasLoad', 'part', asItIs],
  ['gas-setting-unsourced', saltbush, 'gas.segments.0.from', asItIs, 'below'],
  ['gas-no-shut-off', kestrel, 'gas.segments.2.end.shutOff', 'no', asItIs],
  ['gas-no-trap', us, 'gas.segments.0.end.trap', 'no', asItIs],
  ['gas-rigid-where-it-shakes', juniper, 'gas.segments.1.end.connector', asItIs, 'flexible'],
  ['gas-not-bonded', kestrel, 'gas.bonded', 'no', asItIs],
  ['gas-derated', juniper, 'gas.derated', true, asItIs],
  ['gas-too-fast', saltbush, 'gas.segments.0.reserve_W', read(1000000), asItIs],
  ['water-outlet-starved', juniper, 'hotWater.wantedGauge_Pa.value', 347100, 340300],
  ['water-outlet-unfed', kestrel, 'water.segments.11.end.kind', 'heater', asItIs],
  ['water-too-fast', kestrel, 'water.segments.10.size', '15 mm', asItIs],
  ['water-no-size', juniper, 'hotWater.wantedGauge_Pa.value', 347100, 340200],
  ['water-main-assumed', kestrel, 'survey.coldMainStaticGauge_Pa.value', 227700, 232300],
  ['water-wait-long', kestrel, 'hotWater.outlets.2.flow_m3_s.value', 0.00002561, 0.00002613],
  ['water-will-not-fire', juniper, 'hotWater.storeTemp_K.value', 370.3, 362.9],
  ['water-mixer-uneven', kestrel, 'water.segments.1.rise_m.value', -18.97, -18.59],
  ['water-make-up-open', juniper, 'water.segments.3.end.kind', 'make-up', asItIs],
  ['water-make-up-unguarded', kestrel, 'water.makeUp.device', 'none', asItIs],
  ['water-make-up-no-reducing', kestrel, 'water.makeUp.reducing', 'no', asItIs],
  ['water-loop-bare', kestrel, 'water.loop.lagging_m.value', 0, asItIs],
  ['water-loop-undecided', kestrel, 'water.loop.lagging_m', null, asItIs],
  ['water-main-past-measured', kestrel, 'schools.simultaneousUse.side', 'a', asItIs],
  ['water-branch-over-feeder', kestrel, 'water.segments.1.size', '15 mm', asItIs],
  ['water-dead-main', kestrel, 'water.segments.2.end', null, asItIs],
  ['test-limit-unknown', kestrel, 'appliances.1.kind', 'storage-heater', asItIs],
  ['inputs-conflict', kestrel, 'survey.gasStaticGauge_Pa.value', 2069, 2111],
  ['main-too-high', saltbush, 'survey.coldMainStaticGauge_Pa.value', 505000, 495000],
  ['main-running-above-static', kestrel, 'survey.coldMainStaticGauge_Pa.value', 341500, 348400],
  ['main-points-disagree', kestrel, 'survey.coldMainStaticGauge_Pa.value', 426500, 418000],
  ['main-not-run', saltbush, 'survey.mainPoints.0.by', 'flow-cup', asItIs],
  ['main-closed', kestrel, 'survey.looked.mainCheckValve.answer', asItIs, 'no'],
  ['main-cannot-tell', kestrel, 'survey.looked.mainCheckValve', null, asItIs],
  ['incoming-not-coldest', kestrel, 'survey.incomingColdestTemp_K', null, asItIs],
  ['stop-valve-fails', kestrel, 'survey.looked.mainStopValve.answer', 'fails', asItIs],
  ['gas-static-to-working', kestrel, 'survey.gasStaticGauge_Pa.value', 2616, 2564],
  ['gas-meter-range', kestrel, 'survey.gasWorkingGauge_Pa.value', 2323, 2277],
  ['gas-meter-too-small', uk, 'survey.gasMeter_m3_s', read(0), asItIs],
  ['gas-smell', kestrel, 'survey.looked.gasSmell.answer', 'yes', asItIs],
  ['draught-not-tried', kestrel, 'survey.looked.openFlued.answer', 'yes', asItIs],
  ['relief-out-of-reach', kestrel, 'survey.looked.reliefReach.answer', 'hidden', asItIs],
  ['relief-blocked', kestrel, 'survey.looked.reliefReach.answer', 'blocked', asItIs],
  ['vehicle-path', saltbush, 'survey.looked.vehiclePath.answer', 'yes', asItIs],
  ['pan-wanted', juniper, 'survey.looked.livingBelow.answer', 'yes', asItIs],
  ['straps-wanted', kestrel, 'survey.looked.shakes.answer', 'yes', asItIs],
  ['frost', saltbush, 'survey.looked.freezing.answer', 'yes', asItIs],
  ['corrosive-air', kestrel, 'survey.looked.corrosiveAir.answer', 'yes', asItIs],
  ['clearance-short', kestrel, 'survey.looked.serviceClearance.answer', 'short', asItIs],
  ['combustion-air-short', kestrel, 'survey.looked.airSource.answer', 'room-short', asItIs],
  ['flue-unsound', kestrel, 'survey.looked.flueRoute.answer', 'blocked', asItIs],
  ['no-drain', kestrel, 'survey.looked.drain.answer', 'none', asItIs],
  ['drain-pumped', kestrel, 'survey.looked.drain.answer', 'pumped', asItIs],
  ['supply-shared', kestrel, 'survey.looked.powerIsolator.answer', 'none', asItIs],
  ['no-drip-loop', kestrel, 'survey.looked.dripLoop.answer', 'no', asItIs],
  ['supply-not-live', juniper, 'survey.supplies.power.state', asItIs, 'live'],
  ['papers-missing', uk, 'appliances.0.stay', asItIs, 'goes'],
  ['part-old', kestrel, 'parts.0.stay', 'stays', asItIs],
  ['part-age-unknown', juniper, 'parts.1.stay', asItIs, 'new'],
  ['heat-estimated', juniper, 'heat.zones.1.heat.area_m2.value', asItIs, 0],
  ['option-short-of-hot-water', juniper, 'heat.options.0.hotWater_W.value', 124300, 126800],
  ['option-short-of-heat', kestrel, 'heat.options.0.heating_W.value', 29800, 30400],
  ['option-main-cannot', kestrel, 'survey.topOutletHeight_m.value', 15.26, 14.95],
  ['option-meter-cannot', kestrel, 'appliances.0.stay', 'stays', asItIs],
  ['option-cycles', kestrel, 'heat.options.0.leastOutput_W.value', 12160, 11920],
  ['option-coil-limits', kestrel, 'heat.options.0.kind', asItIs, 'storage-heater'],
  ['option-store-layers', kestrel, 'heat.options.0.store_m3.value', 0.1562, 0.1594],
  ['heating-output-high', kestrel, 'heat.zones.0.heat.load_W.value', 7326, 7474],
  ['outlet-scalds', kestrel, 'hotWater.outlets.0.tempered', 'no', asItIs],
  ['store-breeds', juniper, 'heat.options.0.kind', 'cascade', asItIs],
  ['store-below-outlet', juniper, 'hotWater.outlets.0.temp_K', read(330), asItIs],
  ['mixing-refused', kestrel, 'hotWater.outlets.3.tempered', asItIs, 'yes'],
  ['circuit-can-freeze', kestrel, 'survey.looked.freezing.answer', 'yes', asItIs],
  ['glycol-not-covered', juniper, 'heating.fluid.massFraction.value', 0.505, 0.495],
  ['glycol-freezes', juniper, 'heating.fluid.massFraction.value', 0.2904, 0.2963],
  ['glycol-figures', juniper, 'heating.fluid.kind', asItIs, 'water'],
  ['pipe-too-fast', kestrel, 'heating.zones.3.load_W.value', 44690, 43810],
  ['pipe-too-steep', kestrel, 'heat.zones.1.heat.load_W.value', 19430, 19050],
  ['pump-none-does', kestrel, 'heating.parts.0.atFlow_m3_s.value', 0.0001553, 0.0001584],
  ['pump-turned-down', kestrel, 'heating.zones.3.alone', false, asItIs],
  ['boiler-least-flow', kestrel, 'heat.zones.1.heat.load_W.value', 6094, 6217],
  ['zone-sings', kestrel, 'heating.pipes.2.length_m.value', 300, asItIs],
  ['part-loss-assumed', juniper, 'heating.parts.0.atFlow_m3_s.value', 0, asItIs],
  ['nothing-catches-dirt', kestrel, 'heating.parts.1.kind', 'boiler', asItIs],
  ['content-wide', kestrel, 'heating.emitters.0.waterEach_m3.basis', 'assumed', asItIs],
  ['vessel-can-be-shut', kestrel, 'heating.position.between', 'plain-valve', asItIs],
  ['vessel-on-zone', kestrel, 'heating.position.between', 'zone-valve', asItIs],
  ['vessel-after-pump', kestrel, 'heating.position.side', 'delivery', asItIs],
  ['vessel-from-above', kestrel, 'heating.position.from', 'above', asItIs],
  ['vessel-hangs-on-pipe', kestrel, 'heating.position.carriedBy', 'pipe', asItIs],
  ['near-the-boil', juniper, 'survey.maxFlowTemp_K.value', 390.3, 382.5],
  ['vessel-over-acceptance', kestrel, 'heating.vesselAcceptance.value', 0.4116, 0.4199],
  ['vessel-below-relief', kestrel, 'heating.reliefSetGauge_Pa.value', 303000, 297000],
  ['charge-below-head', kestrel, 'heating.chargeGauge_Pa', read(0), asItIs],
  ['feed-to-be-set', us, 'survey.topEmitterHeight_m.value', 0, asItIs],
  ['preset-suits', juniper, 'appliances.0.builtInChargeGauge_Pa.value', 74050, 72590],
  ['relief-above-store', kestrel, 'appliances.1.maxWorkingGauge_Pa.value', 594000, 606000],
  [
    'expansion-above-temperature',
    kestrel,
    'hotWater.safety.temperatureReliefGauge_Pa.value',
    495000,
    505000,
  ],
  ['temperature-relief-hot', kestrel, 'hotWater.safety.temperatureReliefTemp_K.value', 376, 368.6],
  ['store-reliefs-assumed', juniper, 'hotWater.safety.temperatureReliefGauge_Pa', null, asItIs],
  [
    'supply-leaves-no-room',
    kestrel,
    'hotWater.safety.expansionReliefGauge_Pa.value',
    330000,
    336700,
  ],
  ['next-to-no-water', kestrel, 'appliances.1.water_m3.value', 0.01485, 0.01515],
  ['potable-vessel-small', kestrel, 'appliances.1.water_m3.value', 8.069, 7.909],
  ['potable-charge-off', kestrel, 'hotWater.safety.vesselChargeGauge_Pa', read(0), asItIs],
  ['inlet-order', saltbush, 'hotWater.safety.inlet.1.kind', 'balanced-cold', asItIs],
  ['inlet-reversed', kestrel, 'hotWater.safety.inlet.0.reversed', true, asItIs],
  ['inlet-valve-between', kestrel, 'hotWater.safety.inlet.7.kind', 'stop-valve', asItIs],
  ['inlet-not-there', kestrel, 'hotWater.safety.inlet.0.kind', 'strainer', asItIs],
  ['cut-out-resets', kestrel, 'hotWater.safety.cutOut', 'resets-itself', asItIs],
  ['cut-out-none', kestrel, 'hotWater.safety.cutOut', 'none', asItIs],
  ['cut-out-hot', kestrel, 'hotWater.safety.cutOutTemp_K.value', 366.8, 359.5],
  ['immersion-no-cut-out', kestrel, 'hotWater.safety.immersion', 'no-cut-out', asItIs],
  ['mixers-unbalanced', kestrel, 'hotWater.safety.balancedCold', 'before-reducing', asItIs],
  ['supply-falls', kestrel, 'survey.mainPoints.0.by', asItIs, 'flow-cup'],
  ['unvented-ticket', kestrel, 'appliances.1.kind', asItIs, 'instantaneous-heater'],
  ['relief-above-part', kestrel, 'appliances.1.maxWorkingGauge_Pa.value', 594000, 606000],
  ['relief-capacity-unknown', kestrel, 'reliefs.0.capacity_W', null, asItIs],
  ['relief-capacity-short', kestrel, 'appliances.0.output_W.value', 55550, 54450],
  ['relief-probe-cold', kestrel, 'reliefs.2.probe', 'elsewhere', asItIs],
  ['relief-lever-blocked', kestrel, 'reliefs.0.lever', 'blocked', asItIs],
  ['relief-can-be-shut', kestrel, 'reliefs.0.valveBetween', 'yes', asItIs],
  ['relief-wrong-kind', juniper, 'parts.0.kind', 'temperature-pressure-valve', asItIs],
  ['discharge-none', kestrel, 'reliefs.0.discharge.pieces', [], asItIs],
  ['discharge-reduced', kestrel, 'reliefs.0.discharge.pieces.0.size', '2', asItIs],
  ['discharge-level', kestrel, 'reliefs.0.discharge.pieces.0.runs', 'level', asItIs],
  ['discharge-uphill', kestrel, 'reliefs.0.discharge.pieces.0.runs', 'up', asItIs],
  ['discharge-not-for-heat', kestrel, 'reliefs.0.discharge.pieces.0.material', 'pvc', asItIs],
  ['discharge-sags', kestrel, 'reliefs.0.discharge.pieces.0.material', 'pex', asItIs],
  ['discharge-valve', kestrel, 'reliefs.0.discharge.pieces.0.kind', 'valve', asItIs],
  ['discharge-trap', kestrel, 'reliefs.0.discharge.pieces.0.kind', 'trap', asItIs],
  ['discharge-capped', kestrel, 'reliefs.0.discharge.endThread', 'capped', asItIs],
  ['discharge-threaded', kestrel, 'reliefs.0.discharge.endThread', 'threaded', asItIs],
  ['discharge-no-air-gap', kestrel, 'reliefs.1.discharge.pieces.1.kind', 'bend', asItIs],
  ['tundish-hidden', kestrel, 'reliefs.0.discharge.pieces.1.visible', 'no', asItIs],
  ['d1-too-long', kestrel, 'reliefs.0.discharge.pieces.0.length_m.value', 0.606, 0.594],
  ['d1-too-small', kestrel, 'reliefs.0.outlet', 'G1', asItIs],
  ['no-drop-after-tundish', kestrel, 'reliefs.0.discharge.pieces.2.kind', 'bend', asItIs],
  ['d2-not-larger', kestrel, 'reliefs.0.discharge.pieces.2.size', '22 mm', asItIs],
  ['d2-too-long', kestrel, 'reliefs.0.discharge.pieces.2.length_m.value', 5.05, 4.95],
  ['d2-past-table', kestrel, 'reliefs.2.discharge.pieces.2.length_m.value', 18.08, 17.72],
  ['discharge-end-high', kestrel, 'reliefs.2.discharge.endHeight_m.value', 0.6157, 0.6035],
  ['discharge-end-low', kestrel, 'reliefs.0.discharge.end', 'outside', asItIs],
  ['discharge-end-hidden', kestrel, 'reliefs.0.discharge.endVisible', 'no', asItIs],
  ['discharge-end-unsafe', kestrel, 'reliefs.0.discharge.endSafe', 'no', asItIs],
  ['discharge-crawl-space', kestrel, 'reliefs.0.discharge.end', 'crawl-space', asItIs],
  ['discharge-bucket', kestrel, 'reliefs.0.discharge.end', 'bucket', asItIs],
  ['discharge-freezes', kestrel, 'reliefs.0.discharge.endFreezes', 'yes', asItIs],
  ['discharge-back-pressure', kestrel, 'reliefs.0.capacity_W.value', 96600, 94690],
  ['discharge-cannot-carry', kestrel, 'survey.incomingColdestTemp_K.value', 344.1, 337.2],
  ['discharge-not-measured', kestrel, 'reliefs.0.discharge.pieces.0.length_m', null, asItIs],
  ['pan-left-out', saltbush, 'survey.looked.livingBelow.answer', 'yes', asItIs],
  ['pan-left-out-because', kestrel, 'survey.looked.livingBelow.answer', 'yes', asItIs],
  ['pan-drains-nowhere', juniper, 'pan.runsTo', 'nowhere', asItIs],
  ['pan-takes-acid', juniper, 'pan.condensate', 'same-pan', asItIs],
]

/** What only a record can show. */
const oneBasin = juniper.hotWater?.outlets
  .slice(0, 1)
  .map((one) => ({ ...one, kind: 'washbasin', count: 1 }))

type Changes = Readonly<Record<string, unknown>>

/** Where one value is not enough: what is changed for it to be there, and which of it is changed again for it to go. */
export const several: readonly (readonly [
  id: FindingId,
  job: JobDocument,
  shows: Changes,
  quiet: Changes,
])[] = [
  [
    'one-option-only',
    saltbush,
    { 'heat.options': saltbush.heat.options.slice(0, 1) },
    { 'heat.options': saltbush.heat.options },
  ],
  [
    'chosen-gone',
    kestrel,
    { 'heat.chosen.optionId': 'never-there' },
    { 'heat.chosen.optionId': kestrel.heat.chosen?.optionId },
  ],
  [
    'outside-method',
    kestrel,
    { 'survey.incomingColdestTemp_K.value': 258.15 },
    { 'survey.incomingColdestTemp_K.value': 273.15 },
  ],
  [
    'sized-on-flow-temperature',
    uk,
    { 'survey.sizeOn': { on: 'flow', because: 'The limit is a second one' } },
    { 'survey.highLimitTemp_K': read(348) },
  ],
  ['temperature-order', uk, { 'survey.fillTemp_K': read(359) }, { 'survey.fillTemp_K': read(357) }],
  [
    'gas-load-on-branch',
    uk,
    {
      'gas.segments': [
        ...uk.gas.segments,
        {
          ...blankGasSegment({
            id: 'on',
            name: 'On from the boiler',
            from: uk.gas.segments[0]?.id ?? '',
            material: 'copper-en1057',
          }),
          length_m: read(2),
          reserve_W: read(5000),
        },
      ],
    },
    { 'gas.segments.0.applianceId': null },
  ],
  [
    'gas-diversified',
    stages,
    { 'gas.diversity': { ratio: read(0.7), rule: 'House rule' } },
    { 'gas.diversity': null },
  ],
  [
    'gas-regulator-starved',
    stages,
    {
      'survey.gasWorkingGauge_Pa': read(2240),
      'gas.segments.0.regulator.drop_Pa': read(400),
      'gas.segments.0.size': '1/2',
    },
    { 'gas.segments.0.size': null, 'gas.segments.0.regulator.drop_Pa': read(100) },
  ],
  [
    'gas-regulator-vent',
    stages,
    { 'gas.segments.0.regulator.vent': 'inside' },
    { 'gas.segments.0.regulator.vent': 'outside' },
  ],
  [
    'gas-regulator-locks',
    stages,
    {},
    { 'gas.segments.0.regulator': null, 'survey.gasWorkingGauge_Pa': read(2000) },
  ],
  ['gas-stages-unusual', twoPounds('uk-ireland'), {}, { practice: 'north-america' }],
  [
    'gas-maker-table',
    us,
    {
      'gas.segments.0.size': '1/2',
      'gas.segments.0.length_m': read(25),
      'appliances.0.minInletGauge_Pa': read(1000),
      'gas.segments.0.end.makerTable': {
        hash: 'a'.repeat(64),
        type: 'application/pdf',
        name: 'table.pdf',
        bytes: 1000,
      },
    },
    { 'gas.segments.0.end.makerTable': null },
  ],
  [
    'water-loop-fast',
    kestrel,
    {
      'water.loop.drop_K': read(1),
      'water.loop.lagging_m': read(0),
      'water.loop.returns.0.size': '15 mm',
      'water.loop.returns.1.size': '15 mm',
    },
    { 'water.loop.drop_K': read(5) },
  ],
  [
    'water-units-not-covered',
    juniper,
    {
      'water.designBy': 'units',
      'hotWater.outlets.0.kind': 'washbasin',
      'water.segments.3.end.count': 1,
    },
    { 'water.designBy': 'all-open' },
  ],
  [
    'demand-not-covered',
    juniper,
    {
      'schools.simultaneousUse': { side: 'a', because: 'By the table', basis: 'chosen' },
      'hotWater.outlets': oneBasin,
    },
    { 'schools.simultaneousUse.side': 'b' },
  ],
  [
    'draught-failed',
    kestrel,
    {
      'survey.looked.openFlued.answer': 'yes',
      'survey.draught': { held: [], smoke: 'out', note: '', at: '2026-05-12T10:00:00Z' },
    },
    { 'survey.draught.smoke': 'in' },
  ],
  [
    'draught-cannot-tell',
    kestrel,
    {
      'survey.looked.openFlued.answer': 'yes',
      'survey.draught': {
        held: ['fans-on', 'appliances-on', 'flue-hot'],
        smoke: 'in',
        note: '',
        at: '2026-05-12T10:00:00Z',
      },
    },
    { 'survey.draught.held': ['windows-shut', 'fans-on', 'appliances-on', 'flue-hot'] },
  ],
  [
    'ignition-low',
    juniper,
    {
      'survey.looked.location.answer': 'garage',
      'survey.looked.airSource.answer': 'room-enough',
      'survey.ignitionHeight_m': read(0.45),
    },
    { 'survey.ignitionHeight_m': read(0.46) },
  ],
  [
    'relief-generic',
    kestrel,
    { 'reliefs.0.capacity_W': null, 'reliefs.0.size': 'DN20' },
    { 'reliefs.0.capacity_W': read(90e3) },
  ],
  [
    'relief-not-like',
    juniper,
    { 'reliefs.0.replacesId': 'old-relief', 'parts.0.setGauge_Pa': read(2.5e5) },
    { 'reliefs.0.replacesId': null },
  ],
  ['pump-too-small', kestrel, { 'heating.pumpId': 'generic-4' }, { 'heating.pumpId': null }],
]

export const change = (job: JobDocument, changes: Changes): JobDocument => {
  const edits = Object.entries(changes)
    .filter(([, value]) => value !== asItIs)
    .map(([path, value]) => ({
      path: path.split('.').map((key) => (/^\d+$/.test(key) ? Number(key) : key)),
      value,
    }))
  return JobDocument.parse(applyEdits(job, edits))
}

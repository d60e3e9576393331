import {
  juniperRidge,
  kestrelWeir,
  saltbushFerry,
  thornfieldScoutHut,
} from '../../../demo/src/documents'
import type { JobDocument } from '../job/document'
import { change } from './findingCases.testing'
import { house, read, twoPounds } from './house.testing'
import { isSheetAsked } from './askedSheets'
import { judge } from './judge'
import { solvedSpecs } from './sheets'
import { solve } from './solve'

/*
 * One row, one fault planted in a sound job: what stands there, what must be said, and a near neighbour that must not say it. Unknown is
 * never fine: what nobody has looked at stands among what is missing, and the sheet cannot be checked.
 */

const uk = kestrelWeir()
const us = juniperRidge()
const au = saltbushFerry()
const home = house('uk-ireland')
const exchange = thornfieldScoutHut()
const stages = twoPounds()
const jobs = { uk, us, au, home, exchange, stages } as const

type Row = readonly [
  fault: string,
  job: keyof typeof jobs,
  planted: Readonly<Record<string, unknown>>,
  said: string,
  quiet: Readonly<Record<string, unknown>>,
]

/** Everything a job says that holds it back: stops, what is to fix, what is missing. */
function saidOf(job: JobDocument): readonly string[] {
  const { sheets } = judge(solve(job), { entries: [], samples: {} })
  return Object.values(sheets).flatMap((sheet) => [
    ...sheet.missing.map(({ what }) => `missing: ${what}`),
    ...sheet.findings.map((one) => `${one.severity}: ${one.id}`),
  ])
}

// prettier-ignore -- read down the columns, as prose
const unknown: readonly Row[] = [
  [
    'nobody looked for a valve before the relief',
    'uk',
    { 'reliefs.0.valveBetween': null },
    'missing: Whether a valve stands between Safety valve at the boiler and what it protects',
    { 'reliefs.0.valveBetween': 'no' },
  ],
  [
    'nobody tried to reach the lever',
    'uk',
    { 'reliefs.0.lever': null },
    'missing: Whether the lever of Safety valve at the boiler can be reached',
    { 'reliefs.0.lever': 'clear' },
  ],
  [
    'nobody knows where the probe sits',
    'uk',
    { 'reliefs.2.probe': null },
    'missing: Where the probe of Temperature and pressure valve sits',
    { 'reliefs.2.probe': 'in-hottest' },
  ],
  [
    'nobody looked where the discharge ends',
    'uk',
    { 'reliefs.2.discharge.end': null },
    'missing: Where the discharge of Temperature and pressure valve ends',
    { 'reliefs.2.discharge.end': 'drain' },
  ],
  [
    'nobody measured how high it ends',
    'uk',
    { 'reliefs.2.discharge.endHeight_m': null },
    'missing: How high the discharge of Temperature and pressure valve ends',
    { 'reliefs.2.discharge.end': 'drain', 'reliefs.2.discharge.endHeight_m': null },
  ],
  [
    'nobody looked at the end',
    'uk',
    { 'reliefs.2.discharge.endThread': null },
    'missing: What the end of the discharge of Temperature and pressure valve is like',
    { 'reliefs.2.discharge.endThread': 'plain' },
  ],
  [
    'nobody knows whether the end is seen',
    'uk',
    { 'reliefs.2.discharge.endVisible': null },
    'missing: Whether the end of the discharge of Temperature and pressure valve can be seen',
    { 'reliefs.2.discharge.endVisible': 'yes' },
  ],
  [
    'nobody asked who passes where it spits',
    'uk',
    { 'reliefs.2.discharge.endSafe': null },
    'missing: Whether anybody can be scalded where Temperature and pressure valve discharges',
    { 'reliefs.2.discharge.endSafe': 'yes' },
  ],
  [
    'nobody asked whether it freezes',
    'uk',
    { 'reliefs.2.discharge.endFreezes': null },
    'missing: Whether the end of the discharge of Temperature and pressure valve can freeze',
    { 'reliefs.2.discharge.endFreezes': 'no' },
  ],
  [
    'the tundish was not looked at',
    'uk',
    { 'reliefs.2.discharge.pieces.1.visible': null },
    'missing: Whether the tundish of Temperature and pressure valve can be seen',
    { 'reliefs.2.discharge.pieces.1.visible': 'yes' },
  ],
  [
    'a piece of discharge is not measured',
    'uk',
    { 'reliefs.2.discharge.pieces.4.length_m': null },
    'missing: Length of the discharge pipe of Temperature and pressure valve',
    { 'reliefs.2.discharge.pieces.4.length_m': read(1) },
  ],
  [
    'the tag of the safety valve is not read',
    'uk',
    { 'heating.reliefSetGauge_Pa': null },
    'missing: Set pressure on the tag of the safety valve',
    { 'heating.reliefSetGauge_Pa': read(3e5) },
  ],
  [
    'the boiler has no plate pressure',
    'uk',
    { 'appliances.0.maxWorkingGauge_Pa': null },
    'missing: Maximum working pressure of System boiler',
    { 'appliances.0.maxWorkingGauge_Pa': read(4e5) },
  ],
  [
    'the pump has no plate pressure',
    'uk',
    { 'heating.weakParts.0.maxWorkingGauge_Pa': null },
    'missing: Maximum working pressure of Pump',
    { 'heating.weakParts.0.maxWorkingGauge_Pa': read(1e6) },
  ],
  [
    'the vessel has no plate pressure',
    'uk',
    { 'heating.vesselMaxWorkingGauge_Pa': null },
    'missing: Maximum working pressure of the vessel',
    { 'heating.vesselMaxWorkingGauge_Pa': read(3e5) },
  ],
  [
    'the store has no plate pressure',
    'uk',
    { 'appliances.1.maxWorkingGauge_Pa': null },
    'missing: Maximum working pressure of 300 L cylinder',
    { 'appliances.1.maxWorkingGauge_Pa': read(6e5) },
  ],
  [
    'nobody looked for a valve before the vessel',
    'uk',
    { 'heating.position.between': null },
    'missing: What stands between the vessel and the boiler',
    { 'heating.position.between': 'lockable' },
  ],
  [
    'nobody looked on which side of the pump it is',
    'uk',
    { 'heating.position.side': null },
    'missing: Whether the vessel stands on the suction side of the pump',
    { 'heating.position.side': 'suction' },
  ],
  [
    'nobody knows whether the circuit is sealed',
    'uk',
    { 'heating.system': null },
    'missing: Whether the circuit is sealed or open to the air',
    { 'heating.system': 'sealed' },
  ],
  [
    'nobody knows whether the gas pipe is bonded',
    'uk',
    { 'gas.bonded': null },
    'missing: Whether the gas pipe is bonded',
    { 'gas.bonded': 'yes' },
  ],
  [
    'nobody looked for a shut-off',
    'uk',
    { 'gas.segments.2.end.shutOff': null },
    'missing: Whether System boiler has a shut-off of its own',
    { 'gas.segments.2.end.shutOff': 'yes' },
  ],
  [
    'nobody looked how it is joined',
    'uk',
    { 'gas.segments.2.end.connector': null },
    'missing: How System boiler is joined to its pipe',
    { 'gas.segments.2.end.connector': 'rigid' },
  ],
  [
    'a flexible connector of unknown loss',
    'uk',
    { 'gas.segments.2.end.connector': 'flexible', 'gas.segments.2.end.connectorDrop_Pa': null },
    'missing: What the connector of System boiler loses',
    { 'gas.segments.2.end.connector': 'rigid', 'gas.segments.2.end.connectorDrop_Pa': null },
  ],
  [
    'nobody looked for a sediment trap',
    'us',
    {
      'gas.segments.0.end.trap': null,
      'gas.segments.1.end.trap': null,
      'gas.segments.2.end.trap': null,
    },
    'missing: Whether a sediment trap stands before Boiler',
    {
      'gas.segments.0.end.trap': 'yes',
      'gas.segments.1.end.trap': 'yes',
      'gas.segments.2.end.trap': 'yes',
    },
  ],
  [
    'the maximum inlet pressure is not read',
    'uk',
    { 'appliances.0.maxInletGauge_Pa': null },
    'missing: Maximum inlet pressure of System boiler',
    { 'appliances.0.maxInletGauge_Pa': read(3000) },
  ],
  [
    'nobody asked about an immersion heater',
    'uk',
    { 'hotWater.safety.immersion': null },
    'missing: Whether an immersion heater is fitted, and what cuts it off',
    { 'hotWater.safety.immersion': 'none' },
  ],
  [
    'an immersion heater of unknown power',
    'uk',
    { 'hotWater.safety.immersion_W': null },
    'missing: Power of the immersion heater',
    { 'hotWater.safety.immersion_W': read(3000) },
  ],
  [
    'nobody knows where the cold of mixers comes from',
    'uk',
    { 'hotWater.safety.balancedCold': null },
    'missing: Where the cold for mixers is taken from',
    { 'hotWater.safety.balancedCold': 'after-reducing' },
  ],
  [
    'nobody read what the cut-out acts at',
    'uk',
    { 'hotWater.safety.cutOutTemp_K': null },
    'missing: The temperature the cut-out acts at',
    { 'hotWater.safety.cutOutTemp_K': read(355) },
  ],
  [
    'the inlet group was not looked at',
    'au',
    { 'hotWater.safety.inlet': [] },
    'missing: The inlet group, in the way of the water',
    {},
  ],
  [
    'the setting of the reducing valve is not read',
    'uk',
    { 'hotWater.safety.reducingGauge_Pa': null },
    'missing: What the reducing valve is set to',
    { 'hotWater.safety.reducingGauge_Pa': read(3e5) },
  ],
  [
    'nobody knows what keeps heating water apart',
    'uk',
    { 'water.makeUp.device': null },
    'missing: What keeps heating water out of the drinking water at the filling link',
    { 'water.makeUp.device': 'break-tank' },
  ],
  [
    'nobody said whether the feed stays open',
    'us',
    { 'water.makeUp.feedStays': null },
    'missing: Whether the feed valve stays open once the circuit is full',
    { 'water.makeUp.feedStays': 'shut' },
  ],
  [
    'nobody said what the building is used for',
    'uk',
    { 'site.building': null },
    'missing: What the building is used for',
    { 'site.building': 'dwelling' },
  ],
]

// prettier-ignore -- read down the columns, as prose
const pressure: readonly Row[] = [
  [
    'the relief is above the plate of the boiler',
    'uk',
    { 'appliances.0.maxWorkingGauge_Pa': read(2.5e5) },
    'stop: relief-above-weakest',
    { 'appliances.0.maxWorkingGauge_Pa': read(3e5) },
  ],
  [
    'equal to the old valve, and wrong for the plant',
    'us',
    { 'appliances.0.maxWorkingGauge_Pa': read(1.5e5), 'reliefs.0.replacesId': 'old-relief' },
    'stop: relief-above-part',
    { 'appliances.0.maxWorkingGauge_Pa': read(2.1e5) },
  ],
  [
    'a boiler 20 m below its relief sees 1.96 bar more',
    'uk',
    { 'heating.reliefHeight_m': read(20), 'appliances.0.maxWorkingGauge_Pa': read(4.9e5) },
    'stop: part-sees-more',
    {
      'heating.reliefHeight_m': read(20),
      'appliances.0.maxWorkingGauge_Pa': read(5e5),
      'heating.weakParts.0.maxWorkingGauge_Pa': read(1e6),
      'heating.vesselMaxWorkingGauge_Pa': read(1e6),
    },
  ],
  [
    'a part without a height stands at the fill point',
    'uk',
    {
      'heating.reliefHeight_m': read(10),
      'heating.weakParts.0.aboveFill_m': null,
      'heating.weakParts.0.maxWorkingGauge_Pa': read(3.9e5),
      'heating.vesselMaxWorkingGauge_Pa': read(1e6),
      'appliances.0.maxWorkingGauge_Pa': read(1e6),
    },
    'stop: part-sees-more',
    {
      'heating.reliefHeight_m': read(10),
      'heating.weakParts.0.aboveFill_m': read(10),
      'heating.weakParts.0.maxWorkingGauge_Pa': read(3.9e5),
      'heating.vesselMaxWorkingGauge_Pa': read(1e6),
      'appliances.0.maxWorkingGauge_Pa': read(1e6),
    },
  ],
  [
    'the pump pushes through a boiler with little to spare',
    'uk',
    {
      'heating.boilerAfterPump': 'yes',
      'heating.pumpId': 'generic-12',
      'appliances.0.maxWorkingGauge_Pa': read(3.5e5),
    },
    'stop: part-sees-more',
    {
      'heating.boilerAfterPump': 'no',
      'heating.pumpId': 'generic-12',
      'appliances.0.maxWorkingGauge_Pa': read(3.5e5),
    },
  ],
  [
    'the vessel after a strong pump',
    'uk',
    { 'heating.position.side': 'delivery', 'heating.pumpId': 'generic-12' },
    'stop: pump-draws-air',
    { 'heating.position.side': 'suction', 'heating.pumpId': 'generic-12' },
  ],
  [
    'a plain valve before the vessel',
    'uk',
    { 'heating.position.between': 'plain-valve' },
    'stop: vessel-can-be-shut',
    { 'heating.position.between': 'lockable' },
  ],
  [
    'a plain valve before the vessel that stays',
    'home',
    {
      'heating.furtherVessels': [
        {
          id: 'v',
          name: 'Old one',
          volume_m3: read(0.012),
          chargeGauge_Pa: read(1e5),
          maxWorkingGauge_Pa: read(3e5),
          position: {
            side: 'suction',
            between: 'plain-valve',
            from: 'below',
            carriedBy: 'bracket',
          },
          maker: null,
        },
      ],
    },
    'stop: vessel-can-be-shut',
    {
      'heating.furtherVessels': [
        {
          id: 'v',
          name: 'Old one',
          volume_m3: read(0.012),
          chargeGauge_Pa: read(1e5),
          maxWorkingGauge_Pa: read(3e5),
          position: { side: 'suction', between: 'lockable', from: 'below', carriedBy: 'bracket' },
          maker: null,
        },
      ],
    },
  ],
  [
    'a further vessel charged past the final pressure',
    'home',
    {
      'heating.furtherVessels': [
        {
          id: 'v',
          name: 'Old one',
          volume_m3: read(0.012),
          chargeGauge_Pa: read(2.6e5),
          maxWorkingGauge_Pa: read(3e5),
          position: null,
          maker: null,
        },
      ],
    },
    'fix: vessel-counts-nothing',
    {
      'heating.furtherVessels': [
        {
          id: 'v',
          name: 'Old one',
          volume_m3: read(0.012),
          chargeGauge_Pa: read(1e5),
          maxWorkingGauge_Pa: read(3e5),
          position: null,
          maker: null,
        },
      ],
    },
  ],
  [
    'an open-vented circuit',
    'uk',
    { 'heating.system': 'open-vented' },
    'stop: open-vented',
    { 'heating.system': 'sealed' },
  ],
  [
    'a solid fuel boiler on a sealed circuit',
    'uk',
    { 'appliances.3.kind': 'solid-fuel-boiler' },
    'stop: source-cannot-stop',
    { 'appliances.3.kind': 'other-gas' },
  ],
  [
    'a solar collector on an unvented store',
    'uk',
    { 'appliances.3.kind': 'solar-collector' },
    'stop: source-cannot-stop',
    { 'appliances.3.kind': 'other-gas' },
  ],
  [
    'a second boiler that the safety valve cannot carry',
    'uk',
    {
      'appliances.3.kind': 'boiler',
      'appliances.3.input_W': read(6e4),
      'appliances.3.output_W': read(6e4),
      'appliances.3.maxWorkingGauge_Pa': read(4e5),
    },
    'stop: relief-capacity-short',
    {},
  ],
  [
    'an immersion heater past what the valve carries',
    'uk',
    { 'hotWater.safety.immersion_W': read(12e3) },
    'stop: relief-capacity-short',
    { 'hotWater.safety.immersion_W': read(6e3) },
  ],
  [
    'an instantaneous heater without a relief',
    'us',
    { 'reliefs.1.guards': 'heating' },
    'missing: The relief valve of Instantaneous heater: it heats under the pressure of the main',
    {},
  ],
  [
    'no reducing valve at all, and a hard main',
    'uk',
    {
      'survey.looked.mainReducingValve.answer': 'no',
      'hotWater.safety.inlet': [
        { id: 's', kind: 'stop-valve', reversed: false, maker: null },
        { id: 'i', kind: 'store', reversed: false, maker: null },
      ],
      'survey.coldMainStaticGauge_Pa': read(6e5),
    },
    'stop: supply-leaves-no-room',
    {},
  ],
  [
    'an expansion valve is not held against the burner',
    'uk',
    {
      'reliefs.1.guards': 'temperature',
      'reliefs.1.capacity_W': read(1e3),
      'reliefs.2.guards': 'expansion',
    },
    'stop: relief-capacity-short',
    { 'reliefs.1.capacity_W': read(1e3) },
  ],
]

// prettier-ignore -- read down the columns, as prose
const heatAndGas: readonly Row[] = [
  [
    'a floor loop fed as hot as the radiators',
    'uk',
    {
      'heating.emitters.0.type': 'floor-loop',
      'heating.floorMostTemp_K': read(318.15),
      'heating.floorMixer': 'no',
      'heating.floorCutOut': 'yes',
    },
    'stop: floor-too-hot',
    {
      'heating.emitters.0.type': 'floor-loop',
      'heating.floorMostTemp_K': read(318.15),
      'heating.floorMixer': 'yes',
      'heating.floorCutOut': 'yes',
    },
  ],
  [
    'a floor loop without a cut-out',
    'uk',
    {
      'heating.emitters.0.type': 'floor-loop',
      'heating.floorMostTemp_K': read(318.15),
      'heating.floorMixer': 'yes',
      'heating.floorCutOut': 'no',
    },
    'stop: floor-no-cut-out',
    {
      'heating.emitters.0.type': 'floor-loop',
      'heating.floorMostTemp_K': read(318.15),
      'heating.floorMixer': 'yes',
      'heating.floorCutOut': 'yes',
    },
  ],
  [
    'a floor loop nobody asked about',
    'uk',
    { 'heating.emitters.0.type': 'floor-loop' },
    'missing: Maximum flow temperature of the floor',
    {},
  ],
  [
    'mixing refused in a new dwelling',
    'uk',
    { 'site.building': 'new-dwelling', 'hotWater.outlets.0.tempered': 'refused' },
    'stop: mixing-not-refused',
    { 'site.building': 'dwelling', 'hotWater.outlets.0.tempered': 'refused' },
  ],
  [
    'mixing refused in Australia',
    'au',
    { 'hotWater.outlets.0.tempered': 'refused' },
    'stop: mixing-not-refused',
    { 'hotWater.outlets.0.tempered': 'yes' },
  ],
  [
    '48 °C is too hot in care premises',
    'uk',
    {
      'site.building': 'care',
      'hotWater.storeTemp_K': read(319.15),
      'hotWater.outlets.0.tempered': 'no',
    },
    'fix: outlet-scalds',
    {
      'site.building': 'other',
      'hotWater.storeTemp_K': read(319.15),
      'hotWater.outlets.0.tempered': 'no',
    },
  ],
  [
    'nobody knows whether a care home mixes what leaves its store at 46 °C',
    'uk',
    {
      'site.building': 'care',
      'hotWater.storeTemp_K': read(319.15),
      'hotWater.outlets.0.tempered': null,
    },
    `missing: Whether ${uk.hotWater?.outlets[0]?.name} is mixed down`,
    {
      'site.building': 'other',
      'hotWater.storeTemp_K': read(319.15),
      'hotWater.outlets.0.tempered': null,
    },
  ],
  [
    '53 °C unmixed where nobody has said that the consent is an old one',
    'au',
    { 'hotWater.storeTemp_K': read(326.15), 'hotWater.outlets.0.tempered': 'no' },
    'fix: outlet-scalds',
    {
      'site.olderConsent': 'yes',
      'hotWater.storeTemp_K': read(326.15),
      'hotWater.outlets.0.tempered': 'no',
      'hotWater.outlets.1.tempered': 'yes',
      'hotWater.outlets.2.tempered': 'yes',
    },
  ],
  [
    'an old consent does not count in a school',
    'au',
    {
      'site.building': 'school',
      'site.olderConsent': 'yes',
      'hotWater.storeTemp_K': read(322.15),
      'hotWater.outlets.0.tempered': 'no',
    },
    'fix: outlet-scalds',
    { 'site.building': 'other', 'site.olderConsent': 'yes', 'hotWater.storeTemp_K': read(322.15) },
  ],
  [
    'an instantaneous heater set to scald',
    'us',
    { 'hotWater.storeTemp_K': read(333.15) },
    'fix: outlet-scalds',
    { 'hotWater.storeTemp_K': read(321.15) },
  ],
  [
    'a double check in a building that is no dwelling',
    'uk',
    { 'water.makeUp.device': 'double-check' },
    'stop: make-up-too-weak',
    { 'water.makeUp.device': 'double-check', 'site.building': 'dwelling' },
  ],
  [
    'a double check before glycol',
    'us',
    { 'site.building': 'dwelling', 'water.makeUp.device': 'double-check' },
    'stop: make-up-too-weak',
    { 'site.building': 'dwelling', 'water.makeUp.device': 'backflow-preventer' },
  ],
  [
    'an automatic feed left open on glycol',
    'us',
    { 'water.makeUp.feedStays': 'open' },
    'fix: glycol-feed-open',
    { 'water.makeUp.feedStays': 'open', 'heating.fluid.kind': 'water' },
  ],
  [
    'static gas above what the valve stands',
    'uk',
    { 'appliances.0.maxInletGauge_Pa': read(2200) },
    'stop: gas-above-maximum',
    { 'appliances.0.maxInletGauge_Pa': read(2300) },
  ],
  [
    'a supply of natural gas above its band',
    'uk',
    { 'survey.gasWorkingGauge_Pa': read(2400), 'survey.gasStaticGauge_Pa': read(2500) },
    'fix: gas-meter-range',
    { 'survey.gasWorkingGauge_Pa': read(2250), 'survey.gasStaticGauge_Pa': read(2400) },
  ],
  [
    'a supply of propane under its band',
    'us',
    { 'survey.gasWorkingGauge_Pa': read(2300) },
    'fix: gas-meter-range',
    { 'survey.gasWorkingGauge_Pa': read(2700) },
  ],
  [
    'nobody knows what a line regulator passes',
    'stages',
    { 'gas.segments.0.regulator.most_m3_s': null },
    `missing: What the regulator after ${stages.gas.segments[0]?.name} passes at most`,
    {},
  ],
  [
    'a line regulator smaller than what burns behind it',
    'stages',
    { 'gas.segments.0.regulator.most_m3_s': read(0.0002) },
    'stop: gas-regulator-small',
    {},
  ],
  [
    'nobody looked at the propane containers',
    'us',
    { 'gas.containers': null },
    'missing: The propane containers',
    {},
  ],
  [
    'nobody knows how cold it gets where they stand',
    'us',
    { 'gas.containers.coldestTemp_K': null },
    'missing: The coldest day at the containers',
    {},
  ],
  [
    'too little boils off on the coldest day',
    'us',
    { 'gas.containers.coldestTemp_K': read(252) },
    'fix: containers-too-cold',
    { 'gas.containers.coldestTemp_K': read(266) },
  ],
  [
    'propane in a cellar in the UK',
    'uk',
    { 'survey.fuel': 'propane', 'survey.looked.location.answer': 'cellar' },
    'stop: propane-low',
    { 'survey.fuel': 'natural-gas', 'survey.looked.location.answer': 'cellar' },
  ],
  [
    'propane in a cellar in North America',
    'us',
    { 'survey.looked.location.answer': 'cellar' },
    'note: propane-low',
    { 'survey.looked.location.answer': 'utility' },
  ],
  [
    'a secondary return that comes back cool',
    'uk',
    { 'water.loop.drop_K': read(12) },
    'fix: loop-returns-cool',
    { 'water.loop.drop_K': read(5) },
  ],
  [
    'a branch in which litres of hot water stand',
    'us',
    { 'water.segments.5.length_m': read(30) },
    'fix: water-stands',
    { 'water.segments.5.length_m': read(10) },
  ],
  [
    'cool water back to a boiler that must not condense',
    'uk',
    { 'appliances.0.condensing': 'no', 'heat.flowTemp_K': read(333.15) },
    'fix: return-condenses',
    { 'appliances.0.condensing': 'yes', 'heat.flowTemp_K': read(333.15) },
  ],
  [
    'nobody knows whether the boiler condenses',
    'uk',
    { 'appliances.0.condensing': null },
    'missing: Whether System boiler is made to condense',
    { 'appliances.0.condensing': 'no' },
  ],
  [
    'a high outdoor end over a path in the UK',
    'uk',
    { 'reliefs.2.discharge.endHeight_m': read(1.8) },
    'fix: discharge-end-high',
    { 'reliefs.2.discharge.endHeight_m': read(0.08) },
  ],
]

describe.each([
  ['what nobody knows', unknown],
  ['closed, hot and under pressure', pressure],
  ['heat, hot water and gas', heatAndGas],
])('%s', (_, rows) => {
  test.each(rows)('%s', (_fault, job, planted, said, quiet) => {
    expect(saidOf(change(jobs[job], planted))).toContain(said)
    expect(saidOf(change(jobs[job], quiet))).not.toContain(said)
  })
})

// prettier-ignore -- read down the columns, as prose
const oneForOne: readonly Row[] = [
  [
    'a new relief as the old one, and both above the plate',
    'exchange',
    { 'appliances.0.maxWorkingGauge_Pa': read(2e5) },
    'stop: exchange-over-plant',
    { 'appliances.0.maxWorkingGauge_Pa': read(2.2e5) },
  ],
  [
    'a boiler far below its relief: the water between counts',
    'exchange',
    { 'appliances.0.maxWorkingGauge_Pa': read(2.3e5), 'work.exchange.plantBelow_m': read(3) },
    'stop: exchange-over-plant',
    { 'appliances.0.maxWorkingGauge_Pa': read(2.3e5), 'work.exchange.plantBelow_m': read(2) },
  ],
  [
    'a new relief as the old one, and both too small for the burner',
    'exchange',
    { 'parts.0.capacity_W': read(2e4), 'parts.1.capacity_W': read(2e4) },
    'stop: exchange-short',
    {},
  ],
  [
    'nobody read the plate',
    'exchange',
    { 'appliances.0.maxWorkingGauge_Pa': null },
    'missing: Maximum working pressure of Hut boiler',
    {},
  ],
  [
    'nobody read what the burner puts in',
    'exchange',
    { 'appliances.0.input_W': null, 'appliances.0.output_W': null },
    'missing: Heat input of Hut boiler',
    {},
  ],
  [
    'nobody measured the height',
    'exchange',
    { 'work.exchange.plantBelow_m': null },
    'missing: How far Hut boiler stands below New relief valve',
    {},
  ],
  [
    'nobody looked between',
    'exchange',
    { 'work.exchange.between': null },
    'missing: What stands between it and Hut boiler',
    {},
  ],
  [
    'nobody looked at the end',
    'exchange',
    { 'work.exchange.endSafe': null },
    'missing: Whether its discharge ends in sight and scalds nobody',
    {},
  ],
  [
    'nobody asked why',
    'exchange',
    { 'work.exchange.cause': null },
    'missing: Why it let water out, or that no cause was found',
    {},
  ],
  [
    'no cause found, and no word of what was looked at',
    'exchange',
    { 'work.exchange.cause': 'not-found', 'work.exchange.causeSays': '' },
    'missing: What was looked at, where no cause was found',
    { 'work.exchange.cause': 'not-found' },
  ],
  [
    'a cause that stays, and nobody says whether it is put right',
    'exchange',
    { 'work.exchange.causeDone': null },
    'missing: Whether the cause is put right',
    { 'work.exchange.cause': 'old-seat', 'work.exchange.causeDone': null },
  ],
  [
    'a service valve, locked, before a relief',
    'exchange',
    { 'work.exchange.between': 'lockable' },
    'stop: exchange-shut',
    { 'work.exchange.part': 'expansion-vessel', 'work.exchange.between': 'lockable' },
  ],
  [
    'a new boiler on a job that says one valve is exchanged',
    'exchange',
    { 'appliances.0.stay': 'new' },
    'fix: work-not-said',
    { 'appliances.0.stay': 'new', 'work.kinds': ['boiler-exchanged', 'safety-part-exchanged'] },
  ],
]
describe('one part for another', () => {
  test.each(oneForOne)('%s', (_, job, planted, said, quiet) => {
    expect(saidOf(change(jobs[job], planted))).toContain(said)
    expect(saidOf(change(jobs[job], quiet))).not.toContain(said)
  })
})

test('the design of the jobs themselves lacks nothing of all this', () => {
  for (const job of [uk, us, au, exchange]) {
    const solution = solve(job)
    for (const { id } of solvedSpecs.filter((spec) => isSheetAsked(spec.id, job))) {
      const sheet = solution[id]
      expect(sheet.applies ? sheet.missing : []).toEqual([])
    }
  }
})

test('a blank job has nothing checked anywhere', () => {
  const blank = { ...home, appliances: [], heating: null, hotWater: null }
  const job = { ...blank, gas: { ...blank.gas, segments: [] } } as JobDocument
  const { sheets, stages } = judge(solve(job), { entries: [], samples: {} })
  expect(Object.values(sheets).filter(({ state }) => state === 'does-not-apply')).toEqual([])
  expect(stages.map(({ checked }) => checked)).toEqual(stages.map(() => 0))
})

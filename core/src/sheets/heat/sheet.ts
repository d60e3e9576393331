import { drawsHot } from '../../methods/demand/outletKinds'
import { heatWordings } from './wording'
import { heatSentence } from './sentence'
import { added, sheetSpec } from '../sheetSpec'
import { atMost } from '../../answer/expect'
import type { Simultaneous } from '../../methods/demand/simultaneous'
import {
  outletFlow_m3_s,
  usualFlow_m3_s,
  simultaneousByScenario,
  heaterDemandByUnits,
} from '../../methods/demand/simultaneous'
import { chooseSizes } from '../../methods/gas/chooseSizes'
import { fuelGases } from '../../methods/gas/fuel'
import { materials } from '../../methods/materials/pipes'
import { circleArea_m2 } from '../../methods/hydraulics/friction'
import type { ComparisonConditions, OptionFigures } from '../../methods/hot-water/compare'
import { compareOption } from '../../methods/hot-water/compare'
import type { JobDocument } from '../../job/document'
import type { HeatOption, HotWater, Outlet } from '../../job/hotWaterDocument'
import type { Practice } from '../../practice/practice'
import { safeOutlet } from '../../practice/safeOutlet'
import { sideOf } from '../../practice/schools'
import { mainFlow_m3_s } from '../../methods/supply/mainCurve'
import { gravity_m_s2 } from '../../units/units'
import { heatFindings } from './findings'
import { heatWorkings } from './workings'
import type { Missing, Sheet } from '../../answer/sheet'
import { coldestTemp_K } from '../../job/coldestTemp'
import { loadOf_m3_s } from '../../job/gasLoad'
import { mainOf } from '../../job/main'
import { valueOr } from '../../job/valueOr'
import { siteAtmosphere_Pa } from '../../job/siteAtmosphere'
import { zoneLoad_W } from '../../job/zoneLoad'
import { storeSetting_K } from '../../job/storeSetting'
import type { OptionAnswer, HeatAnswer } from './answer'

/**
 * Load of a mild day over that of the coldest. Assumed: about half the heating season lies below
 * it.
 */
export const mildRatio = 0.4
/** Greatest speed in the cold feed. Common practice, no source: 1 to 2 m/s. */
export const feedSpeed_m_s = 2
/** Reserve over the building's loss that the heating output is set to. Assumed. */
export const heatingReserve = 1.1
/** Efficiency taken for the input of an option whose plate is not read. Assumed. */
const usualEfficiency = 0.9

const roomTemp_K = 293.15

/** An option's figures, whole; and the names of those that are missing. */
export function optionFigures(
  option: HeatOption,
  hasHotWater: boolean,
): { readonly figures: OptionFigures | undefined; readonly missing: readonly string[] } {
  const stored =
    option.kind !== 'combination' && (option.kind !== 'cascade' || valueOr(option.store_m3, 0) > 0)
  const burnerInStore = option.kind === 'storage-heater'
  const hasCoil = stored && !burnerInStore
  const missing = missingOf(option, { hasHotWater, stored, hasCoil })
  if (missing.length > 0) return { figures: undefined, missing }
  const whole = (value: { readonly value: number } | null) => valueOr(value, 0) * option.units
  const output_W = Math.max(whole(option.hotWater_W), whole(option.heating_W))
  return {
    missing,
    figures: {
      input_W: option.input_W ? whole(option.input_W) : output_W / usualEfficiency,
      hotWater_W: whole(option.hotWater_W),
      heating_W: burnerInStore ? 0 : whole(option.heating_W ?? option.hotWater_W),
      leastOutput_W: valueOr(option.leastOutput_W, 0),
      store_m3: stored ? valueOr(option.store_m3, 0) : 0,
      coil_W: hasCoil ? option.coil_W?.value : undefined,
      standingLoss_W: stored ? valueOr(option.standingLoss_W, 0) : 0,
      burnerInStore,
    },
  }
}

const missingOf = (
  option: HeatOption,
  {
    hasHotWater,
    stored,
    hasCoil,
  }: { readonly hasHotWater: boolean; readonly stored: boolean; readonly hasCoil: boolean },
): readonly string[] => [
  ...(hasHotWater && !option.hotWater_W ? ['hot water output'] : []),
  ...(hasHotWater && stored && !option.store_m3 ? ['store volume'] : []),
  ...(hasHotWater && hasCoil && !option.coil_W ? ['coil rating'] : []),
  ...(!hasHotWater && !option.heating_W ? ['heating output'] : []),
]

/** Cold water that nobody has measured. Assumed. */
const usualCold_K = 283.15

/** What is asked of the heater at once: by the pattern of the household, or by units. */
function wantedAtOnce(
  heated: readonly Outlet[],
  scenario: HotWater['scenario'],
  document: JobDocument,
  practice: Practice,
  temps: Parameters<typeof heaterDemandByUnits>[2],
): Simultaneous | undefined {
  if (heated.length === 0) return undefined
  if (sideOf('simultaneousUse', practice.name, document.schools) === 'b')
    return simultaneousByScenario(heated, scenario)
  const { coldTemp_K, mixedTemp_K, hotTemp_K } = temps
  const inOrder = coldTemp_K < mixedTemp_K && mixedTemp_K <= hotTemp_K
  return heaterDemandByUnits(
    heated,
    practice.hotWater.demand,
    inOrder ? temps : { coldTemp_K: usualCold_K, mixedTemp_K: 313.15, hotTemp_K: 313.15 },
  )
}

/** Demand, the options side by side, and what choosing one of them means. */
export function heatSheet(document: JobDocument, practice: Practice): Sheet<HeatAnswer> {
  const { heat, hotWater, heating } = document
  if (!hotWater && !heating && heat.zones.length === 0)
    return { applies: false, because: 'This job has neither a heating circuit nor hot water.' }
  const load_W = heat.zones.reduce((sum, zone) => sum + zoneLoad_W(zone), 0)
  const estimated_W = heat.zones.reduce(
    (sum, zone) => sum + (zone.heat.by === 'estimate' ? zoneLoad_W(zone) : 0),
    0,
  )
  const demand = demandOf(document, practice, load_W)
  const options = heat.options.map((option) =>
    answerOption(document, practice, option, demand.conditions),
  )
  const answer: HeatAnswer = {
    load_W,
    estimated_W,
    ...demand,
    ...mainGives(document, practice),
    options,
    chosen: options.find((one) => one.option.id === heat.chosen?.optionId),
    suggestedHeating_W: load_W * heatingReserve,
    mild_W: load_W * mildRatio,
  }
  return {
    applies: true,
    answer,
    missing: missingForHeat(document, practice, answer),
    findings: heatFindings(document, practice, answer),
    workings: () => heatWorkings(answer),
  }
}

/** What is drawn at once, and the temperatures and flows that the options are held against. */
function demandOf(
  document: JobDocument,
  practice: Practice,
  load_W: number,
): Pick<HeatAnswer, 'simultaneous' | 'wanted_m3_s' | 'storeTemp_K' | 'conditions'> {
  const { heat, hotWater, survey } = document
  const outlets = hotWater?.outlets ?? []
  const storeTemp_K = storeSetting_K(document, practice)
  const cold_K = coldestTemp_K(document)
  const coldTemp_K = cold_K ?? usualCold_K
  const shower = outlets.find((outlet) => outlet.kind === 'shower')
  const mixedTemp_K = valueOr(shower?.temp_K, practice.hotWater.mixedTemp_K)
  // What only draws cold loads the main; the heater is held against the rest.
  const heated = outlets.filter((outlet) => drawsHot(outlet.kind))
  const temps = { coldTemp_K, mixedTemp_K, hotTemp_K: storeTemp_K }
  const simultaneous =
    hotWater && wantedAtOnce(heated, hotWater.scenario, document, practice, temps)
  const wanted_m3_s = simultaneous && simultaneous.by !== 'not-covered' ? simultaneous.flow_m3_s : 0
  const warmTemp_K = survey.incomingWarmestTemp_K?.value
  const conditions: ComparisonConditions = {
    coldTemp_K,
    storeTemp_K,
    mixedTemp_K,
    wanted_m3_s,
    shower_m3_s: shower ? outletFlow_m3_s(shower) : usualFlow_m3_s.shower,
    flowTemp_K: valueOr(heat.flowTemp_K, practice.hotWater.flowTemp_K),
    roomTemp_K,
    load_W,
    ...(warmTemp_K === undefined ? {} : { warmTemp_K }),
  }
  return {
    simultaneous: simultaneous ?? undefined,
    wanted_m3_s,
    storeTemp_K,
    conditions: hotWater && cold_K === undefined ? undefined : conditions,
  }
}

/** What the main gives at the highest outlet, with the pressure wanted there left. */
function mainGives(
  document: JobDocument,
  practice: Practice,
): Pick<HeatAnswer, 'curve' | 'wantedGauge_Pa' | 'left_Pa' | 'main_m3_s'> {
  const curve = mainOf(document)
  const wantedGauge_Pa = valueOr(
    document.hotWater?.wantedGauge_Pa,
    practice.hotWater.wantedGauge_Pa,
  )
  const height_m = valueOr(document.survey.topOutletHeight_m, 0)
  const left_Pa = wantedGauge_Pa + 1000 * gravity_m_s2 * height_m
  return {
    curve,
    wantedGauge_Pa,
    left_Pa,
    main_m3_s: curve ? mainFlow_m3_s(curve, left_Pa) : undefined,
  }
}

function answerOption(
  document: JobDocument,
  practice: Practice,
  option: HeatOption,
  conditions: ComparisonConditions | undefined,
): OptionAnswer {
  const { figures, missing } = optionFigures(option, document.hotWater !== null)
  const gas = fuelGases[practice.name][document.survey.fuel]
  const beside_m3_s = loadOf_m3_s({ ...document, appliances: burningBeside(document.appliances) })
  if (!figures) return { option, figures, missing, comparison: undefined, gas_m3_s: beside_m3_s }
  const gasPipe = gasPipeTo(document, practice, figures.input_W)
  const coldPipe = coldPipeFor(practice, conditions?.wanted_m3_s ?? 0)
  return {
    option,
    figures,
    missing,
    comparison: conditions && document.hotWater ? compareOption(figures, conditions) : undefined,
    gas_m3_s: beside_m3_s + figures.input_W / gas.grossHeat_J_m3,
    ...(gasPipe ? { gasPipe } : {}),
    ...(coldPipe ? { coldPipe } : {}),
  }
}

/** Size of a pipe of its own from the meter to the option, four elbows on the way. */
function gasPipeTo(document: JobDocument, practice: Practice, input_W: number): string | undefined {
  const { gasDistance_m, gasWorkingGauge_Pa, fuel } = document.survey
  if (!gasDistance_m) return undefined
  const pipe = {
    id: 'one',
    from: 'meter',
    length_m: gasDistance_m.value,
    elbows: 4,
    branchTees: 0,
    material: practice.gas.material,
    load_W: input_W,
    dropAllowed_Pa: practice.gas.allowance_Pa,
  }
  const sizes = chooseSizes([pipe], {
    method: practice.gas.method,
    gas: fuelGases[practice.name][fuel],
    meterGauge_Pa: valueOr(gasWorkingGauge_Pa, practice.gas.assumedWorking_Pa[fuel]),
    atmosphere_Pa: siteAtmosphere_Pa(document),
  })
  return sizes?.get(pipe.id)?.name
}

/** The smallest cold pipe in which the wanted flow stays slow enough. */
function coldPipeFor(practice: Practice, through_m3_s: number): string | undefined {
  if (through_m3_s <= 0) return undefined
  const { sizes } = materials[practice.hotWater.feedMaterial]
  return sizes.find((size) => through_m3_s / circleArea_m2(size.bore_m) <= feedSpeed_m_s)?.name
}

function missingForHeat(document: JobDocument, practice: Practice, answer: HeatAnswer): Missing[] {
  const { heat, hotWater, heating } = document
  const loadless = heat.zones.filter((zone) => zoneLoad_W(zone) === 0)
  return [
    ...(heating && heat.zones.length === 0
      ? [{ place: 'heat.zones', what: 'The heat of a zone or room' }]
      : []),
    ...loadless.map((zone) => ({
      place: `heat.zones.${heat.zones.indexOf(zone)}`,
      what: `Heat of ${zone.name}`,
    })),
    ...(hotWater && hotWater.outlets.length === 0
      ? [{ place: 'hotWater.outlets', what: 'The outlets that draw hot water' }]
      : []),
    ...(hotWater && !answer.conditions
      ? [{ place: 'survey.incomingColdestTemp_K', what: 'How cold the water comes' }]
      : []),
    ...(hotWater
      ? hotWater.outlets.flatMap((outlet, i) =>
          outlet.tempered === null &&
          !atMost(answer.storeTemp_K, safeOutlet(practice, document.site).temp_K)
            ? [{ place: `hotWater.outlets.${i}`, what: `Whether ${outlet.name} is mixed down` }]
            : [],
        )
      : []),
    ...(heat.options.length === 0
      ? [{ place: 'heat.options', what: 'A way of making the heat' }]
      : []),
    ...answer.options.flatMap((one, i) =>
      one.missing.length > 0
        ? [{ place: `heat.options.${i}`, what: `${one.option.name}: ${one.missing.join(', ')}` }]
        : [],
    ),
    ...(heat.options.length > 0 && !answer.chosen
      ? [{ place: 'heat.chosen', what: 'A choice, with its reason' }]
      : []),
  ]
}

/** What burns beside the way that is chosen: what stays, and what no way replaces. */
const burningBeside = (appliances: JobDocument['appliances']): JobDocument['appliances'] =>
  appliances.filter(
    (one) => one.stay !== 'new' || one.kind === 'cooktop' || one.kind === 'other-gas',
  )

export const heatSpec = sheetSpec()({
  id: 'heat',
  wordings: heatWordings,
  place: 'heat',
  inputs: ({ heat, hotWater, schools, survey, appliances, site }) => [
    heat,
    hotWater?.outlets,
    hotWater?.scenario,
    hotWater?.storeTemp_K,
    hotWater?.wantedGauge_Pa,
    hotWater?.loopLoss_W,
    schools,
    survey.mainPoints,
    survey.coldMainStaticGauge_Pa,
    survey.incomingTemp_K,
    survey.incomingColdestTemp_K,
    survey.incomingWarmestTemp_K,
    survey.topOutletHeight_m,
    survey.gasDistance_m,
    survey.gasMeter_m3_s,
    survey.gasWorkingGauge_Pa,
    survey.fuel,
    survey.elevation_m,
    ...burningBeside(appliances),
    ...added({ building: site.building, olderConsent: site.olderConsent }),
  ],
  beside: ({ heating }) => [heating !== null],
  solve: heatSheet,
  key: ({ findings }) =>
    findings
      .filter((finding) => finding.severity === 'fix')
      .map((finding) => finding.id)
      .join(),
  says: heatSentence,
})

import type { InletKind } from '../../methods/inlet-group/inletGroup'
import type { Closing } from '../../methods/supply/closedSystem'
import { safetyWordings } from './wording'
import { safetySentence } from './sentence'
import { sheetSpec } from '../sheetSpec'
import { mainGauge_Pa } from '../../methods/supply/mainCurve'
import type { Appliance, JobDocument } from '../../job/document'
import type { HotWaterSafety } from '../../job/pressureDocument'
import type { Practice } from '../../practice/practice'
import { judgeInlet } from '../../methods/inlet-group/inletGroup'
import { nextSize_m3 } from '../../methods/vessel/catalogue'
import { forecastHotPressure } from '../../methods/vessel/forecast'
import { leastStore_m3, potableVessel } from '../../methods/vessel/potable'
import { storeSetting_K } from '../../job/storeSetting'
import type { HeatAnswer } from '../heat/answer'
import { safetyFindings } from './findings'
import { safetyWorkings } from './workings'
import type { Missing, Sheet } from '../../answer/sheet'
import type { ReadingsAnswer } from '../readings/answer'
import { coldestTemp_K } from '../../job/coldestTemp'
import { valueOr } from '../../job/valueOr'
import { siteAtmosphere_Pa } from '../../job/siteAtmosphere'
import { hotWaterHeater } from '../../job/hotWaterHeater'
import type { SafetyAnswer } from './answer'

/**
 * Share of the expansion relief's setting that the pressure may reach. Source:
 * sources.potableVessel, common practice.
 */
export const underRelief = 0.9

/**
 * What keeps the hot water from bursting its store: closed or open, vessel, settings, inlet group,
 * cut-outs.
 */
export function safetySheet(
  document: JobDocument,
  practice: Practice,
  readings: ReadingsAnswer | undefined,
  heat: HeatAnswer | undefined,
): Sheet<SafetyAnswer> {
  const { hotWater, survey } = document
  const heater = hotWaterHeater(document)
  if (!hotWater) return { applies: false, because: 'This job makes no hot water.' }
  if (!heater)
    return {
      applies: false,
      because: 'Nothing here stores hot water: the boiler makes it as it runs.',
    }
  const { safety } = hotWater
  const stores = heater.kind !== 'instantaneous-heater'
  const missing = missingForSafety(document, heater, safety, stores)
  const staticGauge_Pa = survey.coldMainStaticGauge_Pa?.value
  const store_m3 = heater.water_m3?.value
  const coldTemp_K = coldestTemp_K(document)
  if (staticGauge_Pa === undefined || store_m3 === undefined || coldTemp_K === undefined)
    return { applies: true, answer: undefined, missing, findings: [], workings: () => [] }
  const answer = solveSafety(document, practice, {
    heater,
    safety,
    stores,
    staticGauge_Pa,
    store_m3,
    coldTemp_K,
    readings,
    heat,
  })
  return {
    applies: true,
    answer,
    missing,
    findings: safetyFindings(safety, practice, answer),
    workings: () => safetyWorkings(answer),
  }
}

interface Given {
  readonly heater: Appliance
  readonly safety: HotWaterSafety
  readonly stores: boolean
  readonly staticGauge_Pa: number
  readonly store_m3: number
  readonly coldTemp_K: number
  readonly readings: ReadingsAnswer | undefined
  readonly heat: HeatAnswer | undefined
}

function solveSafety(document: JobDocument, practice: Practice, given: Given): SafetyAnswer {
  const { heater, safety, stores, store_m3, coldTemp_K, readings } = given
  const rules = practice.safety
  const supply = supplyAt(document, practice, given)
  const limits = limitsOf(practice, given)
  const closed = closedBy(safety, readings)
  const vesselWanted =
    closed.system !== 'open' && store_m3 >= leastStore_m3 && !letsOut(safety, practice)
  const storeTemp_K = storeSetting_K(document, practice)
  return {
    heater,
    store_m3,
    stores,
    closed,
    ...supply,
    coldTemp_K,
    storeTemp_K,
    ...limits,
    vesselWanted,
    ...vesselOf(document, practice, given, {
      hot_K: Math.max(storeTemp_K, coldTemp_K),
      reducedGauge_Pa: supply.reducedGauge_Pa,
      maxGauge_Pa: limits.maxGauge_Pa,
      vesselWanted,
    }),
    inletFaults: judgeInlet(
      safety.inlet,
      stores
        ? [
            ...rules.inlet.filter((kind) => kind !== 'vessel'),
            ...(vesselWanted ? ['vessel' as const] : []),
          ]
        : [],
    ),
  }
}

/** What stands before the store, gauge: with everything shut, and with the wanted flow running. */
function supplyAt(
  document: JobDocument,
  practice: Practice,
  { safety, staticGauge_Pa, readings, heat }: Given,
): Pick<
  SafetyAnswer,
  | 'staticGauge_Pa'
  | 'hasReducing'
  | 'reducingGauge_Pa'
  | 'reducedGauge_Pa'
  | 'runningGauge_Pa'
  | 'wanted_m3_s'
> {
  const hasReducing = isReduced(document, safety)
  const reducingGauge_Pa = valueOr(safety.reducingGauge_Pa, practice.safety.reducingGauge_Pa)
  const wanted_m3_s = heat?.wanted_m3_s ?? 0
  const before_Pa =
    readings?.curve && wanted_m3_s > 0 ? mainGauge_Pa(readings.curve, wanted_m3_s) : undefined
  const running_Pa = hasReducing ? reducingGauge_Pa - valueOr(safety.reducingFall_Pa, 0) : Infinity
  return {
    staticGauge_Pa,
    hasReducing,
    reducingGauge_Pa,
    reducedGauge_Pa: hasReducing ? Math.min(staticGauge_Pa, reducingGauge_Pa) : staticGauge_Pa,
    runningGauge_Pa:
      before_Pa === undefined ? undefined : Math.max(0, Math.min(before_Pa, running_Pa)),
    wanted_m3_s,
  }
}

const isReduced = ({ survey }: JobDocument, { inlet, reducingGauge_Pa }: HotWaterSafety): boolean =>
  survey.looked.mainReducingValve?.answer === 'yes' ||
  inlet.some((piece) => piece.kind === 'reducing-valve') ||
  // Nobody has entered the group yet, and its setting is known.
  (inlet.length === 0 && reducingGauge_Pa !== null)

/** What lifts, and the greatest pressure, gauge, the store is designed for: under all of it. */
function limitsOf(
  { safety: rules }: Practice,
  { heater, safety, stores }: Given,
): Pick<
  SafetyAnswer,
  | 'maxGauge_Pa'
  | 'expansionReliefGauge_Pa'
  | 'temperatureReliefGauge_Pa'
  | 'temperatureReliefTemp_K'
  | 'reliefsAssumed'
  | 'ratedGauge_Pa'
> {
  const usualExpansion_Pa = stores ? rules.expansionReliefGauge_Pa : undefined
  const expansionReliefGauge_Pa = valueOr(safety.expansionReliefGauge_Pa, usualExpansion_Pa)
  const temperatureReliefGauge_Pa = valueOr(
    safety.temperatureReliefGauge_Pa,
    rules.temperatureReliefGauge_Pa,
  )
  const ratedGauge_Pa = heater.maxWorkingGauge_Pa?.value
  const lowest_Pa = Math.min(
    expansionReliefGauge_Pa ?? Infinity,
    temperatureReliefGauge_Pa,
    ratedGauge_Pa ?? Infinity,
  )
  return {
    maxGauge_Pa: Math.min(rules.maxGauge_Pa ?? Infinity, underRelief * lowest_Pa),
    expansionReliefGauge_Pa,
    temperatureReliefGauge_Pa,
    temperatureReliefTemp_K: valueOr(safety.temperatureReliefTemp_K, rules.temperatureReliefTemp_K),
    reliefsAssumed:
      !safety.temperatureReliefGauge_Pa ||
      (usualExpansion_Pa !== undefined && !safety.expansionReliefGauge_Pa),
    ratedGauge_Pa,
  }
}

/** Where the practice lets the expansion relief stand in for a vessel, and none was chosen. */
const letsOut = ({ inlet, vesselSize_m3 }: HotWaterSafety, { safety: rules }: Practice): boolean =>
  rules.expansionValveStandsIn &&
  inlet.some((piece) => piece.kind === 'expansion-relief') &&
  vesselSize_m3 === null

function vesselOf(
  document: JobDocument,
  practice: Practice,
  { safety, store_m3, coldTemp_K }: Given,
  {
    hot_K,
    reducedGauge_Pa,
    maxGauge_Pa,
    vesselWanted,
  }: {
    readonly hot_K: number
    readonly reducedGauge_Pa: number
    readonly maxGauge_Pa: number
    readonly vesselWanted: boolean
  },
): Pick<
  SafetyAnswer,
  'chargeGauge_Pa' | 'expansion_m3' | 'needed_m3' | 'fitted_m3' | 'forecast' | 'atmosphere_Pa'
> {
  const atmosphere_Pa = siteAtmosphere_Pa(document)
  const chargeGauge_Pa = valueOr(safety.vesselChargeGauge_Pa, reducedGauge_Pa)
  const { expansion_m3, vessel_m3: needed_m3 } = potableVessel({
    store_m3,
    coldTemp_K,
    hotTemp_K: hot_K,
    chargeGauge_Pa: Math.max(chargeGauge_Pa, reducedGauge_Pa),
    maxGauge_Pa,
    atmosphere_Pa,
  })
  const chosen_m3 =
    vesselWanted && needed_m3 !== undefined
      ? nextSize_m3(needed_m3, practice.vessel.sizes_m3)
      : undefined
  const fitted_m3 = safety.vesselSize_m3 ?? chosen_m3 ?? 0
  return {
    chargeGauge_Pa,
    expansion_m3,
    needed_m3,
    fitted_m3,
    forecast:
      fitted_m3 > 0
        ? forecastHotPressure({
            vessels: [{ volume_m3: fitted_m3, chargeGauge_Pa }],
            fillGauge_Pa: reducedGauge_Pa,
            expansion_m3,
            atmosphere_Pa,
          })
        : undefined,
    atmosphere_Pa,
  }
}

const closes: Partial<Record<InletKind, Closing>> = {
  'check-valve': 'checkValve',
  'reducing-valve': 'reducingValve',
}

/** A check or reducing valve of the store's own group shuts the way back, whatever the main has. */
function closedBy(
  { inlet }: HotWaterSafety,
  readings: ReadingsAnswer | undefined,
): SafetyAnswer['closed'] {
  const closing = readings?.closing ?? { system: 'cannot-tell' as const, lookAt: [] }
  if (closing.system === 'closed') return closing
  const by = inlet.flatMap(({ kind }) => closes[kind] ?? [])
  return by.length > 0 ? { system: 'closed', by } : closing
}

function missingForSafety(
  { survey }: JobDocument,
  heater: Appliance,
  safety: HotWaterSafety,
  stores: boolean,
): Missing[] {
  const at = `hotWater.safety`
  const hasReducing = safety.inlet.some((piece) => piece.kind === 'reducing-valve')
  const needs: [boolean, string, string][] = [
    [
      survey.coldMainStaticGauge_Pa !== null,
      'survey.coldMainStaticGauge_Pa',
      'Static pressure of the cold main',
    ],
    [heater.water_m3 !== null, `${at}.heater`, `Water content of ${heater.name}`],
    [
      heater.maxWorkingGauge_Pa !== null,
      `${at}.heater`,
      `Maximum working pressure of ${heater.name}`,
    ],
    [
      survey.incomingTemp_K !== null || survey.incomingColdestTemp_K !== null,
      'survey.incomingTemp_K',
      'Temperature of the incoming water',
    ],
    [!stores || safety.inlet.length > 0, `${at}.inlet`, 'The inlet group, in the way of the water'],
    [
      !stores || safety.cutOut !== null,
      `${at}.cutOut`,
      'What cuts the heat off when the thermostat fails',
    ],
    [
      !stores || safety.cutOut !== 'by-hand' || safety.cutOutTemp_K !== null,
      `${at}.cutOutTemp_K`,
      'The temperature the cut-out acts at',
    ],
    [
      !stores || safety.immersion !== null,
      `${at}.immersion`,
      'Whether an immersion heater is fitted, and what cuts it off',
    ],
    [
      !hasReducing || safety.reducingGauge_Pa !== null,
      `${at}.reducingGauge_Pa`,
      'What the reducing valve is set to',
    ],
    [
      safety.immersion === null || safety.immersion === 'none' || safety.immersion_W !== null,
      `${at}.immersion_W`,
      'Power of the immersion heater',
    ],
    [
      !stores || safety.balancedCold !== null,
      `${at}.balancedCold`,
      'Where the cold for mixers is taken from',
    ],
  ]
  return needs.filter(([there]) => !there).map(([, place, what]) => ({ place, what }))
}

export const safetySpec = sheetSpec<{ readings: ReadingsAnswer; heat: HeatAnswer }>()({
  id: 'safety',
  wordings: safetyWordings,
  place: 'hotWater',
  inputs: (document, { heat }) => {
    const { hotWater, survey, schools } = document
    return [
      hotWater?.safety,
      hotWater?.storeTemp_K,
      hotWaterHeater(document),
      survey.looked,
      survey.coldMainStaticGauge_Pa,
      survey.mainPoints,
      survey.incomingTemp_K,
      survey.incomingColdestTemp_K,
      survey.elevation_m,
      schools,
      heat?.wanted_m3_s,
    ]
  },
  beside: ({ appliances }) => [appliances],
  solve: (document, practice, { readings, heat }) =>
    safetySheet(document, practice, readings, heat),
  key: ({ answer }) => `${answer?.fitted_m3 ?? ''}`,
  says: safetySentence,
})

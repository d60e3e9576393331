import { vesselWordings } from './wording'
import { vesselSentence } from './sentence'
import { sheetSpec } from '../sheetSpec'
import type { VesselFinding } from './wording'
import { sources } from '../../answer/sources'
import { fitted } from '../../job/asked'
import type { JobDocument } from '../../job/document'
import type { Heating } from '../../job/pressureDocument'
import { heatingFluidOf } from '../../job/heatingFluid'
import { circuitFacts } from '../circuitFacts'
import { heatingBoiler } from '../../job/heatingBoiler'
import type { Known } from '../../job/known'
import { valueOr } from '../../job/valueOr'
import { siteAtmosphere_Pa } from '../../job/siteAtmosphere'
import type { Practice } from '../../practice/practice'
import { gravity_m_s2, psi_Pa } from '../../units/units'
import { saturationAbs_Pa, waterDensity_kg_m3 } from '../../methods/water/water'
import { fluidDensity_kg_m3 } from '../../methods/fluid/glycol'
import { forecastHotPressure } from '../../methods/vessel/forecast'
import { linearExpansion_1_K } from '../../methods/vessel/handbook'
import { sealedTableVessel_m3 } from '../../methods/vessel/sealedTable'
import type { VesselInputs, VesselNeed } from '../../methods/vessel/sizing'
import {
  designPressures,
  fillTarget,
  largestSystem_m3,
  otherVessels,
  realExpansion_m3,
  sensitivity,
  sizeVessel,
} from '../../methods/vessel/sizing'
import type { CircuitFacts } from '../circuitFacts'
import type { HeatingContent } from '../../job/heatingContent'
import { heatingContent } from '../../job/heatingContent'
import { chargedAt_K } from './chargedAt'
import { unsettled } from '../unsettled'
import { vesselDecides } from './decides'
import type { Missing, Sheet } from '../../answer/sheet'
import { vesselFindings } from './findings'
import { vesselWorkings } from './workings'
import type { VesselAnswer } from './answer'
import { firstToGo, partsUnderRelief } from '../underRelief'

/** Designs the heating vessel: content, charge, size, fill and the hot pressure to expect. */
export function vesselSheet(document: JobDocument, practice: Practice): Sheet<VesselAnswer> {
  const { heating } = document
  if (!heating) return { applies: false, because: 'This job has no heating circuit.' }
  const boiler = heatingBoiler(document)
  const facts = circuitFacts(document, heating, practice)
  const content = heatingContent(heating, boiler, {
    sizeOf: (id) => facts.sizes.get(id),
    loadEach_W: (id) => facts.loadsEach.get(id),
  })
  const missing = missingForVessel(document, heating, content, facts)
  const none = (...findings: readonly VesselFinding[]): Sheet<VesselAnswer> => ({
    applies: true,
    answer: undefined,
    missing,
    findings,
    workings: () => [],
  })
  if (heating.system === 'open-vented')
    return none({
      id: 'open-vented',
      severity: 'stop',
      place: 'heating.system',
      source: sources.trade,
    })
  const read = readForDesign(document.survey)
  if (missing.length > 0 || !read) return none()
  const { fillTemp_K, maxTemp_K } = read
  if (maxTemp_K <= fillTemp_K)
    return none({
      id: 'temperature-order',
      severity: 'stop',
      place: 'survey.maxFlowTemp_K',
      source: sources.arithmetic,
      figures: { fillTemp_K, maxTemp_K },
    })
  const inputs = vesselInputs(document, heating, practice, { content, boiler, read })
  const sizing = sizeVessel(inputs)
  if (sizing.outcome === 'no-room')
    return none({
      id: 'no-room-under-relief',
      severity: 'stop',
      place: 'heating.reliefSetGauge_Pa',
      source: practice.vessel.method === 'en12828' ? sources.en12828 : sources.handbookTank,
      figures: { chargeGauge_Pa: sizing.chargeGauge_Pa, finalGauge_Pa: sizing.finalGauge_Pa },
    })
  const { need } = sizing
  const fitted_m3 = heating.vesselSize_m3 ?? need.stock_m3
  if (fitted_m3 === undefined)
    return none({
      id: 'no-catalogue-size',
      severity: 'stop',
      place: 'heating.vesselSize_m3',
      source: sources.trade,
      figures: {
        needed_m3: need.neededNew_m3,
        largest_m3: practice.vessel.sizes_m3[practice.vessel.sizes_m3.length - 1] ?? 0,
      },
    })
  const answer = answerFor(document, heating, practice, { inputs, content, need, fitted_m3 })
  return {
    applies: true,
    answer,
    missing: unsettled(vesselDecides(document, heating, practice, fitted_m3)),
    findings: vesselFindings(document, heating, practice, answer, boiler),
    workings: () => vesselWorkings(answer),
  }
}

interface ReadForDesign {
  readonly fillTemp_K: number
  readonly maxTemp_K: number
  readonly topEmitterHeight_m: number
}

/** What the survey has to give before a vessel can be sized; undefined until all of it is read. */
function readForDesign(survey: JobDocument['survey']): ReadForDesign | undefined {
  const { fillTemp_K, maxFlowTemp_K, highLimitTemp_K, topEmitterHeight_m, sizeOn } = survey
  if (!fillTemp_K || !maxFlowTemp_K || !topEmitterHeight_m) return undefined
  const limit_K = sizeOn.on === 'flow' ? 0 : valueOr(highLimitTemp_K, 0)
  return {
    fillTemp_K: fillTemp_K.value,
    maxTemp_K: Math.max(maxFlowTemp_K.value, limit_K),
    topEmitterHeight_m: topEmitterHeight_m.value,
  }
}

function vesselInputs(
  document: JobDocument,
  heating: Heating,
  practice: Practice,
  {
    content,
    boiler,
    read: { fillTemp_K, maxTemp_K, topEmitterHeight_m },
  }: {
    readonly content: HeatingContent
    readonly boiler: ReturnType<typeof heatingBoiler>
    readonly read: ReadForDesign
  },
): VesselInputs {
  const vesselHeight_m = valueOr(heating.vesselHeight_m, 0)
  const builtIn = vesselThere(boiler?.builtInVessel_m3, boiler?.builtInChargeGauge_Pa)
  return {
    method: practice.vessel.method,
    system_m3: content.total_m3,
    fillTemp_K,
    maxTemp_K,
    height_m: topEmitterHeight_m - vesselHeight_m,
    reliefAbove_m: valueOr(heating.reliefHeight_m, 0) - vesselHeight_m,
    fluid: heatingFluidOf(heating),
    further: heating.furtherVessels.flatMap(
      (vessel) => vesselThere(vessel.volume_m3, vessel.chargeGauge_Pa) ?? [],
    ),
    ...(heating.chargeGauge_Pa ? { chargeSetGauge_Pa: heating.chargeGauge_Pa.value } : {}),
    reliefSetGauge_Pa: valueOr(heating.reliefSetGauge_Pa, practice.vessel.reliefUsualGauge_Pa),
    atmosphere_Pa: siteAtmosphere_Pa(document),
    margin_Pa: practice.vessel.margin_Pa,
    reliefMargin_Pa: practice.vessel.reliefMargin_Pa ?? 5 * psi_Pa,
    pipeExpansion_1_K: linearExpansion_1_K[content.pipeMaterial],
    builtIn,
    sizes_m3: practice.vessel.sizes_m3,
  }
}

/** A vessel that is there already; one whose charge is not read has none: the safe side. */
function vesselThere(
  volume_m3: Known | undefined,
  chargeGauge_Pa: Known | undefined,
): { readonly volume_m3: number; readonly chargeGauge_Pa: number } | undefined {
  if (!volume_m3 || volume_m3.value <= 0) return undefined
  return { volume_m3: volume_m3.value, chargeGauge_Pa: valueOr(chargeGauge_Pa, 0) }
}

interface Sized {
  readonly inputs: VesselInputs
  readonly content: HeatingContent
  readonly need: VesselNeed
  readonly fitted_m3: number
}

/** How full and how hot the circuit stands with the vessel that was chosen. */
function answerFor(
  document: JobDocument,
  heating: Heating,
  practice: Practice,
  { inputs, content, need, fitted_m3 }: Sized,
): VesselAnswer {
  const filled = filledTo(heating, { inputs, need, fitted_m3 })
  const vessels = [
    ...(fitted_m3 > 0 ? [{ volume_m3: fitted_m3, chargeGauge_Pa: need.chargeGauge_Pa }] : []),
    ...otherVessels(inputs),
  ]
  const forecast = forecastHotPressure({
    vessels,
    fillGauge_Pa: filled.fillAtVesselGauge_Pa,
    expansion_m3: realExpansion_m3(inputs),
    atmosphere_Pa: inputs.atmosphere_Pa,
  })
  const settles = forecast.outcome === 'settles' ? forecast : undefined
  const all_m3 = vessels.reduce((sum, vessel) => sum + vessel.volume_m3, 0)
  const [reliefStep_Pa = 0, nextStep_Pa = 0] = practice.vessel.reliefSteps_Pa
  return {
    inputs,
    content,
    need,
    fitted_m3,
    chosenByHand: heating.vesselSize_m3 !== null,
    ...(inputs.builtIn ? { builtIn: inputs.builtIn } : {}),
    ...filled,
    forecast,
    pumpUp: pumpUp(inputs, need, valueOr(heating.dayTemp_K, chargedAt_K)),
    vapourMargin_Pa: settles && vapourMargin_Pa(inputs, settles.hotGauge_Pa),
    acceptedRatio:
      settles && all_m3 > 0
        ? (settles.coldWater_m3 + realExpansion_m3(inputs)) / all_m3
        : undefined,
    weakest: firstToGo(
      partsUnderRelief(document, heating, {
        reliefSetGauge_Pa: inputs.reliefSetGauge_Pa,
        vesselName: practice.words.vessel,
      }),
    ),
    reliefAssumed: !heating.reliefSetGauge_Pa || heating.reliefSetGauge_Pa.basis === 'assumed',
    other: otherMethod(inputs, need, filled.fillAtVesselGauge_Pa),
    goodFor_m3: largestSystem_m3(inputs, fitted_m3),
    sensitivity: sensitivity(inputs, nextStep_Pa - reliefStep_Pa),
  }
}

/** What it is filled to cold, at the gauge and at the vessel; by hand where that was typed. */
function filledTo(
  heating: Heating,
  { inputs, need, fitted_m3 }: Pick<Sized, 'inputs' | 'need' | 'fitted_m3'>,
): Pick<
  VesselAnswer,
  'fill' | 'fillGauge_Pa' | 'fillByHand' | 'vesselHead_Pa' | 'fillAtVesselGauge_Pa'
> {
  const fill = fillTarget(inputs, need, fitted_m3)
  const vesselHead_Pa =
    waterDensity_kg_m3(inputs.fillTemp_K) * gravity_m_s2 * valueOr(heating.vesselHeight_m, 0)
  const targetGauge_Pa = Number.isFinite(fill.targetGauge_Pa)
    ? fill.targetGauge_Pa
    : need.chargeGauge_Pa
  const fillAtVesselGauge_Pa = heating.fillGauge_Pa
    ? heating.fillGauge_Pa.value - vesselHead_Pa
    : targetGauge_Pa
  return {
    fill,
    fillGauge_Pa: fillAtVesselGauge_Pa + vesselHead_Pa,
    fillByHand: heating.fillGauge_Pa !== null,
    vesselHead_Pa,
    fillAtVesselGauge_Pa,
  }
}

/** The charge as a gauge reads it on a day of that temperature: a gas law, absolute. */
const pumpUp = (
  { atmosphere_Pa }: VesselInputs,
  { chargeGauge_Pa }: VesselNeed,
  dayTemp_K: number,
): VesselAnswer['pumpUp'] => ({
  dayTemp_K,
  gauge_Pa: ((chargeGauge_Pa + atmosphere_Pa) * dayTemp_K) / chargedAt_K - atmosphere_Pa,
})

/** Absolute pressure at the highest point over that at which the water boils. */
const vapourMargin_Pa = (inputs: VesselInputs, hotGauge_Pa: number): number =>
  hotGauge_Pa -
  fluidDensity_kg_m3(inputs.fluid ?? { kind: 'water', massFraction: 0 }, inputs.maxTemp_K) *
    gravity_m_s2 *
    inputs.height_m +
  inputs.atmosphere_Pa -
  saturationAbs_Pa(inputs.maxTemp_K)

function otherMethod(
  inputs: VesselInputs,
  need: VesselNeed,
  fillGauge_Pa: number,
): VesselAnswer['other'] {
  const method = inputs.method === 'en12828' ? 'handbook' : 'en12828'
  const otherInputs: VesselInputs = {
    ...inputs,
    method,
    ...(method === 'handbook'
      ? { reliefMargin_Pa: inputs.reliefSetGauge_Pa - designPressures(inputs).finalGauge_Pa }
      : { margin_Pa: 30000 }),
  }
  const sizing = sizeVessel(otherInputs)
  const table_m3 = sealedTableVessel_m3({
    system_m3: inputs.system_m3,
    chargeGauge_Pa: need.chargeGauge_Pa,
    initialGauge_Pa: fillGauge_Pa,
    reliefSetGauge_Pa: inputs.reliefSetGauge_Pa,
  })
  return {
    method,
    needed_m3: sizing.outcome === 'sized' ? sizing.need.needed_m3 : undefined,
    ...(table_m3 === undefined ? {} : { table_m3 }),
  }
}

function missingForVessel(
  { survey }: JobDocument,
  heating: Heating,
  content: HeatingContent,
  facts: CircuitFacts,
): Missing[] {
  const needs: [boolean, string, string][] = [
    [survey.fillTemp_K !== null, 'survey.fillTemp_K', 'System water temperature when filled'],
    [survey.maxFlowTemp_K !== null, 'survey.maxFlowTemp_K', 'Highest flow temperature'],
    [
      survey.highLimitTemp_K !== null || survey.sizeOn.on === 'flow',
      'survey.highLimitTemp_K',
      'The temperature the high limit acts at',
    ],
    [
      survey.topEmitterHeight_m !== null,
      'survey.topEmitterHeight_m',
      'Height of the highest emitter',
    ],
    [
      content.total_m3 > 0 && heating.emitters.length + heating.pipes.length > 0,
      'heating.content',
      'The emitters and pipes that hold the water',
    ],
    ...heating.emitters.map((emitter, i): [boolean, string, string] => [
      emitter.waterEach_m3 !== null || (emitter.type !== null && facts.loadsEach.has(emitter.id)),
      `heating.emitters.${i}`,
      `Water in ${emitter.name}, or its type and heat`,
    ]),
    ...heating.pipes.map((pipe, i): [boolean, string, string] => [
      pipe.length_m !== null,
      `heating.pipes.${i}`,
      `Length of ${pipe.name}`,
    ]),
    ...heating.pipes.map((pipe, i): [boolean, string, string] => [
      facts.sizes.has(pipe.id),
      `heating.pipes.${i}`,
      `Size of ${pipe.name}: name it, or give the heat of its zone`,
    ]),
  ]
  return needs.filter(([there]) => !there).map(([, place, what]) => ({ place, what }))
}

/** Boilers beside the first: each heats the same water under the same relief. */
const otherBoilers = (document: JobDocument) => {
  const first = heatingBoiler(document)
  return fitted(document.appliances).filter((one) => one.kind === 'boiler' && one.id !== first?.id)
}

export const vesselSpec = sheetSpec()({
  id: 'vessel',
  wordings: vesselWordings,
  place: 'heating',
  inputs: (document) => {
    const { heating, heat, survey } = document
    return [
      heating,
      heat.zones,
      heat.flowTemp_K,
      survey.elevation_m,
      survey.fillTemp_K,
      survey.maxFlowTemp_K,
      survey.highLimitTemp_K,
      survey.topEmitterHeight_m,
      survey.sizeOn,
      heatingBoiler(document),
      ...otherBoilers(document),
    ]
  },
  beside: ({ appliances }) => [appliances],
  solve: vesselSheet,
  key: ({ answer }) => `${answer?.fitted_m3}`,
  says: vesselSentence,
  isMild: true,
})

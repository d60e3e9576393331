import type { Finding } from '../answer/finding'
import { commissioningSequence } from '../commissioning/sequence'
import type { Step } from '../commissioning/sequence'
import { fuelGases } from '../gas/fuel'
import type { JobDocument } from '../job/document'
import { burnsGas, plateFields, surveyFields } from '../job/fields'
import { fingerprint } from '../job/merge'
import type { Practice } from '../practice/practices'
import { practices } from '../practice/practices'
import type { TightnessDesign } from '../proving/plan'
import { testFindings, tightnessDesign } from '../proving/plan'
import type { GasAnswer } from './gasSheet'
import { gasSheet } from './gasSheet'
import type { Missing, Sheet } from './sheet'
import type { VesselAnswer } from './vesselSheet'
import { siteAtmosphere_Pa, vesselSheet } from './vesselSheet'

/** Every answer, target, working and design finding of a job. A pure function of its document. */
export interface Solution {
  readonly document: JobDocument
  readonly practice: Practice
  readonly site: Sheet<{ readonly atmosphere_Pa: number }>
  readonly readings: Sheet<{ readonly staticToWorking_Pa: number | undefined }>
  readonly plates: Sheet<{ readonly burners: number }>
  readonly vessel: Sheet<VesselAnswer>
  readonly gas: Sheet<GasAnswer>
  readonly tightness: Sheet<TightnessDesign>
  readonly steps: readonly Step[]
  readonly findings: readonly Finding[]
}

/** Solves a whole job: composes the sheets and holds no formula. */
export function solve(document: JobDocument): Solution {
  const practice = practices[document.practice]
  const vessel = vesselSheet(document, practice)
  const gas = gasSheet(document, practice)
  const tightness = tightnessSheet(document, practice, gas)
  const sheets = { site: siteSheet(document), readings: readingsSheet(document), plates: platesSheet(document), vessel, gas, tightness }
  const findings = Object.values(sheets).flatMap((sheet) => (sheet.applies ? sheet.findings : []))
  return { document, practice, ...sheets, steps: commissioningSequence(document, practice, sequenceTargets(practice, vessel, gas)), findings }
}

function sequenceTargets(practice: Practice, vessel: Sheet<VesselAnswer>, gas: Sheet<GasAnswer>) {
  const v = vessel.applies ? vessel.answer : undefined
  const g = gas.applies ? gas.answer : undefined
  const least = g?.index.appliance?.minInletGauge_Pa?.value
  return {
    ...(v ? { chargeGauge_Pa: v.need.chargeGauge_Pa, fillGauge_Pa: v.fillGauge_Pa, reliefSetGauge_Pa: v.inputs.reliefSetGauge_Pa, finalGauge_Pa: v.need.finalGauge_Pa, fitted_m3: v.fitted_m3, maxFlowTemp_K: v.inputs.maxTemp_K } : {}),
    ...(v?.forecast.outcome === 'settles' ? { hotGauge_Pa: v.forecast.hotGauge_Pa } : {}),
    ...(g ? { gasGauge_Pa: g.index.farGauge_Pa } : {}),
    ...(least === undefined ? {} : { gasLeastGauge_Pa: least, gasLeastSays: `the least inlet pressure on the plate of ${g?.index.appliance?.name ?? 'the appliance'}` }),
    practice: practice.name,
  }
}

/** Sheets of the survey differ only in what they ask for. */
function surveySheet<A>(missing: readonly Missing[], answer: A, rests: unknown): Sheet<A> {
  return { applies: true, answer, missing, findings: [], workings: () => [], restsOn: fingerprint(rests) }
}

const asked = (document: JobDocument, keys: readonly string[]): Missing[] =>
  surveyFields.filter((field) => keys.includes(field.key) && document.survey[field.key] === null).map((field) => ({ place: `survey.${field.key}`, what: field.label }))

function siteSheet(document: JobDocument) {
  const { site, survey } = document
  const height = document.heating ? ['topEmitterHeight_m'] : []
  const missing = [...(site.address.trim() === '' ? [{ place: 'site.address', what: 'Address' }] : []), ...asked(document, ['elevation_m', ...height])]
  return surveySheet(missing, { atmosphere_Pa: siteAtmosphere_Pa(document) }, { site, elevation: survey.elevation_m, height: survey.topEmitterHeight_m, practice: document.practice })
}

function readingsSheet(document: JobDocument) {
  const { survey, appliances, heating } = document
  const heatingKeys = heating ? ['fillTemp_K', 'maxFlowTemp_K', 'highLimitTemp_K'] : []
  const gasKeys = appliances.some((appliance) => burnsGas(appliance.kind)) ? ['gasStaticGauge_Pa', 'gasWorkingGauge_Pa'] : []
  const { gasStaticGauge_Pa: lockUp, gasWorkingGauge_Pa: working } = survey
  const staticToWorking_Pa = lockUp && working ? lockUp.value - working.value : undefined
  return surveySheet(asked(document, ['coldMainStaticGauge_Pa', 'incomingTemp_K', ...heatingKeys, ...gasKeys]), { staticToWorking_Pa }, survey)
}

function platesSheet(document: JobDocument) {
  const missing = document.appliances.length === 0
    ? [{ place: 'appliances', what: 'An appliance' }]
    : document.appliances.flatMap((appliance, i) => plateFields.filter((field) => field.needed && field.kinds.includes(appliance.kind) && appliance[field.key] === null).map((field) => ({ place: `appliances.${i}.${field.key}`, what: `${field.label} of ${appliance.name}` })))
  return surveySheet(missing, { burners: document.appliances.filter((appliance) => burnsGas(appliance.kind)).length }, document.appliances)
}

function tightnessSheet(document: JobDocument, practice: Practice, gas: Sheet<GasAnswer>): Sheet<TightnessDesign> {
  if (!gas.applies) return { applies: false, because: gas.because }
  const burners = document.appliances.filter((appliance) => burnsGas(appliance.kind))
  const supply = gas.answer && { volume_m3: gas.answer.volume_m3, workingGauge_Pa: gas.answer.conditions.meterGauge_Pa, atmosphere_Pa: gas.answer.conditions.atmosphere_Pa }
  return {
    applies: true, answer: supply && tightnessDesign(document, practice, supply),
    missing: gas.answer ? [] : [{ place: 'gas.segments', what: 'A gas supply that can be computed: its volume decides the test' }],
    findings: testFindings(document, burners), workings: () => [], restsOn: gas.restsOn,
  }
}

/** The fuel's data for a job. */
export const fuelOf = (document: JobDocument) => fuelGases[document.practice][document.survey.fuel]

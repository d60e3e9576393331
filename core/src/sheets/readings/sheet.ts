import type { Finding } from '../../answer/finding'
import { sources } from '../../answer/sources'
import type { Working } from '../../answer/working'
import { fuelGases, grossInput_W } from '../../methods/gas/fuel'
import type { JobDocument } from '../../job/document'
import { burnsGas, plateFields, surveyFields } from '../../job/fields'
import { fingerprint } from '../../job/merge'
import type { MainPoint } from '../../job/surveyDocument'
import { utilities } from '../../job/surveyDocument'
import type { Practice } from '../../practice/practices'
import { practices } from '../../practice/practices'
import type { ClosedConclusion, MainFittings } from '../../methods/supply/closedSystem'
import { closedSystem } from '../../methods/supply/closedSystem'
import type { MainCurve, RunningPoint } from '../../methods/supply/mainCurve'
import { fitMain, timedFlow_m3_s } from '../../methods/supply/mainCurve'
import { askedOf, fitted } from '../../job/asked'
import type { LookQuestion } from '../../job/questions'
import { inWords } from '../../job/questions'
import { placeFindings, partFindings, readingFindings } from './findings'
import type { Missing, Sheet } from '../sheet'
import { siteAtmosphere_Pa } from '../../job/siteAtmosphere'

export interface ReadingsAnswer {
  readonly staticToWorking_Pa: number | undefined
  readonly points: readonly (RunningPoint & { readonly id: string })[]
  readonly curve: MainCurve | undefined
  readonly closing: ClosedConclusion
  /** Coldest incoming water: what hot water is designed on. */
  readonly coldTemp_K: number | undefined
  /** Everything that burns, gross, at the heating value of the practice. */
  readonly load_m3_s: number
}

/** Sheets of the survey differ only in what they ask for. */
function surveySheet<A>(
  missing: readonly Missing[],
  answer: A,
  rests: unknown,
  findings: readonly Finding[] = [],
  workings: () => readonly Working[] = () => [],
): Sheet<A> {
  return { applies: true, answer, missing, findings, workings, restsOn: fingerprint(rests) }
}

const asked = (document: JobDocument, keys: readonly string[]): Missing[] =>
  surveyFields
    .filter((field) => keys.includes(field.key) && document.survey[field.key] === null)
    .map((field) => ({ place: `survey.${field.key}`, what: field.label }))

const unlooked = (document: JobDocument, sections: readonly LookQuestion['section'][]): Missing[] =>
  sections
    .flatMap((section) => askedOf(document, section))
    .filter((question) => document.survey.looked[question.key] === null)
    .map((question) => ({
      place: `survey.looked.${question.key}`,
      what: inWords(question.label, practices[document.practice].words),
    }))

export function siteSheet(document: JobDocument) {
  const { site, survey, hotWater, heating } = document
  const heights = [
    ...(heating ? ['topEmitterHeight_m'] : []),
    ...(hotWater ? ['topOutletHeight_m'] : []),
  ]
  const missing = [
    ...(site.address.trim() === '' ? [{ place: 'site.address', what: 'Address' }] : []),
    ...(survey.visitedOn === null ? [{ place: 'survey.visitedOn', what: 'Day of the visit' }] : []),
    ...asked(document, ['elevation_m', ...heights]),
    ...utilities
      .filter((utility) => survey.supplies[utility] === null)
      .map((utility) => ({
        place: `survey.supplies.${utility}`,
        what: `Whether the ${utility} is connected`,
      })),
  ]
  return surveySheet(
    missing,
    { atmosphere_Pa: siteAtmosphere_Pa(document) },
    {
      site,
      elevation: survey.elevation_m,
      top: survey.topEmitterHeight_m,
      outlet: survey.topOutletHeight_m,
      supplies: survey.supplies,
      visited: survey.visitedOn,
      practice: document.practice,
    },
    siteFindings(document),
  )
}

const blocks = {
  water: 'Filling, flushing and the water tests wait; a circuit can be proved with air meanwhile.',
  gas: 'Tightness is proved with air meanwhile and again with gas; purging, firing and the working pressure wait.',
  power: 'Controls, pumps and every limit wait; a generator is no substitute for the real supply.',
} as const

const siteFindings = ({ survey }: JobDocument): readonly Finding[] =>
  utilities.flatMap((utility): Finding[] => {
    const supply = survey.supplies[utility]
    return supply?.state === 'not-yet'
      ? [
          {
            id: 'supply-not-live',
            severity: 'note',
            place: `survey.supplies.${utility}`,
            names: [
              utility.charAt(0).toUpperCase() + utility.slice(1),
              supply.expected ?? '',
              blocks[utility],
            ],
            source: sources.trade,
          },
        ]
      : []
  })

/** Flow of a running point: by its container, or as its cup says; undefined while something is missing. */
export function pointFlow_m3_s(point: MainPoint): number | undefined {
  if (point.by === 'flow-cup') return point.flow_m3_s?.value
  return point.container_m3 && point.filled_s && point.container_m3.value > 0
    ? timedFlow_m3_s({ volume_m3: point.container_m3.value, time_s: point.filled_s.value })
    : undefined
}

const runningPoints = (document: JobDocument) =>
  document.survey.mainPoints.flatMap((point) => {
    const flow_m3_s = pointFlow_m3_s(point)
    return point.gauge_Pa && flow_m3_s !== undefined && flow_m3_s > 0
      ? [{ id: point.id, gauge_Pa: point.gauge_Pa.value, flow_m3_s }]
      : []
  })

/** The main's supply curve of a job; undefined while it has not been run. */
export function mainOf(document: JobDocument): MainCurve | undefined {
  const { coldMainStaticGauge_Pa } = document.survey
  return coldMainStaticGauge_Pa
    ? fitMain(coldMainStaticGauge_Pa.value, runningPoints(document))
    : undefined
}

const seen = (
  document: JobDocument,
  key:
    | 'mainReducingValve'
    | 'mainCheckValve'
    | 'mainBackflowPreventer'
    | 'mainMeterCheck'
    | 'mainStreetCheck',
) => document.survey.looked[key]?.answer ?? null

/** What was seen of the fittings on the main. */
export const mainFittings = (document: JobDocument): MainFittings => ({
  reducingValve: seen(document, 'mainReducingValve'),
  checkValve: seen(document, 'mainCheckValve'),
  backflowPreventer: seen(document, 'mainBackflowPreventer'),
  meterCheck: seen(document, 'mainMeterCheck'),
  streetCheck: seen(document, 'mainStreetCheck'),
})

/** Coldest incoming water that is known: the year's, or the day's own reading. */
export const coldestTemp_K = ({ survey }: JobDocument): number | undefined =>
  survey.incomingColdestTemp_K?.value ?? survey.incomingTemp_K?.value

/** Gas that everything fitted burns together, m³/s at 15 °C and 101 325 Pa. */
export const loadOf_m3_s = (document: JobDocument): number => {
  const gas = fuelGases[document.practice][document.survey.fuel]
  return (
    fitted(document.appliances).reduce(
      (sum, one) =>
        sum +
        (burnsGas(one.kind) && one.input_W
          ? grossInput_W(one.input_W.value, one.inputSaid, gas)
          : 0),
      0,
    ) / gas.grossHeat_J_m3
  )
}

export function readingsSheet(document: JobDocument, practice: Practice): Sheet<ReadingsAnswer> {
  const { survey, appliances, heating, hotWater } = document
  const heatingKeys = heating ? ['fillTemp_K', 'maxFlowTemp_K', 'highLimitTemp_K'] : []
  const gasKeys = appliances.some((appliance) => burnsGas(appliance.kind))
    ? ['gasStaticGauge_Pa', 'gasWorkingGauge_Pa']
    : []
  const { gasStaticGauge_Pa: lockUp, gasWorkingGauge_Pa: working } = survey
  const answer: ReadingsAnswer = {
    staticToWorking_Pa: lockUp && working ? lockUp.value - working.value : undefined,
    points: runningPoints(document),
    curve: mainOf(document),
    closing: closedSystem(mainFittings(document)),
    coldTemp_K: coldestTemp_K(document),
    load_m3_s: loadOf_m3_s(document),
  }
  const missing = [
    ...asked(document, ['coldMainStaticGauge_Pa', 'incomingTemp_K', ...heatingKeys, ...gasKeys]),
    ...(hotWater && answer.points.length === 0
      ? [{ place: 'survey.mainPoints', what: 'A running pressure with its flow' }]
      : []),
    ...unlooked(document, ['main', 'gas']).filter(
      (gap) => gap.place !== 'survey.looked.mainStreetCheck',
    ),
  ]
  const rests = {
    ...survey,
    looked: Object.fromEntries(
      [...askedOf(document, 'main'), ...askedOf(document, 'gas')].map(({ key }) => [
        key,
        survey.looked[key],
      ]),
    ),
    supplies: null,
    draught: null,
    visitedOn: null,
    placePhotos: null,
  }
  return surveySheet(missing, answer, rests, readingFindings(document, practice, answer), () =>
    readingWorkings(answer),
  )
}

function readingWorkings({
  curve,
  points,
  staticToWorking_Pa,
}: ReadingsAnswer): readonly Working[] {
  return [
    ...(curve
      ? points.map((point, i): Working => ({
          circuit: 'water',
          title: `What the main keeps at running point ${i + 1} (gauge)`,
          formula: 'p = p_static − k · q^(1/0.54), k by least squares through the running points',
          put: '{staticGauge_Pa} − fall at {flow_m3_s}; read {readGauge_Pa}',
          figures: {
            staticGauge_Pa: curve.staticGauge_Pa,
            flow_m3_s: point.flow_m3_s,
            readGauge_Pa: point.gauge_Pa,
            curveGauge_Pa: curve.staticGauge_Pa - curve.k * point.flow_m3_s ** (1 / 0.54),
          },
          result: 'curveGauge_Pa',
          source: sources.hydrantFlow,
        }))
      : []),
    ...(staticToWorking_Pa === undefined
      ? []
      : [
          {
            circuit: 'gas' as const,
            title: 'Static to working',
            formula: 'fall = p_static − p_working',
            put: 'both at the meter, gauge',
            figures: { fall_Pa: staticToWorking_Pa },
            result: 'fall_Pa',
            source: sources.arithmetic,
          },
        ]),
  ]
}

export function platesSheet(document: JobDocument): Sheet<{ readonly burners: number }> {
  const here = document.appliances.filter((appliance) => appliance.stay !== 'goes')
  const missing =
    document.appliances.length === 0
      ? [{ place: 'appliances', what: 'An appliance' }]
      : document.appliances.flatMap((appliance, i) =>
          appliance.stay === 'goes'
            ? []
            : plateFields
                .filter(
                  (field) =>
                    field.needed &&
                    field.kinds.includes(appliance.kind) &&
                    appliance[field.key] === null,
                )
                .map((field) => ({
                  place: `appliances.${i}.${field.key}`,
                  what: `${field.label} of ${appliance.name}`,
                })),
        )
  const plates = document.appliances.map(({ papers: _papers, photos: _photos, ...plate }) => plate)
  return surveySheet(
    missing,
    { burners: here.filter((appliance) => burnsGas(appliance.kind)).length },
    { plates, parts: document.parts },
    partFindings(document),
  )
}

export function placeSheet(
  document: JobDocument,
  practice: Practice,
): Sheet<{ readonly draught: 'passed' | 'failed' | 'cannot-tell' | 'not-needed' | 'not-tried' }> {
  const { findings, draught } = placeFindings(document, practice)
  const { looked, ignitionHeight_m } = document.survey
  const missing = [
    ...unlooked(document, ['place', 'air', 'services']),
    ...(looked.location?.answer === 'garage' && looked.airSource?.answer !== 'sealed'
      ? asked(document, ['ignitionHeight_m'])
      : []),
  ]
  return surveySheet(
    missing,
    { draught },
    {
      looked,
      draught: document.survey.draught,
      ignitionHeight_m,
      schools: document.schools.safetyPan,
    },
    findings,
  )
}

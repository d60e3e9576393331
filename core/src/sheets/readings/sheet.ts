import { readingsWordings } from './wording'
import { askedOf } from '../../job/asked'
import { sheetSpec } from '../sheetSpec'
import { sources } from '../../answer/sources'
import type { Working } from '../../answer/working'
import type { JobDocument } from '../../job/document'
import { burnsGas } from '../../job/fields'
import type { Practice } from '../../practice/practice'
import { closedSystem } from '../../methods/supply/closedSystem'
import { readingFindings } from './findings'
import type { Sheet } from '../../answer/sheet'
import { coldestTemp_K } from '../../job/coldestTemp'
import { loadOf_m3_s } from '../../job/gasLoad'
import { runningPoints, mainOf, mainFittings } from '../../job/main'
import type { ReadingsAnswer } from './answer'
import { surveySheet, asked, unlooked } from '../surveySheet'

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
  return surveySheet(missing, answer, readingFindings(document, practice, answer), () =>
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

export const readingsSpec = sheetSpec()({
  id: 'readings',
  wordings: readingsWordings,
  place: 'survey',
  inputs: (document) => [
    ...Object.entries(document.survey).flatMap(([key, value]) =>
      elsewhere.has(key) ? [] : [value],
    ),
    ...[...askedOf(document, 'main'), ...askedOf(document, 'gas')].map(
      ({ key }) => document.survey.looked[key],
    ),
    loadOf_m3_s(document),
  ],
  beside: ({ appliances, heating, hotWater }) => [appliances, heating?.fluid, hotWater !== null],
  solve: readingsSheet,
})

/** Of the survey, what other sheets ask for. */
const elsewhere = new Set<string>([
  'looked',
  'supplies',
  'draught',
  'visitedOn',
  'placePhotos',
  'inspecting',
])

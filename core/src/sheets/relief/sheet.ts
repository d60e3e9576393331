import type { Sheet } from '../../answer/sheet'
import type { JobDocument } from '../../job/document'
import { hotWaterHeater } from '../../job/hotWaterHeater'
import type { Practice } from '../../practice/practice'
import { sideOf } from '../../practice/schools'
import type { SafetyAnswer } from '../safety/answer'
import { added, sheetSpec, valuesOf } from '../sheetSpec'
import type { ReliefsAnswer } from './answer'
import { answerValve } from './answerValve'
import { reliefFindings } from './findings'
import type { DischargeRules } from './judgeDischarge'
import { missingForRelief } from './missing'
import { panNeed } from './panNeed'
import { reliefSentence } from './sentence'
import type { ReliefFinding } from './wording'
import { reliefWordings } from './wording'
import { reliefWorkings } from './workings'

const inch = 0.0254
/** Height of an open end by the two schools, m. Source: domain practice, no source. */
export const endHeights_m = {
  a: [1.5 * inch, 6 * inch],
  b: [6 * inch, 24 * inch],
} as const satisfies Record<'a' | 'b', readonly [number, number]>

/** Every relief valve: setting, capacity, parts behind it, and where its water goes. */
export function reliefSheet(
  document: JobDocument,
  practice: Practice,
  safety: SafetyAnswer | undefined,
): Sheet<ReliefsAnswer> {
  const wantsHeating = document.heating !== null
  const heater = document.hotWater ? hotWaterHeater(document) : undefined
  if (!wantsHeating && !heater)
    return { applies: false, because: 'Nothing on this job holds hot water under pressure.' }
  const end_m = endHeights_m[sideOf('dischargeEnd', practice.name, document.schools)]
  const rules: DischargeRules = { ...practice.relief.discharge, end_m }
  const valves = document.reliefs.map((valve) =>
    answerValve(valve, document, practice, safety, rules),
  )
  const answer: ReliefsAnswer = { valves, pan: panNeed(document, practice), end_m }
  const findings: readonly ReliefFinding[] = reliefFindings(document, practice, answer)
  return {
    applies: true,
    answer,
    missing: missingForRelief(document, practice, heater, answer.pan.wanted),
    findings,
    workings: () => reliefWorkings(answer),
  }
}

/** Where the parts of the circuit stand to the valve. */
const placing = ['vesselHeight_m', 'reliefHeight_m', 'boilerAfterPump'] as const

export const reliefSpec = sheetSpec<{ safety: SafetyAnswer }>()({
  id: 'relief',
  wordings: reliefWordings,
  place: 'reliefs',
  inputs: ({ reliefs, pan, parts, appliances, schools, survey, heating, hotWater }, { safety }) => [
    reliefs,
    pan,
    parts,
    appliances,
    schools,
    survey.looked,
    survey.elevation_m,
    survey.fuel,
    survey.incomingColdestTemp_K ?? survey.incomingTemp_K,
    ...valuesOf(heating, [
      'reliefSetGauge_Pa',
      'weakParts',
      'furtherVessels',
      'vesselMaxWorkingGauge_Pa',
    ]),
    ...valuesOf(safety, [
      'expansionReliefGauge_Pa',
      'temperatureReliefGauge_Pa',
      'temperatureReliefTemp_K',
    ]),
    ...added({
      immersion_W: hotWater?.safety.immersion_W,
      ...Object.fromEntries(placing.map((key) => [key, heating?.[key]] as const)),
    }),
  ],
  beside: ({ heating, hotWater }) => [heating, hotWater !== null],
  solve: (document, practice, { safety }) => reliefSheet(document, practice, safety),
  says: reliefSentence,
})

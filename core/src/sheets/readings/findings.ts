import { elevated_Pa } from '../../methods/gas/network'
import type { Severity } from '../../answer/finding'
import type { ReadingsFinding } from './wording'
import type { Source } from '../../answer/sources'
import { sources } from '../../answer/sources'
import { atMost } from '../../answer/expect'
import type { JobDocument } from '../../job/document'
import { freezingTemp_K, plainWater } from '../../methods/fluid/glycol'
import type { SurveyKey } from '../../job/fields'
import type { Practice } from '../../practice/practice'
import type { Closing } from '../../methods/supply/closedSystem'
import type { LookKey } from '../../job/questions'
import { lookQuestion } from '../../job/questions'
import { zeroCelsius_K } from '../../units/units'
import { heatingFluidOf } from '../../job/heatingFluid'
import type { ReadingsAnswer } from './answer'

const closingKeys: Readonly<Record<Closing, LookKey>> = {
  reducingValve: 'mainReducingValve',
  checkValve: 'mainCheckValve',
  backflowPreventer: 'mainBackflowPreventer',
  meterCheck: 'mainMeterCheck',
  streetCheck: 'mainStreetCheck',
}

/** A fitting's question as a list names it: `pressure reducing valve on the main`. */
export const closingName = (closing: Closing): string => {
  const { label } = lookQuestion(closingKeys[closing])
  return label.charAt(0).toLowerCase() + label.slice(1)
}

/**
 * Temperatures at which what is to flow would be ice. The circuit's own counts with its glycol;
 * everything else is water.
 */
export function freezing(document: JobDocument): readonly ReadingsFinding[] {
  const { survey, heating } = document
  const fluid = heating ? heatingFluidOf(heating) : plainWater
  const inCircuit_K = freezingTemp_K(fluid) ?? zeroCelsius_K
  const read = (key: SurveyKey, freezes_K: number): readonly ReadingsFinding[] => {
    const temp_K = survey[key]?.value
    return temp_K === undefined || temp_K >= freezes_K
      ? []
      : [
          {
            id: 'water-freezes',
            severity: 'stop',
            place: `survey.${key}`,
            figures: { temp_K, freezes_K },
            source: sources.trade,
          },
        ]
  }
  return [
    ...read('incomingTemp_K', zeroCelsius_K),
    ...read('incomingColdestTemp_K', zeroCelsius_K),
    ...read('incomingWarmestTemp_K', zeroCelsius_K),
    ...read('fillTemp_K', inCircuit_K),
    ...read('maxFlowTemp_K', inCircuit_K),
  ]
}

/** Distance of the running points from one curve at which they are read again. Assumed. */
const scatterLimit = 0.25

/** What is wrong with the water and gas readings, and what follows from them. */
export function readingFindings(
  document: JobDocument,
  practice: Practice,
  answer: ReadingsAnswer,
): readonly ReadingsFinding[] {
  const { survey, hotWater } = document
  const main = survey.coldMainStaticGauge_Pa
  const limit = practice.survey.staticLimitGauge_Pa
  const working = survey.gasWorkingGauge_Pa
  const range =
    (working?.value ?? 0) < elevated_Pa ? practice.gas.supplyBand_Pa[survey.fuel] : undefined
  const find = (
    id: ReadingsFinding['id'],
    severity: Severity,
    place: string,
    source: Source,
    figures: Record<string, number> = {},
    names: readonly string[] = [],
  ): ReadingsFinding => ({ id, severity, place: `survey.${place}`, source, figures, names })
  const { closing } = answer
  return [
    ...freezing(document),
    ...(survey.looked.gasSmell?.answer === 'yes'
      ? [find('gas-smell', 'stop', 'looked.gasSmell', sources.trade)]
      : []),
    ...(main && !atMost(main.value, limit)
      ? [
          find(
            'main-too-high',
            survey.looked.mainReducingValve?.answer === 'yes' ? 'note' : 'fix',
            'coldMainStaticGauge_Pa',
            practice.survey.staticLimitSource,
            { staticGauge_Pa: main.value, limitGauge_Pa: limit },
          ),
        ]
      : []),
    ...(main
      ? answer.points
          .filter((point) => point.gauge_Pa >= main.value)
          .map((point) =>
            find(
              'main-running-above-static',
              'fix',
              `mainPoints.${survey.mainPoints.findIndex((one) => one.id === point.id)}`,
              sources.arithmetic,
              { gauge_Pa: point.gauge_Pa, staticGauge_Pa: main.value },
              [survey.mainPoints.find((one) => one.id === point.id)?.name ?? 'This point'],
            ),
          )
      : []),
    ...(answer.curve && answer.curve.scatterRatio > scatterLimit
      ? [
          find('main-points-disagree', 'fix', 'mainPoints', sources.hydrantFlow, {
            scatterRatio: answer.curve.scatterRatio,
          }),
        ]
      : []),
    ...(main && hotWater && answer.points.length === 0
      ? [find('main-not-run', 'note', 'mainPoints', sources.trade)]
      : []),
    ...(hotWater && closing.system === 'closed'
      ? [
          find('main-closed', 'note', 'closing', sources.trade, {}, [
            closing.by.map(closingName).join(', '),
          ]),
        ]
      : []),
    ...(hotWater && closing.system === 'cannot-tell'
      ? [
          find('main-cannot-tell', 'note', 'closing', sources.trade, {}, [
            closing.lookAt.map(closingName).join(', '),
          ]),
        ]
      : []),
    ...(hotWater && survey.incomingTemp_K && !survey.incomingColdestTemp_K
      ? [
          find('incoming-not-coldest', 'note', 'incomingTemp_K', sources.trade, {
            incomingTemp_K: survey.incomingTemp_K.value,
          }),
        ]
      : []),
    ...(survey.looked.mainStopValve && survey.looked.mainStopValve.answer !== 'works'
      ? [
          find('stop-valve-fails', 'fix', 'looked.mainStopValve', sources.trade, {}, [
            survey.looked.mainStopValve.answer === 'none' ? 'was not found' : 'does not hold',
          ]),
        ]
      : []),
    ...(answer.staticToWorking_Pa !== undefined &&
    !atMost(answer.staticToWorking_Pa, practice.gas.staticToWorkingLimit_Pa)
      ? [
          find('gas-static-to-working', 'fix', 'gasWorkingGauge_Pa', sources.trade, {
            fall_Pa: answer.staticToWorking_Pa,
            limit_Pa: practice.gas.staticToWorkingLimit_Pa,
          }),
        ]
      : []),
    ...(range &&
    working &&
    working.basis !== 'assumed' &&
    (working.value < range[0] - 0.001 || working.value > range[1] + 0.001)
      ? [
          find('gas-meter-range', 'fix', 'gasWorkingGauge_Pa', practice.gas.supplyBandSource, {
            workingGauge_Pa: working.value,
            leastGauge_Pa: range[0],
            mostGauge_Pa: range[1],
          }),
        ]
      : []),
    ...(survey.gasMeter_m3_s && !atMost(answer.load_m3_s, survey.gasMeter_m3_s.value)
      ? [
          find('gas-meter-too-small', 'fix', 'gasMeter_m3_s', sources.continuity, {
            flow_m3_s: answer.load_m3_s,
            meter_m3_s: survey.gasMeter_m3_s.value,
          }),
        ]
      : []),
  ]
}

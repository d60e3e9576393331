import { elevated_Pa } from '../../methods/gas/methodNames'
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

/** What a pressure may differ by and still be the same one, written another way. */
const rounding_Pa = 0.001

/** Distance of the running points from one curve at which they are read again. Assumed. */
const scatterLimit = 0.25

interface Read {
  readonly document: JobDocument
  readonly practice: Practice
  readonly answer: ReadingsAnswer
}

const find = (
  id: ReadingsFinding['id'],
  severity: Severity,
  place: string,
  source: Source,
  figures: Record<string, number> = {},
  names: readonly string[] = [],
): ReadingsFinding => ({ id, severity, place: `survey.${place}`, source, figures, names })

const gasSmell = ({ document }: Read) =>
  document.survey.looked.gasSmell?.answer === 'yes'
    ? find('gas-smell', 'stop', 'looked.gasSmell', sources.trade)
    : undefined

function mainTooHigh({ document, practice }: Read) {
  const { coldMainStaticGauge_Pa: main, looked } = document.survey
  const { staticLimitGauge_Pa: limitGauge_Pa, staticLimitSource } = practice.survey
  if (!main || atMost(main.value, limitGauge_Pa)) return undefined
  return find(
    'main-too-high',
    looked.mainReducingValve?.answer === 'yes' ? 'note' : 'fix',
    'coldMainStaticGauge_Pa',
    staticLimitSource,
    { staticGauge_Pa: main.value, limitGauge_Pa },
  )
}

function runningAboveStatic({ document, answer }: Read) {
  const { coldMainStaticGauge_Pa: main, mainPoints } = document.survey
  if (!main) return undefined
  const above = answer.points.filter((point) => point.gauge_Pa >= main.value)
  return above.map(({ id, gauge_Pa }) => {
    const i = mainPoints.findIndex((one) => one.id === id)
    return find(
      'main-running-above-static',
      'fix',
      `mainPoints.${i}`,
      sources.arithmetic,
      { gauge_Pa, staticGauge_Pa: main.value },
      [mainPoints[i]?.name ?? 'This point'],
    )
  })
}

function pointsDisagree({ answer: { curve } }: Read) {
  if (!curve || curve.scatterRatio <= scatterLimit) return undefined
  const { scatterRatio } = curve
  return find('main-points-disagree', 'fix', 'mainPoints', sources.hydrantFlow, { scatterRatio })
}

function mainNotRun({ document: { survey, hotWater }, answer }: Read) {
  if (!survey.coldMainStaticGauge_Pa || !hotWater || answer.points.length > 0) return undefined
  return find('main-not-run', 'note', 'mainPoints', sources.trade)
}

/** Whether water that is heated can go back into the main, where there is hot water to heat. */
function closedMain({ document: { hotWater }, answer: { closing } }: Read) {
  if (!hotWater || closing.system === 'open') return undefined
  const closed = closing.system === 'closed'
  const names = [(closed ? closing.by : closing.lookAt).map(closingName).join(', ')]
  const id = closed ? 'main-closed' : 'main-cannot-tell'
  return find(id, 'note', 'closing', sources.trade, {}, names)
}

function incomingNotColdest({ document: { survey, hotWater } }: Read) {
  const { incomingTemp_K, incomingColdestTemp_K } = survey
  if (!hotWater || !incomingTemp_K || incomingColdestTemp_K) return undefined
  const held = { incomingTemp_K: incomingTemp_K.value }
  return find('incoming-not-coldest', 'note', 'incomingTemp_K', sources.trade, held)
}

function stopValveFails({ document }: Read) {
  const valve = document.survey.looked.mainStopValve
  if (!valve || valve.answer === 'works') return undefined
  const how = valve.answer === 'none' ? 'was not found' : 'does not hold'
  return find('stop-valve-fails', 'fix', 'looked.mainStopValve', sources.trade, {}, [how])
}

function staticToWorking({ practice, answer }: Read) {
  const fall_Pa = answer.staticToWorking_Pa
  const limit_Pa = practice.gas.staticToWorkingLimit_Pa
  if (fall_Pa === undefined || atMost(fall_Pa, limit_Pa)) return undefined
  const held = { fall_Pa, limit_Pa }
  return find('gas-static-to-working', 'fix', 'gasWorkingGauge_Pa', sources.trade, held)
}

/** A working pressure that was read, outside the band of the supply; none is held to elevated gas. */
function meterRange({ document: { survey }, practice: { gas } }: Read) {
  const working = survey.gasWorkingGauge_Pa
  if (!working || working.basis === 'assumed' || working.value >= elevated_Pa) return undefined
  const [leastGauge_Pa, mostGauge_Pa] = gas.supplyBand_Pa[survey.fuel]
  if (working.value >= leastGauge_Pa - rounding_Pa && working.value <= mostGauge_Pa + rounding_Pa)
    return undefined
  return find('gas-meter-range', 'fix', 'gasWorkingGauge_Pa', gas.supplyBandSource, {
    workingGauge_Pa: working.value,
    leastGauge_Pa,
    mostGauge_Pa,
  })
}

function meterTooSmall({ document: { survey }, answer: { load_m3_s: flow_m3_s } }: Read) {
  const meter_m3_s = survey.gasMeter_m3_s?.value
  if (meter_m3_s === undefined || atMost(flow_m3_s, meter_m3_s)) return undefined
  const held = { flow_m3_s, meter_m3_s }
  return find('gas-meter-too-small', 'fix', 'gasMeter_m3_s', sources.continuity, held)
}

const rules: readonly ((read: Read) => ReadingsFinding | readonly ReadingsFinding[] | undefined)[] =
  [
    gasSmell,
    mainTooHigh,
    runningAboveStatic,
    pointsDisagree,
    mainNotRun,
    closedMain,
    incomingNotColdest,
    stopValveFails,
    staticToWorking,
    meterRange,
    meterTooSmall,
  ]

/** What is wrong with the water and gas readings, and what follows from them. */
export function readingFindings(
  document: JobDocument,
  practice: Practice,
  answer: ReadingsAnswer,
): readonly ReadingsFinding[] {
  const read: Read = { document, practice, answer }
  return [...freezing(document), ...rules.flatMap((rule) => rule(read) ?? [])]
}

import type { Finding, FindingId, Severity } from '../../answer/finding'
import type { Source } from '../../answer/sources'
import { sources } from '../../answer/sources'
import { atMost } from '../../answer/expect'
import type { JobDocument } from '../../job/document'
import { freezingTemp_K, plainWater } from '../../methods/fluid/glycol'
import type { SurveyKey } from '../../job/fields'
import { burnsGas } from '../../job/fields'
import type { Practice } from '../../practice/practices'
import { schools, sideOf } from '../../practice/schools'
import type { Closing } from '../../methods/supply/closedSystem'
import type { LookKey } from '../../job/questions'
import {
  answerText,
  draughtConditions,
  inWords,
  judgeDraught,
  lookQuestion,
} from '../../job/questions'
import { zeroCelsius_K } from '../../units/units'
import { heatingFluidOf } from '../../job/heatingFluid'
import type { ReadingsAnswer } from './sheet'

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

/** Temperatures at which what is to flow would be ice. The circuit's own counts with its glycol; everything else is water. */
function freezing(document: JobDocument): readonly Finding[] {
  const { survey, heating } = document
  const fluid = heating ? heatingFluidOf(heating) : plainWater
  const inCircuit_K = freezingTemp_K(fluid) ?? zeroCelsius_K
  const read = (key: SurveyKey, freezes_K: number): readonly Finding[] => {
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
): readonly Finding[] {
  const { survey, hotWater } = document
  const main = survey.coldMainStaticGauge_Pa
  const limit = practice.survey.staticLimitGauge_Pa
  const working = survey.gasWorkingGauge_Pa
  const range = survey.fuel === 'natural-gas' ? practice.survey.meterRange_Pa : undefined
  const find = (
    id: FindingId,
    severity: Severity,
    place: string,
    source: Source,
    figures: Record<string, number> = {},
    names: readonly string[] = [],
  ): Finding => ({ id, severity, place: `survey.${place}`, source, figures, names })
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
          find('gas-meter-range', 'fix', 'gasWorkingGauge_Pa', sources.meterRange, {
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

/** What the place, its air and its services ask for. */
export function placeFindings(
  document: JobDocument,
  practice: Practice,
): {
  readonly findings: readonly Finding[]
  readonly draught: 'passed' | 'failed' | 'cannot-tell' | 'not-needed' | 'not-tried'
} {
  const { looked, draught, ignitionHeight_m } = document.survey
  const says = (key: LookKey) => looked[key]?.answer
  const find = (
    id: FindingId,
    severity: Severity,
    key: LookKey,
    names: readonly string[] = [],
    figures: Record<string, number> = {},
  ): Finding => ({
    id,
    severity,
    place: `survey.looked.${key}`,
    source: sources.trade,
    names,
    figures,
  })
  const when = (test: boolean, ...found: Finding[]) => (test ? found : [])
  const judged = draught ? judgeDraught(draught) : undefined
  const needed = says('openFlued') === 'yes'
  const draughtFinding = (
    id: FindingId,
    severity: Severity,
    names: readonly string[] = [],
  ): Finding => ({ id, severity, place: 'survey.draught', source: sources.trade, names })
  const always = sideOf('safetyPan', practice.name, document.schools) === 'a'
  const garage = says('location') === 'garage'
  const low = ignitionHeight_m && ignitionHeight_m.value < practice.survey.garageFlame_m - 1e-6
  const findings = [
    ...when(judged?.outcome === 'failed', draughtFinding('draught-failed', 'stop')),
    ...when(
      judged?.outcome === 'cannot-tell',
      draughtFinding('draught-cannot-tell', 'fix', [
        draughtConditions
          .filter((one) => judged?.without.includes(one.id))
          .map((one) => inWords(one.text, practice.words).toLowerCase())
          .join(', ') || 'a clear draught either way',
      ]),
    ),
    ...when(needed && !draught, draughtFinding('draught-not-tried', 'fix')),
    ...when(says('reliefReach') === 'blocked', find('relief-blocked', 'stop', 'reliefReach')),
    ...when(says('reliefReach') === 'hidden', find('relief-out-of-reach', 'fix', 'reliefReach')),
    ...when(
      says('flueRoute') === 'blocked' || says('flueRoute') === 'needs-work',
      find('flue-unsound', says('flueRoute') === 'blocked' ? 'stop' : 'fix', 'flueRoute', [
        says('flueRoute') === 'blocked' ? 'is blocked or unsound' : 'needs work',
      ]),
    ),
    ...when(says('airSource') === 'room-short', find('combustion-air-short', 'stop', 'airSource')),
    ...when(says('vehiclePath') === 'yes', find('vehicle-path', 'fix', 'vehiclePath')),
    ...when(Boolean(garage && low && says('airSource') !== 'sealed'), {
      ...find('ignition-low', 'fix', 'location', [], {
        height_m: ignitionHeight_m?.value ?? 0,
        least_m: practice.survey.garageFlame_m,
      }),
      place: 'survey.ignitionHeight_m',
    }),
    ...when(
      says('livingBelow') === 'yes' || (always && says('livingBelow') === 'no'),
      find('pan-wanted', 'note', 'livingBelow', [
        says('livingBelow') === 'yes'
          ? 'A leak here comes through a ceiling.'
          : `The school chosen: ${schools.safetyPan.a.because}.`,
      ]),
    ),
    ...when(says('shakes') === 'yes', find('straps-wanted', 'note', 'shakes')),
    ...when(says('freezing') === 'yes', find('frost', 'note', 'freezing')),
    ...when(
      says('corrosiveAir') === 'yes',
      find('corrosive-air', says('airSource') === 'sealed' ? 'note' : 'fix', 'corrosiveAir'),
    ),
    ...(['serviceClearance', 'combustibles'] as const).flatMap((key) =>
      when(says(key) === 'short', find('clearance-short', 'fix', key, [lookQuestion(key).label])),
    ),
    ...when(says('drain') === 'none', find('no-drain', 'fix', 'drain')),
    ...when(says('drain') === 'pumped', find('drain-pumped', 'note', 'drain')),
    ...when(
      says('powerIsolator') === 'shared' || says('powerIsolator') === 'none',
      find('supply-shared', 'fix', 'powerIsolator', [
        says('powerIsolator') === 'none' ? 'has no isolator' : 'is shared',
      ]),
    ),
    ...when(says('dripLoop') === 'no', find('no-drip-loop', 'note', 'dripLoop')),
  ]
  return { findings, draught: judged?.outcome ?? (needed ? 'not-tried' : 'not-needed') }
}

const paperWords = {
  manual: 'manual',
  installation: 'installation instructions',
  charts: "maker's charts",
} as const

/** Papers that are not on file, and what is old. */
export function partFindings(document: JobDocument): readonly Finding[] {
  const visited = document.survey.visitedOn
    ? Number(document.survey.visitedOn.slice(0, 4))
    : undefined
  const papers = document.appliances.flatMap((appliance, i): Finding[] => {
    if (appliance.stay === 'goes') return []
    const absent = (
      ['manual', 'installation', ...(burnsGas(appliance.kind) ? ['charts' as const] : [])] as const
    ).filter((paper) => appliance.papers[paper] === null)
    const due = appliance.stay === 'new' && absent.some((paper) => paper !== 'charts')
    return absent.length === 0
      ? []
      : [
          {
            id: 'papers-missing',
            severity: due ? 'fix' : 'note',
            place: `appliances.${i}.papers`,
            names: [appliance.name, absent.map((paper) => paperWords[paper]).join(', ')],
            source: sources.maker,
          },
        ]
  })
  const ages = document.parts.flatMap((part, i): Finding[] => {
    if (part.stay !== 'stays') return []
    const place = `parts.${i}.madeYear`
    if (part.madeYear === null)
      return [
        {
          id: 'part-age-unknown',
          severity: 'note',
          place,
          names: [part.name],
          source: sources.trade,
        },
      ]
    const limit = part.kind === 'expansion-vessel' ? practiceAges.vessel : practiceAges.valve
    const age = visited === undefined ? undefined : visited - part.madeYear
    return age !== undefined && age >= limit
      ? [
          {
            id: 'part-old',
            severity: 'fix',
            place,
            names: [part.name],
            figures: { age, limit },
            source: sources.trade,
          },
        ]
      : []
  })
  return [...papers, ...ages]
}

/** Years after which a part is renewed. Common practice, no source. */
const practiceAges = { valve: 10, vessel: 15 } as const

/** What somebody saw, as a list prints it. */
export const lookedText = (document: JobDocument, key: LookKey): string => {
  const seen = document.survey.looked[key]
  return seen ? answerText(key, seen.answer) : 'not looked at yet'
}

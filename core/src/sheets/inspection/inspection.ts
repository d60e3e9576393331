import type { Source } from '../../answer/sources'
import { sources } from '../../answer/sources'
import { atMost } from '../../answer/expect'
import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import { safeOutlet } from '../../practice/safeOutlet'
import { schools, sideOf } from '../../practice/schools'
import type { Show } from '../../units/format'
import type { LookKey } from '../../job/questions'
import { answerText, inWords, lookQuestion } from '../../job/questions'
import { isAsked } from '../../job/asked'

export type InspectionVerdict = 'sound' | 'look-again' | 'unsafe' | 'not-inspected'
export const inspectionVerdicts: readonly InspectionVerdict[] = [
  'sound',
  'look-again',
  'unsafe',
  'not-inspected',
]
export const inspectionWords: Readonly<Record<InspectionVerdict, string>> = {
  sound: 'Sound',
  'look-again': 'Look again',
  unsafe: 'Unsafe',
  'not-inspected': 'Not inspected',
}

/** Below this a vessel takes in next to nothing, gauge. Common practice, no source. */
const flatGauge_Pa = 30e3

/** One thing that is looked at on an installation that is there already. */
export interface InspectionItem {
  readonly id: string
  readonly area: 'Water' | 'Relief and vessels' | 'Gas' | 'Air and flue' | 'Place' | 'Hot water'
  readonly name: string
  /** What it is held against. */
  readonly limit: string
  readonly source: Source
  /** What the survey already says of it. */
  readonly found?: string
  readonly suggests?: InspectionVerdict
  /** Where in the survey it is a design input. */
  readonly place?: string
}

/**
 * The facts of the survey, walked as an inspection: each with the limit it is held against, and
 * what is known of it already.
 */
export function inspectionItems(
  document: JobDocument,
  practice: Practice,
  show: Show,
): readonly InspectionItem[] {
  const { survey, parts, appliances, hotWater } = document
  const { words } = practice
  const looked = (
    id: string,
    area: InspectionItem['area'],
    key: LookKey,
    limit: string,
    verdicts: Readonly<Record<string, InspectionVerdict>>,
  ): InspectionItem[] => {
    if (!isAsked(key, document)) return []
    const seen = survey.looked[key]
    const suggests = seen ? verdicts[seen.answer] : undefined
    return [
      {
        id,
        area,
        name: inWords(lookQuestion(key).label, words),
        limit: inWords(limit, words),
        source: sources.trade,
        place: `survey.looked.${key}`,
        ...(seen ? { found: answerText(key, seen.answer) } : {}),
        ...(suggests ? { suggests } : {}),
      },
    ]
  }
  const main = survey.coldMainStaticGauge_Pa
  const static_Pa = practice.survey.staticLimitGauge_Pa
  const fall_Pa =
    survey.gasStaticGauge_Pa && survey.gasWorkingGauge_Pa
      ? survey.gasStaticGauge_Pa.value - survey.gasWorkingGauge_Pa.value
      : undefined
  const outlet = safeOutlet(practice, document.site)
  const lift = sideOf('reliefLifting', practice.name, document.schools)
  return [
    {
      id: 'static',
      area: 'Water',
      name: 'Cold main, static',
      limit: `At most ${show(static_Pa, 'water-pressure')} without a reducing valve`,
      source: practice.survey.staticLimitSource,
      place: 'survey.coldMainStaticGauge_Pa',
      ...(main
        ? {
            found: show(main.value, 'water-pressure'),
            suggests: atMost(main.value, static_Pa) ? ('sound' as const) : ('look-again' as const),
          }
        : {}),
    },
    ...looked('stop-valve', 'Water', 'mainStopValve', 'Turns by hand and holds', {
      works: 'sound',
      fails: 'look-again',
      none: 'look-again',
    }),
    ...parts
      .filter((part) => part.stay !== 'new')
      .flatMap((part): InspectionItem[] => {
        const weakest = appliances
          .filter(
            (one) =>
              one.stay !== 'goes' &&
              one.maxWorkingGauge_Pa &&
              (part.circuit === 'heating' ? one.kind === 'boiler' : one.kind !== 'boiler'),
          )
          .map((one) => one.maxWorkingGauge_Pa?.value ?? Infinity)
        const limit_Pa = Math.min(...weakest)
        const isRelief = part.kind === 'relief-valve' || part.kind === 'temperature-pressure-valve'
        if (isRelief)
          return [
            {
              id: `set-${part.id}`.slice(0, 60),
              area: 'Relief and vessels',
              name: `${part.name}: setting`,
              limit: Number.isFinite(limit_Pa)
                ? `At or below ${show(limit_Pa, 'water-pressure')}, the weakest part it protects`
                : 'At or below the weakest part it protects',
              source: sources.trade,
              ...(part.setGauge_Pa
                ? {
                    found: show(part.setGauge_Pa.value, 'water-pressure'),
                    ...(Number.isFinite(limit_Pa)
                      ? {
                          suggests: atMost(part.setGauge_Pa.value, limit_Pa)
                            ? ('sound' as const)
                            : ('unsafe' as const),
                        }
                      : {}),
                  }
                : {}),
            },
          ]
        if (part.kind === 'expansion-vessel')
          return [
            {
              id: `charge-${part.id}`.slice(0, 60),
              area: 'Relief and vessels',
              name: `${part.name}: charge`,
              limit: 'The design’s charge, read with its water side empty; at 0 it is flat',
              source: sources.trade,
              ...(part.chargeGauge_Pa
                ? {
                    found: show(part.chargeGauge_Pa.value, 'water-pressure'),
                    ...(part.chargeGauge_Pa.value < flatGauge_Pa
                      ? { suggests: 'look-again' as const }
                      : {}),
                  }
                : {}),
            },
          ]
        return []
      }),
    ...looked(
      'relief-reach',
      'Relief and vessels',
      'reliefReach',
      'Lever within reach, outlet in sight, nothing plugged',
      { yes: 'sound', hidden: 'look-again', blocked: 'unsafe', none: 'unsafe' },
    ),
    {
      id: 'relief-lift',
      area: 'Relief and vessels',
      name: `${inWords('{reliefValve}', words)}: does it still move`,
      limit:
        lift === 'a'
          ? `Lifted by its lever, reseats dry: ${schools.reliefLifting.a.because}`
          : `Not lifted where it is old: ${schools.reliefLifting.b.because}`,
      source: sources.trade,
    },
    {
      id: 'discharge',
      area: 'Relief and vessels',
      name: 'Discharge pipe',
      limit:
        'Full size, falls all the way, no valve, plug or thread at its end, ends in sight where nobody is scalded',
      source: sources.trade,
    },
    ...looked('smell', 'Gas', 'gasSmell', 'None', { no: 'sound', yes: 'unsafe' }),
    {
      id: 'static-working',
      area: 'Gas',
      name: 'Gas, static to working',
      limit: `At most ${show(practice.gas.staticToWorkingLimit_Pa, 'gas-pressure')}, everything burning`,
      source: sources.trade,
      place: 'survey.gasWorkingGauge_Pa',
      ...(fall_Pa === undefined
        ? {}
        : {
            found: show(fall_Pa, 'gas-pressure'),
            suggests: atMost(fall_Pa, practice.gas.staticToWorkingLimit_Pa)
              ? ('sound' as const)
              : ('look-again' as const),
          }),
    },
    {
      id: 'gas-valve',
      area: 'Gas',
      name: 'Gas valve at each appliance',
      limit: 'Within reach, turns by hand, bonded pipe, no hose past its date',
      source: sources.trade,
    },
    ...looked(
      'air',
      'Air and flue',
      'airSource',
      'Sealed, or permanent openings of the size the manual asks',
      { sealed: 'sound', 'room-enough': 'sound', 'room-short': 'unsafe' },
    ),
    ...looked(
      'flue',
      'Air and flue',
      'flueRoute',
      'Whole, supported, rising, clear of what burns',
      { clear: 'sound', 'needs-work': 'look-again', blocked: 'unsafe' },
    ),
    {
      id: 'co-alarm',
      area: 'Air and flue',
      name: 'Carbon monoxide alarm',
      limit: 'There, in date, sounds when tried',
      source: sources.trade,
    },
    ...looked('clearance', 'Place', 'combustibles', "The manual's clearance", {
      kept: 'sound',
      short: 'unsafe',
    }),
    ...looked('service', 'Place', 'serviceClearance', "The manual's clearance", {
      kept: 'sound',
      short: 'look-again',
    }),
    ...looked('drain', 'Place', 'drain', 'By gravity, to where hot water may go', {
      gravity: 'sound',
      pumped: 'look-again',
      none: 'look-again',
    }),
    ...looked('isolator', 'Place', 'powerIsolator', 'Its own, within sight', {
      own: 'sound',
      shared: 'look-again',
      none: 'look-again',
    }),
    ...looked('drip-loop', 'Place', 'dripLoop', 'Below the socket before it rises', {
      yes: 'sound',
      no: 'look-again',
      'no-cord': 'sound',
    }),
    ...(hotWater
      ? [
          {
            id: 'tap',
            area: 'Hot water' as const,
            name: `Hottest at a ${words.tap ?? 'tap'}`,
            limit: `At most ${show(outlet.temp_K, 'temperature')}`,
            source: outlet.source,
          },
        ]
      : []),
  ]
}

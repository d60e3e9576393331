import type { SafetyFinding } from './wording'
import { sources } from '../../answer/sources'
import type { HotWaterSafety } from '../../job/pressureDocument'
import type { Practice } from '../../practice/practice'
import { temperatureReliefMost_K } from '../../methods/relief/selection'
import type { InletFault } from '../../methods/inlet-group/inletGroup'
import { inletWords } from '../../methods/inlet-group/inletGroup'
import { inWords } from '../../job/questions'
import { showIn } from '../../units/format'
import { nextSize_m3 } from '../../methods/vessel/catalogue'
import { leastStore_m3 } from '../../methods/vessel/potable'
import type { SafetyAnswer } from './answer'

const at = (key: string) => `hotWater.safety.${key}`
const path = (key: string) => ['hotWater', 'safety', key] as const
const read = (value: number) => ({ value, basis: 'read' as const, from: 'Chosen' })

/** What is wrong with, or worth saying of, a store's protection. */
export function safetyFindings(
  safety: HotWaterSafety,
  practice: Practice,
  answer: SafetyAnswer,
): readonly SafetyFinding[] {
  return [
    ...ladderFindings(practice, answer),
    ...vesselFindings(safety, practice, answer),
    ...answer.inletFaults.map((fault) => inletFinding(fault, safety, practice)),
    ...heatFindings(safety, practice, answer),
    ...supplyFindings(safety, answer),
    ...whoFindings(practice, answer),
  ]
}

/** Valves are stamped in whole degrees: 99 °C is 210 °F. */
const stampedTo_K = 0.25

/** The order that the pressures must climb in. */
function ladderFindings(practice: Practice, a: SafetyAnswer): SafetyFinding[] {
  const { source } = practice.safety
  const above = (low: number | undefined, high: number | undefined) =>
    low !== undefined && high !== undefined && low > high * (1 + 1e-6)
  const figures = (low_Pa: number, high_Pa: number) => ({
    lowGauge_Pa: low_Pa,
    highGauge_Pa: high_Pa,
  })
  const climb = (
    id: 'expansion-above-temperature' | 'relief-above-store',
    place: string,
    names: string[],
    low: number | undefined,
    high: number | undefined,
  ): SafetyFinding[] =>
    above(low, high)
      ? [
          {
            id,
            severity: 'stop',
            place: at(place),
            source,
            names,
            figures: figures(low ?? 0, high ?? 0),
          },
        ]
      : []
  const valve = practice.words.temperatureRelief
  const show = showIn(practice.units)
  return [
    ...climb(
      'relief-above-store',
      'temperatureReliefGauge_Pa',
      [valve, a.heater.name],
      a.temperatureReliefGauge_Pa,
      a.ratedGauge_Pa,
    ),
    ...climb(
      'relief-above-store',
      'expansionReliefGauge_Pa',
      [`expansion ${practice.words.reliefValve}`, a.heater.name],
      a.expansionReliefGauge_Pa,
      a.ratedGauge_Pa,
    ),
    ...(a.expansionReliefGauge_Pa !== undefined &&
    a.expansionReliefGauge_Pa >= a.temperatureReliefGauge_Pa
      ? climb(
          'expansion-above-temperature',
          'expansionReliefGauge_Pa',
          [valve],
          a.expansionReliefGauge_Pa,
          a.temperatureReliefGauge_Pa * (1 - 2e-6),
        )
      : []),
    ...(a.temperatureReliefTemp_K > temperatureReliefMost_K + stampedTo_K
      ? [
          {
            id: 'temperature-relief-hot',
            severity: 'stop',
            place: at('temperatureReliefTemp_K'),
            source: sources.asmeHlw,
            names: [valve],
            figures: { openTemp_K: a.temperatureReliefTemp_K, mostTemp_K: temperatureReliefMost_K },
          } satisfies SafetyFinding,
        ]
      : []),
    ...(a.reliefsAssumed
      ? [
          {
            id: 'store-reliefs-assumed',
            severity: 'fix',
            place: at('temperatureReliefGauge_Pa'),
            source,
            names: [valve],
            figures: {
              temperatureGauge_Pa: a.temperatureReliefGauge_Pa,
              ...(a.expansionReliefGauge_Pa === undefined
                ? {}
                : { expansionGauge_Pa: a.expansionReliefGauge_Pa }),
            },
            remedy: {
              label: `fit ${show(a.temperatureReliefGauge_Pa, 'water-pressure')} and record it`,
              edits: [
                {
                  path: path('temperatureReliefGauge_Pa'),
                  value: read(a.temperatureReliefGauge_Pa),
                },
                { path: path('temperatureReliefTemp_K'), value: read(a.temperatureReliefTemp_K) },
                ...(a.expansionReliefGauge_Pa === undefined
                  ? []
                  : [
                      {
                        path: path('expansionReliefGauge_Pa'),
                        value: read(a.expansionReliefGauge_Pa),
                      },
                    ]),
              ],
            },
          } satisfies SafetyFinding,
        ]
      : []),
  ]
}

/** A charge this near the supply needs nothing done to it. Common practice, no source. */
const chargeTolerance_Pa = 10000

function vesselFindings(
  safety: HotWaterSafety,
  practice: Practice,
  a: SafetyAnswer,
): SafetyFinding[] {
  const show = showIn(practice.units)
  if (a.reducedGauge_Pa >= a.maxGauge_Pa) {
    const lower = Math.min(
      practice.safety.reducingGauge_Pa,
      Math.floor((0.7 * a.maxGauge_Pa) / 5e4) * 5e4,
    )
    return [
      {
        id: 'supply-leaves-no-room',
        severity: 'stop',
        place: at('reducingGauge_Pa'),
        source: sources.potableVessel,
        figures: { supplyGauge_Pa: a.reducedGauge_Pa, maxGauge_Pa: a.maxGauge_Pa },
        ...(lower > 0
          ? {
              remedy: {
                label: `set a reducing valve to ${show(lower, 'water-pressure')}`,
                edits: [{ path: path('reducingGauge_Pa'), value: read(lower) }],
              },
            }
          : {}),
      },
    ]
  }
  if (!a.vesselWanted)
    return a.store_m3 < leastStore_m3 && a.closed.system !== 'open'
      ? [
          {
            id: 'next-to-no-water',
            severity: 'note',
            place: at('vesselSize_m3'),
            source: sources.potableVessel,
            names: [a.heater.name],
            figures: { store_m3: a.store_m3, expansion_m3: a.expansion_m3 },
          },
        ]
      : []
  const needed_m3 = a.needed_m3 ?? 0
  const next = nextSize_m3(needed_m3, practice.vessel.sizes_m3)
  return [
    ...(a.fitted_m3 < needed_m3 * (1 - 1e-6)
      ? [
          {
            id: 'potable-vessel-small',
            severity: 'stop',
            place: at('vesselSize_m3'),
            source: sources.potableVessel,
            figures: { needed_m3, fitted_m3: a.fitted_m3, maxGauge_Pa: a.maxGauge_Pa },
            ...(next === undefined
              ? {}
              : {
                  remedy: {
                    label: `take the ${show(next, 'small-volume')} ${practice.words.vessel}`,
                    edits: [{ path: path('vesselSize_m3'), value: next }],
                  },
                }),
          } satisfies SafetyFinding,
        ]
      : []),
    ...(safety.vesselChargeGauge_Pa &&
    Math.abs(a.chargeGauge_Pa - a.reducedGauge_Pa) > chargeTolerance_Pa
      ? [
          {
            id: 'potable-charge-off',
            severity: 'fix',
            place: at('vesselChargeGauge_Pa'),
            source: sources.potableVessel,
            figures: { chargeGauge_Pa: a.chargeGauge_Pa, supplyGauge_Pa: a.reducedGauge_Pa },
            remedy: {
              label: `charge it to ${show(a.reducedGauge_Pa, 'water-pressure')}`,
              edits: [{ path: path('vesselChargeGauge_Pa'), value: null }],
            },
          } satisfies SafetyFinding,
        ]
      : []),
  ]
}

function inletFinding(
  fault: InletFault,
  safety: HotWaterSafety,
  practice: Practice,
): SafetyFinding {
  const say = (kind: keyof typeof inletWords) => inWords(inletWords[kind], practice.words)
  const place = at('inlet')
  const source = sources.trade
  if (fault.fault === 'order') {
    const group = [...safety.inlet]
    const from = group.findIndex((piece) => piece.kind === fault.first)
    const [moved] = group.splice(from, 1)
    if (moved) group.splice(fault.at, 0, moved)
    return {
      id: 'inlet-order',
      severity: 'fix',
      place,
      source,
      names: [say(fault.first), say(fault.then)],
      remedy: { label: 'put it in its place', edits: [{ path: path('inlet'), value: group }] },
    }
  }
  if (fault.fault === 'reversed')
    return {
      id: 'inlet-reversed',
      severity: 'fix',
      place,
      source,
      names: [say(fault.kind)],
      remedy: {
        label: 'turn it round',
        edits: [
          {
            path: path('inlet'),
            value: safety.inlet.map((piece, i) =>
              i === fault.at ? { ...piece, reversed: false } : piece,
            ),
          },
        ],
      },
    }
  if (fault.fault === 'valve-before-store')
    return {
      id: 'inlet-valve-between',
      severity: 'stop',
      place,
      source,
      names: [say(safety.inlet[fault.at]?.kind ?? 'service-valve')],
      remedy: {
        label: 'take it out',
        edits: [{ path: path('inlet'), value: safety.inlet.filter((_, i) => i !== fault.at) }],
      },
    }
  return { id: 'inlet-not-there', severity: 'fix', place, source, names: [say(fault.kind)] }
}

function heatFindings(
  safety: HotWaterSafety,
  practice: Practice,
  a: SafetyAnswer,
): SafetyFinding[] {
  if (!a.stores) return []
  const { source, cutOutMost_K } = practice.safety
  const acts_K = safety.cutOutTemp_K?.value
  return [
    ...(safety.cutOut === 'resets-itself'
      ? [
          {
            id: 'cut-out-resets',
            severity: 'stop',
            place: at('cutOut'),
            source,
          } satisfies SafetyFinding,
        ]
      : []),
    ...(safety.cutOut === 'none'
      ? [
          {
            id: 'cut-out-none',
            severity: 'stop',
            place: at('cutOut'),
            source,
          } satisfies SafetyFinding,
        ]
      : []),
    ...(acts_K !== undefined && acts_K > cutOutMost_K + 0.01
      ? [
          {
            id: 'cut-out-hot',
            severity: 'fix',
            place: at('cutOutTemp_K'),
            source,
            figures: { actsTemp_K: acts_K, mostTemp_K: cutOutMost_K },
          } satisfies SafetyFinding,
        ]
      : []),
    ...(safety.immersion === 'no-cut-out'
      ? [
          {
            id: 'immersion-no-cut-out',
            severity: 'stop',
            place: at('immersion'),
            source,
          } satisfies SafetyFinding,
        ]
      : []),
  ]
}

/** A fall of this much at the design flow is worth saying. Common practice, no source. */
const noticeableFall_Pa = 50000

function supplyFindings(safety: HotWaterSafety, a: SafetyAnswer): SafetyFinding[] {
  return [
    ...(safety.balancedCold === 'before-reducing'
      ? [
          {
            id: 'mixers-unbalanced',
            severity: 'fix',
            place: at('balancedCold'),
            source: sources.trade,
            figures: { coldGauge_Pa: a.staticGauge_Pa, hotGauge_Pa: a.reducedGauge_Pa },
          } satisfies SafetyFinding,
        ]
      : []),
    ...(a.runningGauge_Pa !== undefined && a.reducedGauge_Pa - a.runningGauge_Pa > noticeableFall_Pa
      ? [
          {
            id: 'supply-falls',
            severity: 'note',
            place: at('reducingFall_Pa'),
            source: sources.hydrantFlow,
            figures: {
              standsGauge_Pa: a.reducedGauge_Pa,
              runsGauge_Pa: a.runningGauge_Pa,
              flow_m3_s: a.wanted_m3_s,
            },
          } satisfies SafetyFinding,
        ]
      : []),
  ]
}

const whoFindings = (practice: Practice, a: SafetyAnswer): SafetyFinding[] =>
  practice.unventedTicket && a.stores
    ? [
        {
          id: 'unvented-ticket',
          severity: 'note',
          place: 'hotWater.safety.heater',
          source: sources.trade,
        },
      ]
    : []

import type { Remedy } from '../../answer/finding'
import type { ReliefFinding } from './wording'
import { fitted } from '../../job/asked'
import { sizeAsSold } from '../../practice/sold'
import { sources } from '../../answer/sources'
import { atMost } from '../../answer/expect'
import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import type { DischargeFault } from './judgeDischarge'
import type { ReliefAnswer, ReliefsAnswer } from './answer'

/** What is wrong with, or worth saying of, relief valves, their discharge and the pan. */
export function reliefFindings(
  document: JobDocument,
  practice: Practice,
  { valves, pan }: ReliefsAnswer,
): readonly ReliefFinding[] {
  return [
    ...valves.flatMap((answer, i) => [
      ...valveFindings(answer, i, document, practice),
      ...dischargeFindings(answer, i, practice),
    ]),
    ...strangers(document, practice),
    ...unstoppable(document),
    ...panFindings(document, pan),
  ]
}

/** A finding, where it is one. */
const when = (is: boolean, finding: ReliefFinding): ReliefFinding[] => (is ? [finding] : [])

function valveFindings(
  answer: ReliefAnswer,
  i: number,
  document: JobDocument,
  practice: Practice,
): ReliefFinding[] {
  const { valve, capacityFrom, capacity_W } = answer
  const place = `reliefs.${i}`
  const names = [valve.name]
  return [
    ...abovePart(answer, place, practice),
    ...capacityFindings(answer, i, practice),
    ...when(capacityFrom === 'generic', {
      id: 'relief-generic',
      severity: 'note',
      place,
      source: sources.genericValve,
      names,
      figures: { capacity_W: capacity_W ?? 0 },
    }),
    ...when(valve.guards === 'temperature' && valve.probe === 'elsewhere', {
      id: 'relief-probe-cold',
      severity: 'stop',
      place,
      source: sources.asmeHlw,
      names,
    }),
    ...when(valve.lever === 'blocked', {
      id: 'relief-lever-blocked',
      severity: 'fix',
      place,
      source: sources.trade,
      names,
    }),
    ...when(valve.valveBetween === 'yes', {
      id: 'relief-can-be-shut',
      severity: 'stop',
      place,
      source: sources.trade,
      names,
      remedy: {
        label: 'take it out',
        edits: [{ path: ['reliefs', i, 'valveBetween'], value: 'no' }],
      },
    }),
    ...notLike(answer, place, document),
  ]
}

/** It lifts only above what the weakest part behind it stands, at the height of each. */
function abovePart(
  { valve, setGauge_Pa, weakest }: ReliefAnswer,
  place: string,
  practice: Practice,
): ReliefFinding[] {
  if (!weakest) return []
  const { seenGauge_Pa, limitGauge_Pa, name } = weakest
  return when(!atMost(seenGauge_Pa, limitGauge_Pa), {
    id: 'relief-above-part',
    severity: 'stop',
    place,
    source: practice.relief.protectsSource,
    names: [valve.name, name],
    figures: { setGauge_Pa, limitGauge_Pa, seenGauge_Pa },
  })
}

/** What it carries, of what is put in; an expansion relief is not asked to carry heat. */
function capacityFindings(answer: ReliefAnswer, i: number, practice: Practice): ReliefFinding[] {
  const { valve, protectsName, by, protects_W, together_W, capacityFrom, would } = answer
  if (valve.guards === 'expansion') return []
  const remedy: Remedy | undefined = would && {
    label: `take a ${sizeAsSold(practice, would.id)}`,
    edits: [
      { path: ['reliefs', i, 'size'], value: would.id },
      { path: ['reliefs', i, 'outlet'], value: would.outlet },
      { path: ['reliefs', i, 'capacity_W'], value: null },
    ],
  }
  const about = {
    place: `reliefs.${i}`,
    source: practice.relief.protectsSource,
    names: [valve.name, protectsName, by],
    ...(remedy ? { remedy } : {}),
  }
  const known = protects_W !== undefined && together_W !== undefined
  return [
    ...when(capacityFrom === 'none', {
      ...about,
      id: 'relief-capacity-unknown',
      severity: 'fix',
      figures: { protects_W: protects_W ?? 0 },
    }),
    ...(known && !atMost(protects_W, together_W)
      ? [
          {
            ...about,
            id: 'relief-capacity-short',
            severity: 'stop',
            figures: { protects_W, capacity_W: together_W },
          } satisfies ReliefFinding,
        ]
      : []),
  ]
}

/**
 * Held against the part it takes the place of: set pressure, temperature and capacity. Source:
 * sources.trade.
 */
function notLike(
  { valve, setGauge_Pa, openTemp_K, capacity_W }: ReliefAnswer,
  place: string,
  { parts }: JobDocument,
): ReliefFinding[] {
  const old = parts.find((part) => part.id === valve.replacesId)
  if (!old) return []
  const differs = [
    ...(old.setGauge_Pa && Math.abs(old.setGauge_Pa.value - setGauge_Pa) > 1000
      ? ['set pressure']
      : []),
    ...(old.openTemp_K &&
    openTemp_K !== undefined &&
    Math.abs(old.openTemp_K.value - openTemp_K) > 1
      ? ['temperature']
      : []),
    ...(old.capacity_W && capacity_W !== undefined && capacity_W < old.capacity_W.value * (1 - 1e-6)
      ? ['capacity']
      : []),
  ]
  return differs.length === 0
    ? []
    : [
        {
          id: 'relief-not-like',
          severity: 'fix',
          place,
          source: sources.trade,
          names: [valve.name, old.name, differs.join(' and ')],
          figures: { setGauge_Pa, oldGauge_Pa: old.setGauge_Pa?.value ?? setGauge_Pa },
        },
      ]
}

function dischargeFindings(
  { valve, discharge }: ReliefAnswer,
  i: number,
  practice: Practice,
): ReliefFinding[] {
  if (!discharge) return []
  const { source } = practice.relief.discharge
  return discharge.faults.map((fault): ReliefFinding => ({
    id: fault.id,
    severity: fault.severity,
    place: placeOf(fault, i),
    source: sourceOf(fault.id) ?? source,
    names: [valve.name, ...(fault.names ?? [])],
    ...(fault.figures ? { figures: fault.figures } : {}),
    ...(fault.mended
      ? {
          remedy: {
            label: mends[fault.id] ?? 'put it right',
            edits: [{ path: ['reliefs', i, 'discharge'], value: fault.mended }],
          },
        }
      : {}),
  }))
}

/** What a fault is judged by, where it is not the rule for discharge pipes of the place. */
function sourceOf(id: DischargeFault['id']) {
  if (id === 'discharge-back-pressure' || id === 'discharge-sonic') return sources.builtUp
  return id.startsWith('d2-') || id === 'd1-too-small' ? sources.approvedG : undefined
}

/** Row of the discharge editor that a fault speaks of. */
export const placeOf = ({ at }: DischargeFault, i: number): string =>
  at === 'run' ? `reliefs.${i}.discharge` : `reliefs.${i}.discharge.${at}`

const mends: Partial<Record<DischargeFault['id'], string>> = {
  'discharge-reduced': 'run it full size',
  'discharge-level': 'let it fall',
  'discharge-uphill': 'let it fall',
  'discharge-not-for-heat': 'use copper',
  'discharge-sags': 'use copper',
  'discharge-valve': 'take the valve out',
  'discharge-trap': 'take the trap out',
  'discharge-capped': 'take the cap off',
  'discharge-threaded': 'cut the thread off',
  'discharge-end-high': 'bring the end down',
  'discharge-end-low': 'raise the end',
  'discharge-crawl-space': 'take it outside',
  'd2-not-larger': 'take the size of the table',
  'd2-too-long': 'take the size of the table',
}

/** A valve of the wrong kind that is there already. */
function strangers({ parts }: JobDocument, practice: Practice): ReliefFinding[] {
  return parts.flatMap((part, i): ReliefFinding[] =>
    part.stay !== 'goes' && part.kind === 'temperature-pressure-valve' && part.circuit === 'heating'
      ? [
          {
            id: 'relief-wrong-kind',
            severity: 'stop',
            place: `parts.${i}`,
            source: sources.trade,
            names: [part.name, practice.words.temperatureRelief],
          },
        ]
      : [],
  )
}

/**
 * A fire or a sun that nobody can switch off, under a relief valve that is sized for something that
 * stops.
 */
const unstoppable = ({ appliances }: JobDocument): ReliefFinding[] =>
  fitted(appliances)
    .filter((one) => one.kind === 'solid-fuel-boiler' || one.kind === 'solar-collector')
    .map((one) => ({
      id: 'source-cannot-stop',
      severity: 'stop',
      place: `appliances.${appliances.indexOf(one)}`,
      source: sources.trade,
      names: [one.name],
    }))

function panFindings({ pan }: JobDocument, need: ReliefsAnswer['pan']): ReliefFinding[] {
  const left = need.wanted && pan.fitted === 'no'
  return [
    ...(left && pan.because.trim() === ''
      ? [
          {
            id: 'pan-left-out',
            severity: 'fix',
            place: 'pan.fitted',
            source: sources.trade,
          } satisfies ReliefFinding,
        ]
      : []),
    ...(left && pan.because.trim() !== ''
      ? [
          {
            id: 'pan-left-out-because',
            severity: 'note',
            place: 'pan.fitted',
            source: sources.trade,
            names: [pan.because],
          } satisfies ReliefFinding,
        ]
      : []),
    ...(pan.fitted === 'yes' && pan.runsTo === 'nowhere'
      ? [
          {
            id: 'pan-drains-nowhere',
            severity: 'fix',
            place: 'pan.runsTo',
            source: sources.trade,
          } satisfies ReliefFinding,
        ]
      : []),
    ...(pan.fitted === 'yes' && pan.condensate === 'same-pan'
      ? [
          {
            id: 'pan-takes-acid',
            severity: 'fix',
            place: 'pan.condensate',
            source: sources.trade,
          } satisfies ReliefFinding,
        ]
      : []),
  ]
}

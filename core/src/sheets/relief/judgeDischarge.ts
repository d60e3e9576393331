import type { Severity } from '../../answer/finding'
import type { Discharge, DischargePiece } from '../../job/pressureDocument'
import type { ValveOutlet } from '../../methods/relief/catalogue'
import { valveOutlets } from '../../methods/relief/catalogue'
import type { DischargeRunPart, DischargeSize } from '../../methods/relief/dischargePipe'
import {
  backPressure_Pa,
  backPressureShare,
  dischargeSizeFacts,
  dischargeSizes,
  gravityFlow_m3_s,
  hotDischarge_m3_s,
  materialFacts,
} from '../../methods/relief/dischargePipe'
import { d2For, d2Row, leastD1_m, permittedStraight_m } from '../../methods/relief/dischargeTable'
import type { Relieving } from '../../methods/relief/steam'

/** What a practice asks of a discharge pipe. Lengths and heights in m. */
export interface DischargeRules {
  readonly tundish: 'wanted' | 'may'
  readonly table: 'approved-g' | 'full-size'
  readonly d1Most_m: number
  readonly dropLeast_m: number
  /** Height of an open end, by the school chosen. */
  readonly end_m: readonly [number, number]
  /** Outdoors, low and behind a guard, where the practice has it so. */
  readonly endOutside_m?: readonly [number, number]
}

export interface DischargeValve extends Relieving {
  readonly outlet: ValveOutlet
  readonly capacity_W: number
  /** What pushes water out while it is open: the heater's power. */
  readonly power_W: number
  readonly openTemp_K: number
  readonly coldTemp_K: number
  /**
   * No table applies, and the computed back pressure decides; else it stands beside what the table
   * says.
   */
  readonly backDecides: boolean
}

/** Where a fault is: a piece by its place in the run, or the end. */
export type DischargePlace = number | 'end' | 'run'

export const dischargeFaults = [
  'discharge-none',
  'discharge-reduced',
  'discharge-level',
  'discharge-uphill',
  'discharge-not-for-heat',
  'discharge-sags',
  'discharge-valve',
  'discharge-trap',
  'discharge-capped',
  'discharge-threaded',
  'discharge-no-air-gap',
  'tundish-hidden',
  'd1-too-long',
  'd1-too-small',
  'no-drop-after-tundish',
  'd2-not-larger',
  'd2-too-long',
  'd2-past-table',
  'discharge-end-high',
  'discharge-end-low',
  'discharge-end-hidden',
  'discharge-end-unsafe',
  'discharge-crawl-space',
  'discharge-bucket',
  'discharge-freezes',
  'discharge-back-pressure',
  'discharge-sonic',
  'discharge-cannot-carry',
  'discharge-not-measured',
] as const
export type DischargeFaultId = (typeof dischargeFaults)[number]

export interface DischargeFault {
  readonly id: DischargeFaultId
  readonly severity: Severity
  readonly at: DischargePlace
  readonly figures?: Readonly<Record<string, number>>
  readonly names?: readonly string[]
  /** The run put right. */
  readonly mended?: Discharge
}

export interface DischargeAnswer {
  readonly d1: readonly DischargeRunPart[]
  readonly d2: readonly DischargeRunPart[]
  readonly hasTundish: boolean
  readonly bends: number
  readonly length_m: number
  /** Steam of the whole capacity up to the first open point. */
  readonly back:
    | {
        readonly back_Pa: number
        readonly allowed_Pa: number
        readonly sonic: boolean
        readonly steam_kg_s: number
      }
    | undefined
  /** After a tundish: what runs off by its own fall, and what the heater pushes out. */
  readonly carries:
    | { readonly carries_m3_s: number; readonly wanted_m3_s: number; readonly fall_m: number }
    | undefined
  /** What the table says of the pipe after the tundish. */
  readonly table:
    | {
        readonly permitted_m: number | undefined
        readonly straight_m: number
        readonly bends: number
        readonly would:
          { readonly outsideDiameter_m: number; readonly permitted_m: number } | undefined
      }
    | undefined
  readonly faults: readonly DischargeFault[]
}

type Pipe = Extract<DischargePiece, { kind: 'pipe' }>
const isPipe = (piece: DischargePiece): piece is Pipe => piece.kind === 'pipe'
const stepOf = (outlet: ValveOutlet) => valveOutlets.indexOf(outlet)
const lengthOf = (pipes: readonly Pipe[]) =>
  pipes.reduce((sum, pipe) => sum + (pipe.length_m?.value ?? 0), 0)

/** Pipes as runs of one size each, with the bends that follow them. */
function runsOf(pieces: readonly DischargePiece[]): DischargeRunPart[] {
  const runs: { size: DischargeSize; length_m: number; bends: number }[] = []
  for (const piece of pieces) {
    const last = runs[runs.length - 1]
    if (isPipe(piece)) {
      if (last && last.size === piece.size) last.length_m += piece.length_m?.value ?? 0
      else runs.push({ size: piece.size, length_m: piece.length_m?.value ?? 0, bends: 0 })
    } else if (piece.kind === 'bend' && last) last.bends += 1
  }
  return runs
}

/** The size of the same system, inch or millimetre, at a nominal step. */
const sizeAt = (like: DischargeSize, step: number): DischargeSize | undefined =>
  dischargeSizes.find(
    (size) => dischargeSizeFacts[size].step === step && size.endsWith('mm') === like.endsWith('mm'),
  )

/**
 * Holds a discharge pipe against the rules of its practice and against what it must carry. Gauge
 * pressures. Sources: sources.approvedGRules, sources.naDischarge, sources.builtUp.
 */
export function judgeDischarge(
  run: Discharge,
  valve: DischargeValve,
  rules: DischargeRules,
): DischargeAnswer {
  const { pieces } = run
  const tundishAt = pieces.findIndex((piece) => piece.kind === 'tundish')
  const before = tundishAt < 0 ? pieces : pieces.slice(0, tundishAt)
  const after = tundishAt < 0 ? [] : pieces.slice(tundishAt + 1)
  const [d1, d2] = [runsOf(before), runsOf(after)]
  const measured = d1.length > 0 && valve.capacity_W > 0
  const steam = measured ? backPressure_Pa(d1, valve) : undefined
  const fall_m =
    after
      .filter(isPipe)
      .filter((pipe) => pipe.runs === 'down')
      .reduce((sum, pipe) => sum + (pipe.length_m?.value ?? 0), 0) +
    after
      .filter(isPipe)
      .filter((pipe) => pipe.runs === 'falling')
      .reduce((sum, pipe) => sum + (pipe.length_m?.value ?? 0) * leastFall, 0) -
    after
      .filter(isPipe)
      .filter((pipe) => pipe.runs === 'up')
      .reduce((sum, pipe) => sum + (pipe.length_m?.value ?? 0), 0)
  const facts = {
    d1,
    d2,
    hasTundish: tundishAt >= 0,
    bends: pieces.filter((piece) => piece.kind === 'bend').length,
    length_m: lengthOf(pieces.filter(isPipe)),
    back: steam && { ...steam, allowed_Pa: backPressureShare * valve.setGauge_Pa },
    carries:
      d2.length > 0 && valve.openTemp_K > valve.coldTemp_K
        ? {
            carries_m3_s: gravityFlow_m3_s(d2, fall_m, Math.min(valve.openTemp_K, 372)),
            wanted_m3_s: hotDischarge_m3_s(valve),
            fall_m,
          }
        : undefined,
    table: tableOf(after, valve, rules),
  }
  if (pieces.length === 0)
    return { ...facts, faults: [{ id: 'discharge-none', severity: 'fix', at: 'run' }] }
  return {
    ...facts,
    faults: [
      ...pieceFaults(run, valve),
      ...tundishFaults(run, valve, rules, tundishAt),
      ...endFaults(run, rules),
      ...sizeFaults(run, valve, facts, tundishAt),
    ],
  }
}

/** Fall of a pipe that runs along, 1 in 200. Source: sources.approvedGRules. */
export const leastFall = 1 / 200

function tableOf(
  after: readonly DischargePiece[],
  valve: DischargeValve,
  rules: DischargeRules,
): DischargeAnswer['table'] {
  if (rules.table !== 'approved-g' || after.length === 0) return undefined
  const pipes = after.filter(isPipe)
  const straight_m = lengthOf(pipes)
  const bends = after.filter((piece) => piece.kind === 'bend').length
  const smallest = pipes
    .map((pipe) => dischargeSizeFacts[pipe.size])
    .sort((a, b) => a.bore_m - b.bore_m)[0]
  const row =
    smallest?.outsideDiameter_m === undefined
      ? undefined
      : d2Row(valve.outlet, smallest.outsideDiameter_m)
  return {
    straight_m,
    bends,
    permitted_m: row && permittedStraight_m(row, bends),
    would: d2For({ outlet: valve.outlet, straight_m, bends }),
  }
}

const changed = (run: Discharge, at: number, piece: DischargePiece | undefined): Discharge => ({
  ...run,
  pieces: [...run.pieces.slice(0, at), ...(piece ? [piece] : []), ...run.pieces.slice(at + 1)],
})

/** A fault, where it is one. */
const when = (is: boolean, fault: DischargeFault): DischargeFault[] => (is ? [fault] : [])

function pieceFaults(run: Discharge, valve: DischargeValve): DischargeFault[] {
  let widest = stepOf(valve.outlet)
  return run.pieces.flatMap((piece, at): DischargeFault[] => {
    const mended = changed(run, at, undefined)
    if (piece.kind === 'valve') return [{ id: 'discharge-valve', severity: 'stop', at, mended }]
    if (piece.kind === 'trap') return [{ id: 'discharge-trap', severity: 'fix', at, mended }]
    if (piece.kind !== 'pipe') return []
    const wanted = widest
    widest = Math.max(widest, dischargeSizeFacts[piece.size].step)
    return pipeFaults(piece, { run, at, wanted, openTemp_K: valve.openTemp_K })
  })
}

function pipeFaults(
  piece: Pipe,
  {
    run,
    at,
    wanted,
    openTemp_K,
  }: {
    readonly run: Discharge
    readonly at: number
    /** The step of the widest before it: it may not be narrower. */
    readonly wanted: number
    readonly openTemp_K: number
  },
): DischargeFault[] {
  const { step } = dischargeSizeFacts[piece.size]
  const { label, standsHeat, rigid } = materialFacts[piece.material]
  const full = sizeAt(piece.size, wanted)
  const falling = changed(run, at, { ...piece, runs: 'falling' })
  const copper = changed(run, at, { ...piece, material: 'copper' })
  return [
    ...when(step < wanted, {
      id: 'discharge-reduced',
      severity: 'fix',
      at,
      names: [piece.size, full ?? ''],
      ...(full ? { mended: changed(run, at, { ...piece, size: full }) } : {}),
    }),
    ...when(piece.runs === 'up', {
      id: 'discharge-uphill',
      severity: 'stop',
      at,
      mended: falling,
    }),
    ...when(piece.runs === 'level', {
      id: 'discharge-level',
      severity: 'fix',
      at,
      mended: falling,
    }),
    ...when(!standsHeat, {
      id: 'discharge-not-for-heat',
      severity: 'fix',
      at,
      names: [label],
      figures: { openTemp_K },
      mended: copper,
    }),
    ...when(standsHeat && !rigid, {
      id: 'discharge-sags',
      severity: 'fix',
      at,
      names: [label],
      mended: copper,
    }),
    ...when(piece.length_m === null, { id: 'discharge-not-measured', severity: 'note', at }),
  ]
}

function tundishFaults(
  run: Discharge,
  valve: DischargeValve,
  rules: DischargeRules,
  tundishAt: number,
): DischargeFault[] {
  if (tundishAt < 0)
    return when(rules.tundish === 'wanted', {
      id: 'discharge-no-air-gap',
      severity: 'fix',
      at: 'run',
    })
  const tundish = run.pieces[tundishAt]
  const before = run.pieces.slice(0, tundishAt)
  const after = run.pieces.slice(tundishAt + 1)
  const d1_m = lengthOf(before.filter(isPipe))
  return [
    ...when(tundish?.kind === 'tundish' && tundish.visible === 'no', {
      id: 'tundish-hidden',
      severity: 'fix',
      at: tundishAt,
    }),
    ...when(d1_m > rules.d1Most_m * (1 + 1e-6), {
      id: 'd1-too-long',
      severity: 'fix',
      at: Math.max(0, tundishAt - 1),
      figures: { length_m: d1_m, most_m: rules.d1Most_m },
    }),
    ...(rules.table === 'approved-g' ? tooSmallBefore(before, valve) : []),
    ...noDropAfter(after, rules, tundishAt),
  ]
}

/** The first pipe before the tundish that is narrower than its table has for the outlet. */
function tooSmallBefore(
  before: readonly DischargePiece[],
  valve: DischargeValve,
): DischargeFault[] {
  const least_m = leastD1_m(valve.outlet)
  if (least_m === undefined) return []
  const at = before.findIndex(
    (piece) =>
      isPipe(piece) &&
      (dischargeSizeFacts[piece.size].outsideDiameter_m ?? Infinity) < least_m - 1e-9,
  )
  return when(at >= 0, {
    id: 'd1-too-small',
    severity: 'fix',
    at,
    figures: { leastBore_m: least_m },
  })
}

/** Straight down after the tundish, so that the water does not come back over its rim. */
function noDropAfter(
  after: readonly DischargePiece[],
  { dropLeast_m }: DischargeRules,
  tundishAt: number,
): DischargeFault[] {
  const first = after.findIndex((piece) => !(piece.kind === 'pipe' && piece.runs === 'down'))
  const drop_m = lengthOf(after.slice(0, first < 0 ? after.length : first).filter(isPipe))
  return when(after.length > 0 && drop_m < dropLeast_m * (1 - 1e-6), {
    id: 'no-drop-after-tundish',
    severity: 'fix',
    at: tundishAt,
    figures: { drop_m, least_m: dropLeast_m },
  })
}

function endFaults(run: Discharge, rules: DischargeRules): DischargeFault[] {
  const at = 'end' as const
  const plain: Discharge = { ...run, endThread: 'plain' }
  return [
    ...when(run.endThread === 'capped', {
      id: 'discharge-capped',
      severity: 'stop',
      at,
      mended: plain,
    }),
    ...when(run.endThread === 'threaded', {
      id: 'discharge-threaded',
      severity: 'fix',
      at,
      mended: plain,
    }),
    ...heightFaults(run, rules),
    ...when(run.endVisible === 'no', { id: 'discharge-end-hidden', severity: 'fix', at }),
    ...when(run.endSafe === 'no', { id: 'discharge-end-unsafe', severity: 'stop', at }),
    ...when(run.end === 'crawl-space', {
      id: 'discharge-crawl-space',
      severity: 'fix',
      at,
      mended: { ...run, end: 'outside' },
    }),
    ...when(run.end === 'bucket', { id: 'discharge-bucket', severity: 'fix', at }),
    ...when(run.endFreezes === 'yes', { id: 'discharge-freezes', severity: 'fix', at }),
  ]
}

const openEnds: readonly Discharge['end'][] = ['floor', 'outside', 'pan']

/** An end that is open to a floor, the ground or a pan: neither scalding from high nor under water. */
function heightFaults(run: Discharge, { end_m, endOutside_m }: DischargeRules): DischargeFault[] {
  const height_m = run.endHeight_m?.value
  if (height_m === undefined || !openEnds.includes(run.end)) return []
  const [least_m, most_m] = (run.end === 'outside' && endOutside_m) || end_m
  const middle_m = Math.round(((least_m + most_m) / 2) * 100) / 100
  const about = {
    severity: 'fix',
    at: 'end',
    figures: { height_m, most_m, least_m },
    mended: { ...run, endHeight_m: { value: middle_m, basis: 'read', from: 'Chosen' } },
  } as const
  return [
    ...when(height_m > most_m * (1 + 1e-6), { id: 'discharge-end-high', ...about }),
    ...when(height_m < least_m * (1 - 1e-6), { id: 'discharge-end-low', ...about }),
  ]
}

function sizeFaults(
  run: Discharge,
  valve: DischargeValve,
  { back, carries, table }: Pick<DischargeAnswer, 'back' | 'carries' | 'table'>,
  tundishAt: number,
): DischargeFault[] {
  return [
    ...(table ? tableFaults(run, valve, table, tundishAt) : []),
    ...(back
      ? when(back.back_Pa > back.allowed_Pa || back.sonic, {
          id: back.sonic ? 'discharge-sonic' : 'discharge-back-pressure',
          severity: valve.backDecides ? 'fix' : 'note',
          at: 'run',
          figures: { back_Pa: back.back_Pa, allowed_Pa: back.allowed_Pa },
        })
      : []),
    ...(carries
      ? when(carries.carries_m3_s < carries.wanted_m3_s, {
          id: 'discharge-cannot-carry',
          severity: 'fix',
          at: afterTundish(tundishAt),
          figures: {
            carries_m3_s: carries.carries_m3_s,
            wanted_m3_s: carries.wanted_m3_s,
            fall_m: carries.fall_m,
          },
        })
      : []),
  ]
}

const afterTundish = (tundishAt: number): DischargePlace => (tundishAt < 0 ? 'run' : tundishAt + 1)

/**
 * After the tundish a pipe is larger than the valve's outlet, and no longer than the table lets it
 * be.
 */
function tableFaults(
  run: Discharge,
  valve: DischargeValve,
  table: NonNullable<DischargeAnswer['table']>,
  tundishAt: number,
): DischargeFault[] {
  const at = afterTundish(tundishAt)
  const { straight_m, permitted_m, would, bends } = table
  const steps = run.pieces
    .slice(tundishAt + 1)
    .filter(isPipe)
    .map((piece) => dischargeSizeFacts[piece.size].step)
  const wouldStep = would && stepOfOutside(would.outsideDiameter_m)
  const figures = {
    straight_m,
    ...(permitted_m === undefined ? {} : { permitted_m }),
    ...(would ? { would_m: would.permitted_m, wouldBore_m: would.outsideDiameter_m } : {}),
  }
  const least = stepOf(valve.outlet)
  if (steps.length > 0 && Math.min(...steps) <= least) {
    const mended = resized(run, tundishAt, wouldStep ?? least + 1)
    return [{ id: 'd2-not-larger', severity: 'fix', at, figures, mended }]
  }
  if (permitted_m === undefined || straight_m <= permitted_m * (1 + 1e-6)) return []
  return [
    {
      id: would ? 'd2-too-long' : 'd2-past-table',
      severity: 'fix',
      at,
      figures: { ...figures, bends },
      ...(wouldStep === undefined ? {} : { mended: resized(run, tundishAt, wouldStep) }),
    },
  ]
}

const stepOfOutside = (outsideDiameter_m: number): number | undefined =>
  dischargeSizes
    .map((size) => dischargeSizeFacts[size])
    .find((size) => Math.abs((size.outsideDiameter_m ?? 0) - outsideDiameter_m) < 1e-6)?.step

/** Every pipe after the tundish in the size of a step, of the kind it has. */
const resized = (run: Discharge, tundishAt: number, step: number): Discharge => ({
  ...run,
  pieces: run.pieces.map((piece, i) =>
    i > tundishAt && isPipe(piece)
      ? { ...piece, size: sizeAt(piece.size, step) ?? piece.size }
      : piece,
  ),
})

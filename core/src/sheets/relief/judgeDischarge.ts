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

function pieceFaults(run: Discharge, valve: DischargeValve): DischargeFault[] {
  const least = stepOf(valve.outlet)
  let widest = least
  return run.pieces.flatMap((piece, i): DischargeFault[] => {
    if (piece.kind === 'valve')
      return [
        { id: 'discharge-valve', severity: 'stop', at: i, mended: changed(run, i, undefined) },
      ]
    if (piece.kind === 'trap')
      return [{ id: 'discharge-trap', severity: 'fix', at: i, mended: changed(run, i, undefined) }]
    if (piece.kind !== 'pipe') return []
    const { step } = dischargeSizeFacts[piece.size]
    const material = materialFacts[piece.material]
    const wanted = widest
    const full = sizeAt(piece.size, wanted)
    const reduced = step < wanted
    widest = Math.max(widest, step)
    return [
      ...(reduced
        ? [
            {
              id: 'discharge-reduced',
              severity: 'fix',
              at: i,
              names: [piece.size, full ?? ''],
              ...(full ? { mended: changed(run, i, { ...piece, size: full }) } : {}),
            } satisfies DischargeFault,
          ]
        : []),
      ...(piece.runs === 'up'
        ? [
            {
              id: 'discharge-uphill',
              severity: 'stop',
              at: i,
              mended: changed(run, i, { ...piece, runs: 'falling' }),
            } satisfies DischargeFault,
          ]
        : []),
      ...(piece.runs === 'level'
        ? [
            {
              id: 'discharge-level',
              severity: 'fix',
              at: i,
              mended: changed(run, i, { ...piece, runs: 'falling' }),
            } satisfies DischargeFault,
          ]
        : []),
      ...(!material.standsHeat
        ? [
            {
              id: 'discharge-not-for-heat',
              severity: 'fix',
              at: i,
              names: [material.label],
              figures: { openTemp_K: valve.openTemp_K },
              mended: changed(run, i, { ...piece, material: 'copper' }),
            } satisfies DischargeFault,
          ]
        : []),
      ...(material.standsHeat && !material.rigid
        ? [
            {
              id: 'discharge-sags',
              severity: 'fix',
              at: i,
              names: [material.label],
              mended: changed(run, i, { ...piece, material: 'copper' }),
            } satisfies DischargeFault,
          ]
        : []),
      ...(piece.length_m === null
        ? [{ id: 'discharge-not-measured', severity: 'note', at: i } satisfies DischargeFault]
        : []),
    ]
  })
}

function tundishFaults(
  run: Discharge,
  valve: DischargeValve,
  rules: DischargeRules,
  tundishAt: number,
): DischargeFault[] {
  const tundish = run.pieces[tundishAt]
  if (tundishAt < 0)
    return rules.tundish === 'wanted'
      ? [{ id: 'discharge-no-air-gap', severity: 'fix', at: 'run' }]
      : []
  const d1_m = lengthOf(run.pieces.slice(0, tundishAt).filter(isPipe))
  const drop = run.pieces.slice(tundishAt + 1)
  const first = drop.findIndex((piece) => !(piece.kind === 'pipe' && piece.runs === 'down'))
  const straight_m = lengthOf(drop.slice(0, first < 0 ? drop.length : first).filter(isPipe))
  const least_m = leastD1_m(valve.outlet)
  const d1 = run.pieces
    .slice(0, tundishAt)
    .find(
      (piece) =>
        isPipe(piece) &&
        (dischargeSizeFacts[piece.size].outsideDiameter_m ?? Infinity) < (least_m ?? 0) - 1e-9,
    )
  return [
    ...(tundish?.kind === 'tundish' && tundish.visible === 'no'
      ? [{ id: 'tundish-hidden', severity: 'fix', at: tundishAt } satisfies DischargeFault]
      : []),
    ...(d1_m > rules.d1Most_m * (1 + 1e-6)
      ? [
          {
            id: 'd1-too-long',
            severity: 'fix',
            at: Math.max(0, tundishAt - 1),
            figures: { length_m: d1_m, most_m: rules.d1Most_m },
          } satisfies DischargeFault,
        ]
      : []),
    ...(rules.table === 'approved-g' && d1 && least_m !== undefined
      ? [
          {
            id: 'd1-too-small',
            severity: 'fix',
            at: run.pieces.indexOf(d1),
            figures: { leastBore_m: least_m },
          } satisfies DischargeFault,
        ]
      : []),
    ...(drop.length > 0 && straight_m < rules.dropLeast_m * (1 - 1e-6)
      ? [
          {
            id: 'no-drop-after-tundish',
            severity: 'fix',
            at: tundishAt,
            figures: { drop_m: straight_m, least_m: rules.dropLeast_m },
          } satisfies DischargeFault,
        ]
      : []),
  ]
}

function endFaults(run: Discharge, { end_m, endOutside_m }: DischargeRules): DischargeFault[] {
  const [least_m, most_m] = (run.end === 'outside' && endOutside_m) || end_m
  const height_m = run.endHeight_m?.value
  const open = run.end === 'floor' || run.end === 'outside' || run.end === 'pan'
  const at = 'end' as const
  const middle = {
    ...run,
    endHeight_m: {
      value: Math.round(((least_m + most_m) / 2) * 100) / 100,
      basis: 'read' as const,
      from: 'Chosen',
    },
  }
  return [
    ...(run.endThread === 'capped'
      ? [
          {
            id: 'discharge-capped',
            severity: 'stop',
            at,
            mended: { ...run, endThread: 'plain' },
          } satisfies DischargeFault,
        ]
      : []),
    ...(run.endThread === 'threaded'
      ? [
          {
            id: 'discharge-threaded',
            severity: 'fix',
            at,
            mended: { ...run, endThread: 'plain' },
          } satisfies DischargeFault,
        ]
      : []),
    ...(open && height_m !== undefined && height_m > most_m * (1 + 1e-6)
      ? [
          {
            id: 'discharge-end-high',
            severity: 'fix',
            at,
            figures: { height_m, most_m, least_m },
            mended: middle,
          } satisfies DischargeFault,
        ]
      : []),
    ...(open && height_m !== undefined && height_m < least_m * (1 - 1e-6)
      ? [
          {
            id: 'discharge-end-low',
            severity: 'fix',
            at,
            figures: { height_m, most_m, least_m },
            mended: middle,
          } satisfies DischargeFault,
        ]
      : []),
    ...(run.endVisible === 'no'
      ? [{ id: 'discharge-end-hidden', severity: 'fix', at } satisfies DischargeFault]
      : []),
    ...(run.endSafe === 'no'
      ? [{ id: 'discharge-end-unsafe', severity: 'stop', at } satisfies DischargeFault]
      : []),
    ...(run.end === 'crawl-space'
      ? [
          {
            id: 'discharge-crawl-space',
            severity: 'fix',
            at,
            mended: { ...run, end: 'outside' },
          } satisfies DischargeFault,
        ]
      : []),
    ...(run.end === 'bucket'
      ? [{ id: 'discharge-bucket', severity: 'fix', at } satisfies DischargeFault]
      : []),
    ...(run.endFreezes === 'yes'
      ? [{ id: 'discharge-freezes', severity: 'fix', at } satisfies DischargeFault]
      : []),
  ]
}

function sizeFaults(
  run: Discharge,
  valve: DischargeValve,
  { back, carries, table }: Pick<DischargeAnswer, 'back' | 'carries' | 'table'>,
  tundishAt: number,
): DischargeFault[] {
  const at: DischargePlace = tundishAt < 0 ? 'run' : tundishAt + 1
  const wouldStep =
    table?.would &&
    dischargeSizes
      .map((size) => dischargeSizeFacts[size])
      .find(
        (size) =>
          Math.abs((size.outsideDiameter_m ?? 0) - (table.would?.outsideDiameter_m ?? 1)) < 1e-6,
      )?.step
  const resize = (step: number): { readonly mended?: Discharge } => ({
    mended: {
      ...run,
      pieces: run.pieces.map((piece, i) =>
        i > tundishAt && isPipe(piece)
          ? { ...piece, size: sizeAt(piece.size, step) ?? piece.size }
          : piece,
      ),
    },
  })
  const d2Step = Math.min(
    ...run.pieces
      .slice(tundishAt + 1)
      .filter(isPipe)
      .map((piece) => dischargeSizeFacts[piece.size].step),
  )
  const past =
    table && table.permitted_m !== undefined && table.straight_m > table.permitted_m * (1 + 1e-6)
  const figures = table && {
    straight_m: table.straight_m,
    ...(table.permitted_m === undefined ? {} : { permitted_m: table.permitted_m }),
    ...(table.would
      ? { would_m: table.would.permitted_m, wouldBore_m: table.would.outsideDiameter_m }
      : {}),
  }
  /**
   * After the tundish a pipe is larger than the valve's outlet, and no longer than the table lets
   * it be.
   */
  const byTable = (): readonly DischargeFault[] => {
    if (!table || !figures) return []
    if (Number.isFinite(d2Step) && d2Step <= stepOf(valve.outlet))
      return [
        {
          ...{ id: 'd2-not-larger', severity: 'fix', at, figures },
          ...resize(wouldStep ?? stepOf(valve.outlet) + 1),
        },
      ]
    if (!past) return []
    return [
      {
        id: table.would ? 'd2-too-long' : 'd2-past-table',
        ...{ severity: 'fix', at, figures: { ...figures, bends: table.bends } },
        ...(wouldStep === undefined ? {} : resize(wouldStep)),
      },
    ]
  }
  return [
    ...byTable(),
    ...(back && (back.back_Pa > back.allowed_Pa || back.sonic)
      ? [
          {
            id: back.sonic ? 'discharge-sonic' : 'discharge-back-pressure',
            severity: valve.backDecides ? 'fix' : 'note',
            at: 'run',
            figures: { back_Pa: back.back_Pa, allowed_Pa: back.allowed_Pa },
          } satisfies DischargeFault,
        ]
      : []),
    ...(carries && carries.carries_m3_s < carries.wanted_m3_s
      ? [
          {
            id: 'discharge-cannot-carry',
            severity: 'fix',
            at,
            figures: {
              carries_m3_s: carries.carries_m3_s,
              wanted_m3_s: carries.wanted_m3_s,
              fall_m: carries.fall_m,
            },
          } satisfies DischargeFault,
        ]
      : []),
  ]
}

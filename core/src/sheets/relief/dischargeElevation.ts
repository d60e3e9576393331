import type { Discharge, DischargePiece } from '../../job/pressureDocument'
import type { DischargeFault } from './judgeDischarge'
import type { Show } from '../../units/format'
import type { Drawing, Point, Shape, VerdictIcon } from '../../answer/drawing'
import { label, line } from '../../answer/drawing'

interface Placed {
  readonly piece: DischargePiece
  readonly index: number
  readonly from: Point
  readonly to: Point
}

/** Length a piece without one is drawn with, and the room a tundish takes, m. */
const unknown_m = 0.3
const tundish_m = 0.16
/** Slope that a falling pipe is drawn with: steeper than it is, so that it shows. */
const drawnFall = 0.06

/** How far a pipe goes, in m: right and down. */
function wayOf({ length_m, runs }: Extract<DischargePiece, { kind: 'pipe' }>): Point {
  const length = length_m?.value ?? unknown_m
  if (runs === 'down') return [0, length]
  if (runs === 'up') return [0, -length]
  return [length, runs === 'falling' ? length * drawnFall : 0]
}

/** Where each piece lies, in m: right and down from the valve. */
function lay(pieces: readonly DischargePiece[]): readonly Placed[] {
  let at: Point = [0, 0]
  return pieces.map((piece, index) => {
    const from = at
    if (piece.kind === 'pipe') {
      const [right, down] = wayOf(piece)
      at = [at[0] + right, at[1] + down]
    } else if (piece.kind === 'tundish') at = [at[0], at[1] + tundish_m]
    return { piece, index, from, to: at }
  })
}

const worstOf = (faults: readonly DischargeFault[]): VerdictIcon | undefined =>
  (['stop', 'fix'] as const).find((worst) => faults.some(({ severity }) => severity === worst))

function wrongWord(bad: number): string {
  if (bad === 0) return 'nothing wrong found'
  return bad === 1 ? 'one thing wrong' : `${bad} things wrong`
}

/**
 * A discharge pipe seen from the side, lengths to scale: valve, pieces, tundish, end and floor,
 * each fault where it is.
 */
export function dischargeElevation(
  run: Discharge,
  faults: readonly DischargeFault[],
  show: Show,
  size: { readonly width: number; readonly height: number },
  selected?: number,
): Drawing {
  const placed = lay(run.pieces)
  const end: Point = placed[placed.length - 1]?.to ?? [0, 0.2]
  const gap_m = Math.max(0.05, run.endHeight_m?.value ?? 0.15)
  const points = [[0, -0.1] as Point, ...placed.map((one) => one.to)]
  const [most_x, least_y, most_y] = [
    Math.max(0.6, ...points.map(([x]) => x)),
    Math.min(...points.map(([, y]) => y)),
    Math.max(...points.map(([, y]) => y), end[1] + gap_m),
  ]
  const small = size.width < 420
  const inset = { left: 62, right: small ? 96 : 150, top: 44, bottom: 34 }
  const scale = Math.min(
    (size.width - inset.left - inset.right) / most_x,
    (size.height - inset.top - inset.bottom) / Math.max(0.4, most_y - least_y),
  )
  const at = ([x, y]: Point): Point => [inset.left + x * scale, inset.top + (y - least_y) * scale]
  const floorY = at([0, end[1] + gap_m])[1]
  const faultsAt = (place: DischargeFault['at']) => faults.filter((fault) => fault.at === place)
  const endAt = at(end)
  const whole = worstOf(faultsAt('run'))
  const atEnd = worstOf(faultsAt('end'))
  const shapes: Shape[] = [
    line([inset.left - 50, floorY], [Math.max(endAt[0] + 90, inset.left + 120), floorY], 'rule', 2),
    ...valveShapes(at([0, 0])),
    ...placed.flatMap((one) =>
      pieceShapes(one, at, show, faultsAt(one.index), {
        selected: one.index === selected,
        small,
        afterRise: placed.slice(0, one.index).findLast((before) => before.piece.kind === 'pipe')
          ?.piece,
      }),
    ),
    ...endShapes(run, endAt, floorY, show),
    ...(whole
      ? [
          {
            kind: 'icon' as const,
            at: [at([0, 0])[0] - 52, at([0, 0])[1] - 28] as const,
            icon: whole,
            size: 18,
          },
        ]
      : []),
    ...(atEnd
      ? [
          {
            kind: 'icon' as const,
            at: [endAt[0] - 30, Math.min(endAt[1], floorY - 20)] as const,
            icon: atEnd,
            size: 18,
          },
        ]
      : []),
  ]
  const bad = faults.filter((fault) => fault.severity !== 'note').length
  return {
    ...size,
    title: `Discharge pipe from the side, ${run.pieces.length} pieces, ending ${run.endHeight_m ? show(run.endHeight_m.value, 'length') : 'an unknown height'} up; ${wrongWord(bad)}.`,
    shapes,
  }
}

const valveShapes = ([x, y]: Point): Shape[] => [
  {
    kind: 'path',
    d: `M${x - 24} ${y - 9}L${x - 4} ${y}L${x - 24} ${y + 9}Z`,
    fill: 'sheet',
    ink: 'ink',
    width: 1.8,
  },
  {
    kind: 'path',
    d: `M${x - 4} ${y}L${x - 13} ${y - 19}h18Z`,
    fill: 'sheet',
    ink: 'ink',
    width: 1.8,
  },
  line([x - 44, y], [x - 24, y], 'hot', 4),
  line([x - 4, y], [x, y], 'ink', 4),
  line([x - 4, y - 19], [x - 4, y - 26], 'ink', 1.6),
  line([x - 11, y - 26], [x + 3, y - 26], 'ink', 1.6),
]

interface Drawn {
  readonly selected: boolean
  /** Too small for words: the piece's number, as in its table. */
  readonly small: boolean
  readonly afterRise: DischargePiece | undefined
}

/** A piece on the paper: its ends there, and the worst that is wrong with it. */
interface OnPaper {
  readonly a: Point
  readonly b: Point
  readonly worst: ReturnType<typeof worstOf>
  readonly selected: boolean
}

function pieceShapes(
  { piece, index, from, to }: Placed,
  at: (point: Point) => Point,
  show: Show,
  faults: readonly DischargeFault[],
  how: Drawn,
): Shape[] {
  const on: OnPaper = { a: at(from), b: at(to), worst: worstOf(faults), selected: how.selected }
  const pick = (says: string, shapes: readonly Shape[]): Shape[] => [
    { kind: 'pick', id: String(index), label: says, shapes },
  ]
  switch (piece.kind) {
    case 'pipe': {
      const length = piece.length_m ? show(piece.length_m.value, 'length', 2) : 'no length'
      const says = how.small ? String(index + 1) : `${piece.size}, ${length}`
      return pick(`${says}, runs ${piece.runs}`, pipeShapes(piece, on, says, how))
    }
    case 'bend':
      return pick('bend', [bendShape(on)])
    case 'tundish':
      return pick('tundish', tundishShapes(on))
    case 'valve':
      return pick('valve', [shutShape(on), ...faultIcon(on, -9, -30)])
    case 'trap':
      return pick('trap', [trapShape(on), ...faultIcon(on, -9, -30)])
  }
}

/** The sign of what is wrong, so far from where the piece begins. */
const faultIcon = ({ a: [x, y], worst }: OnPaper, right: number, down: number): Shape[] =>
  worst ? [{ kind: 'icon', at: [x + right, y + down], icon: worst, size: 18 }] : []

function pipeShapes(
  piece: Extract<DischargePiece, { kind: 'pipe' }>,
  on: OnPaper,
  says: string,
  { small, afterRise }: Drawn,
): Shape[] {
  const { a, b, worst, selected } = on
  const d = `M${a[0]} ${a[1]}L${b[0]} ${b[1]}`
  const [x, y] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
  const long = Math.hypot(b[0] - a[0], b[1] - a[1])
  const known = piece.length_m !== null && piece.length_m.basis !== 'assumed'
  const upright = piece.runs === 'down' || piece.runs === 'up'
  // What rises after it stands where its words would.
  const above = afterRise?.kind === 'pipe' && afterRise.runs === 'up'
  const beside = label([x + (worst ? 32 : 10), y + 5], says, 14, { ink: 'ink-2' })
  const along = label([x, above ? y - 10 : y + 20], small || long > 96 ? says : piece.size, 14, {
    anchor: 'middle',
    ink: 'ink-2',
  })
  const signAt: Point = upright ? [x + 9, y - 9] : [x - 9, y - (above ? 44 : 24)]
  return [
    ...(selected ? [{ kind: 'path', d, ink: 'select', width: 16 } satisfies Shape] : []),
    {
      kind: 'path',
      d,
      ink: worst === 'stop' ? 'stop' : 'hot',
      width: 5,
      ...(known ? {} : { dash: '7 5' }),
    },
    ...(long > 24 ? [upright ? beside : along] : []),
    ...(worst ? [{ kind: 'icon', at: signAt, icon: worst, size: 18 } satisfies Shape] : []),
  ]
}

const bendShape = ({ a: [x, y], selected }: OnPaper): Shape => ({
  kind: 'path',
  d: `M${x - 5} ${y}a5 5 0 1 0 10 0a5 5 0 1 0 -10 0Z`,
  fill: selected ? 'select' : 'paper',
  ink: 'ink',
  width: 1.8,
})

function tundishShapes(on: OnPaper): Shape[] {
  const { a, b, selected } = on
  const [x, y] = a
  const mid = y + (b[1] - y) * 0.45
  return [
    {
      kind: 'path',
      d: `M${x - 13} ${mid - 3}L${x - 4} ${b[1]}H${x + 4}L${x + 13} ${mid - 3}Z`,
      fill: selected ? 'select' : 'paper',
      ink: 'ink',
      width: 1.8,
    },
    label([x + 18, (mid + b[1]) / 2 + 4], 'air gap', 14, { ink: 'ink-3' }),
    ...faultIcon({ ...on, a: [x, mid] }, -36, -8),
  ]
}

const shutShape = ({ a: [x, y] }: OnPaper): Shape => ({
  kind: 'path',
  d: `M${x - 11} ${y - 8}L${x + 11} ${y + 8}V${y - 8}L${x - 11} ${y + 8}Z`,
  fill: 'ink',
  ink: 'ink',
  width: 1.5,
})

const trapShape = ({ a: [x, y] }: OnPaper): Shape => ({
  kind: 'path',
  d: `M${x - 12} ${y}v8a12 12 0 0 0 24 0v-8`,
  ink: 'ink',
  width: 3,
})

/** What sits on the end of the pipe: a cap, or a thread that one would fit. */
function capShapes(thread: Discharge['endThread'], [x, y]: Point): Shape[] {
  if (thread === 'capped') return [line([x - 9, y + 1], [x + 9, y + 1], 'stop', 5)]
  if (thread !== 'threaded') return []
  return [
    line([x - 6, y - 7], [x + 6, y - 10], 'ink', 1.4),
    line([x - 6, y - 2], [x + 6, y - 5], 'ink', 1.4),
  ]
}

/** What stands on the floor under the end. */
function intoShapes(end: Discharge['end'], [x, floorY]: Point): Shape[] {
  const outlines = {
    drain: `M${x - 13} ${floorY - 8}L${x - 5} ${floorY + 8}H${x + 5}L${x + 13} ${floorY - 8}`,
    bucket: `M${x - 12} ${floorY - 20}L${x - 9} ${floorY}H${x + 9}L${x + 12} ${floorY - 20}`,
  }
  if (end !== 'drain' && end !== 'bucket') return []
  return [{ kind: 'path', d: outlines[end], ink: 'ink', width: 1.8 }]
}

function endShapes(run: Discharge, [x, y]: Point, floorY: number, show: Show): Shape[] {
  const where = {
    drain: 'to a drain',
    outside: 'outside',
    floor: 'over the floor',
    pan: 'into the pan',
    'crawl-space': 'crawl space',
    bucket: 'a bucket',
  } as const
  return [
    ...capShapes(run.endThread, [x, y]),
    ...intoShapes(run.end, [x, floorY]),
    line([x + 12, y], [x + 12, floorY], 'ink-3', 1),
    line([x + 7, y], [x + 17, y], 'ink-3', 1),
    line([x + 7, floorY], [x + 17, floorY], 'ink-3', 1),
    label(
      [x + 22, floorY - y < 24 ? y - 6 : (y + floorY) / 2 + 5],
      [{ text: run.endHeight_m ? show(run.endHeight_m.value, 'length', 2) : '? up', bold: true }],
      14,
      run.endHeight_m ? {} : { ink: 'pencil' },
    ),
    label([x + 22, floorY + 18], run.end ? where[run.end] : 'end not said', 14, {
      ink: run.end ? 'ink-2' : 'pencil',
    }),
  ]
}

import { meterNode } from '../methods/network/tree'
import type { Drawing, Ink, Shape, Span } from '../answer/drawing'
import { label, line, textWidth } from '../answer/drawing'

/** A pipe of a tree as it is drawn. */
export interface DrawnPipe {
  readonly id: string
  readonly from: string
  /** Along the axis: effective length, or length. */
  readonly length_m: number
  readonly bore_m: number
  readonly body: Ink
  readonly outline: Ink
  readonly size: string
  readonly lengthText: string
  /** The length is a guess. */
  readonly pencil: boolean
  readonly drop: string
  /** For who cannot see it. */
  readonly says: string
  /** What it ends at. */
  readonly end?: { readonly title: string; readonly below: string; readonly shutOff: boolean }
  /** A regulator, or a heater, at its far end. */
  readonly passes?: string
}

/** The pressure along the way to the index end, on the same axis as the pipes. */
export interface DrawnStaircase {
  readonly startText: readonly Span[]
  readonly start_Pa: number
  readonly startPencil: boolean
  readonly limit_Pa: number
  readonly limitText: string
  readonly far_Pa: (id: string) => number
  readonly figure: (gauge_Pa: number) => string
  readonly ink: Ink
  readonly spare_Pa: number
}

export interface NetworkPicture {
  readonly title: string
  readonly source: 'meter' | 'main'
  /** Each after the one it leaves. */
  readonly pipes: readonly DrawnPipe[]
  readonly indexId: string
  readonly indexRun: readonly string[]
  readonly staircase: DrawnStaircase
}

interface Placed {
  readonly pipe: DrawnPipe
  readonly x1: number
  readonly x2: number
  readonly y: number
  /** Where the pipe it leaves from runs. */
  readonly fromY: number
}

/**
 * Room of a drawing: rows come closer as there are more of them, and boxes smaller on a narrow
 * page.
 */
interface Room {
  readonly width: number
  readonly row: number
  readonly source: number
  readonly box: number
  readonly boxHeight: number
  readonly twoLines: boolean
  readonly narrow: boolean
}
function rowHeight(rows: number): number {
  if (rows <= 6) return 72
  return rows <= 14 ? 56 : 34
}
function roomFor(rows: number, width: number): Room {
  const narrow = width < 520
  const row = rowHeight(rows)
  const twoLines = row >= 50
  return {
    width,
    row,
    source: narrow ? 44 : 62,
    box: narrow ? 118 : 184,
    boxHeight: twoLines ? 44 : 26,
    twoLines,
    narrow,
  }
}
const staircaseHeight = 134

/**
 * A pipe tree over the pressure staircase of its index run, on one axis of length. Orthogonal, to
 * scale along the pipe; rows are ordered so that no riser crosses a branch. `selected` is banded in
 * both.
 */
export function networkTree(picture: NetworkPicture, width: number, selected?: string): Drawing {
  const rows = rowsOf(picture)
  const count = Math.max(1, ...[...rows.values()].map((row) => row + 1))
  const room = roomFor(count, width)
  const mainY = room.boxHeight / 2 + 22 + (count - 1) * room.row
  const height = mainY + 34 + staircaseHeight + 24
  const placed = place(picture, rows, room, mainY)
  const band = placed.find((one) => one.pipe.id === selected)
  const onRun = new Set(picture.indexRun)
  return {
    width,
    height,
    title: picture.title,
    shapes: [
      ...(band
        ? [
            {
              kind: 'rect',
              at: [band.x1, band.y - room.row / 2 + 2],
              size: [
                Math.max(6, band.x2 - band.x1),
                onRun.has(band.pipe.id) ? height - band.y + 20 : Math.min(60, room.row - 4),
              ],
              fill: 'select',
            } satisfies Shape,
          ]
        : []),
      ...staircase(
        picture,
        placed.filter((one) => onRun.has(one.pipe.id)),
        room,
        height - staircaseHeight - 12,
      ),
      ...sourceShapes(picture.source, mainY, room),
      ...placed.map((one): Shape => ({
        kind: 'pick',
        id: one.pipe.id,
        label: one.pipe.says,
        shapes: pipeShapes(one, one.pipe.id === selected, room),
      })),
      ...placed.flatMap((one) => endShapes(one, picture, room)),
    ],
  }
}

/**
 * A row per end, the index lowest; a branch that leaves later stands nearer to the pipe it leaves.
 */
function rowsOf({ pipes, indexRun }: NetworkPicture): ReadonlyMap<string, number> {
  const rows = new Map<string, number>()
  const beyond = new Map<string, DrawnPipe[]>()
  for (const pipe of pipes) beyond.set(pipe.from, [...(beyond.get(pipe.from) ?? []), pipe])
  const onRun = new Set(indexRun)
  const weight = new Map<string, number>()
  for (const pipe of [...pipes].reverse())
    weight.set(pipe.from, (weight.get(pipe.from) ?? 0) + 1 + (weight.get(pipe.id) ?? 0))
  let next = 0
  const visit = (id: string): number => {
    const below = beyond.get(id) ?? []
    if (below.length === 0) {
      rows.set(id, next)
      return next++
    }
    const straight =
      below.find((pipe) => onRun.has(pipe.id)) ??
      [...below].sort((a, b) => (weight.get(b.id) ?? 0) - (weight.get(a.id) ?? 0))[0]
    const row = straight ? visit(straight.id) : next++
    for (const pipe of below) if (pipe.id !== straight?.id) visit(pipe.id)
    rows.set(id, row)
    return row
  }
  visit(meterNode)
  return rows
}

function place(
  { pipes }: NetworkPicture,
  rows: ReadonlyMap<string, number>,
  room: Room,
  mainY: number,
): readonly Placed[] {
  const ends = new Map<string, number>([[meterNode, 0]])
  for (const pipe of pipes) ends.set(pipe.id, (ends.get(pipe.from) ?? 0) + pipe.length_m)
  const longest_m = Math.max(0.1, ...ends.values())
  const [left, right] = [room.source + 12, room.width - room.box - 26]
  const x = (id: string) => left + ((right - left) * (ends.get(id) ?? 0)) / longest_m
  const y = (id: string) => mainY - (rows.get(id) ?? 0) * room.row
  return pipes.map((pipe) => ({
    pipe,
    x1: x(pipe.from),
    x2: x(pipe.id),
    y: y(pipe.id),
    fromY: y(pipe.from),
  }))
}

function sourceShapes(
  source: NetworkPicture['source'],
  y: number,
  { source: width }: Room,
): Shape[] {
  if (source === 'main')
    return [
      line([8, y - 22], [8, y + 22], 'ink', 2.5),
      { kind: 'path', d: `M8 ${y}H${width + 14}`, ink: 'cold', width: 9 },
      { kind: 'path', d: `M8 ${y}H${width + 14}`, ink: 'cold-wash', width: 6 },
      ...valve([width / 2 + 4, y]),
      label([12, y + 28], 'main', 14),
    ]
  const inner = width - 18
  return [
    { kind: 'rect', at: [6, y - 26], size: [width, 52], fill: 'sheet', ink: 'ink', width: 1.5 },
    {
      kind: 'rect',
      at: [6 + (width - inner) / 2, y - 17],
      size: [inner, 16],
      fill: 'paper',
      ink: 'ink',
      width: 1.2,
    },
    ...[1, 2, 3].map((i): Shape =>
      line(
        [6 + (width - inner) / 2 + (i * inner) / 4, y - 17],
        [6 + (width - inner) / 2 + (i * inner) / 4, y - 1],
        'ink',
        1,
      ),
    ),
    label([6 + width / 2, y + 17], 'meter', 14, { anchor: 'middle' }),
  ]
}

const valve = ([x, y]: readonly [number, number]): Shape[] => [
  {
    kind: 'path',
    d: `M${x - 9} ${y - 7}L${x + 9} ${y + 7}V${y - 7}L${x - 9} ${y + 7}Z`,
    fill: 'sheet',
    ink: 'ink',
    width: 1.5,
  },
]

function pipeShapes({ pipe, x1, x2, y, fromY }: Placed, picked: boolean, room: Room): Shape[] {
  const thick = (room.twoLines ? 6 : 4) + Math.min(8, pipe.bore_m * 200)
  const path = `M${x1} ${fromY}V${y}H${Math.max(x2, x1 + 8)}`
  const middle = (x1 + x2) / 2
  const long = x2 - x1
  const name: Span[] = [
    { text: pipe.size, bold: true },
    { text: ` ${pipe.lengthText}`, ...(pipe.pencil ? { ink: 'pencil' as const } : {}) },
  ]
  const width = (spans: readonly Span[]) => textWidth(spans.map((span) => span.text).join(''), 14)
  const alone = [{ text: pipe.size, bold: true }]
  const above = y - thick / 2 - 6
  const named = (): Shape[] => {
    const text = (spans: readonly Span[]) => [
      label([middle, above], spans, 14, { anchor: 'middle' }),
    ]
    if (long > width(name) * 1.08 + 10) return text(name)
    return long > width(alone) * 1.25 + 8 ? text(alone) : []
  }
  return [
    { kind: 'path', d: path, ink: picked ? 'ink' : pipe.outline, width: thick },
    { kind: 'path', d: path, ink: pipe.body, width: thick - 3 },
    ...named(),
    ...(room.twoLines && long > width([{ text: pipe.drop }]) * 1.1 + 8
      ? [
          label([middle, y + thick / 2 + 16], [{ text: pipe.drop, bold: true }], 14, {
            anchor: 'middle',
          }),
        ]
      : []),
    ...(fromY !== y
      ? [
          {
            kind: 'rect',
            at: [x1 - 7, fromY - 7],
            size: [14, 14],
            fill: 'sheet',
            ink: 'ink',
            width: 1.3,
          } satisfies Shape,
        ]
      : []),
  ]
}

function endShapes({ pipe, x2, y }: Placed, picture: NetworkPicture, room: Room): Shape[] {
  const { end, passes } = pipe
  const through: Shape[] =
    passes === undefined
      ? []
      : [
          {
            kind: 'rect',
            at: [x2 - 9, y - 11],
            size: [18, 22],
            fill: 'sheet',
            ink: 'ink',
            width: 1.5,
          },
          line([x2 - 9, y + 11], [x2 + 9, y - 11], 'ink', 1.2),
          ...(room.row >= 50
            ? [
                line([x2, y - 11], [x2, y - 26], 'ink', 1),
                label([x2, y - 30], passes, 14, { anchor: 'middle' }),
              ]
            : []),
        ]
  if (!end) return through
  const isIndex = pipe.id === picture.indexId
  const x = room.width - room.box - 4
  const most = Math.floor((room.box - 18) / (room.twoLines ? 8 : 7.4))
  const clip = (text: string) => (text.length > most ? `${text.slice(0, most - 1)}…` : text)
  const top = y - room.boxHeight / 2
  return [
    line([x2, y], [x, y], pipe.outline, 1.5, '3 4'),
    ...(end.shutOff ? valve([Math.min(x2 + 12, x - 12), y]) : []),
    ...through,
    {
      kind: 'rect',
      at: [x, top],
      size: [room.box, room.boxHeight],
      fill: 'sheet',
      ink: 'ink',
      width: isIndex ? 2.5 : 1.3,
    },
    label([x + 8, room.twoLines ? y - 4 : y + 5], clip(end.title), room.twoLines ? 15 : 14, {
      bold: true,
    }),
    ...(room.twoLines
      ? [
          label(
            [x + 8, y + 14],
            clip(`${end.below}${isIndex && !room.narrow ? ', index' : ''}`),
            14,
            { ink: 'ink-2' },
          ),
        ]
      : []),
  ]
}

function staircase(
  { staircase: stair }: NetworkPicture,
  run: readonly Placed[],
  room: Room,
  top: number,
): Shape[] {
  const left = run[0] && run[0].pipe.from !== meterNode ? run[0].x1 : room.source + 12
  const right = room.width - 4
  const far = run.map((one) => stair.far_Pa(one.pipe.id))
  // What is wanted may be more than there is at the start.
  const highest_Pa = Math.max(stair.start_Pa, stair.limit_Pa, ...far)
  const span_Pa = Math.max(1e-6, highest_Pa - Math.min(stair.limit_Pa, ...far)) * 1.12
  const y = (gauge_Pa: number) =>
    top + 18 + ((staircaseHeight - 36) * (highest_Pa - gauge_Pa)) / span_Pa
  const [start, limit] = [y(stair.start_Pa), y(stair.limit_Pa)]
  const points = run.map(({ x2, pipe }) => `H${x2}V${y(stair.far_Pa(pipe.id))}`).join('')
  const over = stair.spare_Pa < -1e-6 * Math.max(1, Math.abs(stair.limit_Pa))
  // Under its line the first figure would be crossed by a step that comes soon: then it stands over
  // it.
  const crossed =
    (run[0]?.x2 ?? right) - left <
    textWidth(stair.startText.map((span) => span.text).join(''), 14) + 14
  const says = Math.min(limit + 6, top + staircaseHeight - 6)
  return [
    ...(over
      ? []
      : [
          {
            kind: 'path',
            d: `M${left} ${start}${points}H${right}V${limit}H${left}Z`,
            fill: 'sheet',
          } satisfies Shape,
        ]),
    { kind: 'path', d: `M${left} ${start}${points}H${right}`, ink: stair.ink, width: 3.5 },
    line([left, limit], [right, limit], 'stop', 2),
    label(
      [left + 6, crossed ? start - 6 : start + 19],
      stair.startText,
      14,
      stair.startPencil ? { ink: 'pencil' } : {},
    ),
    label(
      [left + 6, room.narrow ? limit + 18 : limit - 6],
      [
        { text: stair.figure(stair.limit_Pa), bold: true },
        { text: ` ${room.narrow ? 'at least' : stair.limitText}` },
      ],
      14,
    ),
    ...run.flatMap(({ x2, pipe }, i): Shape[] => {
      const end = run[i + 1]?.x2 ?? right
      const at = stair.far_Pa(pipe.id)
      return end - x2 > 52 && (i > 0 || end - left > 240)
        ? [
            label(
              [end - 6, y(at) + 18 < limit - 3 || over ? y(at) + 18 : y(at) - 6],
              [{ text: stair.figure(at), bold: true }],
              14,
              { anchor: 'end' },
            ),
          ]
        : []
    }),
    { kind: 'icon', at: [right - 126, says], icon: over ? 'stop' : 'pass', size: 15 },
    label(
      [right - 106, says + 13],
      [
        {
          text: `${stair.figure(Math.abs(stair.spare_Pa))} ${over ? 'over' : 'spare'}`,
          bold: true,
        },
      ],
      14,
      { ink: over ? 'stop' : 'pass' },
    ),
  ]
}

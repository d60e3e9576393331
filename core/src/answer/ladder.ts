import type { Show } from '../units/format'
import type { UnitSet } from '../units/measure'
import { fromSi, toSi } from '../units/units'
import type { Drawing, Ink, Shape } from './drawing'
import { label, line, niceStep, spread } from './drawing'

export interface Rung<Id extends string = string> {
  readonly id: Id
  readonly gauge_Pa: number
  readonly name: string
  readonly ink: Ink
  /** Out of its order: drawn dashed and sticking out. */
  readonly outOfOrder: boolean
  readonly pencil: boolean
  /** How far it may be moved, where it is a setting. */
  readonly slide?: { readonly least: number; readonly most: number; readonly step: number }
}

export interface Bay<Id extends string = string> {
  readonly from: Rung<Id>
  readonly to: Rung<Id>
  readonly gap_Pa: number
  readonly needed_Pa: number
  readonly verdict: 'pass' | 'fix' | 'stop'
}

/** Pressures of a circuit, lowest first, and the gaps that must be kept between them. Gauge Pa. */
export interface Ladder<Id extends string = string> {
  readonly name: string
  readonly rungs: readonly Rung<Id>[]
  readonly bays: readonly Bay<Id>[]
  /** Cold water stands up to this rung, and warms from the first of these to the second. */
  readonly coldUpTo: Id
  readonly warms: readonly [Id, Id]
}

export const rungOf = <Id extends string>(
  id: Id,
  gauge_Pa: number,
  name: string,
  ink: Ink,
  more: Partial<Rung<Id>> = {},
): Rung<Id> => ({ id, gauge_Pa, name, ink, outOfOrder: false, pencil: false, ...more })

/** Half a centibar under what a gap needs is nothing a gauge shows. */
const unread_Pa = 500

/**
 * A gap and what it has to be; short of it, it is `short`, and the wrong way round it is a stop.
 */
export function bayOf<Id extends string>(
  from: Rung<Id>,
  to: Rung<Id> | undefined,
  needed_Pa: number,
  short: Bay['verdict'],
): Bay<Id>[] {
  if (!to) return []
  const gap_Pa = to.gauge_Pa - from.gauge_Pa
  const verdict = () => {
    if (gap_Pa >= needed_Pa - unread_Pa) return 'pass'
    return gap_Pa < 0 ? 'stop' : short
  }
  return [{ from, to, gap_Pa, needed_Pa, verdict: verdict() }]
}

export interface LadderSize {
  readonly width: number
  readonly height: number
  /** Top of the scale, kept while a rung is being moved; else a little over the highest rung. */
  readonly top_Pa?: number
}

/** Top of a ladder's scale, gauge Pa. */
export const ladderTop_Pa = ({ rungs }: Ladder): number =>
  Math.max(...rungs.map((rung) => rung.gauge_Pa)) * 1.08

/**
 * A pressure ladder, drawn to scale from 0 gauge in the job's unit: rungs, gaps and the gaps
 * needed.
 */
export function drawLadder(ladder: Ladder, units: UnitSet, show: Show, size: LadderSize): Drawing {
  const { rungs, bays } = ladder
  const unit = units['water-pressure']
  const top_Pa = size.top_Pa ?? ladderTop_Pa(ladder)
  const [foot, head] = [size.height - 12, 12]
  const perUnit = (foot - head) / top_Pa
  const y = (gauge_Pa: number) => foot - perUnit * gauge_Pa
  const [ruler, left, right] = [34, 54, Math.min(200, size.width * 0.55)]
  const figure = (gauge_Pa: number) => show.figure(gauge_Pa, 'water-pressure')
  return {
    width: size.width,
    height: size.height,
    title: `${ladder.name} in ${show.unit('water-pressure')}, gauge: ${rungs.map((rung) => `${rung.name} ${figure(rung.gauge_Pa)}`).join(', ')}`,
    shapes: [
      ...rulerShapes(fromSi(top_Pa, unit), (value) => y(toSi(value, unit)), ruler, foot, head),
      ...washes(ladder, y, left, right, foot),
      line([left, foot], [left, head - 4], 'ink', 2.5),
      line([right, foot], [right, head - 4], 'ink', 2.5),
      line([left - 6, foot], [right + 6, foot], 'rule', 1.5),
      ...bays.flatMap((bay) => bayShapes(bay, y, left, right, figure)),
      ...rungShapes(rungs, y, left, right, size, figure, { zeroY: foot, perUnit }),
    ],
  }
}

function rulerShapes(
  most: number,
  y: (value: number) => number,
  x: number,
  foot: number,
  head: number,
): Shape[] {
  const step = niceStep(most, 6)
  const small = (foot - head) / (most / (step / 5)) >= 6 ? step / 5 : step
  const ticks = Array.from({ length: Math.floor(most / small) + 1 }, (_, i) => i * small)
  const isBig = (value: number) => Math.abs(value / step - Math.round(value / step)) < 1e-6
  const decimals = step < 1 ? 1 : 0
  return [
    line([x, foot], [x, head], 'rule', 1),
    ...ticks.flatMap((value): Shape[] =>
      isBig(value)
        ? [
            line([x - 8, y(value)], [x, y(value)], 'rule', 1.5),
            label([x - 11, y(value) + 5], value.toFixed(decimals), 14, {
              anchor: 'end',
              ink: 'ink-2',
            }),
          ]
        : [line([x - 4, y(value)], [x, y(value)], 'rule', 0.8)],
    ),
  ]
}

/** Cold water up to one rung, the rise from another to hot: the only bays with a wash. */
function washes(
  { rungs, coldUpTo, warms }: Ladder,
  y: (gauge_Pa: number) => number,
  left: number,
  right: number,
  foot: number,
): Shape[] {
  const at = (id: string) => rungs.find((rung) => rung.id === id)
  const [head, fill, hot] = [at(coldUpTo), at(warms[0]), at(warms[1])]
  const wash = (from: number, to: number, fill_: Ink): Shape => ({
    kind: 'rect',
    at: [left, to],
    size: [right - left, Math.max(0, from - to)],
    fill: fill_,
  })
  return [
    ...(head ? [wash(foot, y(head.gauge_Pa), 'cold-wash')] : []),
    ...(fill && hot && hot.gauge_Pa > fill.gauge_Pa
      ? [wash(y(fill.gauge_Pa), y(hot.gauge_Pa), 'hot-wash')]
      : []),
  ]
}

function bayShapes(
  bay: Bay,
  y: (gauge_Pa: number) => number,
  left: number,
  right: number,
  figure: (gauge_Pa: number) => string,
): Shape[] {
  const [low, high] = [y(bay.from.gauge_Pa), y(bay.to.gauge_Pa)]
  if (low - high < 17) return []
  const middle = (low + high) / 2
  const wide = right - left > 110
  return [
    { kind: 'icon', at: [left + 8, middle - 7], icon: bay.verdict, size: 14 },
    label(
      [left + 26, middle + 5],
      [
        { text: figure(bay.gap_Pa), bold: true },
        { text: wide && bay.needed_Pa > 0 ? ` needs ${figure(bay.needed_Pa)}` : '' },
      ],
      14,
      { ink: 'ink' },
    ),
  ]
}

function rungShapes(
  rungs: readonly Rung[],
  y: (gauge_Pa: number) => number,
  left: number,
  right: number,
  size: { readonly width: number; readonly height: number },
  figure: (gauge_Pa: number) => string,
  scale: { readonly zeroY: number; readonly perUnit: number },
): Shape[] {
  const heights = spread(
    rungs.map((rung) => y(rung.gauge_Pa)),
    22,
    10,
    size.height - 12,
  )
  const shapes = rungs.map((rung, i): { readonly rung: Rung; readonly shape: Shape } => {
    const at = y(rung.gauge_Pa)
    const side = heights[i] ?? at
    const ink: Ink = rung.outOfOrder ? 'stop' : rung.ink
    const band: Shape[] = rung.pencil
      ? [
          {
            kind: 'rect',
            at: [left + 1, at - 6],
            size: [right - left - 2, 12],
            fill: rung.ink === 'hot' ? 'hot-wash' : 'sheet',
            ink: rung.ink,
            width: 0.8,
            dash: '4 3',
          },
        ]
      : []
    return {
      rung,
      shape: {
        kind: 'pick',
        id: rung.id,
        ...(rung.slide
          ? {
              slide: { ...rung.slide, ...scale, value: rung.gauge_Pa },
              says: figure(rung.gauge_Pa),
            }
          : {}),
        label: `${rung.name} ${figure(rung.gauge_Pa)}${rung.outOfOrder ? ', out of order' : ''}`,
        shapes: [
          ...band,
          ...(rung.slide ? grip(right, at, ink) : []),
          line(
            [rung.outOfOrder ? left - 14 : left - 6, at],
            [right + 6, at],
            ink,
            rung.outOfOrder ? 3 : 4,
            rung.outOfOrder || rung.pencil ? '7 4' : undefined,
          ),
          {
            kind: 'path',
            d: `M${right + 6} ${at}H${right + 11}L${right + 16} ${side}H${right + 20}`,
            ink: 'rule',
            width: 1,
          },
          ...(rung.outOfOrder
            ? [{ kind: 'icon', at: [right + 23, side - 8], icon: 'stop', size: 15 } satisfies Shape]
            : []),
          label(
            [right + (rung.outOfOrder ? 43 : 24), side + 5],
            [{ text: figure(rung.gauge_Pa), bold: true }, { text: ` ${rung.name}` }],
            15,
            { ink: rung.outOfOrder ? 'stop' : 'ink' },
          ),
        ],
      },
    }
  })
  // What can be moved lies on top of what cannot, where two stand at one pressure.
  return [
    ...shapes.filter(({ rung }) => !rung.slide),
    ...shapes.filter(({ rung }) => rung.slide),
  ].map(({ shape }) => shape)
}

/** Two short bars on the right stile: this rung can be moved. */
const grip = (x: number, y: number, ink: Ink): Shape[] => [
  { kind: 'rect', at: [x - 7, y - 8], size: [14, 16], fill: 'paper', ink, width: 1.5 },
  line([x - 3.5, y - 3], [x + 3.5, y - 3], ink, 1.2),
  line([x - 3.5, y + 3], [x + 3.5, y + 3], ink, 1.2),
]

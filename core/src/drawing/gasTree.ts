import { meterNode } from '../network/tree'
import type { GasAnswer, GasPipeAnswer } from '../solve/gasSheet'
import type { Show } from '../units/format'
import type { Drawing, Shape, Span } from './drawing'
import { label, line, textWidth } from './drawing'

const rowHeight = 72
const meterWidth = 62
const boxWidth = 168
const staircaseHeight = 128

interface Placed {
  readonly pipe: GasPipeAnswer
  readonly x1: number
  readonly x2: number
  readonly y: number
  /** Where the pipe it leaves from runs. */
  readonly fromY: number
}

/**
 * The pipe tree over the pressure staircase of its index run, on one axis of effective length. Orthogonal, to scale along the pipe; rows are
 * ordered so that no riser crosses a branch. `selected` is banded in both.
 */
export function gasTree(answer: GasAnswer, show: Show, width: number, selected?: string): Drawing {
  const rows = rowsOf(answer)
  const rowCount = Math.max(1, ...[...rows.values()].map((row) => row + 1))
  const mainY = 44 + (rowCount - 1) * rowHeight
  const height = mainY + 34 + staircaseHeight + 24
  const placed = place(answer, rows, width, mainY)
  const band = placed.find((one) => one.pipe.id === selected)
  return {
    width, height,
    title: `Gas pipes from the meter to ${answer.pipes.filter((pipe) => pipe.appliance).length} appliances, with the pressure along the way to ${answer.index.appliance?.name ?? 'the index appliance'}`,
    shapes: [
      ...(band ? [{ kind: 'rect', at: [band.x1, band.y - 34], size: [Math.max(6, band.x2 - band.x1), answer.indexRun.includes(band.pipe.id) ? height - band.y + 20 : 60], fill: 'select' } satisfies Shape] : []),
      ...staircase(answer, placed, show, width, height - staircaseHeight - 12),
      ...placed.map((one): Shape => ({ kind: 'pick', id: one.pipe.id, label: `${one.pipe.segment.name}, ${one.pipe.pipe.size.name}, drop ${show(one.pipe.drop_Pa, 'gas-pressure')}`, shapes: pipeShapes(one, selected, show, width) })),
      ...meterShapes(mainY),
      ...placed.filter((one) => one.pipe.appliance).flatMap((one) => applianceShapes(one, answer, show, width)),
    ],
  }
}

/** A row per appliance, the index appliance lowest; a branch that leaves later stands nearer to the pipe it leaves. */
function rowsOf(answer: GasAnswer): ReadonlyMap<string, number> {
  const rows = new Map<string, number>()
  let next = 0
  const children = (id: string) => answer.pipes.filter((pipe) => pipe.segment.from === id)
  const onRun = new Set(answer.indexRun)
  const visit = (id: string): number => {
    const below = children(id)
    if (below.length === 0) { rows.set(id, next); return next++ }
    const straight = below.find((pipe) => onRun.has(pipe.id)) ?? [...below].sort((a, b) => b.flow_m3_s - a.flow_m3_s)[0]
    const row = straight ? visit(straight.id) : next++
    for (const pipe of below) if (pipe.id !== straight?.id) visit(pipe.id)
    rows.set(id, row)
    return row
  }
  visit(meterNode)
  return rows
}

function place(answer: GasAnswer, rows: ReadonlyMap<string, number>, width: number, mainY: number): readonly Placed[] {
  const ends = new Map<string, number>([[meterNode, 0]])
  for (const pipe of answer.pipes) ends.set(pipe.id, (ends.get(pipe.segment.from) ?? 0) + pipe.effective_m)
  const longest_m = Math.max(0.1, ...ends.values())
  const [left, right] = [meterWidth + 12, width - boxWidth - 26]
  const x = (id: string) => left + ((right - left) * (ends.get(id) ?? 0)) / longest_m
  const y = (id: string) => mainY - (rows.get(id) ?? 0) * rowHeight
  return answer.pipes.map((pipe) => ({ pipe, x1: x(pipe.segment.from), x2: x(pipe.id), y: y(pipe.id), fromY: y(pipe.segment.from) }))
}

const meterShapes = (y: number): Shape[] => [
  { kind: 'rect', at: [6, y - 26], size: [meterWidth, 52], fill: 'sheet', ink: 'ink', width: 1.5 },
  { kind: 'rect', at: [15, y - 17], size: [44, 16], fill: 'paper', ink: 'ink', width: 1.2 },
  ...[0, 1, 2].map((i): Shape => line([26 + i * 11, y - 17], [26 + i * 11, y - 1], 'ink', 1)),
  label([37, y + 17], 'meter', 14, { anchor: 'middle' }),
]

function pipeShapes({ pipe, x1, x2, y, fromY }: Placed, selected: string | undefined, show: Show, width: number): Shape[] {
  const thick = 6 + Math.min(8, pipe.pipe.size.bore_m * 200)
  const path = `M${x1} ${fromY}V${y}H${Math.max(x2, x1 + 8)}`
  const picked = pipe.id === selected
  const middle = (x1 + x2) / 2
  const long = x2 - x1
  const assumed = pipe.segment.length_m?.basis === 'assumed'
  const name: Span[] = [{ text: pipe.pipe.size.name, bold: true }, { text: ` ${show(pipe.segment.length_m?.value ?? 0, 'length')}`, ...(assumed ? { ink: 'pencil' as const } : {}) }]
  const drop: Span[] = [{ text: `−${show.figure(pipe.drop_Pa, 'gas-pressure')}`, bold: true }]
  const wide = textWidth(name.map((span) => span.text).join(''), 14)
  const fits = long > wide * 0.9
  return [
    { kind: 'path', d: path, ink: picked ? 'ink' : 'gas', width: thick },
    { kind: 'path', d: path, ink: 'gas-fill', width: thick - 3 },
    ...(fits ? [label([middle, y - thick / 2 - 7], name, 14, { anchor: 'middle' }), label([middle, y + thick / 2 + 16], drop, 14, { anchor: 'middle' })] : []),
    ...(!fits && long > 30 ? [label([middle, y - thick / 2 - 7], [{ text: pipe.pipe.size.name, bold: true }], 14, { anchor: 'middle' })] : []),
    ...(fromY !== y ? [{ kind: 'rect', at: [x1 - 8, fromY - 8], size: [16, 16], fill: 'sheet', ink: 'ink', width: 1.3 } satisfies Shape] : []),
    ...(pipe.appliance ? [line([x2, y], [width - boxWidth - 4, y], 'gas', 1.5, '3 4'), ...valve([Math.min(x2 + 12, width - boxWidth - 16), y])] : []),
  ]
}

const valve = ([x, y]: readonly [number, number]): Shape[] => [
  { kind: 'path', d: `M${x - 9} ${y - 7}L${x + 9} ${y + 7}V${y - 7}L${x - 9} ${y + 7}Z`, fill: 'sheet', ink: 'ink', width: 1.5 },
]

function applianceShapes({ pipe, y }: Placed, answer: GasAnswer, show: Show, width: number): Shape[] {
  const isIndex = pipe.id === answer.index.id
  const x = width - boxWidth - 4
  const name = pipe.appliance?.name ?? ''
  const fit = name.length > 20 ? `${name.slice(0, 19)}…` : name
  return [
    { kind: 'rect', at: [x, y - 23], size: [boxWidth, 46], fill: 'sheet', ink: 'ink', width: isIndex ? 2.5 : 1.3 },
    label([x + 10, y - 4], fit, 15, { bold: true }),
    label([x + 10, y + 15], `${show(pipe.pipe.load_W, 'power')}${isIndex ? ', index' : ''}`, 14, { ink: 'ink-2' }),
  ]
}

function staircase(answer: GasAnswer, placed: readonly Placed[], show: Show, width: number, top: number): Shape[] {
  const { conditions, index } = answer
  const run = placed.filter((one) => answer.indexRun.includes(one.pipe.id))
  const left = run[0] && index.root !== meterNode ? run[0].x1 : meterWidth + 12
  const least_Pa = conditions.meterGauge_Pa - answer.indexAllowed_Pa
  const span_Pa = Math.max(index.dropTo_Pa, answer.indexAllowed_Pa) * 1.12
  const y = (gauge_Pa: number) => top + 12 + ((staircaseHeight - 30) * (conditions.meterGauge_Pa - gauge_Pa)) / span_Pa
  const right = width - 4
  const start = y(conditions.meterGauge_Pa)
  const limit = y(least_Pa)
  const points = run.map(({ x2, pipe }) => `H${x2}V${y(pipe.farGauge_Pa)}`).join('')
  const fill = `M${left} ${start}${points}H${right}V${limit}H${left}Z`
  const over = index.dropTo_Pa > answer.indexAllowed_Pa * (1 + 1e-6)
  const figure = (gauge_Pa: number) => show.figure(gauge_Pa, 'gas-pressure')
  const spare_Pa = answer.indexAllowed_Pa - index.dropTo_Pa
  return [
    ...(over ? [] : [{ kind: 'path', d: fill, fill: 'sheet' } satisfies Shape]),
    { kind: 'path', d: `M${left} ${start}${points}H${right}`, ink: 'gas', width: 3.5 },
    line([left, limit], [right, limit], 'stop', 2),
    label([left + 6, start + 19], [{ text: figure(conditions.meterGauge_Pa), bold: true }, { text: ` ${show.unit('gas-pressure')} ${index.root === meterNode ? 'at the meter' : 'after the regulator'}` }], 14, answer.meterAssumed && index.root === meterNode ? { ink: 'pencil' } : {}),
    label([left + 6, limit - 6], [{ text: figure(least_Pa), bold: true }, { text: ' the least that may be left' }], 14),
    ...run.flatMap(({ x2, pipe }, i): Shape[] => {
      const end = run[i + 1]?.x2 ?? right
      return end - x2 > 52 ? [label([end - 6, y(pipe.farGauge_Pa) + 18 < limit - 3 || over ? y(pipe.farGauge_Pa) + 18 : y(pipe.farGauge_Pa) - 6], [{ text: figure(pipe.farGauge_Pa), bold: true }], 14, { anchor: 'end' })] : []
    }),
    { kind: 'icon', at: [right - 126, Math.min(limit + 6, top + staircaseHeight - 6)], icon: over ? 'stop' : 'pass', size: 15 },
    label([right - 106, Math.min(limit + 6, top + staircaseHeight - 6) + 13], [{ text: `${figure(Math.abs(spare_Pa))} ${over ? 'over' : 'spare'}`, bold: true }], 14, { ink: over ? 'stop' : 'pass' }),
  ]
}

import type { VesselAnswer } from '../solve/vesselSheet'
import type { Show } from '../units/format'
import type { UnitSet } from '../units/measure'
import { fromSi, toSi } from '../units/units'
import type { Practice } from '../practice/practices'
import type { Drawing, Ink, Shape } from './drawing'
import { label, line, niceStep, spread } from './drawing'

export interface Rung {
  readonly id: 'static-head' | 'charge' | 'cold-fill' | 'hot' | 'final' | 'relief' | 'weakest' | 'delivered'
  readonly gauge_Pa: number
  readonly name: string
  readonly ink: Ink
  /** Out of its order: drawn dashed and sticking out. */
  readonly outOfOrder: boolean
  readonly pencil: boolean
}

export interface Bay {
  readonly from: Rung
  readonly to: Rung
  readonly gap_Pa: number
  readonly needed_Pa: number
  readonly verdict: 'pass' | 'fix' | 'stop'
}

/** The rungs of a designed vessel, lowest first, and the gaps that must be kept between them. Gauge Pa. */
export function ladderOf(answer: VesselAnswer, practice: Practice, delivered_Pa?: number): { readonly rungs: readonly Rung[]; readonly bays: readonly Bay[] } {
  const { need, inputs, fillGauge_Pa, forecast, weakest, reliefAssumed, content } = answer
  const hot_Pa = forecast.outcome === 'settles' ? forecast.hotGauge_Pa : undefined
  const rung = (id: Rung['id'], gauge_Pa: number, name: string, ink: Ink, more: Partial<Rung> = {}): Rung => ({ id, gauge_Pa, name, ink, outOfOrder: false, pencil: false, ...more })
  const staticHead = rung('static-head', need.staticHead_Pa, 'static head', 'cold')
  const charge = rung('charge', need.chargeGauge_Pa, 'charge', 'ink')
  const fill = rung('cold-fill', fillGauge_Pa, 'cold fill', 'cold', { outOfOrder: fillGauge_Pa < need.chargeGauge_Pa * (1 - 1e-6) - 1 })
  const relief = rung('relief', inputs.reliefSetGauge_Pa, 'relief lifts', 'ink', { pencil: reliefAssumed, outOfOrder: weakest !== undefined && weakest.maxWorkingGauge_Pa < inputs.reliefSetGauge_Pa * (1 - 1e-6) })
  const hot = hot_Pa === undefined ? undefined : rung('hot', hot_Pa, 'hot maximum', 'hot', { pencil: content.assumed_m3 > 0, outOfOrder: hot_Pa >= inputs.reliefSetGauge_Pa })
  const weak = weakest && rung('weakest', weakest.maxWorkingGauge_Pa, 'weakest part', 'ink')
  const wrongCharge = delivered_Pa !== undefined && Math.abs(delivered_Pa - need.chargeGauge_Pa) > 5000 ? rung('delivered', delivered_Pa, 'as delivered', 'stop', { outOfOrder: true }) : undefined
  const margin_Pa = inputs.reliefSetGauge_Pa - need.finalGauge_Pa
  const bay = (from: Rung, to: Rung | undefined, needed_Pa: number, short: Bay['verdict']): Bay[] => {
    if (!to) return []
    const gap_Pa = to.gauge_Pa - from.gauge_Pa
    return [{ from, to, gap_Pa, needed_Pa, verdict: gap_Pa >= needed_Pa - 500 ? 'pass' : gap_Pa < 0 ? 'stop' : short }]
  }
  const chargeMargin_Pa = inputs.method === 'en12828' ? practice.vessel.margin_Pa : 0.9 * practice.vessel.margin_Pa
  const leastFill_Pa = answer.fill.window && Number.isFinite(answer.fill.window.leastGauge_Pa) ? answer.fill.window.leastGauge_Pa - need.chargeGauge_Pa : 0
  return {
    rungs: [staticHead, charge, fill, hot, relief, weak, wrongCharge].filter((one) => one !== undefined).sort((a, b) => a.gauge_Pa - b.gauge_Pa),
    bays: [
      ...bay(staticHead, charge, chargeMargin_Pa, 'fix'), ...bay(charge, fill, leastFill_Pa, 'fix'),
      ...(hot ? bay(hot, relief, margin_Pa, 'fix') : []), ...bay(relief, weak, 0, 'stop'),
    ],
  }
}

/** The pressure ladder, drawn to scale from 0 gauge in the job's unit: rungs, gaps and the gaps needed. */
export function pressureLadder(answer: VesselAnswer, practice: Practice, show: Show, size: { readonly width: number; readonly height: number }, delivered_Pa?: number): Drawing {
  const { rungs, bays } = ladderOf(answer, practice, delivered_Pa)
  const unit = (practice.units satisfies UnitSet)['water-pressure']
  const top_Pa = Math.max(...rungs.map((rung) => rung.gauge_Pa)) * 1.08
  const [foot, head] = [size.height - 12, 12]
  const y = (gauge_Pa: number) => foot - ((foot - head) * gauge_Pa) / top_Pa
  const [ruler, left, right] = [34, 54, Math.min(200, size.width * 0.55)]
  const figure = (gauge_Pa: number) => show.figure(gauge_Pa, 'water-pressure')
  return {
    ...size,
    title: `Pressure ladder in ${show.unit('water-pressure')}, gauge: ${rungs.map((rung) => `${rung.name} ${figure(rung.gauge_Pa)}`).join(', ')}`,
    shapes: [
      ...rulerShapes(fromSi(top_Pa, unit), (value) => y(toSi(value, unit)), ruler, foot, head),
      ...washes(rungs, y, left, right, foot),
      line([left, foot], [left, head - 4], 'ink', 2.5), line([right, foot], [right, head - 4], 'ink', 2.5), line([left - 6, foot], [right + 6, foot], 'rule', 1.5),
      ...bays.flatMap((bay) => bayShapes(bay, y, left, right, figure)),
      ...rungShapes(rungs, y, left, right, size, figure),
    ],
  }
}

function rulerShapes(most: number, y: (value: number) => number, x: number, foot: number, head: number): Shape[] {
  const step = niceStep(most, 6)
  const small = (foot - head) / (most / (step / 5)) >= 6 ? step / 5 : step
  const ticks = Array.from({ length: Math.floor(most / small) + 1 }, (_, i) => i * small)
  const isBig = (value: number) => Math.abs(value / step - Math.round(value / step)) < 1e-6
  const decimals = step < 1 ? 1 : 0
  return [
    line([x, foot], [x, head], 'rule', 1),
    ...ticks.flatMap((value): Shape[] => isBig(value)
      ? [line([x - 8, y(value)], [x, y(value)], 'rule', 1.5), label([x - 11, y(value) + 5], value.toFixed(decimals), 14, { anchor: 'end', ink: 'ink-2' })]
      : [line([x - 4, y(value)], [x, y(value)], 'rule', 0.8)]),
  ]
}

/** Cold water up to the static head, the rise from cold fill to hot: the only bays with a wash. */
function washes(rungs: readonly Rung[], y: (gauge_Pa: number) => number, left: number, right: number, foot: number): Shape[] {
  const at = (id: Rung['id']) => rungs.find((rung) => rung.id === id)
  const [head, fill, hot] = [at('static-head'), at('cold-fill'), at('hot')]
  const wash = (from: number, to: number, fill_: Ink): Shape => ({ kind: 'rect', at: [left, to], size: [right - left, Math.max(0, from - to)], fill: fill_ })
  return [
    ...(head ? [wash(foot, y(head.gauge_Pa), 'cold-wash')] : []),
    ...(fill && hot && hot.gauge_Pa > fill.gauge_Pa ? [wash(y(fill.gauge_Pa), y(hot.gauge_Pa), 'hot-wash')] : []),
  ]
}

function bayShapes(bay: Bay, y: (gauge_Pa: number) => number, left: number, right: number, figure: (gauge_Pa: number) => string): Shape[] {
  const [low, high] = [y(bay.from.gauge_Pa), y(bay.to.gauge_Pa)]
  if (low - high < 17) return []
  const middle = (low + high) / 2
  const wide = right - left > 110
  return [
    { kind: 'icon', at: [left + 8, middle - 7], icon: bay.verdict, size: 14 },
    label([left + 26, middle + 5], [{ text: figure(bay.gap_Pa), bold: true }, { text: wide && bay.needed_Pa > 0 ? ` needs ${figure(bay.needed_Pa)}` : '' }], 14, { ink: 'ink' }),
  ]
}

function rungShapes(rungs: readonly Rung[], y: (gauge_Pa: number) => number, left: number, right: number, size: { readonly width: number; readonly height: number }, figure: (gauge_Pa: number) => string): Shape[] {
  const heights = spread(rungs.map((rung) => y(rung.gauge_Pa)), 22, 10, size.height - 12)
  return rungs.flatMap((rung, i): Shape[] => {
    const at = y(rung.gauge_Pa)
    const side = heights[i] ?? at
    const ink: Ink = rung.outOfOrder ? 'stop' : rung.ink
    const band: Shape[] = rung.pencil ? [{ kind: 'rect', at: [left + 1, at - 6], size: [right - left - 2, 12], fill: rung.ink === 'hot' ? 'hot-wash' : 'sheet', ink: rung.ink, width: 0.8, dash: '4 3' }] : []
    return [{
      kind: 'pick', id: rung.id, label: `${rung.name} ${figure(rung.gauge_Pa)}${rung.outOfOrder ? ', out of order' : ''}`, shapes: [
        ...band,
        line([rung.outOfOrder ? left - 14 : left - 6, at], [right + 6, at], ink, rung.outOfOrder ? 3 : 4, rung.outOfOrder || rung.pencil ? '7 4' : undefined),
        { kind: 'path', d: `M${right + 6} ${at}H${right + 11}L${right + 16} ${side}H${right + 20}`, ink: 'rule', width: 1 },
        ...(rung.outOfOrder ? [{ kind: 'icon', at: [right + 23, side - 8], icon: 'stop', size: 15 } satisfies Shape] : []),
        label([right + (rung.outOfOrder ? 43 : 24), side + 5], [{ text: figure(rung.gauge_Pa), bold: true }, { text: ` ${rung.name}` }], 15, { ink: rung.outOfOrder ? 'stop' : 'ink' }),
      ],
    }]
  })
}

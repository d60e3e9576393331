import type { Drawing, Point } from '../../answer/drawing'
import { label, line } from '../../answer/drawing'
import type { Show } from '../../units/format'
import { fromSi, toSi } from '../../units/units'
import type { UnitSet } from '../../units/measure'

interface GaugeMarks {
  /** All gauge, at the gauge. */
  readonly coldGauge_Pa: number
  readonly hotGauge_Pa: number
  readonly reliefGauge_Pa: number
}

const sweep = { from: -135, over: 270 }

/** Round steps of a dial, so that about eight stand on it. */
function stepOf(top: number): number {
  const rough = top / 8
  const power = 10 ** Math.floor(Math.log10(rough))
  return ([1, 2, 5, 10].find((one) => one * power >= rough) ?? 10) * power
}

/** Where values stand on a round scale. */
function dialOf(top: number, size: number) {
  const c = size / 2
  const angle = (value: number) => ((sweep.from + (sweep.over * value) / top) * Math.PI) / 180
  const at = (value: number, radius: number): Point => [
    c + radius * Math.sin(angle(value)),
    c - radius * Math.cos(angle(value)),
  ]
  const arc = (from: number, to: number, radius: number): string => {
    const [x0, y0] = at(from, radius)
    const [x1, y1] = at(to, radius)
    const large = angle(to) - angle(from) > Math.PI ? 1 : 0
    return `M${x0.toFixed(1)} ${y0.toFixed(1)}A${radius.toFixed(1)} ${radius.toFixed(1)} 0 ${large} 1 ${x1.toFixed(1)} ${y1.toFixed(1)}`
  }
  return { at, arc }
}

/**
 * A dial gauge as it should read: what is normal between cold and hot is a thick band, where the
 * relief lifts a mark. Reads without colour.
 */
export function gaugeFace(marks: GaugeMarks, show: Show, units: UnitSet, size = 260): Drawing {
  const unit = units['water-pressure']
  const relief = fromSi(marks.reliefGauge_Pa, unit)
  const step = stepOf(relief * 1.25)
  const top = Math.ceil((relief * 1.25) / step) * step
  const c = size / 2
  const r = size * 0.4
  const { at, arc } = dialOf(top, size)
  const ticks = Array.from({ length: Math.round(top / step) + 1 }, (_, i) => i * step)
  const cold = fromSi(marks.coldGauge_Pa, unit)
  const hot = Math.max(fromSi(marks.hotGauge_Pa, unit), cold + top * 0.01)
  const middle = (at: Point, text: string, size: number, bold = false) =>
    label(at, text, size, { anchor: 'middle', bold })
  const beside = (value: number, radius: number, text: string, size: number, bold = false) => {
    const [x, y] = at(value, radius)
    return middle([x, y + 4], text, size, bold)
  }
  const figure = (gauge_Pa: number) => show.figure(gauge_Pa, 'water-pressure')
  return {
    width: size,
    height: size,
    title: `The gauge reads ${show(marks.coldGauge_Pa, 'water-pressure')} cold and ${show(marks.hotGauge_Pa, 'water-pressure')} hot; at ${show(marks.reliefGauge_Pa, 'water-pressure')} water is let out.`,
    shapes: [
      { kind: 'path', d: arc(0, top, r), ink: 'ink', width: 2 },
      { kind: 'path', d: arc(cold, hot, r * 0.84), ink: 'pass', width: r * 0.13 },
      line(at(relief, r * 0.72), at(relief, r), 'stop', 4),
      ...ticks.flatMap((value) => [
        line(at(value, r * 0.93), at(value, r), 'ink', 1.5),
        beside(value, r * 1.13, figure(toSi(value, unit)), 11),
      ]),
      beside(cold, r * 0.6, 'cold', 13, true),
      ...(hot - cold > top * 0.1 ? [beside(hot, r * 0.6, 'hot', 13, true)] : []),
      middle([c, c + 4], 'normal', 15, true),
      middle(
        [c, c + 22],
        `${figure(marks.coldGauge_Pa)} to ${show(marks.hotGauge_Pa, 'water-pressure')}`,
        13,
      ),
      middle([c, size * 0.93], `${show.unit('water-pressure')}; at the mark water is let out`, 11),
    ],
  }
}

import { scaldPoints, scaldTime_s } from '../../methods/hot-water/scald'
import type { Show } from '../../units/format'
import type { UnitSet } from '../../units/measure'
import { fromSi, toSi } from '../../units/units'
import type { Drawing, Shape } from '../../answer/drawing'
import { label, line, niceStep } from '../../answer/drawing'

const inset = { left: 16, right: 16, top: 26, bottom: 44 }

/**
 * Water temperature against what it does: where bacteria live, where it scalds and how fast, where
 * this store and its outlets stand.
 */
export function scaldCurveDrawing(
  {
    store_K,
    safe_K,
    hygiene_K,
  }: { readonly store_K: number; readonly safe_K: number; readonly hygiene_K: number },
  show: Show,
  units: UnitSet,
  size: { readonly width: number; readonly height: number },
): Drawing {
  const [from, to] = [288.15, Math.max(343.15, store_K + 4)]
  const x = (temp: number) =>
    inset.left + ((temp - from) / (to - from)) * (size.width - inset.left - inset.right)
  const [floor, roof] = [size.height - inset.bottom, inset.top]
  const y = (seconds: number) =>
    floor -
    14 -
    ((Math.log10(300) - Math.log10(seconds)) / (Math.log10(300) - Math.log10(2))) *
      (floor - roof - 34)
  const [first, last] = [
    scaldPoints[0]?.temp_K ?? from,
    scaldPoints[scaldPoints.length - 1]?.temp_K ?? to,
  ]
  const curve = Array.from({ length: 40 }, (_, i) => first + ((last - first) * i) / 39)
    .map(
      (temp, i) =>
        `${i === 0 ? 'M' : 'L'}${x(temp).toFixed(1)} ${y(scaldTime_s(temp) ?? 2).toFixed(1)}`,
    )
    .join('')
  const unit = units.temperature
  const step = niceStep(fromSi(to, unit) - fromSi(from, unit), 8)
  const ticks = Array.from(
    { length: 20 },
    (_, i) => Math.ceil(fromSi(from, unit) / step) * step + i * step,
  ).filter((figure) => toSi(figure, unit) <= to)
  const band = (
    a: number,
    b: number,
    fill: 'look-wash' | 'stop-wash' | 'pass-wash',
    text: string,
    up: number,
  ): Shape[] => [
    {
      kind: 'rect',
      at: [x(a), roof],
      size: [Math.max(0, x(Math.min(b, to)) - x(a)), floor - roof],
      fill,
    },
    label([x(a) + 6, up], text, 14, { ink: 'ink' }),
  ]
  const mark = (
    temp: number,
    text: string,
    ink: 'hot' | 'ink',
    up: number,
    side: 'start' | 'end',
  ): Shape[] => [
    line([x(temp), roof - 6], [x(temp), floor], ink, 2.5),
    label(
      [x(temp) + (side === 'end' ? -6 : 6), up],
      [{ text: show(temp, 'temperature'), bold: true }, { text: ` ${text}` }],
      14,
      { anchor: side, ink },
    ),
  ]
  const shapes: Shape[] = [
    ...band(293.15, 318.15, 'look-wash', 'bacteria grow', floor - 8),
    ...band(hygiene_K, to, 'pass-wash', 'they die', floor - 8),
    { kind: 'path', d: curve, ink: 'stop', width: 2.5 },
    ...scaldPoints.map((point) =>
      label([x(point.temp_K) + 8, y(point.time_s) + 14], `${point.time_s} s`, 14, { ink: 'stop' }),
    ),
    ...mark(store_K, 'stored', 'hot', roof - 10, store_K > to - 12 ? 'end' : 'start'),
    ...(Math.abs(store_K - safe_K) < 0.5
      ? []
      : mark(safe_K, 'at most at a tap', 'ink', roof + 16, 'end')),
    line([inset.left, floor], [size.width - inset.right, floor], 'ink', 1.5),
    ...ticks.flatMap((figure): Shape[] => [
      line([x(toSi(figure, unit)), floor], [x(toSi(figure, unit)), floor + 5], 'rule'),
      label([x(toSi(figure, unit)), floor + 19], String(Math.round(figure)), 14, {
        anchor: 'middle',
        ink: 'ink-2',
      }),
    ]),
    label(
      [size.width - inset.right, size.height - 6],
      `${show.unit('temperature')}; seconds until adult skin is burnt through`,
      14,
      { anchor: 'end', ink: 'ink-3' },
    ),
  ]
  return {
    ...size,
    title: `Stored at ${show(store_K, 'temperature')}; at most ${show(safe_K, 'temperature')} at a tap; bacteria grow between 20 and 45 °C and die from 60 °C.`,
    shapes,
  }
}

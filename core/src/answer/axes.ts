import type { UnitName } from '../units/units'
import { fromSi, toSi } from '../units/units'
import type { Shape } from './drawing'
import { label, line, niceStep } from './drawing'

/** An axis from one SI value to another, in a unit. */
export interface Axis {
  readonly from: number
  readonly to: number
  readonly unit: UnitName
  readonly says: string
  /** Ticks at most. */ readonly ticks: number
}

export const inset = { left: 54, right: 22, top: 20, bottom: 40 }

export interface Plot {
  readonly x: (si: number) => number
  readonly y: (si: number) => number
  readonly frame: readonly Shape[]
  readonly trace: (points: readonly (readonly [number, number])[]) => string
}

const tidy = (figure: number) => String(Math.round(figure * 1000) / 1000)

/** Two axes with their rulers, and how a value becomes a place on the drawing. */
export function plot(
  across: Axis,
  up: Axis,
  size: { readonly width: number; readonly height: number },
): Plot {
  const [right, foot] = [size.width - inset.right, size.height - inset.bottom]
  const x = (si: number) =>
    inset.left + ((si - across.from) / (across.to - across.from)) * (right - inset.left)
  const y = (si: number) =>
    foot -
    ((Math.min(up.to, Math.max(up.from, si)) - up.from) / (up.to - up.from)) * (foot - inset.top)
  const ticks = ({ from, to, unit, ticks: count }: Axis) => {
    const [low, high] = [fromSi(from, unit), fromSi(to, unit)]
    const step = niceStep(high - low, count)
    const first = Math.ceil(low / step - 1e-9) * step
    return Array.from(
      { length: Math.max(0, Math.floor((high - first) / step + 1e-9) + 1) },
      (_, i) => first + i * step,
    )
  }
  return {
    x,
    y,
    trace: (points) =>
      points
        .map(([a, b], i) => `${i === 0 ? 'M' : 'L'}${x(a).toFixed(1)} ${y(b).toFixed(1)}`)
        .join(''),
    frame: [
      ...ticks(up).flatMap((figure): Shape[] => {
        const at = y(toSi(figure, up.unit))
        return [
          line([inset.left, at], [right, at], 'hair', 0.8),
          label([inset.left - 8, at + 5], tidy(figure), 14, { anchor: 'end', ink: 'ink-2' }),
        ]
      }),
      ...ticks(across).flatMap((figure): Shape[] => {
        const at = x(toSi(figure, across.unit))
        return [
          line([at, foot], [at, foot + 5], 'rule'),
          label([at, foot + 19], tidy(figure), 14, { anchor: 'middle', ink: 'ink-2' }),
        ]
      }),
      line([inset.left, foot], [right, foot], 'ink', 1.5),
      label([right, size.height - 6], across.says, 14, { anchor: 'end', ink: 'ink-3' }),
      label([inset.left - 46, 12], up.says, 14, { ink: 'ink-3' }),
    ],
  }
}

export const dotAt = (x: number, y: number): Shape => ({
  kind: 'path',
  d: `M${x - 4} ${y}a4 4 0 1 0 8 0a4 4 0 1 0 -8 0Z`,
  fill: 'ink',
  ink: 'paper',
  width: 1.2,
})

import type { Drawing, Shape } from '../../answer/drawing'
import { label, line, niceStep } from '../../answer/drawing'
import { clock, formatNumber } from '../../units/format'
import type { Show } from '../../units/format'
import type { Measure } from '../../units/measure'
import type { UnitName } from '../../units/units'
import { fromSi, toSi } from '../../units/units'
import type { Series } from './shape'

/** Readings this much farther apart than usual have a gap between them, which is not joined. */
const gapIntervals = 4

/** The usual time between two readings, s. */
function usual_s(series: Series): number {
  const steps = series.slice(1).map(([at_s], i) => at_s - (series[i]?.[0] ?? 0))
  return steps.sort((a, b) => a - b)[Math.floor(steps.length / 2)] ?? 0
}

/**
 * A reading over time, as an instrument that was heard sent it, with even ticks; gaps are not
 * joined.
 */
export function seriesStrip(
  series: Series,
  {
    measure,
    unit,
    show,
  }: { readonly measure: Measure; readonly unit: UnitName; readonly show: Show },
  size: { readonly width: number; readonly height: number },
): Drawing {
  const [left, right, top, foot] = [64, size.width - 10, 10, size.height - 26]
  const values = series.map(([, value]) => value)
  const [least, most] = [Math.min(...values), Math.max(...values)]
  const span = Math.max(most - least, most * 0.02, 1)
  const [low, high] = [least - span * 0.15, most + span * 0.15]
  const [from_s, to_s] = [series[0]?.[0] ?? 0, Math.max(series.at(-1)?.[0] ?? 0, 1)]
  const x = (at_s: number) => left + ((right - left) * (at_s - from_s)) / Math.max(1, to_s - from_s)
  const y = (value: number) => foot - ((foot - top) * (value - low)) / (high - low)
  // Even in the unit that is read.
  const [lowest, highest] = [fromSi(low, unit), fromSi(high, unit)]
  const step = niceStep(highest - lowest, 4)
  const decimals = Math.max(0, -Math.floor(Math.log10(step)))
  const levels = Array.from(
    { length: Math.floor((highest - lowest) / step) + 2 },
    (_, i) => (Math.ceil(lowest / step) + i) * step,
  ).filter((level) => level <= highest)
  const tick_s = niceStep(Math.max(1, to_s - from_s), 6)
  const gap_s = gapIntervals * usual_s(series)
  const trace = series
    .map(([at_s, value], i) => {
      const before = series[i - 1]
      const isBroken = !before || at_s - before[0] > gap_s
      return `${isBroken ? 'M' : 'L'}${x(at_s).toFixed(1)} ${y(value).toFixed(1)}`
    })
    .join('')
  return {
    ...size,
    title: `Over time, ${show.unit(measure)}: from ${show(values[0] ?? 0, measure)} to ${show(values.at(-1) ?? 0, measure)} in ${clock(to_s - from_s)}`,
    shapes: [
      ...levels.flatMap((level): Shape[] => [
        line([left, y(toSi(level, unit))], [right, y(toSi(level, unit))], 'hair', 0.8),
        label([left - 8, y(toSi(level, unit)) + 5], formatNumber(level, decimals), 14, {
          anchor: 'end',
          ink: 'ink-2',
        }),
      ]),
      ...Array.from(
        { length: Math.floor((to_s - from_s) / tick_s) + 1 },
        (_, i) => from_s + i * tick_s,
      ).map((at_s) =>
        label([x(at_s), foot + 19], clock(at_s), 14, {
          anchor: x(at_s) > right - 18 ? 'end' : 'middle',
          ink: 'ink-2',
        }),
      ),
      { kind: 'path', d: trace, ink: 'ink', width: 2 },
    ],
  }
}

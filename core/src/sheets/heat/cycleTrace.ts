import type { CycleTrace } from '../../methods/plant/heatingCycle'
import type { Show } from '../../units/format'
import type { UnitSet } from '../../units/measure'
import { inset, plot } from '../../answer/axes'
import type { Drawing, Shape } from '../../answer/drawing'
import { label, line } from '../../answer/drawing'

/**
 * Three nights of a circuit: its pressure as it warms and cools, and when the relief stood open.
 * Gauge, at the vessel.
 */
export function cycleTraceDrawing(
  { samples, highestGauge_Pa, openings }: CycleTrace,
  reliefGauge_Pa: number,
  show: Show,
  units: UnitSet,
  size: { readonly width: number; readonly height: number },
): Drawing {
  const end_s = samples[samples.length - 1]?.at_s ?? 1
  const { x, y, frame, trace } = plot(
    { from: 0, to: end_s, unit: 'h', says: 'hours', ticks: size.width < 420 ? 5 : 9 },
    {
      from: 0,
      to: Math.max(reliefGauge_Pa, highestGauge_Pa) * 1.12,
      unit: units['water-pressure'],
      says: `${show.unit('water-pressure')} gauge`,
      ticks: 5,
    },
    size,
  )
  const open = samples.filter((sample) => sample.reliefOpen)
  const shapes: Shape[] = [
    ...frame,
    line(
      [inset.left, y(reliefGauge_Pa)],
      [size.width - inset.right, y(reliefGauge_Pa)],
      'stop',
      1.5,
    ),
    label([size.width - inset.right, y(reliefGauge_Pa) - 6], 'relief lifts', 14, {
      anchor: 'end',
      ink: 'stop',
    }),
    {
      kind: 'path',
      d: trace(samples.map((sample) => [sample.at_s, sample.gauge_Pa])),
      ink: 'hot',
      width: 2.5,
    },
    ...open.map((sample) =>
      line(
        [x(sample.at_s), y(reliefGauge_Pa) - 3],
        [x(sample.at_s), y(reliefGauge_Pa) + 3],
        'stop',
        2,
      ),
    ),
  ]
  return {
    ...size,
    title: `Three heating cycles: ${show(highestGauge_Pa, 'water-pressure')} at the highest; the relief opened ${timesWord(openings)}.`,
    shapes,
  }
}

function timesWord(times: number): string {
  if (times === 0) return 'not once'
  return times === 1 ? 'once' : `${times} times`
}

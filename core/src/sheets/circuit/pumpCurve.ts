import { pumpHead_Pa } from '../../methods/circuit/pumps'
import type { CircuitAnswer } from './answer'
import type { Show } from '../../units/format'
import type { UnitSet } from '../../units/measure'
import { dotAt, plot } from '../../answer/axes'
import type { Drawing, Shape } from '../../answer/drawing'
import { label, line } from '../../answer/drawing'

/** A pump's curve and the circuit's, the duty, and where they meet. */
export function pumpCurveDrawing(
  { pump, running, flow_m3_s, index }: CircuitAnswer,
  show: Show,
  units: UnitSet,
  size: { readonly width: number; readonly height: number },
): Drawing {
  const most_m3_s = Math.max(pump?.most_m3_s ?? 0, flow_m3_s * 1.5)
  const top_Pa = Math.max(pump?.shutHead_Pa ?? 0, index.loss_Pa * 1.5) * 1.1
  const { x, y, frame, trace } = plot(
    { from: 0, to: most_m3_s, unit: units['water-flow'], says: show.unit('water-flow'), ticks: 7 },
    {
      from: 0,
      to: top_Pa,
      unit: units['water-pressure'],
      says: show.unit('water-pressure'),
      ticks: 5,
    },
    size,
  )
  const steps = Array.from({ length: 33 }, (_, i) => (most_m3_s * i) / 32)
  const circuit = (flow: number) => index.loss_Pa * (flow / flow_m3_s) ** 2
  const shapes: Shape[] = [
    ...frame,
    ...(pump
      ? [
          {
            kind: 'path' as const,
            d: trace(steps.map((flow) => [flow, pumpHead_Pa(pump, flow)])),
            ink: 'ink' as const,
            width: 2.5,
            ...(pump.id === 'own' ? {} : { dash: '7 4' }),
          },
          label(
            [x(0.5 * pump.most_m3_s) + 8, y(pumpHead_Pa(pump, 0.5 * pump.most_m3_s)) - 8],
            pump.label,
            14,
            { ink: 'ink-2' },
          ),
        ]
      : []),
    {
      kind: 'path',
      d: trace(
        steps.filter((flow) => circuit(flow) <= top_Pa).map((flow) => [flow, circuit(flow)]),
      ),
      ink: 'hot',
      width: 2.5,
    },
    line([x(flow_m3_s), y(0)], [x(flow_m3_s), y(index.loss_Pa)], 'ink', 1.2, '2 3'),
    line([x(0), y(index.loss_Pa)], [x(flow_m3_s), y(index.loss_Pa)], 'ink', 1.2, '2 3'),
    dotAt(x(flow_m3_s), y(index.loss_Pa)),
    label(
      [x(flow_m3_s) + 6, y(0) - 8],
      [
        { text: 'duty ', bold: true },
        {
          text: `${show.figure(flow_m3_s, 'water-flow')} at ${show.figure(index.loss_Pa, 'water-pressure')}`,
        },
      ],
      14,
    ),
    ...(running
      ? [
          {
            kind: 'path' as const,
            d: `M${x(running.flow_m3_s) - 5} ${y(running.head_Pa)}l5 -5l5 5l-5 5Z`,
            fill: 'paper' as const,
            ink: 'ink' as const,
            width: 1.6,
          },
        ]
      : []),
  ]
  return {
    ...size,
    title: `Duty ${show(flow_m3_s, 'water-flow')} at ${show(index.loss_Pa, 'water-pressure')}${running && pump ? `; ${pump.label} at full speed settles at ${show(running.flow_m3_s, 'water-flow')}` : ''}.`,
    shapes,
  }
}

import type { MainCurve, RunningPoint } from '../../methods/supply/mainCurve'
import { mainFlow_m3_s, mainGauge_Pa } from '../../methods/supply/mainCurve'
import type { Show } from '../../units/format'
import type { UnitSet } from '../../units/measure'
import { fromSi, toSi } from '../../units/units'
import type { Drawing, Point, Shape } from '../../answer/drawing'
import { label, line, niceStep } from '../../answer/drawing'

interface Marks {
  readonly points: readonly RunningPoint[]
  /** Pressure wanted at the far end with the water's height, where the design knows it. */
  readonly leftGauge_Pa?: number
  readonly wanted_m3_s?: number
}

const inset = { left: 54, right: 22, top: 18, bottom: 40 }

/**
 * What the cold main gives: pressure over flow, the readings as dots, solid as far as it was
 * measured and dashed beyond.
 */
export function mainCurveDrawing(
  curve: MainCurve,
  { points, leftGauge_Pa, wanted_m3_s }: Marks,
  show: Show,
  units: UnitSet,
  size: { readonly width: number; readonly height: number },
): Drawing {
  const end_m3_s = Math.max(
    mainFlow_m3_s(curve, 0.05 * curve.staticGauge_Pa),
    curve.measured_m3_s * 1.2,
    (wanted_m3_s ?? 0) * 1.1,
  )
  const right = Math.min(end_m3_s, Math.max(curve.measured_m3_s * 2.6, (wanted_m3_s ?? 0) * 1.4))
  const top_Pa = curve.staticGauge_Pa * 1.08
  const x = (flow: number) => inset.left + (flow / right) * (size.width - inset.left - inset.right)
  const y = (gauge: number) =>
    size.height -
    inset.bottom -
    (Math.max(0, gauge) / top_Pa) * (size.height - inset.top - inset.bottom)
  const trace = (from: number, to: number) =>
    Array.from({ length: 41 }, (_, i) => from + ((to - from) * i) / 40)
      .map(
        (flow, i) =>
          `${i === 0 ? 'M' : 'L'}${x(flow).toFixed(1)} ${y(mainGauge_Pa(curve, flow)).toFixed(1)}`,
      )
      .join('')
  const [flowUnit, pressureUnit] = [units['water-flow'], units['water-pressure']]
  const flowStep = niceStep(fromSi(right, flowUnit), 7)
  const pressureStep = niceStep(fromSi(top_Pa, pressureUnit), 5)
  const ticks = (step: number, most: number) =>
    Array.from({ length: Math.floor(most / step + 1e-9) + 1 }, (_, i) => i * step)
  const tidy = (figure: number) => String(Math.round(figure * 1000) / 1000)
  const measured = Math.min(curve.measured_m3_s, right)
  const shapes: Shape[] = [
    ...ticks(pressureStep, fromSi(top_Pa, pressureUnit)).flatMap((figure): Shape[] => {
      const at = y(toSi(figure, pressureUnit))
      return [
        line([inset.left, at], [size.width - inset.right, at], 'hair', 0.8),
        label([inset.left - 8, at + 5], tidy(figure), 14, { anchor: 'end', ink: 'ink-2' }),
      ]
    }),
    ...ticks(flowStep, fromSi(right, flowUnit)).flatMap((figure): Shape[] => {
      const at = x(toSi(figure, flowUnit))
      return [
        line([at, size.height - inset.bottom], [at, size.height - inset.bottom + 5], 'rule'),
        label([at, size.height - inset.bottom + 19], tidy(figure), 14, {
          anchor: 'middle',
          ink: 'ink-2',
        }),
      ]
    }),
    line(
      [inset.left, size.height - inset.bottom],
      [size.width - inset.right, size.height - inset.bottom],
      'ink',
      1.5,
    ),
    label([size.width - inset.right, size.height - 6], `${show.unit('water-flow')} drawn`, 14, {
      anchor: 'end',
      ink: 'ink-3',
    }),
    ...(leftGauge_Pa === undefined || leftGauge_Pa >= curve.staticGauge_Pa
      ? []
      : leftMarks(mainFlow_m3_s(curve, leftGauge_Pa), leftGauge_Pa)),
    ...(wanted_m3_s && wanted_m3_s <= right
      ? [
          line(
            [x(wanted_m3_s), y(0)],
            [x(wanted_m3_s), y(mainGauge_Pa(curve, wanted_m3_s))],
            'ink',
            1.2,
            '2 3',
          ),
          label(
            [x(wanted_m3_s) + 5, y(0) - 8],
            [{ text: `${show(wanted_m3_s, 'water-flow')} wanted` }],
            14,
            { ink: 'ink' },
          ),
        ]
      : []),
    { kind: 'path', d: trace(0, measured), ink: 'cold', width: 3 },
    ...(right > measured
      ? [
          {
            kind: 'path' as const,
            d: trace(measured, right),
            ink: 'cold' as const,
            width: 2,
            dash: '5 5',
          },
        ]
      : []),
    ...points.flatMap((point): Shape[] => [
      dot(x(point.flow_m3_s), y(point.gauge_Pa)),
      label(
        [x(point.flow_m3_s) + 9, y(point.gauge_Pa) - 8],
        [
          { text: show.figure(point.gauge_Pa, 'water-pressure'), bold: true },
          { text: ` at ${show.figure(point.flow_m3_s, 'water-flow')}` },
        ],
        14,
      ),
    ]),
    dot(x(0), y(curve.staticGauge_Pa)),
    label(
      [x(0) + 9, y(curve.staticGauge_Pa) - 5],
      [{ text: show(curve.staticGauge_Pa, 'water-pressure'), bold: true }, { text: ' static' }],
      14,
    ),
  ]
  return {
    ...size,
    title: `Supply curve of the cold main: ${show(curve.staticGauge_Pa, 'water-pressure')} static, falling as water is drawn.`,
    shapes,
  }

  function leftMarks(flow: number, left_Pa: number): Shape[] {
    const at: Point = [x(Math.min(flow, right)), y(left_Pa)]
    return [
      line([inset.left, at[1]], at, 'ink-3', 1.2, '4 4'),
      ...(flow <= right ? [line(at, [at[0], y(0)], 'ink-3', 1.2, '4 4')] : []),
      label([inset.left + 6, at[1] - 5], `${show(left_Pa, 'water-pressure')} must be left`, 14, {
        ink: 'ink-3',
      }),
    ]
  }
}

const dot = (at: number, up: number): Shape => ({
  kind: 'path',
  d: `M${at - 4} ${up}a4 4 0 1 0 8 0a4 4 0 1 0 -8 0Z`,
  fill: 'ink',
  ink: 'paper',
  width: 1.2,
})

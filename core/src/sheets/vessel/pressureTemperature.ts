import type { CurvePoint } from '../../methods/plant/sealedCircuit'
import type { PressureView } from './pressureModel'
import type { Show } from '../../units/format'
import type { UnitSet } from '../../units/measure'
import { dotAt, inset, plot } from '../../answer/axes'
import type { Drawing, Ink, Shape } from '../../answer/drawing'
import { label, line, spread } from '../../answer/drawing'

const pairs = (curve: readonly CurvePoint[]) =>
  curve.map((point): readonly [number, number] => [point.temp_K, point.gauge_Pa])

/**
 * Pressure against temperature from the cold fill to the hottest: the design, a fault beside it,
 * the method's own expansion, and what must not be passed. Gauge, at the vessel.
 */
export function pressureTemperature(
  view: PressureView,
  show: Show,
  units: UnitSet,
  size: { readonly width: number; readonly height: number },
): Drawing {
  const {
    curve,
    design,
    method,
    reliefGauge_Pa,
    finalGauge_Pa,
    leastGauge_Pa,
    reliefOpens_K,
    hotGauge_Pa,
  } = view
  const [first, last] = [curve[0], curve[curve.length - 1]]
  const faulty = curve !== design
  const top_Pa = reliefGauge_Pa * 1.22
  const { x, y, frame, trace } = plot(
    {
      from: first?.temp_K ?? 283,
      to: last?.temp_K ?? 353,
      unit: units.temperature,
      says: `${show.unit('temperature')} of the water`,
      ticks: size.width < 420 ? 5 : 8,
    },
    {
      from: 0,
      to: top_Pa,
      unit: units['water-pressure'],
      says: `${show.unit('water-pressure')} gauge`,
      ticks: 6,
    },
    size,
  )
  const right = size.width - inset.right
  const figure = (gauge_Pa: number) => show.figure(gauge_Pa, 'water-pressure')
  const levels: readonly (readonly [number, string, Ink])[] = [
    [reliefGauge_Pa, 'relief lifts', 'stop'],
    [finalGauge_Pa, 'final', 'ink-2'],
    [leastGauge_Pa, 'static head', 'cold'],
  ]
  const heights = spread(
    levels.map(([gauge]) => y(gauge) - 6),
    17,
    inset.top + 8,
    size.height - inset.bottom - 6,
  )
  const at = (points: readonly CurvePoint[]) => points[points.length - 1]?.gauge_Pa ?? 0
  const shapes: Shape[] = [
    {
      kind: 'rect',
      at: [inset.left, y(top_Pa)],
      size: [right - inset.left, y(reliefGauge_Pa) - y(top_Pa)],
      fill: 'stop-wash',
    },
    ...frame,
    ...levels.flatMap(([gauge, name, ink], i): Shape[] => [
      line(
        [inset.left, y(gauge)],
        [right, y(gauge)],
        ink,
        ink === 'stop' ? 2 : 1.2,
        ink === 'stop' ? undefined : '5 4',
      ),
      label(
        [inset.left + 6, heights[i] ?? 0],
        [{ text: figure(gauge), bold: true }, { text: ` ${name}` }],
        14,
        { ink: ink === 'stop' ? 'stop' : 'ink-2' },
      ),
    ]),
    { kind: 'path', d: trace(pairs(method)), ink: 'pencil', width: 1.2, dash: '2 3' },
    ...(faulty
      ? [
          {
            kind: 'path' as const,
            d: trace(pairs(design)),
            ink: 'ink-3' as const,
            width: 2,
            dash: '6 4',
          },
        ]
      : []),
    { kind: 'path', d: trace(pairs(curve)), ink: 'hot', width: 3.5 },
    ...(first ? [dotAt(x(first.temp_K), y(first.gauge_Pa))] : []),
    ...(reliefOpens_K === undefined
      ? [
          label(
            [right - 4, y(hotGauge_Pa) + 36],
            [{ text: figure(hotGauge_Pa), bold: true }, { text: ' hot' }],
            15,
            { anchor: 'end', ink: 'hot' },
          ),
        ]
      : [
          {
            kind: 'icon' as const,
            at: [x(reliefOpens_K) - 9, y(reliefGauge_Pa) - 9] as const,
            icon: 'stop' as const,
            size: 18,
          },
          label(
            [
              x(reliefOpens_K) + (x(reliefOpens_K) > size.width * 0.6 ? -14 : 14),
              y(reliefGauge_Pa) - 12,
            ],
            `opens at ${show(reliefOpens_K, 'temperature')}`,
            15,
            { anchor: x(reliefOpens_K) > size.width * 0.6 ? 'end' : 'start', ink: 'stop' },
          ),
        ]),
  ]
  return {
    ...size,
    title: `Pressure against temperature: ${show(first?.gauge_Pa ?? 0, 'water-pressure')} cold, ${reliefOpens_K === undefined ? `${show(hotGauge_Pa, 'water-pressure')} hot; the relief stays shut` : `the relief opens at ${show(reliefOpens_K, 'temperature')}`}.${faulty ? ` As designed ${show(at(design), 'water-pressure')} hot.` : ''}`,
    shapes,
  }
}

import { gapIntervals } from './byTheRule'
import type { Sample, TightnessRun } from './run'
import { figuresOf, intervalOf_s, windowOf } from './run'
import { clock } from '../../units/format'
import type { Show } from '../../units/format'
import type { Drawing, Shape } from '../../answer/drawing'
import { label, line, niceStep } from '../../answer/drawing'

const most = 900

/** Every n-th sample, ends kept: a trace needs no more points than it has pixels. */
const thinned = <T>(rows: readonly T[]): readonly T[] => {
  const step = Math.ceil(rows.length / most)
  return step <= 1 ? rows : rows.filter((_, i) => i % step === 0 || i === rows.length - 1)
}

/**
 * A tightness test over time: settling, the test window, the movement it may show, and every note
 * at its place. Gauge pressure.
 */
export function tightnessTrace(
  run: TightnessRun,
  show: Show,
  size: { readonly width: number; readonly height: number },
  notes: readonly { readonly at_ms: number; readonly text: string }[] = [],
): Drawing {
  const { plan } = run
  const { from_ms, to_ms } = windowOf(run)
  const figures = figuresOf(run)
  const limit_Pa = plan.perceptible_Pa
  const [left, right, top, foot] = [58, size.width - 10, 14, size.height - 26]
  const first_ms = Math.min(run.settleFrom_ms, ...run.samples.map((sample) => sample.at_ms))
  const last_ms = Math.max(to_ms, ...run.samples.map((sample) => sample.at_ms))
  const start_Pa =
    figures?.start_Pa ?? run.samples[run.samples.length - 1]?.gauge_Pa ?? plan.testGauge_Pa
  const near = run.samples
    .filter((sample) => sample.at_ms >= run.settleFrom_ms)
    .map((sample) => sample.gauge_Pa)
  const span_Pa = Math.max(limit_Pa * 4, ...near.map((value) => Math.abs(value - start_Pa) * 1.15))
  const [low, high] = [start_Pa - span_Pa, start_Pa + span_Pa * 0.6]
  const x = (at_ms: number) =>
    left + ((right - left) * (at_ms - first_ms)) / Math.max(1, last_ms - first_ms)
  const y = (gauge_Pa: number) =>
    foot - ((foot - top) * (Math.min(high, Math.max(low, gauge_Pa)) - low)) / (high - low)
  const samples = thinned(run.samples)
  // A gap is shown as one: what was not read is not drawn.
  const step_s = intervalOf_s(samples)
  const isBroken = (before: Sample | undefined, { at_ms }: Sample) =>
    !before ||
    (run.reading === 'streamed' &&
      at_ms - before.at_ms > 1000 * gapIntervals * Math.max(step_s, 0.1))
  const trace = samples
    .map(
      (sample, i) =>
        `${isBroken(samples[i - 1], sample) ? 'M' : 'L'}${x(sample.at_ms).toFixed(1)} ${y(sample.gauge_Pa).toFixed(1)}`,
    )
    .join('')
  const figure = (gauge_Pa: number) => show.figure(gauge_Pa, 'gas-pressure')
  const step_Pa = niceStep(high - low, 4)
  const levels = Array.from(
    { length: Math.floor((high - low) / step_Pa) + 2 },
    (_, i) => (Math.ceil(low / step_Pa) + i) * step_Pa,
  ).filter((level) => level <= high)
  const lastSample = samples[samples.length - 1]
  const minutes_s = niceStep((last_ms - first_ms) / 1000, 6)
  return {
    ...size,
    title: `Pressure over time, ${show.unit('gas-pressure')} gauge: settling, then a test of ${clock(plan.test_s)}`,
    shapes: [
      ...levels.flatMap((level): Shape[] => [
        line([left, y(level)], [right, y(level)], 'hair', 0.8),
        label([left - 8, y(level) + 5], figure(level), 14, { anchor: 'end', ink: 'ink-2' }),
      ]),
      ...Array.from(
        { length: Math.floor((last_ms - first_ms) / 1000 / minutes_s) + 1 },
        (_, i) => i * minutes_s,
      ).flatMap((at): Shape[] => [
        line([x(first_ms + at * 1000), top], [x(first_ms + at * 1000), foot], 'hair', 0.8),
        label([x(first_ms + at * 1000), foot + 19], clock(at), 14, {
          anchor: x(first_ms + at * 1000) > right - 18 ? 'end' : 'middle',
          ink: 'ink-2',
        }),
      ]),
      ...(figures
        ? [
            {
              kind: 'rect',
              at: [x(from_ms), y(figures.start_Pa)],
              size: [
                x(to_ms) - x(from_ms),
                Math.max(1, y(figures.start_Pa - limit_Pa) - y(figures.start_Pa)),
              ],
              fill: 'pass-wash',
            } satisfies Shape,
            line(
              [x(from_ms), y(figures.start_Pa)],
              [x(to_ms), y(figures.start_Pa)],
              'pass',
              1.2,
              '5 4',
            ),
            line(
              [x(from_ms), y(figures.start_Pa - limit_Pa)],
              [x(to_ms), y(figures.start_Pa - limit_Pa)],
              'stop',
              2,
            ),
            label(
              [x(to_ms) - 6, y(figures.start_Pa - limit_Pa) + 17],
              `${figure(figures.start_Pa - limit_Pa)} least`,
              14,
              { anchor: 'end', ink: 'stop' },
            ),
          ]
        : []),
      line([x(run.settleFrom_ms), top], [x(run.settleFrom_ms), foot], 'ink-2', 1.2, '5 4'),
      line([x(from_ms), top], [x(from_ms), foot], 'ink', 1.5),
      line([x(to_ms), top], [x(to_ms), foot], 'ink', 1.5),
      label([x(run.settleFrom_ms) + 6, foot - 7], 'settling', 14, { ink: 'ink-2' }),
      label([x(to_ms) - 6, foot - 7], 'test', 14, { anchor: 'end', bold: true }),
      ...(trace ? [{ kind: 'path', d: trace, ink: 'gas', width: 2.5 } satisfies Shape] : []),
      ...(lastSample
        ? [
            {
              kind: 'rect',
              at: [x(lastSample.at_ms) - 3.5, y(lastSample.gauge_Pa) - 3.5],
              size: [7, 7],
              fill: 'gas',
            } satisfies Shape,
          ]
        : []),
      ...notes.map((note, i): Shape => ({
        kind: 'pick',
        id: `note-${i}`,
        label: note.text,
        shapes: [
          line([x(note.at_ms), top + 16], [x(note.at_ms), top + 34], 'ink', 1),
          {
            kind: 'rect',
            at: [x(note.at_ms) - 9, top - 2],
            size: [18, 18],
            fill: 'sheet',
            ink: 'ink',
            width: 1.2,
          },
          label([x(note.at_ms), top + 12], String(i + 1), 14, { anchor: 'middle', bold: true }),
        ],
      })),
    ],
  }
}

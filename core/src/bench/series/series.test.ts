import { practices } from '../../practice/practices'
import { showIn } from '../../units/format'
import { bell, seeded } from '../gas-tightness/simulatedRun.testing'
import type { Series } from './shape'
import { mostInSeries, shapeOf, withReading } from './shape'
import { seriesStrip } from './strip'

const show = showIn(practices['uk-ireland'].units)
/** Half an hour of a plastic pipe from ten bar, a reading every ten seconds. */
const run = (fall: (at_s: number) => number, noise_Pa: number, seed: number): Series => {
  const random = seeded(seed)
  return Array.from({ length: 180 }, (_, i): [number, number] => {
    const at_s = 10 * (i + 1)
    return [at_s, 1e6 - fall(at_s) + noise_Pa * bell(random)]
  })
}
// A decade of creep costs a plastic pipe a few hundredths of its pressure; a leak empties it as the
// root of what is left.
const creep = (at_s: number) => 5e4 * Math.log10(1 + at_s / 10)
const leak = (at_s: number) => 1e6 * (1 - (1 - at_s * 4e-5) ** 2)

describe('the shape of a fall', () => {
  test.each([
    ['creep', creep, 'creeps'],
    ['a leak', leak, 'leaks'],
    ['nothing', () => 0, 'stands'],
  ] as const)('%s is told without noise', (_, fall, told) =>
    expect(shapeOf(run(fall, 0, 1), 1e4)).toBe(told),
  )
  test.each([
    ['creep', creep, 'leaks'],
    ['a leak', leak, 'creeps'],
  ] as const)('%s is never told for the other, over many noisy runs', (_, fall, never) => {
    const told = Array.from({ length: 400 }, (__, seed) => shapeOf(run(fall, 1500, seed + 1), 1e4))
    expect(told.filter((one) => one === never)).toEqual([])
    expect(told.filter((one) => one !== 'cannot-tell').length).toBeGreaterThan(300)
  })
  test('creep with a leak under it is never told as creep alone', () => {
    const both = (share: number) => (at_s: number) => creep(at_s) + share * leak(at_s)
    for (const share of [0.5, 1, 2])
      for (let seed = 1; seed < 40; seed++)
        expect(shapeOf(run(both(share), 1500, seed), 1e4)).not.toBe('creeps')
  })
  test.each([
    ['too few readings', run(creep, 0, 1).slice(0, 8)],
    ['too short a stretch', run(creep, 0, 1).slice(100)],
    ['none', []],
  ] as const)('%s cannot tell', (_, series) => expect(shapeOf(series, 1e4)).toBe('cannot-tell'))
})

test('a series that grows long keeps its beginning, its end, and its bounds', () => {
  let series: Series = []
  for (let i = 0; i < 5000; i++) series = withReading(series, [i, i])
  expect(series.length).toBeLessThanOrEqual(mostInSeries)
  expect(series[0]).toEqual([0, 0])
  expect(series.at(-1)).toEqual([4999, 4999])
  const times = series.map(([at_s]) => at_s)
  expect([...times].sort((a, b) => a - b)).toEqual(times)
})

test('a gap is not joined, and what is drawn stays inside', () => {
  const [a, b] = [run(creep, 0, 1).slice(0, 40), run(creep, 0, 1).slice(90)]
  const { shapes, title } = seriesStrip(
    [...a, ...b],
    { measure: 'water-pressure', unit: 'bar', show },
    { width: 600, height: 160 },
  )
  const paths = shapes.flatMap((shape) => (shape.kind === 'path' ? [shape.d] : []))
  expect(paths.join('').match(/M/g)).toHaveLength(2)
  const numbers =
    paths
      .join(' ')
      .match(/-?[\d.]+/g)
      ?.map(Number) ?? []
  expect(Math.max(...numbers)).toBeLessThanOrEqual(600)
  expect(Math.min(...numbers)).toBeGreaterThanOrEqual(0)
  expect(title).toMatch(/Over time, bar/)
})

test('levels are even in the unit that is read', () => {
  const { shapes } = seriesStrip(
    run(creep, 0, 1),
    { measure: 'water-pressure', unit: 'psi', show: showIn(practices['north-america'].units) },
    { width: 600, height: 160 },
  )
  const levels = shapes.flatMap((shape) =>
    shape.kind === 'text' && shape.anchor === 'end' ? shape.spans.map(({ text }) => text) : [],
  )
  // Ten bar are 145 psi.
  expect(levels).toContain('140')
  expect(levels.filter((text) => !/^[\d:]+$/.test(text))).toEqual([])
})

import fc from 'fast-check'
import { outlineOf } from './outline'
import { meterNode } from './tree'

const tree = fc.array(fc.nat(30), { minLength: 1, maxLength: 25 }).map((feeders) =>
  feeders.map((feeder, i) => ({
    id: `p${i}`,
    from: feeder % (i + 1) === i ? meterNode : `p${feeder % (i + 1)}`,
  })),
)

test('every pipe stands once, after the one it leaves, and no deeper than one in from it', () =>
  fc.assert(
    fc.property(tree, (branches) => {
      const places = outlineOf(branches)
      expect(places.map((one) => one.branch.id).sort()).toEqual(
        branches.map((one) => one.id).sort(),
      )
      places.forEach(({ branch, depth }, i) => {
        const feeder = places.findIndex((other) => other.branch.id === branch.from)
        expect(feeder).toBeLessThan(i)
        if (feeder >= 0)
          expect([places[feeder]?.depth, (places[feeder]?.depth ?? 0) + 1]).toContain(depth)
      })
    }),
  ))
test('the run goes on at its own step after what branches off', () => {
  const places = outlineOf([
    { id: 'a', from: meterNode },
    { id: 'stub', from: 'a' },
    { id: 'b', from: 'a' },
    { id: 'c', from: 'b' },
  ])
  expect(places.map(({ branch, depth }) => [branch.id, depth])).toEqual([
    ['a', 0],
    ['stub', 1],
    ['b', 0],
    ['c', 0],
  ])
})
test('a ring and an orphan stand at the end and say so', () => {
  const places = outlineOf([
    { id: 'x', from: 'y' },
    { id: 'y', from: 'x' },
    { id: 'a', from: meterNode },
  ])
  expect(places.map(({ branch, reached }) => [branch.id, reached])).toEqual([
    ['a', true],
    ['x', false],
    ['y', false],
  ])
})
test('a run of 600 pipes is an outline too', () =>
  expect(
    outlineOf(
      Array.from({ length: 600 }, (_, i) => ({
        id: `p${i}`,
        from: i === 0 ? meterNode : `p${i - 1}`,
      })),
    ).at(-1)?.depth,
  ).toBe(0))

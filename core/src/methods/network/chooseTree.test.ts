import fc from 'fast-check'
import type { OfferedPipe } from './chooseTree'
import { chooseTree } from './chooseTree'
import { sizeBounds } from './sizeBounds'
import { meterNode } from './tree'
import { treeShape } from './treeShape'

const anyOffers = fc
  .uniqueArray(
    fc.record({
      bore_m: fc.integer({ min: 1, max: 40 }),
      cost: fc.integer({ min: 0, max: 30 }),
      drop: fc.double({ min: 0, max: 50, noNaN: true }),
    }),
    { minLength: 1, maxLength: 4, selector: (offer) => offer.bore_m },
  )
  .map((offers) => [...offers].sort((a, b) => a.bore_m - b.bore_m))
/**
 * Offers of any cost and drop, not only the sensible ones in which wider is dearer and loses less.
 */
const anyTree = fc
  .array(
    fc.record({
      offers: anyOffers,
      feeder: fc.nat(20),
      stays: fc.boolean(),
      allowed: fc.option(fc.double({ min: 1, max: 120, noNaN: true }), { nil: undefined }),
    }),
    { minLength: 1, maxLength: 7 },
  )
  .map((rows) =>
    rows.map(({ offers, feeder, stays, allowed }, i): OfferedPipe => ({
      id: `p${i}`,
      from: feeder % (i + 1) === i ? meterNode : `p${feeder % (i + 1)}`,
      fixed: stays && i % 3 === 0,
      offers: stays && i % 3 === 0 ? offers.slice(0, 1) : offers,
      ...(allowed === undefined ? {} : { allowed }),
    })),
  )

/** Every combination of offers that keeps the allowances and the feeder rule, with its cost. */
function everyWay(pipes: readonly OfferedPipe[]): readonly {
  readonly cost: number
  readonly picks: readonly number[]
  readonly dropTo: readonly number[]
}[] {
  const ways: { cost: number; picks: number[]; dropTo: number[] }[] = []
  const step = (i: number, picks: number[], dropTo: number[], cost: number) => {
    const pipe = pipes[i]
    if (!pipe) {
      ways.push({ cost, picks, dropTo })
      return
    }
    const up = pipes.findIndex((other) => other.id === pipe.from)
    pipe.offers.forEach((offer, k) => {
      const feeder = pipes[up]
      if (feeder && !feeder.fixed && offer.bore_m > (feeder.offers[picks[up] ?? 0]?.bore_m ?? 0))
        return
      const lost = (dropTo[up] ?? 0) + offer.drop
      if (pipe.allowed === undefined || lost <= pipe.allowed)
        step(i + 1, [...picks, k], [...dropTo, lost], cost + offer.cost)
    })
  }
  step(0, [], [], 0)
  return ways
}

test('the choice is the cheapest of every way there is, on 500 trees of any offers', () =>
  fc.assert(
    fc.property(anyTree, (pipes) => {
      const least = Math.min(...everyWay(pipes).map((way) => way.cost))
      const chosen = chooseTree(pipes)
      if (!chosen) return expect(least).toBe(Infinity)
      expect(
        pipes.reduce((sum, pipe) => sum + (pipe.offers[chosen.get(pipe.id) ?? -1]?.cost ?? NaN), 0),
      ).toBeCloseTo(least, 9)
    }),
    { numRuns: 500 },
  ))

test('the bound is never above what the cheapest way costs, nor its outside above what stands outside', () =>
  fc.assert(
    fc.property(anyTree, (pipes) => {
      const shape = treeShape(pipes)
      const { least, weight, outside } = sizeBounds(shape)
      const beyond = (id: string): string[] => [
        id,
        ...pipes.filter((pipe) => pipe.from === id).flatMap((pipe) => beyond(pipe.id)),
      ]
      const ways = everyWay(shape.ordered)
      for (const way of ways) {
        expect(least).toBeLessThanOrEqual(way.cost + 1e-6)
        shape.ordered.forEach((pipe, i) => {
          const inside = new Set(beyond(pipe.id))
          const cost = shape.ordered.reduce(
            (sum, other, j) =>
              sum + (inside.has(other.id) ? 0 : (other.offers[way.picks[j] ?? 0]?.cost ?? 0)),
            0,
          )
          const before = way.dropTo[shape.parent[i] ?? -1] ?? 0
          expect(
            (outside[i]?.[way.picks[i] ?? 0] ?? 0) - (weight[i] ?? 0) * before,
          ).toBeLessThanOrEqual(cost + 1e-6)
        })
      }
    }),
    { numRuns: 150 },
  ))

test('a tree with nothing in it needs nothing, and one that no size serves is said to be so', () => {
  expect(chooseTree([])?.size).toBe(0)
  expect(
    chooseTree([
      {
        id: 'a',
        from: meterNode,
        fixed: false,
        allowed: 1,
        offers: [{ bore_m: 1, cost: 1, drop: 2 }],
      },
    ]),
  ).toBeUndefined()
  expect(chooseTree([{ id: 'a', from: meterNode, fixed: false, offers: [] }])).toBeUndefined()
})
test('what would serve but for the feeder rule is not taken', () => {
  const one = (drop: number, bore_m: number) => ({ bore_m, cost: bore_m, drop })
  const pipes: OfferedPipe[] = [
    { id: 'a', from: meterNode, fixed: false, offers: [one(1, 1)] },
    { id: 'b', from: 'a', fixed: false, allowed: 3, offers: [one(5, 1), one(1, 2)] },
  ]
  expect(chooseTree(pipes)).toBeUndefined()
  expect(
    chooseTree(pipes.map((pipe) => (pipe.id === 'a' ? { ...pipe, fixed: true } : pipe)))?.get('b'),
  ).toBe(1)
})
test('tells how often it has tried', () => {
  const tried: number[] = []
  chooseTree(
    [
      {
        id: 'a',
        from: meterNode,
        fixed: false,
        allowed: 3,
        offers: [{ bore_m: 1, cost: 1, drop: 2 }],
      },
    ],
    (times) => tried.push(times),
  )
  expect(tried[0]).toBe(1)
})

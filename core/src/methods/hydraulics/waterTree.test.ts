import fc from 'fast-check'
import { fluidAt } from '../fluid/glycol'
import { engineFactor } from './networkFriction'
import { colebrook, colebrookRoot, laminarFactor, swameeJain } from './friction'
import { hazenWilliams_m, hazenWilliamsUs_Pa } from './hazenWilliams'
import type { OpenOutlet, WaterPipe } from './waterTree'
import { realFlows, solveWaterTree, sourceNode } from './waterTree'

const fluid = fluidAt({ kind: 'water', massFraction: 0 }, 283.15)
const pipe = (id: string, from: string, change: Partial<WaterPipe> = {}): WaterPipe => ({
  id,
  from,
  length_m: 6,
  bore_m: 0.0136,
  roughness_m: 1.5e-6,
  lossCoefficient: 2,
  rise_m: 0,
  draw_m3_s: 0,
  ...change,
})
const tree = (draws: readonly number[]): WaterPipe[] => [
  pipe('main', sourceNode, { bore_m: 0.0202 }),
  ...draws.map((draw_m3_s, i) =>
    pipe(`p${i}`, i === 0 ? 'main' : i % 2 ? 'main' : 'p0', { draw_m3_s, rise_m: i }),
  ),
]
const someDraws = fc.array(fc.double({ min: 0, max: 0.3e-3, noNaN: true }), {
  minLength: 1,
  maxLength: 6,
})
const fixed = (gauge_Pa: number) => () => gauge_Pa

test('flow is continuous at every node', () =>
  fc.assert(
    fc.property(someDraws, (draws) => {
      const pipes = tree(draws)
      const states = solveWaterTree(pipes, fixed(3e5), fluid)
      const flow = (id: string) => states.find((state) => state.id === id)?.flow_m3_s ?? 0
      for (const one of pipes)
        expect(flow(one.id)).toBeCloseTo(
          one.draw_m3_s +
            pipes
              .filter((next) => next.from === one.id)
              .reduce((sum, next) => sum + flow(next.id), 0),
          12,
        )
    }),
  ))
test('more drawn, longer or narrower: never more pressure anywhere', () =>
  fc.assert(
    fc.property(someDraws, fc.double({ min: 1, max: 2, noNaN: true }), (draws, k) => {
      const gauge = (pipes: readonly WaterPipe[]) =>
        solveWaterTree(pipes, fixed(3e5), fluid).map((state) => state.farGauge_Pa)
      const base = gauge(tree(draws))
      for (const changed of [
        tree(draws.map((draw) => draw * k)),
        tree(draws).map((one) => ({ ...one, length_m: one.length_m * k })),
        tree(draws).map((one) => ({ ...one, bore_m: one.bore_m / k })),
      ])
        gauge(changed).forEach((gauge_Pa, i) =>
          expect(gauge_Pa).toBeLessThanOrEqual((base[i] ?? 0) + 1),
        )
    }),
  ))
test('nothing drawn leaves only the height', () =>
  expect(solveWaterTree(tree([0]), fixed(3e5), fluid)[1]?.farGauge_Pa).toBeCloseTo(3e5, 6))

const outletsOf = (draws: readonly number[]): OpenOutlet[] =>
  draws.map((flow_m3_s, i) => ({ pipeId: `p${i}`, flow_m3_s, wantedGauge_Pa: 1e5 }))
test('where the supply carries all, every outlet gives what it wants', () => {
  const { flows_m3_s, converged } = realFlows(
    tree([1e-4, 1e-4]),
    outletsOf([1e-4, 1e-4]),
    fixed(4e5),
    fluid,
  )
  expect(converged).toBe(true)
  expect(flows_m3_s).toEqual([1e-4, 1e-4])
})
test('where it does not, each gives by the root of what is left to it, and the round closes', () =>
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 5e-5, max: 4e-4, noNaN: true }), { minLength: 1, maxLength: 5 }),
      fc.double({ min: 0.6e5, max: 3e5, noNaN: true }),
      (draws, gauge_Pa) => {
        const { flows_m3_s, states, converged } = realFlows(
          tree(draws),
          outletsOf(draws),
          fixed(gauge_Pa),
          fluid,
        )
        expect(converged).toBe(true)
        draws.forEach((wanted, i) => {
          const left_Pa = states.find((state) => state.id === `p${i}`)?.farGauge_Pa ?? 0
          expect(
            Math.abs(
              (flows_m3_s[i] ?? 0) - wanted * Math.sqrt(Math.min(1, Math.max(0, left_Pa) / 1e5)),
            ),
          ).toBeLessThan(1e-4 * wanted)
          expect(flows_m3_s[i]).toBeLessThanOrEqual(wanted * (1 + 1e-9))
        })
      },
    ),
    { numRuns: 40 },
  ))
test('five taps high up on a street with next to nothing settle too', () =>
  expect(
    realFlows(
      tree([1.43e-4, 5.1e-5, 3.33e-4, 9.3e-5, 2.21e-4]),
      outletsOf([1.43e-4, 5.1e-5, 3.33e-4, 9.3e-5, 2.21e-4]),
      fixed(60000),
      fluid,
    ).converged,
  ).toBe(true))
test('more pressure in the street never gives less at the taps together', () =>
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 5e-5, max: 4e-4, noNaN: true }), { minLength: 1, maxLength: 5 }),
      fc.double({ min: 0.6e5, max: 3e5, noNaN: true }),
      (draws, gauge_Pa) => {
        const all = (street: number) =>
          realFlows(tree(draws), outletsOf(draws), fixed(street), fluid).flows_m3_s.reduce(
            (sum, flow) => sum + flow,
            0,
          )
        expect(all(gauge_Pa * 1.2)).toBeGreaterThanOrEqual(all(gauge_Pa) * (1 - 1e-4))
      },
    ),
    { numRuns: 30 },
  ))

test('the engine’s factor is laminar, bridged and turbulent in its turn, without a step', () => {
  expect(engineFactor({ reynolds: 1500, roughnessRatio: 1e-4 })).toBe(laminarFactor(1500))
  expect(engineFactor({ reynolds: 50000, roughnessRatio: 1e-4 })).toBe(
    swameeJain({ reynolds: 50000, roughnessRatio: 1e-4 }),
  )
  expect(
    engineFactor({ reynolds: 2000.01, roughnessRatio: 1e-4 }) / laminarFactor(2000),
  ).toBeCloseTo(1, 2)
  expect(
    engineFactor({ reynolds: 3999.9, roughnessRatio: 1e-4 }) /
      swameeJain({ reynolds: 4000, roughnessRatio: 1e-4 }),
  ).toBeCloseTo(1, 2)
  expect(
    Math.abs(
      engineFactor({ reynolds: 1e5, roughnessRatio: 1e-4 }) /
        colebrook({ reynolds: 1e5, roughnessRatio: 1e-4 }) -
        1,
    ),
  ).toBeLessThan(0.03)
})
test('the root of Colebrook and White satisfies its equation to 1e-9, wherever the search begins', () =>
  fc.assert(
    fc.property(
      fc.double({ min: Math.log(2300), max: Math.log(1e9), noNaN: true }),
      fc.double({ min: 0, max: 0.05, noNaN: true }),
      fc.double({ min: Math.log(1e-6), max: Math.log(1e3), noNaN: true }),
      (logReynolds, roughnessRatio, logNear) => {
        const reynolds = Math.exp(logReynolds)
        const off = (root: number) =>
          root + 2 * Math.log10(roughnessRatio / 3.7 + (2.51 / reynolds) * root)
        for (const near of [0, Math.exp(logNear)]) {
          const root = colebrookRoot(reynolds, roughnessRatio, near)
          expect(root).toBeGreaterThan(0)
          expect(Math.abs(off(root)) / root).toBeLessThan(2e-9)
        }
      },
    ),
  ))

// The roundings of the printed forms differ by up to 0.5 %; the US one agrees with both.
test('the three prints of Hazen and Williams agree within 0.6 %', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 5e-5, max: 3e-3, noNaN: true }),
      fc.double({ min: 0.013, max: 0.06, noNaN: true }),
      (flow_m3_s, bore_m) => {
        const run = { flow_m3_s, bore_m, length_m: 10, roughnessC: 140 }
        expect(Math.abs(hazenWilliams_m(run, 'network') / hazenWilliams_m(run) - 1)).toBeLessThan(
          0.006,
        )
        expect(Math.abs(hazenWilliamsUs_Pa(run) / 9806.65 / hazenWilliams_m(run) - 1)).toBeLessThan(
          0.012,
        )
      },
    ),
  ))

test.each(['bore_m', 'length_m', 'roughness_m', 'lossCoefficient'] as const)(
  'a pipe whose %s is no figure is refused by its name',
  (name) => {
    const pipe = {
      id: 'a',
      from: sourceNode,
      length_m: 2,
      bore_m: 0.02,
      roughness_m: 1.5e-6,
      lossCoefficient: 1,
      rise_m: 0,
      draw_m3_s: 1e-4,
    }
    const water = { density_kg_m3: 1000, viscosity_Pas: 1.3e-3 }
    for (const wrong of [-1, NaN, Infinity])
      expect(() => solveWaterTree([{ ...pipe, [name]: wrong }], () => 3e5, water)).toThrow(name)
  },
)

test('the same tree in another order of its rows, and grown by a pipe, is laid out anew', () => {
  const pipe = (id: string, from: string, draw_m3_s: number) => ({
    id,
    from,
    length_m: 2,
    bore_m: 0.02,
    roughness_m: 1.5e-6,
    lossCoefficient: 1,
    rise_m: 0,
    draw_m3_s,
  })
  const water = { density_kg_m3: 1000, viscosity_Pas: 1.3e-3 }
  const flows = (pipes: ReturnType<typeof pipe>[]) =>
    Object.fromEntries(
      solveWaterTree(pipes, () => 3e5, water).map((one) => [one.id, one.flow_m3_s]),
    )
  const rows = [pipe('a', sourceNode, 0), pipe('b', 'a', 1e-4), pipe('c', 'b', 2e-4)]
  const first = flows(rows)
  expect(first).toEqual({ a: expect.closeTo(3e-4, 12), b: expect.closeTo(3e-4, 12), c: 2e-4 })
  expect(flows([...rows].reverse())).toEqual(first)
  expect(flows([...rows, pipe('d', 'a', 1e-4)]).a).toBeCloseTo(4e-4, 12)
  expect(
    flows([pipe('a', sourceNode, 0), pipe('b', sourceNode, 1e-4), pipe('c', 'b', 2e-4)]).a,
  ).toBe(0)
  expect(flows(rows)).toEqual(first)
})

import fc from 'fast-check'
import { meterNode } from '../network/tree'
import { treeShape } from '../network/treeShape'
import type { EndDraw } from './designFlow'
import { designFlows } from './designFlow'
import { fillTime_s } from './fill'
import type { LoopPipe, LoopReturnPipe } from './loop'
import { solveLoop } from './loop'

const water = { density_kg_m3: 983, specificHeat_J_kgK: 4185 }

/** A hot tree with a return from some of its ends. */
const anyLoop = fc
  .array(
    fc.record({
      feeder: fc.nat(20),
      loss_W: fc.double({ min: 0, max: 80, noNaN: true }),
      back_W: fc.option(fc.double({ min: 1, max: 60, noNaN: true }), { nil: undefined }),
    }),
    { minLength: 1, maxLength: 9 },
  )
  .map((rows) => ({
    pipes: rows.map(({ feeder, loss_W }, i): LoopPipe => ({
      id: `p${i}`,
      from: i === 0 ? meterNode : `p${feeder % i}`,
      loss_W,
    })),
    returns: rows.flatMap(({ back_W }, i): LoopReturnPipe[] =>
      back_W === undefined ? [] : [{ id: `r${i}`, at: `p${i}`, loss_W: back_W }],
    ),
  }))

describe('the secondary return', () => {
  test('heat closes: what leaves the heater less what comes back is what the loop loses', () =>
    fc.assert(
      fc.property(
        anyLoop,
        fc.double({ min: 1, max: 12, noNaN: true }),
        ({ pipes, returns }, drop_K) => {
          const loop = solveLoop(pipes, returns, { flowTemp_K: 333.15, drop_K, water })
          if (loop.flow_m3_s === 0) return
          const carried = water.density_kg_m3 * water.specificHeat_J_kgK * loop.flow_m3_s
          expect((carried * (333.15 - loop.backTemp_K)) / loop.loss_W).toBeCloseTo(1, 6)
          expect(333.15 - loop.backTemp_K).toBeCloseTo(drop_K, 6)
        },
      ),
    ))
  test('flow is continuous at every tee', () =>
    fc.assert(
      fc.property(anyLoop, ({ pipes, returns }) => {
        const loop = solveLoop(pipes, returns, { flowTemp_K: 333.15, drop_K: 5, water })
        for (const [id, state] of loop.pipes) {
          const out =
            pipes
              .filter((pipe) => pipe.from === id)
              .reduce((sum, pipe) => sum + (loop.pipes.get(pipe.id)?.flow_m3_s ?? 0), 0) +
            returns
              .filter((one) => one.at === id)
              .reduce((sum, one) => sum + (loop.returns.get(one.id)?.flow_m3_s ?? 0), 0)
          expect(Math.abs(out - state.flow_m3_s)).toBeLessThan(1e-12)
        }
        expect(
          Math.abs(
            [...loop.returns.values()].reduce((sum, state) => sum + state.flow_m3_s, 0) -
              loop.flow_m3_s,
          ),
        ).toBeLessThan(1e-12)
      }),
    ))
  test('more lost never goes round slower, and a greater drop never faster', () =>
    fc.assert(
      fc.property(anyLoop, fc.double({ min: 1, max: 3, noNaN: true }), ({ pipes, returns }, k) => {
        const flow = (factor: number, drop_K: number) =>
          solveLoop(
            pipes.map((pipe) => ({ ...pipe, loss_W: pipe.loss_W * factor })),
            returns,
            { flowTemp_K: 333.15, drop_K, water },
          ).flow_m3_s
        expect(flow(k, 5)).toBeGreaterThanOrEqual(flow(1, 5) - 1e-15)
        expect(flow(1, 5 * k)).toBeLessThanOrEqual(flow(1, 5) + 1e-15)
      }),
    ))
  test('what no return leads back from stands still', () => {
    const loop = solveLoop(
      [
        { id: 'a', from: meterNode, loss_W: 100 },
        { id: 'b', from: 'a', loss_W: 50 },
      ],
      [{ id: 'r', at: 'a', loss_W: 40 }],
      { flowTemp_K: 333.15, drop_K: 5, water },
    )
    expect(loop.pipes.has('b')).toBe(false)
    expect(loop.loss_W).toBe(140)
  })
  // 420 W within 5 K: 420 / (4185 · 5) kg/s, 1.2 L/min.
  test('420 W within 5 K goes round with 1.2 L/min', () =>
    expect(
      solveLoop([{ id: 'a', from: meterNode, loss_W: 300 }], [{ id: 'r', at: 'a', loss_W: 120 }], {
        flowTemp_K: 333.15,
        drop_K: 5,
        water,
      }).flow_m3_s * 60000,
    ).toBeCloseTo(1.225, 2))
  test('a drop of nothing is a caller’s mistake', () =>
    expect(() => solveLoop([], [], { flowTemp_K: 333.15, drop_K: 0, water })).toThrow(
      /drop_K is 0/,
    ))
})

describe('design flows', () => {
  const shape = treeShape([
    { id: 'main', from: meterNode },
    { id: 'heater', from: 'main' },
    { id: 'hot', from: 'heater' },
    { id: 'cold', from: 'main' },
  ])
  const ends = (count: number): EndDraw[] => [
    {
      at: shape.ordered.findIndex((one) => one.id === 'hot'),
      outletId: 'shower',
      side: 'hot',
      count,
      each_m3_s: 1e-4,
      units: 1.4,
      mixed: true,
    },
    {
      at: shape.ordered.findIndex((one) => one.id === 'cold'),
      outletId: 'shower',
      side: 'cold',
      count,
      each_m3_s: 5e-5,
      units: 1.4,
      mixed: true,
    },
  ]
  const at = (flows: Float64Array, id: string) =>
    flows[shape.ordered.findIndex((one) => one.id === id)]
  test('all open is the sum, hot on its way and cold on its own', () => {
    const { flow_m3_s } = designFlows(shape, ends(3), { by: 'all-open' })
    expect([at(flow_m3_s, 'main'), at(flow_m3_s, 'heater'), at(flow_m3_s, 'cold')]).toEqual([
      expect.closeTo(4.5e-4, 12),
      expect.closeTo(3e-4, 12),
      expect.closeTo(1.5e-4, 12),
    ])
  })
  test('a moment opens what it says and no more than there are', () => {
    const { flow_m3_s } = designFlows(shape, ends(3), {
      by: 'scenario',
      moments: [new Map([['shower', 2]]), new Map([['shower', 1]])],
    })
    expect(at(flow_m3_s, 'hot')).toBeCloseTo(2e-4, 12)
    expect(
      at(
        designFlows(shape, ends(1), { by: 'scenario', moments: [new Map([['shower', 9]])] })
          .flow_m3_s,
        'hot',
      ),
    ).toBeCloseTo(1e-4, 12)
  })
  test('a fixture whose hot and cold come the same way counts once, one side three quarters', () => {
    const { units } = designFlows(shape, ends(4), { by: 'hunter' })
    expect(at(units, 'main')).toBeCloseTo(5.6, 9)
    expect(at(units, 'hot')).toBeCloseTo(4.2, 9)
    expect(at(designFlows(shape, ends(4), { by: 'loading-units' }).units, 'hot')).toBeCloseTo(
      5.6,
      9,
    )
  })
  test('units ask no more than all outlets, no less than the largest, and more outlets never less', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 30 }),
        fc.constantFrom('hunter' as const, 'loading-units' as const),
        (count, by) => {
          const [few, more, all] = [
            designFlows(shape, ends(count), { by }),
            designFlows(shape, ends(count + 1), { by }),
            designFlows(shape, ends(count), { by: 'all-open' }),
          ]
          shape.ordered.forEach((_, i) => {
            expect(few.flow_m3_s[i]).toBeLessThanOrEqual((all.flow_m3_s[i] ?? 0) + 1e-12)
            expect(more.flow_m3_s[i]).toBeGreaterThanOrEqual((few.flow_m3_s[i] ?? 0) - 1e-12)
            if ((all.flow_m3_s[i] ?? 0) > 0)
              expect(few.flow_m3_s[i]).toBeGreaterThanOrEqual(5e-5 - 1e-12)
          })
        },
      ),
    ))
  test('units below the first row of the table are named, and their outlets taken together', () => {
    const one = designFlows(
      shape,
      [
        {
          at: 0,
          outletId: 'basin',
          side: 'cold',
          count: 1,
          each_m3_s: 8e-5,
          units: 0.7,
          mixed: false,
        },
      ],
      { by: 'hunter' },
    )
    expect(one.uncovered).toEqual([0])
    expect(one.flow_m3_s[0]).toBeCloseTo(8e-5, 12)
  })
})

test('120 L at 4 L/min fill in half an hour', () =>
  expect(fillTime_s(0.12, 4 / 60000)).toBeCloseTo(1800, 6))

import fc from 'fast-check'
import { fluidAt } from '../fluid/glycol'
import { materials } from '../materials/pipes'
import { flowForHeat_m3_s, partLoss_Pa, smallestWithin, valveSetting_m3_s } from './heatingCircuit'
import { genericPumps, operatingPoint, pumpFor, pumpHead_Pa } from './pumps'

const water = fluidAt({ kind: 'water', massFraction: 0 }, 333.15)
const { sizes, roughness_m } = materials['copper-en1057']
const limits = { velocity_m_s: 1, gradient_Pa_m: 300 }
const anyFlow = fc.double({ min: 1e-6, max: 1.5e-3, noNaN: true })

// Domain 3.2: 30 kW at 35 K is 12.3 L/min with water of 4.18 kJ/kgK and 1 kg/L.
test('30 kW at 35 K is 12.3 L/min', () =>
  expect(
    flowForHeat_m3_s({
      power_W: 30e3,
      difference_K: 35,
      density_kg_m3: 1000,
      specificHeat_J_kgK: 4180,
    }) * 60000,
  ).toBeCloseTo(12.3, 1))
test('a difference of nothing is a caller’s mistake', () =>
  expect(() =>
    flowForHeat_m3_s({
      power_W: 1,
      difference_K: 0,
      density_kg_m3: 1000,
      specificHeat_J_kgK: 4180,
    }),
  ).toThrow(/difference_K is 0/))
test('the size chosen keeps both limits, and the next smaller one does not', () =>
  fc.assert(
    fc.property(anyFlow, (flow_m3_s) => {
      const chosen = smallestWithin(sizes, flow_m3_s, roughness_m, water, limits)
      const at = sizes.findIndex((size) => size.name === chosen.size.name)
      if (at < sizes.length - 1) {
        expect(chosen.velocity_m_s).toBeLessThanOrEqual(1.000001)
        expect(chosen.gradient_Pa_m).toBeLessThanOrEqual(300.0001)
      }
      const before = sizes[at - 1]
      if (before) {
        const smaller = smallestWithin([before], flow_m3_s, roughness_m, water, limits)
        expect(smaller.velocity_m_s > 1 || smaller.gradient_Pa_m > 300).toBe(true)
      }
    }),
  ))
test('more flow never takes a smaller pipe', () =>
  fc.assert(
    fc.property(anyFlow, fc.double({ min: 1, max: 5, noNaN: true }), (flow, k) => {
      const bore = (q: number) => smallestWithin(sizes, q, roughness_m, water, limits).size.bore_m
      expect(bore(flow * k)).toBeGreaterThanOrEqual(bore(flow))
    }),
  ))
test('an empty catalogue is a caller’s mistake', () =>
  expect(() => smallestWithin([], 1e-4, roughness_m, water, limits)).toThrow(/catalogue/))
test('twice the flow loses four times as much', () =>
  expect(partLoss_Pa(5000, 1e-4, 2e-4)).toBe(20000))
test('a valve set by its flow at 1 bar takes just the surplus', () =>
  fc.assert(
    fc.property(anyFlow, fc.double({ min: 100, max: 1e5, noNaN: true }), (flow, surplus) =>
      expect(partLoss_Pa(1e5, valveSetting_m3_s(flow, surplus), flow) / surplus).toBeCloseTo(1, 9),
    ),
  ))

describe.each(genericPumps)('$label', (pump) => {
  test('gives its most against a shut valve and nothing at its end', () => {
    expect(pumpHead_Pa(pump, 0)).toBe(pump.shutHead_Pa)
    expect(pumpHead_Pa(pump, pump.most_m3_s)).toBeCloseTo(0, 6)
    expect(pumpHead_Pa(pump, 2 * pump.most_m3_s)).toBe(0)
  })
  test('settles where both curves meet', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1.2, noNaN: true }),
        fc.double({ min: 0.05, max: 1.2, noNaN: true }),
        (a, b) => {
          const duty = { flow_m3_s: pump.most_m3_s * a, loss_Pa: pump.shutHead_Pa * b }
          const { flow_m3_s, head_Pa } = operatingPoint(pump, duty)
          expect(head_Pa / pumpHead_Pa(pump, flow_m3_s)).toBeCloseTo(1, 6)
          expect(head_Pa / (duty.loss_Pa * (flow_m3_s / duty.flow_m3_s) ** 2)).toBeCloseTo(1, 9)
        },
      ),
    ))
})
test('the pump chosen gives the duty, and every smaller one does not', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 1e-5, max: 3e-3, noNaN: true }),
      fc.double({ min: 1e3, max: 1e5, noNaN: true }),
      (flow_m3_s, loss_Pa) => {
        const chosen = pumpFor({ flow_m3_s, loss_Pa })
        if (chosen) expect(pumpHead_Pa(chosen, flow_m3_s)).toBeGreaterThanOrEqual(loss_Pa)
        for (const pump of genericPumps) {
          if (pump === chosen) break
          expect(pumpHead_Pa(pump, flow_m3_s)).toBeLessThan(loss_Pa)
        }
      },
    ),
  ))

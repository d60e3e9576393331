import fc from 'fast-check'
import { expansionFraction } from '../water/water'
import { metricSizes_m3 } from '../vessel/catalogue'
import { forecastHotPressure } from '../vessel/forecast'
import { linearExpansion_1_K } from '../vessel/handbook'
import type { VesselInputs } from '../vessel/sizing'
import { fillTarget, sizeVessel } from '../vessel/sizing'
import { heatingCycle, usualCycle } from './heatingCycle'
import type { SealedCircuit } from './sealedCircuit'
import {
  circuitGauge_Pa,
  filledWater_m3,
  pressureCurve,
  tempAtGauge_K,
  usualGive_1_Pa,
} from './sealedCircuit'

const circuit = (change: Partial<SealedCircuit> = {}): SealedCircuit => ({
  system_m3: 0.2,
  fluid: { kind: 'water', massFraction: 0 },
  fillTemp_K: 283.15,
  fillGauge_Pa: 1e5,
  vessels: [{ volume_m3: 0.02, chargeGauge_Pa: 1e5, waterlogged_m3: 0, isolated: false }],
  trappedAir_m3: 0,
  atmosphere_Pa: 101325,
  pipeGrowth_1_K: 0,
  growthFactor: 1,
  give_1_Pa: usualGive_1_Pa,
  ...change,
})
const hot = (change: Partial<SealedCircuit> = {}, temp_K = 353.15) =>
  circuitGauge_Pa(circuit(change), temp_K)

test('at the fill temperature the curve stands at the fill pressure', () =>
  expect(circuitGauge_Pa(circuit(), 283.15)).toBeCloseTo(1e5, -1))
// Domain 3.3: 200 L, 10 to 80 °C, charge and fill 1.0 bar: 8 and 12 L together 1.81 bar.
test('8 and 12 L together reach 1.81 bar, as the bare gas law says', () => {
  const vessels = [8, 12].map((litres) => ({
    volume_m3: litres / 1000,
    chargeGauge_Pa: 1e5,
    waterlogged_m3: 0,
    isolated: false,
  }))
  expect(hot({ vessels }) / 1e5).toBeCloseTo(1.81, 1)
})
test('it agrees with the forecast to what water and pipe give', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0.012, max: 0.1, noNaN: true }),
      fc.double({ min: 0.05, max: 0.2, noNaN: true }),
      (vessel_m3, system_m3) => {
        const expansion_m3 =
          system_m3 * expansionFraction({ fillTemp_K: 283.15, maxTemp_K: 353.15 })
        const forecast = forecastHotPressure({
          vessels: [{ volume_m3: vessel_m3, chargeGauge_Pa: 1e5 }],
          fillGauge_Pa: 1e5,
          expansion_m3,
          atmosphere_Pa: 101325,
        })
        if (forecast.outcome !== 'settles' || forecast.hotGauge_Pa > 4e5) return
        const modelled = circuitGauge_Pa(
          circuit({
            system_m3,
            vessels: [
              { volume_m3: vessel_m3, chargeGauge_Pa: 1e5, waterlogged_m3: 0, isolated: false },
            ],
          }),
          353.15,
        )
        expect((modelled + 101325) / (forecast.hotGauge_Pa + 101325)).toBeGreaterThan(0.98)
        expect((modelled + 101325) / (forecast.hotGauge_Pa + 101325)).toBeLessThan(1.001)
      },
    ),
  ))

describe('each fault raises the hot pressure', () => {
  const vessel = circuit().vessels[0]
  if (!vessel) throw new Error('no vessel')
  test('charge lost', () =>
    expect(hot({ vessels: [{ ...vessel, chargeGauge_Pa: 2e4 }] })).toBeGreaterThan(hot()))
  test('waterlogged', () =>
    expect(hot({ vessels: [{ ...vessel, waterlogged_m3: 0.01 }] })).toBeGreaterThan(hot()))
  test('isolated: the pressure runs away', () =>
    expect(hot({ vessels: [{ ...vessel, isolated: true }] }, 300)).toBeGreaterThan(3e5))
  test('filled higher', () => expect(hot({ fillGauge_Pa: 1.4e5 })).toBeGreaterThan(hot()))
})
test('trapped air gives like a vessel: the hot pressure is lower and a leak shows later', () =>
  expect(hot({ trappedAir_m3: 0.004 })).toBeLessThan(hot()))
test('glycol grows more than water', () =>
  expect(hot({ fluid: { kind: 'propylene-glycol', massFraction: 0.3 } })).toBeGreaterThan(
    hot() * 1.05,
  ))
test('a cold circuit that was filled hot falls under the atmosphere and draws air', () =>
  expect(circuitGauge_Pa(circuit({ fillTemp_K: 333.15, vessels: [] }), 283.15)).toBe(-101325))

test('pressure rises with temperature, and a bigger vessel never raises it', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 285, max: 365, noNaN: true }),
      fc.double({ min: 0.1, max: 8, noNaN: true }),
      fc.double({ min: 0.005, max: 0.08, noNaN: true }),
      fc.double({ min: 1, max: 4, noNaN: true }),
      (temp_K, more_K, volume_m3, k) => {
        const with_ = (size: number, at_K: number) =>
          circuitGauge_Pa(
            circuit({
              vessels: [
                { volume_m3: size, chargeGauge_Pa: 0.8e5, waterlogged_m3: 0, isolated: false },
              ],
            }),
            at_K,
          )
        expect(with_(volume_m3, temp_K + more_K)).toBeGreaterThanOrEqual(
          with_(volume_m3, temp_K) - 2,
        )
        expect(with_(volume_m3 * k, temp_K)).toBeLessThanOrEqual(with_(volume_m3, temp_K) + 2)
      },
    ),
  ))

const methods = ['en12828', 'handbook'] as const
describe.each(methods)('sized by %s with the method’s own expansion', (method) => {
  const given = (system_m3: number, height_m: number, maxTemp_K: number): VesselInputs => ({
    method,
    system_m3,
    fillTemp_K: 283.15,
    maxTemp_K,
    height_m,
    reliefSetGauge_Pa: 3e5,
    atmosphere_Pa: method === 'en12828' ? 1e5 : 101325,
    margin_Pa: 3e4,
    reliefMargin_Pa: 35000,
    pipeExpansion_1_K: linearExpansion_1_K.steel,
    sizes_m3: metricSizes_m3,
  })
  const curveOf = (
    inputs: VesselInputs,
    volume_m3: number,
    fillGauge_Pa: number,
    chargeGauge_Pa: number,
    fraction: number,
  ) => {
    const real = expansionFraction(inputs)
    return pressureCurve(
      circuit({
        system_m3: inputs.system_m3,
        fillGauge_Pa,
        atmosphere_Pa: inputs.atmosphere_Pa,
        growthFactor: fraction / real,
        give_1_Pa: 0,
        vessels: [{ volume_m3, chargeGauge_Pa, waterlogged_m3: 0, isolated: false }],
      }),
      inputs.maxTemp_K,
    )
  }
  const cases = fc.tuple(
    fc.double({ min: 0.05, max: 1.5, noNaN: true }),
    fc.double({ min: 0, max: 9, noNaN: true }),
    fc.double({ min: 330, max: 363, noNaN: true }),
  )
  test('the curve of the chosen vessel ends at or under the final pressure', () =>
    fc.assert(
      fc.property(cases, ([system_m3, height_m, maxTemp_K]) => {
        const inputs = given(system_m3, height_m, maxTemp_K)
        const sizing = sizeVessel(inputs)
        if (sizing.outcome !== 'sized' || !sizing.need.stock_m3) return
        const fill = fillTarget(inputs, sizing.need, sizing.need.stock_m3)
        const end = curveOf(
          inputs,
          sizing.need.stock_m3,
          fill.targetGauge_Pa,
          sizing.need.chargeGauge_Pa,
          sizing.need.expansionFraction,
        ).at(-1)
        expect(end?.gauge_Pa).toBeLessThanOrEqual(sizing.need.finalGauge_Pa + 10)
      }),
    ))
  test('the curve of a vessel of just the size needed meets the sizing equation at its end, within 0.5 %', () =>
    fc.assert(
      fc.property(cases, ([system_m3, height_m, maxTemp_K]) => {
        const inputs = given(system_m3, height_m, maxTemp_K)
        const sizing = sizeVessel(inputs)
        if (sizing.outcome !== 'sized') return
        const { need } = sizing
        const cold_Pa =
          method === 'handbook'
            ? need.chargeGauge_Pa
            : (need.needed_m3 * (need.chargeGauge_Pa + inputs.atmosphere_Pa)) /
                (need.needed_m3 - need.reserve_m3) -
              inputs.atmosphere_Pa
        const end = curveOf(
          inputs,
          need.needed_m3,
          cold_Pa,
          need.chargeGauge_Pa,
          need.expansionFraction,
        ).at(-1)
        expect(
          Math.abs(
            ((end?.gauge_Pa ?? 0) + inputs.atmosphere_Pa) /
              (need.finalGauge_Pa + inputs.atmosphere_Pa) -
              1,
          ),
        ).toBeLessThan(0.005)
      }),
    ))
})

test('the temperature at which the relief opens is where the curve crosses it', () => {
  const flat = circuit({
    vessels: [{ volume_m3: 0.008, chargeGauge_Pa: 1e5, waterlogged_m3: 0, isolated: false }],
  })
  const at_K = tempAtGauge_K(flat, 3e5, 353.15)
  expect(at_K).toBeDefined()
  expect(circuitGauge_Pa(flat, at_K ?? 0) / 3e5).toBeCloseTo(1, 2)
  expect(tempAtGauge_K(circuit(), 3e5, 353.15)).toBeUndefined()
})

const plan = {
  ...usualCycle,
  circuit: circuit(),
  maxTemp_K: 353.15,
  reliefSetGauge_Pa: 3e5,
  creep_m3_s: 0,
  mainGauge_Pa: 4e5,
}
test('a sound circuit comes back to its fill pressure every night and the relief stays dry', () => {
  const trace = heatingCycle(plan)
  expect(trace.openings).toBe(0)
  expect(trace.relieved_m3).toBe(0)
  expect((trace.samples.at(-1)?.gauge_Pa ?? 0) / 1e5).toBeCloseTo(1.05, 1)
})
test('with the vessel flat the relief opens hot, and the circuit is short of pressure when it has cooled', () => {
  const flat = heatingCycle({
    ...plan,
    circuit: circuit({
      vessels: [{ volume_m3: 0.02, chargeGauge_Pa: 1e5, waterlogged_m3: 0.017, isolated: false }],
    }),
  })
  expect(flat.openings).toBeGreaterThan(0)
  expect(flat.relieved_m3).toBeGreaterThan(0)
  expect(flat.lowestGauge_Pa).toBeLessThan(1e5)
})
test('a feed valve that creeps raises the cold pressure night by night until the relief weeps', () => {
  const creeping = heatingCycle({ ...plan, creep_m3_s: 2e-7 })
  const [first, last] = [
    creeping.samples[Math.round(plan.warm_s / plan.step_s)],
    creeping.samples.at(-1),
  ]
  expect(creeping.fed_m3).toBeGreaterThan(0)
  expect(last?.gauge_Pa).toBeGreaterThan(plan.circuit.fillGauge_Pa)
  expect(first?.gauge_Pa).toBeLessThan(3e5 + 1)
  expect(creeping.openings).toBeGreaterThan(0)
})
test('what is fed less what is let out is what the circuit has gained', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1e-6, noNaN: true }),
      fc.double({ min: 0, max: 0.018, noNaN: true }),
      (creep_m3_s, waterlogged_m3) => {
        const faulty = circuit({
          vessels: [{ volume_m3: 0.02, chargeGauge_Pa: 1e5, waterlogged_m3, isolated: false }],
        })
        const trace = heatingCycle({
          ...plan,
          cycles: 1,
          circuit: faulty,
          creep_m3_s,
          feedGauge_Pa: 1e5,
        })
        const last = trace.samples.at(-1)
        if (!last || last.reliefOpen) return
        const left_m3 = filledWater_m3(faulty) + trace.fed_m3 - trace.relieved_m3
        expect(
          Math.abs(circuitGauge_Pa(faulty, last.temp_K, left_m3) - last.gauge_Pa),
        ).toBeLessThan(500)
      },
    ),
    { numRuns: 20 },
  ))

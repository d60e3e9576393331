import fc from 'fast-check'
import {
  cooledTo_K,
  flowForDrop_kg_s,
  layeredLoss_W_mK,
  simpleFlowForDrop_kg_s,
} from './circulation'
import { a0_s, cooledStore_K, coolingConstant_s, coolingTime_s, equivalentTime_s } from './heat'

const C = 273.15
// Figures: heat balance of a pipe in surroundings of constant temperature; EN ISO 12241:2022 form;
// ISO 15883-1 (from memory).
const loop = [{ length_m: 40, coefficient_W_mK: 0.21, airTemp_K: C + 20 }]

test('40 m of loop bring 60 °C back at 58.43 °C', () => {
  const end = cooledTo_K(C + 60, 0.05, 4186, loop)
  expect(end - C).toBeCloseTo(58.4264365618, 6)
  expect(0.05 * 4186 * (C + 60 - end)).toBeCloseTo(329.346827613, 4)
})
test('the flow for 5 K over 55 m, and the simple rule above it', () => {
  const pipes = [{ length_m: 55, coefficient_W_mK: 0.22, airTemp_K: C + 20 }]
  expect(flowForDrop_kg_s(C + 60, 5, 4186, pipes)).toBeCloseTo(0.0216472517539, 9)
  expect(simpleFlowForDrop_kg_s(C + 60, 5, 4186, pipes)).toBeCloseTo(0.0231247013856, 9)
})
test('a loop never comes back colder than its surroundings', () =>
  expect(flowForDrop_kg_s(C + 60, 45, 4186, loop)).toBeUndefined())
test('the flow found cools by what was asked, and is never above the simple rule', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 15, noNaN: true }),
      fc.double({ min: 1, max: 200, noNaN: true }),
      fc.double({ min: 0.05, max: 1, noNaN: true }),
      (drop_K, length_m, coefficient_W_mK) => {
        const pipes = [{ length_m, coefficient_W_mK, airTemp_K: C + 20 }]
        const flow = flowForDrop_kg_s(C + 60, drop_K, 4186, pipes) ?? NaN
        expect(C + 60 - cooledTo_K(C + 60, flow, 4186, pipes)).toBeCloseTo(drop_K, 6)
        expect(flow).toBeLessThan(simpleFlowForDrop_kg_s(C + 60, drop_K, 4186, pipes))
      },
    ),
  ))
test.each([
  [{ surface_W_m2K: 10 }, 0.69113352806],
  [{ surface_W_m2K: 8, lagging_m: 0.02, lagging_W_mK: 0.035 }, 0.186804383278],
])('22 mm copper loses by its layers', (more, loss) =>
  expect(
    layeredLoss_W_mK({ bore_m: 0.0202, outside_m: 0.022, wall_W_mK: 385, ...more }),
  ).toBeCloseTo(loss, 9),
)
describe('a store that stands', () => {
  const store = { volume_m3: 0.2, density_kg_m3: 985, specificHeat_J_kgK: 4182, loss_W_K: 1.6 }
  const temps = { startTemp_K: C + 60, airTemp_K: C + 20 }
  test('cools from 60 to 50 °C in 41 hours', () => {
    expect(coolingConstant_s(store)).toBeCloseTo(514908.75, 2)
    const time_s = coolingTime_s(store, { ...temps, endTemp_K: C + 50 }) ?? NaN
    expect(time_s).toBeCloseTo(148130.016324, 2)
    expect(cooledStore_K(store, temps, time_s) - C).toBeCloseTo(50, 9)
  })
  test('never gets as cool as the room, nor warmer by itself', () => {
    expect(coolingTime_s(store, { ...temps, endTemp_K: C + 20 })).toBeUndefined()
    expect(coolingTime_s(store, { ...temps, endTemp_K: C + 65 })).toBeUndefined()
  })
})
test('three minutes at 70 °C are 18 s at 80 °C and 569 s at 65 °C; below 65 °C nothing counts', () => {
  expect(a0_s([{ temp_K: C + 70, duration_s: 180 }])).toBeCloseTo(18, 9)
  expect(equivalentTime_s(18, C + 65)).toBeCloseTo(569.20997883, 6)
  expect(a0_s([{ temp_K: C + 64, duration_s: 1e6 }])).toBe(0)
})

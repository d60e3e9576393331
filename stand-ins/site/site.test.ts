import * as burners from './burner'
import * as water from './waterPipe'

const burning = (rate: number): burners.Burner => ({ ...burners.cold, rate, wanted: rate })
const pipe: water.WaterPipe = { pumped_m3: 0, air_m3: 0.0001, weep_m3_s: 0, temp_K: 288.15 }

test.each([1e5, 1e6, 1.5e6])('pumped to %d Pa it stands there', (gauge_Pa) => {
  const pumped_m3 = water.pumpedTo(pipe, gauge_Pa)
  expect(water.gaugeOf({ ...pipe, pumped_m3 }) / gauge_Pa).toBeCloseTo(1, 6)
})
test('a pipe with air in it takes more strokes, and loses less pressure to the same weep', () => {
  const spongy = { ...pipe, air_m3: 0.002 }
  expect(water.pumpedTo(spongy, 1e6)).toBeGreaterThan(10 * water.pumpedTo(pipe, 1e6))
  const fallen = (one: water.WaterPipe) =>
    1e6 -
    water.gaugeOf(
      water.after({ ...one, weep_m3_s: 2e-9, pumped_m3: water.pumpedTo(one, 1e6) }, 600),
    )
  expect(fallen(pipe)).toBeGreaterThan(5 * fallen(spongy))
})
test('dry flue gas of methane: oxygen and CO2 lie on the line between air and the most CO2', () => {
  // Moles: burnt without excess, 1 CO2 to 2 × 79.1/20.9 nitrogen.
  const most = 1 / (1 + (2 * 0.791) / 0.209)
  for (const rate of [0.35, 0.7, 1]) {
    const { o2, co2 } = burners.flueGasOf(burning(rate))
    expect(co2 / most + o2 / 0.209).toBeCloseTo(1, 2)
  }
})
test('more gas, less pressure at the inlet; off, it locks up', () => {
  const at = (rate: number) => burners.inletGauge_Pa(burning(rate))
  expect(at(0)).toBe(2350)
  expect(at(0.35)).toBeLessThan(at(0))
  expect(at(1)).toBeCloseTo(2050, 6)
})
test('a burner that is lit settles at its rate and its carbon monoxide goes', () => {
  let one: burners.Burner = { ...burners.cold, wanted: 1 }
  const early = burners.flueGasOf(burners.after(one, 1)).co
  for (let i = 0; i < 300; i++) one = burners.after(one, 1)
  expect(one.rate).toBeCloseTo(1, 6)
  expect(burners.flueGasOf(one).co).toBeLessThan(early / 5)
  expect(burners.flueGasOf(burners.cold).o2).toBe(0.209)
})

import fc from 'fast-check'
import {
  airRatio,
  co2FromO2,
  co2Most,
  coAirFree,
  condensedShare,
  coPerHeat_kg_J,
  coRatio,
  dewPoint,
  flueLossNet,
  waterPerHeat_kg_J,
} from './combustion'

const air = 0.2095
const methane = { carbon: 1, hydrogen: 4 }
const gas = { a1: 0.37, a2: 0.66, b: 0.009 }

// Stoichiometry and dry-gas balances, computed; Siegert's figures as the German 1. BImSchV had
// them, from memory.
test('the ratio of CO to CO2, and a limit that it must stay under', () => {
  expect(coRatio(80e-6, 0.09)).toBeCloseTo(0.000888889, 8)
  expect(coRatio(420e-6, 0.07)).toBeCloseTo(0.006, 9)
  expect(() => coRatio(1e-4, 0)).toThrow(RangeError)
})
test.each([
  [150, { o2: 0.04 }, 0.0621706],
  [140, { co2: 0.095 }, 0.0575368],
])('flue gas at %d °C', (flue, measured, loss) =>
  expect(flueLossNet({ flueTemp_K: flue + 273.15, airTemp_K: 293.15 }, measured, gas)).toBeCloseTo(
    loss,
    6,
  ),
)
test('methane gives at most 11.7 % of CO2 with 9.55 m³ of air', () => {
  expect(co2Most(methane, air).co2).toBeCloseTo(0.117006, 6)
  expect(co2Most(methane, air).air_m3_m3).toBeCloseTo(9.54654, 5)
  expect(co2FromO2(0.04, 0.117, air)).toBeCloseTo(0.0946611, 6)
})
test('5 % of oxygen is an air ratio of 1.28; air alone is none', () => {
  expect(airRatio(0.05, air)).toBeCloseTo(1.28064, 5)
  expect(airRatio(0, air)).toBe(1)
  expect(() => airRatio(air, air)).toThrow(RangeError)
})
test('CO without the excess air, and for each joule', () => {
  expect(coAirFree(60e-6, 0.07, 0.209)).toBeCloseTo(90.2158e-6, 9)
  const each = coPerHeat_kg_J(1e-6, air, {
    molarMassCo_kg_mol: 0.02801,
    molarVolume_m3_mol: 0.023645,
    netHeat_J_m3: 34.02e6,
  })
  // 1.074 mg/kWh for each ppm, as EN 15502-1 prints it for methane, from memory.
  expect(each * 3.6e6 * 1e6).toBeCloseTo(1.074, 1)
})
test('the dew point of methane without excess air is 59.2 °C, and falls with it', () => {
  const { vapour, temp_K } = dewPoint(1, air, 101325)
  expect(vapour).toBeCloseTo(0.189636, 6)
  expect(temp_K - 273.15).toBeCloseTo(59.1955, 3)
  expect(dewPoint(1.3, air, 101325).temp_K).toBeLessThan(temp_K)
})
test('at its dew point nothing condenses; the colder it leaves, the more', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 2, noNaN: true }),
      fc.double({ min: 1, max: 40, noNaN: true }),
      (ratio, below_K) => {
        const { temp_K } = dewPoint(ratio, air, 101325)
        const at = (flueTemp_K: number) =>
          condensedShare(ratio, air, { flueTemp_K, abs_Pa: 101325 })
        expect(at(temp_K + 0.1)).toBe(0)
        if (temp_K - below_K > 274) expect(at(temp_K - below_K)).toBeGreaterThan(0)
        expect(at(Math.max(274, temp_K - below_K))).toBeLessThan(1)
      },
    ),
  ))
test('a kilowatt hour of methane can give 0.146 kg of water', () =>
  expect(waterPerHeat_kg_J(2, 0.01801528, 890630)).toBeCloseTo(4.04551e-8, 13))

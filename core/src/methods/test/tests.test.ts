import fc from 'fast-check'
import { leastSquares } from './leastSquares'
import { leakRegression } from './leakRegression'
import { airShareOf, elasticRise_Pa_K, liquidLost_m3, pumpIn, rigidRise_Pa_K } from './liquidFull'
import { storedEnergy_J } from './trappedGas'
import { studentT } from './studentT'
import { durationFactor, hydrostaticGauge_Pa, leakRateFactor, permittedFall_Pa } from './testRules'

// Abramowitz and Stegun, table 26.10, to the digits printed there (from memory).
test.each([
  [0.95, 1, 12.706],
  [0.95, 2, 4.303],
  [0.95, 10, 2.228],
  [0.99, 5, 4.032],
  [0.9, 30, 1.697],
  [0.998, 20, 3.552],
  [0.95, 100_000, 1.96],
])('Student: %s of the readings with %s degrees of freedom lie within %s', (share, freedom, t) =>
  expect(studentT(share, freedom)).toBeCloseTo(t, t > 5 ? 2 : 3),
)
test('Student refuses certainty and no freedom', () => {
  expect(() => studentT(1, 5)).toThrow(/left is 0; it must be above 0/)
  expect(() => studentT(0.9, 0)).toThrow(/freedom/)
})

test('readings on a line give that line, without error', () =>
  fc.assert(
    fc.property(
      fc.double({ min: -50, max: 50, noNaN: true }),
      fc.integer({ min: 3, max: 40 }),
      (slope, count) => {
        const line = leastSquares(
          Array.from({ length: count }, (_, i) => ({ at_s: 7 * i, value: 3 + slope * 7 * i })),
        )
        expect(line.slope_per_s).toBeCloseTo(slope, 6)
        expect(line.error_per_s).toBeLessThan(1e-6)
        expect(line.span_s).toBe(7 * (count - 1))
      },
    ),
  ))
test('two readings, or readings of one instant, are no line', () => {
  expect(() => leastSquares([{ at_s: 0, value: 1 }])).toThrow('1 readings; at least 3 are needed')
  const same = Array.from({ length: 4 }, (_, i) => ({ at_s: 5, value: i }))
  expect(() => leastSquares(same)).toThrow('times must differ')
})

const readings = (fall_Pa_s: number, warm_K_s: number) =>
  Array.from({ length: 21 }, (_, i) => ({
    at_s: 60 * i,
    gauge_Pa: 2000 - fall_Pa_s * 60 * i,
    temp_K: 288.15 + warm_K_s * 60 * i,
    atmosphere_Pa: 101325,
  }))
const pipe = { volume_m3: 0.04, referenceTemp_K: 288.15, confidence: 0.95 }
test('a steady fall of a tenth of a pascal a second in 40 L is 0.14 L/h', () => {
  const leak = leakRegression({ readings: readings(0.1, 0), ...pipe })
  expect(leak.leak_m3_s * 3.6e6).toBeCloseTo(0.1421, 3)
  expect(leak.isShown).toBe(true)
})
test('a gauge that stands still while the pipe warms shows the leak that warming hides', () => {
  const leak = leakRegression({ readings: readings(0, 0.001), ...pipe })
  expect(leak.slopeUncorrected_Pa_s).toBeCloseTo(0, 12)
  expect(leak.leak_m3_s).toBeGreaterThan(0)
})

const copper = { bore_m: 0.0202, wall_m: 0.0009, modulus_Pa: 120e9 }
test('a kelvin in a full copper pipe is worth half of what it is in a rigid vessel', () => {
  const rigid = rigidRise_Pa_K(293.15)
  const pipe = elasticRise_Pa_K({
    temp_K: 293.15,
    wall: copper,
    growth_1_K: 16.6e-6,
    ends: 'hoop-only',
    poisson: 0.34,
  })
  expect(rigid / 1e5).toBeCloseTo(4.51, 2)
  expect(pipe / rigid).toBeGreaterThan(0.4)
  expect(pipe / rigid).toBeLessThan(0.6)
})
test('a plastic pipe that grows more than its water loses pressure on warming', () =>
  expect(
    elasticRise_Pa_K({
      temp_K: 293.15,
      wall: { bore_m: 0.016, wall_m: 0.002, modulus_Pa: 8e8 },
      growth_1_K: 1.8e-4,
      ends: 'hoop-only',
      poisson: 0.4,
    }),
  ).toBeLessThan(0))
test('a hundredth of air takes more water than the whole pipe without it', () => {
  const need = (airShare: number) =>
    pumpIn({
      volume_m3: 0.1,
      wall: copper,
      temp_K: 288.15,
      fromGauge_Pa: 0,
      toGauge_Pa: 1e6,
      atmosphere_Pa: 101325,
      airShare,
    })
  expect(need(0).forAir_m3).toBe(0)
  expect(need(0.01).forAir_m3).toBeGreaterThan(10 * need(0).withoutAir_m3)
  expect(need(0).withoutAir_m3).toBeCloseTo(
    liquidLost_m3({ volume_m3: 0.1, wall: copper, fall_Pa: 1e6, temp_K: 288.15 }),
    12,
  )
})

test('the air in a pipe is found again from the water that was pumped in', () => {
  const pipe = {
    volume_m3: 0.02,
    wall: copper,
    temp_K: 288.15,
    fromGauge_Pa: 0,
    toGauge_Pa: 6e5,
    atmosphere_Pa: 101325,
  }
  for (const airShare of [0, 0.001, 0.03, 0.4]) {
    const { withoutAir_m3, forAir_m3 } = pumpIn({ ...pipe, airShare })
    expect(airShareOf({ ...pipe, pumped_m3: withoutAir_m3 + forAir_m3 })).toBeCloseTo(airShare, 9)
  }
  // A stroke miscounted is no air less than none.
  expect(airShareOf({ ...pipe, pumped_m3: 1e-9 })).toBe(0)
  expect(() => airShareOf({ ...pipe, toGauge_Pa: 0, pumped_m3: 1e-3 })).toThrow(RangeError)
})
test('air stores what it gives back when it expands: the integral of its pressure over its volume', () => {
  const [volume_m3, gauge_Pa, atmosphere_Pa] = [0.03, 15000, 101325]
  // Adiabatic, by a thousand slices of the way out.
  const abs_Pa = gauge_Pa + atmosphere_Pa
  const end_m3 = volume_m3 * (abs_Pa / atmosphere_Pa) ** (1 / 1.4)
  let work_J = 0
  for (let i = 0; i < 1000; i++) {
    const at_m3 = volume_m3 + ((i + 0.5) / 1000) * (end_m3 - volume_m3)
    work_J += abs_Pa * (volume_m3 / at_m3) ** 1.4 * ((end_m3 - volume_m3) / 1000)
  }
  const stored_J = storedEnergy_J({ volume_m3, gauge_Pa, atmosphere_Pa })
  expect(Math.abs(stored_J / work_J - 1)).toBeLessThan(1e-5)
  expect(storedEnergy_J({ volume_m3, gauge_Pa: 0, atmosphere_Pa })).toBe(0)
})

// IGEM/UP/1 prints 0.059 and 42, from memory.
test('the factors of the British procedure', () => {
  expect(leakRateFactor(101325)).toBeCloseTo(0.059, 3)
  const minutes = durationFactor({ atmosphere_Pa: 101325, permittedLeak_m3_s: 0.0014 / 3600 })
  expect(Math.abs(minutes / 42 - 1)).toBeLessThan(0.01)
})
test('the permitted fall of an existing installation ends with pipe of 28 mm', () => {
  expect(permittedFall_Pa('diaphragm-meter-U6-G4', 0.028)).toBe(400)
  expect(permittedFall_Pa('diaphragm-meter-U16-G10', 0.022)).toBe(100)
  expect(permittedFall_Pa('ultrasonic-meter-E6', 0.035)).toBeUndefined()
})
test('a test with water stands above the design pressure by the factor of the place', () => {
  expect(hydrostaticGauge_Pa(1e6, 'en806-4')).toBeCloseTo(1.1e6, 3)
  expect(hydrostaticGauge_Pa(1e6, 'uk-water-regulations')).toBeCloseTo(1.5e6, 3)
})

import fc from 'fast-check'
import { psi_Pa, usGallon_m3 } from '../../units/units'
import { expansionFraction } from '../water/water'
import { metricSizes_m3, nextSize_m3 } from './catalogue'
import {
  en12828Coefficient,
  en12828Size,
  fillWindow,
  finalGauge_Pa,
  initialGauge_Pa,
} from './en12828'
import { forecastHotPressure, volumeAtCharge_m3 } from './forecast'
import { linearExpansion_1_K, netExpansion_m3 } from './handbook'
import { sealedTableVessel_m3 } from './sealedTable'
import type { VesselInputs } from './sizing'
import { designPressures, fillTarget, largestSystem_m3, sensitivity, sizeVessel } from './sizing'

const inputs = (change: Partial<VesselInputs> = {}): VesselInputs => ({
  method: 'en12828',
  system_m3: 0.25,
  fillTemp_K: 283.15,
  maxTemp_K: 353.15,
  height_m: 6,
  reliefSetGauge_Pa: 3e5,
  atmosphere_Pa: 1e5,
  margin_Pa: 30000,
  reliefMargin_Pa: 5 * psi_Pa,
  pipeExpansion_1_K: linearExpansion_1_K.steel,
  sizes_m3: metricSizes_m3,
  ...change,
})
const needed = (change: Partial<VesselInputs>) => {
  const sizing = sizeVessel(inputs(change))
  return sizing.outcome === 'sized' ? sizing.need.needed_m3 : Infinity
}

// EN 12828:2003 Annex D table, as remembered.
test.each([
  [30, 0.66],
  [40, 0.93],
  [50, 1.29],
  [60, 1.71],
  [70, 2.22],
  [80, 2.81],
  [90, 3.47],
  [100, 4.21],
  [110, 5.03],
  [120, 5.93],
  [130, 6.9],
])('EN 12828 coefficient at %d °C is %d %%', (temp_C, percent) =>
  expect(en12828Coefficient(temp_C + 273.15) * 100).toBeCloseTo(percent, 6),
)
test('EN 12828 example: 250 L, 80 °C, 3 bar, 6 m wants 21.75 L', () =>
  expect(
    en12828Size({
      system_m3: 0.25,
      expansionFraction: 0.02806,
      initialGauge_Pa: initialGauge_Pa({ height_m: 6, margin_Pa: 30000 }),
      finalGauge_Pa: finalGauge_Pa(3e5),
      atmosphere_Pa: 1e5,
    }),
  ).toBeCloseTo(0.02175282, 6))
test('final pressure is half a bar under a relief up to 5 bar, a tenth above', () => {
  expect(finalGauge_Pa(5e5)).toBe(450000)
  expect(finalGauge_Pa(6e5)).toBe(540000)
})

// Domain 3.3: bare gas law figures for the pressure forecast. US figures at 14.7 psi.
const usForecast = (gallons: number, charge_psi: number, fill_psi: number) =>
  forecastHotPressure({
    vessels: [{ volume_m3: gallons * usGallon_m3, chargeGauge_Pa: charge_psi * psi_Pa }],
    fillGauge_Pa: fill_psi * psi_Pa,
    expansion_m3: 30 * usGallon_m3 * expansionFraction({ fillTemp_K: 283.15, maxTemp_K: 355.372 }),
    atmosphere_Pa: 14.7 * psi_Pa,
  })
test.each([
  [4.4, 12, 12, 18.9],
  [4.4, 5, 12, 22.3],
  [4.4, 12, 15, 23.8],
  [2, 12, 12, 34],
])(
  'a %d gal vessel charged to %d and filled to %d psi reaches %d psi hot',
  (gallons, charge, fill, hot) => {
    const forecast = usForecast(gallons, charge, fill)
    expect(
      forecast.outcome === 'settles' && Math.abs(forecast.hotGauge_Pa / psi_Pa - hot),
    ).toBeLessThan(hot * 0.015)
  },
)
test('8 L alone reaches 6.1 bar on 200 L; 8 and 12 L together 1.81 bar', () => {
  const expansion_m3 = 0.2 * expansionFraction({ fillTemp_K: 283.15, maxTemp_K: 353.15 })
  const hot = (litres: number[]) => {
    const f = forecastHotPressure({
      vessels: litres.map((l) => ({ volume_m3: l / 1000, chargeGauge_Pa: 1e5 })),
      fillGauge_Pa: 1e5,
      expansion_m3,
      atmosphere_Pa: 101325,
    })
    return f.outcome === 'settles' ? f.hotGauge_Pa / 1e5 : Infinity
  }
  expect(hot([8])).toBeCloseTo(6.1, 0)
  expect(hot([8, 12])).toBeCloseTo(1.81, 1)
})
test('a vessel that fills with water says so instead of giving a pressure', () =>
  expect(
    forecastHotPressure({
      vessels: [{ volume_m3: 0.002, chargeGauge_Pa: 1e5 }],
      fillGauge_Pa: 1e5,
      expansion_m3: 0.0021,
      atmosphere_Pa: 1e5,
    }).outcome,
  ).toBe('no-air-left'))
test('an equal charge simply adds; a lower one counts for less', () => {
  const common = { chargeGauge_Pa: 1e5, finalGauge_Pa: 2.5e5, atmosphere_Pa: 1e5 }
  expect(volumeAtCharge_m3({ volume_m3: 0.012, chargeGauge_Pa: 1e5 }, common)).toBeCloseTo(0.012, 9)
  expect(volumeAtCharge_m3({ volume_m3: 0.012, chargeGauge_Pa: 0.5e5 }, common)).toBeCloseTo(
    0.009,
    9,
  )
})
test('the sealed-system table is read, never interpolated', () => {
  expect(
    sealedTableVessel_m3({
      system_m3: 0.2,
      chargeGauge_Pa: 1e5,
      initialGauge_Pa: 1e5,
      reliefSetGauge_Pa: 3e5,
    }),
  ).toBeCloseTo(0.0218, 6)
  expect(
    sealedTableVessel_m3({
      system_m3: 0.2,
      chargeGauge_Pa: 0.8e5,
      initialGauge_Pa: 1e5,
      reliefSetGauge_Pa: 3e5,
    }),
  ).toBeUndefined()
})
test('the handbook takes off what the pipe grows', () => {
  const growth = (pipeExpansion_1_K: number) =>
    netExpansion_m3({ system_m3: 1, fillTemp_K: 283.15, maxTemp_K: 353.15, pipeExpansion_1_K })
  expect(growth(0) - growth(linearExpansion_1_K.copper)).toBeCloseTo(
    3 * linearExpansion_1_K.copper * 70,
    9,
  )
})

const litres = fc.double({ min: 0.05, max: 2, noNaN: true })
const methods = fc.constantFrom('en12828' as const, 'handbook' as const)
test('a vessel grows with content, with temperature, and as the gap between initial and final closes', () =>
  fc.assert(
    fc.property(
      methods,
      litres,
      fc.double({ min: 323, max: 360, noNaN: true }),
      fc.double({ min: 0, max: 10, noNaN: true }),
      fc.double({ min: 1.01, max: 2, noNaN: true }),
      (method, system_m3, maxTemp_K, height_m, more) => {
        const base = { method, system_m3, maxTemp_K, height_m }
        expect(needed({ ...base, system_m3: system_m3 * more })).toBeGreaterThan(needed(base))
        expect(needed({ ...base, maxTemp_K: maxTemp_K + more })).toBeGreaterThanOrEqual(
          needed(base),
        )
        expect(needed({ ...base, height_m: height_m + more })).toBeGreaterThan(needed(base))
        expect(needed({ ...base, reliefSetGauge_Pa: 3e5 + 5e4 * more })).toBeLessThan(needed(base))
      },
    ),
  ))
test('final not above initial is refused with both pressures, not computed', () => {
  const sizing = sizeVessel(inputs({ height_m: 25 }))
  expect(sizing).toMatchObject({ outcome: 'no-room', finalGauge_Pa: 250000 })
  expect(
    en12828Size({
      system_m3: 0.2,
      expansionFraction: 0.03,
      initialGauge_Pa: 2.5e5,
      finalGauge_Pa: 2.5e5,
      atmosphere_Pa: 1e5,
    }),
  ).toBeUndefined()
})
test('with the method’s own expansion the chosen vessel never passes the final pressure', () =>
  fc.assert(
    fc.property(
      litres,
      fc.double({ min: 0, max: 9, noNaN: true }),
      fc.double({ min: 330, max: 365, noNaN: true }),
      (system_m3, height_m, maxTemp_K) => {
        const given = inputs({ system_m3, height_m, maxTemp_K })
        const sizing = sizeVessel(given)
        if (sizing.outcome !== 'sized' || sizing.need.stock_m3 === undefined) return
        const target = fillTarget(given, sizing.need, sizing.need.stock_m3)
        const hot = forecastHotPressure({
          vessels: [
            { volume_m3: sizing.need.stock_m3, chargeGauge_Pa: sizing.need.chargeGauge_Pa },
          ],
          fillGauge_Pa: target.targetGauge_Pa,
          expansion_m3: sizing.need.expansion_m3,
          atmosphere_Pa: given.atmosphere_Pa,
        })
        expect(hot.outcome === 'settles' && hot.hotGauge_Pa).toBeLessThanOrEqual(
          sizing.need.finalGauge_Pa + 1,
        )
      },
    ),
  ))
test('a bigger vessel never raises the hot pressure', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 0.2, noNaN: true }),
      fc.double({ min: 1, max: 4, noNaN: true }),
      (volume_m3, k) => {
        const hot = (size: number) => {
          const f = forecastHotPressure({
            vessels: [{ volume_m3: size, chargeGauge_Pa: 8e4 }],
            fillGauge_Pa: 1.1e5,
            expansion_m3: 0.006,
            atmosphere_Pa: 1e5,
          })
          return f.outcome === 'settles' ? f.hotGauge_Pa : Infinity
        }
        expect(hot(volume_m3 * k)).toBeLessThanOrEqual(hot(volume_m3) + 0.02)
      },
    ),
  ))
test('the filling window closes as the vessel shrinks', () => {
  const window = (vessel_m3: number) =>
    fillWindow({
      system_m3: 0.25,
      expansionFraction: 0.0281,
      initialGauge_Pa: 88860,
      finalGauge_Pa: 250000,
      atmosphere_Pa: 1e5,
      vessel_m3,
    })
  const [small, exact, large] = [window(0.018), window(0.021753), window(0.035)]
  expect(small.leastGauge_Pa ?? 0).toBeGreaterThan(small.greatestGauge_Pa)
  expect(Math.abs((exact.leastGauge_Pa ?? 0) - exact.greatestGauge_Pa)).toBeLessThan(700)
  expect(large.leastGauge_Pa ?? 0).toBeLessThan(large.greatestGauge_Pa)
})
test('a built-in vessel makes the separate one smaller, down to none', () => {
  const alone = sizeVessel(inputs())
  const helped = sizeVessel(
    inputs({
      builtIn: { volume_m3: 0.012, chargeGauge_Pa: designPressures(inputs()).chargeGauge_Pa },
    }),
  )
  const enough = sizeVessel(inputs({ builtIn: { volume_m3: 0.05, chargeGauge_Pa: 80000 } }))
  expect(
    alone.outcome === 'sized' &&
      helped.outcome === 'sized' &&
      alone.need.neededNew_m3 - helped.need.neededNew_m3,
  ).toBeCloseTo(0.012, 9)
  expect(enough.outcome === 'sized' && enough.need.stock_m3).toBe(0)
})
test('the size rounds up, never down, and ends with the list', () => {
  expect(nextSize_m3(0.0251, metricSizes_m3)).toBe(0.035)
  expect(nextSize_m3(0.025, metricSizes_m3)).toBe(0.025)
  expect(nextSize_m3(1, metricSizes_m3)).toBeUndefined()
})
test('the largest system a vessel serves is where its need meets its size', () =>
  expect(needed({ system_m3: largestSystem_m3(inputs(), 0.035) })).toBeCloseTo(0.035, 4))
test('what decides it comes widest first', () => {
  const bars = sensitivity(inputs(), 50000)
  const widths = bars.map((bar) => (bar.high_m3 ?? Infinity) - (bar.low_m3 ?? 0))
  expect([...widths].sort((a, b) => b - a)).toEqual(widths)
  expect(bars.map((bar) => bar.input)).toContain('content')
})

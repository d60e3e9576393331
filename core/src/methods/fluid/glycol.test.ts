import fc from 'fast-check'
import { expansionFraction } from '../water/water'
import type { HeatingFluid } from './glycol'
import { fluidAt, fluidGrowth, freezingTemp_K } from './glycol'

const kinds = ['ethylene-glycol', 'propylene-glycol'] as const
const mix = (kind: HeatingFluid['kind'], massFraction: number): HeatingFluid => ({
  kind,
  massFraction,
})

// ASHRAE Handbook Fundamentals, freezing points by mass, from memory, in °F.
test.each([
  ['ethylene-glycol', 0.2, 17.9],
  ['ethylene-glycol', 0.5, -28.9],
  ['propylene-glycol', 0.25, 14.7],
  ['propylene-glycol', 0.6, -59.9],
  ['propylene-glycol', 0.125, 24.5],
] as const)('%s at %d by mass freezes at %d °F', (kind, share, degrees_F) =>
  expect(((freezingTemp_K(mix(kind, share)) ?? 0) - 273.15) * 1.8 + 32).toBeCloseTo(degrees_F, 6),
)
test('past the table nothing is guessed at', () =>
  expect(freezingTemp_K(mix('propylene-glycol', 0.61))).toBeUndefined())
test('more glycol never freezes sooner', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...kinds),
      fc.double({ min: 0, max: 0.6, noNaN: true }),
      fc.double({ min: 0, max: 0.6, noNaN: true }),
      (kind, a, b) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)]
        expect(freezingTemp_K(mix(kind, more)) ?? 0).toBeLessThanOrEqual(
          (freezingTemp_K(mix(kind, less)) ?? 0) + 1e-9,
        )
      },
    ),
  ))
test('no glycol is water', () =>
  expect(fluidAt(mix('propylene-glycol', 0), 333.15)).toEqual(fluidAt(mix('water', 0), 333.15)))
test('water grows as its densities say', () =>
  expect(fluidGrowth(mix('water', 0), { fillTemp_K: 283.15, maxTemp_K: 353.15 })).toBeCloseTo(
    expansionFraction({ fillTemp_K: 283.15, maxTemp_K: 353.15 }),
    12,
  ))
test('glycol is denser, thicker and holds less heat than water, and grows more', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...kinds),
      fc.double({ min: 0.2, max: 0.5, noNaN: true }),
      fc.double({ min: 283.15, max: 363.15, noNaN: true }),
      (kind, share, temp_K) => {
        const [fluid, water] = [fluidAt(mix(kind, share), temp_K), fluidAt(mix('water', 0), temp_K)]
        expect(fluid.density_kg_m3).toBeGreaterThan(water.density_kg_m3 - 1)
        expect(fluid.viscosity_Pas).toBeGreaterThan(water.viscosity_Pas)
        expect(fluid.specificHeat_J_kgK).toBeLessThan(water.specificHeat_J_kgK)
        const span = { fillTemp_K: 283.15, maxTemp_K: 353.15 }
        expect(fluidGrowth(mix(kind, share), span)).toBeGreaterThan(
          fluidGrowth(mix('water', 0), span),
        )
      },
    ),
  ))
test('properties run without a step: a per cent more changes density by less than 3 kg/m³', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...kinds),
      fc.double({ min: 0.01, max: 0.49, noNaN: true }),
      fc.double({ min: 275, max: 370, noNaN: true }),
      (kind, share, temp_K) => {
        expect(
          Math.abs(
            fluidAt(mix(kind, share + 0.01), temp_K).density_kg_m3 -
              fluidAt(mix(kind, share), temp_K).density_kg_m3,
          ),
        ).toBeLessThan(3)
      },
    ),
  ))

import fc from 'fast-check'
import { btuPerHour_W, inch_m, toSi } from '../../units/units'
import { vaporises_W } from './containers'

const F = (degrees: number) => toSi(degrees, 'F')
const of = (more: Partial<Parameters<typeof vaporises_W>[0]> = {}) =>
  vaporises_W({
    count: 1,
    diameter_m: 30 * inch_m,
    length_m: 66 * inch_m,
    fullRatio: 0.2,
    airTemp_K: F(0),
    ...more,
  }) / btuPerHour_W

// The rule of propane containers, from memory: D × L × K in inches and Btu/h, K = 60 at a fifth
// full, at 0 °F.
test.each([
  [0.1, 0, 45],
  [0.2, 0, 60],
  [0.6, 0, 100],
  [0.2, 20, 120],
  [0.2, 10, 90],
  [0.2, -10, 30],
  [0.2, -15, 15],
])('%d full at %d °F it gives D × L × %d', (fullRatio, air, k) => {
  expect(of({ fullRatio, airTemp_K: F(air) })).toBeCloseTo(30 * 66 * k, 6)
})
test('what is fuller than the rule, or warmer, counts as its end; colder than it nothing comes', () => {
  expect(of({ fullRatio: 0.9 })).toBeCloseTo(of({ fullRatio: 0.6 }), 9)
  expect(of({ airTemp_K: F(70) })).toBeCloseTo(of({ airTemp_K: F(20) }), 9)
  expect(of({ airTemp_K: F(-30) })).toBe(0)
})
test('more, larger, fuller and warmer never give less', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 240, max: 310, noNaN: true }),
      fc.double({ min: 1, max: 2, noNaN: true }),
      (fullRatio, airTemp_K, k) => {
        const base = of({ fullRatio, airTemp_K })
        expect(of({ fullRatio: Math.min(1, fullRatio * k), airTemp_K })).toBeGreaterThanOrEqual(
          base,
        )
        expect(of({ fullRatio, airTemp_K: airTemp_K * k })).toBeGreaterThanOrEqual(base)
        expect(of({ fullRatio, airTemp_K, count: 2 })).toBeCloseTo(2 * base, 6)
      },
    ),
  ))
test('a mistake of ours is refused', () => {
  expect(() => of({ fullRatio: 1.2 })).toThrow('fullRatio')
  expect(() => of({ diameter_m: 0 })).toThrow('diameter_m')
})

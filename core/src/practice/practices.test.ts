import fc from 'fast-check'
import { showIn } from '../units/format'
import type { Measure } from '../units/measure'
import { ranges } from '../units/measure'
import { parseQuantity } from '../units/parse'
import { fromSi, units } from '../units/units'
import { practiceNames } from './practiceNames'
import { practices } from './practices'
import type { School } from './schools'
import { blankSchools, schoolNames, schools, sideOf } from './schools'

const measures = Object.keys(ranges) as Measure[]

test.each(practiceNames)('%s has a unit of the right kind for every measure', (name) => {
  for (const measure of measures)
    expect(units[practices[name].units[measure]].kind).toBe(ranges[measure].kind)
})
test.each(practiceNames)(
  'what %s shows is what it reads back: a shown figure typed again is the same within its last digit',
  (name) => {
    const show = showIn(practices[name].units)
    fc.assert(
      fc.property(
        fc.constantFrom(...measures.filter((measure) => measure !== 'duration')),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (measure, share) => {
          const { usual, hard } = ranges[measure]
          const si =
            Math.max(hard[0], usual[0]) +
            share * (Math.min(hard[1], usual[1]) - Math.max(hard[0], usual[0]))
          const parsed = parseQuantity(show(si, measure), measure, practices[name].units[measure])
          if (parsed.outcome === 'ambiguous') return
          if (parsed.outcome !== 'understood')
            throw new Error(`${measure}: ${show(si, measure)} is ${parsed.says}`)
          const unit = parsed.unit
          expect(Math.abs(fromSi(parsed.si, unit) - fromSi(si, unit))).toBeLessThanOrEqual(0.51)
        },
      ),
      { numRuns: 400 },
    )
  },
)
test('every practice has every word, and never a bare PRV', () => {
  const words = Object.keys(practices['uk-ireland'].words)
  for (const name of practiceNames) {
    expect(Object.keys(practices[name].words).sort()).toEqual([...words].sort())
    for (const text of Object.values(practices[name].words)) {
      expect(text.length).toBeGreaterThan(2)
      expect(text).not.toMatch(/\bPRV\b/)
    }
  }
})
test('every school gives both sides a reason and every practice a side', () => {
  for (const school of schoolNames)
    for (const name of practiceNames) {
      const one: School = schools[school]
      for (const side of ['a', 'b'] as const) {
        expect(one[side].says.length).toBeGreaterThan(3)
        expect(one[side].because.length).toBeGreaterThan(10)
      }
      for (const side of ['a', 'b'] as const) {
        const taken = sideOf(school, name, {
          ...blankSchools,
          [school]: { side, because: '', basis: 'chosen' },
        })
        expect(taken).toBe(one.only?.[name] ?? side)
      }
    }
})
test('limits of a practice are in their order', () => {
  for (const name of practiceNames) {
    const { hotWater, survey, gas } = practices[name]
    expect(hotWater.mixedTemp_K).toBeLessThan(hotWater.safeOutletTemp_K)
    expect(hotWater.safeOutletTemp_K).toBeLessThanOrEqual(hotWater.storeTemp_K + 1e-9)
    expect(hotWater.flowTemp_K).toBeGreaterThan(hotWater.storeTemp_K)
    expect(hotWater.wantedGauge_Pa).toBeLessThan(survey.staticLimitGauge_Pa)
    expect(gas.supplyBand_Pa['natural-gas'][0]).toBeLessThanOrEqual(
      gas.assumedWorking_Pa['natural-gas'],
    )
  }
})

import fc from 'fast-check'
import type { Show } from './format'
import { clock, durationWords, formatNumber, showIn, toldApart } from './format'
import type { Measure } from './measure'
import { measureOfKey, ranges } from './measure'
import { parseQuantity } from './parse'
import { fromSi, toSi, units, type UnitName } from './units'
import { practices } from '../practice/practices'

const understood = (text: string, measure: Measure, shown: UnitName) => {
  const parsed = parseQuantity(text, measure, shown)
  if (parsed.outcome !== 'understood') throw new Error(`${text}: ${parsed.says}`)
  return parsed
}

test.each<[string, Measure, UnitName, number]>([
  ['12 psi', 'water-pressure', 'bar', 82737.0875],
  ['0,83 bar', 'water-pressure', 'psi', 83000],
  ['7 in wc', 'gas-pressure', 'mbar', 1743.62237],
  ['24 ft', 'length', 'm', 7.3152],
  ['24 ft 6 in', 'length', 'm', 7.4676],
  ['120 F', 'temperature', 'C', 322.03889],
  ['-3 °C', 'temperature', 'F', 270.15],
  ['199 kBtu/h', 'power', 'kW', 58321.143],
  ['11 gpm', 'water-flow', 'Lmin', 6.939921e-4],
  ['4 oz/in2', 'gas-pressure', 'mbar', 1723.68932],
  ['2.75 kPa', 'gas-pressure', 'inwc', 2750],
  ['1 234,5 W', 'power', 'kW', 1234.5],
  ['1.234,5 W', 'power', 'kW', 1234.5],
  ['3 imp gal', 'volume', 'L', 0.01363827],
  ['1e3 Pa', 'gas-pressure', 'mbar', 1000],
  ['0.5 m3/h', 'gas-flow', 'm3h', 1.388889e-4],
])('%s is understood', (text, measure, shown, si) =>
  expect(understood(text, measure, shown).si / si).toBeCloseTo(1, 6),
)

test('a bare number takes the unit shown', () =>
  expect(understood('21', 'gas-pressure', 'mbar').si).toBe(2100))
test('the echo says it in a second unit', () =>
  expect(understood('12 psi', 'water-pressure', 'psi').echo).toBe('12.0\u00a0psi = 0.83\u00a0bar'))
test('a comma before exactly three digits is offered both ways', () => {
  const parsed = parseQuantity('1,200 kW', 'power', 'kW')
  expect(parsed).toMatchObject({
    outcome: 'ambiguous',
    readings: [{ si: 1200 }, { si: 1_200_000 }],
  })
})
test.each([
  ['abc', 'length'],
  ['', 'length'],
  ['-5 m', 'length'],
  ['-300 C', 'temperature'],
  ['1e9', 'length'],
  ['12 psi', 'length'],
  ['1..2', 'length'],
  ['1 2 m', 'length'],
  ['12 bananas', 'length'],
  ['9'.repeat(200), 'length'],
  ['½ in', 'length'],
  ['NaN', 'power'],
  ['∞', 'power'],
] as [string, Measure][])('%s is refused as a %s with a sentence', (text, measure) => {
  const parsed = parseQuantity(text, measure, 'm')
  expect(parsed.outcome).toBe('refused')
  expect('says' in parsed && parsed.says).toMatch(/\.$/)
})
test('absolute zero is named', () =>
  expect(parseQuantity('-300 C', 'temperature', 'C')).toMatchObject({
    says: expect.stringContaining('absolute zero'),
  }))
test('an unusual value is a question, not a refusal', () =>
  expect(understood('3 bar', 'gas-pressure', 'mbar').question).toMatch(/unit right\?/))
test('it answers any text at once, and never throws', () =>
  fc.assert(
    fc.property(
      fc.string({ maxLength: 120 }),
      fc.constantFrom(...(Object.keys(ranges) as Measure[])),
      (text, measure) => {
        const outcome = parseQuantity(text, measure, 'mbar').outcome
        expect(['understood', 'ambiguous', 'refused']).toContain(outcome)
      },
    ),
    { numRuns: 2000 },
  ))

test('there and back is the identity in every unit', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...(Object.keys(units) as UnitName[])),
      fc.double({ min: -1e4, max: 1e4, noNaN: true }),
      (name, figure) => {
        expect(fromSi(toSi(figure, name), name)).toBeCloseTo(figure, 6)
      },
    ),
  ))
// Domain section 6: 2 psi is 55.4 in wc, 7 in wc 17.4 mbar, 150 psi 10.3 bar, 210 F 98.9 C.
test('the traps of the trade come out right', () => {
  expect(fromSi(toSi(2, 'psi'), 'inwc')).toBeCloseTo(55.4, 1)
  expect(fromSi(toSi(7, 'inwc'), 'mbar')).toBeCloseTo(17.4, 1)
  expect(fromSi(toSi(150, 'psi'), 'bar')).toBeCloseTo(10.3, 1)
  expect(fromSi(toSi(210, 'F'), 'C')).toBeCloseTo(98.9, 1)
})
test('figures are grouped by thin spaces and never say minus nought', () => {
  expect(formatNumber(1234567.8, 1)).toBe('1\u2009234\u2009567.8')
  expect(formatNumber(-0.001, 2)).toBe('0.00')
})
test('times are minutes and seconds, never decimals of a minute', () => {
  expect(clock(644)).toBe('10:44')
  expect(durationWords(90)).toBe('1 min 30 s')
})
test('a working’s figures show in the job’s units by their keys', () => {
  const show = showIn(practices['north-america'].units)
  expect(show.key('fillGauge_Pa', 82737.0875, 'water')).toBe('12.0\u00a0psi')
  expect(show.key('drop_Pa', 124.5, 'gas')).toBe('0.50\u00a0in wc')
  expect(show(20684, 'gas-pressure')).toBe('3.0\u00a0psi')
  expect(measureOfKey('bore_m', 'gas')).toBe('bore')
})

describe('figures in a sentence', () => {
  const metric = showIn(practices['uk-ireland'].units)
  const inches = showIn(practices['north-america'].units)
  const both = (show: Show, a: number, b: number) =>
    toldApart(show, (say) => `${say(a, 'water-pressure')} of ${say(b, 'water-pressure')}`)

  test('a failed limit is not rounded away', () => {
    expect(both(metric, 1.042e5, 1.036e5)).toBe('1.042\u00a0bar of 1.036\u00a0bar')
    expect(both(metric, 1.04e5, 1e5)).toBe('1.04\u00a0bar of 1.00\u00a0bar')
    expect(both(inches, 206843, 206900)).toBe('30.00\u00a0psi of 30.01\u00a0psi')
  })
  test('what is the same stays as it is read', () => {
    expect(both(metric, 1.042e5, 1.042e5)).toBe('1.04\u00a0bar of 1.04\u00a0bar')
    expect(both(metric, 1e5, 1e5 + 1e-3)).toBe('1.00\u00a0bar of 1.00\u00a0bar')
  })
  test('small lengths are inches where long ones are feet, and nowhere else', () => {
    expect(inches(0.1524, 'length')).toBe('6.0\u00a0in')
    expect(inches(3.048, 'length')).toBe('10.0\u00a0ft')
    expect(inches(0, 'elevation')).toBe('0\u00a0ft')
    expect(metric(0.1524, 'length')).toBe('0.2\u00a0m')
  })
  test('a charge is said to the mark it is set to', () => {
    expect(metric.set(0.789e5)).toBe('0.80\u00a0bar')
    expect(inches.set(12.2 * 6894.757)).toBe('12.0\u00a0psi')
  })
  test('a loss by the length is said by the foot or by the metre', () => {
    expect(metric.perLength(3.2, 'small-power')).toMatch(/^3(\.2)?\u00a0W a metre$/)
    expect(inches.perLength(3.2, 'small-power')).toMatch(/Btu\/h a foot$/)
  })
})

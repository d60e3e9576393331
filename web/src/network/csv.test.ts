import fc from 'fast-check'
import { fromCsv, toCsv } from './csv'

const columns = ['name', 'rise']

test.each(['=1+1', '+1', '@SUM(A1)', '-cmd|calc', '\t=1', '=HYPERLINK("x")'])(
  '%j goes out as text that no spreadsheet runs, and comes back as it was',
  (name) => {
    const csv = toCsv(columns, [{ name, rise: '-2 m' }])
    const cell = csv.split('\r\n')[1]?.replace(/^"/, '')
    expect(cell).toMatch(/^'/)
    expect(fromCsv(columns, csv)).toEqual([{ name, rise: '-2 m' }])
  },
)
test('a negative figure stays a figure', () =>
  expect(toCsv(columns, [{ name: 'Down', rise: '-1.5' }])).toContain('Down,-1.5'))
test('any rows come back as they went', () =>
  fc.assert(
    fc.property(fc.array(fc.record({ name: fc.string(), rise: fc.string() })), (rows) => {
      const named = rows.map((row, i) => ({
        name: `p${i}${row.name.trim()}`,
        rise: row.rise.trim(),
      }))
      expect(fromCsv(columns, toCsv(columns, named))).toEqual(named)
    }),
  ))

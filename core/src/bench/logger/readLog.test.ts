import type { LogColumns } from './readLog'
import { mostReadings } from './mostReadings'
import { guessColumns, readLog } from './readLog'

const columns: LogColumns = {
  time: 0,
  clock: 'year-first',
  pressure: 1,
  pressureUnit: 'mbar',
  temp: 2,
  tempUnit: 'C',
  decimalComma: false,
  zone_min: 0,
}
const read = (rows: readonly (readonly string[])[], change: Partial<LogColumns> = {}) =>
  readLog(rows, { ...columns, ...change }, 1_000_000)
const noon_ms = Date.UTC(2026, 10, 28, 12, 0, 0)

test.each([
  ['year-first', '2026-11-28 12:00:00'],
  ['year-first', '2026/11/28T12:00'],
  ['day-first', '28.11.2026 12:00:00'],
  ['month-first', '11/28/2026 12:00:00'],
] as const)('%s: %s is noon', (clock, text) => {
  expect(read([[text, '20', '15']], { clock }).samples).toEqual([
    { at_ms: noon_ms, gauge_Pa: 2000, temp_K: expect.closeTo(288.15, 9) as number },
  ])
})
test('a clock an hour ahead of UTC is an hour before', () =>
  expect(read([['2026-11-28 13:00', '20', '15']], { zone_min: 60 }).samples[0]?.at_ms).toBe(
    noon_ms,
  ))
test('what counts from nothing begins when it is said to', () => {
  const minutes = read(
    [
      ['0', '20', '15'],
      ['1.5', '20', '15'],
    ],
    { clock: 'minutes' },
  )
  expect(minutes.samples.map(({ at_ms }) => at_ms)).toEqual([1_000_000, 1_090_000])
  expect(read([['2', '20', '15']], { clock: 'seconds' }).samples[0]?.at_ms).toBe(1_002_000)
})
test('a decimal comma is one only where it is said to be', () => {
  const row = [['0', '20,15', '15,0']]
  expect(read(row, { clock: 'seconds', decimalComma: true }).samples[0]?.gauge_Pa).toBeCloseTo(
    2015,
    9,
  )
  const refused = read([['0', '20', '15'], ...row], { clock: 'seconds' })
  expect(refused.wrong).toEqual([expect.stringMatching(/Row 2: “20,15” is no pressure/)])
})
test('units are those of the column', () => {
  const one = (change: Partial<LogColumns>, text: string) =>
    read([['0', text, '59']], { clock: 'seconds', tempUnit: 'F', ...change }).samples[0]
  expect(one({ pressureUnit: 'psi' }, '3')?.gauge_Pa).toBeCloseTo(20684.27, 1)
  expect(one({ pressureUnit: 'kPa' }, '2')?.gauge_Pa).toBe(2000)
  expect(one({}, '20')?.temp_K).toBeCloseTo(288.15, 9)
})
test('a row that cannot be is told by its number and left out, the head is passed over', () => {
  const { samples, wrong } = read([
    ['Time', 'Pressure', 'Temp'],
    ['2026-02-30 12:00', '20', '15'],
    ['2026-11-28 12:00', 'OL', '15'],
    ['2026-11-28 12:01', '20', '400'],
    ['2026-11-28 12:02', '20', '15'],
    ['2026-11-28 12:02', '19', '15'],
    ['2026-11-28 11:59', '21', '15'],
  ])
  expect(wrong.map((one) => one.slice(0, 6))).toEqual(['Row 2:', 'Row 3:', 'Row 4:'])
  // In order, and one reading an instant: the later row of the file.
  expect(samples.map(({ gauge_Pa }) => gauge_Pa)).toEqual([2100, 1900])
})
test('without a column of temperature there is none', () =>
  expect(read([['2026-11-28 12:00', '20', 'x']], { temp: null }).samples[0]).toEqual({
    at_ms: noon_ms,
    gauge_Pa: 2000,
  }))
test('more than a test takes is refused whole', () => {
  const rows = Array.from({ length: mostReadings + 1 }, (_, i) => [String(i), '20', '15'])
  const { samples, wrong } = read(rows, { clock: 'seconds' })
  expect([samples.length, wrong.length]).toEqual([0, 1])
})
test.each([
  [['Time', 'Pressure [mbar]', 'Temp °C'], ['2026-11-28 12:00', '20.1', '15'], {}],
  [
    ['Date/Time', 'Temp F', 'psi'],
    ['28/11/2026 12:00', '59', '3'],
    { clock: 'day-first', pressure: 2, pressureUnit: 'psi', temp: 1, tempUnit: 'F' },
  ],
  [
    ['t min', 'Druck kPa'],
    ['0', '2,31'],
    { clock: 'minutes', pressureUnit: 'kPa', temp: null, decimalComma: true },
  ],
] as const)('a head of %j is guessed', (head, first, change) =>
  expect(guessColumns(head, first, 0)).toEqual({ ...columns, ...change }),
)

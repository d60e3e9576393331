import { blankPart } from './document'
import { valveYear } from './valveYear'

const part = (id: string, name: string, madeYear: number | null) => ({
  ...blankPart({ id, name, kind: 'relief-valve' as const, circuit: 'heating' as const }),
  madeYear,
})
const valve = { name: 'Safety valve' }

test('the year of a valve is that of the part it was taken from', () => {
  const parts = [part('a', 'Safety valve', 2019), part('b', 'Other', 2007)]
  expect(valveYear(valve, { parts })).toBe(2019)
  expect(valveYear(valve, { parts: [part('a', 'Safety valve', null)] })).toBeUndefined()
  expect(valveYear(valve, { parts: [] })).toBeUndefined()
})

test('of two parts of its name none is guessed', () => {
  const parts = [part('a', 'Safety valve', 2019), part('b', 'Safety valve', 2007)]
  expect(valveYear(valve, { parts })).toBeUndefined()
})

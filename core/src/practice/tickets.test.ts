import type { HeldTicket } from './tickets'
import { lacking, lackingSays, ticketsOn } from './tickets'

const held = (part: Partial<HeldTicket>): HeldTicket => ({
  ...{ ticket: 'gas', practice: 'uk-ireland', number: '1', issuer: 'A', until: '2026-11-30' },
  ...part,
})
const on = (day: string, ...holds: HeldTicket[]) => ticketsOn(holds, 'uk-ireland', day)

test('a ticket holds on its last day, and not on the day after', () => {
  expect(on('2026-11-30', held({}))).toEqual({ tickets: ['gas'] })
  expect(on('2026-12-01', held({}))).toEqual({ tickets: [], ranOut: { gas: '2026-11-30' } })
})
test('the day of an instant is its day', () => {
  expect(on('2026-11-30 23:59', held({})).tickets).toEqual(['gas'])
  expect(on('2026-12-01T00:00:00.000Z', held({})).tickets).toEqual([])
})
test('one of another place does not count, one for everywhere does', () => {
  expect(on('2026-01-01', held({ practice: 'north-america' }))).toEqual({ tickets: [] })
  expect(on('2026-01-01', held({ practice: null })).tickets).toEqual(['gas'])
})
test('one without a last day does not run out', () => {
  expect(on('2099-01-01', held({ until: null })).tickets).toEqual(['gas'])
})
test('renewed, the older one is not said to have run out', () => {
  expect(on('2027-01-01', held({}), held({ until: '2031-11-30' }))).toEqual({ tickets: ['gas'] })
})
test('of two that ran out the later is named', () => {
  const ranOut = on('2027-01-01', held({}), held({ until: '2021-11-30' })).ranOut
  expect(ranOut).toEqual({ gas: '2026-11-30' })
})

test('what is lacking is said with a name, and since when', () => {
  const isla = { name: 'Isla', tickets: ['gas' as const] }
  expect(lacking(isla, ['gas', 'unvented'])).toEqual(['unvented'])
  expect(lackingSays(isla, ['unvented', 'electrical'])).toBe(
    'Isla has no unvented hot water ticket and no electrical ticket',
  )
  expect(lackingSays({ ...isla, ranOut: { unvented: '2026-05-31' } }, ['unvented'])).toBe(
    'Isla’s unvented hot water ticket ran out on 2026-05-31',
  )
})

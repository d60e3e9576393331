import type { HeldTicket } from './tickets'
import { papersOn } from './tickets'

const held = (part: Partial<HeldTicket> = {}): HeldTicket => ({
  ...{ ticket: 'gas', practice: null, number: 'A-1', issuer: 'The college', until: '2027-05-31' },
  ...part,
})
const on = (day: string, ...holds: HeldTicket[]) => papersOn(holds, 'uk-ireland', day)

test('a ticket is said as its paper says it', () => {
  expect(on('2026-11-29', held())).toEqual(['gas ticket A-1, The college, until 2027-05-31'])
  expect(on('2026-11-29', held({ number: '', issuer: '', until: null }))).toEqual(['gas ticket'])
})

test('it holds on its last day, and not on the next', () => {
  expect(on('2027-05-31T23:00', held())).toHaveLength(1)
  expect(on('2027-06-01', held())).toEqual([])
})

test('of another place it is not held here', () => {
  expect(on('2026-11-29', held({ practice: 'north-america' }))).toEqual([])
  expect(on('2026-11-29', held({ practice: 'uk-ireland' }))).toHaveLength(1)
})

test('no line is longer than a record takes', () => {
  const [line] = on('2026-11-29', held({ number: 'n'.repeat(60), issuer: 'i'.repeat(200) }))
  expect(line?.length).toBe(200)
})

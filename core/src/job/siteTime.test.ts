import { practiceNames } from '../practice/practiceNames'
import { onlyZone, timeZones, zonesOf, zoneWords } from '../practice/timeZones'
import { blankDocument } from './document'
import { clockSaid, siteTime } from './siteTime'

const at = '2026-07-01T23:30:00.000Z'
const place = (
  practice: (typeof practiceNames)[number],
  timeZone: (typeof timeZones)[number] | null = null,
) => blankDocument({ name: 'House', address: '', practice, timeZone })

test.each([
  // The offsets of the IANA database: British summer time, Denver's, Adelaide's half hour, St
  // John's in winter.
  ['uk-ireland', null, at, '2026-07-02 00:30', 'Times are those of London.'],
  ['north-america', null, at, '2026-07-01 23:30', 'Times are UTC.'],
  ['north-america', 'America/Denver', at, '2026-07-01 17:30', 'Times are those of Denver.'],
  [
    'australia-new-zealand',
    'Australia/Adelaide',
    at,
    '2026-07-02 09:00',
    'Times are those of Adelaide.',
  ],
  [
    'north-america',
    'America/St_Johns',
    '2026-12-31T23:59:00.000Z',
    '2026-12-31 20:29',
    'Times are those of St John’s.',
  ],
] as const)('%s, %s', (practice, zone, instant, told, said) => {
  expect(siteTime(instant, place(practice, zone))).toBe(told)
  expect(clockSaid(place(practice, zone))).toBe(said)
})

test('midnight is the start of a day', () =>
  expect(siteTime('2026-01-01T00:00:00.000Z', place('uk-ireland'))).toBe('2026-01-01 00:00'))

test('every clock is one that the platform knows, and belongs to one practice', () => {
  for (const zone of timeZones) {
    expect(() => new Intl.DateTimeFormat('en-GB', { timeZone: zone })).not.toThrow()
    expect(practiceNames.filter((name) => zonesOf(name).includes(zone))).toHaveLength(1)
    expect(zoneWords(zone)).not.toMatch(/[/_]/)
  }
  for (const name of practiceNames) {
    const only = onlyZone(name)
    if (only) expect(zonesOf(name)).toContain(only)
  }
})

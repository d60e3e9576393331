import { dayOf, dayTime, datesIn, today } from './dates'

/** As `Intl` says it on the clock of this device, which the board does without. */
const said = (how: Intl.DateTimeFormatOptions, at: string) =>
  new Intl.DateTimeFormat('en-GB', how).format(new Date(at))

const moments = Array.from({ length: 24 }, (_, i) =>
  new Date(Date.UTC(2026, Math.floor(i / 2), 1 + ((i * 13) % 28), i, (i * 7) % 60)).toISOString(),
)

it.each(moments)('says %s as Intl does', (at) => {
  expect(dayOf(at)).toBe(said({ day: 'numeric', month: 'short' }, at))
  const time = said({ hour: '2-digit', minute: '2-digit' }, at)
  expect(dayTime(at)).toBe(`${dayOf(at)}, ${time}`)
  expect(datesIn().timeOf(Date.parse(at))).toBe(time)
})

it.each(moments)('knows the day of %s here', (at) =>
  expect(today(Date.parse(at))).toBe(new Intl.DateTimeFormat('en-CA').format(Date.parse(at))),
)

it('says days and times on the clock of a site', () => {
  const there = datesIn('Australia/Sydney')
  expect(there.dayTime('2026-06-30T20:05:00Z')).toBe('1 Jul, 06:05')
  expect(there.timeOf(Date.parse('2026-12-31T13:59:00Z'))).toBe('00:59')
})

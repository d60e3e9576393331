import type { PracticeName } from './practiceNames'

/** The clocks a site may stand on, by the names of the IANA time zone database. */
export const timeZones = [
  'Europe/London',
  'Europe/Dublin',
  'America/St_Johns',
  'America/Halifax',
  'America/New_York',
  'America/Toronto',
  'America/Chicago',
  'America/Winnipeg',
  'America/Regina',
  'America/Denver',
  'America/Edmonton',
  'America/Phoenix',
  'America/Los_Angeles',
  'America/Vancouver',
  'America/Anchorage',
  'Pacific/Honolulu',
  'Australia/Perth',
  'Australia/Darwin',
  'Australia/Adelaide',
  'Australia/Brisbane',
  'Australia/Sydney',
  'Australia/Melbourne',
  'Australia/Hobart',
  'Pacific/Auckland',
] as const
export type TimeZone = (typeof timeZones)[number]

const starts: Readonly<Record<PracticeName, (zone: TimeZone) => boolean>> = {
  'uk-ireland': (zone) => zone.startsWith('Europe/'),
  'north-america': (zone) => zone.startsWith('America/') || zone === 'Pacific/Honolulu',
  'australia-new-zealand': (zone) => zone.startsWith('Australia/') || zone === 'Pacific/Auckland',
}

/** The clocks of a practice's places, west to east. */
export const zonesOf = (practice: PracticeName): readonly TimeZone[] =>
  timeZones.filter(starts[practice])

/** The clock of a practice where it has but one. */
export const onlyZone = (practice: PracticeName): TimeZone | undefined =>
  practice === 'uk-ireland' ? 'Europe/London' : undefined

/** A clock by the city it is named after. */
export const zoneWords = (zone: TimeZone): string =>
  (zone.split('/')[1] ?? zone).replace('_', ' ').replace('St Johns', 'St John’s')

import { onlyZone, zoneWords } from '../practice/timeZones'
import type { JobDocument } from './document'

type Place = Pick<JobDocument, 'practice' | 'site'>

/** The clock of a site as `Intl` takes it; UTC while nobody has said. */
export const siteZone = ({ site, practice }: Place): string =>
  site.timeZone ?? onlyZone(practice) ?? 'UTC'

/** `2026-11-28 14:05` on the site's clock. */
export function siteTime(at: string, place: Place): string {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: siteZone(place),
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  }).formatToParts(Date.parse(at))
  const part = (type: Intl.DateTimeFormatPartTypes) =>
    parts.find((one) => one.type === type)?.value ?? ''
  return `${part('year')}-${part('month')}-${part('day')} ${part('hour')}:${part('minute')}`
}

/** Whose clock the times on a paper are. */
export function clockSaid({ site, practice }: Place): string {
  const zone = site.timeZone ?? onlyZone(practice)
  return zone ? `Times are those of ${zoneWords(zone)}.` : 'Times are UTC.'
}

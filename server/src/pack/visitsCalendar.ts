import type { JobState, Judgement } from '@hestian/core'
import ical, { ICalCalendarMethod } from 'ical-generator'

/**
 * The visits of a job for any calendar: those that were, and the day of the next. No telephone and
 * no name stands in it.
 */
export function visitsCalendar(
  { id, number, document }: JobState,
  { visits }: Judgement,
  now: string,
): string {
  const { name, address } = document.site
  const calendar = ical({
    name: `${name}: visits`,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'hestian', product: 'visits', language: 'EN' },
  })
  const common = { location: address, stamp: new Date(now) }
  for (const { id: visit, from, ended } of visits)
    if (ended)
      calendar.createEvent({
        ...common,
        id: `${visit}@hestian`,
        start: new Date(from),
        end: new Date(ended.at),
        summary: `${name}: visit, job ${number}`,
        description: ended.body.done,
      })
  if (document.handover.nextVisit !== null)
    calendar.createEvent({
      ...common,
      id: `${id}-next@hestian`,
      start: new Date(`${document.handover.nextVisit}T12:00:00Z`),
      allDay: true,
      summary: `${name}: next visit, job ${number}`,
    })
  return calendar.toString()
}

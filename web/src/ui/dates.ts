export interface Dates {
  /** `3 Jun`. */
  readonly dayOf: (iso: string) => string
  /** `3 Jun, 14:05`. */
  readonly dayTime: (iso: string) => string
  readonly timeOf: (ms: number) => string
}

const months = 'Jan,Feb,Mar,Apr,May,Jun,Jul,Aug,Sept,Oct,Nov,Dec'.split(',')
const twoDigits = (count: number): string => String(count).padStart(2, '0')

/**
 * Days and times as `Intl` says them in `en-GB`, on the clock of this device: the board needs no
 * other, and the first use of `Intl` takes a phone a tenth of a second.
 */
const onThisClock = {
  day: (at: Date) => `${at.getDate()} ${months[at.getMonth()]}`,
  time: (at: Date) => `${twoDigits(at.getHours())}:${twoDigits(at.getMinutes())}`,
}

function onClockOf(timeZone: string): typeof onThisClock {
  const made = (how: Intl.DateTimeFormatOptions) => {
    let format: Intl.DateTimeFormat | undefined
    return (at: Date) =>
      (format ??= new Intl.DateTimeFormat('en-GB', { timeZone, ...how })).format(at)
  }
  return {
    day: made({ day: 'numeric', month: 'short' }),
    time: made({ hour: '2-digit', minute: '2-digit' }),
  }
}

/** Days and times on one clock; without a zone, that of this device. */
export function datesIn(timeZone?: string): Dates {
  const clock = timeZone === undefined ? onThisClock : onClockOf(timeZone)
  const dayOf = (iso: string) => clock.day(new Date(iso))
  return {
    dayOf,
    dayTime: (iso) => `${dayOf(iso)}, ${clock.time(new Date(iso))}`,
    timeOf: (ms) => clock.time(new Date(ms)),
  }
}

export const { dayOf, dayTime } = datesIn()

/** The day it is where this device stands, as `2026-06-03`. */
export function today(now_ms = Date.now()): string {
  const at = new Date(now_ms)
  return `${at.getFullYear()}-${twoDigits(at.getMonth() + 1)}-${twoDigits(at.getDate())}`
}

export interface Dates {
  /** `3 Jun`. */
  readonly dayOf: (iso: string) => string
  /** `3 Jun, 14:05`. */
  readonly dayTime: (iso: string) => string
  readonly timeOf: (ms: number) => string
}

/** Days and times on one clock; without a zone, that of this device. */
export function datesIn(timeZone?: string): Dates {
  const zone = timeZone === undefined ? {} : { timeZone }
  const day = new Intl.DateTimeFormat('en-GB', { ...zone, day: 'numeric', month: 'short' })
  const time = new Intl.DateTimeFormat('en-GB', { ...zone, hour: '2-digit', minute: '2-digit' })
  const dayOf = (iso: string) => day.format(new Date(iso))
  return {
    dayOf,
    dayTime: (iso) => `${dayOf(iso)}, ${time.format(new Date(iso))}`,
    timeOf: (ms) => time.format(new Date(ms)),
  }
}

export const { dayOf, dayTime } = datesIn()

/** The day it is where this device stands, as `2026-06-03`. */
export const today = (now_ms = Date.now()): string =>
  new Intl.DateTimeFormat('en-CA').format(now_ms)

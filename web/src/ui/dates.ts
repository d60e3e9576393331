const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' })
const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })

/** `3 Jun`. */
export const dayOf = (iso: string): string => day.format(new Date(iso))
/** `3 Jun, 14:05`. */
export const dayTime = (iso: string): string => `${dayOf(iso)}, ${time.format(new Date(iso))}`
export const timeOf = (ms: number): string => time.format(new Date(ms))

/** The time as records carry it. Handed in, so that a test can hold it still. */
export interface Clock {
  readonly now: () => string
}

export const systemClock: Clock = { now: () => new Date().toISOString() }

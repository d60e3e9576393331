import type { Measure } from '../units/measure'

/**
 * What an instrument may send as it reads it, each with the measure it is of. Pressures are gauge.
 */
export const channels = {
  gauge_Pa: 'gas-pressure',
  water_Pa: 'water-pressure',
  temp_K: 'temperature',
  o2: 'ratio',
  co2: 'ratio',
  co: 'co-share',
  flue_K: 'temperature',
  air_K: 'temperature',
} as const satisfies Readonly<Record<string, Measure>>

export type Channel = keyof typeof channels
export const channelNames = Object.keys(channels) as readonly Channel[]

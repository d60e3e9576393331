import { toSi } from '../../units/units'

/**
 * Seconds to a full-thickness burn of adult skin, hottest last. Source: sources.scald, from memory.
 */
export const scaldPoints = (
  [
    [120, 300],
    [130, 30],
    [140, 6],
    [150, 2],
  ] as const
).map(([fahrenheit, time_s]) => ({ temp_K: toSi(fahrenheit, 'F'), time_s }))

/**
 * Seconds that water of a temperature takes to scald adult skin: the leaflet's points, log of time
 * linear in temperature between them. Undefined outside 48.9 to 65.6 °C, which the leaflet does not
 * cover. Children and the old burn sooner. Source: sources.scald.
 */
export function scaldTime_s(temp_K: number): number | undefined {
  const exact = scaldPoints.find((point) => Math.abs(point.temp_K - temp_K) <= 0.01)
  if (exact) return exact.time_s
  const above = scaldPoints.findIndex((point) => point.temp_K > temp_K)
  const [low, high] = [scaldPoints[above - 1], scaldPoints[above]]
  if (!low || !high) return undefined
  const share = (temp_K - low.temp_K) / (high.temp_K - low.temp_K)
  return 10 ** (Math.log10(low.time_s) + share * (Math.log10(high.time_s) - Math.log10(low.time_s)))
}

/** Stored at least this hot, bacteria do not live. Source: sources.storeHygiene. */
export const hygieneTemp_K = 333.15

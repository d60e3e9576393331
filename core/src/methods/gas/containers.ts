import { expectAbove0 } from '../../answer/expect'
import { btuPerHour_W, inch_m } from '../../units/units'

export interface PropaneContainers {
  readonly count: number
  readonly diameter_m: number
  /** Along its axis. */
  readonly length_m: number
  /** Share that is still liquid. */
  readonly fullRatio: number
  readonly airTemp_K: number
}

/**
 * Factor K of the rule by how full a container is, each tenth: what of its wall is wetted. Source:
 * sources.containers.
 */
const wetted: readonly number[] = [0, 45, 60, 70, 80, 90, 100]
/**
 * The rule is stated from here to there; warmer counts as the warmer end, colder gives less and
 * less.
 */
const [coldest_F, warmest_F] = [-20, 20]

/**
 * Heat that propane containers vaporise at once, W gross: diameter times length in inches, times K
 * by how full, in Btu/h at 0 °F, and in proportion 1 + t/20 to the air in °F. Count, diameter and
 * length above 0, share 0 to 1, else RangeError; a share above 0.6 counts as 0.6, air above 20 °F
 * as 20 °F, and at −20 °F and below nothing comes. Source: sources.containers.
 */
export function vaporises_W({
  count,
  diameter_m,
  length_m,
  fullRatio,
  airTemp_K,
}: PropaneContainers): number {
  expectAbove0({ count, diameter_m, length_m, airTemp_K })
  if (!(fullRatio >= 0 && fullRatio <= 1))
    throw new RangeError(`fullRatio is ${fullRatio}; it must be 0 to 1`)
  const tenths = Math.min(wetted.length - 1, fullRatio * 10)
  const below = Math.floor(tenths)
  const [from = 0, to = from] = [wetted[below], wetted[below + 1]]
  const k = from + (tenths - below) * (to - from)
  const air_F = Math.min(warmest_F, Math.max(coldest_F, (airTemp_K - 273.15) * 1.8 + 32))
  const each_BtuH = (diameter_m / inch_m) * (length_m / inch_m) * k * (1 + air_F / 20)
  return count * each_BtuH * btuPerHour_W
}

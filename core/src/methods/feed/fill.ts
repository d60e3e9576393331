import { expectAbove0, expectNotNegative } from '../../answer/expect'

/**
 * Flow of a feed valve as it is set, and through its by-pass or fast-fill lever, m³/s. Source:
 * sources.fillFlow: assumed.
 */
export const usualFeed_m3_s = 4 / 60000
export const usualBypass_m3_s = 15 / 60000

/**
 * Time to fill a circuit, s. Content 0 or more, flow above 0, else RangeError. Source:
 * sources.arithmetic.
 */
export function fillTime_s(content_m3: number, flow_m3_s: number): number {
  expectNotNegative({ content_m3 })
  expectAbove0({ flow_m3_s })
  return content_m3 / flow_m3_s
}

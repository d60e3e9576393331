import type { Raw } from './raw'
import { isBranch, rowsIn } from './raw'

// Written out, not taken from today's blank parts: what a later version adds is a later step's to
// add, and a step that has landed is never edited.
const water = {
  segments: [],
  designBy: null,
  heaterDrop_Pa: null,
  heaterAtFlow_m3_s: null,
  heaterLeast_m3_s: null,
  loop: null,
  makeUp: { device: null, reducing: null, feed_m3_s: null, bypass_m3_s: null },
}
const gasRules = { meterDrop_Pa: null, method: null, diversity: null, derated: false, bonded: null }
const end = { shutOff: null, trap: null, connector: null, connectorDrop_Pa: null, makerTable: null }

/**
 * Version 4 holds the water feed, stages of gas pressure, what stands before each appliance, and
 * prices.
 */
export function from3(raw: Raw): Raw {
  const gas = isBranch(raw.gas) ? raw.gas : {}
  return {
    ...raw,
    version: 4,
    water,
    prices: [],
    gas: {
      ...gasRules,
      ...gas,
      segments: rowsIn(gas.segments).map((one) => ({
        end,
        regulator: null,
        reserve_W: null,
        ...one,
      })),
    },
  }
}

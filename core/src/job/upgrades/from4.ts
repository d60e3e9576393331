import type { Raw } from './raw'
import { isBranch, rowsIn } from './raw'

const heating = {
  system: null,
  boilerAfterPump: null,
  floorMostTemp_K: null,
  floorMixer: null,
  floorCutOut: null,
}

/**
 * Version 5 asks where a part stands in height and by the pump, what a gas valve stands, what the
 * building is used for.
 */
export function from4(raw: Raw): Raw {
  const { heating: circuit, water } = raw
  return {
    ...raw,
    version: 5,
    site: isBranch(raw.site) ? { building: null, ...raw.site } : raw.site,
    appliances: rowsIn(raw.appliances).map((one) => ({
      maxInletGauge_Pa: null,
      aboveFill_m: null,
      condensing: null,
      ...one,
    })),
    heating: isBranch(circuit)
      ? {
          ...heating,
          ...circuit,
          weakParts: rowsIn(circuit.weakParts).map((one) => ({
            aboveFill_m: null,
            afterPump: null,
            ...one,
          })),
          furtherVessels: rowsIn(circuit.furtherVessels).map((one) => ({
            maxWorkingGauge_Pa: null,
            position: null,
            ...one,
          })),
        }
      : circuit,
    water: isBranch(water)
      ? {
          ...water,
          makeUp: isBranch(water.makeUp) ? { feedStays: null, ...water.makeUp } : water.makeUp,
        }
      : water,
  }
}

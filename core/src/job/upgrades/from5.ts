import type { Raw } from './raw'
import { isBranch, rowsIn } from './raw'

const withMaker = (rows: unknown) => rowsIn(rows).map((one) => ({ maker: null, ...one }))

const withRegulator = (segment: Raw): Raw =>
  isBranch(segment.regulator)
    ? { ...segment, regulator: { most_m3_s: null, ...segment.regulator } }
    : segment

/** Version 6 says what the work is, and has places for who made a thing and its number. */
export function from5(raw: Raw): Raw {
  const { heating: circuit, hotWater } = raw
  const safety = isBranch(hotWater) ? hotWater.safety : undefined
  return {
    ...raw,
    version: 6,
    site: isBranch(raw.site) ? { olderConsent: null, ...raw.site } : raw.site,
    work: { kinds: [], exchange: null },
    appliances: withMaker(raw.appliances),
    parts: withMaker(raw.parts),
    reliefs: withMaker(raw.reliefs),
    gas: isBranch(raw.gas)
      ? {
          meterVolume_m3: null,
          containers: null,
          ...raw.gas,
          segments: rowsIn(raw.gas.segments).map(withRegulator),
        }
      : raw.gas,
    heating: isBranch(circuit)
      ? {
          vesselMaker: null,
          ...circuit,
          furtherVessels: withMaker(circuit.furtherVessels),
        }
      : circuit,
    hotWater:
      isBranch(hotWater) && isBranch(safety)
        ? { ...hotWater, safety: { ...safety, inlet: withMaker(safety.inlet) } }
        : hotWater,
  }
}

import type { Raw } from './raw'
import { isBranch, rowsIn } from './raw'

// Written out, not taken from today's blank parts: what a later version adds is a later step's to
// add, and a step that has landed is never edited.
const schools = {
  hotWaterTemperature: null,
  simultaneousUse: null,
  reliefLifting: null,
  safetyPan: null,
  instantaneousPan: null,
  dischargeEnd: null,
  feedLeft: null,
}
const safety = {
  reducingGauge_Pa: null,
  reducingFall_Pa: null,
  expansionReliefGauge_Pa: null,
  temperatureReliefGauge_Pa: null,
  temperatureReliefTemp_K: null,
  vesselSize_m3: null,
  vesselChargeGauge_Pa: null,
  inlet: [],
  balancedCold: null,
  cutOut: null,
  cutOutTemp_K: null,
  immersion: null,
  immersion_W: null,
}
const pan = { fitted: null, runsTo: null, condensate: null, because: '' }
const blankHeating = {
  boilerId: null,
  fluid: { kind: 'water', massFraction: null, coldestTemp_K: null },
  zones: [],
  emitters: [],
  pipes: [],
  parts: [],
  boilerLeastFlow_m3_s: null,
  pumpId: null,
  pumpHead_Pa: null,
  pumpMost_m3_s: null,
  reliefSetGauge_Pa: null,
  weakParts: [],
  vesselSize_m3: null,
  furtherVessels: [],
  vesselAcceptance: null,
  vesselMaxWorkingGauge_Pa: null,
  vesselHeight_m: null,
  reliefHeight_m: null,
  position: { side: null, between: null, from: null, carriedBy: null },
  deliveredChargeGauge_Pa: null,
  chargeGauge_Pa: null,
  feedSetGauge_Pa: null,
  fillGauge_Pa: null,
  dayTemp_K: null,
}

/**
 * Version 3 holds the whole pressure side: zones of the circuit, settings of the store, relief
 * valves and where their water goes.
 */
export function from2(raw: Raw): Raw {
  const heating = isBranch(raw.heating) ? raw.heating : undefined
  const names = [
    ...new Set(
      rowsIn(heating?.emitters)
        .map((one) => (typeof one.zone === 'string' ? one.zone.trim() : ''))
        .filter((zone) => zone !== ''),
    ),
  ]
  const zones = names.map((name, i) => ({
    id: `zone-${i + 1}`,
    name,
    heatZoneId: sameName(raw, name),
    load_W: null,
    difference_K: null,
    alone: false,
  }))
  const idOf = (zone: unknown) =>
    zones.find((one) => typeof zone === 'string' && one.name === zone.trim())?.id ?? null
  return {
    ...raw,
    version: 3,
    reliefs: [],
    pan,
    schools: { ...schools, ...(isBranch(raw.schools) ? raw.schools : {}) },
    hotWater: isBranch(raw.hotWater) ? { ...raw.hotWater, safety } : raw.hotWater,
    heating: heating
      ? {
          ...blankHeating,
          ...heating,
          zones,
          emitters: rowsIn(heating.emitters).map(({ zone, ...one }) => ({
            ...one,
            zoneId: idOf(zone),
            type: null,
            loadEach_W: null,
          })),
          pipes: rowsIn(heating.pipes).map((one) => ({
            ...one,
            run_m: null,
            bends: 0,
            zoneId: null,
            carries: 'all',
          })),
        }
      : raw.heating,
  }
}

const sameName = (raw: Raw, name: string): unknown =>
  isBranch(raw.heat)
    ? (rowsIn(raw.heat.zones).find((zone) => zone.name === name)?.id ?? null)
    : null

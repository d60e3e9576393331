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
const heat = {
  zones: [],
  options: [],
  chosen: null,
  heatingSet_W: null,
  flowTemp_K: null,
  compensation: null,
  priority: true,
}
const hotWater = {
  outlets: [],
  scenario: [],
  storeTemp_K: null,
  wantedGauge_Pa: null,
  loopLoss_W: null,
}
const looked = {
  mainStopValve: null,
  mainReducingValve: null,
  mainCheckValve: null,
  mainBackflowPreventer: null,
  mainMeterCheck: null,
  mainStreetCheck: null,
  gasSmell: null,
  location: null,
  vehiclePath: null,
  livingBelow: null,
  shakes: null,
  freezing: null,
  corrosiveAir: null,
  serviceClearance: null,
  combustibles: null,
  reliefReach: null,
  airSource: null,
  openFlued: null,
  flueRoute: null,
  drain: null,
  powerIsolator: null,
  dripLoop: null,
}
const survey = {
  visitedOn: null,
  elevation_m: null,
  coldMainStaticGauge_Pa: null,
  mainPoints: [],
  incomingTemp_K: null,
  incomingColdestTemp_K: null,
  incomingWarmestTemp_K: null,
  hardness_kg_m3: null,
  fillTemp_K: null,
  maxFlowTemp_K: null,
  highLimitTemp_K: null,
  topEmitterHeight_m: null,
  topOutletHeight_m: null,
  ignitionHeight_m: null,
  gasStaticGauge_Pa: null,
  gasWorkingGauge_Pa: null,
  gasMeter_m3_s: null,
  gasDistance_m: null,
  gasLoad: 'not-stated',
  fuel: 'natural-gas',
  sizeOn: { on: 'higher' },
  supplies: { water: null, gas: null, power: null },
  draught: null,
  inspecting: false,
  placePhotos: [],
}

/**
 * Version 2 asks more of the survey, and holds the heat and hot water. What version 1 did not ask
 * is 'not looked at yet'.
 */
export function from1(raw: Raw): Raw {
  const site = isBranch(raw.site) ? raw.site : {}
  const { seismic, ...place } = site
  const shakes =
    seismic === true ? { answer: 'yes', basis: 'read', from: 'Site, earlier version' } : null
  const heats = rowsIn(raw.appliances).some(
    (one) => one.kind !== 'boiler' && one.kind !== 'cooktop' && one.kind !== 'other-gas',
  )
  return {
    ...raw,
    version: 2,
    site: place,
    schools,
    parts: [],
    heat,
    hotWater: heats ? hotWater : null,
    survey: {
      ...survey,
      ...(isBranch(raw.survey) ? raw.survey : {}),
      looked: { ...looked, shakes },
    },
    appliances: rowsIn(raw.appliances).map((one) => ({
      stay: 'new',
      madeYear: null,
      papers: { manual: null, installation: null, charts: null },
      photos: [],
      ...one,
    })),
  }
}

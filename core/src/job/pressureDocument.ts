import { z } from 'zod'
import { emitterTypes } from '../methods/circuit/emitters'
import { fluidKinds } from '../methods/fluid/fluidKinds'
import { materialNames } from '../methods/materials/pipes'
import { valveOutlets } from '../methods/relief/catalogue'
import { dischargeMaterials, dischargeSizes } from '../methods/relief/dischargePipe'
import { inletKinds } from '../methods/inlet-group/inletGroup'
import { count, id, known, Maker, name, quantity, rowsOf } from './known'

const yesNo = z.enum(['yes', 'no']).nullable()

/** Emitters that are fed and balanced together. */
export const HeatingZone = z.object({
  id,
  name,
  /** The zone of the heat page whose load it carries; null where it is typed here. */
  heatZoneId: z.string().max(60).nullable(),
  load_W: known('power'),
  /** Flow less return; null takes the practice's usual one. */
  difference_K: known('temperature-difference'),
  /** Never fed at the same time as the others, as a store with priority. */
  alone: z.boolean(),
})
export type HeatingZone = z.infer<typeof HeatingZone>

export const Emitter = z.object({
  id,
  name,
  zoneId: z.string().max(60).nullable(),
  type: z.enum(emitterTypes).nullable(),
  count,
  /** What each gives; null shares the zone's load evenly. */
  loadEach_W: known('power'),
  /** Null takes the content of the type. */
  waterEach_m3: known('small-volume'),
})
export type Emitter = z.infer<typeof Emitter>

export const HeatingPipe = z.object({
  id,
  name,
  material: z.enum(materialNames),
  /** A size of the material's catalogue; null lets Hestian choose. */
  size: z.string().max(20).nullable(),
  /** All of it, flow and return: what it holds. */
  length_m: known('length'),
  /**
   * The longest way through it, there and back: what the pump sees. Null takes the whole length.
   */
  run_m: known('length'),
  bends: count,
  /** Null: common to all zones. */
  zoneId: z.string().max(60).nullable(),
  /** Carries its zone's whole flow, or that of the largest single emitter. */
  carries: z.enum(['all', 'one-emitter']),
})
export type HeatingPipe = z.infer<typeof HeatingPipe>

export const circuitPartKinds = [
  'boiler',
  'low-loss-header',
  'buffer',
  'filter',
  'separator',
  'zone-valve',
  'coil',
  'other',
] as const
/** Something the flow passes: what it holds, and what it loses at a flow that its maker states. */
export const CircuitPart = z.object({
  id,
  name,
  kind: z.enum(circuitPartKinds),
  zoneId: z.string().max(60).nullable(),
  drop_Pa: known('water-pressure'),
  atFlow_m3_s: known('water-flow'),
  water_m3: known('small-volume'),
})
export type CircuitPart = z.infer<typeof CircuitPart>

export const WeakPart = z.object({
  id,
  name,
  maxWorkingGauge_Pa: known('water-pressure'),
  /** Above the fill point; null stands at the fill point. */
  aboveFill_m: known('height'),
  /** Between the pump's discharge and the vessel, where the pump's head comes on top. */
  afterPump: yesNo,
})

/** How the vessel is connected; null while nobody has decided or looked. */
export const VesselPosition = z.object({
  side: z.enum(['suction', 'delivery']).nullable(),
  between: z.enum(['nothing', 'lockable', 'plain-valve', 'zone-valve']).nullable(),
  from: z.enum(['below', 'above']).nullable(),
  carriedBy: z.enum(['bracket', 'floor', 'pipe']).nullable(),
})
export const blankPosition: z.infer<typeof VesselPosition> = {
  side: null,
  between: null,
  from: null,
  carriedBy: null,
}

/** A further vessel on the circuit beside the boiler's own and the one that is sized. */
export const FurtherVessel = z.object({
  id,
  name,
  volume_m3: known('small-volume'),
  chargeGauge_Pa: known('water-pressure'),
  maxWorkingGauge_Pa: known('water-pressure'),
  position: VesselPosition.nullable(),
  maker: Maker.nullable(),
})

export const Heating = z.object({
  boilerId: z.string().max(60).nullable(),
  /** Shut off from the air, or open to it through a feed and expansion tank. */
  system: z.enum(['sealed', 'open-vented']).nullable(),
  /** The boiler stands between the pump's discharge and the vessel. */
  boilerAfterPump: yesNo,
  fluid: z.object({
    kind: z.enum(fluidKinds),
    massFraction: known('ratio'),
    coldestTemp_K: known('temperature'),
  }),
  zones: rowsOf(HeatingZone, 60),
  emitters: rowsOf(Emitter, 200),
  pipes: rowsOf(HeatingPipe, 200),
  parts: rowsOf(CircuitPart, 60),
  boilerLeastFlow_m3_s: known('water-flow'),
  /**
   * A generic pump by its id, or the maker's curve by its two ends; null lets Hestian choose a
   * generic one.
   */
  pumpId: z.string().max(20).nullable(),
  pumpHead_Pa: known('water-pressure'),
  pumpMost_m3_s: known('water-flow'),
  reliefSetGauge_Pa: known('water-pressure'),
  /** Parts other than the boiler with a pressure limit. */
  weakParts: rowsOf(WeakPart, 50),
  /** Chosen nominal size; null lets Hestian choose. */
  vesselSize_m3: quantity('small-volume').nullable(),
  furtherVessels: rowsOf(FurtherVessel, 6),
  /** Most of its volume that the vessel may hold as water; null where its maker gives no limit. */
  vesselAcceptance: known('ratio'),
  vesselMaxWorkingGauge_Pa: known('water-pressure'),
  vesselMaker: Maker.nullable(),
  /** Heights above the fill point; null is at the fill point. */
  vesselHeight_m: known('length'),
  reliefHeight_m: known('length'),
  position: VesselPosition,
  deliveredChargeGauge_Pa: known('water-pressure'),
  /** Charge set by hand; null takes the computed one. */
  chargeGauge_Pa: known('water-pressure'),
  /** Preset of the feed valve or filling link, as it came. */
  feedSetGauge_Pa: known('water-pressure'),
  /** Cold fill set by hand; null takes the computed one. */
  fillGauge_Pa: known('water-pressure'),
  dayTemp_K: known('temperature'),
  /**
   * Of floor loops: the hottest they may be fed, what mixes it down, and what cuts it off when that
   * fails.
   */
  floorMostTemp_K: known('temperature'),
  floorMixer: yesNo,
  floorCutOut: yesNo,
})
export type Heating = z.infer<typeof Heating>

/** A heating circuit with nothing in it yet. */
export const blankHeating = (boilerId: string | null): Heating => ({
  boilerId,
  system: null,
  boilerAfterPump: null,
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
  vesselMaker: null,
  vesselHeight_m: null,
  reliefHeight_m: null,
  position: blankPosition,
  deliveredChargeGauge_Pa: null,
  chargeGauge_Pa: null,
  feedSetGauge_Pa: null,
  fillGauge_Pa: null,
  dayTemp_K: null,
  floorMostTemp_K: null,
  floorMixer: null,
  floorCutOut: null,
})

export const InletPart = z.object({
  id,
  kind: z.enum(inletKinds),
  /** Its arrow points against the flow. */
  reversed: z.boolean(),
  maker: Maker.nullable(),
})

export type InletPart = z.infer<typeof InletPart>

/**
 * What keeps a store of hot water from bursting: settings, the inlet group in flow order, and what
 * cuts the heat off.
 */
export const HotWaterSafety = z.object({
  /** What the reducing valve is set to; null takes the practice's. */
  reducingGauge_Pa: known('water-pressure'),
  /** How far its pressure falls at the design flow. */
  reducingFall_Pa: known('water-pressure'),
  expansionReliefGauge_Pa: known('water-pressure'),
  temperatureReliefGauge_Pa: known('water-pressure'),
  temperatureReliefTemp_K: known('temperature'),
  vesselSize_m3: quantity('small-volume').nullable(),
  vesselChargeGauge_Pa: known('water-pressure'),
  inlet: rowsOf(InletPart, 20),
  balancedCold: z.enum(['after-reducing', 'before-reducing', 'no-mixers']).nullable(),
  cutOut: z.enum(['by-hand', 'resets-itself', 'none']).nullable(),
  cutOutTemp_K: known('temperature'),
  immersion: z.enum(['none', 'own-cut-out', 'no-cut-out']).nullable(),
  immersion_W: known('power'),
})
export type HotWaterSafety = z.infer<typeof HotWaterSafety>
export const blankSafety: HotWaterSafety = {
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

const pieceId = { id }
/** A piece of a discharge pipe, in the order the water goes. */
export const DischargePiece = z.discriminatedUnion('kind', [
  z.object({
    ...pieceId,
    kind: z.literal('pipe'),
    material: z.enum(dischargeMaterials),
    size: z.enum(dischargeSizes),
    length_m: known('length'),
    runs: z.enum(['down', 'falling', 'level', 'up']),
  }),
  z.object({ ...pieceId, kind: z.literal('bend') }),
  z.object({ ...pieceId, kind: z.literal('tundish'), visible: yesNo }),
  z.object({ ...pieceId, kind: z.enum(['valve', 'trap']) }),
])
export type DischargePiece = z.infer<typeof DischargePiece>

export const dischargeEnds = ['drain', 'outside', 'floor', 'pan', 'crawl-space', 'bucket'] as const
export const Discharge = z.object({
  pieces: rowsOf(DischargePiece, 60),
  end: z.enum(dischargeEnds).nullable(),
  /** Of the open end above the floor, ground or rim it falls to. */
  endHeight_m: known('length'),
  endThread: z.enum(['plain', 'threaded', 'capped']).nullable(),
  endVisible: yesNo,
  /** Nobody stands or passes where it would spit. */
  endSafe: yesNo,
  endFreezes: yesNo,
})
export type Discharge = z.infer<typeof Discharge>
export const blankDischarge: Discharge = {
  pieces: [],
  end: null,
  endHeight_m: null,
  endThread: null,
  endVisible: null,
  endSafe: null,
  endFreezes: null,
}

export const reliefGuards = ['heating', 'expansion', 'temperature'] as const
/**
 * A relief valve. Its setting stands with the circuit it guards; here stands what it is and where
 * its water goes.
 */
export const ReliefValve = z.object({
  id,
  name,
  guards: z.enum(reliefGuards),
  /** A generic size, or null where the tag was read. */
  size: z.string().max(20).nullable(),
  outlet: z.enum(valveOutlets).nullable(),
  capacity_W: known('power'),
  /** Temperature element in the hottest water. */
  probe: z.enum(['in-hottest', 'elsewhere']).nullable(),
  lever: z.enum(['clear', 'blocked']).nullable(),
  /** A valve between it and what it guards. */
  valveBetween: yesNo,
  /** The part it takes the place of. */
  replacesId: z.string().max(60).nullable(),
  maker: Maker.nullable(),
  discharge: Discharge,
})
export type ReliefValve = z.infer<typeof ReliefValve>
export const blankRelief = (relief: Pick<ReliefValve, 'id' | 'name' | 'guards'>): ReliefValve => ({
  ...relief,
  size: null,
  outlet: null,
  capacity_W: null,
  probe: null,
  lever: null,
  valveBetween: null,
  replacesId: null,
  maker: null,
  discharge: blankDischarge,
})

/** What stands under the heater, and where it drains. */
export const DrainPan = z.object({
  fitted: yesNo,
  runsTo: z.enum(['drain', 'outside', 'nowhere']).nullable(),
  condensate: z.enum(['separate', 'same-pan', 'none']).nullable(),
  because: z.string().max(300),
})
export const blankPan: z.infer<typeof DrainPan> = {
  fitted: null,
  runsTo: null,
  condensate: null,
  because: '',
}

import { z } from 'zod'
import { materialNames } from '../methods/materials/pipes'
import { count, id, known, name, rowsOf } from './known'

/** What a water pipe ends at. Past the heater the water is hot. */
export const WaterEnd = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('outlet'),
    outletId: z.string().max(60),
    count: z.number().int('must be a whole number').min(1, 'at least one').max(200, 'at most 200'),
  }),
  z.object({ kind: z.literal('heater') }),
  z.object({ kind: z.literal('make-up') }),
])
export type WaterEnd = z.infer<typeof WaterEnd>

export const WaterSegment = z.object({
  id,
  name,
  /** `meter`, the cold main, or the id of the segment it leaves from. */
  from: z.string().max(60),
  length_m: known('length'),
  /** How much higher its far end lies; below is negative. */
  rise_m: known('elevation'),
  elbows: count,
  branchTees: count,
  material: z.enum(materialNames),
  /** A size of the material's catalogue; null lets Hestian choose. */
  size: z.string().max(20).nullable(),
  /**
   * Something on the way that loses pressure, such as a meter or a check valve, at a flow its maker
   * states.
   */
  partDrop_Pa: known('water-pressure'),
  partFlow_m3_s: known('water-flow'),
  end: WaterEnd.nullable(),
})
export type WaterSegment = z.infer<typeof WaterSegment>

/** A pipe that brings hot water back to the heater from the end of a hot pipe. */
export const LoopReturn = z.object({
  id,
  name,
  /** The hot segment at whose far end it begins. */
  at: z.string().max(60),
  length_m: known('length'),
  material: z.enum(materialNames),
  size: z.string().max(20).nullable(),
})
export type LoopReturn = z.infer<typeof LoopReturn>

export const Loop = z.object({
  returns: rowsOf(LoopReturn, 20),
  /** Thickness of the lagging on hot pipes and returns; null while nobody has decided. */
  lagging_m: known('bore'),
  airTemp_K: known('temperature'),
  /** How much cooler it may come back; null takes 5 K. */
  drop_K: known('temperature-difference'),
})
export type Loop = z.infer<typeof Loop>

export const makeUpDevices = [
  'disconnected-link',
  'double-check',
  'backflow-preventer',
  'break-tank',
  'none',
] as const
/** Each in the middle of a sentence. */
export const makeUpWords: Readonly<Record<(typeof makeUpDevices)[number], string>> = {
  'disconnected-link': 'a link with a double check that is taken off',
  'double-check': 'a double check valve',
  'backflow-preventer': 'a backflow preventer with a relief port',
  'break-tank': 'a break tank',
  none: 'nothing',
}
export const MakeUp = z.object({
  device: z.enum(makeUpDevices).nullable(),
  reducing: z.enum(['yes', 'no']).nullable(),
  /** Whether the feed is shut once the circuit is filled, or left to refill it. */
  feedStays: z.enum(['shut', 'open']).nullable(),
  /** Through the feed valve as it is set, and by its by-pass or lever. */
  feed_m3_s: known('water-flow'),
  bypass_m3_s: known('water-flow'),
})

export const Water = z.object({
  segments: rowsOf(WaterSegment, 600, 'at most 600 pipes'),
  /** What pipes are sized for; null takes what the practice or the school says. */
  designBy: z.enum(['units', 'scenario', 'all-open']).nullable(),
  heaterDrop_Pa: known('water-pressure'),
  heaterAtFlow_m3_s: known('water-flow'),
  /** Minimum flow to fire. */
  heaterLeast_m3_s: known('water-flow'),
  loop: Loop.nullable(),
  makeUp: MakeUp,
})
export type Water = z.infer<typeof Water>

export const PipePrices = z
  .array(
    z.object({
      material: z.enum(materialNames),
      size: z.string().max(20),
      perMetre: z.number().min(0, '0 or more').max(10000, 'at most 10 000'),
    }),
  )
  .max(200)

export const blankLoop: Loop = { returns: [], lagging_m: null, airTemp_K: null, drop_K: null }
export const blankWater: Water = {
  segments: [],
  designBy: null,
  heaterDrop_Pa: null,
  heaterAtFlow_m3_s: null,
  heaterLeast_m3_s: null,
  loop: null,
  makeUp: { device: null, reducing: null, feedStays: null, feed_m3_s: null, bypass_m3_s: null },
}

/** A water pipe with nothing measured yet. */
export const blankWaterSegment = (
  segment: Pick<WaterSegment, 'id' | 'name' | 'from' | 'material'>,
): WaterSegment => ({
  ...segment,
  length_m: null,
  rise_m: null,
  elbows: 0,
  branchTees: 0,
  size: null,
  partDrop_Pa: null,
  partFlow_m3_s: null,
  end: null,
})

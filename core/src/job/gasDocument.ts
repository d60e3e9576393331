import { z } from 'zod'
import { gasMethods } from '../methods/gas/methodNames'
import { materialNames } from '../methods/materials/pipes'
import { permittedFallMeters } from '../methods/test/testRules'
import { count, Evidence, id, known, name, rowsOf } from './known'

const yesNo = z.enum(['yes', 'no']).nullable()

/** A regulator on the line: what comes after it is a stage of its own, at its pressure. */
export const LineRegulator = z.object({
  outGauge_Pa: known('gas-pressure'),
  /** What it loses itself at the flow it carries. */
  drop_Pa: known('gas-pressure'),
  /** The most it passes at these pressures. */
  most_m3_s: known('gas-flow'),
  /** Where its vent goes; null while nobody has decided. */
  vent: z.enum(['outside', 'limiter', 'inside']).nullable(),
})
export type LineRegulator = z.infer<typeof LineRegulator>

/** What stands between the pipe and an appliance. */
export const GasEnd = z.object({
  shutOff: yesNo,
  trap: yesNo,
  connector: z.enum(['rigid', 'flexible']).nullable(),
  /** What the connector loses at full rate. */
  connectorDrop_Pa: known('gas-pressure'),
  /** The maker's own table that permits a smaller pipe here. */
  makerTable: Evidence.nullable(),
})
export type GasEnd = z.infer<typeof GasEnd>
export const blankGasEnd: GasEnd = {
  shutOff: null,
  trap: null,
  connector: null,
  connectorDrop_Pa: null,
  makerTable: null,
}

export const GasSegment = z.object({
  id,
  name,
  /** `meter` or the id of the segment it leaves from. */
  from: z.string().max(60),
  length_m: known('length'),
  elbows: count,
  branchTees: count,
  material: z.enum(materialNames),
  /** A size of the material's catalogue; null lets Hestian choose. */
  size: z.string().max(20).nullable(),
  applianceId: z.string().max(60).nullable(),
  end: GasEnd,
  regulator: LineRegulator.nullable(),
  /** Gross heat kept for an appliance that may come later, at its far end. */
  reserve_W: known('power'),
  /** Whether it lay here before this work; null counts as new, the stricter of the two. */
  laid: z.enum(['new', 'was-here']).nullable(),
})
export type GasSegment = z.infer<typeof GasSegment>

/** Propane containers that give at once, lying or standing, and what changes them over. */
export const Containers = z.object({
  count: z.number().int('must be a whole number').min(1, 'at least one').max(40, 'at most 40'),
  diameter_m: known('length'),
  /** Along its axis: the height of one that stands. */
  length_m: known('length'),
  /** Share that is still liquid when it is changed or filled. */
  leastFull: known('ratio'),
  coldestTemp_K: known('temperature'),
  changeover: z.enum(['by-itself', 'by-hand', 'one-bank']).nullable(),
})
export type Containers = z.infer<typeof Containers>
export const blankContainers: Containers = {
  count: 1,
  diameter_m: null,
  length_m: null,
  leastFull: null,
  coldestTemp_K: null,
  changeover: null,
}

export const GasSupply = z.object({
  segments: rowsOf(GasSegment, 600, 'at most 600 pipes'),
  meterMaxTestGauge_Pa: known('gas-pressure'),
  /** What meter and regulator hold; null takes what is usual here. */
  meterVolume_m3: known('small-volume'),
  /** Propane containers; null while nobody has looked, and where the gas comes by a meter. */
  containers: Containers.nullable(),
  /** What the meter itself loses at full load. */
  meterDrop_Pa: known('gas-pressure'),
  /** Null takes the practice's. */
  method: z.enum(gasMethods).nullable(),
  /** Share of the load that burns at once, by a rule that is declared; null is everything. */
  diversity: z
    .object({ ratio: known('ratio'), rule: z.string().trim().min(3, 'say which rule').max(300) })
    .nullable(),
  /** Sized for what the appliances burn at this height, after their inputs were brought down. */
  derated: z.boolean(),
  bonded: yesNo,
  /** Which meter measures, where the fall that old pipe may show goes by it. */
  meterKind: z.enum(permittedFallMeters).nullable(),
})

export const blankGasRules = {
  meterDrop_Pa: null,
  method: null,
  diversity: null,
  derated: false,
  bonded: null,
  meterVolume_m3: null,
  containers: null,
  meterKind: null,
} as const

/** A gas pipe with nothing measured yet. */
export const blankGasSegment = (
  segment: Pick<GasSegment, 'id' | 'name' | 'from' | 'material'>,
): GasSegment => ({
  ...segment,
  length_m: null,
  elbows: 0,
  branchTees: 0,
  size: null,
  applianceId: null,
  end: blankGasEnd,
  regulator: null,
  reserve_W: null,
  laid: null,
})

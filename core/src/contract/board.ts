import { z } from 'zod'
import { practiceNames } from '../practice/practiceNames'
import { tickets } from '../practice/tickets'
import { boardStages } from '../solve/boardStages'
import { sheetIds } from '../solve/sheetIds'
import type { Measure } from '../units/measure'
import { ranges } from '../units/measure'
import type { UnitName } from '../units/units'
import { units } from '../units/units'
import type { RefusalCode } from './refusals'
import { refusals } from './refusals'

// What the first page needs, and no more: no document, no record, none of their schemas.

export const wireId = z
  .string()
  .min(1)
  .max(60)
  .regex(/^[\w-]+$/, 'letters, digits, - and _')

const refusalCodes = Object.keys(refusals) as [RefusalCode, ...RefusalCode[]]
export const Refused = z.object({
  code: z.enum(refusalCodes),
  says: z.string(),
  current: z.unknown().optional(),
})
export type Refused = z.infer<typeof Refused>

const measures = Object.keys(ranges) as [Measure, ...Measure[]]
const unitNames = Object.keys(units) as [UnitName, ...UnitName[]]

/**
 * The units a person reads in, where they are not the job's: each must measure what it is put for.
 */
export const OwnUnits = z
  .partialRecord(z.enum(measures), z.enum(unitNames))
  .refine(
    (chosen) =>
      Object.entries(chosen).every(
        ([measure, unit]) =>
          unit === undefined || units[unit].kind === ranges[measure as Measure].kind,
      ),
    'a unit that does not measure that',
  )
export type OwnUnits = z.infer<typeof OwnUnits>

export const PersonSchema = z.object({
  id: wireId,
  name: z.string().min(1).max(120),
  role: z.string().max(60),
  tickets: z.array(z.enum(tickets)),
  units: OwnUnits.optional(),
})
export const boardSorts = ['changed', 'name', 'number', 'stage', 'waiting'] as const

/** A job as the board shows it. */
export const BoardRow = z.object({
  id: wireId,
  number: z.string(),
  name: z.string(),
  address: z.string(),
  practice: z.enum(practiceNames),
  stage: z.enum(boardStages),
  sheet: z.enum(sheetIds),
  /** What it waits for, in a few words. */
  waits: z.string(),
  /** Who can do that: a ticket, or anybody. */
  waitsOn: z.string(),
  stops: z.number().int(),
  fixes: z.number().int(),
  off: z.number().int(),
  snags: z.number().int(),
  /** Unsafe situations that nobody has put right. */
  unsafe: z.number().int().default(0),
  /** What the work is, in words; empty while nobody has said. */
  work: z.string().default(''),
  /** Share of each stage, in the order of {@link boardStages} without the last. */
  shares: z.array(z.number()),
  frozen: z.string().nullable(),
  archived: z.boolean(),
  changedAt: z.string(),
  /** What is stored of it cannot be read; `waits` says why. */
  unreadable: z.boolean(),
})
export type BoardRow = z.infer<typeof BoardRow>

export const BoardQuery = z.object({
  find: z.string().max(200, 'at most 200 characters').default(''),
  // An address kept from before calls the stage of tests prove.
  stage: z
    .preprocess(
      (stage) => (stage === 'prove' ? 'test' : stage),
      z.enum([...boardStages, 'all']).optional(),
    )
    .transform((stage) => stage ?? 'all'),
  sort: z.enum(boardSorts).default('changed'),
  archived: z.enum(['no', 'yes']).default('no'),
  page: z.coerce.number().int().min(1).max(1e6).default(1),
  size: z.coerce.number().int().min(1).max(100).default(25),
})
export type BoardQuery = z.infer<typeof BoardQuery>
export const BoardPage = z.object({
  rows: z.array(BoardRow),
  total: z.number().int(),
  page: z.number().int(),
  size: z.number().int(),
  jobs: z.number().int(),
  withOff: z.number().int(),
  archived: z.number().int(),
  /** Of those put away, how many have something off on their site. */
  archivedWithOff: z.number().int().default(0),
  /** Of those not put away, how many cannot be read: what is off there nobody knows. */
  unreadable: z.number().int().default(0),
  byStage: z.record(z.string(), z.number().int()),
  /** Room left on the server's disk, bytes; null where the system does not say. */
  free_bytes: z.number().nullable(),
  /** So little room is left that something has to be done. */
  lowSpace: z.boolean(),
})
export type BoardPage = z.infer<typeof BoardPage>

export const DeleteJob = z.object({
  id: wireId,
  by: wireId,
  reason: z.string().trim().min(3, 'say why').max(400, 'at most 400 characters'),
})
/** A job that was deleted for good: that it was, and why. */
export const DeletedJob = z.object({
  id: wireId,
  number: z.string(),
  at: z.string(),
  by: z.string(),
  reason: z.string(),
})
export type DeletedJob = z.infer<typeof DeletedJob>

/**
 * What an import made of a file: its number is a new one where that in the file was taken or none
 * of ours.
 */
export const ImportedJob = z.object({ id: wireId, number: z.string(), renumbered: z.boolean() })
export type ImportedJob = z.infer<typeof ImportedJob>

import { z } from 'zod'
import { JobDocument } from '../job/document'
import { evidenceTypes, photos } from '../job/known'
import { mostReadings } from '../bench/logger/mostReadings'
import { instant_ms, JobRecord, recordId, SampleSchema, drawnLines } from '../job/records'
import type { Channel } from '../bench/channels'
import { channelNames } from '../bench/channels'
import { paperIds } from '../practice/handoverRules'
import { practiceNames } from '../practice/practiceNames'
import { timeZones } from '../practice/timeZones'
import { labelSheetIds } from '../solve/handover/labelSheets'
import { sheetIds } from '../solve/sheetIds'
import { PersonSchema, wireId } from './board'
import { jobLimits } from './limits'

export const JobParams = z.object({ jobId: wireId })
export const TestParams = z.object({ jobId: wireId, testId: recordId })
export const HandTestParams = z.object({ jobId: wireId, recordId })
/** Papers of the pack by name, with commas between; none asks for all that are due. */
export const PapersAsked = z.object({
  papers: z
    .string()
    .max(200)
    .transform((names) => names.split(','))
    .pipe(z.array(z.enum(paperIds, `papers are ${paperIds.join(', ')}`)).max(paperIds.length))
    .optional(),
})
/**
 * Labels on a sheet of some size, from the first that is still there; without names all of them.
 */
export const LabelsQuery = z.object({
  sheet: z.enum(labelSheetIds, `sheets are ${labelSheetIds.join(', ')}`),
  from: z.coerce
    .number()
    .int()
    .min(1, 'the first is 1')
    .max(30, 'no sheet has more than 30')
    .default(1),
  only: z
    .string()
    .max(2000)
    .transform((names) => names.split(','))
    .optional(),
})
export const RevisionParams = z.object({
  jobId: wireId,
  letter: z.string().regex(/^[A-Z]{1,2}$/, 'a letter, as in A'),
})
export const StepParams = z.object({ jobId: wireId, stepId: z.string().min(1).max(200) })
export const OffParams = z.object({ jobId: wireId, offId: recordId })
export const GaugeParams = z.object({ gaugeId: wireId })

export const PersonParams = z.object({ personId: wireId })

const revisionLetter = z.string().regex(/^[A-Z]{1,2}$/, 'a letter, as in A')
const saveNumber = z.number().int().min(0).max(1e9)

export const RevisionInfo = z.object({
  letter: revisionLetter,
  at: z.iso.datetime(),
  by: z.string().min(1).max(60),
  signed: z.boolean(),
  /** It came with an imported file: what that says is signed was not signed here. */
  imported: z.boolean().optional(),
})
export type RevisionInfo = z.infer<typeof RevisionInfo>

/** Everything a page needs of one job. */
export const JobState = z.object({
  id: wireId,
  number: z.string(),
  document: JobDocument,
  saveNumber,
  /** The letter under which the design is frozen; null while it is being edited. */
  frozen: z.string().nullable(),
  /** When it came in from a file; null for a job begun here. */
  importedAt: z.string().nullable(),
  revisions: z.array(RevisionInfo),
  records: z.array(JobRecord),
  samples: z.record(z.string(), z.array(SampleSchema)),
})
export type JobState = z.infer<typeof JobState>

export const ArchiveJob = z.object({ by: wireId, archived: z.boolean() })
export const DuplicateJob = z.object({
  id: wireId,
  by: wireId,
  name: z.string().trim().min(1, 'the job needs a name').max(120, 'at most 120 characters'),
})

export const evidenceHash = z.string().regex(/^[0-9a-f]{64}$/, 'a SHA-256 in hex')
export const EvidenceParams = z.object({ hash: evidenceHash })
export const EvidenceStored = z.object({
  hash: z.string(),
  type: z.enum(evidenceTypes),
  bytes: z.number().int(),
})

export const NewJob = z.object({
  id: wireId,
  name: z.string().trim().min(1, 'the job needs a name').max(120, 'at most 120 characters'),
  address: z.string().max(300, 'at most 300 characters'),
  practice: z.enum(practiceNames),
  /** The clock of the device it is made on, where that is one of the practice's. */
  timeZone: z.enum(timeZones).nullable().optional(),
  by: wireId,
})
export type NewJob = z.infer<typeof NewJob>

export const SaveDraft = z.object({
  document: JobDocument,
  saveNumber,
  by: wireId,
})
export type SaveDraft = z.infer<typeof SaveDraft>
export const Saved = z.object({ saveNumber: z.number().int() })

/**
 * A record as a client sends it is a record as it is stored. Tests, steps and signatures have
 * routes of their own.
 */
export const NewRecord = JobRecord
export type NewRecord = JobRecord

const act = { id: recordId, by: wireId }
/** When it was done on site, where it could not be sent at once. */
const doneAt = { at: z.iso.datetime().optional() }
const because = z.string().max(200, 'at most 200 characters')
export const ConfirmGuard = z.object({ ...act, ...doneAt, guardId: z.string().min(1).max(200) })
export const SignStep = z.object({
  ...act,
  ...doneAt,
  reading: z.object({ si: z.number().finite(), typed: z.string().max(80) }).optional(),
  /** Of a reading outside its limits: what it comes from, and what was done. */
  cause: because.optional(),
  action: because.optional(),
  photos: photos.optional(),
})
export const PutBack = z.object({ ...act, ...doneAt })
export const Countersign = PutBack
export const WithReason = z.object({ ...act, ...doneAt, because })
export const BeginVisit = z.object({ ...act, ...doneAt, with: because.default('') })
export const EndVisit = z.object({
  ...act,
  ...doneAt,
  done: z.string().max(1000, 'at most 1000 characters'),
  left: z.string().max(1000, 'at most 1000 characters').default(''),
  /** Why something stays off, by its record. */
  staysOff: z.record(recordId, because).default({}),
})
export const Act = z.object(act)
export const ItemParams = z.object({ jobId: wireId, itemId: wireId })
export const TickOff = z.object({
  ...act,
  answer: z.enum(['done', 'not-here']),
  because: z.string().max(200, 'at most 200 characters').default(''),
  text: z.string().max(400, 'at most 400 characters').default(''),
  reading: z.object({ si: z.number().finite(), typed: z.string().max(80) }).optional(),
})
export const UnsafeParams = z.object({ jobId: wireId, unsafeId: recordId })
export const CheckSheet = z.object({ ...act, sheet: z.enum(sheetIds) })
export const BeginTest = z.object({
  ...act,
  testId: recordId,
  /** Which of the job's tests it is. */
  test: z.string().min(1).max(120).default('tightness'),
  how: z.discriminatedUnion('reading', [
    z.object({
      reading: z.literal('streamed'),
      gaugeId: wireId,
      /** Which of the firm’s gauges it is. */
      instrumentId: wireId.optional(),
    }),
    z.object({
      reading: z.literal('typed'),
      kind: z.enum(['water-gauge', 'digital']),
      resolution_Pa: z.number().positive().max(1e5),
      instrument: z.string().max(200),
      instrumentId: wireId.optional(),
      from_ms: instant_ms,
    }),
    /** Readings that a logger kept: the test is over when it begins. */
    z.object({
      reading: z.literal('logged'),
      resolution_Pa: z.number().positive().max(1e5),
      instrument: z.string().max(200),
      instrumentId: wireId.optional(),
      from_ms: instant_ms,
      samples: z.array(SampleSchema).min(2).max(mostReadings),
    }),
  ]),
  prepared: z.array(z.string().max(200)).max(60),
  /** Names of what was disconnected, capped or shut for the test: each goes on the off strip. */
  off: z
    .array(
      z.object({
        name: z.string().min(1).max(200),
        state: z.enum(['disconnected', 'shut']),
        because: z.string().max(200),
      }),
    )
    .max(60),
})
export type BeginTest = z.infer<typeof BeginTest>
export const TypedSample = z.object({ ...act, sample: SampleSchema })
export const TestNote = z.object({ ...act, text: z.string().trim().min(1).max(200) })
export const Repaired = z.object({
  ...act,
  what: z.string().trim().min(3, 'say what was repaired').max(400),
})
export const SignHandover = z.object({
  ...act,
  typedName: z.string().trim().min(2, 'type your name').max(120),
  drawn: drawnLines.optional(),
})
export const NewRevision = z.object({ ...act })
export const GaugeState = z.object({
  id: wireId,
  name: z.string(),
  state: z.enum(['live', 'silent']),
  simulated: z.boolean(),
  resolution_Pa: z.number(),
  latest: SampleSchema.optional(),
  /** What it reads, and its last value of each, SI by channel. */
  reads: z.array(z.enum(channelNames as [Channel, ...Channel[]])),
  /** Whether a test can be run on it: it sends samples, and sends again what was missed. */
  streams: z.boolean(),
  values: z.partialRecord(z.enum(channelNames as [Channel, ...Channel[]]), z.number()),
})
export type GaugeState = z.infer<typeof GaugeState>

export const plantCommands = [
  ...(['pump', 'vent', 'tight', 'leak', 'cooling', 'drop-out'] as const),
  ...(['burner-off', 'burner-low', 'burner-high'] as const),
  ...(['water-pump', 'water-bleed', 'water-weep', 'water-dry', 'water-down'] as const),
] as const

/** What a hand can do at the simulated pipework. A real gauge has none of these. */
export const PlantCommand = z.object({
  command: z.enum(plantCommands),
  gauge_Pa: z.number().min(0).max(2e6).optional(),
  volume_m3: z.number().min(1e-5).max(10).optional(),
})
export type PlantCommand = z.infer<typeof PlantCommand>

const isUnique = (values: readonly unknown[]): boolean => new Set(values).size === values.length

/**
 * A job with all it holds: revisions, records, samples, signatures. Exported and imported without
 * loss.
 */
export const JobFile = z
  .object({
    format: z.literal('hestian-job'),
    formatVersion: z.literal(1),
    id: wireId,
    number: z
      .string()
      .max(20, 'at most 20 characters')
      .regex(/^[\w][\w .-]*$/, 'letters, digits, spaces, points and hyphens, on one line'),
    saveNumber,
    frozen: revisionLetter.nullable(),
    document: JobDocument,
    revisions: z
      .array(RevisionInfo.omit({ imported: true }).extend({ document: JobDocument }))
      .max(jobLimits.revisions)
      .refine((revisions) => isUnique(revisions.map((one) => one.letter)), 'one letter twice'),
    records: z
      .array(JobRecord)
      .max(jobLimits.records)
      .refine((records) => isUnique(records.map((one) => one.id)), 'one record twice'),
    samples: z.record(
      recordId,
      z
        .array(SampleSchema)
        .max(jobLimits.samples)
        .refine(
          (samples) => isUnique(samples.map((one) => one.at_ms)),
          'two readings at one instant',
        ),
    ),
    people: z
      .array(PersonSchema)
      .max(500)
      .refine((people) => isUnique(people.map((one) => one.id)), 'one person twice'),
    /**
     * Hashes of photographs and papers that the job names and this file does not carry; none where
     * they come beside it.
     */
    leavesOut: z.array(evidenceHash).max(20_000).optional(),
  })
  .refine(
    ({ frozen, revisions }) =>
      frozen === null || revisions.some((one) => one.letter === frozen && one.signed),
    { path: ['frozen'], message: 'must be the letter of a signed revision in the file' },
  )
export type JobFile = z.infer<typeof JobFile>

/** What the server sends down its event stream. */
export type LiveEvent =
  | { readonly kind: 'record'; readonly record: JobRecord }
  | {
      readonly kind: 'sample'
      readonly testId: string
      readonly sample: z.infer<typeof SampleSchema>
    }
  | { readonly kind: 'job'; readonly saveNumber: number; readonly frozen: string | null }
  /** After a break too long to make up: everything is to be read again. */
  | { readonly kind: 'again' }

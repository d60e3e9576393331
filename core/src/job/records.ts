import { z } from 'zod'
import { ranges } from '../units/measure'
import { day, photos, siteBases } from './known'
import { Draught } from './surveyDocument'

export const recordId = z
  .string()
  .min(8)
  .max(60)
  .regex(/^[\w-]+$/, 'letters, digits, - and _')
const short = z.string().max(200)
export const instant_ms = z.number().int().min(0).max(4e12)
const finite = z.number().finite()

/** What was left out of its normal place, and the symbol its tag carries. */
export const offStates = [
  'shut',
  'held-open',
  'opened',
  'disconnected',
  'power-off',
  'drained',
  'linked',
  'lever-over',
] as const
export type OffState = (typeof offStates)[number]

const source = z.object({
  basis: z.enum(['published', 'published-equation', 'from-memory', 'common-practice', 'assumed']),
  says: z.string().max(400),
})

export const TightnessPlanSchema = z.object({
  testGauge_Pa: finite.min(1).max(ranges['gas-pressure'].hard[1]),
  stabilise_s: finite.min(0).max(86400),
  test_s: finite.min(1).max(90000),
  volume_m3: finite.min(1e-6).max(100),
  atmosphere_Pa: finite.min(30000).max(120000),
  permittedLeak_m3_s: finite.min(0),
  permittedLeakSource: source,
  perceptible_Pa: finite.min(0),
  gauge: z.object({
    kind: z.enum(['water-gauge', 'digital']),
    resolution_Pa: finite.positive().max(1e5),
  }),
  methodSource: source,
})

export const SampleSchema = z.object({
  at_ms: instant_ms,
  gauge_Pa: finite.min(-1e5).max(1e6),
  temp_K: finite.min(200).max(400).optional(),
})

/** What a record says, by kind. Appended, never changed; a correction is a new record that names the one it replaces. */
export const RecordBody = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('reading'),
    field: z.string().min(1).max(120),
    si: finite,
    typed: z.string().max(80),
    basis: z.enum(siteBases),
    instrument: short,
    photos: photos.optional(),
  }),
  z.object({
    kind: z.literal('looked'),
    field: z.string().min(1).max(120),
    answer: z.string().min(1).max(60),
    basis: z.enum(siteBases),
    from: short,
    note: z.string().max(500).optional(),
    photos: photos.optional(),
  }),
  z.object({ kind: z.literal('draught'), trial: Draught.omit({ recordId: true }) }),
  z.object({
    kind: z.literal('inspected'),
    item: z.string().min(1).max(60),
    verdict: z.enum(['sound', 'look-again', 'unsafe', 'not-inspected']),
    limit: z.string().max(400),
    note: z.string().max(500),
    because: short,
    photos: photos.optional(),
  }),
  z.object({
    kind: z.literal('snag'),
    what: z.string().trim().min(3, 'say what it is').max(400),
    owner: z.string().trim().min(1, 'who does it').max(80),
    due: day.nullable(),
    item: z.string().max(60).optional(),
  }),
  z.object({ kind: z.literal('snag-done'), snag: recordId }),
  z.object({
    kind: z.literal('chosen-option'),
    optionId: z.string().max(60),
    name: short,
    because: z.string().max(400),
  }),
  z.object({
    kind: z.literal('off'),
    name: short.min(1),
    state: z.enum(offStates),
    where: short,
    because: short,
    backBefore: z.string().max(200).optional(),
    stepId: z.string().max(280).optional(),
    testId: z.string().max(60).optional(),
  }),
  z.object({ kind: z.literal('put-back'), off: recordId }),
  z.object({
    kind: z.literal('test-begun'),
    testId: recordId,
    plan: TightnessPlanSchema,
    reading: z.enum(['streamed', 'typed']),
    gaugeId: z.string().max(60).optional(),
    instrument: short,
    settleFrom_ms: instant_ms,
    prepared: z.array(short).max(60),
    /** Fingerprint of the pipes that were tested; none in records of before. */
    restsOn: z.string().max(120).optional(),
  }),
  z.object({ kind: z.literal('test-topped-up'), testId: recordId, settleFrom_ms: instant_ms }),
  z.object({
    kind: z.literal('test-note'),
    testId: recordId,
    at_ms: instant_ms,
    text: short.min(1),
  }),
  z.object({ kind: z.literal('test-ended'), testId: recordId, early: z.boolean() }),
  z.object({
    kind: z.literal('repaired'),
    testId: recordId,
    what: z.string().trim().min(3, 'say what was repaired').max(400),
  }),
  z.object({
    kind: z.literal('step'),
    stepId: z.string().min(1).max(420),
    guards: z.array(z.string().max(80)).max(20),
    si: finite.optional(),
    typed: z.string().max(80).optional(),
  }),
  z.object({
    kind: z.literal('prove-sheet'),
    sheet: z.string().max(20),
    restsOn: z.string().max(120),
  }),
  z.object({
    kind: z.literal('signature'),
    typedName: z.string().trim().min(2, 'type your name').max(120),
    revision: z.string().max(4),
    restsOn: z.string().max(120),
    ticketsHeld: z.array(z.string().max(40)).max(10),
  }),
])
export type RecordBody = z.infer<typeof RecordBody>
export type RecordKind = RecordBody['kind']

export const JobRecord = z.object({
  /** Made where the record is made, so that sending it twice stores it once. */
  id: recordId,
  at: z.iso.datetime(),
  by: z.string().min(1).max(60),
  replaces: recordId.optional(),
  reason: short.optional(),
  body: RecordBody,
})
export type JobRecord = z.infer<typeof JobRecord>

/** A body of one kind. */
export type BodyOf<K extends RecordKind> = Extract<RecordBody, { kind: K }>

/** The records of one kind, with their bodies narrowed. Those that a later record replaces are left out. */
export function ofKind<K extends RecordKind>(
  records: readonly JobRecord[],
  kind: K,
): readonly (Omit<JobRecord, 'body'> & { readonly body: BodyOf<K> })[] {
  const replaced = new Set(records.map((record) => record.replaces))
  return records.filter(
    (record): record is JobRecord & { body: BodyOf<K> } =>
      record.body.kind === kind && !replaced.has(record.id),
  )
}

import { z } from 'zod'
import { ranges } from '../units/measure'
import { day, photos, siteBases } from './known'
import { surveyFields } from './fields'
import { lookQuestions } from './questions'
import { Draught } from './surveyDocument'
import { unsafeClasses } from '../practice/unsafe'

export const recordId = z
  .string()
  .min(8)
  .max(60)
  .regex(/^[\w-]+$/, 'letters, digits, - and _')
const short = z.string().max(200)
export const instant_ms = z.number().int().min(0).max(4e12)
const finite = z.number().finite()
/** The lines of a signature as an SVG path in a field of 300 by 100. */
export const drawnLines = z
  .string()
  .regex(/^[ML0-9. ]*$/, 'lines only')
  .max(12000)
const sha256 = z.string().regex(/^[0-9a-f]{64}$/, 'a SHA-256 in hex')

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
  'unlit',
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
  /** Of the air beside the pipe, absolute. */
  baro_Pa: finite.min(30000).max(120000).optional(),
})

/** What a place of the survey is called. */
const labelOf = (field: string): string => {
  const key = field.split('.').pop() ?? field
  const named = [...surveyFields, ...lookQuestions].find((one) => one.key === key)
  return named?.label ?? key
}

/** What one kind of record must hold, and how it is said in a line. */
const kindOf = <const K extends string, S extends z.ZodRawShape>(
  kind: K,
  holds: S,
  says: (body: z.output<z.ZodObject<S>>) => string,
) => ({
  schema: z.object({ kind: z.literal(kind), ...holds }),
  /** In the practice's words, their names in braces. */
  says: says as (body: never) => string,
  kind,
})

/**
 * The kinds of record, the one list of them. Appended, never changed; a correction is a new record
 * that names the one it replaces.
 */
export const recordKinds = [
  kindOf(
    'reading',
    {
      field: z.string().min(1).max(120),
      si: finite,
      typed: z.string().max(80),
      basis: z.enum(siteBases),
      instrument: short,
      photos: photos.optional(),
    },
    ({ field, typed }) => `Reading: ${labelOf(field)}, ${typed}`,
  ),
  kindOf(
    'looked',
    {
      field: z.string().min(1).max(120),
      answer: z.string().min(1).max(60),
      basis: z.enum(siteBases),
      from: short,
      note: z.string().max(500).optional(),
      photos: photos.optional(),
    },
    ({ field, answer }) => `Seen: ${labelOf(field)}, ${answer}`,
  ),
  kindOf('draught', { trial: Draught.omit({ recordId: true }) }, () => 'The draught trial'),
  kindOf(
    'inspected',
    {
      item: z.string().min(1).max(60),
      verdict: z.enum(['sound', 'look-again', 'unsafe', 'not-inspected']),
      limit: z.string().max(400),
      note: z.string().max(500),
      because: short,
      photos: photos.optional(),
    },
    ({ item, verdict }) => `Inspection: ${item}, ${verdict}`,
  ),
  kindOf(
    'snag',
    {
      what: z.string().trim().min(3, 'say what it is').max(400),
      owner: z.string().trim().min(1, 'who does it').max(80),
      due: day.nullable(),
      item: z.string().max(60).optional(),
    },
    ({ what }) => `Snag: ${what}`,
  ),
  kindOf('snag-done', { snag: recordId }, () => 'A snag that is done'),
  kindOf(
    'chosen-option',
    {
      optionId: z.string().max(60),
      name: short,
      because: z.string().max(400),
    },
    ({ name }) => `Choice: ${name}`,
  ),
  kindOf(
    'off',
    {
      name: short.min(1),
      state: z.enum(offStates),
      where: short,
      because: short,
      backBefore: z.string().max(200).optional(),
      stepId: z.string().max(280).optional(),
      testId: z.string().max(60).optional(),
    },
    ({ name }) => `On the off strip: ${name}`,
  ),
  kindOf('put-back', { off: recordId }, () => 'Something put back'),
  kindOf(
    'test-begun',
    {
      testId: recordId,
      plan: TightnessPlanSchema,
      reading: z.enum(['streamed', 'typed']),
      gaugeId: z.string().max(60).optional(),
      instrument: short,
      settleFrom_ms: instant_ms,
      prepared: z.array(short).max(60),
      /** Fingerprint of the pipes that were tested; none in records of before. */
      restsOn: z.string().max(120).optional(),
      /**
       * Which test of the job it is (`bench/gas-test/kinds.ts`); none in records of before, when
       * there was one.
       */
      test: z.string().min(1).max(120).optional(),
      name: short.optional(),
      /** The gauge as the firm’s list had it that day; none where it is not on the list. */
      calibration: z.object({ serial: short, until: day.nullable() }).optional(),
    },
    () => 'A test begun',
  ),
  kindOf(
    'test-topped-up',
    { testId: recordId, settleFrom_ms: instant_ms },
    () => 'A test pumped up again',
  ),
  kindOf(
    'test-note',
    {
      testId: recordId,
      at_ms: instant_ms,
      text: short.min(1),
    },
    ({ text }) => `Note on a test: ${text}`,
  ),
  kindOf(
    'joints-made',
    {
      pipe: z.string().min(1).max(60),
      how: z.enum([
        'soldered',
        'pressed',
        'threaded',
        'compression',
        'push-fit',
        'flanged',
        'fused',
      ]),
      lasts: z.enum(['permanent', 'temporary']),
      /** Compound or cement cures so long before pressure; null where nothing does. */
      curesUntil_ms: instant_ms.nullable(),
    },
    ({ how, lasts }) => `Joints made: ${how}, ${lasts}`,
  ),
  kindOf(
    'soaped',
    {
      /** The test that sent somebody looking. */
      testId: recordId,
      joints: z.array(z.string().min(1).max(80)).min(1).max(200),
      /** What they are called, for whoever reads it when the pipes are others. */
      where: short.min(1),
      result: z.enum(['dry', 'bubbles']),
      photos: photos.optional(),
    },
    ({ where, result }) => `Soaped, ${result}: ${where}`,
  ),
  kindOf(
    'test-point',
    {
      testId: recordId,
      /** Seen when it was soaped, with the gauge off and the screw back. */
      soaped: z.enum(['dry', 'bubbles']),
    },
    ({ soaped }) => `The test point soaped: ${soaped}`,
  ),
  kindOf('test-ended', { testId: recordId, early: z.boolean() }, ({ early }) =>
    early ? 'A test ended early' : 'A test at its end',
  ),
  kindOf(
    'repaired',
    {
      testId: recordId,
      what: z.string().trim().min(3, 'say what was repaired').max(400),
    },
    ({ what }) => `Repaired: ${what}`,
  ),
  kindOf(
    'step',
    {
      stepId: z.string().min(1).max(420),
      guards: z.array(short).max(30),
      si: finite.optional(),
      typed: z.string().max(80).optional(),
      /** Passed over, and why: it makes nothing of the plant. */
      skipped: short.optional(),
      /** Of a reading outside its limits: what it came from, and what was done. */
      cause: short.optional(),
      action: short.optional(),
      photos: photos.optional(),
      /** An apprentice's: it counts when somebody who may has countersigned it. */
      awaits: z.literal(true).optional(),
    },
    ({ typed, skipped }) => {
      if (skipped !== undefined) return 'A step passed over'
      return typed ? `A step, ${typed}` : 'A step'
    },
  ),
  kindOf(
    'step-undone',
    {
      /**
       * The step or confirmation that is taken back; the row names it as the one it replaces, with
       * the reason.
       */
      stepId: z.string().min(1).max(420),
    },
    () => 'A step taken back',
  ),
  kindOf(
    'countersigned',
    {
      /** The step, and the record of an apprentice that is stood up for. */
      stepId: z.string().min(1).max(420),
      step: recordId,
    },
    () => 'A step countersigned',
  ),
  kindOf(
    'visit-begun',
    {
      /** Who is there, beside whoever records it. */
      with: z.string().max(200),
    },
    () => 'A visit begun',
  ),
  kindOf(
    'visit-ended',
    {
      visit: recordId,
      done: z.string().trim().min(3, 'say what was done').max(1000),
      left: z.string().max(1000),
      /** Why something stays off, by its record. */
      staysOff: z.record(recordId, short),
    },
    ({ done }) => `A visit ended: ${done}`,
  ),
  kindOf(
    'ticked',
    {
      item: z.string().min(1).max(60),
      answer: z.enum(['done', 'not-here']),
      /** Why it is not called for here. */
      because: short,
      si: finite.optional(),
      typed: z.string().max(80).optional(),
      /** What it asks to be written down. */
      text: z.string().max(400),
    },
    ({ answer, typed, text }) =>
      [answer === 'done' ? 'Work list' : 'Work list, not called for', typed, text]
        .filter(Boolean)
        .join(', '),
  ),
  kindOf(
    'measured',
    {
      /** Which test by hand (`bench/by-hand/kinds.ts`), at which appliance. */
      reading: z.string().min(1).max(40),
      target: z.string().max(60),
      values: z.record(z.string().max(40), finite),
      typed: z.record(z.string().max(40), z.string().max(80)),
      confirmed: z.array(z.string().max(40)).max(10),
      instrument: short,
      /**
       * Fingerprint of what it was made on (`bench/by-hand/madeOn.ts`); none in records of before.
       */
      on: z.string().max(80).optional(),
      /**
       * What an instrument sent meanwhile: seconds since the clock was started, SI
       * (`bench/series`).
       */
      series: z
        .array(z.tuple([finite, finite]))
        .max(720)
        .optional(),
    },
    ({ typed }) => `Test by hand: ${Object.values(typed).join(', ')}`,
  ),
  kindOf(
    'made-safe',
    {
      where: z.string().trim().min(3, 'say where it leaked').max(400),
      how: z.enum(['repaired', 'capped', 'disconnected', 'valve-shut', 'meter-shut']),
      /** What is without gas now. */
      without: z.string().max(400),
      photos: photos.optional(),
    },
    ({ where }) => `Made safe: ${where}`,
  ),
  kindOf(
    'unsafe',
    {
      class: z.enum(unsafeClasses),
      what: z.string().trim().min(3, 'say what is unsafe').max(400),
      done: z.string().trim().min(3, 'say what was done').max(400),
      label: z.enum(['hung', 'not-possible']),
      notice: z.enum(['signed', 'refused', 'nobody-there']),
      toWhom: short,
      reportedTo: short,
      /** The sheet it was seen from. */
      sheet: z.string().max(20),
      photos: photos.optional(),
    },
    ({ what }) => `Unsafe: ${what}`,
  ),
  kindOf(
    'unsafe-ended',
    { unsafe: recordId, how: z.string().trim().min(3, 'say how it was put right').max(400) },
    ({ how }) => `Unsafe no longer: ${how}`,
  ),
  kindOf(
    'leaving',
    {
      /** What was asked before one left. */
      item: z.string().min(1).max(60),
      answer: z.enum(['done', 'not-done']),
      /** What is written down with it; why, where it is not done. */
      says: z.string().max(500),
      photos: photos.optional(),
    },
    ({ item, answer }) => `Before leaving: ${item}, ${answer === 'done' ? 'done' : 'not done'}`,
  ),
  kindOf(
    'received',
    {
      /** The signed revision that was handed over. */
      revision: z.string().min(1).max(4),
      name: z.string().trim().min(2, 'type the name').max(120),
      /**
       * The lines of a drawn signature as an SVG path in a field of 300 by 100; none where it was
       * typed.
       */
      drawn: drawnLines.optional(),
    },
    ({ name, revision }) => `Revision ${revision} received by ${name}`,
  ),
  kindOf(
    'notified',
    {
      revision: z.string().min(1).max(4),
      office: short,
      outcome: z.enum(['accepted', 'refused', 'unanswered']),
      number: z.string().max(60).optional(),
      reasons: z.array(z.string().max(400)).max(20).optional(),
    },
    ({ revision, outcome }) => `Revision ${revision} notified: ${outcome}`,
  ),
  kindOf(
    'mailed',
    {
      revision: z.string().min(1).max(4),
      to: short,
      /** By their ids; none is the whole pack. */
      papers: z.array(z.string().max(40)).max(20),
      outcome: z.enum(['taken', 'refused', 'unanswered']),
      reason: short.optional(),
    },
    ({ revision, to, outcome }) => `Papers of revision ${revision} mailed to ${to}: ${outcome}`,
  ),
  kindOf(
    'sheet-checked',
    {
      sheet: z.string().max(20),
      restsOn: z.string().max(120),
    },
    ({ sheet }) => `Sheet ${sheet} checked`,
  ),
  kindOf(
    'signature',
    {
      typedName: z.string().trim().min(2, 'type your name').max(120),
      revision: z.string().max(4),
      restsOn: z.string().max(120),
      ticketsHeld: z.array(z.string().max(40)).max(10),
      /** The tickets as their papers said them that day; none in signatures of before. */
      papers: z.array(short).max(20).optional(),
      drawn: drawnLines.optional(),
      /**
       * SHA-256 of the document as it was signed, in its canonical form; none in signatures of
       * before.
       */
      sha256: sha256.optional(),
    },
    ({ typedName, revision }) => `Signature of ${typedName} under revision ${revision}`,
  ),
  kindOf(
    'redacted',
    {
      /** What kind of thing was taken out; never what it was. */
      what: z.string().max(400),
      because: short,
      /**
       * Revisions that are not as they were signed any more, with the SHA-256 that each has now.
       */
      revisions: z.array(z.object({ letter: z.string().max(4), sha256 })).max(2000),
    },
    ({ what }) => `Redacted: ${what}`,
  ),
] as const

type SchemasOf<T extends readonly { readonly schema: unknown }[]> = {
  -readonly [I in keyof T]: T[I]['schema']
}
/** What a record says, by kind. */
export const RecordBody = z.discriminatedUnion(
  'kind',
  recordKinds.map((one) => one.schema) as unknown as SchemasOf<typeof recordKinds>,
)
export type RecordBody = z.infer<typeof RecordBody>
export type RecordKind = RecordBody['kind']

/**
 * A record in a line, by a name that whoever made it knows; with the practice's words in braces.
 */
export const recordSays = (body: RecordBody): string =>
  recordKinds.find((one) => one.kind === body.kind)?.says(body as never) ?? body.kind

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

/**
 * The records of one kind, with their bodies narrowed. Those that a later record replaces are left
 * out.
 */
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

/**
 * Steps that bring the body of an older record forward, oldest first; each takes what it does not
 * know as it is.
 */
const broughtForward: readonly ((body: unknown) => unknown)[] = [
  // Until its seventh version Hestian called a sheet that somebody had checked proven.
  (body) => (isKind(body, 'prove-sheet') ? { ...body, kind: 'sheet-checked' } : body),
]

/** A record's body as this version says it, whatever the version it was recorded in. */
export const bringBodyForward = (body: unknown): unknown =>
  broughtForward.reduce((older, step) => step(older), body)

const isKind = (body: unknown, kind: string): body is { kind: string } =>
  typeof body === 'object' && body !== null && 'kind' in body && body.kind === kind

export type StoredRecord =
  { readonly ok: true; readonly record: JobRecord } | { readonly ok: false; readonly says: string }

/**
 * Reads a record as it is stored: brought forward and checked. What is none says which value is
 * wrong.
 */
export function readStoredRecord(
  raw: Readonly<Partial<Record<keyof JobRecord, unknown>>>,
): StoredRecord {
  const body = bringBodyForward(raw.body)
  const read = JobRecord.safeParse({ ...raw, body })
  if (read.success) return { ok: true, record: read.data }
  const [issue] = read.error.issues
  return { ok: false, says: `${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}` }
}

import type { JudgedHandTest } from '../bench/by-hand/judged'
import { handTestPlace } from '../bench/by-hand/named'
import type { JobDocument } from '../job/document'
import type { BodyOf, JobRecord } from '../job/records'
import type { Changes, Condition, Danger, PlantState, ThingId, Three } from '../sequences/plant'
import { dangerSays, dangersOf, met, standsSo } from '../sequences/plant'
import { isBackBefore } from '../sequences/sequences'
import type { Sequences } from '../sequences/sequences'
import type { SignedRecord } from '../sequences/state'
import { confirmationId, leftOf, plantState, signedRecords } from '../sequences/state'
import type { Guard, LeavesOff, Sequence, Step, StepReading } from '../sequences/step'
import type { OffItem } from './offStrip'

/** Where a blocked guard is lifted: another step, something to put back, or a test. */
export type LeadsTo =
  | { readonly kind: 'step'; readonly stepId: string; readonly short: string }
  | { readonly kind: 'off'; readonly offId: string; readonly name: string }
  | { readonly kind: 'sheet'; readonly sheet: 'tightness'; readonly name: string }
  /** A test by hand, opened at its place on the bench. */
  | { readonly kind: 'hand-test'; readonly place: string; readonly name: string }

export interface GuardState {
  readonly guard: Guard
  readonly holds: boolean
  /** When it was seen, or since when the thing stands so. */
  readonly at?: string
  /** When somebody last looked at it again for this step, beside what was recorded of it before. */
  readonly seenNow?: string
  /** Why it does not hold, as a clause: what is known, or that nothing is. */
  readonly because?: string
  readonly leadsTo?: LeadsTo
}

/** What signing a step, confirming a guard or putting something back would bring. */
export interface DangerState {
  readonly danger: Danger
  readonly says: string
  readonly leadsTo: readonly LeadsTo[]
}

export type StepState =
  | {
      readonly state: 'done'
      readonly at: string
      readonly by: string
      readonly recordId: string
      readonly si?: number
      readonly within: boolean | undefined
      readonly body: BodyOf<'step'>
      /** An apprentice signed it, and nobody has countersigned yet: it does not count. */
      readonly awaits?: true
      readonly countersigned?: Pick<JobRecord, 'at' | 'by'>
    }
  | {
      readonly state: 'skipped'
      readonly at: string
      readonly by: string
      readonly recordId: string
      readonly because: string
      readonly awaits?: true
      readonly countersigned?: Pick<JobRecord, 'at' | 'by'>
    }
  | {
      readonly state: 'now' | 'after'
      readonly guards: readonly GuardState[]
      readonly openGuards: readonly GuardState[]
      /**
       * What it would bring even with every guard of it held: while there is any, nothing of it is
       * confirmed.
       */
      readonly dangers: readonly DangerState[]
    }

export interface JudgedStep {
  readonly step: Step
  readonly number: number
  readonly progress: StepState
}

export interface JudgedSequence {
  readonly sequence: Sequence
  readonly steps: readonly JudgedStep[]
  /** Nothing waits for it: it is only offered, and nobody has begun it. */
  readonly waits: boolean
  readonly done: number
}

/** How far the work on the plant is, and how the plant is known to stand. */
export interface JudgedWork {
  readonly sequences: readonly JudgedSequence[]
  /**
   * The plant as it is known, with what its dangers are told by. Plain data: it crosses to workers.
   */
  readonly plant: Plant
}

/** Whether a reading is inside its limits; undefined when the design gives none. */
export function withinLimits(reading: StepReading, si: number): boolean | undefined {
  if (reading.least === undefined && reading.most === undefined) return undefined
  const slack = Math.max(1e-6 * Math.abs(si), 0.001)
  return (
    (reading.least === undefined || si >= reading.least - slack) &&
    (reading.most === undefined || si <= reading.most + slack)
  )
}

export const isFinished = ({ progress }: JudgedStep): boolean =>
  (progress.state === 'done' || progress.state === 'skipped') && progress.awaits === undefined

/** The plant as it is known. */
export interface Plant {
  readonly document: JobDocument
  readonly sequences: Sequences
  readonly off: readonly OffItem[]
  readonly known: PlantState
  /** The last record of each step and confirmation that counts, by the id it carries. */
  readonly signed: ReadonlyMap<string, SignedRecord>
}

/** What guards are held against. */
interface Bench extends Plant {
  readonly gasTight: boolean
  readonly handTests: readonly JudgedHandTest[]
  /** Who stood up for an apprentice's record, by its id. */
  readonly countersigned: ReadonlyMap<string, Pick<JobRecord, 'at' | 'by'>>
}

/**
 * The record of a step, or of a confirmation in it: under its own id, or that of before there were
 * several sequences.
 */
const signedAs = (
  { id, was }: Step,
  { signed }: Pick<Plant, 'signed'>,
  guardId?: string,
): SignedRecord | undefined => {
  const as = (stepId: string) =>
    signed.get(guardId === undefined ? stepId : confirmationId(stepId, guardId))
  return as(id) ?? (was === undefined ? undefined : as(was))
}

/** What a test took off or shut and named this step for: it is back before the step is signed. */
const leftByTests = (step: Step, off: readonly OffItem[]): readonly Guard[] =>
  off
    .filter(({ body }) => body.stepId === undefined && isBackBefore(step, body.backBefore))
    .map((item) => ({
      kind: 'put-back',
      offKey: item.id,
      text: `Back in place: ${item.body.name}`,
    }))

/**
 * The item that a guard waits for: by the key of what a step of its sequence left off, or by its
 * own id.
 */
export const offItemOf = (
  step: Step,
  offKey: string,
  { off, sequences }: Pick<Plant, 'off' | 'sequences'>,
): OffItem | undefined =>
  off.find((item) => {
    if (item.id === offKey) return true
    const found = leftOf(sequences, item.body.stepId)
    return found?.left.key === offKey && found.step.sequence === step.sequence
  })

const sets = (changes: Changes, { thing, values, not }: Condition): boolean => {
  const value = changes[thing]
  return value !== undefined && values.includes(value) === (not === undefined)
}

/** What would bring a thing to where a condition wants it. */
function leads(condition: Condition, bench: Plant): LeadsTo | undefined {
  const { sequences, off } = bench
  for (const item of off) {
    const thing = leftOf(sequences, item.body.stepId)?.left.thing
    if (thing && sets({ [thing.id]: thing.back }, condition))
      return { kind: 'off', offId: item.id, name: item.body.name }
  }
  for (const { steps } of sequences.list)
    for (const step of steps) {
      const brings =
        sets(step.effects, condition) ||
        step.guards.some((guard) => guard.kind === 'seen' && sets(guard.sets ?? {}, condition))
      if (brings && signedAs(step, bench) === undefined)
        return { kind: 'step', stepId: step.id, short: step.short }
    }
  return undefined
}

const turned = ({ not, ...condition }: Condition): Condition =>
  not === undefined ? { ...condition, not: true } : condition

/** What a change would bring now, in the words of the job. */
export function dangersNow(changes: Changes, bench: Plant): readonly DangerState[] {
  const { known, document, sequences } = bench
  return dangersOf(sequences.hazards, known, changes).map((danger) => ({
    danger,
    says: dangerSays(danger, known, document),
    leadsTo: danger.because.flatMap((one) => leads(turned(one), bench) ?? []),
  }))
}

/** A guard that the plant or the bench answers. */
const answered = (
  told: Three,
  guard: Guard,
  rest: Pick<GuardState, 'at' | 'because' | 'leadsTo'>,
): GuardState =>
  told === 'yes' ? { guard, holds: true, ...atOf(rest) } : { guard, holds: false, ...rest }

const atOf = ({ at }: Pick<GuardState, 'at'>): Pick<GuardState, 'at'> =>
  at === undefined || at === '' ? {} : { at }

function handTestState(
  guard: Extract<Guard, { kind: 'hand-test' }>,
  { handTests }: Bench,
): GuardState {
  const kinds = guard.test.split('|')
  const made = handTests.filter(
    ({ kind, target }) => kinds.includes(kind.id) && target.id === guard.target,
  )
  const passed = made.find(({ last }) => last?.found.outcome === 'passed' && !last.isOutdated)
  if (passed?.last) return { guard, holds: true, at: passed.last.at }
  const [first] = made
  return {
    guard,
    holds: false,
    because: first ? handTestWords(first) : 'not made on this job: look at what is on file',
    ...(first
      ? {
          leadsTo: { kind: 'hand-test', place: handTestPlace(first), name: first.kind.name },
        }
      : {}),
  }
}

function handTestWords(test: JudgedHandTest): string {
  if (!test.last) return 'not made yet'
  if (test.last.isOutdated) return 'made on what is another now'
  return test.last.found.outcome === 'failed' ? 'failed' : 'cannot tell'
}

function guardState(step: Step, guard: Guard, bench: Bench): GuardState {
  switch (guard.kind) {
    case 'seen': {
      const seen = signedAs(step, bench, guard.id)
      return { guard, holds: seen !== undefined, ...(seen ? { at: seen.at } : {}) }
    }
    case 'put-back':
      return putBackState(step, guard, bench)
    case 'gas-tight':
      return gasTightState(guard, bench)
    case 'hand-test':
      return handTestState(guard, bench)
    case 'stands':
      return standsState(guard, bench)
  }
}

function gasTightState(
  guard: Extract<Guard, { kind: 'gas-tight' }>,
  { known, gasTight }: Bench,
): GuardState {
  const opened = known.get(`proof.${guard.of}`)?.value === 'open'
  return answered(gasTight && !opened ? 'yes' : 'no', guard, {
    because: opened && gasTight ? 'opened since the test' : 'not passed as it is',
    leadsTo: { kind: 'sheet', sheet: 'tightness', name: 'Gas tightness' },
  })
}

function standsState(guard: Extract<Guard, { kind: 'stands' }>, bench: Bench): GuardState {
  const { known, document } = bench
  const to = leads(guard.condition, bench)
  return answered(met(guard.condition, known), guard, {
    at: known.get(guard.condition.thing)?.at ?? '',
    because: standsSo(guard.condition.thing, known, document),
    ...(to ? { leadsTo: to } : {}),
  })
}

/**
 * On the strip no more; and where it is a thing of the plant, known to be back: passed over is not
 * put back.
 */
function putBackState(
  step: Step,
  guard: Extract<Guard, { kind: 'put-back' }>,
  bench: Bench,
): GuardState {
  const item = offItemOf(step, guard.offKey, bench)
  if (item)
    return { guard, holds: false, leadsTo: { kind: 'off', offId: item.id, name: item.body.name } }
  const mine = bench.sequences.list.find(({ id }) => id === step.sequence)?.steps ?? []
  const left = mine.flatMap(({ leavesOff }) => leavesOff).find(({ key }) => key === guard.offKey)
  if (!left?.thing) return { guard, holds: true }
  const { id, back } = left.thing
  return answered(met({ thing: id, values: [back] }, bench.known), guard, {
    at: bench.known.get(id)?.at ?? '',
    because: standsSo(id, bench.known, bench.document),
  })
}

function stoodUpFor(
  recordId: string,
  { awaits }: BodyOf<'step'>,
  { countersigned }: Bench,
): Pick<Extract<StepState, { state: 'done' }>, 'awaits' | 'countersigned'> {
  const by = countersigned.get(recordId)
  if (by) return { countersigned: by }
  return awaits ? { awaits } : {}
}

function judgeStep(step: Step, bench: Bench): StepState | undefined {
  const signed = signedAs(step, bench)
  if (!signed) return undefined
  const { at, by, id: recordId, body } = signed
  const who = { at, by, recordId, ...stoodUpFor(recordId, body, bench) }
  if (body.skipped !== undefined) return { state: 'skipped', ...who, because: body.skipped }
  const { si } = body
  return {
    state: 'done',
    ...who,
    body,
    ...(si === undefined ? {} : { si }),
    within: step.reading && si !== undefined ? withinLimits(step.reading, si) : undefined,
  }
}

/** What signing a step brings: what it makes of the plant, with what it leaves off. */
export const changesBy = ({ effects, leavesOff }: Step): Changes => ({
  ...effects,
  ...Object.fromEntries(
    leavesOff.flatMap(({ thing }): readonly (readonly [ThingId, string])[] =>
      thing ? [[thing.id, thing.off]] : [],
    ),
  ),
})

/**
 * The id under which somebody records that they looked at what a guard rests on, there and then;
 * none for what is confirmed by eye anyway.
 */
export function nowId(guard: Guard): string | undefined {
  switch (guard.kind) {
    case 'seen':
      return undefined
    case 'stands':
      return `now-${guard.condition.thing}`
    case 'put-back':
      return `now-${guard.offKey}`
    case 'gas-tight':
      return 'now-gas-tight'
    case 'hand-test':
      return `now-${guard.test}`
  }
}

const lookedAgain = (step: Step, guard: Guard, bench: Bench): Pick<GuardState, 'seenNow'> => {
  const id = nowId(guard)
  const seen = id === undefined ? undefined : signedAs(step, bench, id)
  return seen ? { seenNow: seen.at } : {}
}

/**
 * What a step makes of the plant from here to its signature: what its open guards say and put back,
 * then the step itself.
 */
const wholeOf = (step: Step, guards: readonly GuardState[]): Changes =>
  Object.assign(
    {},
    ...guards.map(({ guard, holds }) => (guard.kind === 'seen' && !holds ? guard.sets : {})),
    changesBy(step),
  ) as Changes

function openStep(step: Step, state: 'now' | 'after', bench: Bench): StepState {
  const guards = [...leftByTests(step, bench.off), ...step.guards].map((guard) => ({
    ...guardState(step, guard, bench),
    ...lookedAgain(step, guard, bench),
  }))
  return {
    state,
    guards,
    openGuards: guards.filter((guard) => !guard.holds),
    dangers: state === 'now' ? dangersNow(wholeOf(step, guards), bench) : [],
  }
}

function judgeSequence(sequence: Sequence, bench: Bench): JudgedSequence {
  let reached = true
  const steps = sequence.steps.map((step, index): JudgedStep => {
    const done = judgeStep(step, bench)
    const progress = done ?? openStep(step, reached ? 'now' : 'after', bench)
    const judged = { step, number: index + 1, progress }
    if (!isFinished(judged)) reached = false
    return judged
  })
  const done = steps.filter(isFinished).length
  // What an apprentice began is begun, though it does not count yet.
  const isBegun = steps.some(({ progress }) => 'recordId' in progress)
  return { sequence, steps, done, waits: sequence.offered && !isBegun }
}

/** Every sequence of the job as it stands, on the plant as it is known. */
export function judgeWork(
  sequences: Sequences,
  on: Pick<Bench, 'document' | 'off' | 'gasTight' | 'handTests'> & {
    readonly entries: readonly JobRecord[]
  },
): JudgedWork {
  const { document, off, entries } = on
  const plant: Plant = {
    document,
    sequences,
    off,
    known: plantState(sequences, entries, { gasTight: on.gasTight }),
    signed: signedRecords(sequences, entries),
  }
  const bench: Bench = {
    ...plant,
    gasTight: on.gasTight,
    handTests: on.handTests,
    countersigned: countersignatures(entries),
  }
  return {
    sequences: sequences.list.map((sequence) => judgeSequence(sequence, bench)),
    plant,
  }
}

const countersignatures = (
  entries: readonly JobRecord[],
): ReadonlyMap<string, Pick<JobRecord, 'at' | 'by'>> =>
  new Map(
    entries.flatMap(({ at, by, body }) =>
      body.kind === 'countersigned' ? [[body.step, { at, by }] as const] : [],
    ),
  )

/** What goes back with an item: the thing of the plant as it then stands. */
export const backChanges = (left: LeavesOff | undefined): Changes =>
  left?.thing ? { [left.thing.id]: left.thing.back } : {}

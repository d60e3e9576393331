import type { BodyOf, JobRecord } from '../job/records'
import type { Changes, PlantState, SeenAs } from './plant'
import type { Sequences } from './sequences'
import type { LeavesOff, Step } from './step'

/** Before the id of what a step record confirms by eye. */
const confirmation = 'guard:'

/** The id of a confirmation by eye, as a step record names it. */
export const confirmationId = (stepId: string, guardId: string): string =>
  `${confirmation}${stepId}/${guardId}`

/** The key of what a step leaves off, as the record of it names it. */
export const leftId = (step: Pick<Step, 'id'>, { key }: Pick<LeavesOff, 'key'>): string =>
  `${step.id}#${key}`

export interface Left {
  readonly step: Step
  readonly left: LeavesOff
}

/**
 * What ids in records mean: under the id of today, or the one of before there were several
 * sequences.
 */
export interface StepIndex {
  readonly steps: ReadonlyMap<string, Step>
  /** What each signed step makes of the plant. */
  readonly effects: ReadonlyMap<string, Changes>
  /** What each confirmation says of it. */
  readonly sets: ReadonlyMap<string, Changes>
  readonly lefts: ReadonlyMap<string, Left>
}

const indexes = new WeakMap<Sequences, StepIndex>()

const idsOf = ({ id, was }: Step): readonly string[] => (was === undefined ? [id] : [id, was])

const setsOf = ({ guards }: Step): Changes =>
  Object.assign({}, ...guards.map((guard) => (guard.kind === 'seen' ? guard.sets : {}))) as Changes

/** The index of a job's steps; made once for each set of them. */
export function stepIndex(sequences: Sequences): StepIndex {
  const kept = indexes.get(sequences)
  if (kept) return kept
  const byStep = new Map<string, Step>()
  const effects = new Map<string, Changes>()
  const sets = new Map<string, Changes>()
  const lefts = new Map<string, Left>()
  for (const step of sequences.list.flatMap(({ steps }) => steps))
    for (const id of idsOf(step)) {
      byStep.set(id, step)
      // Guards of before said less: what they say today was so when the step was signed.
      const said = id === step.id ? {} : setsOf(step)
      effects.set(id, { ...effects.get(id), ...said, ...step.effects })
      for (const guard of step.guards)
        if (guard.kind === 'seen') sets.set(confirmationId(id, guard.id), guard.sets ?? {})
      for (const left of step.leavesOff) lefts.set(leftId({ id }, left), { step, left })
    }
  const index = { steps: byStep, effects, sets, lefts }
  indexes.set(sequences, index)
  return index
}

/** What a step leaves off, by the id that the record of it carries. */
export const leftOf = (sequences: Sequences, stepId: string | undefined): Left | undefined =>
  stepId === undefined ? undefined : stepIndex(sequences).lefts.get(stepId)

/**
 * The step and confirmation records that count, the last of each by the id it carries: a step that
 * is taken back takes its confirmations with it.
 */
export function signedRecords(
  sequences: Sequences,
  entries: readonly JobRecord[],
): ReadonlyMap<string, SignedRecord> {
  const { steps } = stepIndex(sequences)
  const replaced = new Set(entries.map(({ replaces }) => replaces))
  const signed = new Map<string, SignedRecord>()
  for (const record of entries) {
    const { body } = record
    if (isSigned(record) && !replaced.has(record.id)) signed.set(record.body.stepId, record)
    const undone = body.kind === 'step-undone' ? steps.get(body.stepId) : undefined
    for (const id of undone ? idsOf(undone) : [])
      for (const guard of undone?.guards ?? [])
        if (guard.kind === 'seen') signed.delete(confirmationId(id, guard.id))
  }
  return signed
}
export type SignedRecord = JobRecord & { readonly body: BodyOf<'step'> }
const isSigned = (record: JobRecord): record is SignedRecord => record.body.kind === 'step'

const nothing: Changes = {}

function changesOf(
  { body }: JobRecord,
  { effects, sets, lefts }: StepIndex,
  byId: ReadonlyMap<string, JobRecord>,
): Changes {
  const leftOff = (stepId: string | undefined, which: 'off' | 'back'): Changes => {
    const thing = stepId === undefined ? undefined : lefts.get(stepId)?.left.thing
    return thing ? { [thing.id]: thing[which] } : nothing
  }
  if (body.kind === 'step') {
    if (body.skipped !== undefined) return nothing
    return (
      (body.stepId.startsWith(confirmation) ? sets.get(body.stepId) : effects.get(body.stepId)) ??
      nothing
    )
  }
  if (body.kind === 'off') return leftOff(body.stepId, 'off')
  if (body.kind !== 'put-back') return nothing
  const off = byId.get(body.off)?.body
  return off?.kind === 'off' ? leftOff(off.stepId, 'back') : nothing
}

/**
 * How the plant is known to stand, folded from the records in their order, whoever made them. What
 * a step that was taken back had set is unknown from then on, until somebody records it anew. The
 * gas pipes are proved while the bench says so and nothing was opened since.
 */
export function plantState(
  sequences: Sequences,
  entries: readonly JobRecord[],
  bench: { readonly gasTight: boolean },
): PlantState {
  const known = new Map<string, SeenAs>()
  const fold = folding(sequences, entries, known)
  const lastTest = entries.findLast(
    ({ body }) => body.kind === 'test-ended' || body.kind === 'test-point',
  )
  for (const record of entries) {
    fold(record)
    if (record === lastTest && bench.gasTight) prove(sequences, known, 'proved', record)
  }
  if (!bench.gasTight) prove(sequences, known, 'open', lastTest)
  return known
}

/** Takes one record into what is known. */
function folding(
  sequences: Sequences,
  entries: readonly JobRecord[],
  known: Map<string, SeenAs>,
): (record: JobRecord) => void {
  const index = stepIndex(sequences)
  const byId = new Map(entries.map((record) => [record.id, record]))
  return (record) => {
    const { at, by, body } = record
    const undone = body.kind === 'step-undone' ? index.steps.get(body.stepId) : undefined
    if (undone) for (const thing of Object.keys(setsOf(undone))) known.delete(thing)
    const replaced = record.replaces === undefined ? undefined : byId.get(record.replaces)
    if (replaced)
      for (const thing of Object.keys(changesOf(replaced, index, byId))) known.delete(thing)
    for (const [thing, value] of Object.entries(changesOf(record, index, byId)))
      if (value !== undefined) known.set(thing, { value, at, by })
  }
}

/** What the bench says of the gas pipes, as of its last test. */
function prove(
  { proofs }: Sequences,
  known: Map<string, SeenAs>,
  value: 'proved' | 'open',
  test: Pick<JobRecord, 'at' | 'by'> | undefined,
): void {
  for (const proof of proofs) known.set(proof, { value, at: test?.at ?? '', by: test?.by ?? '' })
}

import { fitted } from '../job/asked'
import type { JobDocument } from '../job/document'
import { inWords } from '../job/questions'
import type { Practice } from '../practice/practice'
import { burnsGas, gasTicketFor } from '../job/fields'
import { sequenceKinds } from './kinds'
import type { Burning, Hazard, PlantKeys, ThingId, Wet } from './plant'
import { hazardsOf } from './plant'
import type { LeavesOff, Sequence, SequenceJob, SequenceSpec, Step, StepPart } from './step'

/** What is done on a job step by step, and what must never come together on its plant. */
export interface Sequences {
  readonly list: readonly Sequence[]
  readonly hazards: readonly Hazard[]
  /** Things whose gas pipe is proved by the bench. */
  readonly proofs: readonly ThingId[]
}

export type SequenceOf = (spec: SequenceSpec, at: string, job: SequenceJob) => Sequence

/** Every sequence of a job: a fold over the list of them. */
export function sequencesOf(job: SequenceJob, make: SequenceOf = sequenceOf): Sequences {
  const units = sequenceKinds.flatMap((spec) => spec.at(job).map((at) => ({ spec, at })))
  const list = units.map(({ spec, at }) => make(spec, at, job))
  const keys = together(units.map(({ spec, at }) => spec.plant(job, at)))
  return {
    list,
    hazards: hazardsOf(keys),
    proofs: job.document.gas.segments.length > 0 ? proofsOf(job.document, keys) : [],
  }
}

const proofsOf = (document: JobDocument, { burning }: PlantKeys): readonly ThingId[] => [
  ...new Set([
    ...burning.map(({ of }): ThingId => `proof.${of}`),
    ...fitted(document.appliances)
      .filter(({ kind }) => burnsGas(kind))
      .map(({ id }): ThingId => `proof.${id}`),
  ]),
]

/** Two sequences on one plant share its dangers: what one of them asks holds for both. */
function together(all: readonly PlantKeys[]): PlantKeys {
  const wet = new Map<string, Wet>()
  const burning = new Map<string, Burning>()
  for (const keys of all) {
    for (const one of keys.wet) wet.set(one.of, { ...wet.get(one.of), ...one })
    for (const one of keys.burning) burning.set(one.of, { ...burning.get(one.of), ...one })
  }
  return { wet: [...wet.values()], burning: [...burning.values()] }
}

/** A sequence of a job, done at something of it or once. */
export function sequenceOf(spec: SequenceSpec, at: string, job: SequenceJob): Sequence {
  const id = at === '' ? spec.id : `${spec.id}.${at}`
  return {
    id,
    name: spec.name(job, at),
    offered: spec.offered?.(job) ?? false,
    steps: spec
      .steps(job, at)
      .map((part) => stepOf(id, part, ticketAt(part, at, job), job.practice)),
  }
}

/** Gas at an appliance goes by its class; on pipework it is the ticket for pipework. */
function ticketAt({ ticket }: StepPart, at: string, { document }: SequenceJob): StepPart['ticket'] {
  if (ticket !== 'gas') return ticket
  const appliance = document.appliances.find(({ id }) => id === at)
  return appliance ? gasTicketFor(appliance.kind) : ticket
}

/**
 * A step in the words of its place: those stand in braces. A job has a hundred of them, so each is
 * copied once and what it has is written over.
 */
function stepOf(
  sequence: string,
  part: StepPart,
  ticket: StepPart['ticket'],
  { words }: Practice,
): Step {
  const said = (text: string) => inWords(text, words)
  const { was, hazard, evidence } = part
  const step: { -readonly [K in keyof Step]: Step[K] } = {
    ...part,
    id: `${sequence}.${part.id}`,
    sequence,
    title: said(part.title),
    short: said(part.short),
    why: said(part.why),
    guards: (part.guards ?? []).map((guard) => ({ ...guard, text: said(guard.text) })),
    effects: part.effects ?? {},
    leavesOff: (part.leavesOff ?? []).map((left): LeavesOff => ({
      ...left,
      backBefore: `${sequence}.${left.backBefore}`,
    })),
    was: was === true ? part.id : was,
  }
  if (ticket !== undefined) step.ticket = ticket
  if (hazard !== undefined) step.hazard = said(hazard)
  if (evidence !== undefined) step.evidence = said(evidence)
  return step
}

/**
 * Whether an id of a record names a step: its own, or what it was called before there were several
 * sequences.
 */
export const isStep = ({ id, was }: Step, named: string): boolean => named === id || named === was

/**
 * The step that an item of the off strip is to be back before; a test names it by its last part.
 */
export const isBackBefore = (step: Step, named: string | undefined): boolean =>
  named !== undefined && (isStep(step, named) || step.id.endsWith(`.${named}`))

import type { Finding } from '../answer/finding'
import type { Sheet } from '../answer/sheet'
import type { JobDocument } from '../job/document'
import type { Practice } from '../practice/practice'
import { practices } from '../practice/practices'
import type { SequenceOf, Sequences } from '../sequences/sequences'
import { keptSequences } from '../sequences/kept'
import { sequenceOf, sequencesOf } from '../sequences/sequences'
import { sequenceTargets } from './sequenceTargets'
import { inputsOf } from './restsOn'
import type { AnySpec, Answers, Sheets } from './sheets'
import { answerOf } from '../answer/sheet'
import { solvedSpecs, solveSheet } from './sheets'

/** Every answer, target, working and design finding of a job. A pure function of its document. */
export interface Solution extends Sheets {
  readonly document: JobDocument
  readonly practice: Practice
  /** What is done on it step by step, and what must never come together meanwhile. */
  readonly sequences: Sequences
  readonly findings: readonly Finding[]
}

type SolveSheet = (
  spec: AnySpec,
  document: JobDocument,
  practice: Practice,
  answers: Partial<Answers>,
) => Sheet<unknown>

/** Solves a whole job: folds over the list of sheets and holds no formula. */
export const solve = (document: JobDocument): Solution => solveBy(document, solveSheet, sequenceOf)

/**
 * Answers of a sheet that are kept: the design as it is, as it was, and what is tried beside it.
 */
const kept = 4

/**
 * Solves as {@link solve} does, and solves a sheet again only when one of its inputs is another
 * than before, by identity: a document written at a path keeps the rest the very same. For one job
 * that is being typed in; the memory lives as long as what this gives.
 */
export function solver(): (document: JobDocument) => Solution {
  const memory = new Map<
    string,
    { readonly inputs: readonly unknown[]; readonly sheet: Sheet<unknown> }[]
  >()
  const sequence = keptSequences()
  return (document) => {
    const solveOne: SolveSheet = (spec, ...rest) => {
      const inputs = inputsOf(spec, document, rest[2])
      const mine = memory.get(spec.id) ?? []
      const found = mine.find((one) => areSame(one.inputs, inputs))
      const entry = found ?? { inputs, sheet: solveSheet(spec, ...rest) }
      memory.set(spec.id, [entry, ...mine.filter((one) => one !== entry)].slice(0, kept))
      return entry.sheet
    }
    return solveBy(document, solveOne, sequence)
  }
}

const areSame = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((one, i) => one === b[i])

function solveBy(document: JobDocument, solveOne: SolveSheet, sequence: SequenceOf): Solution {
  const practice = practices[document.practice]
  const sheets: Record<string, Sheet<unknown>> = {}
  const answers: Record<string, unknown> = {}
  for (const spec of solvedSpecs) {
    const sheet = solveOne(spec, document, practice, answers as Partial<Answers>)
    sheets[spec.id] = sheet
    answers[spec.id] = answerOf(sheet)
  }
  const targets = sequenceTargets(document, practice, answers as Partial<Answers>)
  return {
    ...(sheets as unknown as Sheets),
    document,
    practice,
    sequences: sequencesOf({ document, practice, targets }, sequence),
    findings: Object.values(sheets).flatMap((sheet) => (sheet.applies ? sheet.findings : [])),
  }
}

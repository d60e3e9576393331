import type { Finding } from '../answer/finding'
import { findingKey } from '../answer/finding'
import type { AnswerSentence } from '../answer/sentence'
import { answerOf } from '../answer/sheet'
import type { Worded } from '../practice/worded'
import { optionFindings } from '../sheets/heat/findings'
import type { Show } from '../units/format'
import type { Judgement } from './judge'
import type { Solution } from './solve'
import type { AnySpec, SolvedSheetId } from './sheets'
import { solvedSpecs } from './sheets'
import { word } from './wording'

/** The head of a sheet, and whether its verdict stays as it is for what is to fix. */
export interface SheetInWords extends AnswerSentence {
  readonly isMild: boolean
}

/** What a job comes to, in words. Data, so that whoever solves it can hand it to a page. */
export interface JobInWords {
  /** The head of each sheet of the design. */
  readonly heads: Readonly<Partial<Record<SolvedSheetId, SheetInWords>>>
  /** What speaks against each option of heat and hot water. */
  readonly options: readonly (readonly Finding[])[]
  /** Every finding in words, by its key. */
  readonly words: Readonly<Record<string, Worded>>
}

/** A solved and judged job in the words of its practice and in the units of whoever reads it. */
export function jobInWords(solution: Solution, judgement: Judgement, show: Show): JobInWords {
  const { document, practice } = solution
  const heat = answerOf(solution.heat)
  const options = heat?.options.map((one, i) => optionFindings(document, heat, one, i)) ?? []
  const found = [
    ...Object.values(judgement.sheets).flatMap(({ findings }) => findings),
    ...judgement.missing.flatMap(({ finding }) => finding ?? []),
    ...options.flat(),
  ]
  return {
    heads: Object.fromEntries(
      solvedSpecs
        .filter(({ id }) => solution[id].applies)
        .map((spec) => [spec.id, headOf(spec, solution, judgement, show)]),
    ),
    options,
    words: Object.fromEntries(found.map((one) => [findingKey(one), word(one, practice, show)])),
  }
}

function headOf(
  { id, says, isMild = false }: AnySpec,
  solution: Solution,
  judgement: Judgement,
  show: Show,
): SheetInWords | undefined {
  const { findings, missing } = judgement.sheets[id]
  const stops = findings.some(({ severity }) => severity === 'stop')
  const said = says?.(answerOf<unknown>(solution[id]), {
    missing,
    practice: solution.practice,
    show,
    fixes: stops ? 0 : findings.filter(({ severity }) => severity === 'fix').length,
    wrong: findings.filter(({ severity }) => severity !== 'note').length,
  })
  return said && { ...said, isMild }
}

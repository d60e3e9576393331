import type { Finding } from '../answer/finding'
import type { Practice } from '../practice/practice'
import type { Worded, Wordings } from '../practice/worded'
import { guardedWordings } from '../sheets/guarded'
import type { Show } from '../units/format'
import { toldApart } from '../units/format'
import { withArticles } from '../answer/sentence'
import { sheetList } from './sheets'

/** Every finding in words: those of each sheet, and what any sheet may say. */
const wordings: Wordings = Object.assign(
  { ...guardedWordings },
  ...sheetList.map((spec) => spec.wordings),
) as Wordings

type Listed = (typeof sheetList)[number]
type WordedBy<Spec> = Spec extends { readonly wordings: infer W } ? keyof W : never
export type FindingId = (keyof typeof guardedWordings | WordedBy<Listed>) & string
export const findingIds = Object.keys(wordings) as readonly FindingId[]

/** A finding in words. One whose id has none is a mistake of ours: RangeError. */
export function word(finding: Finding, practice: Practice, show: Show): Worded {
  const wording = wordings[finding.id]
  if (!wording) throw new RangeError(`no words for the finding ${finding.id}`)
  const f = (key: string) => finding.figures?.[key] ?? NaN
  const n = (index: number) => finding.names?.[index] ?? 'this part'
  const { head, why } = toldApart(show, (finer) => wording({ f, n, show: finer, practice }))
  return { head: withArticles(head), why: withArticles(why) }
}

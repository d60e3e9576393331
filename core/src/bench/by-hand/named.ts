import { inWords } from '../../job/questions'
import type { Practice } from '../../practice/practice'
import type { JudgedHandTest } from './judged'

/** A reading by its name, with the appliance it is of. */
export const handTestName = (
  { kind, target }: Pick<JudgedHandTest, 'kind' | 'target'>,
  { words }: Practice,
): string => {
  const name = inWords(kind.name, words)
  return target.name ? `${name}, ${target.name}` : name
}

/** Where a reading stands on its page. */
export const handTestPlace = ({ kind, target }: Pick<JudgedHandTest, 'kind' | 'target'>): string =>
  `by-hand.${kind.id}${target.id ? `.${target.id}` : ''}`

import type { Finding } from './finding'
import type { Working } from './working'

/** A place in the document that has to be filled before an answer can be given. */
export interface Missing {
  readonly place: string
  readonly what: string
}

/**
 * One page's answer: what it says, what it found, what it still needs, and its arithmetic, built
 * only when opened or printed.
 */
export type Sheet<A> =
  | { readonly applies: false; readonly because: string }
  | {
      readonly applies: true
      readonly answer: A | undefined
      readonly missing: readonly Missing[]
      readonly findings: readonly Finding[]
      readonly workings: () => readonly Working[]
    }

export const worst = (findings: readonly Finding[]): 'stop' | 'fix' | 'pass' =>
  (['stop', 'fix'] as const).find((one) => findings.some(({ severity }) => severity === one)) ??
  'pass'

/** A sheet's answer, where it applies and has one. */
export const answerOf = <A>(sheet: Sheet<A>): A | undefined =>
  sheet.applies ? sheet.answer : undefined

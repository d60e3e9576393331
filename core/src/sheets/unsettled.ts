import type { Missing } from '../answer/sheet'

/**
 * A question whose answer decides something. What is not known is never fine: it stands among what
 * is missing, and the sheet cannot be checked until somebody has looked. A question that does not
 * apply on this job is left out by `asked`; that is another thing than not having looked.
 */
export interface Decides {
  /** Where it is answered, as a dotted path. */
  readonly place: string
  /** As a line among what is missing, in the words of the practice. */
  readonly what: string
  readonly answer: unknown
  /** Whether it decides anything here; it does where nothing is said. */
  readonly asked?: boolean
}

/** What nobody has answered yet of what is asked. */
export const unsettled = (questions: readonly Decides[]): Missing[] =>
  questions
    .filter(({ asked = true, answer }) => asked && (answer === null || answer === undefined))
    .map(({ place, what }) => ({ place, what }))

import type { JobDocument } from './document'
import type { LookKey } from './questions'
import { answerText } from './questions'

/** What somebody saw, as a list prints it. */
export const lookedText = (document: JobDocument, key: LookKey): string => {
  const seen = document.survey.looked[key]
  return seen ? answerText(key, seen.answer) : 'not looked at yet'
}

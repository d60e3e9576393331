import type { Finding } from '../answer/finding'
import type { Working } from '../answer/working'
import type { JobDocument } from '../job/document'
import { surveyFields } from '../job/fields'
import { practices } from '../practice/practices'
import { askedOf } from '../job/asked'
import type { LookQuestion } from '../job/questions'
import { inWords } from '../job/questions'
import type { Missing, Sheet } from '../answer/sheet'

/** Sheets of the survey differ only in what they ask for. */
export function surveySheet<A>(
  missing: readonly Missing[],
  answer: A,
  findings: readonly Finding[] = [],
  workings: () => readonly Working[] = () => [],
): Sheet<A> {
  return { applies: true, answer, missing, findings, workings }
}

export const asked = (document: JobDocument, keys: readonly string[]): Missing[] =>
  surveyFields
    .filter((field) => keys.includes(field.key) && document.survey[field.key] === null)
    .map((field) => ({ place: `survey.${field.key}`, what: field.label }))

export const unlooked = (
  document: JobDocument,
  sections: readonly LookQuestion['section'][],
): Missing[] =>
  sections
    .flatMap((section) => askedOf(document, section))
    .filter((question) => document.survey.looked[question.key] === null)
    .map((question) => ({
      place: `survey.looked.${question.key}`,
      what: inWords(question.label, practices[document.practice].words),
    }))

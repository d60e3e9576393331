import type { JobDocument } from './document'
import { burnsGas } from './fields'
import type { LookKey, LookQuestion } from './questions'
import { lookQuestions } from './questions'

/** Appliances that are here when the job is done: new ones and those that stay. */
export const fitted = <A extends { readonly stay: 'new' | 'stays' | 'goes' }>(
  all: readonly A[],
): readonly A[] => all.filter((one) => one.stay !== 'goes')

/** Whether a question has anything to decide on this job. */
export function isAsked(key: LookKey, document: JobDocument): boolean {
  const { appliances, survey, hotWater } = document
  const gas = appliances.length === 0 || appliances.some((appliance) => burnsGas(appliance.kind))
  switch (key) {
    case 'gasSmell':
    case 'airSource':
    case 'flueRoute':
    case 'openFlued':
      return gas
    case 'vehiclePath':
      return (
        survey.looked.location === null ||
        ['garage', 'outdoors'].includes(survey.looked.location.answer)
      )
    case 'mainReducingValve':
    case 'mainCheckValve':
    case 'mainBackflowPreventer':
    case 'mainMeterCheck':
    case 'mainStreetCheck':
      return appliances.length === 0 || hotWater !== null
    default:
      return true
  }
}

/** The questions of a section that this job asks, in the order one walks. */
export const askedOf = (
  document: JobDocument,
  section: LookQuestion['section'],
): readonly (typeof lookQuestions)[number][] =>
  lookQuestions.filter(
    (question) => question.section === section && isAsked(question.key, document),
  )

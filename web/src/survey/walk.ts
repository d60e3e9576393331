import type {
  Field,
  JobDocument,
  LookKey,
  LookQuestion,
  PlateField,
  SurveyKey,
  Utility,
} from '@hestian/core'
import {
  askedOf,
  burnsGas,
  gasFields,
  placeFields,
  plateFields,
  siteFields,
  utilities,
  waterFields,
} from '@hestian/core'

/** One question of the walk. */
export type Stop =
  | { readonly kind: 'supply'; readonly key: string; readonly utility: Utility }
  | {
      readonly kind: 'reading'
      readonly key: string
      readonly field: Field & { readonly key: SurveyKey }
    }
  | {
      readonly kind: 'look'
      readonly key: string
      readonly question: LookQuestion & { readonly key: LookKey }
    }
  | { readonly kind: 'main'; readonly key: 'main' }
  | { readonly kind: 'draught'; readonly key: 'draught' }
  | {
      readonly kind: 'plate'
      readonly key: string
      readonly index: number
      readonly field: PlateField
    }

/**
 * Every question of the survey in the order one walks the house: in from the street, the main, the
 * meter, the plates, the place, up to the top.
 */
export function walkOf(document: JobDocument): readonly Stop[] {
  const { appliances, heating, hotWater, survey } = document
  const reading = (field: Field & { readonly key: SurveyKey }): Stop => ({
    kind: 'reading',
    key: field.key,
    field,
  })
  const looks = (section: LookQuestion['section']): Stop[] =>
    askedOf(document, section).map((question) => ({ kind: 'look', key: question.key, question }))
  const gas = appliances.length === 0 || appliances.some((appliance) => burnsGas(appliance.kind))
  const heatingOnly: readonly SurveyKey[] = [
    'fillTemp_K',
    'maxFlowTemp_K',
    'highLimitTemp_K',
    'topEmitterHeight_m',
  ]
  const wanted = (field: { readonly key: SurveyKey }) =>
    (heating !== null || !heatingOnly.includes(field.key)) &&
    (field.key !== 'topOutletHeight_m' || hotWater !== null)
  const [elevation, ...heights] = siteFields
  return [
    ...utilities.map((utility): Stop => ({ kind: 'supply', key: `supply-${utility}`, utility })),
    reading(elevation),
    ...looks('main'),
    ...waterFields.filter(wanted).map(reading),
    { kind: 'main', key: 'main' },
    ...(gas ? [...looks('gas'), ...gasFields.map(reading)] : []),
    ...appliances.flatMap((appliance, index) =>
      plateFields
        .filter((field) => field.kinds.includes(appliance.kind))
        .map((field): Stop => ({
          kind: 'plate',
          key: `plate-${appliance.id}-${field.key}`,
          index,
          field,
        })),
    ),
    ...looks('place'),
    ...(survey.looked.location?.answer === 'garage' ? placeFields.map(reading) : []),
    ...looks('air'),
    ...(survey.looked.openFlued?.answer === 'yes'
      ? [{ kind: 'draught', key: 'draught' } as const]
      : []),
    ...looks('services'),
    ...heights.filter(wanted).map(reading),
  ]
}

/** Whether somebody has looked. */
export function isAnswered(stop: Stop, { survey, appliances }: JobDocument): boolean {
  switch (stop.kind) {
    case 'supply':
      return survey.supplies[stop.utility] !== null
    case 'reading':
      return survey[stop.field.key] !== null
    case 'look':
      return survey.looked[stop.question.key] !== null
    case 'main':
      return survey.mainPoints.length > 0
    case 'draught':
      return survey.draught !== null
    case 'plate':
      return appliances[stop.index]?.[stop.field.key] !== null
  }
}

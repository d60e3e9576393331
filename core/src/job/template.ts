import type { JobDocument } from './document'
import type { Known } from './known'

const isKnown = (value: object): value is NonNullable<Known> => 'basis' in value && 'value' in value

/**
 * A job's design as the start of another: what was measured or read on the other site becomes
 * assumed here, in pencil, with where it came from; what was looked at there is not looked at yet
 * here; photographs, papers, dates and records stay behind.
 */
export function templateOf(
  document: JobDocument,
  {
    name,
    number,
    blank,
  }: { readonly name: string; readonly number: string; readonly blank: JobDocument },
): JobDocument {
  const pencil = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(pencil)
    if (typeof value !== 'object' || value === null) return value
    if (isKnown(value))
      return { value: value.value, basis: 'assumed', from: `as on job ${number}`.slice(0, 200) }
    return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, pencil(part)]))
  }
  const design = pencil(document) as JobDocument
  const { fuel, sizeOn, maxFlowTemp_K, highLimitTemp_K } = design.survey
  return {
    ...design,
    site: {
      name,
      address: '',
      notes: document.site.notes,
      building: document.site.building,
      olderConsent: null,
      timeZone: null,
    },
    schools: document.schools,
    survey: { ...blank.survey, fuel, sizeOn, maxFlowTemp_K, highLimitTemp_K },
    appliances: design.appliances.map((one) => ({
      ...one,
      papers: { manual: null, installation: null, charts: null },
      photos: [],
    })),
    parts: [],
    handover: { ...blank.handover, call: document.handover.call },
  }
}

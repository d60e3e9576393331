import { fitted } from '../job/asked'
import type { Appliance, JobDocument } from '../job/document'
import { burnsGas } from '../job/fields'
import { heatingBoiler } from '../job/heatingBoiler'
import type { WorkKindId } from '../job/workDocument'

/** Whether the work is one of these, or nobody has said what it is: everything is then asked. */
export const isWork = ({ work }: JobDocument, ...kinds: readonly WorkKindId[]): boolean =>
  work.kinds.length === 0 || work.kinds.some((kind) => kinds.includes(kind))

/** Kinds whose whole plant is filled and started, whoever built it. */
const takesAny: WorkKindId = 'commissioning-only'

/**
 * Appliances of some kinds that this work fills and starts: new ones, and those that stay where all
 * is commissioned.
 */
export const started = (
  document: JobDocument,
  kinds: readonly Appliance['kind'][],
): readonly Appliance[] =>
  fitted(document.appliances).filter(
    ({ kind, stay }) =>
      kinds.includes(kind) && (stay === 'new' || document.work.kinds.includes(takesAny)),
  )

/** Whether this work fills the heating circuit. */
export const fillsHeating = (document: JobDocument): boolean =>
  document.heating !== null && isWork(document, 'heating-new', 'boiler-exchanged', takesAny)

/** Gas boilers that hang on the circuit, the one that is named first. */
export function boilersStarted(document: JobDocument): readonly Appliance[] {
  if (!fillsHeating(document)) return []
  const first = heatingBoiler(document)
  const all = fitted(document.appliances).filter(({ kind }) => kind === 'boiler')
  return [...all.filter((one) => one === first), ...all.filter((one) => one !== first)]
}

/** The key that an appliance's water side goes by: a boiler's is its circuit's. */
export const waterOf = (document: JobDocument, { id, kind }: Appliance): string =>
  kind === 'boiler' && document.heating ? 'heating' : id

export const applianceOf = (document: JobDocument, id: string): Appliance => {
  const appliance = document.appliances.find((one) => one.id === id)
  if (!appliance) throw new RangeError(`no appliance ${id}`)
  return appliance
}

/** A job with one sequence of steps, as it was before there were several, had it by this. */
export const isOnlyOne = (document: JobDocument, id: string): boolean =>
  !document.heating && started(document, ['storage-heater', 'instantaneous-heater'])[0]?.id === id

export const hasFlue = ({ kind }: Appliance): boolean => burnsGas(kind) && kind !== 'cooktop'

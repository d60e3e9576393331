import type { Appliance, JobDocument } from './document'
import { fitted } from './asked'

/** The boiler a heating circuit hangs on: the one named, or the only one there is. */
export function heatingBoiler(document: JobDocument): Appliance | undefined {
  const boilers = fitted(document.appliances).filter((appliance) => appliance.kind === 'boiler')
  return boilers.find((boiler) => boiler.id === document.heating?.boilerId) ?? boilers[0]
}

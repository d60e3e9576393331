import type { Appliance, JobDocument } from './document'
import { fitted } from './asked'

/** What holds or makes the hot water: a store before an instantaneous heater. */
export const hotWaterHeater = (document: JobDocument): Appliance | undefined =>
  stored
    .map((kind) => fitted(document.appliances).find((appliance) => appliance.kind === kind))
    .find((one) => one !== undefined)

export const stored = [
  'indirect-cylinder',
  'storage-heater',
  'electric-storage-heater',
  'heat-pump-heater',
  'instantaneous-heater',
] as const

import { fitted } from './asked'
import type { JobDocument } from './document'
import { burnsGas } from './fields'

/**
 * Whether anything burns gas here or a gas pipe is drawn; a job without any appliance yet may still
 * get one.
 */
export const hasGas = ({ appliances, gas }: JobDocument): boolean =>
  gas.segments.length > 0 ||
  appliances.length === 0 ||
  fitted(appliances).some((one) => burnsGas(one.kind))

export const noGas = 'Nothing on this job burns gas.'

import type { Appliance, JobDocument } from '../job/document'
import { fuelGases, grossInput_W } from '../methods/gas/fuel'
import type { Practice } from '../practice/practice'

/**
 * Gross input or output of an appliance as the practice's rule takes it, W; undefined while its
 * plate is not read.
 */
export function protects_W(
  appliance: Appliance,
  document: JobDocument,
  practice: Practice,
): number | undefined {
  const { input_W, output_W, inputSaid } = appliance
  if (practice.relief.protects === 'output' && output_W) return output_W.value
  if (!input_W) return output_W?.value
  const gas = fuelGases[practice.name][document.survey.fuel]
  return grossInput_W(input_W.value, inputSaid, gas)
}

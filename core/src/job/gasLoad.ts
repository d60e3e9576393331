import { fuelGases, grossInput_W } from '../methods/gas/fuel'
import type { JobDocument } from './document'
import { burnsGas } from './fields'
import { fitted } from './asked'

/** Gas that everything fitted burns together, m³/s at 15 °C and 101 325 Pa. */
export const loadOf_m3_s = (document: JobDocument): number => {
  const gas = fuelGases[document.practice][document.survey.fuel]
  return (
    fitted(document.appliances).reduce(
      (sum, one) =>
        sum +
        (burnsGas(one.kind) && one.input_W
          ? grossInput_W(one.input_W.value, one.inputSaid, gas)
          : 0),
      0,
    ) / gas.grossHeat_J_m3
  )
}

import { atMost, expectNotNegative } from '../../answer/expect'
import { psi_Pa } from '../../units/units'

/** Heat that a pound of steam counts for, J/kg: 1 000 Btu/lb. */
const perKg_J = (1000 * 1055.05585262) / 0.45359237

/**
 * Steam that a boiler's relief must carry, kg/s, from its output, W, 0 or more, else RangeError.
 * Source: sources.asmeIV.
 */
export function requiredSteam_kg_s(output_W: number): number {
  expectNotNegative({ output_W })
  return output_W / perKg_J
}

/**
 * Greatest setting of a further relief valve on a hot water boiler, gauge Pa: 6 psi over the
 * working pressure up to 60 psi, 5 % above. Source: sources.asmeIV.
 */
export const secondValveGauge_Pa = (maxWorkingGauge_Pa: number): number =>
  atMost(maxWorkingGauge_Pa, 60 * psi_Pa)
    ? maxWorkingGauge_Pa + 6 * psi_Pa
    : 1.05 * maxWorkingGauge_Pa

/**
 * Whether a valve carries what it must and is set no higher than its part stands. Power in W,
 * pressures gauge. Source: sources.asmeIV.
 */
export function reliefHolds({
  protects_W,
  capacity_W,
  setGauge_Pa,
  maxWorkingGauge_Pa,
}: {
  readonly protects_W: number
  readonly capacity_W: number
  readonly setGauge_Pa: number
  readonly maxWorkingGauge_Pa: number
}): { readonly capacity: boolean; readonly setting: boolean } {
  return {
    capacity: atMost(protects_W, capacity_W),
    setting: atMost(setGauge_Pa, maxWorkingGauge_Pa),
  }
}

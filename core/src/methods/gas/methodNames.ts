import { psi_Pa } from '../../units/units'

/** Equations one may choose between; past {@link elevated_Pa} each has a form of its own. */
export const gasMethods = ['nfpa54-low', 'darcy', 'renouard'] as const
export type LowGasMethod = (typeof gasMethods)[number]
export type GasMethod = LowGasMethod | 'nfpa54-high' | 'isothermal' | 'renouard-medium'

/**
 * Gauge pressure from which the equations for elevated pressure hold: 1.5 psi. Source:
 * sources.nfpa54High.
 */
export const elevated_Pa = 1.5 * psi_Pa
const elevatedForms: Readonly<Record<LowGasMethod, GasMethod>> = {
  'nfpa54-low': 'nfpa54-high',
  darcy: 'isothermal',
  renouard: 'renouard-medium',
}

/** The form of a method that holds at a pressure. */
export const methodAt = (method: LowGasMethod, inletGauge_Pa: number): GasMethod =>
  inletGauge_Pa >= elevated_Pa * (1 - 1e-9) ? elevatedForms[method] : method
